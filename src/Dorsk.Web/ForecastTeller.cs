using Dorsk.Farm;

namespace Dorsk.Web;

/// <summary>Twice a minute: are forecasts of the night due? A failure is written to the program's log and tried again.</summary>
public sealed class ForecastTeller(NightlyForecasts forecasts, ILogger<ForecastTeller> log) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // The first look comes after half a minute: the first page has the machine to itself.
        using var timer = new PeriodicTimer(TimeSpan.FromSeconds(30));
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                forecasts.IssueDue();
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                log.LogError(problem, "Forecasts of the night could not be told; they are tried again in half a minute.");
            }
        }
    }
}
