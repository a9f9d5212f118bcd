namespace Dorsk.Core.Oxygen;

/// <summary>Shaft power for a pond by two rules; the stricter holds.</summary>
/// <param name="ByAreaKW">By its surface, kW.</param>
/// <param name="ByVolumeKW">By its water, for mixing by day, kW.</param>
public readonly record struct PowerRules(double ByAreaKW, double ByVolumeKW)
{
    /// <summary>Starting values: power by area for a pond fed daily with nightly air (table of feed by aeration, 3 to 5 kW/ha), and power that keeps water turning over by day (judged).</summary>
    public const double UsualKWHa = 4,
        UsualMixingWM3 = 0.3;

    /// <summary>Shaft power by bought power of a small motor, starting value.</summary>
    public const double UsualMotorEfficiency = 0.85;

    /// <summary>Bought energy of thirty nights, kWh.</summary>
    /// <param name="hoursANight">Hours a night, h.</param>
    public double MonthKWh(double hoursANight) => WantedKW / UsualMotorEfficiency * hoursANight * 30;

    /// <summary>What is wanted, kW.</summary>
    public double WantedKW => Math.Max(ByAreaKW, ByVolumeKW);

    /// <summary>Whether the surface decides, and not the water.</summary>
    public bool AreaDecides => ByAreaKW >= ByVolumeKW;

    /// <summary>Both rules for a pond.</summary>
    /// <param name="areaHa">Surface, ha.</param>
    /// <param name="volumeM3">Water, m³.</param>
    /// <param name="kWHa">Power by area, kW/ha.</param>
    /// <param name="mixingWM3">Power by water, W/m³.</param>
    public static PowerRules For(double areaHa, double volumeM3, double kWHa, double mixingWM3) =>
        new(areaHa * kWHa, volumeM3 * mixingWM3 / 1000);
}

/// <summary>What another pulley does to a machine: speed by the pulleys, flow with the speed, load with its power.</summary>
/// <param name="Rpm">New speed of the machine, turns a minute.</param>
/// <param name="FlowShare">New air, water or paddle speed by the old.</param>
/// <param name="PowerShare">New load of the motor by the old.</param>
public readonly record struct Pulley(double Rpm, double FlowShare, double PowerShare)
{
    /// <summary>Load goes with this power of speed: paddles and fans that throw water or air (affinity laws).</summary>
    public const double Throwing = 3;

    /// <summary>The same for machines that push a fixed volume against a fixed depth, such as lobe blowers and piston pumps.</summary>
    public const double Displacing = 1;

    /// <summary>Works it out; belts that do not slip.</summary>
    /// <param name="motorRpm">Speed of the motor.</param>
    /// <param name="motorMm">Pulley on the motor, mm.</param>
    /// <param name="machineMm">Pulley on the machine now, mm.</param>
    /// <param name="newMotorMm">Pulley on the motor then, mm.</param>
    /// <param name="newMachineMm">Pulley on the machine then, mm.</param>
    /// <param name="power">Power of speed with which the load goes.</param>
    public static Pulley Of(
        double motorRpm,
        double motorMm,
        double machineMm,
        double newMotorMm,
        double newMachineMm,
        double power
    )
    {
        var share = newMotorMm / newMachineMm / (motorMm / machineMm);
        return new(motorRpm * newMotorMm / newMachineMm, share, Math.Pow(share, power));
    }
}

/// <summary>Oxygen in bottles: what they hold and how long they carry fish.</summary>
public static class OxygenBottles
{
    /// <summary>Mass of a litre of oxygen at 1 bar and 20 °C, g (ideal gas: 100 kPa × 32 g/mol ÷ (8.314 J/mol/K × 293 K)).</summary>
    public const double GramsPerLitreBar = 100.0 * 31.999 / (8.314462 * 293.15);

    /// <summary>Pressure that stays in a bottle, bar: an empty one draws in what is around it.</summary>
    public const double UsualLeftBar = 5;

    /// <summary>Oxygen in bottles down to the pressure that is left in them, kg.</summary>
    /// <param name="bottles">How many.</param>
    /// <param name="litres">Water volume of each, L.</param>
    /// <param name="bar">Pressure on the gauge, bar.</param>
    /// <param name="leftBar">Pressure that stays in them, bar.</param>
    public static double Kg(int bottles, double litres, double bar, double leftBar) =>
        bottles * litres * Math.Max(0, bar - leftBar) * GramsPerLitreBar / 1000;

    /// <summary>Hours they carry fish.</summary>
    /// <param name="kg">Oxygen, kg.</param>
    /// <param name="fishKgH">What the fish take, kg/h; above 0.</param>
    /// <param name="dissolvedShare">Share of the gas that goes into the water, 0 to 1.</param>
    public static double Hours(double kg, double fishKgH, double dissolvedShare) => kg * dissolvedShare / fishKgH;
}
