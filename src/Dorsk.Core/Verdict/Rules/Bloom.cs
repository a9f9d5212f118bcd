using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>The bloom of a pond: how dense, whether it died, and whether its signs together say that it soon will.</summary>
internal static class Bloom
{
    public static readonly Rule Rule = new(PondVerdict.AlgalBloom, Judge);

    // A dead bloom takes oxygen for about so long.
    private const int RotsDays = 10;

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

    // Water that clears within days: what floated sinks and rots. It is over when green comes back, or what died has rotted away.
    private static Finding? Died(PondState s)
    {
        var days = s.Since(Parameter.Secchi, Speaks.Fortnight)
            .GroupBy(t => s.Zone.DayOf(t.At))
            .Select(g => new DayValue(g.Key, g.Average(t => t.Si)))
            .ToList();
        var at = Enumerable
            .Range(1, days.Count)
            .LastOrDefault(n => WaterTrend.Cleared([.. days.Take(n)], s.Hand) is not null);
        var over =
            at == 0
            || days[at - 1].Day < s.Today.AddDays(-RotsDays)
            || days.Skip(at).Any(d => d.Si <= WaterJudge.ThinBloomM);
        return over ? null : Dead(s, [.. days.Take(at)]);
    }

    private static Finding Dead(PondState s, List<DayValue> days)
    {
        var cleared = WaterTrend.Cleared(days, s.Hand)!;
        return new(PondVerdict.DeadBloom, cleared.Status, cleared.Reason.Split(". ")[0])
        {
            Of = Parameter.Secchi,
            Do =
                $"All aerators on day and night, machines from other ponds, no feed, oxygen every hour in the dark, until green comes back (Secchi {s.Say(WaterJudge.ThinBloomM, Parameter.Secchi)} or less).",
            Why = Grounds.Of(
                "Secchi depth that grew by more than six tenths within four days, from a bloom; over when it is short again, or after ten days.",
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
