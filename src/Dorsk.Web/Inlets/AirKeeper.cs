using Dorsk.Farm;

namespace Dorsk.Web.Inlets;

/// <summary>Looks every few seconds at what aerators should do and tells their panels; what a panel was told is told again every minute, so that one that missed it follows.</summary>
/// <param name="keeping">Decides.</param>
/// <param name="mqtt">The way to the panels.</param>
/// <param name="options"><c>--air-look</c>: seconds between two looks, 2 unless said otherwise.</param>
/// <param name="log">The program's log.</param>
public sealed class AirKeeper(AirKeeping keeping, MqttInlet mqtt, StartOptions options, ILogger<AirKeeper> log)
    : BackgroundService
{
    private static readonly TimeSpan Again = TimeSpan.FromMinutes(1);
    private DateTimeOffset told = DateTimeOffset.MinValue;

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        keeping.Failed = (problem, what) => log.LogError(problem, "{What}", what);
        using var timer = new PeriodicTimer(options.AirLook);
        while (await timer.WaitForNextTickAsync(stoppingToken))
            try
            {
                await Round();
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                log.LogError(problem, "Aerators could not be looked after; it is tried again.");
            }
    }

    /// <summary>One look, with the commands that follow from it. Without a broker there is no way to any panel, and nothing is commanded.</summary>
    public async Task Round()
    {
        if (mqtt.Port is null)
            return;
        foreach (var command in keeping.Look())
            await mqtt.Tell(command);
        if (DateTimeOffset.UtcNow - told < Again)
            return;
        told = DateTimeOffset.UtcNow;
        foreach (var command in keeping.Standing())
            await mqtt.Tell(command);
    }
}
