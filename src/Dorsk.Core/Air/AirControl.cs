using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Water;

namespace Dorsk.Core.Air;

/// <summary>What an aerator should do now.</summary>
/// <param name="Code">The aerator.</param>
/// <param name="On">Whether it should run.</param>
/// <param name="Why">By hand, timer or probe, in words.</param>
public sealed record AirWanted(string Code, bool On, string Why);

/// <summary>Decides what every aerator of a pond should do: a hand order stands above all, then the timer, then the probe with its two levels.</summary>
public static class AirControl
{
    // A reading speaks for the water for so long; in the dark no reading is a reason to run.
    private static readonly TimeSpan Fresh = TimeSpan.FromMinutes(60);

    /// <summary>What is wanted of each.</summary>
    /// <param name="aerators">Aerators with their timers.</param>
    /// <param name="record">Hand orders, control and what was commanded so far.</param>
    /// <param name="oxygen">Last oxygen reading, or null.</param>
    /// <param name="now">Now.</param>
    /// <param name="dark">Whether the sun is down.</param>
    /// <param name="zone">The farm's clock.</param>
    public static IReadOnlyList<AirWanted> Of(
        IReadOnlyList<Aerator> aerators,
        AirRecord record,
        Timed? oxygen,
        DateTimeOffset now,
        bool dark,
        FarmZone zone
    )
    {
        var hour = TimeOnly.FromDateTime(zone.LocalAt(now));
        return [.. aerators.Select(a => One(a, record, oxygen, now, dark, hour))];
    }

    /// <summary>Which of those that should start may start now: one at a time, the stagger apart.</summary>
    /// <param name="starts">Those that should start and do not yet, the most urgent first.</param>
    /// <param name="lastStart">When the last one was started, or null.</param>
    /// <param name="staggerS">Seconds between two starts.</param>
    /// <param name="now">Now.</param>
    public static IEnumerable<T> MayStart<T>(
        IReadOnlyList<T> starts,
        DateTimeOffset? lastStart,
        double staggerS,
        DateTimeOffset now
    ) => lastStart is { } last && now - last < TimeSpan.FromSeconds(staggerS) ? [] : starts.Take(1);

    private static AirWanted One(
        Aerator a,
        AirRecord record,
        Timed? oxygen,
        DateTimeOffset now,
        bool dark,
        TimeOnly hour
    )
    {
        if (record.Hand(a.Code, now) is { } hand)
            return new(a.Code, hand.Fact.Order == AirOrder.On, $"by hand, {hand.By}");
        if (a.RunsAt(hour))
            return new(a.Code, true, "timer");
        if (record.Control is not { Automatic: true } c)
            return new(a.Code, false, "timer");
        var runs = record.Command(a.Code)?.Fact.On == true;
        if (oxygen is not { } o || now - o.At > Fresh)
            return dark
                ? new(a.Code, true, "no reading for an hour in the dark")
                : new(a.Code, runs, "no reading for an hour: left as it was");
        return o.Si < c.OnBelowMgL
                ? new(a.Code, true, FormattableString.Invariant($"oxygen {o.Si:0.0} under {c.OnBelowMgL:0.0}"))
            : o.Si > c.OffAboveMgL
                ? new(a.Code, false, FormattableString.Invariant($"oxygen {o.Si:0.0} above {c.OffAboveMgL:0.0}"))
            : new(a.Code, runs, "between the two levels: left as it was");
    }
}
