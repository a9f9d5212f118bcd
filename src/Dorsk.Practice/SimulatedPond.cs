using Dorsk.Core.Ponds;
using Dorsk.Core.Time;

namespace Dorsk.Practice;

/// <summary>
/// A pond with a hidden truth, hour by hour: heat, bloom, oxygen, fish. Its equations and parameters are its own and not those of
/// the forecaster: saturation by Elmore and Hayes 1960, light by a hyperbolic tangent (Jassby and Platt 1976), bloom by logistic
/// growth, gas exchange rising with a power of the wind.
/// </summary>
/// <param name="pond">The pond as the farm knows it.</param>
/// <param name="hidden">What it does not know.</param>
/// <param name="zone">The farm's clock, for the timers.</param>
public sealed class SimulatedPond(Pond pond, HiddenPond hidden, FarmZone zone)
{
    private double sinceMealH = 99;

    /// <summary>The pond as the farm knows it.</summary>
    public Pond Pond { get; } = pond;

    /// <summary>The fish, or null when empty.</summary>
    public SimulatedFish? Fish { get; set; }

    /// <summary>Water temperature, °C.</summary>
    public double TempC { get; private set; } = 15;

    /// <summary>Oxygen, mg/L.</summary>
    public double DoMgL { get; private set; } = 8;

    /// <summary>Chlorophyll, mg/m³.</summary>
    public double Bloom { get; private set; } = 60;

    /// <summary>Factor on the bloom's ceiling, for scripted blooms.</summary>
    public double Richness { get; set; } = 1;

    /// <summary>Factor on what plankton breathes tonight: the same bloom takes more on some nights than on others.</summary>
    internal double Mood { get; set; } = 1;

    /// <summary>Gauge level, m.</summary>
    public double LevelM { get; set; } = pond.Shape.FullDepthM;

    /// <summary>Aerators fitted.</summary>
    public IReadOnlyList<Aerator> Aerators { get; set; } = [];

    /// <summary>Secchi depth, m.</summary>
    public double SecchiM => 1 / (0.9 + (0.026 * Bloom));

    /// <summary>pH: the bloom takes carbon dioxide by day.</summary>
    public double Ph => 7.4 + Math.Clamp(0.14 * (DoMgL - Saturation(TempC)), -0.5, 1.7);

    /// <summary>A second pond with the same truth, to be run on by itself.</summary>
    internal SimulatedPond Copy() => (SimulatedPond)MemberwiseClone();

    /// <summary>A meal was given now.</summary>
    public void Feed() => sinceMealH = 0;

    /// <summary>Lets an hour pass, in ten-minute steps. Returns the lowest oxygen of the hour, mg/L.</summary>
    internal double Hour(DateTimeOffset from, SimulatedWeather weather, Chance chance, Action? afterStep = null)
    {
        var low = DoMgL;
        for (var i = 0; i < 6; i++)
        {
            var at = from.AddMinutes(10 * i);
            Step(weather.At(at, zone), TimeOnly.FromDateTime(zone.LocalAt(at)), 1 / 6.0);
            low = Math.Min(low, DoMgL);
            afterStep?.Invoke();
        }
        Bloom *= Math.Exp(0.004 * chance.Normal());
        sinceMealH++;
        return low;
    }

    /// <summary>Begins with water as it was read.</summary>
    internal void Begin(double tempC, double doMgL)
    {
        (TempC, DoMgL) = (tempC, doMgL);
        Bloom = 0.8 * hidden.BloomCeiling;
    }

    /// <summary>Lets a span pass in five-minute steps.</summary>
    internal void Pass(DateTimeOffset from, SimulatedWeather weather, double hours)
    {
        const double step = 1 / 12.0;
        for (var done = 0.0; done < hours - 1e-9; done += step)
            Step(weather.At(from.AddHours(done), zone), TimeOnly.FromDateTime(zone.LocalAt(from.AddHours(done))), step);
        sinceMealH += hours;
    }

    private void Step(Hour w, TimeOnly hour, double h)
    {
        var depth = Math.Max(0.2, Pond.Shape.VolumeM3(LevelM) / Pond.Shape.AreaM2(LevelM));
        var volume = Math.Max(1, Pond.Shape.VolumeM3(LevelM));
        // Sun warms, evaporation cools; shallow water follows the air in about a day.
        TempC += (w.AirC + 1.2 + (7.5 * w.Sun) - TempC) / (26 * depth) * h;
        var ceiling = hidden.BloomCeiling * Richness;
        Bloom += 0.011 * Math.Exp(0.05 * (TempC - 22)) * Bloom * (1 - (Bloom / ceiling)) * h;
        var lit = Math.Pow(Math.Min(1, 2.4 * SecchiM / depth), 0.7);
        var made = hidden.PlanktonUse * 6.2 * Bloom * lit * Math.Tanh(w.Sun / 0.42) * Math.Exp(0.035 * (TempC - 20));
        var used =
            (Mood * hidden.PlanktonUse * Bloom * Math.Exp(0.06 * (TempC - 20)))
            + (hidden.MudUse * Math.Exp(0.06 * (TempC - 20)) / depth)
            + ((Fish?.OxygenGH(TempC, sinceMealH, hidden.FishAppetite) ?? 0) / volume);
        var saturation = Saturation(TempC);
        var surface = (0.35 + (0.16 * Math.Pow(w.WindMs, 1.4))) / 24 / depth * (saturation - DoMgL);
        // Well above saturation the oxygen leaves in bubbles.
        surface *= DoMgL > 1.35 * saturation ? 4 : 1;
        var air =
            Aerators.Where(a => a.RunsAt(hour)).Sum(a => a.ShaftKW)
            * hidden.AeratorKgKWh
            * 1000
            / volume
            * (1 - (DoMgL / (0.97 * saturation)));
        DoMgL = Math.Clamp(
            DoMgL + ((made - used + surface + air + (hidden.FlowPerH * (saturation - DoMgL))) * h),
            0.05,
            24
        );
    }

    private static double Saturation(double tempC) =>
        14.652 - (0.41022 * tempC) + (0.007991 * tempC * tempC) - (0.000077774 * tempC * tempC * tempC);
}
