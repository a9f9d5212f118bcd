using System.Globalization;
using Dorsk.Core.Species;

namespace Dorsk.Core.Feeding;

/// <summary>First food and weaning of fry, as the trade's table has it.</summary>
/// <param name="FirstFood">What the larvae eat first.</param>
/// <param name="WeanFromMm">Length at which dry feed is begun, mm; 0 where they take it from the first meal.</param>
/// <param name="WeanDays">How long weaning takes, days: from, to; null where none is needed.</param>
/// <param name="SurvivalPct">Survival of weaning, percent: from, to.</param>
/// <param name="GradeEveryDays">Graded every so many days, or null.</param>
/// <param name="Caution">What goes wrong.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record FirstFeeds(
    string FirstFood,
    double WeanFromMm,
    (int Low, int High)? WeanDays,
    (double Low, double High) SurvivalPct,
    int? GradeEveryDays,
    string Caution,
    string Source
)
{
    private static readonly IReadOnlyDictionary<string, FirstFeeds> Table = Csv.Embedded("fry_nursery_weaning.csv")
        .Where(r => r["first_food"].Length > 0 || r["wean_start_mm"].Length > 0)
        .ToDictionary(
            r => r["species"].ToLowerInvariant().Replace(' ', '_'),
            r => new FirstFeeds(
                r["first_food"].Length > 0 ? r["first_food"] : "dry feed at swim-up",
                N(r["wean_start_mm"]),
                Days(r["wean_days"]),
                (N(r["wean_survival_low_pct"]), N(r["wean_survival_high_pct"])),
                r["grade_every_days"].Length > 0 ? (int)N(r["grade_every_days"]) : null,
                r["caution"],
                r["source"]
            )
        );

    /// <summary>Of a species, or null where the table has no row.</summary>
    public static FirstFeeds? For(FishSpecies species) => Table.GetValueOrDefault(species.BaseKey);

    /// <summary>
    /// Weaning in equal steps over its days: live food and paste first, then less live food, then dry feed alone. Fed by a drum or
    /// belt every few minutes, because fry that miss meals turn on each other.
    /// </summary>
    /// <param name="from">First day.</param>
    public IReadOnlyList<(DateOnly Day, int DryPct)> Steps(DateOnly from)
    {
        if (WeanDays is not { } days)
            return [(from, 100)];
        var each = days.High / 4.0;
        return [.. Enumerable.Range(0, 5).Select(i => (from.AddDays((int)Math.Round(i * each)), 25 * i))];
    }

    private static (int, int)? Days(string text)
    {
        var parts = text.Split('-', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        return parts.Length == 0 || parts[^1] == "0" ? null : ((int)N(parts[0]), (int)N(parts[^1]));
    }

    private static double N(string text) => text.Length == 0 ? 0 : double.Parse(text, CultureInfo.InvariantCulture);
}
