using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Water;

namespace Dorsk.Core.Harvest;

/// <summary>A moment of a pond that is drained with fish in it.</summary>
/// <param name="Hours">Since draining began, h.</param>
/// <param name="LevelM">Gauge level, m.</param>
/// <param name="VolumeM3">Water left, m³.</param>
/// <param name="KgM3">Fish in a cubic metre of it, kg.</param>
/// <param name="Minutes">Minutes from full saturation until the oxygen is at the act level when nothing brings any.</param>
public readonly record struct DrawStep(double Hours, double LevelM, double VolumeM3, double KgM3, double Minutes);

/// <summary>A pond drawn down for the net: hour by hour, and what its last pool bears.</summary>
/// <param name="Steps">Its moments, about an hour apart, the last one at the wanted level.</param>
/// <param name="Hours">Hours in all.</param>
public sealed record DrawDown(IReadOnlyList<DrawStep> Steps, double Hours)
{
    /// <summary>Where the method comes from.</summary>
    public const string Source = Draining.Source + "; respiration of fish: Boyd, Romaire and Johnston 1978";

    private const double SliceM = 0.02;
    private const int MostSteps = 40;

    /// <summary>Draws it down through a pipe, or by a pump of even flow.</summary>
    /// <param name="shape">The pond.</param>
    /// <param name="fromM">Gauge level at the start, m.</param>
    /// <param name="toM">Gauge level at which the net goes in, m; 0 or more and under the first.</param>
    /// <param name="outlet">Hours that water takes from one level to a lower one.</param>
    /// <param name="fish">Species, mean weight in g, and mass in kg.</param>
    /// <param name="water">Temperature in °C, height of the farm in m, and the act level in mg/L.</param>
    public static DrawDown Of(
        PondShape shape,
        double fromM,
        double toM,
        Func<double, double, double> outlet,
        (FishSpecies Species, double MeanG, double Kg) fish,
        (double TempC, double AltitudeM, double ActMgL) water
    )
    {
        var full = OxygenSaturation.MgL(
            Math.Clamp(water.TempC, 0, 40),
            0,
            OxygenSaturation.PressureKPa(water.AltitudeM)
        );
        var takesGH = fish.Kg * Respiration.Fish(fish.MeanG, water.TempC, fish.Species);
        DrawStep At(double hours, double level) =>
            StepAt(shape, hours, level, fish.Kg, takesGH / Math.Max(0.001, full - water.ActMgL));
        var steps = new List<DrawStep> { At(0, fromM) };
        var (hours, level, next) = (0.0, fromM, 1.0);
        while (level > toM + 1e-9)
        {
            var lower = Math.Max(toM, level - SliceM);
            hours += outlet(level, lower);
            level = lower;
            if (hours < next && level > toM)
                continue;
            steps.Add(At(hours, level));
            next = Math.Floor(hours) + 1;
        }
        // A pond that drains for days is told every so many hours.
        var every = (int)Math.Ceiling(steps.Count / (double)MostSteps);
        return new([.. steps.Where((_, i) => i % every == 0 || i == steps.Count - 1)], hours);
    }

    // Water that the fish use up in an hour, from full to the act level.
    private static DrawStep StepAt(PondShape shape, double hours, double levelM, double kg, double usedM3H)
    {
        var volume = shape.VolumeM3(levelM);
        return new(
            hours,
            levelM,
            volume,
            volume > 0 ? kg / volume : 0,
            usedM3H > 0 ? 60 * volume / usedM3H : double.PositiveInfinity
        );
    }
}
