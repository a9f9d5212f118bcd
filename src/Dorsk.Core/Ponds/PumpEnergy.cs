namespace Dorsk.Core.Ponds;

/// <summary>What it takes to lift water.</summary>
public static class PumpEnergy
{
    /// <summary>An airlift moves water well up to about this lift over the surface, m (starting value).</summary>
    public const double AirliftMostM = 0.3;

    /// <summary>Share of its bought power that an airlift puts into the water at small lifts (starting value).</summary>
    public const double AirliftShare = 0.3;

    private const double GravityMS2 = 9.81,
        DensityKgM3 = 1000;

    /// <summary>Bought power, kW: ρ g Q H by all efficiencies.</summary>
    /// <param name="flowM3H">Flow, m³/h.</param>
    /// <param name="headM">Lift and losses together, m.</param>
    /// <param name="efficiency">Water power by bought power, above 0 to 1.</param>
    public static double KW(double flowM3H, double headM, double efficiency) =>
        DensityKgM3 * GravityMS2 * (flowM3H / 3600) * headM / 1000 / efficiency;
}
