using Dorsk.Core.Judging;

namespace Dorsk.Core.Stock;

/// <summary>A fact that moves fish.</summary>
public abstract record FishFact : Fact
{
    /// <summary>The pond it happened at.</summary>
    public abstract long PondId { get; init; }
}

/// <summary>Fingerlings put into a pond: founds a batch.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="SpeciesKey">Species.</param>
/// <param name="Origin">Who delivered them, or the hatchery batch.</param>
/// <param name="Count">Fish, 1 to 10 million.</param>
/// <param name="MeanG">Mean weight, g.</param>
/// <param name="Basis">How they were counted.</param>
/// <param name="NotReadyReason">Why they were stocked although the pond was not declared ready; empty when it was.</param>
/// <param name="TargetG">Wanted weight at harvest, g; null when not said.</param>
public sealed record FishStocked(
    long PondId,
    string SpeciesKey,
    string Origin,
    int Count,
    double MeanG,
    CountBasis Basis,
    string NotReadyReason,
    double? TargetG
) : FishFact
{
    /// <summary>Number of the delivery they came with, or null.</summary>
    public long? DeliveryId { get; init; }

    /// <summary>Number of the farm's own lot of fry they come from, or null.</summary>
    public long? HatchLotId { get; init; }

    /// <summary>Whether they stood in the pond before the farm kept its records here: taken over as they are.</summary>
    public bool TakenOver { get; init; }

    /// <inheritdoc/>
    public override long PondId { get; init; } = PondId;
}

/// <summary>Fish lost from a pond.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="Count">Fish.</param>
/// <param name="To">Dead, eaten or escaped.</param>
/// <param name="Cause">What was seen, in words; may be empty.</param>
public sealed record FishLost(long PondId, long BatchId, int Count, Account To, string Cause) : FishFact
{
    /// <summary>Of all that died, the share that was found and counted, more than 0 to 1; null when nobody said, as for the few found on a day.</summary>
    public double? FoundShare { get; init; }

    /// <summary>Which sizes died; empty where nobody said.</summary>
    public string Sizes { get; init; } = "";

    /// <summary>Where in the pond; empty where nobody said.</summary>
    public string Place { get; init; } = "";

    /// <summary>How they look, in words; may be empty.</summary>
    public string Look { get; init; } = "";

    /// <summary>What they weigh together, kg; null where nobody weighed them.</summary>
    public double? MassKg { get; init; }

    /// <summary>Where the dead went; empty where nobody said.</summary>
    public string Disposal { get; init; } = "";

    /// <summary>Name of the photo in the data folder, its hash; empty for none.</summary>
    public string Photo { get; init; } = "";

    /// <inheritdoc/>
    public override long PondId { get; init; } = PondId;
}

/// <summary>All fish of a batch in a pond counted: what is more or fewer than on the books comes from unexplained, or goes there.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="Count">Fish counted.</param>
/// <param name="Basis">How they were counted.</param>
/// <param name="Reason">The likely cause of the difference, in words.</param>
public sealed record FishRecounted(long PondId, long BatchId, int Count, CountBasis Basis, string Reason) : FishFact
{
    /// <inheritdoc/>
    public override long PondId { get; init; } = PondId;
}

/// <summary>Fish weighed to learn the mean weight; they go back.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="Single">True when each weighing is one fish.</param>
/// <param name="Weighings">Count and mass (g) of each cast, or 1 and the weight of each fish.</param>
public sealed record FishSampled(
    long PondId,
    long BatchId,
    bool Single,
    IReadOnlyList<(int Count, double MassG)> Weighings
) : Fact
{
    /// <summary>Total length of each single fish, m, or null where it was not measured; empty when none was.</summary>
    public IReadOnlyList<double?> LengthsM { get; init; } = [];

    /// <summary>Radius of the cast net they came from, m, or null.</summary>
    public double? NetRadiusM { get; init; }

    /// <summary>Mesh of that net, knot to knot, mm, or null.</summary>
    public double? MeshMm { get; init; }

    /// <summary>Health marks counted on the way.</summary>
    public IReadOnlyList<MarkCount> Marks { get; init; } = [];
}

/// <summary>Fish taken out of a pond for good.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="Count">Fish.</param>
/// <param name="MassKg">Their mass, kg.</param>
/// <param name="Basis">How the count is known.</param>
/// <param name="To">Harvested, sold alive or moved off the farm.</param>
/// <param name="Final">True when the pond was emptied of this batch: what the books still hold goes to unexplained.</param>
/// <param name="DifferenceReason">The likely cause of the difference at the close or of a surplus, in words.</param>
public sealed record FishHarvested(
    long PondId,
    long BatchId,
    int Count,
    double MassKg,
    CountBasis Basis,
    Account To,
    bool Final,
    string DifferenceReason
) : FishFact
{
    /// <inheritdoc/>
    public override long PondId { get; init; } = PondId;
}

/// <summary>Fish moved from one pond of the farm to another; the batch stays itself.</summary>
/// <param name="PondId">The pond they leave.</param>
/// <param name="ToPondId">The pond they enter.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="Count">Fish.</param>
/// <param name="MeanG">Mean weight, g.</param>
/// <param name="Basis">How the count is known.</param>
public sealed record FishMoved(long PondId, long ToPondId, long BatchId, int Count, double MeanG, CountBasis Basis)
    : FishFact
{
    /// <inheritdoc/>
    public override long PondId { get; init; } = PondId;
}
