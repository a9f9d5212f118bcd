using Dorsk.Core.Ponds;
using Dorsk.Core.Time;

namespace Dorsk.Core.Oxygen;

/// <summary>What the water of one pond is on one night, as far as oxygen cares.</summary>
/// <param name="VolumeM3">Water volume, m³.</param>
/// <param name="MeanDepthM">Volume by surface, m.</param>
/// <param name="TempC">Water temperature, °C.</param>
/// <param name="SaturationMgL">Oxygen at saturation at that temperature and height, mg/L.</param>
/// <param name="WindMs">Wind at 10 m, m/s.</param>
/// <param name="Aerators">Aerators with their timers.</param>
/// <param name="Place">Where the farm is, for the light.</param>
/// <param name="Zone">The farm's clock, for the timers.</param>
public sealed record NightWater(
    double VolumeM3,
    double MeanDepthM,
    double TempC,
    double SaturationMgL,
    double WindMs,
    IReadOnlyList<Aerator> Aerators,
    Place Place,
    FarmZone Zone
)
{
    // Ponds go on exchanging in still air, by cooling at the surface; judged, with MacIntyre and others 1995.
    private const double StillAirKlMDay = 0.3;

    /// <summary>Whether an aerator runs at an instant, as far as that is known or ordered otherwise than by its timer; null: timers alone.</summary>
    public Func<string, DateTimeOffset, bool?>? Known { get; init; }

    /// <summary>Whether the temperature was read, and is not only likely.</summary>
    public bool IsTempRead { get; init; } = true;

    /// <summary>Sunset and sunrise of the night, for its shape; null where it is taken as flat.</summary>
    public (DateTimeOffset Sunset, DateTimeOffset Sunrise)? Dark { get; init; }

    /// <summary>How much more than on the mean the water takes at sunset, as a share; it falls straight to as much less at sunrise. 0 for a flat night.</summary>
    public double EveningExcess { get; init; }

    /// <summary>What the water takes at an instant against the mean of the night.</summary>
    internal double UseAt(DateTimeOffset at)
    {
        if (Dark is not var (sunset, sunrise) || at < sunset || at > sunrise)
            return 1;
        var passed = (at - sunset) / (sunrise - sunset);
        return 1 + (EveningExcess * (1 - (2 * passed)));
    }

    /// <summary>Aerators that run at an instant.</summary>
    public IEnumerable<Aerator> RunningAt(DateTimeOffset at)
    {
        var hour = TimeOnly.FromDateTime(Zone.LocalAt(at));
        return Aerators.Where(a => Known?.Invoke(a.Code, at) ?? a.RunsAt(hour));
    }

    /// <summary>Surface and running aerators together as one pull towards a level: rate per hour and that level, mg/L.</summary>
    internal (double RatePerH, double TowardsMgL) PullAt(DateTimeOffset at)
    {
        var warm = Math.Pow(1.024, TempC - 20);
        var surface = Math.Max(StillAirKlMDay, Exchange.Kl20MDay(WindMs)) * warm / (24 * MeanDepthM);
        double rate = surface,
            pull = surface * SaturationMgL;
        foreach (var a in RunningAt(at))
        {
            var k = a.SotrKgH * 1000 / VolumeM3 / 9.09 * warm * a.Kind.Alpha;
            rate += k;
            pull += k * a.Kind.Beta * SaturationMgL;
        }
        return (rate, pull / rate);
    }
}
