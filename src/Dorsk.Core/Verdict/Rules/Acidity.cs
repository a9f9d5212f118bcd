using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>pH against the band of the fish, and its swing over a day.</summary>
internal static class Acidity
{
    public static readonly Rule Rule = new(PondVerdict.Ph, Judge);

    private const double WidestSwing = 1.5;
    private static readonly TimeSpan Morning = TimeSpan.FromHours(3);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Last(Parameter.Ph, Speaks.Hours) is not { } last)
            yield break;
        var judged = WaterJudge.Judge(Parameter.Ph, last.Si, s.Limits, s.Hand);
        var grounds = Grounds
            .Of(
                "The last pH against the band of the most tender fish; half a unit beyond it is Act now.",
                "Limits by life stage",
                new Input("pH", last.Si, Measures.Ph, "read at " + s.Hour(last.At))
            )
            .Limited(s.Limits.Source);
        yield return new(Rule.Name, judged.Status, judged.Reason)
        {
            Of = Parameter.Ph,
            Do =
                judged.Status == Status.Steady
                    ? ""
                    : "Change a tenth to a fifth of the water each morning; read ammonia before.",
            Why = grounds,
            Helps =
                last.Si > s.Limits.PhHigh ? [Remedy.ChangeWater]
                : judged.Status >= Status.Watch ? [Remedy.Alkalinity]
                : [],
            Rings = judged.Status == Status.ActNow,
            FeedFactor = judged.Status == Status.ActNow ? 0 : 1,
            ShutsGate = judged.Status >= Status.Watch,
        };
        if (judged.Status == Status.Steady && AfternoonAhead(s, last) is { } ahead)
            yield return ahead;
        var day = s.Since(Parameter.Ph, TimeSpan.FromDays(1)).Select(t => t.Si).ToList();
        if (day.Count > 1 && day.Max() - day.Min() is > WidestSwing and var swing)
            yield return new(
                Rule.Name,
                Status.Watch,
                $"pH swung {s.Hand.Figure(swing, 1)} in a day, from {s.Hand.Figure(day.Min(), 1)} to {s.Hand.Figure(day.Max(), 1)}"
            )
            {
                Of = Parameter.Ph,
                Do = "Raise alkalinity; a thinner bloom swings less.",
                Why = Grounds.Of(
                    "Highest less lowest pH of the last 24 hours; a swing over 1.5 stresses fish.",
                    "Boyd and Tucker 1998, starting value"
                ),
                ShutsGate = true,
            };
    }

    // A pH that is well at dawn may pass the band by the afternoon, as it did on the days before.
    private static Finding? AfternoonAhead(PondState s, Timed last)
    {
        if (last.At > s.Sun.Rise + Morning || last.At < s.Sun.Rise - Morning)
            return null;
        var rises = s.Since(Parameter.Ph, Speaks.Week)
            .GroupBy(t => s.Zone.DayOf(t.At))
            .Where(d => d.Key < s.Today && d.Count() > 1)
            .Select(d => d.Max(t => t.Si) - d.First().Si)
            .Order()
            .ToList();
        if (rises.Count == 0 || last.Si + rises[rises.Count / 2] is var expected && expected <= s.Limits.PhHigh)
            return null;
        return new(
            Rule.Name,
            Status.Watch,
            $"pH {s.Hand.Figure(last.Si, 1)} in the morning: about {s.Hand.Figure(expected, 1)} by the afternoon, over {s.Hand.Figure(s.Limits.PhHigh, 1)}"
        )
        {
            Of = Parameter.Ph,
            Do = "Read pH and ammonia at three in the afternoon; no fish go in and none are handled before.",
            Why = Grounds.Of(
                "The morning's pH and the middle rise from first to highest reading on the days of the last week on which it was read twice.",
                "Boyd and Tucker 1998, daily course of pH",
                new Input("pH in the morning", last.Si, Measures.Ph, "read at " + s.Hour(last.At)),
                new Input("middle rise by day", rises[rises.Count / 2], Measures.Ph, "own readings")
            ),
            Helps = [Remedy.Alkalinity],
            ShutsGate = true,
        };
    }
}
