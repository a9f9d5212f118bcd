using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>A pond on hold: nothing that can carry a disease goes in or out.</summary>
internal static class OnHold
{
    public static readonly Rule Rule = new("hold", Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Hold is not { } hold)
            yield break;
        yield return new(Rule.Name, Status.Watch, $"on hold since {Hand.Day(hold.From)}: {hold.Why}")
        {
            Do =
                "No fish in or out, a net and boots of its own, no visitors, last on the round; hands, nets and wheels cleaned after. A hold slip ends it.",
            Why = Grounds.Of(
                "Somebody put this pond on hold; it stands until somebody ends it with a reason.",
                "OIE Aquatic Code",
                Input.Said("by", hold.By, "hold slip, " + Hand.Day(hold.From))
            ),
            ShutsGate = true,
        };
    }
}
