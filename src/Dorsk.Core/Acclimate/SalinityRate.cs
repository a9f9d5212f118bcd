using System.Globalization;
using System.Text.RegularExpressions;
using Dorsk.Core.Species;

namespace Dorsk.Core.Acclimate;

/// <summary>A band of salinity with how fast it may change there.</summary>
/// <param name="Down">Whether the salinity falls; null for both ways.</param>
/// <param name="LowPpt">From, ppt.</param>
/// <param name="HighPpt">To, ppt.</param>
/// <param name="DirectPpt">A difference that is borne at once, ppt.</param>
/// <param name="PerHour">Change an hour, ppt; null: free.</param>
/// <param name="Gate">What must hold before; may be empty.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record SalinityBand(
    bool? Down,
    double LowPpt,
    double HighPpt,
    double DirectPpt,
    double? PerHour,
    string Gate,
    string Source
);

/// <summary>How fast salinity may change for a fish, by where it stands and which way it goes; the trade's default steps where the table says nothing of it.</summary>
public sealed class SalinityRate
{
    private const double UpDefault = 1,
        Free = 1000,
        LightestPl12G = 0.003,
        FryG = 1;

    // Names of the table by keys of species; a row names one animal or several of a kind.
    private static readonly Dictionary<string, string> Animals = new()
    {
        ["whiteleg_shrimp"] = "whiteleg shrimp",
        ["giant_prawn"] = "giant freshwater prawn",
        ["nile_tilapia"] = "Nile tilapia",
        ["milkfish"] = "milkfish",
        ["barramundi"] = "barramundi",
        ["hybrid_striped_bass"] = "hybrid striped bass",
        ["rainbow_trout"] = "rainbow trout",
        ["silver_perch"] = "silver perch",
        ["jade_perch"] = "channel catfish, carps, bass, perch",
        ["channel_catfish"] = "channel catfish, carps, bass, perch",
        ["common_carp"] = "channel catfish, carps, bass, perch",
        ["rohu"] = "channel catfish, carps, bass, perch",
        ["silver_carp"] = "channel catfish, carps, bass, perch",
        ["largemouth_bass"] = "channel catfish, carps, bass, perch",
        ["yellow_perch"] = "channel catfish, carps, bass, perch",
        ["african_catfish"] = "African and striped catfish",
        ["striped_catfish"] = "African and striped catfish",
        ["redclaw"] = "redclaw",
    };

    private static readonly IReadOnlyList<IReadOnlyDictionary<string, string>> Table = Csv.Embedded(
        "salinity_acclimation.csv"
    );

    /// <summary>The trade's default steps, for a fish that the table does not name.</summary>
    public static SalinityRate Default { get; } = new([]);

    private readonly IReadOnlyList<SalinityBand> bands;

    private double? OwnPerHour { get; init; }

    private SalinityRate(IReadOnlyList<SalinityBand> own) => bands = [.. own, .. Rows("any", "default")];

    /// <summary>The steps of a fish at a weight.</summary>
    /// <param name="species">The species.</param>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    /// <param name="ownPerHour">The farm's own rate, ppt in an hour, above 0; null: the trade's. What they bear at once stays the trade's.</param>
    public static SalinityRate For(FishSpecies species, double meanG, double? ownPerHour = null)
    {
        if (!Animals.TryGetValue(species.BaseKey, out var animal))
            return new([]) { OwnPerHour = ownPerHour };
        // Postlarvae under twelve days have unfinished gills.
        var young = species.BaseKey == "whiteleg_shrimp" && meanG < LightestPl12G;
        var rows = Rows(animal, young ? "PL10" : null, meanG);
        return new([.. rows.Where(b => young || !b.Gate.Contains("before PL12", StringComparison.Ordinal))])
        {
            OwnPerHour = ownPerHour,
        };
    }

    /// <summary>A difference that fish are let out into, ppt.</summary>
    /// <param name="from">At first, ppt; 0 or more.</param>
    /// <param name="to">The goal, ppt; 0 or more.</param>
    public double DirectPpt(double from, double to) => At(from, to < from)?.DirectPpt ?? UsualDirectPpt;

