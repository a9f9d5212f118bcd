using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>What a few animals in the hand say: empty guts, and soft shells at the moult.</summary>
internal static class BodySigns
{
    public static readonly Rule Rule = new("guts and shells", Judge);

    private const double FewFullPct = 50,
        MoultPct = 20;

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Last(Parameter.FullGuts, Speaks.Day) is { Si: < FewFullPct } guts)
            yield return Empty(s, guts);
        if (
            s.Last(Parameter.SoftShells, Speaks.Moult) is { Si: >= MoultPct } shells
            && s.Fish.Any(f => f.Species.AtTheFloor)
        )
            yield return Moult(s, shells);
    }

    private static Finding Empty(PondState s, Timed guts) =>
        new(Rule.Name, Status.Watch, $"{s.Say(guts.Si, Parameter.FullGuts)} of those looked at have a full gut")
        {
            Of = Parameter.FullGuts,
            Do = "Look at the water first: oxygen, temperature, ammonia. Watch the next meal; then a sample for a vet.",
            Why = Because(s, Parameter.FullGuts, guts),
        };

    private static Finding Moult(PondState s, Timed shells) =>
        new(
            Rule.Name,
            Status.Watch,
            $"{s.Say(shells.Si, Parameter.SoftShells)} have soft shells: they moult, eat little and are eaten"
        )
        {
            Of = Parameter.SoftShells,
            Do = "Half the feed for two or three days, no handling or moving, oxygen and hardness up.",
            Why = Because(s, Parameter.SoftShells, shells),
            FeedFactor = 0.5,
        };

    private static Grounds Because(PondState s, Parameter parameter, Timed last) =>
        Grounds.Of(
            "The share of a few animals looked at in the hand.",
            "Starting values, judged",
            new Input(parameter.Name, last.Si, Measures.Share, "seen " + Hand.Day(s.Zone.DayOf(last.At)))
        );
}
