using Dorsk.Core.Ponds;

namespace Dorsk.Core.Oxygen;

/// <summary>
/// Oxygen through the surface and from aerators. Wind: Banks &amp; Herrera 1977 (J. Environ. Eng. Div. ASCE 103). Aerators:
/// OTR = SOTR (β·Cs − C)/9.09 × 1.024^(T−20) × α (Boyd 1998, Aquacultural Engineering 18).
/// </summary>
public static class Exchange
{
    /// <summary>Transfer through the surface at 20 °C, m/day: 0.728 U^0.5 − 0.317 U + 0.0372 U².</summary>
    /// <param name="wind10mMs">Wind at 10 m height, m/s.</param>
    public static double Kl20MDay(double wind10mMs) =>
        (0.728 * Math.Sqrt(wind10mMs)) - (0.317 * wind10mMs) + (0.0372 * wind10mMs * wind10mMs);

    /// <summary>Rate at which the water nears saturation, per hour.</summary>
    /// <param name="wind10mMs">Wind at 10 m, m/s.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="depthM">Mean depth, m.</param>
    public static double RatePerH(double wind10mMs, double tempC, double depthM) =>
        Kl20MDay(wind10mMs) * Math.Pow(1.024, tempC - 20) / (24 * depthM);

    /// <summary>Oxygen an aerator gives, kg/h; negative above saturation, when it drives oxygen out.</summary>
    /// <param name="sotrKgH">Transfer at standard conditions, kg/h; 0 or more.</param>
    /// <param name="doMgL">Oxygen in the water, mg/L; 0 or more.</param>
    /// <param name="saturationMgL">Oxygen at saturation, mg/L; above 0.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="alpha">Transfer in this water by that in clean water, 0 to 1.</param>
    /// <param name="beta">Saturation of this water by that of clean water, 0 to 1.</param>
    public static double OtrKgH(
        double sotrKgH,
        double doMgL,
        double saturationMgL,
        double tempC,
        double alpha,
        double beta
    ) => sotrKgH * ((beta * saturationMgL) - doMgL) / 9.09 * Math.Pow(1.024, tempC - 20) * alpha;

    /// <summary>Oxygen a fitted aerator gives, kg/h.</summary>
    /// <param name="aerator">The aerator.</param>
    /// <param name="doMgL">Oxygen in the water, mg/L; 0 or more.</param>
    /// <param name="saturationMgL">Oxygen at saturation, mg/L; above 0.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    public static double OtrKgH(Aerator aerator, double doMgL, double saturationMgL, double tempC) =>
        OtrKgH(aerator.SotrKgH, doMgL, saturationMgL, tempC, aerator.Kind.Alpha, aerator.Kind.Beta);
}
