using Dorsk.Farm;

namespace Dorsk.Web.Alarms;

/// <summary>Looks for alarms every few seconds. It waits for nobody: people are told beside it.</summary>
public sealed class AlarmLooker : BackgroundService
{
    private static readonly TimeSpan SoonAfterStart = TimeSpan.FromSeconds(5);
    private readonly AlarmWatch watch;
    private readonly StartOptions options;
    private readonly ILogger<AlarmLooker> log;

    /// <summary>Made once; failures of a look go to the program's log.</summary>
    /// <param name="watch">Rings and ends.</param>
    /// <param name="heartbeat">Hears of every look.</param>
    /// <param name="clock">The farm clock: one that is wrong is an alarm.</param>
    /// <param name="look">What is wrong with the data file.</param>
    /// <param name="options"><c>--alarm-look</c>.</param>
    /// <param name="log">The program's log.</param>
    public AlarmLooker(
        AlarmWatch watch,
        Heartbeat heartbeat,
        FarmClock clock,
        FileLook look,
        StartOptions options,
        ILogger<AlarmLooker> log
    )
    {
        (this.watch, this.options, this.log) = (watch, options, log);
        heartbeat.Period = options.AlarmLook;
        watch.Failed = (problem, what) => log.LogError(problem, "{What}", what);
        watch.More.Add(() =>
            clock.Trouble is { } trouble
                ? new(0, null, Core.Alarms.AlarmCause.ClockWrong, Core.Judging.Status.Watch, trouble)
                : null
        );
        watch.More.Add(look.Alarm);
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // Whoever opens a page after a start finds what rings already; the first page itself is not kept waiting.
        var first = options.AlarmLook < SoonAfterStart ? options.AlarmLook : SoonAfterStart;
        await Task.Delay(first, stoppingToken);
        Look();
        using var timer = new PeriodicTimer(options.AlarmLook);
        while (await timer.WaitForNextTickAsync(stoppingToken))
            Look();
    }

    private void Look()
    {
        try
        {
            watch.Look();
        }
        catch (Exception problem)
        {
            // The heartbeat misses this look, so that pages and outsiders hear of it.
            log.LogCritical(problem, "The watch could not look; it is tried again.");
        }
    }
}
