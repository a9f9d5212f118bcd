using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using MathNet.Numerics.Distributions;

namespace Dorsk.Core.Season;

/// <summary>Fish that leave a pond on a day to come, while others stay.</summary>
/// <param name="Key">Of the plan that takes them.</param>
/// <param name="On">Farm day.</param>
/// <param name="Count">Fish.</param>
/// <param name="ToPondId">Where they move, or null: harvested.</param>
/// <param name="MeanG">Their weight, g, with its 80 % interval.</param>
public sealed record TakenOut(string Key, DateOnly On, double Count, long? ToPondId, Interval MeanG);

/// <summary>Fish of one batch in one pond over the days to come: those that stand, or that are planned.</summary>
/// <param name="Key">Key of its last day: <c>h</c> with batch and pond, or <c>e</c> with the plan.</param>
/// <param name="PondId">Where.</param>
/// <param name="Species">The fish.</param>
/// <param name="TargetG">Wanted weight, g.</param>
/// <param name="Count">Fish on the first day, with their interval.</param>
/// <param name="DailyLoss">Share lost a day.</param>
/// <param name="CvPct">Spread of their weights, percent.</param>
/// <param name="Ahead">Weights from the first day to the end of the horizon.</param>
/// <param name="Stands">Whether they stand today.</param>
public sealed record Cohort(
    string Key,
    long PondId,
    FishSpecies Species,
    double TargetG,
    Interval Count,
    double DailyLoss,
    double CvPct,
    IReadOnlyList<WeightAhead> Ahead,
    bool Stands
)
{
    private readonly double countLogWidth =
        Math.Log(Math.Max(1, Count.High) / Math.Max(1, Count.Value))
        * SampleStatistics.Z(GrowthForecast.Level)
        / SampleStatistics.Z(Count.Level);

    /// <summary>When they reach their weight.</summary>
    public TargetDate Window { get; private init; } = GrowthForecast.DateOf(TargetG, Ahead);

    /// <summary>Those who leave before the rest, by day.</summary>
    public IReadOnlyList<TakenOut> Taken { get; init; } = [];

    /// <summary>The day all leave: as planned, or when they likely reach their weight; null beyond the horizon.</summary>
    public DateOnly? Out { get; init; }

    /// <summary>Where all move on that day, or null: harvested.</summary>
    public long? OutTo { get; init; }

    /// <summary>Key by which that day is moved: its own, or of the plan that takes the last of them.</summary>
    public string OutKey { get; init; } = Key;

    /// <summary>Whether somebody planned that day.</summary>
    public bool OutPlanned { get; init; }

    /// <summary>First day.</summary>
    public DateOnly From => Ahead[0].Day;

    /// <summary>Whether an event takes fish of these.</summary>
    public bool Gives(SeasonEvent e) =>
        e.PondId == PondId && (e.Key == Key || e.Key == OutKey || Taken.Any(t => t.Key == e.Key));

    /// <summary>Whether they stand in the pond at the end of a day.</summary>
    public bool StandsOn(DateOnly day) => day >= From && (Out is not { } end || day < end);

    /// <summary>Weight on a day, g, with its 80 % interval; the last one known beyond the horizon.</summary>
    public Interval MeanG(DateOnly day) => Ahead[Math.Clamp(day.DayNumber - From.DayNumber, 0, Ahead.Count - 1)].MeanG;

    /// <summary>Fish at the end of a day, those who leave on it no longer counted; none before they come or after all left.</summary>
    public double CountOn(DateOnly day) => StandsOn(day) ? Left(day) : 0;

    /// <summary>Fish on the morning of the day all leave, or of any other day while they stand.</summary>
    public double Left(DateOnly day)
    {
        var stays = 1 - DailyLoss;
        var left = Count.Value * Math.Pow(stays, day.DayNumber - From.DayNumber);
        foreach (var t in Taken)
            if (t.On <= day)
                left -= t.Count * Math.Pow(stays, day.DayNumber - t.On.DayNumber);
        return Math.Max(0, left);
    }

    /// <summary>Biomass at the end of a day, kg, with its 80 % interval: doubt of number and of weight together.</summary>
    public Interval KgOn(DateOnly day)
    {
        var (fish, g) = (CountOn(day), MeanG(day));
        var kg = fish * g.Value / 1000;
        double Wide(double log) => Math.Exp(Math.Sqrt((log * log) + (countLogWidth * countLogWidth)));
        return new(
            kg,
            kg / Wide(Math.Log(g.Value / g.Low)),
            kg * Wide(Math.Log(g.High / g.Value)),
            GrowthForecast.Level
        );
    }

    /// <summary>
    /// The same fish after some leave on a day. To another pond go fish as they come; the market takes the heaviest: of weights spread
    /// normally those over a cut. The lighter ones that stay put on the same cube-root weight a day as the growth law says.
    /// </summary>
    /// <param name="key">Key of the plan.</param>
    /// <param name="on">Farm day.</param>
    /// <param name="count">Fish; no more than are left.</param>
    /// <param name="toPondId">Where they move, or null.</param>
    public Cohort Without(string key, DateOnly on, double count, long? toPondId)
    {
        var there = Left(on);
        var share = there <= 0 ? 1 : Math.Min(1, count / there);
        var mean = MeanG(on);
        if (toPondId is not null || share >= 1)
            return this with
            {
                Taken = [.. Taken.Append(new(key, on, Math.Min(count, there), toPondId, mean)).OrderBy(t => t.On)],
            };
        var (taken, stay) = GradedG(mean.Value, CvPct, share);
        double Lighter(double g) => Math.Pow(Math.Max(0.1, Math.Cbrt(g) - Math.Cbrt(mean.Value) + Math.Cbrt(stay)), 3);
        Interval By(Interval g, double k) => new(g.Value * k, g.Low * k, g.High * k, g.Level);
        List<WeightAhead> ahead =
        [
            .. Ahead.Select(w =>
                w.Day < on ? w : w with { MeanG = By(w.MeanG, Lighter(w.MeanG.Value) / w.MeanG.Value) }
            ),
        ];
        return this with
        {
            Ahead = ahead,
            Window = GrowthForecast.DateOf(TargetG, ahead),
            Taken = [.. Taken.Append(new(key, on, count, null, By(mean, taken / mean.Value))).OrderBy(t => t.On)],
        };
    }

    /// <summary>Mean weights of the heaviest share of fish and of the rest, g, of weights spread normally.</summary>
    /// <param name="meanG">Mean of all, g.</param>
    /// <param name="cvPct">Spread, percent.</param>
    /// <param name="share">Share taken, above 0 and under 1.</param>
    public static (double TakenG, double StayG) GradedG(double meanG, double cvPct, double share)
    {
        var density = Normal.PDF(0, 1, Normal.InvCDF(0, 1, 1 - share)) * meanG * cvPct / 100;
        return (meanG + (density / share), Math.Max(0.05 * meanG, meanG - (density / (1 - share))));
    }

    /// <summary>Whether they want the same feed as others on every day: the same growth, number, leavings and last day.</summary>
    public bool EatsAs(Cohort other) =>
        ReferenceEquals(grown, other.grown)
        && Count == other.Count
        && DailyLoss == other.DailyLoss
        && Out == other.Out
        && Taken.SequenceEqual(other.Taken);

    // The forecast they began with, before any were taken.
    private readonly IReadOnlyList<WeightAhead> grown = Ahead;

    /// <summary>Feed they want day by day until all leave; not fed on that day.</summary>
    public IReadOnlyList<FeedWanted> Feed(Func<DateOnly, double> tempC) =>
        FeedAhead.Of(Ahead, CountOn, Species, tempC, Out ?? Ahead[^1].Day);
}
