using Dorsk.Farm;

namespace Dorsk.Web.Alarms;

/// <summary>Looks for alarms every few seconds and has people told. What fails is said on the alarm page and in the program's log, and tried again.</summary>
/// <param name="watch">Rings and ends.</param>
/// <param name="post">Sends.</param>
/// <param name="configuration"><c>--alarm-look</c>: seconds between two looks, 20 unless said otherwise.</param>
/// <param name="log">The program's log.</param>
public sealed class AlarmTeller(AlarmWatch watch, AlarmPost post, IConfiguration configuration, ILogger<AlarmTeller> log) : BackgroundService
{
    private const double UsualSeconds = 20;

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(TimeSpan.FromSeconds(Math.Clamp(configuration.GetValue("alarm-look", UsualSeconds), 0.2, 600)));
        while (await timer.WaitForNextTickAsync(stoppingToken))
            await Round(stoppingToken);
    }

    /// <summary>One look, and all mails that are due.</summary>
    public async Task Round(CancellationToken stop)
    {
        try
        {
            watch.Look();
            foreach (var (mail, told) in post.IsSet ? watch.Due() : [])
            {
                await post.Send(mail, stop);
                watch.Told(told);
                post.Trouble = null;
            }
        }
        catch (Exception problem) when (problem is not OperationCanceledException)
        {
            post.Trouble = problem.Message;
            log.LogError(problem, "Alarms could not be looked after, or a mail not be sent; it is tried again.");
        }
    }
}
