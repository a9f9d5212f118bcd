using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Residues of a treatment in the fish: they leave for nobody's table before the label's time is over.</summary>
internal static class UnderWithdrawal
{
    public static readonly Rule Rule = new("withdrawal", Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Withdrawals.Where(w => w.Until > s.Today).ToList() is not { Count: > 0 } running)
            yield break;
        var last = running.MaxBy(w => w.Until);
        yield return new(Rule.Name, Status.Steady, last.Words)
        {
            Do =
                $"No harvest, no sale, no fish into another pond before {Hand.Day(last.Until)}: nobody can pass it, only wait.",
            Why = Grounds
                .Of(
                    "Days or degree-days of the label after the last dose, by the temperature of this pond: recorded, and ahead as in the season.",
                    "Label of the product; local food law",
                    [.. running.Select(w => Input.Said("treatment", w.Words, "treatment slip"))]
                )
                .Limited($"until {Hand.Day(last.Until)}"),
        };
    }
}