    /// <summary>What must hold on this way, in words, in the order in which it is met.</summary>
    /// <param name="from">At first, ppt; 0 or more.</param>
    /// <param name="to">The goal, ppt; 0 or more.</param>
    public IEnumerable<string> Gates(double from, double to) =>
        Legs(from, to).Select(leg => leg.Band?.Gate ?? "").Where(gate => gate.Length > 0).Distinct();

    /// <summary>Where the steps come from.</summary>
    public string Source => "Salinity acclimation: " + bands[0].Source;

    /// <summary>A difference that most fish are let out into, ppt.</summary>
    public const double UsualDirectPpt = 3;

    /// <summary>Salinity after some hours, never past the goal.</summary>
    /// <param name="from">At first, ppt; 0 or more.</param>
    /// <param name="to">The goal, ppt; 0 or more.</param>
    /// <param name="hours">Hours; 0 or more.</param>
    public double After(double from, double to, double hours)
    {
        var (s, left) = (from, hours);
        foreach (var (stop, rate, _) in Legs(from, to))
        {
            var took = Math.Min(left, Math.Abs(stop - s) / rate);
            s += Math.Sign(stop - s) * rate * took;
            left -= took;
            if (left <= 1e-9)
                break;
        }
        return s;
    }

    /// <summary>Hours from one salinity to another.</summary>
    /// <param name="from">At first, ppt; 0 or more.</param>
    /// <param name="to">The goal, ppt; 0 or more.</param>
    public double Hours(double from, double to)
    {
        var (s, hours) = (from, 0.0);
        foreach (var (stop, rate, _) in Legs(from, to))
        {
            hours += Math.Abs(stop - s) / rate;
            s = stop;
        }
        return hours;
    }

    // The way in pieces of one rate: to the next level at which the rate may change, or the goal.
    private IEnumerable<(double Stop, double PerHour, SalinityBand? Band)> Legs(double from, double to)
    {
        var down = to < from;
        var levels = bands
            .SelectMany(b => new[] { b.LowPpt, b.HighPpt })
            .Where(l => l > Math.Min(from, to) && l < Math.Max(from, to))
            .Append(to)
            .Distinct();
        var s = from;
        foreach (var stop in down ? levels.OrderDescending() : levels.Order())
        {
            var band = At((s + stop) / 2, down);
            yield return (stop, OwnPerHour ?? (band is null ? UpDefault : band.PerHour ?? Free), band);
            s = stop;
        }
    }

    private SalinityBand? At(double ppt, bool down) =>
        bands.FirstOrDefault(b =>
            b.Down != !down && (down ? ppt > b.LowPpt : ppt >= b.LowPpt) && (down ? ppt <= b.HighPpt : ppt < b.HighPpt)
        );

    // Rows of fry are for fry; fish lighter than a row was made for go at its slow rate, and bear little at once.
    private static IEnumerable<SalinityBand> Rows(string animal, string? stage, double? meanG = null) =>
        Table
            .Where(r =>
                r["animal"] == animal && (stage is null || r["stage"].StartsWith(stage, StringComparison.Ordinal))
            )
            .Where(r => !(meanG >= FryG && r["stage"].StartsWith("fry", StringComparison.Ordinal)))
            .Select(r => Band(r, meanG < LeastG(r["stage"])));

    private static SalinityBand Band(IReadOnlyDictionary<string, string> r, bool lighter)
    {
        var (from, to) = (Figure(r["from_ppt"])!.Value, Figure(r["to_ppt"])!.Value);
        var direct = Figure(r["direct_step_max_ppt"]) ?? UsualDirectPpt;
        return new(
            r["direction"] == "either" ? null : r["direction"] == "down",
            Math.Min(from, to),
            Math.Max(from, to),
            lighter ? Math.Min(direct, UsualDirectPpt) : direct,
            Figure(r[lighter ? "rate_low_ppt_h" : "rate_start_ppt_h"]),
            r["gate"],
            r["source"]
        );
    }

    // "over 70-100 g" and the like; 0 where the row names no weight.
    private static double LeastG(string stage) =>
        Regex.Match(stage, @"over (\d+)(-\d+)? g") is { Success: true } said
            ? double.Parse(said.Groups[1].Value, CultureInfo.InvariantCulture)
            : 0;

    private static double? Figure(string text) =>
        text.Length == 0 ? null : double.Parse(text, CultureInfo.InvariantCulture);
}
