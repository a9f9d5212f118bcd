using System.Globalization;
using Dorsk.Core.Growth;
using Dorsk.Core.Species;

namespace Dorsk.Core.Feeding;

/// <summary>Ration of the table: percent of body weight a day by size, carried to the water's temperature by the species' response.</summary>
/// <param name="LowPct">Lower end, percent of biomass a day.</param>
/// <param name="StartPct">Starting value.</param>
/// <param name="HighPct">Upper end.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record TableRation(double LowPct, double StartPct, double HighPct, string Source)
{
    /// <summary>Source of a farm's own table.</summary>
    public const string OwnSource = "set by the farm";

    // Well over the table's own temperature the response may ask for more than fish were ever seen to eat.
    private const double MostOverTable = 1.25;

    private static readonly IReadOnlyList<(string Keys, string Group)> Groups =
    [
        ("nile_tilapia", "tilapia"),
        ("channel_catfish", "channel catfish"),
        ("african_catfish", "African catfish"),
        ("striped_catfish", "striped catfish"),
        ("common_carp", "common carp"),
        ("silver_perch", "silver perch"),
        ("rainbow_trout", "rainbow trout"),
        ("barramundi", "barramundi"),
        ("largemouth_bass hybrid_striped_bass", "bass and hybrid striped bass"),
        ("walleye yellow_perch", "walleye and yellow perch"),
        ("giant_prawn", "giant freshwater prawn"),
        ("whiteleg_shrimp", "whiteleg shrimp"),
    ];

    private static readonly ILookup<
        string,
        (double G, double TempC, double Low, double Start, double High, string Source)
    > Table = Csv.Embedded("ration_table_pct.csv")
        .ToLookup(
            r => r["group"],
            r =>
                (
                    N(r["weight_g"]),
                    N(r["temp_c"]),
                    N(r["ration_low_pct"]),
                    N(r["ration_start_pct"]),
                    N(r["ration_high_pct"]),
                    r["source"]
                )
        );

    /// <summary>The ration of a species at a weight and temperature; null where the table has no row for it.</summary>
    /// <param name="species">The species.</param>
    /// <param name="meanG">Weight, g.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    public static TableRation? For(FishSpecies species, double meanG, double tempC)
    {
        var rows = Rows(species);
        if (rows.Count == 0)
            return null;
        // Between two weights on a line of logarithms, as appetite goes; beyond the ends the end row.
        var (under, over) = (
            rows.LastOrDefault(r => r.G <= meanG, rows[0]),
            rows.FirstOrDefault(r => r.G >= meanG, rows[^1])
        );
        var share = over.G > under.G ? Math.Clamp(Math.Log(meanG / under.G) / Math.Log(over.G / under.G), 0, 1) : 0;
        double Between(double a, double b) => Math.Exp(Math.Log(a) + (share * (Math.Log(b) - Math.Log(a))));
        var made = Between(under.TempC, over.TempC);
        var at = TemperatureResponse.F(made, species);
        var warm =
            tempC < species.FeedMinC ? 0
            : at > 0 ? Math.Min(MostOverTable, TemperatureResponse.F(tempC, species) / at)
            : 1;
        return new(
            warm * Between(under.Low, over.Low),
            warm * Between(under.Start, over.Start),
            warm * Between(under.High, over.High),
            under.Source
        );
    }

    private static List<(double G, double TempC, double Low, double Start, double High, string Source)> Rows(
        FishSpecies species
    ) =>
        species.OwnFeeds is { } own
            ?
            [
                .. own.Select(r =>
                    (
                        G: Math.Max(0.001, r.FromG),
                        r.TempC,
                        Low: r.RationPct,
                        Start: r.RationPct,
                        High: r.RationPct,
                        Source: OwnSource
                    )
                ),
            ]
        : Groups.FirstOrDefault(g => g.Keys.Split(' ').Contains(species.BaseKey)).Group is { } group
            ? Table[group].OrderBy(r => r.G).ToList()
        : [];

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}

