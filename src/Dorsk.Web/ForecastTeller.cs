using Dorsk.Farm;

namespace Dorsk.Web;

/// <summary>Twice a minute: are forecasts of the night due? A failure is written to the program's log and tried again.</summary>
/// <param name="forecasts">Tells them.</param>
/// <param name="options"><c>--forecast-look</c>: seconds between two looks, 30 unless said otherwise.</param>
/// <param name="log">The program's log.</param>
public sealed class ForecastTeller(NightlyForecasts forecasts, StartOptions options, ILogger<ForecastTeller> log)
    : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        forecasts.Failed = (problem, what) => log.LogError(problem, "{What}", what);
        // The first look comes after half a minute: the first page has the machine to itself.
        using var timer = new PeriodicTimer(options.ForecastLook);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                forecasts.IssueDue();
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                log.LogError(
                    problem,
                    "Forecasts of the night could not be told; they are tried again in half a minute."
                );
            }
        }
    }
}
