using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Plans;

/// <summary>Fish that are to come into a pond; the latest line of a plan counts. It is answered when fish arrive there.</summary>
/// <param name="PlanId">Number given by the books; 0 for a new one.</param>
/// <param name="PondId">The pond.</param>
/// <param name="SpeciesKey">The fish.</param>
/// <param name="StockOn">Farm day they come.</param>
/// <param name="Count">How many.</param>
/// <param name="MeanG">Their weight then, g; fish of another pond come as they weigh by then.</param>
/// <param name="TargetG">Weight wanted at harvest, g.</param>
/// <param name="FromPondId">The pond they come from, or null: they are bought.</param>
/// <param name="HarvestOn">Farm day all leave, or null: when they reach their weight.</param>
/// <param name="Dropped">Whether it was given up.</param>
public sealed record CyclePlanned(
    long PlanId,
    long PondId,
    string SpeciesKey,
    DateOnly StockOn,
    int Count,
    double MeanG,
    double TargetG,
    long? FromPondId,
    DateOnly? HarvestOn,
    bool Dropped
) : Fact
{
    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="today">Farm day on which it is planned.</param>
    public IEnumerable<Remark> Check(DateOnly today)
    {
        if (FishSpecies.Find(SpeciesKey) is null)
            yield return Remark.Refuse("Species", "There is no such fish in the tables. Choose one of the list.");
        if (StockOn < today || StockOn > today.AddDays(HarvestPlanned.FurthestDays))
            yield return Remark.Refuse(
                "StockOn",
                $"A day from today on, {HarvestPlanned.FurthestDays} days ahead at most: the forecast reaches no further."
            );
        if (Count is < 1 or > 10_000_000)
            yield return Remark.Refuse("Count", "1 to 10,000,000 fish.");
        if (MeanG is not (> 0 and <= 20_000))
            yield return Remark.Refuse("MeanG", h => $"Over 0 and up to {Limit.Of(20, Measures.Mass, h)} a fish.");
        if (TargetG is not (> 0 and <= 50_000) || TargetG <= MeanG)
            yield return Remark.Refuse("TargetG", h =>
                $"Above the weight at stocking and up to {Limit.Of(50, Measures.Mass, h)}."
            );
        if (FromPondId == PondId)
            yield return Remark.Refuse(
                "From",
                "Fish cannot come from the pond they go to. Choose another, or none when they are bought."
            );
        if (HarvestOn is { } out_ && (out_ <= StockOn || out_ > today.AddDays(2 * HarvestPlanned.FurthestDays)))
            yield return Remark.Refuse(
                "HarvestOn",
                "After the day they come and within three years; empty: when they reach their weight."
            );
    }
}
