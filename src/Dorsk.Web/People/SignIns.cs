using System.Globalization;
using System.Security.Claims;
using System.Threading.RateLimiting;
using Dorsk.Farm.State;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Identity;

namespace Dorsk.Web.People;

/// <summary>Whether this is a demo farm, whose role accounts are open to whoever looks at it.</summary>
public sealed record DemoFarmOpen(bool On);

/// <summary>How people sign in: one cookie that names a session of the farm, and a limit on tries.</summary>
public static class SignIns
{
    private const string Scheme = CookieAuthenticationDefaults.AuthenticationScheme,
        Limit = "sign-in",
        SessionClaim = "session";
    private const int TriesPerMinute = 20;
    private static readonly object Ended = new();

    public static void AddSignIns(this IServiceCollection services)
    {
        services.AddSingleton<Credentials>();
        services.AddSingleton<Sessions>();
        services.AddSingleton(new Tries(TimeProvider.System));
        services.AddSingleton<IPasswordHasher<PersonAccount>, PasswordHasher<PersonAccount>>();
        services.AddSingleton<Accounts>();
        services.AddSingleton<FirstWord>();
        services.AddScoped<Gate>();
        services.AddScoped<Newcomer>();
        services
            .AddAuthentication(Scheme)
            .AddCookie(Scheme, o =>
            {
                o.Cookie.Name = "dorsk-person";
                o.Cookie.HttpOnly = true;
                o.Cookie.SameSite = SameSiteMode.Lax;
                // Phones on the bank reach plain HTTP, where a Secure cookie is dropped on any host but localhost.
                o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
                o.ExpireTimeSpan = TimeSpan.FromDays(30);
                o.SlidingExpiration = true;
                o.Events.OnValidatePrincipal = Validate;
            });
        services.AddRateLimiter(o =>
        {
            o.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            o.AddPolicy(Limit, http =>
                HttpMethods.IsPost(http.Request.Method)
                    ? RateLimitPartition.GetFixedWindowLimiter(Address(http), _ =>
                        new() { PermitLimit = TriesPerMinute, Window = TimeSpan.FromMinutes(1) }
                    )
                    : RateLimitPartition.GetNoLimiter("")
            );
        });
    }

    /// <summary>Signs a person in on this browser.</summary>
    /// <param name="http">The request.</param>
    /// <param name="account">Who.</param>
    /// <param name="lasting">Whether the browser keeps it when it is closed.</param>
    public static async Task SignIn(this HttpContext http, PersonAccount account, bool lasting)
    {
        await http.SignOut();
        var session = http.RequestServices.GetRequiredService<Sessions>().Begin(account.Credential);
        var id = account.Person.PersonId.ToString(CultureInfo.InvariantCulture);
        var identity = new ClaimsIdentity([new(ClaimTypes.NameIdentifier, id), new(SessionClaim, session)], Scheme);
        await http.SignInAsync(
            Scheme,
            new ClaimsPrincipal(identity),
            new AuthenticationProperties { IsPersistent = lasting }
        );
    }

    /// <summary>Signs out: the session ends, and with it every copy of its cookie.</summary>
    public static async Task SignOut(this HttpContext http)
    {
        if (http.User.FindFirst(SessionClaim)?.Value is { } session)
            http.RequestServices.GetRequiredService<Sessions>().End(session);
        await http.SignOutAsync(Scheme);
    }

    /// <summary>Whether this request came with a cookie whose session has ended: signed out elsewhere, another password, a restored farm.</summary>
    public static bool SessionEnded(this HttpContext http) => http.Items.ContainsKey(Ended);

    /// <summary>The address a request comes from.</summary>
    public static string Address(HttpContext http) => http.Connection.RemoteIpAddress?.ToString() ?? "";

    // Asked at every request, so that a session that has ended opens nothing any more.
    // The cookie stays: the answer to a request that was still on its way would else take away the one of a sign-in that came between.
    private static Task Validate(CookieValidatePrincipalContext context)
    {
        var sessions = context.HttpContext.RequestServices.GetRequiredService<Sessions>();
        var person = context.Principal?.FindFirst(ClaimTypes.NameIdentifier)?.Value;
        if (
            context.Principal?.FindFirst(SessionClaim)?.Value is { } id
            && sessions.PersonOf(id)?.ToString(CultureInfo.InvariantCulture) == person
        )
            return Task.CompletedTask;
        context.RejectPrincipal();
        context.HttpContext.Items[Ended] = true;
        return Task.CompletedTask;
    }
}
