using Dorsk.Core.Time;

namespace Dorsk.Core.Ponds;

/// <summary>Water that leaves a shallow pond into the air, where nobody reads a pan.</summary>
public static class Evaporation
{
    /// <summary>Share by which the estimate may be out; wind and damp air are not in it. A judged figure.</summary>
    public const double OutByShare = 0.25;

    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Hargreaves & Samani 1985 (FAO-56 eq. 52) × 1.05 for shallow open water (FAO-56 table 12)";

    private const double MmPerMJM2 = 0.408,
        OpenWater = 1.05;

    /// <summary>How far a seepage may be out for an estimated evaporation, mm/day.</summary>
    /// <param name="evaporationM">Evaporation of the whole span, m.</param>
    /// <param name="days">Days of the span.</param>
    public static double SlackMmDay(double evaporationM, double days) => 1000 * OutByShare * evaporationM / days;

    /// <summary>Estimate, m of water a day.</summary>
    /// <param name="latitudeDeg">Latitude, degrees.</param>
    /// <param name="day">A day in the middle of the span.</param>
    /// <param name="warmC">Mean of the days' highest air temperatures, °C.</param>
    /// <param name="coolC">Mean of the nights' lowest, °C; not above the highest.</param>
    public static double MDay(double latitudeDeg, DateOnly day, double warmC, double coolC) =>
        OpenWater
        * Math.Max(
            0,
            0.0023
                * (((warmC + coolC) / 2) + 17.8)
                * Math.Sqrt(warmC - coolC)
                * MmPerMJM2
                * Radiation.AboveAirMJM2(latitudeDeg, day)
        )
        / 1000;
}
