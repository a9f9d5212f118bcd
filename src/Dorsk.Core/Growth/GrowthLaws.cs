namespace Dorsk.Core.Growth;

/// <summary>
/// Growth between two weights. dW/dt = G·W^(2/3)·f(T), so that W^(1/3) runs straight in warm days; thermal growth coefficient
/// (Iwama &amp; Tautz 1981) and specific growth rate for those who use them. None of them has a ceiling: do not run them past market size.
/// </summary>
public static class GrowthLaws
{
    /// <summary>Weight after a sum of warm days, g: W^(1/3) = W0^(1/3) + G/3·Σf.</summary>
    /// <param name="startG">Weight at the start, g.</param>
    /// <param name="g13PerDay">G, g^(1/3) per day.</param>
    /// <param name="sumF">Sum of the daily temperature response.</param>
    public static double After(double startG, double g13PerDay, double sumF) =>
        Math.Pow(Math.Cbrt(startG) + (g13PerDay / 3 * sumF), 3);

    /// <summary>Thermal growth coefficient, g^(1/3) per 1000 degree-days.</summary>
    /// <param name="w1G">Weight at first, g; above 0.</param>
    /// <param name="w2G">Weight at last, g; above 0.</param>
    /// <param name="degreeDays">Mean temperature by days, °C·d; above 0.</param>
    public static double Tgc(double w1G, double w2G, double degreeDays) =>
        1000 * (Math.Cbrt(w2G) - Math.Cbrt(w1G)) / degreeDays;

    /// <summary>Weight from a thermal growth coefficient, g.</summary>
    /// <param name="w1G">Weight at first, g; above 0.</param>
    /// <param name="tgc">The coefficient, g^(1/3) per 1000 degree-days.</param>
    /// <param name="degreeDays">Mean temperature by days, °C·d; above 0.</param>
    public static double AfterTgc(double w1G, double tgc, double degreeDays) =>
        Math.Pow(Math.Cbrt(w1G) + (tgc * degreeDays / 1000), 3);

    /// <summary>Specific growth rate, percent per day: 100·ln(W2/W1)/days.</summary>
    /// <param name="w1G">Weight at first, g; above 0.</param>
    /// <param name="w2G">Weight at last, g; above 0.</param>
    /// <param name="days">Days; above 0.</param>
    public static double SgrPctDay(double w1G, double w2G, double days) => 100 * Math.Log(w2G / w1G) / days;

    /// <summary>Weight from a specific growth rate, g.</summary>
    /// <param name="w1G">Weight at first, g; above 0.</param>
    /// <param name="sgrPctDay">The rate, percent per day.</param>
    /// <param name="days">Days; above 0.</param>
    public static double AfterSgr(double w1G, double sgrPctDay, double days) => w1G * Math.Exp(sgrPctDay * days / 100);

    /// <summary>Economic feed conversion: feed by gain of living biomass. Null when nothing was gained.</summary>
    /// <param name="feedKg">Feed given, kg; 0 or more.</param>
    /// <param name="startKg">Biomass at first, kg.</param>
    /// <param name="endKg">Living biomass at last with what was taken out, kg.</param>
    public static double? EconomicFcr(double feedKg, double startKg, double endKg) =>
        endKg > startKg ? feedKg / (endKg - startKg) : null;

    /// <summary>Biological feed conversion: the weight of the dead counts as gained too. Null when nothing was gained.</summary>
    /// <param name="feedKg">Feed given, kg; 0 or more.</param>
    /// <param name="startKg">Biomass at first, kg.</param>
    /// <param name="endKg">Living biomass at last with what was taken out, kg.</param>
    /// <param name="deadKg">Biomass of the dead, kg.</param>
    public static double? BiologicalFcr(double feedKg, double startKg, double endKg, double deadKg) =>
        EconomicFcr(feedKg, startKg, endKg + deadKg);
}
