namespace Dorsk.Core.Water;

/// <summary>What helps water that is not well.</summary>
public enum Remedy
{
    /// <summary>Air from aerators.</summary>
    Air,

    /// <summary>New water.</summary>
    ChangeWater,

    /// <summary>Carbon for bacteria that take ammonia up.</summary>
    Carbon,

    /// <summary>Salt (chloride) treatment.</summary>
    Salt,

    /// <summary>Something that raises alkalinity.</summary>
    Alkalinity,
}
