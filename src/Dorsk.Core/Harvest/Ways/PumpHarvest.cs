namespace Dorsk.Core.Harvest;

/// <summary>A harvest by a pump from a basin at the outlet.</summary>
/// <param name="Kg">Fish, kg; above 0.</param>
/// <param name="KgPerM3">Fish in the water that the pump lifts, kg/m³; above 0.</param>
/// <param name="FlowM3H">Flow of the pump, m³/h; above 0.</param>
/// <param name="LiftM">From the basin to the table, m; above 0.</param>
/// <param name="BasinM3">Water of the basin, m³; above 0.</param>
/// <param name="SupplyKW">Power at the bank, kW; above 0.</param>
/// <param name="DropM">From the outlet of the pipe to the table, m.</param>
public sealed record PumpHarvest(
    double Kg,
    double KgPerM3,
    double FlowM3H,
    double LiftM,
    double BasinM3,
    double SupplyKW,
    double DropM
)
{
    /// <summary>Where the rules come from.</summary>
    public const string Source =
        "Power = ρ g Q H / efficiency, a third more to start; speed from a fall √(2 g h), at most 3 m/s on the table; efficiency 0.4 of fish pumps, table tilt 5 to 10 degrees (starting values)";

    private const double G = 9.81,
        Efficiency = 0.4,
        StartFactor = 1.33,
        MostSpeedMS = 3;

    /// <summary>Water lifted, m³.</summary>
    public double WaterM3 => Kg / KgPerM3;

    /// <summary>Hours of pumping.</summary>
    public double Hours => WaterM3 / FlowM3H;

    /// <summary>Times the basin is filled again, whole.</summary>
    public int Refills => (int)Math.Max(0, Math.Ceiling((WaterM3 / BasinM3) - 1 - 1e-9));

    /// <summary>Power that it needs, with what a start takes, kW.</summary>
    public double NeedsKW => StartFactor * G * FlowM3H / 3600 * LiftM / Efficiency;

    /// <summary>Highest table that the power at the bank lifts to, m above the basin.</summary>
    public double HighestTableM => SupplyKW * Efficiency * 3600 / (StartFactor * G * FlowM3H);

    /// <summary>Speed of the fish where they fall on the table, m/s.</summary>
    public double SpeedMS => Math.Sqrt(2 * G * DropM);

    /// <summary>Highest fall that does not bruise them, m.</summary>
    public static double MostDropM => MostSpeedMS * MostSpeedMS / (2 * G);
}

/// <summary>One way of taking fish out, with what it takes.</summary>
/// <param name="Name">Pump, seine or hands.</param>
/// <param name="KgAnHour">Fish in an hour, kg; above 0.</param>
/// <param name="People">People.</param>
/// <param name="Hire">Hire and power for the day, in the currency.</param>
/// <param name="DamagedPct">Fish with wounds or lost scales, %.</param>
public sealed record HarvestWay(string Name, double KgAnHour, int People, double Hire, double DamagedPct)
{
    /// <summary>Hours, and money for wages, hire and damaged fish.</summary>
    /// <param name="kg">Fish, kg; above 0.</param>
    /// <param name="wageHour">Wage of an hour, in the currency.</param>
    /// <param name="priceKg">What a kg brings, in the currency.</param>
    /// <param name="lostPct">What damage takes from the price, %.</param>
    public (double Hours, double Wages, double Damage, double All) For(
        double kg,
        double wageHour,
        double priceKg,
        double lostPct
    )
    {
        var hours = kg / KgAnHour;
        var wages = hours * People * wageHour;
        var damage = kg * DamagedPct / 100 * priceKg * lostPct / 100;
        return (hours, wages, damage, wages + Hire + damage);
    }
}
