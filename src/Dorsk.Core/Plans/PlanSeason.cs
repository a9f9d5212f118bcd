using Dorsk.Core.Growth;
using Dorsk.Core.Judging;

namespace Dorsk.Core.Plans;

/// <summary>One fish of a plan on one day.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="MeanG">Weight, g.</param>
/// <param name="TempC">Water, °C.</param>
/// <param name="FeedG">Feed it gets that day, g.</param>
/// <param name="PerHarvested">Fish alive for one that will be harvested; 1 or more.</param>
public readonly record struct PlanDay(DateOnly Day, double MeanG, double TempC, double FeedG, double PerHarvested);

/// <summary>
/// A season day by day for one fish: growth at nine tenths of the full ration in the temperatures of this water, feed by the FCR of its
/// stage, and deaths spread evenly over the days. Everything of a plan is a multiple of it.
/// </summary>
/// <param name="Days">From the day of stocking to the weight wanted, or to the end of the horizon.</param>
/// <param name="ReachedOn">Day of the weight wanted, or null when it is not reached in time.</param>
public sealed record PlanSeason(IReadOnlyList<PlanDay> Days, DateOnly? ReachedOn)
{
    /// <summary>The day on which the water comes to what kills the species, with its temperature, °C; no season goes on past it. Null when none does.</summary>
    public (DateOnly On, double TempC)? Killed { get; init; }

    /// <summary>No season is run further, days.</summary>
    public const int Horizon = 1000;

    // As the growth plan: no farm feeds to the full every day.
    private const double PlannedRation = 0.9,
        MaintenanceShareOfBody = 0.003;

    /// <summary>Weight at the end, g.</summary>
    public double EndG => Days[^1].MeanG;

    /// <summary>Days it takes, or ran.</summary>
    public int Length => Days.Count - 1;

    /// <summary>Runs it.</summary>
    /// <param name="q">The plan.</param>
    /// <param name="rateFactor">This water's growth against the species' figure.</param>
    /// <param name="warmerC">Degrees added to every day.</param>
    public static PlanSeason Run(StockingQuestion q, double rateFactor = 1, double warmerC = 0)
    {
        var days = new List<(DateOnly Day, double G, double T, double Feed)>();
        var share = DailyGain.RationShare(PlannedRation);
        var (day, w) = (q.StockOn, q.FromG);
        (DateOnly, double)? killed = null;
        for (var i = 0; i <= Horizon; i++, day = day.AddDays(1))
        {
            var t = q.TempC(day) + warmerC;
            var gain = Math.Max(0, DailyGain.FullG(w, t, q.Species, rateFactor) * share);
            var fcr = DailyGain.Fcr(q.Species, w) * q.FcrFactor;
            days.Add(
                (day, w, t, Math.Max(gain * fcr, fcr > 0 && t >= q.Species.FeedMinC ? MaintenanceShareOfBody * w : 0))
            );
            if (t >= q.Species.LethalHighC || t <= q.Species.LethalLowC)
                killed = (day, t);
            if (w >= q.TargetG || killed is not null)
                break;
            w = Math.Min(w + gain, q.TargetG);
        }
        // Deaths spread evenly: so many alive on a day for one that is harvested.
        var length = Math.Max(1, days.Count - 1);
        return new(
            days.Select(
                    (d, i) =>
                        new PlanDay(d.Day, d.G, d.T, d.Feed, Math.Pow(q.Survival, (double)i / length) / q.Survival)
                )
                .ToList(),
            days[^1].G >= q.TargetG && killed is null ? days[^1].Day : null
        )
        {
            Killed = killed,
        };
    }

    /// <summary>Likely, earliest and latest day of the weight wanted, 80 %: the growth rate as uncertain as the range of the species table.</summary>
    public static TargetDate Window(StockingQuestion q, PlanSeason middle)
    {
        var z = SampleStatistics.Z(GrowthForecast.Level) * StandingSettings.RateSd;
        return new(q.TargetG, middle.ReachedOn, Run(q, Math.Exp(z)).ReachedOn, Run(q, Math.Exp(-z)).ReachedOn);
    }

    /// <summary>The last day on which fish can be stocked to reach their weight by another; null when none of the two years before does.</summary>
    public static DateOnly? LatestStart(StockingQuestion q, DateOnly by, DateOnly notBefore)
    {
        // The later they come the later they are ready: halve between the ends.
        bool InTime(DateOnly start) => Run(q with { StockOn = start }).ReachedOn is { } on && on <= by;
        var (low, high) = (Math.Max(notBefore.DayNumber, by.DayNumber - Horizon), by.DayNumber);
        if (low >= high || !InTime(DateOnly.FromDayNumber(low)))
            return null;
        while (high - low > 1)
            (low, high) = InTime(DateOnly.FromDayNumber((low + high) / 2))
                ? ((low + high) / 2, high)
                : (low, (low + high) / 2);
        return DateOnly.FromDayNumber(low);
    }
}
