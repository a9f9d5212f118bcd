using Dorsk.Core.Ponds;

namespace Dorsk.Core.Plans;

/// <summary>What fish are planned in.</summary>
public enum RearingSystem
{
    /// <summary>Pond with a floor of earth.</summary>
    Earthen,

    /// <summary>Pond with a liner.</summary>
    Lined,

    /// <summary>Tank.</summary>
    Tank,

    /// <summary>Raceway: water runs through it.</summary>
    Raceway,

    /// <summary>Cage or hapa in open water.</summary>
    Cage,

    /// <summary>Tanks whose water is cleaned and used again.</summary>
    Recirculating,
}

/// <summary>What a system is planned by.</summary>
public static class RearingSystems
{
    /// <summary>Whether fish are counted by volume; ponds go by area, as light and air enter through it.</summary>
    public static bool ByVolume(this RearingSystem system) =>
        system is not (RearingSystem.Earthen or RearingSystem.Lined);

    /// <summary>In words.</summary>
    public static string Word(this RearingSystem system) =>
        system switch
        {
            RearingSystem.Earthen => "earthen pond",
            RearingSystem.Lined => "lined pond",
            RearingSystem.Cage => "cage",
            RearingSystem.Recirculating => "recirculating unit",
            _ => system.ToString().ToLowerInvariant(),
        };

    /// <summary>The system of a body of water of the farm.</summary>
    public static RearingSystem Of(PondKind kind) =>
        kind switch
        {
            PondKind.Earthen or PondKind.Split => RearingSystem.Earthen,
            PondKind.Lined => RearingSystem.Lined,
            PondKind.Raceway => RearingSystem.Raceway,
            PondKind.Cage or PondKind.Hapa => RearingSystem.Cage,
            _ => RearingSystem.Tank,
        };
}
