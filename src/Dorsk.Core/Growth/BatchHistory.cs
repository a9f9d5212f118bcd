using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>What changed the number of a batch on a day, apart from growth.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="Count">Fish; positive came in, negative went out.</param>
/// <param name="Dead">True for recorded deaths: more die than are found.</param>
/// <param name="MeanG">Mean weight of those that went, g, when they were weighed; else null.</param>
public sealed record CountChange(DateOnly Day, int Count, bool Dead, double? MeanG)
{
    /// <summary>How all were counted on that day, <see cref="Count"/> being what was counted; null for fish that came or went.</summary>
    public bool? CountedOneByOne { get; init; }

    /// <summary>Of the dead of this event the share that was found, more than 0 to 1; null where the usual share of such water counts.</summary>
    public double? FoundShare { get; init; }

    /// <summary>Least and most share of the fish lost by a guess, <see cref="Count"/> being 0; null for what was counted.</summary>
    public (double Low, double High)? Guessed { get; init; }
}

/// <summary>A sample of a batch.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="Mean">Its statistics.</param>
public sealed record WeightSample(DateOnly Day, SampleMean Mean);

/// <summary>Everything the standing estimate needs of one batch in one pond.</summary>
/// <param name="Species">Its species.</param>
/// <param name="StockedOn">Farm day of stocking.</param>
/// <param name="StockedCount">Fish put in.</param>
/// <param name="StockedMeanG">Mean weight at stocking, g.</param>
/// <param name="CountedOneByOne">Whether they were counted, not weighed.</param>
/// <param name="InTank">Whether most of the dead are found.</param>
/// <param name="Changes">Deaths, moves and harvests, in order.</param>
/// <param name="Samples">Samples, in order.</param>
/// <param name="TemperatureC">Daily water temperature, °C.</param>
/// <param name="FedKg">Feed given to this batch on a day, kg.</param>
/// <param name="DawnLowMgL">Lowest oxygen read in the night before a day, mg/L, or null.</param>
public sealed record BatchHistory(
    FishSpecies Species,
    DateOnly StockedOn,
    int StockedCount,
    double StockedMeanG,
    bool CountedOneByOne,
    bool InTank,
    IReadOnlyList<CountChange> Changes,
    IReadOnlyList<WeightSample> Samples,
    Func<DateOnly, double> TemperatureC,
    Func<DateOnly, double> FedKg,
    Func<DateOnly, double?> DawnLowMgL
);
