using Dorsk.Core.Judging;

namespace Dorsk.Core.Growth;

/// <summary>What stands of a batch on a day.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="Count">Fish, with its 90 % interval.</param>
/// <param name="MeanG">Mean weight, g, with its 90 % interval.</param>
/// <param name="BiomassKg">Biomass, kg, with its 90 % interval.</param>
/// <param name="FullGainG">Gain of one fish on that day at full ration, g.</param>
/// <param name="RateFactor">This pond's growth rate against the species' at a usual ration, learned from samples.</param>
/// <param name="State">The filter behind it, to go on from.</param>
public sealed record Standing(
    DateOnly Day,
    Interval Count,
    Interval MeanG,
    Interval BiomassKg,
    double FullGainG,
    double RateFactor,
    WeightState State
)
{
    /// <summary>Share of the full ration of late, 0 to 1.</summary>
    public double Share { get; init; } = 1;

    /// <summary>Fed of late against what they are used to eat, 0 to 1; against the full ration while that is not known.</summary>
    public double OfUsual { get; init; } = 1;

    /// <summary>Factor of the morning's oxygen on that day's gain, 0 to 1.</summary>
    public double Oxygen { get; init; } = 1;

    /// <summary>What held them back so far, to go on from.</summary>
    public HeldBack Held { get; init; } = HeldBack.None;
}
