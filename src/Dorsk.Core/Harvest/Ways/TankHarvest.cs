using Dorsk.Core.Species;

namespace Dorsk.Core.Harvest;

/// <summary>Ways to take fish out of a tank.</summary>
public enum TankWay
{
    /// <summary>Open the drain into a basin or net below.</summary>
    Drain,

    /// <summary>Lift a net that lies on the floor.</summary>
    LiftNet,

    /// <summary>Crowd them to one end with a screen.</summary>
    Crowd,
}

/// <summary>A tank before its fish are taken out.</summary>
/// <param name="WaterM3">Water, m³; above 0.</param>
/// <param name="Kg">Fish in it, kg; above 0.</param>
/// <param name="TakenKg">Fish that are taken, kg; above 0, at most all.</param>
/// <param name="BasinBelow">Whether the drain leads to a basin or net below it.</param>
/// <param name="NetOnFloor">Whether a net lies on the floor.</param>
public sealed record TankHarvest(double WaterM3, double Kg, double TakenKg, bool BasinBelow, bool NetOnFloor)
{
    /// <summary>Where the rules come from.</summary>
    public const string Source =
        "Drain for all fish where a basin stands below; a lifted net for part of a small tank; else a crowding screen. At most 150 kg/m³ crowded (starting value)";

    /// <summary>Fish are crowded so thick at most, kg/m³. Starting value.</summary>
    public const double MostKgM3 = 150;

    private const double AllShare = 0.9,
        LiftMostKg = 200;

    /// <summary>The way that fits.</summary>
    public TankWay Way =>
        TakenKg >= AllShare * Kg && BasinBelow ? TankWay.Drain
        : NetOnFloor && Kg <= LiftMostKg ? TankWay.LiftNet
        : TankWay.Crowd;

    /// <summary>Water that stays around them when they are crowded, m³.</summary>
    public double CrowdedM3 => Math.Min(WaterM3, Kg / MostKgM3);

    /// <summary>The crowd, to ask for its minutes of air.</summary>
    public CrowdedNet Crowd(FishSpecies species, double meanG, double tempC, double? doMgL, double actMgL) =>
        new(species, meanG, Kg, CrowdedM3, tempC, doMgL, actMgL, 0, 0);
}
