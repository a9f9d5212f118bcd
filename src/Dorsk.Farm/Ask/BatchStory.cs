using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;

namespace Dorsk.Farm.Ask;

/// <summary>One batch in one pond, as far as the books know.</summary>
/// <param name="Id">Number of the batch.</param>
/// <param name="Species">Its species.</param>
/// <param name="Origin">Where it came from.</param>
/// <param name="ArrivedAt">When it came into this pond.</param>
/// <param name="ArrivedCount">Fish that came.</param>
/// <param name="ArrivedMeanG">Their mean weight, g.</param>
/// <param name="OneByOne">Whether they were counted one by one.</param>
/// <param name="TargetG">Wanted weight at harvest, g.</param>
/// <param name="Changes">Deaths, moves, harvests.</param>
/// <param name="Samples">Samples with their instants.</param>
/// <param name="Harvests">Harvests.</param>
/// <param name="Losses">Losses.</param>
/// <param name="Stands">Fish on the books now.</param>
/// <param name="ClosedAt">When the books were closed, or null.</param>
/// <param name="NotReadyReason">Why it was stocked in a pond not declared ready.</param>
public sealed record BatchStory(
    long Id, FishSpecies Species, string Origin, DateTimeOffset ArrivedAt, int ArrivedCount, double ArrivedMeanG, bool OneByOne, double TargetG,
    IReadOnlyList<CountChange> Changes, IReadOnlyList<(long Line, DateTimeOffset At, bool Single, SampleMean Mean)> Samples,
    IReadOnlyList<(long Line, DateTimeOffset At, FishHarvested Fact)> Harvests, IReadOnlyList<(long Line, DateTimeOffset At, FishLost Fact)> Losses,
    int Stands, DateTimeOffset? ClosedAt, string NotReadyReason)
{
    /// <summary>Length, m, and weight, g, of the single fish that were measured and weighed.</summary>
    public IReadOnlyList<(double LengthM, double MassG)> Lengths { get; init; } = [];

    /// <summary>Marks counted on the fish of a sample, by its line.</summary>
    public ILookup<long, MarkCount> Marks { get; init; } = Array.Empty<MarkCount>().ToLookup(_ => 0L);
}
