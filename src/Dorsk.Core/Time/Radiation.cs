namespace Dorsk.Core.Time;

/// <summary>Sunlight on a day by latitude alone (FAO Irrigation and Drainage Paper 56, Allen et al. 1998, eq. 21 to 25, 34, 37).</summary>
public static class Radiation
{
    private const double SolarMJM2Min = 0.0820;

    /// <summary>Radiation above the air, MJ/m²/day.</summary>
    /// <param name="latitudeDeg">Latitude, degrees, south below nought.</param>
    /// <param name="day">The day.</param>
    public static double AboveAirMJM2(double latitudeDeg, DateOnly day)
    {
        var (latitude, declination, sunset) = Angles(latitudeDeg, day);
        var distance = 1 + (0.033 * Math.Cos(2 * Math.PI * day.DayOfYear / 365));
        return 24
            * 60
            / Math.PI
            * SolarMJM2Min
            * distance
            * (
                (sunset * Math.Sin(latitude) * Math.Sin(declination))
                + (Math.Cos(latitude) * Math.Cos(declination) * Math.Sin(sunset))
            );
    }

    /// <summary>Hours from sunrise to sunset by geometry alone.</summary>
    /// <param name="latitudeDeg">Latitude, degrees.</param>
    /// <param name="day">The day.</param>
    public static double DaylightHours(double latitudeDeg, DateOnly day) =>
        24 / Math.PI * Angles(latitudeDeg, day).Sunset;

    /// <summary>Radiation on the ground under a clear sky, MJ/m²/day.</summary>
    /// <param name="latitudeDeg">Latitude, degrees.</param>
    /// <param name="day">The day.</param>
    /// <param name="altitudeM">Elevation, m.</param>
    public static double ClearSkyMJM2(double latitudeDeg, DateOnly day, double altitudeM) =>
        (0.75 + (2e-5 * altitudeM)) * AboveAirMJM2(latitudeDeg, day);

    // Radians; the sunset's hour angle is held between no day and a whole one.
    private static (double Latitude, double Declination, double Sunset) Angles(double latitudeDeg, DateOnly day)
    {
        var latitude = latitudeDeg * Math.PI / 180;
        var declination = 0.409 * Math.Sin((2 * Math.PI * day.DayOfYear / 365) - 1.39);
        return (latitude, declination, Math.Acos(Math.Clamp(-Math.Tan(latitude) * Math.Tan(declination), -1, 1)));
    }
}
