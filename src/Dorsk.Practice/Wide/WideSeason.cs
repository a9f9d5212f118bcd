using Dorsk.Core.Time;

namespace Dorsk.Practice;

/// <summary>Season and weather of one wide pond: where it lies, how far a day parts from the one before, how nights turn calm.</summary>
internal sealed class WideSeason
{
    private readonly Chance chance;
    private readonly double peakDay,
        meanC,
        swingC,
        cloudSd,
        windUsual,
        windSd;
    private double cloud = 0.3,
        spellC,
        wind,
        nightShare = 0.4;

    public WideSeason(Chance chance)
    {
        this.chance = chance;
        double Between(double low, double high) => low + ((high - low) * chance.Uniform());
        var south = chance.Uniform() < 0.5;
        var latitude = Between(2, 56);
        peakDay = south ? 20 : 205;
        meanC = 28 - (latitude * 0.28);
        swingC = latitude * Between(0.12, 0.22);
        cloudSd = Between(0.03, 0.4);
        windUsual = Between(0.8, 4);
        windSd = Between(0.1, 0.6);
        wind = windUsual;
        Place = DemoFarm.Farm.Place with { LatitudeDeg = south ? -latitude : latitude };
    }

    /// <summary>Where it truly lies.</summary>
    public Place Place { get; }

    /// <summary>Usual air of a day, °C.</summary>
    public double UsualC(DateOnly day) => meanC + (swingC * Math.Cos(2 * Math.PI * (day.DayOfYear - peakDay) / 365.25));

    /// <summary>A new day; after wind the night is often calm.</summary>
    public void NextDay()
    {
        cloud = Math.Clamp((0.6 * cloud) + 0.14 + (cloudSd * chance.Normal()), 0, 1);
        spellC = (0.8 * spellC) + (0.9 * chance.Normal());
        var before = wind;
        wind = windUsual * Math.Exp((0.4 * Math.Log(wind / windUsual)) + (windSd * chance.Normal()));
        nightShare = before > 1.3 * windUsual && chance.Uniform() < 0.5 ? 0.1 : 0.2 + (0.6 * chance.Uniform());
    }

    /// <summary>Weather at an instant.</summary>
    public WideSky At(DateTimeOffset at, DateOnly day, double hour)
    {
        var height = Math.Max(0, SunTimes.SineElevation(Place, at));
        var sun = height * (1 - (0.75 * cloud));
        var airC = UsualC(day) + spellC + (4 * (1 - (0.5 * cloud)) * Math.Cos(2 * Math.PI * (hour - 15) / 24));
        return new(sun, airC, wind * (height > 0 ? 1 : nightShare));
    }

    /// <summary>The sun of a clear sky at an instant.</summary>
    public double Clear(DateTimeOffset at) => Math.Max(0, SunTimes.SineElevation(Place, at));
}
