using Dorsk.Farm;
using Dorsk.Web.Alarms;
using Dorsk.Web.People;

namespace Dorsk.Web.Inlets;

/// <summary>What an outsider may know of the watch; no names, no figures of the farm.</summary>
/// <param name="Watch">Starting, Looking or Silent.</param>
/// <param name="AgeS">Seconds since the last look.</param>
/// <param name="Ponds">Ponds that were looked at.</param>
/// <param name="Failed">Ponds that could not be worked out.</param>
/// <param name="Books">ok, or what is wrong with the data file.</param>
/// <param name="Mail">ok, none (no server is named), or failing.</param>
/// <param name="Clock">ok or behind.</param>
public sealed record HealthOut(
    string Watch,
    double AgeS,
    int Ponds,
    int Failed,
    string Books,
    string Mail,
    string Clock
);

/// <summary>Whether somebody looks: 200 while the watch looks and records can be written, 503 when not. For a watcher outside.</summary>
public static class Health
{
    /// <summary>Maps the address.</summary>
    public static void MapHealth(this WebApplication app) =>
        app.MapGet("/health", Tell).WithMetadata(new OpenAttribute());

    private static IResult Tell(Heartbeat heartbeat, AlarmPost post, AlarmMemory memory, FarmClock clock)
    {
        var (state, last) = (heartbeat.State, heartbeat.Last);
        var health = new HealthOut(
            state.ToString(),
            Math.Round(heartbeat.Age.TotalSeconds, 1),
            last?.Ponds ?? 0,
            last?.Failed ?? 0,
            last?.BooksTrouble ?? "ok",
            !post.IsSet(memory.CallList()?.Hook ?? "") ? "none"
                : post.Trouble is null ? "ok"
                : "failing",
            clock.Trouble is null ? "ok" : "behind"
        );
        var well = state != WatchState.Silent && last?.BooksTrouble is null;
        return Results.Json(
            health,
            statusCode: well ? StatusCodes.Status200OK : StatusCodes.Status503ServiceUnavailable
        );
    }
}
