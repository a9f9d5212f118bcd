using Dorsk.Core.Time;
using Dorsk.Practice;

namespace Dorsk.Standins;

/// <summary>A simulated weather mast: sun, cloud, wind, air and pressure every fifteen simulated minutes, over the same HTTP as a real one.</summary>
public sealed class WeatherMast
{
    private readonly LiveWeather sky;

    /// <param name="clock">The farm's clock and place.</param>
    /// <param name="zone">Its zone.</param>
    public WeatherMast(ClockTold clock, FarmZone zone) =>
        sky = new(new Place(clock.LatitudeDeg, clock.LongitudeDeg), zone, clock.Now);

    /// <summary>Whether the week is cloudy.</summary>
    public bool Cloudy { get; set; }

    /// <summary>What it last measured, in words.</summary>
    public string Last { get; private set; } = "nothing sent yet";

    /// <summary>What it measures at an instant.</summary>
    public IEnumerable<(DateTimeOffset At, string What, double Value)> Measure(DateTimeOffset at)
    {
        var w = sky.At(at, Cloudy);
        Last = FormattableString.Invariant(
            $"air {w.AirC:0.0} °C, wind {w.WindMs:0.0} m/s, sun {w.SunWm2:0} W/m², cloud {w.CloudEighths:0} of 8, {w.PressureKPa:0.0} kPa, rain {1000 * w.RainM:0} mm"
        );
        return
        [
            (at, "air", w.AirC),
            (at, "wind", w.WindMs),
            (at, "sun", w.SunWm2),
            (at, "cloud", w.CloudEighths),
            (at, "pressure", w.PressureKPa),
            (at, "rain", w.RainM),
        ];
    }
}
