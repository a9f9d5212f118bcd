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
        if (look == "gasping")
            yield return new(Rule.Name, Status.ActNow, $"fish gasped at {s.Hour(last.At)}")
            {
                Do = "All aerators on, water in, no feed; read oxygen where they are, and at the floor.",
                Why = Why,
                Rings = true,
                FeedFactor = 0,
                ShutsGate = true,
            };
        else if (look == "slow")
            yield return new(Rule.Name, Status.Watch, $"fish were slow at {s.Hour(last.At)}")
            {
                Do = "Read oxygen, ammonia and nitrite; look at a few fish.",
                Why = Why,
                FeedFactor = 0.5,
            };
    }
}
