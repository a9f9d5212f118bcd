using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>The bloom of a pond: how dense, whether it died, and whether its signs together say that it soon will.</summary>
internal static class Bloom
{
    public static readonly Rule Rule = new("bloom", Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.InTank)
            yield break;
        if (Density(s) is { } density)
            yield return density;
        if (Died(s) is { } died)
            yield return died;
        if (s.BloomRisk is { } risk)
            yield return new(Rule.Name, risk.Status, risk.Reason.Split(". ")[0])
            {
                Of = Parameter.Secchi,
                Do = "Half the feed, no fertiliser, air ready for every night, read oxygen in the dark.",
                Why = Grounds.Of(
                    "Falling dawns, rising afternoons, much feed and a short Secchi depth joined; several together are a risk.",
                    BloomRisk.Source
                ),
                Rings = risk.Status == Status.ActNow,
                FeedFactor = risk.Status == Status.ActNow ? 0 : 0.5,
                ShutsGate = risk.Status == Status.ActNow,
            };
    }

    private static Finding? Density(PondState s)
    {
        if (s.Last(Parameter.Secchi, Speaks.Week) is not { } last)
            return null;
        var judged = WaterJudge.Judge(Parameter.Secchi, last.Si, s.Limits, s.Hand);
        return new(Rule.Name, judged.Status, judged.Reason)
        {
            Of = Parameter.Secchi,
            Do =
                judged.Status == Status.Steady
                    ? ""
                    : "Hold fertiliser; a dense bloom wants air by night, new water and less feed.",
            Why = Grounds.Of(
                "The last Secchi depth against the depths of a thin, a heavy and a dangerous bloom.",
                "Boyd and Tucker 1998, starting values",
                new Input("Secchi depth", last.Si, Measures.ShortLength, "read " + Hand.Day(s.Zone.DayOf(last.At)))
            ),
            Rings = judged.Status == Status.ActNow,
        };
    }

    // Water that clears within days: what floated sinks and rots.
    private static Finding? Died(PondState s)
    {
        var days = s.Since(Parameter.Secchi, Speaks.Fortnight)
            .GroupBy(t => s.Zone.DayOf(t.At))
            .Select(g => new DayValue(g.Key, g.Average(t => t.Si)))
            .ToList();
        if (WaterTrend.Cleared(days, s.Hand) is not { } cleared || days[^1].Day < s.Today.AddDays(-4))
            return null;
        return new(Rule.Name, cleared.Status, cleared.Reason.Split(". ")[0])
        {
            Of = Parameter.Secchi,
            Do = "Aerators on all night, no feed, read oxygen in the dark.",
            Why = Grounds.Of(
                "Secchi depth that grew by more than six tenths within four days, from a bloom.",
                WaterTrend.Source,
                [
                    .. days.TakeLast(2)
                        .Select(d => new Input(Hand.Day(d.Day), d.Si, Measures.ShortLength, "Secchi depth")),
                ]
            ),
            Rings = true,
            FeedFactor = 0,
            ShutsGate = true,
        };
    }
}
