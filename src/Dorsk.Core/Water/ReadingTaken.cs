using Dorsk.Core.Judging;

namespace Dorsk.Core.Water;

/// <summary>One measured value.</summary>
/// <param name="Parameter">What was read.</param>
/// <param name="Si">SI value.</param>
/// <param name="DepthM">Depth at which it was read, m; null when not said.</param>
/// <param name="Instrument">Meter, strip or eye; empty when not said.</param>
public sealed record Value(Parameter Parameter, double Si, double? DepthM = null, string Instrument = "")
{
    /// <summary>Ends of the step a strip showed, SI; null for a figure. The value is their middle.</summary>
    public (double Low, double High)? Step { get; init; }
}

/// <summary>Values read at one place and hour. The place is a pond, or the farm for weather.</summary>
/// <param name="PondId">The pond; null for weather.</param>
/// <param name="Values">One or more values, each parameter once.</param>
public sealed record ReadingTaken(long? PondId, IReadOnlyList<Value> Values) : Fact;

/// <summary>A value with the instant it was read.</summary>
/// <param name="At">When.</param>
/// <param name="Si">SI value.</param>
public readonly record struct Timed(DateTimeOffset At, double Si)
{
    /// <summary>How deep it was read, m; null where nobody said, which is near the surface.</summary>
    public double? DepthM { get; init; }

    /// <summary>What it was read with; empty where nobody said. Only values of one instrument tell how fast water changes.</summary>
    public string By { get; init; } = "";
}
