using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Alkalinity, hardness, nitrate and turbidity against their limits.</summary>
internal static class Minerals
{
    public static readonly Rule Rule = new("minerals", Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        var hardness = s.Fish.Max(f => f.Limits.HardnessMinMgL);
        if (s.Last(Parameter.Hardness, Speaks.Months) is { } hard && hard.Si < hardness)
            yield return new(
                Rule.Name,
                Status.Watch,
                $"hardness {s.Say(hard.Si, Parameter.Hardness)} is under {s.Say(hardness, Parameter.Hardness)}"
            )
            {
                Of = Parameter.Hardness,
                Do = "Gypsum or lime, dosed on the workbench.",
                Why = Because(s, hard),
            };
        foreach (var parameter in new[] { Parameter.Alkalinity, Parameter.Nitrate, Parameter.Turbidity })
            if (
                s.Last(parameter, Speaks.Fortnight) is { } last
                && WaterJudge.Judge(parameter, last.Si, s.Limits, s.Hand) is { Status: >= Status.Watch } judged
            )
                yield return Found(s, parameter, last, judged);
    }

    private static Finding Found(PondState s, Parameter parameter, Timed last, Judgement judged) =>
        new(Rule.Name, judged.Status, judged.Reason)
        {
            Of = parameter,
            Helps = parameter == Parameter.Alkalinity ? [Remedy.Alkalinity] : [Remedy.ChangeWater],
            Do = parameter == Parameter.Alkalinity ? "Lime, dosed on the workbench." : "A change of water.",
            Why = Grounds
                .Of(
                    "The last reading against its limit.",
                    "Limits by life stage and usual ranges",
                    new Input(parameter.Name, last.Si, parameter.Measure, "read " + Hand.Day(s.Zone.DayOf(last.At)))
                )
                .Limited(s.Limits.Source),
        };

    private static Grounds Because(PondState s, Timed hard) =>
        Grounds
            .Of(
                "The last hardness against the least of the stage.",
                "Limits by life stage",
                new Input("hardness", hard.Si, Measures.CoarseConcentration, "read " + Hand.Day(s.Zone.DayOf(hard.At)))
            )
            .Limited(s.Limits.Source);
}
