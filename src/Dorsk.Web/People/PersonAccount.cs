using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.State;
using Microsoft.AspNetCore.Identity;

namespace Dorsk.Web.People;

/// <summary>A person and what checks their password, as Identity handles them.</summary>
public sealed class PersonAccount
{
    public required PersonNamed Person { get; init; }

    public required Credential Credential { get; set; }
}

/// <summary>Identity's store over the farm's people (facts, changed through the door) and credentials (state). It makes and renames nobody.</summary>
public sealed class AccountStore(Questions questions, Credentials credentials) : IUserPasswordStore<PersonAccount>, IUserLockoutStore<PersonAccount>, IUserSecurityStampStore<PersonAccount>
{
    private static readonly IdentityResult NotHere = IdentityResult.Failed(new IdentityError { Code = "NotHere", Description = "People are named through the door, not here." });

    /// <summary>The account of a person; without a credential yet, an empty one.</summary>
    public PersonAccount Of(PersonNamed person) => new() { Person = person, Credential = credentials.Of(person.PersonId) ?? new(person.PersonId, null, Guid.NewGuid().ToString("N"), 0, null) };

    public Task<PersonAccount?> FindByIdAsync(string userId, CancellationToken cancellationToken) =>
        Task.FromResult(long.TryParse(userId, out var id) && questions.People().FirstOrDefault(p => p.PersonId == id && p.Role != Role.Gone) is { } person ? Of(person) : null);

    // The person's own spelling counts for nothing: Identity hands over the name in capitals.
    public Task<PersonAccount?> FindByNameAsync(string normalizedUserName, CancellationToken cancellationToken) =>
        Task.FromResult(questions.People().FirstOrDefault(p => string.Equals(p.Name, normalizedUserName, StringComparison.OrdinalIgnoreCase) && p.Role != Role.Gone) is { } person ? Of(person) : null);

    public Task<IdentityResult> UpdateAsync(PersonAccount user, CancellationToken cancellationToken)
    {
        credentials.Keep(user.Credential);
        return Task.FromResult(IdentityResult.Success);
    }

    public Task<string> GetUserIdAsync(PersonAccount user, CancellationToken cancellationToken) => Task.FromResult(user.Person.PersonId.ToString(System.Globalization.CultureInfo.InvariantCulture));

    public Task<string?> GetUserNameAsync(PersonAccount user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.Person.Name);

    public Task<string?> GetNormalizedUserNameAsync(PersonAccount user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.Person.Name.ToUpperInvariant());

    public Task SetNormalizedUserNameAsync(PersonAccount user, string? normalizedName, CancellationToken cancellationToken) => Task.CompletedTask;

    public Task SetUserNameAsync(PersonAccount user, string? userName, CancellationToken cancellationToken) => throw new NotSupportedException("People are named through the door.");

    public Task<IdentityResult> CreateAsync(PersonAccount user, CancellationToken cancellationToken) => Task.FromResult(NotHere);

    public Task<IdentityResult> DeleteAsync(PersonAccount user, CancellationToken cancellationToken) => Task.FromResult(NotHere);

    public Task SetPasswordHashAsync(PersonAccount user, string? passwordHash, CancellationToken cancellationToken) => Change(user, c => c with { Hash = passwordHash });

    public Task<string?> GetPasswordHashAsync(PersonAccount user, CancellationToken cancellationToken) => Task.FromResult(user.Credential.Hash);

    public Task<bool> HasPasswordAsync(PersonAccount user, CancellationToken cancellationToken) => Task.FromResult(user.Credential.Hash is not null);

    public Task SetSecurityStampAsync(PersonAccount user, string stamp, CancellationToken cancellationToken) => Change(user, c => c with { Stamp = stamp });

    public Task<string?> GetSecurityStampAsync(PersonAccount user, CancellationToken cancellationToken) => Task.FromResult<string?>(user.Credential.Stamp);

    public Task<DateTimeOffset?> GetLockoutEndDateAsync(PersonAccount user, CancellationToken cancellationToken) => Task.FromResult(user.Credential.ShutTill);

    public Task SetLockoutEndDateAsync(PersonAccount user, DateTimeOffset? lockoutEnd, CancellationToken cancellationToken) => Change(user, c => c with { ShutTill = lockoutEnd });

    public Task<int> IncrementAccessFailedCountAsync(PersonAccount user, CancellationToken cancellationToken)
    {
        user.Credential = user.Credential with { Failures = user.Credential.Failures + 1 };
        return Task.FromResult(user.Credential.Failures);
    }

    public Task ResetAccessFailedCountAsync(PersonAccount user, CancellationToken cancellationToken) => Change(user, c => c with { Failures = 0 });

    public Task<int> GetAccessFailedCountAsync(PersonAccount user, CancellationToken cancellationToken) => Task.FromResult(user.Credential.Failures);

    public Task<bool> GetLockoutEnabledAsync(PersonAccount user, CancellationToken cancellationToken) => Task.FromResult(true);

    public Task SetLockoutEnabledAsync(PersonAccount user, bool enabled, CancellationToken cancellationToken) => Task.CompletedTask;

    public void Dispose() { }

    private static Task Change(PersonAccount user, Func<Credential, Credential> change)
    {
        user.Credential = change(user.Credential);
        return Task.CompletedTask;
    }
}
