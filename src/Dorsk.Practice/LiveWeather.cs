using Dorsk.Core.Time;

namespace Dorsk.Practice;

/// <summary>What a weather mast shows.</summary>
/// <param name="AirC">Air, °C.</param>
/// <param name="WindMs">Wind, m/s.</param>
/// <param name="SunWm2">Sunlight on level ground, W/m².</param>
/// <param name="CloudEighths">Cloud, eighths.</param>
/// <param name="PressureKPa">Air pressure at the mast, kPa.</param>
/// <param name="RainM">Rain since nine in the morning, m.</param>
public readonly record struct MastReading(
    double AirC,
    double WindMs,
    double SunWm2,
    double CloudEighths,
    double PressureKPa,
    double RainM
);

/// <summary>A sky that lives on from an instant, for the stand-in weather mast.</summary>
public sealed class LiveWeather
{
    private const double ClearNoonWm2 = 1000,
        CloudAdded = 0.8,
        HighKPa = 101.6,
        CloudTakesKPa = 1.4;
    private readonly SimulatedWeather weather;
    private readonly FarmZone zone;
    private DateOnly day;

    /// <param name="place">Where.</param>
    /// <param name="zone">The farm's clock.</param>
    /// <param name="at">From when.</param>
    public LiveWeather(Place place, FarmZone zone, DateTimeOffset at)
    {
        this.zone = zone;
        weather = new(place, new Chance(4711), WeatherSwing.Mild);
        day = zone.DayOf(at);
        weather.NextDay(day);
    }

    /// <summary>The mast at an instant; instants are asked for in order.</summary>
    /// <param name="at">When.</param>
    /// <param name="cloudy">Whether thick cloud lies over the valley.</param>
    public MastReading At(DateTimeOffset at, bool cloudy)
    {
        if (zone.DayOf(at) is var today && today != day)
        {
            day = today;
            weather.NextDay(today);
            weather.Nightfall();
        }
        weather.Spells.Clear();
        if (cloudy)
            weather.Spells.Add((today.AddDays(-1), today.AddDays(1), -1, CloudAdded));
        var w = weather.At(at, zone);
        return new(
            w.AirC,
            w.WindMs,
            ClearNoonWm2 * w.Sun,
            Math.Round(8 * w.Cloud),
            HighKPa - (CloudTakesKPa * w.Cloud),
            weather.RainM
        );
    }
}
