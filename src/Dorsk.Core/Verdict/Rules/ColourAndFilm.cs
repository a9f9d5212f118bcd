using Dorsk.Core.Judging;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>What the eye sees of the water: its colour, and a film on it.</summary>
internal static class ColourAndFilm
{
    public static readonly Rule Rule = new("colour and film", Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        foreach (var parameter in new[] { Parameter.Colour, Parameter.Film })
        {
            if (
                s.Last(parameter, Speaks.Week) is not { } last
                || WaterJudge.Judge(parameter, last.Si, s.Limits, s.Hand) is not { Status: >= Status.Watch } judged
            )
                continue;
            yield return new(Rule.Name, judged.Status, judged.Reason)
            {
                Of = parameter,
                Do = "Renew a part of the water, read oxygen in the dark.",
                Why = Grounds.Of(
                    "The step that was seen, within a week.",
                    "Steps of the water card",
                    Input.Said(
                        parameter.Name,
                        parameter.StepAt(last.Si),
                        "seen " + Units.Hand.Day(s.Zone.DayOf(last.At))
                    )
                ),
                Helps = [Remedy.ChangeWater],
                ShutsGate = parameter == Parameter.Film,
            };
        }
    }
}
