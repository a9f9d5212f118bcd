namespace Dorsk.Core.Time;

/// <summary>Where on earth: degrees north and east positive.</summary>
/// <param name="LatitudeDeg">−90 to 90.</param>
/// <param name="LongitudeDeg">−180 to 180.</param>
public readonly record struct Place(double LatitudeDeg, double LongitudeDeg);

/// <summary>The sun's events of the solar day whose noon falls on a date. Null where there is no such event (polar day or night).</summary>
public sealed record SunDay(
    DateTimeOffset? CivilDawn,
    DateTimeOffset? Sunrise,
    DateTimeOffset SolarNoon,
    DateTimeOffset? Sunset,
    DateTimeOffset? CivilDusk
);

/// <summary>
/// Sun times by the NOAA solar calculator equations (after Meeus, Astronomical Algorithms, 1998), declination and equation of
/// time taken at the event itself. Sea-level horizon, rise and set at zenith 90.833°, civil twilight at 96°. Good to a minute.
/// </summary>
public static class SunTimes
{
    private const double RiseZenithDeg = 90.833;
    private const double CivilZenithDeg = 96;

    /// <summary>The sun's events on a local date.</summary>
    /// <param name="place">Latitude and longitude, degrees.</param>
    /// <param name="localDate">The date on which solar noon falls.</param>
    /// <param name="utcOffsetH">Hours ahead of UTC, to find which solar noon belongs to the date.</param>
    public static SunDay On(Place place, DateOnly localDate, double utcOffsetH)
    {
        var noonGuess = new DateTimeOffset(localDate.ToDateTime(new TimeOnly(12, 0)), TimeSpan.Zero).AddHours(
            -utcOffsetH
        );
        var noon = SolarNoonNear(place, noonGuess);
        return new(
            Event(place, noon, CivilZenithDeg, rising: true),
            Event(place, noon, RiseZenithDeg, rising: true),
            noon,
            Event(place, noon, RiseZenithDeg, rising: false),
            Event(place, noon, CivilZenithDeg, rising: false)
        );
    }

    /// <summary>Sine of the sun's elevation above the horizon, −1 to 1, without refraction.</summary>
    public static double SineElevation(Place place, DateTimeOffset instant)
    {
        var (declinationRad, equationMin) = Sun(instant);
        var minutes = instant.UtcDateTime.TimeOfDay.TotalMinutes + equationMin + (4 * place.LongitudeDeg);
        var hourAngle = Rad((minutes / 4) - 180);
        var lat = Rad(place.LatitudeDeg);
        return (Math.Sin(lat) * Math.Sin(declinationRad))
            + (Math.Cos(lat) * Math.Cos(declinationRad) * Math.Cos(hourAngle));
    }

    private static DateTimeOffset SolarNoonNear(Place place, DateTimeOffset guess)
    {
        var noon = guess;
        for (var i = 0; i < 4; i++)
        {
            var minutes = noon.UtcDateTime.TimeOfDay.TotalMinutes + Sun(noon).EquationMin + (4 * place.LongitudeDeg);
            var off = (((minutes - 720) % 1440) + 1440) % 1440;
            noon = noon.AddMinutes(-(off > 720 ? off - 1440 : off));
        }
        return noon;
    }

    private static DateTimeOffset? Event(Place place, DateTimeOffset noon, double zenithDeg, bool rising)
    {
        var at = noon;
        for (var i = 0; i < 6; i++)
        {
            var (declination, _) = Sun(at);
            var lat = Rad(place.LatitudeDeg);
            var cos =
                (Math.Cos(Rad(zenithDeg)) - (Math.Sin(lat) * Math.Sin(declination)))
                / (Math.Cos(lat) * Math.Cos(declination));
            if (cos is < -1 or > 1)
                return null;
            var hourAngleMin = Math.Acos(cos) * 180 / Math.PI * 4;
            // The equation of time drifts between noon and the event; noon itself was taken with its own.
            var drift = Sun(at).EquationMin - Sun(noon).EquationMin;
            at = noon.AddMinutes((rising ? -hourAngleMin : hourAngleMin) - drift);
        }
        return at;
    }

    private static (double DeclinationRad, double EquationMin) Sun(DateTimeOffset instant)
    {
        var julianDay = (instant.ToUnixTimeMilliseconds() / 86_400_000.0) + 2_440_587.5;
        var t = (julianDay - 2_451_545) / 36_525;
        var meanLongitude = Rad((280.46646 + (t * (36_000.76983 + (0.0003032 * t)))) % 360);
        var anomaly = Rad(357.52911 + (t * (35_999.05029 - (0.0001537 * t))));
        var eccentricity = 0.016708634 - (t * (0.000042037 + (0.0000001267 * t)));
        var centre =
            (Math.Sin(anomaly) * (1.914602 - (t * (0.004817 + (0.000014 * t)))))
            + (Math.Sin(2 * anomaly) * (0.019993 - (0.000101 * t)))
            + (Math.Sin(3 * anomaly) * 0.000289);
        var node = Rad(125.04 - (1934.136 * t));
        var apparent = meanLongitude + Rad(centre - 0.00569 - (0.00478 * Math.Sin(node)));
        var meanObliquity = 23 + ((26 + ((21.448 - (t * (46.815 + (t * (0.00059 - (t * 0.001813)))))) / 60)) / 60);
        var obliquity = Rad(meanObliquity + (0.00256 * Math.Cos(node)));
        var y = Math.Pow(Math.Tan(obliquity / 2), 2);
        var equation =
            (y * Math.Sin(2 * meanLongitude))
            - (2 * eccentricity * Math.Sin(anomaly))
            + (4 * eccentricity * y * Math.Sin(anomaly) * Math.Cos(2 * meanLongitude))
            - (0.5 * y * y * Math.Sin(4 * meanLongitude))
            - (1.25 * eccentricity * eccentricity * Math.Sin(2 * anomaly));
        return (Math.Asin(Math.Sin(obliquity) * Math.Sin(apparent)), 4 * equation * 180 / Math.PI);
    }

    private static double Rad(double degrees) => degrees * Math.PI / 180;
}
