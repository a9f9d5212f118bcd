using Dorsk.Core.People;
using Dorsk.Farm;
using Dorsk.Farm.Log;

namespace Dorsk.Web.People;

/// <summary>What came of letting somebody in: the person, or what is wrong with the name or the password.</summary>
public sealed record Admitted(PersonNamed? Person, string? NameProblem, string? PasswordProblem);

/// <summary>Lets a new person in. Name and password are tried before either is kept: a mistyped one leaves nobody behind.</summary>
public sealed class Newcomer(Door door, FarmClock clock, Accounts accounts)
{
    /// <summary>Names the person through the door and keeps the password.</summary>
    public Admitted Admit(string author, string name, Role role, string? password)
    {
        var entry = Entry.Of(
            Guid.NewGuid(),
            author,
            clock.GetUtcNow(),
            new PersonNamed(name, role),
            $"{name}: {Permissions.Word(role)}"
        );
        var nameProblem = door.Preview(entry).Remarks.Select(r => r.Text).FirstOrDefault();
        var passwordProblem = Passwords.Wrong(name, password);
        if (nameProblem is not null || passwordProblem is not null)
            return new(null, nameProblem, passwordProblem);
        var person = new PersonNamed(name, role, door.Enter(entry).Lines[0]);
        return new(person, null, accounts.SetPassword(person, password));
    }
}
