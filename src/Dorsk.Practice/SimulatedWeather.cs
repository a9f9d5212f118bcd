using Dorsk.Core.Time;

namespace Dorsk.Practice;

/// <summary>Weather of one hour.</summary>
/// <param name="AirC">Air, °C.</param>
/// <param name="Sun">Light at the ground against a clear noon at the equator, 0 to 1.</param>
/// <param name="WindMs">Wind, m/s.</param>
/// <param name="Cloud">Share of the sky covered, 0 to 1.</param>
public readonly record struct Hour(double AirC, double Sun, double WindMs, double Cloud);

/// <summary>How far one day's weather may part from the day before: SD of the new day's share.</summary>
/// <param name="Spell">Warm and cold spells, °C.</param>
/// <param name="Cloud">Share of the sky.</param>
/// <param name="Wind">Mean wind, m/s.</param>
/// <param name="NightBreeze">Wind of a night against the day's usual fall, in logs; 0 when nights are all alike.</param>
/// <param name="Shade">Light that a full cover takes, as a share.</param>
internal sealed record WeatherSwing(double Spell, double Cloud, double Wind, double NightBreeze, double Shade)
{
    public static readonly WeatherSwing Mild = new(1.1, 0.17, 0.5, 0, 0.68);
}

/// <summary>A made-up valley's weather: a yearly course, cloud that lasts for days, cold and warm spells, scripted spells on top.</summary>
internal sealed class SimulatedWeather(Place place, Chance chance, WeatherSwing? swing = null)
{
    private const double YearMeanC = 19.7,
        YearSwingC = 5.9,
        WarmestDay = 20;
    private readonly WeatherSwing swing = swing ?? WeatherSwing.Mild;
    private double spellC;
    private double cloud = 0.3;
    private double windMean = 2;
    private double breeze = 1;

    /// <summary>Scripted spells: first day, last day, warmth added (°C), cloud added.</summary>
    public List<(DateOnly From, DateOnly To, double AddC, double AddCloud)> Spells { get; } = [];

    public double RainM { get; private set; }

    /// <summary>A new day: spells and cloud hang on from the day before.</summary>
    public void NextDay(DateOnly day)
    {
        spellC = (0.8 * spellC) + (swing.Spell * chance.Normal());
        cloud = Math.Clamp((0.7 * cloud) + (0.3 * 0.4) + (swing.Cloud * chance.Normal()), 0, 1);
        windMean = Math.Clamp((0.5 * windMean) + 1 + (swing.Wind * chance.Normal()), 0.4, 6);
        RainM = cloud > 0.72 && chance.Uniform() < 0.5 ? 0.002 + (0.02 * chance.Uniform() * chance.Uniform()) : 0;
    }

    /// <summary>Nightfall: how this night's breeze turns out.</summary>
    public void Nightfall() => breeze = swing.NightBreeze == 0 ? 1 : Math.Exp(swing.NightBreeze * chance.Normal());

    /// <summary>The same sky going on with nothing but its mean: what somebody expects who knows its laws but not its dice.</summary>
    public SimulatedWeather Expected()
    {
        var copy = new SimulatedWeather(place, Chance.Still, swing)
        {
            spellC = spellC,
            cloud = cloud,
            windMean = windMean,
        };
        copy.Spells.AddRange(Spells);
        return copy;
    }

    public Hour At(DateTimeOffset instant, FarmZone zone)
    {
        var local = zone.LocalAt(instant);
        var day = DateOnly.FromDateTime(local);
        var (addC, addCloud) = Spells
            .Where(s => day >= s.From && day <= s.To)
            .Aggregate((0.0, 0.0), (a, s) => (a.Item1 + s.AddC, a.Item2 + s.AddCloud));
        var sky = Math.Clamp(cloud + addCloud, 0, 1);
        var season = YearMeanC + (YearSwingC * Math.Cos(2 * Math.PI * (local.DayOfYear - WarmestDay) / 365.25));
        var daily = 5.5 * (1 - (0.6 * sky)) * Math.Cos(2 * Math.PI * (local.TimeOfDay.TotalHours - 15) / 24);
        var sun = Math.Max(0, SunTimes.SineElevation(place, instant)) * (1 - (swing.Shade * sky * sky));
        var hours = local.TimeOfDay.TotalHours;
        var wind = Math.Max(
            0,
            windMean
                * (hours is < 7 or > 19 ? breeze : 1)
                * (0.55 + (0.9 * Math.Max(0, Math.Sin(Math.PI * (hours - 8) / 12))))
        );
        return new(season + spellC + addC + daily, sun, wind, sky);
    }
}
