using Dorsk.Core.Judging;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>What people see of the fish: gasping at the surface is lack of oxygen or burnt gills until the meter says otherwise.</summary>
internal static class GaspingFish
{
    public static readonly Rule Rule = new("behaviour", Judge);

    private static readonly Grounds Why = Grounds.Of(
        "What was seen at the pond within half a day; a calmer look after it ends it.",
        "Signs of low oxygen (Boyd and Tucker 1998)"
    );

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Looks.LastOrDefault(l => l.At <= s.Now && s.Now - l.At < Speaks.Look) is not { Look: { } look } last)
            yield break;
        var at = s.Hour(last.At);
        Finding? found = look switch
        {
            "gasping" => Gasping(at),
            "inlet" => Odd($"fish crowded at the inlet at {at}: they look for oxygen or better water"),
            "edge" => Odd($"animals hung at the edge or the surface at {at}, where they are not seen in good water"),
            "slow" => Slow(at),
            _ => null,
        };
        if (found is not null)
            yield return found;
    }

    private static Finding Gasping(string at) =>
        new(Rule.Name, Status.ActNow, $"fish gasped at {at}")
        {
            Do = "All aerators on, water in, no feed; read oxygen where they are, and at the floor.",
            Why = Why,
            Rings = true,
            FeedFactor = 0,
            ShutsGate = true,
        };

    private static Finding Odd(string reason) =>
        new(Rule.Name, Status.Watch, reason)
        {
            Do = "Read oxygen where they are and at the floor, then ammonia and nitrite; air and water at hand.",
            Why = Why,
            FeedFactor = 0.5,
            ShutsGate = true,
        };

    private static Finding Slow(string at) =>
        new(Rule.Name, Status.Watch, $"fish were slow at {at}")
        {
            Do = "Read oxygen, ammonia and nitrite; look at a few fish.",
            Why = Why,
            FeedFactor = 0.5,
        };
}
