using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;

namespace Dorsk.Web.Inlets;

/// <summary>Tells open pages that the log has moved: server-sent events with the number of the newest line, at once and then whenever it is another; a breath every 15 s keeps the way open.</summary>
public static class Live
{
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(1),
        Breath = TimeSpan.FromSeconds(15);

    /// <summary>Maps the stream.</summary>
    public static void MapLive(this WebApplication app) =>
        app.MapGet("/live", Tell).WithMetadata(new NeedsAttribute(Permission.Look));

    private static async Task Tell(HttpContext http, Questions questions, IHostApplicationLifetime life)
    {
        http.Response.ContentType = "text/event-stream";
        http.Response.Headers.CacheControl = "no-store";
        using var ends = CancellationTokenSource.CreateLinkedTokenSource(http.RequestAborted, life.ApplicationStopping);
        long told = -1;
        var since = TimeSpan.Zero;
        try
        {
            while (!ends.IsCancellationRequested)
            {
                var line = questions.LastLine();
                if (line != told || since >= Breath)
                {
                    await http.Response.WriteAsync(
                        string.Create(CultureInfo.InvariantCulture, $"data: {line}\n\n"),
                        ends.Token
                    );
                    await http.Response.Body.FlushAsync(ends.Token);
                    (told, since) = (line, TimeSpan.Zero);
                }
                await Task.Delay(Look, ends.Token);
                since += Look;
            }
        }
        catch (OperationCanceledException)
        {
            // The page was closed, or the farm stops: nothing is left to tell.
        }
    }
}
