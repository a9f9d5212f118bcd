using Dorsk.Farm;

namespace Dorsk.Web;

/// <summary>Twice a minute: are forecasts of the night due? A failure is written to the program's log and tried again.</summary>
public sealed class ForecastTeller(NightlyForecasts forecasts, ILogger<ForecastTeller> log) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(TimeSpan.FromSeconds(30));
        do
        {
            try
            {
                // Off the request threads, and never before the first page is up.
                await Task.Run(forecasts.IssueDue, stoppingToken);
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                log.LogError(problem, "Forecasts of the night could not be told; they are tried again in half a minute.");
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }
}
