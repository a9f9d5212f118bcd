namespace Dorsk.Core.Ponds;

/// <summary>What drives a machine.</summary>
public enum PowerSource
{
    /// <summary>The mains: gone when the power is.</summary>
    Mains,

    /// <summary>A diesel or petrol engine of its own.</summary>
    Engine,

    /// <summary>A tractor's shaft.</summary>
    Tractor,

    /// <summary>Sun and battery.</summary>
    Solar,
}