/// <summary>How often fish of a size are fed at a temperature.</summary>
/// <param name="MealsLow">Fewest meals a day.</param>
/// <param name="MealsHigh">Most meals a day.</param>
/// <param name="DaysPerWeek">Days a week with feed.</param>
/// <param name="Hours">When, in words.</param>
/// <param name="Note">What else the table says.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record FeedingRhythm(
    int MealsLow,
    int MealsHigh,
    int DaysPerWeek,
    string Hours,
    string Note,
    string Source
)
{
    private static readonly IReadOnlyList<(string Keys, string Group)> Groups =
    [
        ("nile_tilapia", "tilapia"),
        ("channel_catfish", "channel catfish"),
        ("african_catfish striped_catfish", "African or striped catfish"),
        ("common_carp", "common carp"),
        ("rohu milkfish tambaqui jade_perch silver_carp", "Indian carps, milkfish, tambaqui, jade perch"),
        ("silver_perch", "silver perch"),
        ("rainbow_trout", "rainbow trout"),
        ("barramundi", "barramundi"),
        ("largemouth_bass hybrid_striped_bass", "bass and hybrid striped bass"),
        ("walleye yellow_perch", "walleye and yellow perch"),
        ("whiteleg_shrimp", "shrimp"),
        ("giant_prawn redclaw", "prawn and redclaw"),
    ];

    private static readonly ILookup<
        string,
        (double FromG, double ToG, double FromC, double ToC, FeedingRhythm Rhythm)
    > Table = Csv.Embedded("feeding_frequency.csv")
        .ToLookup(
            r => r["group"],
            r =>
                (
                    N(r["weight_from_g"]),
                    N(r["weight_to_g"]),
                    N(r["temp_from_c"]),
                    N(r["temp_to_c"]),
                    new FeedingRhythm(
                        (int)N(r["meals_per_day_low"]),
                        (int)N(r["meals_per_day_high"]),
                        (int)N(r["days_per_week"]),
                        r["hours"],
                        r["note"],
                        r["source"]
                    )
                )
        );

    /// <summary>The rhythm of a species at a weight and temperature; null where the table says nothing.</summary>
    /// <param name="species">The species.</param>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    public static FeedingRhythm? For(FishSpecies species, double meanG, double tempC)
    {
        foreach (var r in BySpecies.GetValueOrDefault(species.BaseKey) ?? [])
            if (meanG >= r.FromG && meanG < r.ToG && tempC >= r.FromC && tempC < r.ToC)
                return r.Rhythm;
        return null;
    }

    // Asked for every day of every forecast: parted by species once.
    private static readonly IReadOnlyDictionary<
        string,
        (double FromG, double ToG, double FromC, double ToC, FeedingRhythm Rhythm)[]
    > BySpecies = Groups
        .SelectMany(g => g.Keys.Split(' ').Select(key => (key, g.Group)))
        .ToDictionary(x => x.key, x => Table[x.Group].ToArray());

    /// <summary>Meals that are held of a wanted number: the middle of the table unless somebody wants another.</summary>
    public int Usual => Math.Max(1, (MealsLow + MealsHigh + 1) / 2);

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}

/// <summary>How fish came to a meal, 0 to 4, and what that does to the next ration fed to satiation.</summary>
public static class FeedResponse
{
    private static readonly IReadOnlyList<(int Score, string Words, double Change, string Rule)> Rows =
    [
        .. Csv.Embedded("satiation_guidance.csv")
            .Where(r => r["group"] == "fish" && r["score"].Length > 0)
            .Select(r =>
                (
                    int.Parse(r["score"], CultureInfo.InvariantCulture),
                    r["response"],
                    double.Parse(r["next_ration_change_pct"], CultureInfo.InvariantCulture) / 100,
                    r["rule"]
                )
            )
            .OrderBy(r => r.Item1),
    ];

    /// <summary>The scores with their words, lowest first.</summary>
    public static IReadOnlyList<(int Score, string Words)> Scores { get; } = [.. Rows.Select(r => (r.Score, r.Words))];

    /// <summary>Share by which the next ration changes: −1 to 0.1.</summary>
    public static double Change(int score) => Rows[Math.Clamp(score, 0, Rows.Count - 1)].Change;

    // Fish that want feed clear it within the time of a meal; what lies longer was not wanted.
    private const double LongMealMinutes = 30,
        SomeLeft = 0.05,
        MuchLeft = 0.25;
    private const int SlowScore = 2,
        PoorScore = 1;

    /// <summary>The score a meal stands for: as it was given, no better than its length and what was left of it allow; null where nobody watched and nothing was left.</summary>
    /// <param name="score">As given, 0 to 4, or null.</param>
    /// <param name="minutes">How long they ate, min, or null.</param>
    /// <param name="leftShare">Left of what was given, 0 to 1.</param>
    public static int? Shown(int? score, double? minutes, double leftShare)
    {
        int? most =
            leftShare > MuchLeft ? PoorScore
            : leftShare > SomeLeft || minutes > LongMealMinutes ? SlowScore
            : null;
        return most is { } limit && (score is null || score > limit) ? limit : score;
    }

    /// <summary>What is left of the next meal after a poor one, 0 to 1.</summary>
    /// <param name="score">How they came to the last one.</param>
    public static double NextMeal(int score) => Math.Min(1, 1 + Change(score));

    /// <summary>What else is to be done at this score; empty when nothing.</summary>
    public static string Rule(int score) => Rows[Math.Clamp(score, 0, Rows.Count - 1)].Rule;
}
