using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;

namespace Dorsk.Farm.Fish;

/// <summary>A sample of a batch with its line.</summary>
/// <param name="Line">Log line.</param>
/// <param name="At">When.</param>
/// <param name="Single">Whether fish were weighed one by one.</param>
/// <param name="Mean">Its statistics.</param>
public readonly record struct BatchSample(long Line, DateTimeOffset At, bool Single, SampleMean Mean);

/// <summary>One batch in one pond, as far as the books know.</summary>
public sealed record BatchStory
{
    /// <summary>Number of the batch.</summary>
    public required long Id { get; init; }

    /// <summary>Its species as this farm and pond know it.</summary>
    public required FishSpecies Species { get; init; }

    /// <summary>Where it came from.</summary>
    public required string Origin { get; init; }

    /// <summary>The delivery it came with, or null.</summary>
    public FishReceived? Delivery { get; init; }

    /// <summary>How its number changed in this pond, read from the ledger.</summary>
    public required CountHistory History { get; init; }

    /// <summary>Wanted weight at harvest, g.</summary>
    public required double TargetG { get; init; }

    /// <summary>Samples in order of time.</summary>
    public required IReadOnlyList<BatchSample> Samples { get; init; }

    /// <summary>Harvests in order of time.</summary>
    public required IReadOnlyList<(long Line, DateTimeOffset At, FishHarvested Fact)> Harvests { get; init; }

    /// <summary>Losses in order of time.</summary>
    public required IReadOnlyList<(long Line, DateTimeOffset At, FishLost Fact)> Losses { get; init; }

    /// <summary>Losses of guessed size, in order of time.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, LossGuessed Fact)> Guesses { get; init; } = [];

    /// <summary>Fish on the books now.</summary>
    public required int Stands { get; init; }

    /// <summary>When the last of them left this pond on the books; null while some stand.</summary>
    public required DateTimeOffset? EmptiedAt { get; init; }

    /// <summary>Why it was stocked in a pond not declared ready.</summary>
    public required string NotReadyReason { get; init; }

    /// <summary>Length, m, and weight, g, of the single fish that were measured and weighed.</summary>
    public IReadOnlyList<(double LengthM, double MassG)> Lengths { get; init; } = [];

    /// <summary>Marks counted on the fish of a sample, by its line.</summary>
    public ILookup<long, MarkCount> Marks { get; init; } = Array.Empty<MarkCount>().ToLookup(_ => 0L);

    /// <summary>When it came into this pond.</summary>
    public DateTimeOffset ArrivedAt => History.ArrivedAt;

    /// <summary>Fish that came.</summary>
    public int ArrivedCount => History.Count;

    /// <summary>Their mean weight, g.</summary>
    public double ArrivedMeanG => History.MeanG;

    /// <summary>Whether they were counted one by one.</summary>
    public bool OneByOne => History.OneByOne;

    /// <summary>What came, went or was counted after, in order.</summary>
    public IReadOnlyList<CountChange> Changes => History.Changes;
}
