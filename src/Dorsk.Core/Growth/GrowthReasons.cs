using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Growth;

/// <summary>One reason why a batch weighs more or less than planned.</summary>
/// <param name="Cause">What it is, in a word or two.</param>
/// <param name="Share">What it alone makes of the planned weight: −0.06 is six percent less.</param>
/// <param name="Said">What the record shows, in a few words.</param>
public sealed record GrowthReason(string Cause, double Share, string Said);

/// <summary>
/// Why a batch is ahead or behind: the planned growth is walked again with one thing at a time as it really was – water, ration,
/// mornings. What none of the three explains is its own: crowding where the pond is full, else the stock, disease or the samples.
/// </summary>
public static class GrowthReasons
{
    // A cause that moves the weight by less than this is not worth a word; over this share of what the pond carries it is crowded.
    private const double Least = 0.015,
        Crowded = 0.85;

    /// <summary>Reasons, the strongest first.</summary>
    /// <param name="species">The species.</param>
    /// <param name="days">Its standing estimates from stocking on.</param>
    /// <param name="waterC">Water of a day as it was, and as it usually is, °C.</param>
    /// <param name="dawnLowMgL">Lowest oxygen read on a morning, mg/L, or null.</param>
    /// <param name="carriesKg">What the pond carries, kg.</param>
    /// <param name="hand">How figures are printed.</param>
    /// <param name="seen">Low pH and poor feed over these days; null where nobody looked.</param>
    public static IReadOnlyList<GrowthReason> Of(
        FishSpecies species,
        IReadOnlyList<Standing> days,
        (Func<DateOnly, double> Actual, Func<DateOnly, double> Usual) waterC,
        Func<DateOnly, double?> dawnLowMgL,
        double carriesKg,
        Hand hand,
        GrowthWater? seen = null
    )
    {
        if (days.Count < 2)
            return [];
        double End(Func<Standing, double> tempC, Func<Standing, double> factor) =>
            days.SkipLast(1)
                .Aggregate(days[0].MeanG.Value, (w, d) =>
                    Math.Max(0.1 * w, w + (DailyGain.FullG(w, tempC(d), species) * factor(d)))
                );
        double Usual(Standing d) => waterC.Usual(d.Day);
        var planned = End(Usual, _ => DailyGain.RationShare(GrowthPlan.PlannedRation));
        var (water, fed, mornings) = (
            End(d => waterC.Actual(d.Day), _ => DailyGain.RationShare(GrowthPlan.PlannedRation)),
            End(Usual, d => DailyGain.RationShare(GrowthPlan.PlannedRation * d.OfUsual)),
            End(Usual, d => DailyGain.RationShare(GrowthPlan.PlannedRation) * d.Oxygen)
        );
        var difference = days.Average(d => waterC.Actual(d.Day) - waterC.Usual(d.Day));
        var bad = days.Count(d => d.Oxygen < 1);
        var read = days.Count(d => dawnLowMgL(d.Day) is not null);
        List<GrowthReason> reasons =
        [
            OfWater(planned, water, difference, hand),
            // A level that never changes cannot be told from the fish's own rate: what counts is what they got of their usual.
            OfRations(days, planned, fed),
            new(
                "bad mornings",
                (mornings / planned) - 1,
                FormattableString.Invariant($"{bad} of {read} mornings read were under the watch level")
            ),
        ];
        var rest = (days[^1].MeanG.Value / planned / reasons.Aggregate(1.0, (p, r) => p * (1 + r.Share))) - 1;
        reasons.Add(Rest(rest, days.Count(d => d.BiomassKg.Value > Crowded * carriesKg), seen));
        return [.. reasons.Where(r => Math.Abs(r.Share) >= Least).OrderByDescending(r => Math.Abs(r.Share))];
    }

    private static GrowthReason OfRations(IReadOnlyList<Standing> days, double planned, double fed) =>
        new(
            "short rations",
            (fed / planned) - 1,
            FormattableString.Invariant($"fed {100 * days.Average(d => d.OfUsual):0} % of what they are used to eat")
        );

    private static GrowthReason OfWater(double planned, double water, double difference, Hand hand) =>
        new(
            difference < 0 ? "cold" : "warmth",
            (water / planned) - 1,
            $"water {QuantityText.Write(Math.Abs(difference), Measures.TemperatureStep, hand)} {(difference < 0 ? "colder" : "warmer")} than usual on average"
        );

    // What water, ration and mornings leave unexplained.
    private static GrowthReason Rest(double share, int fullDays, GrowthWater? seen) =>
        share < 0 && seen?.Words is { } words ? new(seen.Cause, share, words)
        : share < 0 && fullDays > 0
            ? new(
                "crowding",
                share,
                FormattableString.Invariant($"over {100 * Crowded:0} % of carrying capacity on {fullDays} days")
            )
        : new(
            share < 0 ? "their own slow growth" : "their own fast growth",
            share,
            "nothing above explains it: the stock, health, feed quality, natural food, or the samples"
        );
}

/// <summary>What beside warmth, ration and mornings stunts fish: water that is too sour, feed with too little protein.</summary>
/// <param name="LowPhDays">Days on which pH was read under the low limit of the species.</param>
/// <param name="PhDays">Days on which pH was read.</param>
/// <param name="PoorFeedShare">Share of the feed, by mass, with less protein than their stage wants, 0 to 1.</param>
public sealed record GrowthWater(int LowPhDays, int PhDays, double PoorFeedShare)
{
    // A third of the days, or of the feed, is no accident.
    private const double Telling = 1.0 / 3;

    private bool Sour => PhDays > 0 && (double)LowPhDays / PhDays >= Telling;

    private bool Poor => PoorFeedShare >= Telling;

    /// <summary>The cause in a word or two; empty where nothing tells.</summary>
    public string Cause
    {
        get
        {
            if (Sour)
                return Poor ? "low pH and poor feed" : "low pH";
            return Poor ? "poor feed" : "";
        }
    }

    /// <summary>What the record shows; null where nothing tells.</summary>
    public string? Words =>
        !Sour && !Poor
            ? null
            : string.Join(
                "; ",
                new[]
                {
                    Sour
                        ? FormattableString.Invariant($"pH under the low limit on {LowPhDays} of {PhDays} days read")
                        : "",
                    Poor
                        ? FormattableString.Invariant(
                            $"{100 * PoorFeedShare:0} % of the feed had less protein than their stage wants"
                        )
                        : "",
                }.Where(w => w.Length > 0)
            );
}
