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
}
