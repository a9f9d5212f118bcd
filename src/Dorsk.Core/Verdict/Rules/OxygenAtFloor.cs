using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Oxygen at the floor: what shrimps, prawns and crayfish breathe; for fish, a layer that a storm can turn over.</summary>
internal static class OxygenAtFloor
{
    public static readonly Rule Rule = new("oxygen at the floor", Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.LastAtFloor(Parameter.Oxygen, Speaks.Hours) is not { } floor)
            yield break;
        var judged = WaterJudge.Oxygen(floor.Si, s.Limits, s.Hand);
        if (judged.Status == Status.Steady)
            yield break;
        var lives = s.Fish.Any(f => f.Species.AtTheFloor);
        yield return new(
            Rule.Name,
            lives ? judged.Status : Status.Watch,
            lives
                ? $"at the floor {judged.Reason}"
                : $"at the floor {judged.Reason}: layered water, which a storm or a cold night turns over"
        )
        {
            Of = Parameter.Oxygen,
            Do = lives
                ? "Start aerators that stir to the floor, hold feed, read the floor again in 30 min."
                : "Mix it by day with the aerators, little by little; read both depths.",
            Why = Because(s, floor),
            Rings = lives,
            FeedFactor = lives && judged.Status == Status.ActNow ? 0 : 1,
            ShutsGate = lives,
        };
    }

    private static Grounds Because(PondState s, Timed floor) =>
        Grounds
            .Of(
                "The last reading in the lower two fifths of the depth; top and bottom are two series.",
                "Limits by life stage",
                new Input("oxygen at the floor", floor.Si, Measures.Oxygen, "read at " + s.Hour(floor.At)),
                new Input("depth", floor.DepthM, Measures.Length, "typed")
            )
            .Limited(s.Limits.Source);
}
