using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Oxygen at the floor: what shrimps, prawns and crayfish breathe; for fish, a layer that a storm can turn over.</summary>
internal static class OxygenAtFloor
{
    public static readonly Rule Rule = new("oxygen at the floor", Judge);

    // Mixed water has nearly the same oxygen at both depths, read in one go.
    private const double MixedShare = 0.6,
        ApartMgL = 2;
    private static readonly TimeSpan OneRound = TimeSpan.FromHours(1.5);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.LastAtFloor(Parameter.Oxygen, Speaks.Hours) is not { } floor)
            yield break;
        var judged = WaterJudge.Oxygen(floor.Si, s.Limits, s.Hand);
        if (judged.Status == Status.Steady)
        {
            if (Layered(s, floor) is { } layered)
                yield return layered;
            yield break;
        }
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

    // Both depths are well for the fish, yet mixing does not reach the floor.
    private static Finding? Layered(PondState s, Timed floor)
    {
        if (
            s.Last(Parameter.Oxygen, Speaks.Hours) is not { } top
            || (top.At - floor.At).Duration() > OneRound
            || floor.Si >= MixedShare * top.Si
            || top.Si - floor.Si < ApartMgL
        )
            return null;
        return new(
            Rule.Name,
            Status.Watch,
            $"{s.Say(floor.Si, Parameter.Oxygen)} at the floor under {s.Say(top.Si, Parameter.Oxygen)} above, {s.Hand.Count(100 * floor.Si / top.Si)} %: mixing does not reach the floor"
        )
        {
            Of = Parameter.Oxygen,
            Do = "More hours for what stirs, by day, or an aerator set deeper; read both depths again.",
            Why = Because(s, floor),
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
