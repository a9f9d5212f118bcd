namespace Dorsk.Core.Water;

/// <summary>
/// Dissolved oxygen at saturation: Benson &amp; Krause 1980, 1984 (Limnology and Oceanography 25 and 29), as in Standard
/// Methods 4500-O; station pressure by the ICAO standard atmosphere. Good to 0.0015 mg/L for 0–40 °C, 0–40 ppt, 0.5–1.1 atm.
/// </summary>
public static class OxygenSaturation
{
    private const double FarOver = 1.3,
        HalfFull = 0.5;

    /// <summary>What a reading's share of saturation says, in words.</summary>
    /// <param name="share">Reading by saturation; 1 is full.</param>
    public static string Words(double share) =>
        share > FarOver ? "Far over saturation: a heavy bloom, and a hard night to come."
        : share < HalfFull ? "Less than half full."
        : "In the usual range.";

    /// <summary>Standard atmosphere, kPa.</summary>
    public const double StandardKPa = 101.325;

    /// <summary>Where the method comes from.</summary>
    public const string Source = "Benson & Krause 1984, Limnology and Oceanography 29";

    /// <summary>Oxygen at saturation, mg/L.</summary>
    /// <param name="tempC">Water temperature, 0–40 °C.</param>
    /// <param name="salinityPpt">Salinity, 0–40 ppt.</param>
    /// <param name="pressureKPa">Pressure at the pond itself, kPa, never reduced to sea level.</param>
    public static double MgL(double tempC, double salinityPpt = 0, double pressureKPa = StandardKPa)
    {
        var k = tempC + 273.15;
        var fresh = Math.Exp(
            -139.34411
                + (1.575701e5 / k)
                - (6.642308e7 / (k * k))
                + (1.243800e10 / (k * k * k))
                - (8.621949e11 / (k * k * k * k))
        );
        var salt = Math.Exp(-salinityPpt * (0.017674 - (10.754 / k) + (2140.7 / (k * k))));
        var p = pressureKPa / StandardKPa;
        var vapour = Math.Exp(11.8571 - (3840.70 / k) - (216961 / (k * k)));
        var theta = 0.000975 - (1.426e-5 * tempC) + (6.436e-8 * tempC * tempC);
        return fresh * salt * (p - vapour) * (1 - (theta * p)) / ((1 - vapour) * (1 - theta));
    }

    /// <summary>Mean pressure at a height above the sea, kPa: 101.325 (1 − 2.25577e-5 h)^5.2559. Weather moves it by 3 kPa.</summary>
    /// <param name="altitudeM">−400 to 11,000 m.</param>
    public static double PressureKPa(double altitudeM) => StandardKPa * Math.Pow(1 - (2.25577e-5 * altitudeM), 5.2559);

    /// <summary>Saturation of fresh water on a farm, mg/L; null where its temperature is outside 0 to 40 °C or not known.</summary>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="altitudeM">Elevation, m.</param>
    public static double? FreshMgL(double? tempC, double altitudeM) =>
        tempC is { } t and >= 0 and <= 40 ? MgL(t, 0, PressureKPa(altitudeM)) : null;
}
