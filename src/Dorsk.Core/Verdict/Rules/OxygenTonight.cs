using Dorsk.Core.Judging;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Tonight's forecast of the dawn low.</summary>
internal static class OxygenTonight
{
    public static readonly Rule Rule = new("oxygen tonight", Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Tonight is { } f)
            yield return new(Rule.Name, f.Judgement.Status, f.Judgement.Reason)
            {
                Of = Water.Parameter.Oxygen,
                Do =
                    f.Judgement.Status == Status.Steady
                        ? ""
                        : "Set more air on the night board, hold the afternoon feed, read again in the dark.",
                Why = f.Why,
                Rings = true,
                ShutsGate = f.Judgement.Status == Status.ActNow,
            };
    }
}
