using System.Globalization;
using Dorsk.Core.Species;

namespace Dorsk.Core.Feeding;

/// <summary>What feed a fish of a weight takes.</summary>
/// <param name="FromG">From this weight, g.</param>
/// <param name="ToG">Up to this weight, g.</param>
/// <param name="Form">Powder, fines, crumble, pellet.</param>
/// <param name="SizeMm">Size, mm: from, to.</param>
/// <param name="ProteinPct">Protein, percent: from, to.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record FeedSize(
    double FromG,
    double ToG,
    string Form,
    (double Low, double High) SizeMm,
    (double Low, double High) ProteinPct,
    string Source
)
{
    private static readonly IReadOnlyList<(string Keys, string Guild)> Guilds =
    [
        ("nile_tilapia common_carp silver_carp jade_perch tambaqui milkfish", "omnivore warm"),
        ("silver_perch", "silver perch"),
        ("channel_catfish", "channel catfish"),
        ("african_catfish", "African catfish"),
        ("striped_catfish", "striped catfish"),
        ("largemouth_bass hybrid_striped_bass barramundi", "carnivore warm"),
        ("walleye yellow_perch", "percid"),
        ("rainbow_trout", "salmonid"),
        ("rohu", "rohu"),
    ];

    private static readonly ILookup<string, FeedSize> Table = Csv.Embedded("feed_by_size_fish.csv")
        .ToLookup(
            r => Guilds.FirstOrDefault(g => r["guild"].StartsWith(g.Guild, StringComparison.Ordinal)).Guild ?? "",
            r => new FeedSize(
                N(r["weight_from_g"]),
                N(r["weight_to_g"]),
                r["feed_form"],
                (N(r["size_low_mm"]), N(r["size_high_mm"])),
                (N(r["protein_low_pct"]), N(r["protein_high_pct"])),
                r["source"]
            )
        );

    /// <summary>Feeds of a species by weight, smallest first; empty where the table has none.</summary>
    public static IReadOnlyList<FeedSize> For(FishSpecies species) =>
        species.OwnFeeds is { } own ? Own.GetValue(own, Rows) : BySpecies.GetValueOrDefault(species.BaseKey) ?? [];

    // A farm's table is asked for as often as the trade's: turned into rows once.
    private static readonly System.Runtime.CompilerServices.ConditionalWeakTable<
        IReadOnlyList<FeedTableRow>,
        FeedSize[]
    > Own = [];

    private static FeedSize[] Rows(IReadOnlyList<FeedTableRow> own) =>
        [
            .. own.Select(
                (r, i) =>
                    new FeedSize(
                        r.FromG,
                        i + 1 < own.Count ? own[i + 1].FromG : double.PositiveInfinity,
                        "feed",
                        (r.PelletLowMm, r.PelletHighMm),
                        (r.ProteinPct, r.ProteinPct),
                        TableRation.OwnSource
                    )
            ),
        ];

    // Asked for every day of every forecast: parted by species once.
    private static readonly IReadOnlyDictionary<string, FeedSize[]> BySpecies = Guilds
        .SelectMany(g => g.Keys.Split(' ').Select(key => (key, g.Guild)))
        .ToDictionary(x => x.key, x => Table[x.Guild].OrderBy(f => f.FromG).ToArray());

    /// <summary>The row for a weight: under the first or over the last row that row counts; null where the table has none.</summary>
    /// <param name="species">The species.</param>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    public static FeedSize? At(FishSpecies species, double meanG)
    {
        var rows = For(species);
        for (var i = rows.Count - 1; i > 0; i--)
            if (rows[i].FromG <= meanG)
                return rows[i];
        return rows.Count > 0 ? rows[0] : null;
    }

    /// <summary>How far a pellet is from what this size wants, mm; 0 within.</summary>
    public double Misses(double pelletMm) =>
        pelletMm < SizeMm.Low ? SizeMm.Low - pelletMm : Math.Max(0, pelletMm - SizeMm.High);

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
