namespace Dorsk.Core.Oxygen;

/// <summary>One pond's air as a load on a generator.</summary>
/// <param name="Pond">Its code.</param>
/// <param name="MinutesLeft">Minutes to the act level without air, or null when it holds.</param>
/// <param name="MotorKW">What each of its aerators draws, kW.</param>
public sealed record AirLoad(string Pond, double? MinutesLeft, IReadOnlyList<double> MotorKW);

/// <summary>What one generator carries: aerators started one after the other, those with the fewest minutes first.</summary>
/// <param name="Carried">Aerators it starts, by pond, in their order.</param>
/// <param name="LeftOut">Aerators it cannot start besides, by pond.</param>
/// <param name="RunningKW">What they draw together, kW.</param>
public sealed record GeneratorLoad(
    IReadOnlyList<(string Pond, int Aerators)> Carried,
    IReadOnlyList<(string Pond, int Aerators)> LeftOut,
    double RunningKW
)
{
    /// <summary>A motor draws so many times its power while it starts directly (starting value; the motor's plate rules).</summary>
    public const double StartFactor = 3;

    /// <summary>Fills a generator: each next motor must start beside those that run. Every pond gets one aerator before any gets a second.</summary>
    /// <param name="ratedKW">What the generator gives, kW.</param>
    /// <param name="loads">Ponds with their aerators.</param>
    public static GeneratorLoad Of(double ratedKW, IReadOnlyList<AirLoad> loads)
    {
        var order = loads
            .Where(l => l.MotorKW.Count > 0)
            .OrderBy(l => l.MinutesLeft ?? double.PositiveInfinity)
            .ToList();
        var started = order.ToDictionary(l => l.Pond, _ => 0);
        var running = 0.0;
        for (var round = 0; order.Any(l => l.MotorKW.Count > round); round++)
            foreach (var l in order.Where(l => l.MotorKW.Count > round))
                if (running + (StartFactor * l.MotorKW[round]) <= ratedKW)
                {
                    running += l.MotorKW[round];
                    started[l.Pond]++;
                }
        return new(
            [.. order.Where(l => started[l.Pond] > 0).Select(l => (l.Pond, started[l.Pond]))],
            [
                .. order
                    .Where(l => started[l.Pond] < l.MotorKW.Count)
                    .Select(l => (l.Pond, l.MotorKW.Count - started[l.Pond])),
            ],
            running
        );
    }
}
