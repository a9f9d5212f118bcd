using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Fish crowded in a net: their air runs out within minutes, and an old reading says nothing of it.</summary>
internal static class NetCrowd
{
    public static readonly Rule Rule = new("net", Judge);

    // How often the meter goes in. Starting value.
    private const double ReadEveryMinutes = 20;

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Crowd is not { } crowd)
            yield break;
        var ago = (s.Now - crowd.ReadAt).TotalMinutes;
        var left = crowd.Minutes - ago;
        var read = $"{s.Say(crowd.DoMgL, Parameter.Oxygen)} in the net {s.Hand.Count(Math.Floor(ago))} min ago";
        if (left < CrowdInNet.WatchMinutes)
            yield return Found(
                s,
                crowd,
                left < CrowdInNet.ActMinutes ? Status.ActNow : Status.Watch,
                left <= 0
                    ? $"{read}: the fish in the net are under the act level by now"
                    : $"{read}: {s.Hand.Count(Math.Floor(left))} min left until the act level"
            );
        else if (ago >= ReadEveryMinutes)
            yield return Found(s, crowd, Status.Watch, $"{read}: read it again, crowded fish change it within minutes");
    }

    private static Finding Found(PondState s, CrowdInNet crowd, Status status, string reason) =>
        new(Rule.Name, status, reason)
        {
            Of = Parameter.Oxygen,
            Do = "Open the net or give it more water at once: a pump or an aerator beside it, fewer fish in the bag.",
            Why = Grounds.Of(
                "Minutes until the act level by the mass in the net, the water among the fish, their breathing and the water pumped through, less the minutes since it was read.",
                "Respiration of fish: Boyd, Romaire and Johnston 1978; crowded fish use about twice that (starting value)",
                new Input("oxygen in the net", crowd.DoMgL, Measures.Oxygen, "read at the net"),
                new Input("fish in the net", crowd.Kg, Measures.Mass, "guessed at the net"),
                new Input("act level", s.Limits.DoActMgL, Measures.Oxygen, "species and stage")
            ),
            Rings = status == Status.ActNow,
        };
}
