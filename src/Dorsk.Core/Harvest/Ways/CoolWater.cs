namespace Dorsk.Core.Harvest;

/// <summary>Cool well water added where fish are crowded in warm months.</summary>
public static class CoolWater
{
    /// <summary>Where the equation comes from.</summary>
    public const string Source =
        "Mixed water with a flow through: ln((T − well) / (wanted − well)) volumes; heat from sun and fish left out";

    /// <summary>Well water that brings a mixed water down to a temperature while as much flows out, m³; 0 where it is cool enough; null where the well is not cool enough.</summary>
    /// <param name="waterM3">The water, m³; above 0.</param>
    /// <param name="fromC">Its temperature, °C.</param>
    /// <param name="toC">Wanted, °C.</param>
    /// <param name="wellC">Well water, °C.</param>
    public static double? M3(double waterM3, double fromC, double toC, double wellC)
    {
        if (fromC <= toC)
            return 0;
        return wellC >= toC ? null : waterM3 * Math.Log((fromC - wellC) / (toC - wellC));
    }
}
