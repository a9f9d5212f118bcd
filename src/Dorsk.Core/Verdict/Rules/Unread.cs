using Dorsk.Core.Judging;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>A pond that nobody read in time: nothing better is known of it.</summary>
internal static class Unread
{
    public static readonly Rule Rule = new(PondVerdict.NotRead, Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Unread is { } why)
            yield return new(Rule.Name, Status.Watch, why)
            {
                Do = "Read oxygen and temperature now.",
                Why = Grounds.Of(
                    "By hand, a pond is read at dawn and at dusk; an hour after the planned round it counts as unread.",
                    "Rounds of this farm"
                ),
            };
    }
}
