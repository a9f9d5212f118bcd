using Dorsk.Core.Judging;

namespace Dorsk.Core.People;

/// <summary>What a roster is for.</summary>
public enum RosterKind
{
    /// <summary>A day on which fish are netted.</summary>
    NetDay,

    /// <summary>A night that is watched.</summary>
    Night,
}

/// <summary>Somebody's place on a roster.</summary>
/// <param name="Role">Key of the role.</param>
/// <param name="PersonId">Who takes it.</param>
public readonly record struct RosterPlace(string Role, long PersonId);

/// <summary>Who does what on a net day of a pond, or who watches in which part of a night. The newest roster of a pond and day counts.</summary>
/// <param name="Kind">What it is for.</param>
/// <param name="PondId">The pond of a net day; null for a night.</param>
/// <param name="Day">The day of the net, or the day on whose evening the night begins.</param>
/// <param name="Places">Who takes which role; a role that nobody takes is left out.</param>
public sealed record RosterSet(RosterKind Kind, long? PondId, DateOnly Day, IReadOnlyList<RosterPlace> Places) : Fact
{
    private const int DaysAhead = 400;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="known">What stands about people, and the rosters near this day.</param>
    /// <param name="today">The farm's day.</param>
    public IEnumerable<Remark> Check(RosterKnown known, DateOnly today)
    {
        // A night that began yesterday is still watched.
        var first = Kind == RosterKind.Night ? today.AddDays(-1) : today;
        if (Day < first || Day > today.AddDays(DaysAhead))
            yield return Remark.Refuse("Day", $"From today, at most {DaysAhead} days ahead.");
        if (Places.Count == 0)
            yield return Remark.Refuse("", "Choose who takes at least one place.");
        foreach (var place in Places)
        {
            var role = RosterRole.Of(Kind).FirstOrDefault(r => r.Key == place.Role);
            if (role is null)
                yield return Remark.Refuse("", $"“{place.Role}” is no place of this roster.");
        }
        foreach (var finding in RosterFinding.Of(this, known).Where(f => f.Field.Length > 0))
            yield return finding.Refused
                ? Remark.Refuse(finding.Field, finding.Text)
                : Remark.Ask(finding.Field, finding.Text);
    }
}

/// <summary>What a roster is held against.</summary>
/// <param name="People">People of the farm.</param>
/// <param name="Signed">Steps of tasks that are signed for.</param>
/// <param name="Others">Other rosters that stand, of days near it.</param>
public sealed record RosterKnown(
    IReadOnlyList<PersonNamed> People,
    IReadOnlyList<TaskSigned> Signed,
    IReadOnlyList<RosterSet> Others
)
{
    /// <summary>What somebody is called.</summary>
    /// <param name="personId">The person.</param>
    public string NameOf(long personId) => People.FirstOrDefault(p => p.PersonId == personId)?.Name ?? "somebody";
}
