namespace Dorsk.Core.Ponds;

/// <summary>Kind of water body.</summary>
public enum PondKind
{
    /// <summary>Earthen pond: planned by area.</summary>
    Earthen,

    /// <summary>Lined pond: planned by area.</summary>
    Lined,

    /// <summary>Tank: planned by volume.</summary>
    Tank,

    /// <summary>Raceway, water running through: planned by volume.</summary>
    Raceway,

    /// <summary>Cage hung in open water: planned by volume.</summary>
    Cage,

    /// <summary>Hapa, a fine net box in a pond: planned by volume.</summary>
    Hapa,

    /// <summary>Split pond: fish in a part of it, the rest treats the water; planned by its whole area.</summary>
    Split,
}
