using System.Globalization;
using Dorsk.Core.Species;

namespace Dorsk.Core.Feeding;

/// <summary>What feed is mixed from, as it lies there (as fed).</summary>
/// <param name="Name">Its name.</param>
/// <param name="DryMatterPct">Dry matter, percent.</param>
/// <param name="ProteinPct">Crude protein, percent.</param>
/// <param name="FatPct">Fat, percent.</param>
/// <param name="FibrePct">Fibre, percent.</param>
/// <param name="AshPct">Ash, percent.</param>
/// <param name="EnergyMJKg">Digestible energy, MJ/kg.</param>
/// <param name="MostPct">Most of it in the mix, percent as fed.</param>
/// <param name="Caution">What goes wrong with it.</param>
/// <param name="Source">Where its figures come from.</param>
public sealed record Ingredient(
    string Name,
    double DryMatterPct,
    double ProteinPct,
    double FatPct,
    double FibrePct,
    double AshPct,
    double EnergyMJKg,
    double MostPct,
    string Caution,
    string Source
)
{
    // A supplement is given beside a feed, not in its place: a fifth of the mix at most (judged).
    private const double SupplementPct = 20;

    private static readonly IReadOnlyList<Dictionary<string, string>> Rows =
    [
        .. Csv.Embedded("feed_ingredients.csv").Select(r => new Dictionary<string, string>(r)),
    ];

    /// <summary>Names of the table, in its order.</summary>
    public static IReadOnlyList<string> Names { get; } = [.. Rows.Select(r => r["ingredient"])];

    /// <summary>An ingredient of the table by name, for fish that eat plants too or for those that eat fish.</summary>
    /// <exception cref="KeyNotFoundException">The table has none of that name.</exception>
    public static Ingredient Of(string name, bool carnivore)
    {
        var r = Rows.FirstOrDefault(x => x["ingredient"] == name)
            ?? throw new KeyNotFoundException($"No ingredient “{name}”.");
        var most = r[carnivore ? "max_incl_carnivore_pct" : "max_incl_omnivore_pct"];
        return new(
            name,
            N(r["dry_matter_pct"]),
            N(r["crude_protein_pct"]),
            N(r["fat_pct"]),
            N(r["fibre_pct"]),
            N(r["ash_pct"]),
            N(r["de_mj_kg"]),
            most == "supplement" ? SupplementPct : N(most),
            r["caution"],
            r["source"]
        );
    }

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
