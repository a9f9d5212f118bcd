using Dorsk.Core.Judging;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Un-ionised ammonia at the worst hour of the day: the last total ammonia at the highest pH and temperature of the last days.</summary>
internal static class Ammonia
{
    public static readonly Rule Rule = new(PondVerdict.Nh3, Judge);

    private static readonly TimeSpan DaysBack = TimeSpan.FromDays(3),
        Beside = TimeSpan.FromHours(3);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (Worst(s) is not { } worst)
            yield break;
        var (judged, nh3MgL, why) = WaterJudge.JudgeAmmonia(
            worst.Tan.Si,
            worst.Temp.Si,
            worst.Ph.Si,
            s.Last(Parameter.Salinity, Speaks.Months)?.Si ?? 0,
            s.Limits,
            s.Hand
        );
        yield return new(Rule.Name, judged.Status, judged.Reason)
        {
            Of = Parameter.Tan,
            Do =
                judged.Status == Status.Steady
                    ? ""
                    : "No feed or half, new water in the cool of the morning; no lime, nothing that raises pH.",
            Why = why.Limited($"pH and temperature of the worst hour read: {s.Hour(worst.Ph.At)}"),
            Si = nh3MgL,
            Helps = judged.Status == Status.Steady ? [] : [Remedy.ChangeWater, Remedy.Carbon],
            Rings = judged.Status == Status.ActNow,
            FeedFactor =
                judged.Status == Status.ActNow ? 0
                : judged.Status == Status.Watch ? 0.5
                : 1,
            ShutsGate = judged.Status >= Status.Watch,
        };
    }

    // The pH read beside the ammonia, or one of the days since that makes more of it poisonous.
    private static (Timed Tan, Timed Ph, Timed Temp)? Worst(PondState s)
    {
        if (s.Last(Parameter.Tan, Speaks.Week) is not { } tan)
            return null;
        var from = s.Now - DaysBack < tan.At - Beside ? s.Now - DaysBack : tan.At - Beside;
        var pairs = s.Readings[Parameter.Ph]
            .Between(from, s.Now)
            .Select(p => (Ph: p, Temp: Nearest(s, p.At)))
            .Where(x => x.Temp is not null)
            .Select(x => (x.Ph, Temp: x.Temp!.Value))
            .ToList();
        if (pairs.Count == 0)
            return null;
        var (ph, temp) = pairs.MaxBy(x => UnionisedAmmonia.MgNL(tan.Si, x.Temp.Si, x.Ph.Si, 0));
        return (tan, ph, temp);
    }

    private static Timed? Nearest(PondState s, DateTimeOffset at) =>
        s.Readings[Parameter.Temperature].Nearest(at, Beside - TimeSpan.FromTicks(1));
}
