using Dorsk.Core.Judging;

namespace Dorsk.Core.Plans;

/// <summary>A day on which fish are to leave a pond; the latest line of a plan counts, and a batch has one plan for its last day in a pond.</summary>
/// <param name="PlanId">Number given by the books; 0 for a new one.</param>
/// <param name="PondId">The pond.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="On">Farm day.</param>
/// <param name="Count">How many fish leave, or null: all of them.</param>
/// <param name="ToPondId">The pond they move to, or null: they are harvested.</param>
/// <param name="Dropped">Whether it was given up.</param>
public sealed record HarvestPlanned(
    long PlanId,
    long PondId,
    long BatchId,
    DateOnly On,
    int? Count,
    long? ToPondId,
    bool Dropped
) : Fact
{
    /// <summary>No plan reaches further, days.</summary>
    public const int FurthestDays = 540;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="today">Farm day on which it is planned.</param>
    public IEnumerable<Remark> Check(DateOnly today)
    {
        if (On < today || On > today.AddDays(FurthestDays))
            yield return Remark.Refuse(
                "On",
                $"A day from today on, {FurthestDays} days ahead at most: the forecast reaches no further."
            );
        if (Count is < 1 or > 10_000_000)
            yield return Remark.Refuse("Count", "1 to 10,000,000 fish; empty when all leave.");
        if (ToPondId == PondId)
            yield return Remark.Refuse(
                "To",
                "They are in this pond already. Choose another, or none when they are harvested."
            );
    }
}
