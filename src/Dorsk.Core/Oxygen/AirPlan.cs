using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Oxygen;

/// <summary>More air for tonight: which idle aerators, from when to when, and what it does.</summary>
/// <param name="More">The aerators to start, with the timer they would have.</param>
/// <param name="From">When to start them.</param>
/// <param name="Until">When to stop them.</param>
/// <param name="LowMgL">The dawn low then, with its 80 % interval.</param>
/// <param name="ChanceUnderAct">Chance of passing under the act level all the same.</param>
/// <param name="EnergyKWh">Bought energy, kWh.</param>
/// <param name="Why">Grounds.</param>
public sealed record AirPlan(
    IReadOnlyList<Aerator> More,
    DateTimeOffset From,
    DateTimeOffset Until,
    Interval LowMgL,
    double ChanceUnderAct,
    double EnergyKWh,
    Grounds Why
)
{
    /// <summary>Its aerators by their codes, as "A3, A4 and E1".</summary>
    public string Codes =>
        More.Count < 2
            ? string.Concat(More.Select(a => a.Code))
            : string.Join(", ", More.SkipLast(1).Select(a => a.Code)) + " and " + More[^1].Code;

    /// <summary>What has to be brought first, as a sentence; empty where all of them stand at the pond.</summary>
    public string Brought =>
        string.Concat(
            More.Where(a => a.Standby)
                .Select(a => $" {a.Code} ({a.Source.ToString().ToLowerInvariant()}) is brought from the shed first.")
        );

    // A night is bought off when the act level is passed in no more than one such night in five.
    private const double GoodEnough = 0.2,
        Helps = 0.02;
    private static readonly TimeSpan Ahead = TimeSpan.FromHours(1),
        AfterSunrise = TimeSpan.FromHours(1);

    /// <summary>The fewest idle aerators that carry the night, else all of them; null when none is idle or the night needs none.</summary>
    /// <param name="tonight">The forecast without more air.</param>
    /// <param name="night">What the forecast was made from, with the timers as they are.</param>
    /// <param name="now">Nothing is started before.</param>
    /// <param name="sunrise">Sunrise of the morning.</param>
    /// <param name="hand">How figures are printed.</param>
    public static AirPlan? For(
        DawnLowForecast tonight,
        NightBasis night,
        DateTimeOffset now,
        DateTimeOffset sunrise,
        Hand hand
    )
    {
        var water = night.Water;
        var idle = water.Aerators.Where(a => a.On is null).OrderBy(a => a.Standby).ToList();
        if (idle.Count == 0 || tonight.Judgement.Status != Status.ActNow)
            return null;
        var crossing = tonight.UnderWatchAt ?? tonight.UnderActAt ?? tonight.LowAt;
        var from = HalfHour(crossing - Ahead, water.Zone);
        // What should have been started is started now, not in the past.
        from = from < now ? now.AddTicks(-(now.Ticks % TimeSpan.TicksPerMinute)) : from;
        var until = HalfHour(sunrise + AfterSunrise, water.Zone);
        AirPlan With(IReadOnlyList<Aerator> more) => Aired(tonight, night, more, (from, until), sunrise, hand);
        AirPlan? plan = null;
        for (var n = 1; n <= idle.Count && plan is not { ChanceUnderAct: <= GoodEnough }; n++)
            plan = With(idle.Take(n).ToList());
        // All of them are not enough from then: earlier, an hour at a time, as long as it helps.
        while (plan is { ChanceUnderAct: > GoodEnough } late && from > now)
        {
            var hourBefore = from - Ahead;
            from = hourBefore < now ? now.AddTicks(-(now.Ticks % TimeSpan.TicksPerMinute)) : hourBefore;
            if (With(idle) is var earlier && earlier.ChanceUnderAct >= late.ChanceUnderAct - Helps)
                break;
            plan = earlier;
        }
        return plan;
    }

    // The night with more aerators on for a span.
    private static AirPlan Aired(
        DawnLowForecast tonight,
        NightBasis night,
        IReadOnlyList<Aerator> more,
        (DateTimeOffset From, DateTimeOffset Until) span,
        DateTimeOffset sunrise,
        Hand hand
    )
    {
        var water = night.Water;
        TimeOnly Hour(DateTimeOffset at) => TimeOnly.FromDateTime(water.Zone.LocalAt(at));
        var timed = more.Select(a => a with { On = Hour(span.From), Off = Hour(span.Until) }).ToList();
        var low = TonightForecast.Run(
            night.Decline,
            water with
            {
                Aerators = [.. water.Aerators.Except(more), .. timed],
            },
            night.Start,
            sunrise + TimeSpan.FromHours(2),
            tonight.Curve[^1].At,
            night.Limits,
            hand
        );
        var kWh = more.Sum(a => a.ShaftKW / a.Kind.MotorEfficiency) * (span.Until - span.From).TotalHours;
        var why = Because(tonight.Low.Value, low.Low.Value, more, kWh);
        return new(timed, span.From, span.Until, low.Low, low.ChanceUnderAct, kWh, why);
    }

    private static Grounds Because(double lowWithoutMgL, double lowMgL, IReadOnlyList<Aerator> more, double kWh) =>
        Grounds.Of(
            "The same night run again with the idle aerators on, one by one, from an hour before the watch level is passed until an hour after sunrise; the fewest that leave at most a 20 % chance to pass under the act level, else all of them, and earlier as long as that helps.",
            "Exchange and aerator equations of the forecast (Banks & Herrera 1977; Boyd 1998)",
            new Input("dawn low without them", lowWithoutMgL, Measures.Oxygen, "forecast"),
            new Input("dawn low with them", lowMgL, Measures.Oxygen, "forecast"),
            Input.Said("aerators", string.Join(", ", more.Select(a => a.Code)), "idle, no timer"),
            Input.Said("bought energy", FormattableString.Invariant($"{kWh:0} kWh"), "shaft power by motor efficiency")
        );

    private static DateTimeOffset HalfHour(DateTimeOffset at, FarmZone zone)
    {
        var local = zone.LocalAt(at);
        return at.AddTicks(-(local.TimeOfDay.Ticks % TimeSpan.FromMinutes(30).Ticks));
    }
}
