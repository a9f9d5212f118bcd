using Dorsk.Farm;

namespace Dorsk.Web;

/// <summary>Twice a minute: are forecasts of the night due? A failure is written to the program's log and tried again.</summary>
/// <param name="forecasts">Tells them.</param>
/// <param name="configuration"><c>--forecast-look</c>: seconds between two looks, 30 unless said otherwise.</param>
/// <param name="log">The program's log.</param>
public sealed class ForecastTeller(NightlyForecasts forecasts, IConfiguration configuration, ILogger<ForecastTeller> log) : BackgroundService
{
    private const double UsualSeconds = 30;

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // The first look comes after half a minute: the first page has the machine to itself.
        using var timer = new PeriodicTimer(TimeSpan.FromSeconds(Math.Clamp(configuration.GetValue("forecast-look", UsualSeconds), 0.2, 600)));
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
