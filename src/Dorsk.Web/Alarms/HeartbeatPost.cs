using Dorsk.Farm;

namespace Dorsk.Web.Alarms;

/// <summary>
/// Tells an outside address once a minute that the watch looked: <c>--heartbeat https://…</c>. It is silent as soon as the watch is, the
/// program ends, or the farm has no power or network, so that a watcher outside can call somebody.
/// </summary>
/// <param name="heartbeat">When the watch looked.</param>
/// <param name="options">Where to.</param>
/// <param name="log">The program's log.</param>
public sealed class HeartbeatPost(Heartbeat heartbeat, StartOptions options, ILogger<HeartbeatPost> log)
    : BackgroundService
{
    private static readonly TimeSpan Limit = TimeSpan.FromSeconds(10);

    /// <summary>Why the last could not be sent; null when it was, or none was wanted.</summary>
    public string? Trouble { get; private set; }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        if (options.Heartbeat is null)
            return;
        using var client = new HttpClient { Timeout = Limit };
        using var timer = new PeriodicTimer(options.HeartbeatEvery);
        while (await timer.WaitForNextTickAsync(stoppingToken))
            await Round(client, stoppingToken);
    }

    /// <summary>Tells once, when the watch looks.</summary>
    public async Task Round(HttpClient client, CancellationToken stop)
    {
        if (heartbeat.State != WatchState.Looking)
            return;
        try
        {
            using var answer = await client.PostAsync(options.Heartbeat, null, stop);
            Trouble = answer.IsSuccessStatusCode ? null : $"it answered {(int)answer.StatusCode}";
        }
        catch (Exception problem) when (!stop.IsCancellationRequested)
        {
            Trouble = problem is OperationCanceledException ? "it did not answer in time" : problem.Message;
            log.LogWarning("The outside watcher could not be told: {Why}", Trouble);
        }
    }
}
