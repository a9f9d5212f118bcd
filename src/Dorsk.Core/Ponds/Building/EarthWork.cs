namespace Dorsk.Core.Ponds;

/// <summary>Soil of a bank.</summary>
public enum BankSoil
{
    /// <summary>Clay or heavy loam.</summary>
    Clay,

    /// <summary>Sandy loam or sand.</summary>
    Sandy,
}

/// <summary>A pond dug for a wanted volume: its sides, the earth, the land.</summary>
/// <param name="LengthM">Length of the full water, m.</param>
/// <param name="WidthM">Width of the full water, m.</param>
/// <param name="DugM3">Earth to move down to the floor from the level ground, m³.</param>
/// <param name="LandM2">Ground between the crests, m².</param>
public sealed record EarthWork(double LengthM, double WidthM, double DugM3, double LandM2)
{
    /// <summary>Where slopes come from.</summary>
    public const string Source =
        "Bank slopes of the trade: 1 to 1.5 across for 1 down dug by hand in clay, 2 in clay and 3 in sand built by machine; by hand in sand 2, judged";

    private const double LengthToWidth = 1.5;

    /// <summary>Ground that tanks of a volume take with the ways between them, m²: 1.2 m of water, and six tenths as much again for walking; judged.</summary>
    /// <param name="volumeM3">Volume, m³; 0 or more.</param>
    public static double LandOfTanksM2(double volumeM3) => volumeM3 / 1.2 * 1.6;

    /// <summary>Bank slope by soil and school, across for 1 down.</summary>
    public static double Slope(BankSoil soil, bool byMachine) =>
        (soil, byMachine) switch
        {
            (BankSoil.Clay, false) => 1.5,
            (BankSoil.Clay, true) => 2,
            (BankSoil.Sandy, false) => 2,
            _ => 3,
        };

    /// <summary>A pond half as long again as it is wide; null when banks of that slope meet before they hold so little at that depth.</summary>
    /// <param name="volumeM3">Wanted water when full, m³.</param>
    /// <param name="depthM">Depth when full, m.</param>
    /// <param name="freeboardM">Bank over the full water, m.</param>
    /// <param name="slope">Bank slope, across for 1 down; 0 for walls.</param>
    public static EarthWork? For(double volumeM3, double depthM, double freeboardM, double slope)
    {
        double least = 2 * slope * depthM * 1.02,
            low = Math.Max(least, 0.1),
            high = Math.Max(1, low);
        double Volume(double width) => new SlopedRectangle(LengthToWidth * width, width, depthM, slope).FullVolumeM3;
        if (Volume(low) > volumeM3)
            return null;
        while (Volume(high) < volumeM3)
            high *= 2;
        for (var i = 0; i < 80; i++)
            (low, high) = Volume((low + high) / 2) < volumeM3 ? ((low + high) / 2, high) : (low, (low + high) / 2);
        double length = LengthToWidth * high,
            over = 2 * slope * freeboardM;
        var dug = new SlopedRectangle(length + over, high + over, depthM + freeboardM, slope);
        return new(length, high, dug.FullVolumeM3, (length + over) * (high + over));
    }
}

/// <summary>One way to build, with the farm's own figures; money in its currency.</summary>
/// <param name="Build">Everything that is bought or paid to build it, without the liner.</param>
/// <param name="LifeCycles">Cycles it lasts.</param>
/// <param name="Liner">Price of a liner, or 0.</param>
/// <param name="LinerCycles">Cycles a liner lasts; 1 or more.</param>
/// <param name="Exit">What it costs to undo it in the end; below nought when parts are sold.</param>
/// <param name="RunningCycle">Water, pumping, labour and land of a cycle.</param>
/// <param name="CapacityKg">Fish it carries in a cycle, kg.</param>
/// <param name="VolumeM3">Water when full, m³.</param>
public sealed record BuildChoice(
    double Build,
    double LifeCycles,
    double Liner,
    double LinerCycles,
    double Exit,
    double RunningCycle,
    double CapacityKg,
    double VolumeM3
)
{
    /// <summary>What a cycle takes in water, work and land.</summary>
    /// <param name="water">Water a cycle, m³, and its price.</param>
    /// <param name="work">Hours of work a cycle, and the price of one.</param>
    /// <param name="land">Land, m², and what a hectare costs a year.</param>
    /// <param name="cyclesYear">Cycles a year.</param>
    public static double Running(
        (double M3, double Price) water,
        (double Hours, double Price) work,
        (double M2, double HectareYear) land,
        double cyclesYear
    ) => (water.M3 * water.Price) + (work.Hours * work.Price) + (land.M2 / 10_000 * land.HectareYear / cyclesYear);

    /// <summary>Liners bought over its life: a new one each time the old is worn.</summary>
    public int Liners => Liner > 0 ? (int)Math.Ceiling(Math.Round(LifeCycles / LinerCycles, 9)) : 0;

    /// <summary>Cost over its whole life.</summary>
    public double Whole => Build + (Liners * Liner) + Exit + (LifeCycles * RunningCycle);

    /// <summary>Cost of a cycle.</summary>
    public double PerCycle => Whole / LifeCycles;

    /// <summary>Cost of a kilogram of capacity and cycle.</summary>
    public double PerKg => PerCycle / CapacityKg;

    /// <summary>Money before the first fish, by cubic metre.</summary>
    public double FirstPerM3 => (Build + Liner) / VolumeM3;

    /// <summary>Cycles until it has paid itself back, or null when it never does within its life: every worn liner is paid on the way.</summary>
    /// <param name="marginKg">What a kilogram leaves after feed, fish and sale.</param>
    public int? PaysBackAfter(double marginKg)
    {
        var left = -(Build + Liner);
        for (var cycle = 1; cycle <= LifeCycles; cycle++)
        {
            left += (marginKg * CapacityKg) - RunningCycle;
            if (left >= 0)
                return cycle;
            if (Liner > 0 && cycle % Math.Max(1, (int)LinerCycles) == 0)
                left -= Liner;
        }
        return null;
    }
}
