using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Floating weed and thread algae: they keep light and air from the water, and seines out of it.</summary>
internal static class WeedCover
{
    public static readonly Rule Rule = new("weed cover", Judge);

    private const double WatchPct = 25,
        ActPct = 60;

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Last(Parameter.WeedCover, Speaks.Fortnight) is not { Si: >= WatchPct } last)
            yield break;
        var grave = last.Si >= ActPct;
        yield return new(
            Rule.Name,
            grave ? Status.ActNow : Status.Watch,
            $"{s.Say(last.Si, Parameter.WeedCover)} of the surface is covered"
                + (grave ? ": neither light nor air reaches the water" : "")
        )
        {
            Of = Parameter.WeedCover,
            Do =
                $"Rake it down to under {s.Hand.Count(WatchPct)} %, a part a day, and take it off the bank; air by night.",
            Why = Grounds.Of(
                "The share of the surface somebody judged by eye within a fortnight.",
                "Starting values, judged",
                new Input("cover", last.Si, Measures.Share, "seen " + Hand.Day(s.Zone.DayOf(last.At)))
            ),
            Helps = [Remedy.Air],
            FeedFactor = grave ? 0.5 : 1,
            ShutsGate = grave,
        };
    }
}
