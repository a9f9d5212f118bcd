namespace Dorsk.Core.Harvest;

/// <summary>Ice to bring fish down to a temperature and to hold them there.</summary>
/// <param name="HeatKJ">Heat to take out, kJ.</param>
/// <param name="LatentOnlyKg">Ice when the melt water stays at 0 °C, kg.</param>
/// <param name="WithMeltKg">Ice when the melt water warms to the end temperature, kg.</param>
/// <param name="ChillKg">Ice with what is lost on the way, kg.</param>
public readonly record struct IceNeed(double HeatKJ, double LatentOnlyKg, double WithMeltKg, double ChillKg)
{
    /// <summary>Where the equation comes from.</summary>
    public const string Source =
        "Heat of fish 3.35, of water 4.186 kJ/kg/°C, of melting ice 334 kJ/kg: FAO Fisheries Technical Paper 436; leak of a crate: starting value";

    /// <summary>The other school: a kilogram of ice for a kilogram of fish.</summary>
    public const double OneToOne = 1;

    private const double FishKJ = 3.35,
        WaterKJ = 4.186,
        MeltKJ = 334,
        SecondsH = 3600;

    /// <summary>Heat that leaks into an insulated crate of 25 kg, W/°C. Starting value.</summary>
    public const double InsulatedWC = 0.6;

    /// <summary>Heat that leaks into a bare plastic crate of 25 kg, W/°C. Starting value.</summary>
    public const double BareWC = 3;

    /// <summary>Ice to chill.</summary>
    /// <param name="fishKg">Fish, kg; 0 or more.</param>
    /// <param name="startC">Their temperature, °C.</param>
    /// <param name="endC">Wanted temperature, °C; 0 or more.</param>
    /// <param name="waterKg">Water that is chilled along, kg.</param>
    /// <param name="lossPct">Ice lost on the way, %.</param>
    public static IceNeed Chill(double fishKg, double startC, double endC, double waterKg = 0, double lossPct = 0)
    {
        var heat = Math.Max(0, ((FishKJ * fishKg) + (WaterKJ * waterKg)) * (startC - endC));
        var melt = heat / (MeltKJ + (WaterKJ * endC));
        return new(heat, heat / MeltKJ, melt, melt * (1 + (lossPct / 100)));
    }

    /// <summary>Ice that melts while crates stand, kg.</summary>
    /// <param name="crates">Crates; 0 or more.</param>
    /// <param name="hours">Hours; 0 or more.</param>
    /// <param name="airC">Air around them, °C.</param>
    /// <param name="leakWC">Heat that leaks into one, W/°C.</param>
    public static double HoldKg(int crates, double hours, double airC, double leakWC) =>
        crates * hours * SecondsH * leakWC * Math.Max(0, airC) / 1000 / MeltKJ;
}
