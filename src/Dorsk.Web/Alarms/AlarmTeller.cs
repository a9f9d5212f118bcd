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
        string? trouble = null;
        try
        {
            watch.Look();
            // A mail that fails, an address that is refused, does not stand before the others.
            foreach (var (mail, told) in post.IsSet ? watch.Due() : [])
            {
                try
                {
                    await post.Send(mail, stop);
                    watch.Told(told);
                }
                catch (Exception problem) when (problem is not OperationCanceledException)
                {
                    trouble = $"{mail.To.Address}: {problem.Message}";
                    log.LogError(problem, "The mail to {Address} could not be sent; it is tried again.", mail.To.Address);
                }
            }
        }
        catch (Exception problem) when (problem is not OperationCanceledException)
        {
            trouble = problem.Message;
            log.LogError(problem, "Alarms could not be looked after; it is tried again.");
        }
        post.Trouble = trouble;
    }
}
