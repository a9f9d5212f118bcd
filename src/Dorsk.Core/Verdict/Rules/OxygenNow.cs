using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Oxygen as it was last read in the upper water, against the act and the watch level of the most tender fish.</summary>
internal static class OxygenNow
{
    internal static readonly Rule Rule = new("oxygen now", Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Last(Parameter.Oxygen, Speaks.Hours) is not { } last)
            yield break;
        var judged = WaterJudge.Oxygen(last.Si, s.Limits, s.Hand);
        var grounds = Grounds
            .Of(
                "The last reading in the upper water against the levels of the most tender fish that stands here.",
                "Limits by life stage",
                new Input("oxygen", last.Si, Measures.Oxygen, "read at " + s.Hour(last.At)),
                Input.Said("fish", $"{s.Tender.Species.Name}, {s.Tender.Stage}".ToLowerInvariant(), "standing estimate")
            )
            .Limited(s.Limits.Source);
        yield return new(Rule.Name, judged.Status, judged.Reason)
        {
            Of = Parameter.Oxygen,
            Do = judged.Status == Status.Steady ? "" : PondVerdict.LowOxygenFirst,
            Why =
                s.Fish.Any(f => f.Species.AtTheFloor) && s.LastAtFloor(Parameter.Oxygen, Speaks.Hours) is null
                    ? grounds.Doubting("Read in the upper water only: these animals live at the floor.")
                    : grounds,
            Helps = judged.Status == Status.Steady ? [] : [Remedy.Air],
            Rings = true,
            ShutsGate = judged.Status >= Status.Watch,
        };
    }
}
