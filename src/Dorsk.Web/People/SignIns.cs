using System.Threading.RateLimiting;
using Dorsk.Core.People;
using Microsoft.AspNetCore.Identity;

namespace Dorsk.Web.People;

/// <summary>Whether this is the demo farm, whose role accounts are open to whoever looks at it.</summary>
public sealed record DemoFarmOpen(bool On);

/// <summary>How people sign in: Identity's core with the farm's own store, one cookie, lockout and a limit on tries.</summary>
public static class SignIns
{
    /// <summary>Fewest signs of a password. Length counts; no rule asks for odd signs that end on a note at the meter box.</summary>
    public const int PasswordLength = 8;

    /// <summary>Mistaken passwords in a row before the account is shut for ten minutes.</summary>
    public const int TriesBeforeShut = 5;

    private const string Limit = "sign-in";
    private const int TriesPerMinute = 20;

    public static void AddSignIns(this IServiceCollection services)
    {
        services.AddSingleton<Farm.State.Credentials>();
        services.AddScoped<AccountStore>();
        services.AddScoped<Gate>();
        services.AddScoped<Newcomer>();
        services.AddIdentityCore<PersonAccount>(o =>
        {
            o.Password = new() { RequiredLength = PasswordLength, RequireDigit = false, RequireLowercase = false, RequireNonAlphanumeric = false, RequireUppercase = false, RequiredUniqueChars = 3 };
            o.Lockout = new() { MaxFailedAccessAttempts = TriesBeforeShut, DefaultLockoutTimeSpan = TimeSpan.FromMinutes(10), AllowedForNewUsers = true };
            o.User.AllowedUserNameCharacters = "";
        }).AddSignInManager().AddUserStore<AccountStore>();
        // Names are checked at the door, with the whole farm in sight.
        foreach (var check in services.Where(s => s.ServiceType == typeof(IUserValidator<PersonAccount>)).ToList())
            services.Remove(check);
        services.Configure<SecurityStampValidatorOptions>(o => o.ValidationInterval = TimeSpan.FromMinutes(1));
        services.AddAuthentication(IdentityConstants.ApplicationScheme).AddCookie(IdentityConstants.ApplicationScheme, o =>
        {
            o.Cookie.Name = "dorsk-person";
            o.Cookie.HttpOnly = true;
            o.Cookie.SameSite = SameSiteMode.Lax;
            // Phones on the bank reach plain HTTP, where a Secure cookie is dropped on any host but localhost.
            o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
            o.ExpireTimeSpan = TimeSpan.FromDays(30);
            o.SlidingExpiration = true;
            o.Events.OnValidatePrincipal = SecurityStampValidator.ValidatePrincipalAsync;
        });
        services.AddRateLimiter(o =>
        {
            o.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            o.AddPolicy(Limit, http => HttpMethods.IsPost(http.Request.Method)
                ? RateLimitPartition.GetFixedWindowLimiter(http.Connection.RemoteIpAddress?.ToString() ?? "", _ => new() { PermitLimit = TriesPerMinute, Window = TimeSpan.FromMinutes(1) })
                : RateLimitPartition.GetNoLimiter(""));
        });
    }

    /// <summary>What is wrong with a password, or null.</summary>
    public static string? Wrong(string name, string? password) =>
        string.IsNullOrEmpty(password) || password.Length is < PasswordLength or > 200 ? $"A password has {PasswordLength} to 200 signs. A few plain words in a row are good."
        : string.Equals(password, name, StringComparison.OrdinalIgnoreCase) ? "Everybody knows the name: it is no password."
        : password.Distinct().Count() < 3 ? "Too few different signs. A few plain words in a row are good." : null;

    /// <summary>Sets a password and makes whoever is signed in as this person sign in anew. Answers what is wrong with it, or nothing.</summary>
    /// <param name="users">Identity.</param>
    /// <param name="account">The person.</param>
    /// <param name="password">As typed.</param>
    public static async Task<string?> SetPassword(this UserManager<PersonAccount> users, PersonAccount account, string? password)
    {
        if (Wrong(account.Person.Name, password) is { } problem)
            return problem;
        account.Credential = account.Credential with { Hash = null };
        var result = await users.AddPasswordAsync(account, password!);
        return result.Succeeded ? null : string.Join(" ", result.Errors.Select(e => e.Description));
    }
}
