using Dorsk.Core.Species;

namespace Dorsk.Core.Verdict;

/// <summary>Days and nights that were hard on fish, by the limits of those that stand.</summary>
public static class HardDays
{
    /// <summary>Whether a day's mean temperature lay outside their band.</summary>
    /// <param name="tempC">Mean of the day, °C.</param>
    /// <param name="limits">Limits of the fish.</param>
    public static bool IsOut(double tempC, WaterLimits limits) => tempC < limits.TempLowC || tempC > limits.TempHighC;

    /// <summary>The highest oxygen of the last three days over what fish bear without gas bubbles, % of saturation; null where none was.</summary>
    public static double? GassyPct(PondState state) => Rules.Saturation.GassyPct(state);

    /// <summary>Whether the lowest oxygen of a morning was under the act level.</summary>
    /// <param name="dawnMgL">Lowest oxygen read, mg/L.</param>
    /// <param name="limits">Limits of the fish.</param>
    public static bool IsLow(double dawnMgL, WaterLimits limits) => dawnMgL < limits.DoActMgL;
}
