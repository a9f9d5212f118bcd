using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>One batch as it stands now.</summary>
/// <param name="Batch">The batch.</param>
/// <param name="Stands">Estimate of today.</param>
/// <param name="Why">Grounds of the estimate.</param>
/// <param name="Ration">Ration of today.</param>
/// <param name="Target">When it reaches its wanted weight.</param>
public sealed record BatchNow(BatchStory Batch, Standing Stands, Grounds Why, RationPlan Ration, TargetDate Target)
{
    /// <summary>Its growth forecast from today on.</summary>
    public IReadOnlyList<WeightAhead> Ahead { get; init; } = [];
}

/// <summary>A pond as it stands now: one row of Ponds, the summary of the pond book.</summary>
/// <param name="Story">All that is known.</param>
/// <param name="Batches">What stands.</param>
/// <param name="Oxygen">Last oxygen reading, or null.</param>
/// <param name="Temperature">Last temperature reading, or null.</param>
/// <param name="Tonight">Tonight's oxygen.</param>
/// <param name="Verdict">How the pond stands, with all that was found.</param>
/// <param name="NextThing">The next thing to do, in words.</param>
/// <param name="NextAt">By when, or null.</param>
public sealed record PondNow(
    PondStory Story,
    IReadOnlyList<BatchNow> Batches,
    Timed? Oxygen,
    Timed? Temperature,
    Tonight Tonight,
    PondVerdict Verdict,
    string NextThing,
    DateTimeOffset? NextAt
)
{
    /// <summary>The gravest finding.</summary>
    public Judgement Judgement => Verdict.Judgement;

    /// <summary>Whether the gravest is that nobody read it in time.</summary>
    public bool Unread => Verdict.Findings is [{ Rule: PondVerdict.NotRead }, ..];

    /// <summary>Biomass of all batches, kg.</summary>
    public double BiomassKg => Batches.Sum(b => b.Stands.BiomassKg.Value);

    /// <summary>What the pond carries of its fish, kg; null when empty.</summary>
    public double? CarriesKg => Batches.Count == 0 ? null : Story.CapacityKg(Batches[0].Batch.Species);

    /// <summary>Ration of all batches after brakes, kg.</summary>
    public double RationKg => Batches.Sum(b => b.Ration.PlannedKg);

    /// <summary>Ration of all batches before brakes, kg.</summary>
    public double FullRationKg => Batches.Sum(b => b.Ration.FullKg);
}
