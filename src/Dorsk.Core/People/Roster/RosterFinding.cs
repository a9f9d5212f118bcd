namespace Dorsk.Core.People;

/// <summary>What speaks against a roster.</summary>
/// <param name="Field">The place; empty where it is of the whole.</param>
/// <param name="Text">What it is.</param>
/// <param name="Refused">Whether it cannot be so; else it is asked about.</param>
public sealed record RosterFinding(string Field, string Text, bool Refused)
{
    /// <summary>Everything that speaks against a roster, the refusals first.</summary>
    /// <param name="roster">The roster.</param>
    /// <param name="known">What it is held against.</param>
    public static IReadOnlyList<RosterFinding> Of(RosterSet roster, RosterKnown known) =>
        [
            .. Left(roster, known)
                .Concat(Twice(roster, known))
                .Concat(Elsewhere(roster, known))
                .Concat(Unsigned(roster, known))
                .OrderBy(f => !f.Refused),
        ];

    /// <summary>Places that nobody takes and no roster is whole without.</summary>
    /// <param name="roster">The roster.</param>
    public static IReadOnlyList<RosterRole> Open(RosterSet roster) =>
        [.. RosterRole.Of(roster.Kind).Where(r => r.Must && roster.Places.All(p => p.Role != r.Key))];

    // Whoever left the farm after the roster was written.
    private static IEnumerable<RosterFinding> Left(RosterSet roster, RosterKnown known) =>
        from place in roster.Places
        let person = known.People.FirstOrDefault(p => p.PersonId == place.PersonId)
        where person is null or { Role: Role.Gone or Role.Viewer }
        select new RosterFinding(
            place.Role,
            $"{known.NameOf(place.PersonId)} does not work on the farm: choose somebody who does.",
            true
        );

    // At the net nobody stands in two places; in a night who watches is not the one who is called.
    private static IEnumerable<RosterFinding> Twice(RosterSet roster, RosterKnown known)
    {
        foreach (var one in roster.Places.GroupBy(p => p.PersonId).Where(g => g.Count() > 1))
        {
            var places = one.Select(p => p.Role).Where(r => r != "leader").ToList();
            var apart = roster.Kind == RosterKind.NetDay ? places.Count > 1 : places.Contains("call");
            if (apart)
                yield return new(
                    places[^1],
                    roster.Kind == RosterKind.NetDay
                        ? $"{known.NameOf(one.Key)} stands at two places of the net: choose somebody else for one."
                        : $"{known.NameOf(one.Key)} watches and is on call: somebody else must hear the phone.",
                    true
                );
        }
    }

    // Whoever watched the night before is tired at the net.
    private static IEnumerable<RosterFinding> Elsewhere(RosterSet roster, RosterKnown known)
    {
        foreach (var other in known.Others.Where(o => Touches(roster, o)))
        foreach (
            var place in roster.Places.Where(p => other.Places.Any(o => o.PersonId == p.PersonId && o.Role != "call"))
        )
            yield return new(
                place.Role,
                other.Kind == roster.Kind
                    ? $"{known.NameOf(place.PersonId)} stands on another net roster of that day."
                    : $"{known.NameOf(place.PersonId)} would have a night watch and a net day without a night's sleep between.",
                false
            );
    }

    // A night's watch ends on the morning of the next day; at the net people are in the water.
    private static bool Touches(RosterSet roster, RosterSet other) =>
        (roster.Kind, other.Kind) switch
        {
            (RosterKind.NetDay, RosterKind.NetDay) => roster.Day == other.Day && roster.PondId != other.PondId,
            (RosterKind.NetDay, RosterKind.Night) => other.Day.AddDays(1) == roster.Day,
            (RosterKind.Night, RosterKind.NetDay) => roster.Day.AddDays(1) == other.Day,
            _ => false,
        };

    // Asked about only where the farm signs for tasks at all; Managers sign for themselves.
    private static IEnumerable<RosterFinding> Unsigned(RosterSet roster, RosterKnown known)
    {
        if (known.Signed.Count == 0)
            yield break;
        foreach (var place in roster.Places)
            if (
                RosterRole.Of(roster.Kind).FirstOrDefault(r => r.Key == place.Role) is { Task.Length: > 0 } role
                && known.People.FirstOrDefault(p => p.PersonId == place.PersonId) is { Role: not Role.Manager } person
                && Training.StandsAt(known.Signed, place.PersonId, role.Task) != TaskStep.Alone
            )
                yield return new(
                    place.Role,
                    $"{person.Name} is not signed for “{FarmTask.Find(role.Task)!.Name}” alone: somebody who is stands beside them, or choose another.",
                    false
                );
    }
}
