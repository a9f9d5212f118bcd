using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.State;
using Microsoft.AspNetCore.Identity;

namespace Dorsk.Web.People;

/// <summary>A person and what checks their password.</summary>
public sealed record PersonAccount(PersonNamed Person, Credential Credential);

/// <summary>The farm's people (facts, changed through the door) with their credentials (state).</summary>
public sealed class Accounts(Questions questions, Credentials credentials, IPasswordHasher<PersonAccount> hasher)
{
    // What an unknown name is checked against, so that it takes as long as a known one.
    private static readonly Lazy<string> Nobody = new(() =>
        new PasswordHasher<PersonAccount>().HashPassword(null!, Guid.NewGuid().ToString())
    );

    /// <summary>The account of a person; one without a password where none was set.</summary>
    public PersonAccount Of(PersonNamed person) =>
        new(person, credentials.Of(person.PersonId) ?? new(person.PersonId, null, ""));

    /// <summary>The account of a name, however it is spelled in capitals; null when nobody here has it.</summary>
    public PersonAccount? Named(string name) =>
        questions
            .People()
            .FirstOrDefault(p => string.Equals(p.Name, name, StringComparison.OrdinalIgnoreCase) && p.Role != Role.Gone)
            is { } person
            ? Of(person)
            : null;

    /// <summary>Whether a password is right. Takes as long for a name that nobody has.</summary>
    /// <param name="account">The account, or null.</param>
    /// <param name="password">As typed.</param>
    public bool IsRight(PersonAccount? account, string password)
    {
        var result = hasher.VerifyHashedPassword(account!, account?.Credential.Hash ?? Nobody.Value, password);
        if (result == PasswordVerificationResult.SuccessRehashNeeded && account?.Credential.Hash is not null)
            credentials.Rehash(account.Credential, hasher.HashPassword(account, password));
        return account?.Credential.Hash is not null && result != PasswordVerificationResult.Failed;
    }

    /// <summary>Sets a password; whoever is signed in as this person must sign in anew. Answers what is wrong with it, or nothing.</summary>
    /// <param name="person">The person.</param>
    /// <param name="password">As typed.</param>
    public string? SetPassword(PersonNamed person, string? password)
    {
        if (Passwords.Wrong(person.Name, password) is { } problem)
            return problem;
        credentials.SetPassword(person.PersonId, hasher.HashPassword(Of(person), password!));
        return null;
    }
}
