using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Antiforgery;

namespace Dorsk.Web.Phone;

/// <summary>What phones ask before they send what they kept: whether the farm answers, who is signed in, what its clock says.</summary>
public static class Signal
{
    private const string Worker = "/lib/worker.js";

    /// <summary>Header that says whose page it is: what a phone kept for somebody else is then thrown away.</summary>
    public const string PersonHeader = "Dorsk-Person";

    // Another build may write other pages: those that a phone kept are fetched anew.
    private static readonly string Build = typeof(Signal).Module.ModuleVersionId.ToString("N");

    /// <summary>Maps the question, and the list of pages to keep.</summary>
    public static void MapSignal(this WebApplication app)
    {
        app.MapGet("/signal", Tell).WithMetadata(new OpenAttribute());
        app.MapGet("/signal/pages", Pages).WithMetadata(new NeedsAttribute(Permission.Look));
    }

    /// <summary>Says on every answer whose it is.</summary>
    public static void UsePersonTold(this WebApplication app) =>
        app.Use(
            (http, next) =>
            {
                http.Response.Headers[PersonHeader] = Person(http);
                return next();
            }
        );

    /// <summary>Ships styles, scripts and fonts. The script that keeps pages stands among them and is allowed to do so for all pages.</summary>
    public static void UsePhoneFiles(this WebApplication app) =>
        app.UseStaticFiles(
            new StaticFileOptions
            {
                OnPrepareResponse = sent =>
                {
                    if (sent.Context.Request.Path != Worker)
                        return;
                    sent.Context.Response.Headers["Service-Worker-Allowed"] = "/";
                    sent.Context.Response.Headers.CacheControl = "no-cache";
                },
            }
        );

    private static string Person(HttpContext http) =>
        http.User.FindFirst(System.Security.Claims.ClaimTypes.NameIdentifier)?.Value ?? "";

    private static IResult Tell(HttpContext http, Here here, IAntiforgery forgery)
    {
        http.Response.Headers.CacheControl = "no-store";
        return Results.Json(
            new
            {
                person = Person(http),
                by = here.Person?.Name ?? "",
                now = here.Now.ToUnixTimeMilliseconds(),
                token = here.Person is null ? "" : forgery.GetAndStoreTokens(http).RequestToken,
            }
        );
    }

    private static IResult Pages(HttpContext http, Here here, Questions questions)
    {
        http.Response.Headers.CacheControl = "no-store";
        return Results.Json(
            new
            {
                person = Person(http),
                build = Build,
                pages = KeptPages.For(here, questions).Select(p => new { address = p.Address, title = p.Title }),
            }
        );
    }
}
