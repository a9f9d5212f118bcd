using System.Net;
using System.Text;
using Dorsk.Farm;
using Dorsk.Farm.Ask;

namespace Dorsk.Web;

/// <summary>What becomes of a request that fails: words, with a status that tells input from trouble of the farm's own machine.</summary>
public static class Faults
{
    private static readonly HashSet<string> Methods = ["GET", "HEAD", "POST", "OPTIONS"];

    /// <summary>The status of a failure.</summary>
    public static int Status(Exception problem) =>
        problem switch
        {
            BadHttpRequestException bad => bad.StatusCode,
            // A form that is no form, as the framework's readers say it.
            InvalidDataException or IOException => StatusCodes.Status400BadRequest,
            PondBrokenException => StatusCodes.Status422UnprocessableEntity,
            OperationCanceledException => StatusCodes.Status499ClientClosedRequest,
            _ => BooksTrouble.Words(problem) is not null
                ? StatusCodes.Status503ServiceUnavailable
                : StatusCodes.Status500InternalServerError,
        };

    /// <summary>Refuses methods that no page has.</summary>
    public static void UseKnownMethods(this WebApplication app) =>
        app.Use(
            (http, next) =>
            {
                // The page of errors is asked for with the method that was refused.
                if (
                    Methods.Contains(http.Request.Method)
                    || http.Features.Get<Microsoft.AspNetCore.Diagnostics.IStatusCodeReExecuteFeature>() is not null
                )
                    return next();
                http.Response.StatusCode = StatusCodes.Status405MethodNotAllowed;
                return Task.CompletedTask;
            }
        );

    /// <summary>When even the page of errors fails, as it does when the records cannot be read: plain words, with the alarms that ring.</summary>
    public static void UseLastWord(this WebApplication app) =>
        app.Use(
            async (http, next) =>
            {
                try
                {
                    await next();
                }
                catch (Exception problem) when (!http.Response.HasStarted)
                {
                    app.Logger.LogError(problem, "A request failed.");
                    http.Response.Clear();
                    http.Response.StatusCode = Status(problem);
                    http.Response.ContentType = "text/html; charset=utf-8";
                    await http.Response.WriteAsync(
                        Page(
                            problem,
                            http.RequestServices.GetRequiredService<AlarmMemory>(),
                            http.RequestServices.GetRequiredService<FarmClock>()
                        )
                    );
                }
            }
        );

    private static string Page(Exception problem, AlarmMemory memory, FarmClock clock)
    {
        var page = new StringBuilder(
            "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><meta name=\"viewport\" content=\"width=device-width\"><title>Dorsk</title><h1>This page cannot be shown</h1>"
        );
        page.Append("<p>")
            .Append(
                WebUtility.HtmlEncode(
                    BooksTrouble.Words(problem) is { } words
                        ? $"The records cannot be used: {words}. What you just sent was not recorded: write it on paper."
                        : "Something failed inside Dorsk. What was recorded before still stands; what you just sent was not recorded."
                )
            )
            .Append("</p>");
        try
        {
            foreach (var alarm in memory.Alarms(clock.GetUtcNow()).Where(a => a.Open))
                page.Append("<p role=\"alert\"><strong>")
                    .Append(WebUtility.HtmlEncode(alarm.Text))
                    .Append("</strong></p>");
        }
        catch (Exception blind) when (blind is not OutOfMemoryException)
        {
            page.Append("<p role=\"alert\"><strong>Alarms cannot be shown here: read ponds by hand.</strong></p>");
        }
        return page.Append("</html>").ToString();
    }
}
