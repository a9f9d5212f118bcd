using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Carbon dioxide, which keeps oxygen out of the blood.</summary>
internal static class CarbonDioxide
{
    public static readonly Rule Rule = new("carbon dioxide", Judge);

    private const double GraveTimes = 2;

    private static IEnumerable<Finding> Judge(PondState s)
    {
        var most = s.Fish.Min(f => f.Limits.CarbonDioxideMgL);
        if (s.Last(Parameter.CarbonDioxide, Speaks.Week) is not { } last || last.Si <= most)
            yield break;
        var grave = last.Si > GraveTimes * most;
        yield return new(
            Rule.Name,
            grave ? Status.ActNow : Status.Watch,
            $"carbon dioxide {s.Say(last.Si, Parameter.CarbonDioxide)} is over {s.Say(most, Parameter.CarbonDioxide)}: it hinders breathing"
        )
        {
            Of = Parameter.CarbonDioxide,
            Do = "Stir and aerate, at dawn most of all; raise alkalinity.",
            Why = Grounds
                .Of(
                    "The last reading against the limit of the stage; twice over it is Act now.",
                    "Limits by life stage",
                    new Input("carbon dioxide", last.Si, Measures.Oxygen, "read " + Hand.Day(s.Zone.DayOf(last.At)))
                )
                .Limited(s.Limits.Source),
            Helps = [Remedy.Air, Remedy.ChangeWater],
            Rings = grave,
            FeedFactor = grave ? 0 : 1,
            ShutsGate = true,
        };
    }
}
