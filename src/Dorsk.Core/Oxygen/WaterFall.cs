namespace Dorsk.Core.Oxygen;

/// <summary>What water gains of oxygen where it falls.</summary>
public static class WaterFall
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Deficit ratio at weirs, r = 1 + 0.38 a b h (1 − 0.11 h)(1 + 0.046 T) (Water Pollution Research Laboratory 1973)";

    /// <summary>Greatest height for which the formula holds, m.</summary>
    public const double MostHeightM = 4;

    /// <summary>What a small paddle gives in pond water at night, kg O₂/kWh (starting value): to compare a fall with.</summary>
    public const double PaddleKgKWh = 0.7;

    /// <summary>Deficit above by deficit below.</summary>
    /// <param name="heightM">Height of the fall, m, 0 to 4.</param>
    /// <param name="tempC">Temperature of the water, °C.</param>
    /// <param name="clean">1.8 clean water, 1.6 little fouled, 1.0 fouled as ponds are.</param>
    /// <param name="shape">1.0 a free fall, 1.3 over steps or stones.</param>
    public static double Ratio(double heightM, double tempC, double clean, double shape) =>
        1 + (0.38 * clean * shape * heightM * (1 - (0.11 * heightM)) * (1 + (0.046 * tempC)));

    /// <summary>Oxygen under the fall, mg/L.</summary>
    /// <param name="aboveMgL">Oxygen above it, mg/L.</param>
    /// <param name="saturationMgL">Saturation of this water, mg/L.</param>
    /// <param name="ratio">Deficit ratio, 1 or more.</param>
    public static double BelowMgL(double aboveMgL, double saturationMgL, double ratio) =>
        saturationMgL - ((saturationMgL - aboveMgL) / ratio);
}
