using Dorsk.Core.Judging;

namespace Dorsk.Core.People;

/// <summary>A person with a role; valid from its instant.</summary>
/// <param name="Name">Name or role name, 1 to 60 letters, unlike any other's.</param>
/// <param name="Role">The role.</param>
/// <param name="PersonId">Number of the person; 0 for a new one.</param>
public sealed record PersonNamed(string Name, Role Role, long PersonId = 0) : Fact;

/// <summary>What cannot be said about a person.</summary>
public static class PeopleRules
{
    /// <summary>Objections to a person.</summary>
    /// <param name="person">As named.</param>
    /// <param name="others">The others, those who left too.</param>
    public static IEnumerable<Remark> Check(PersonNamed person, IReadOnlyList<PersonNamed> others)
    {
        var name = person.Name.Trim();
        if (name.Length is 0 or > 60)
            yield return Remark.Refuse("Person", "Give a name of 1 to 60 letters.");
        else if (name.Any(char.IsControl))
            yield return Remark.Refuse("Person", "A name is letters, figures and blanks.");
        else if (others.Any(o => string.Equals(o.Name, name, StringComparison.OrdinalIgnoreCase)))
            yield return Remark.Refuse(
                "Person",
                $"{name} is somebody else here. Two people need two names, so that the log can tell them apart."
            );
        if (person.Role != Role.Manager && others.All(o => o.Role != Role.Manager))
            yield return Remark.Refuse("Role", "A farm needs a Manager. Make somebody else Manager first.");
    }
}
