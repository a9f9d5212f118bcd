using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>A hatchery plan that is kept: its days are jobs.</summary>
/// <param name="PlanId">Number given by the books; 0 for a new one.</param>
/// <param name="SpeciesKey">Species.</param>
/// <param name="Asked">What is asked of the hatchery.</param>
/// <param name="Dropped">Whether it was given up.</param>
public sealed record HatchPlanned(long PlanId, string SpeciesKey, HatchAsked Asked, bool Dropped) : Fact
{
    // Slower than a year is no hatching.
    private const double MostHours = 24 * 365;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="table">How its eggs develop; null where the tables know nothing of them.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(EggTable? table, Hand hand)
    {
        if (table is null)
        {
            yield return Remark.Refuse("Species", "The tables know nothing of these eggs.");
            yield break;
        }
        if (!(table.HoursAt(Asked.WaterC) < MostHours) || Asked.WaterC > 45)
            yield return Remark.Refuse("Water", h =>
                $"Hardly anything develops near {Limit.Of(table.BaseC, Measures.Temperature, h)} and below, nor above {Limit.Of(45, Measures.Temperature, h)}."
            );
        else if (EggClock.Band(table, Asked.WaterC) is { Status: Status.ActNow } far)
            yield return Remark.Ask(
                "Water",
                $"{QuantityText.Write(Asked.WaterC, Measures.Temperature, hand)}: {far.Reason}. Plan with it?"
            );
        if (Asked.Fingerlings is < 1 or > 100_000_000)
            yield return Remark.Refuse("Wanted", "1 to 100,000,000 fingerlings.");
        if (Asked.LengthMm is not (>= 8 and <= 300))
            yield return Remark.Refuse("Length", h => $"{Limit.Range(0.008, 0.3, Measures.ShortLength, h)}.");
        if (Asked.FemaleKg is not (>= 0.01 and <= 100))
            yield return Remark.Refuse("Female", h => $"{Limit.Range(0.01, 100, Measures.Mass, h)}.");
        if (Asked.Sexes.Females is < 1 or > 100)
            yield return Remark.Refuse("Females", "1 to 100.");
        if (Asked.Sexes.Males is < 1 or > 100)
            yield return Remark.Refuse("Males", "1 to 100.");
        foreach (var (field, share) in Stages)
            if (!(share.Low > 0 && share.Low <= share.High && share.High <= 1))
                yield return Remark.Refuse(field, "Low and high between 1 and 100, the low end first.");
    }

    private IEnumerable<(string Field, ShareRange Share)> Stages =>
        [("Spawn", Asked.Spawning), ("Hatch", Asked.Hatching), ("Feed", Asked.Feeding), ("Nursery", Asked.Nursery)];
}

/// <summary>Own fingerlings against bought ones.</summary>
/// <param name="Own">Cost of an own surviving fingerling: low, high.</param>
/// <param name="Bought">Cost of a bought surviving one.</param>
/// <param name="Judgement">Which is cheaper, and what it risks.</param>
public sealed record MakeOrBuy((double Low, double High) Own, double Bought, Judgement Judgement)
{
    /// <summary>Compares them.</summary>
    /// <param name="gives">Fingerlings an own season gives: low, high; above 0.</param>
    /// <param name="ownCost">Cost of an own season.</param>
    /// <param name="price">Price of a bought one.</param>
    /// <param name="arriveShare">Share of the bought that live through carriage and quarantine, above 0 to 1.</param>
    public static MakeOrBuy Of((double Low, double High) gives, double ownCost, double price, double arriveShare)
    {
        var own = (Low: ownCost / gives.High, High: ownCost / gives.Low);
        var bought = price / arriveShare;
        return new(
            own,
            bought,
            bought < own.Low
                    ? new(
                        Status.Steady,
                        "bought ones are cheaper; they bring the diseases of their farm: quarantine and papers"
                    )
                : bought > own.High
                    ? new(Status.Steady, "own ones are cheaper even when all goes badly; no disease comes in with them")
                : new(
                    Status.Watch,
                    "it depends on how the season goes: own ones are cheaper when it goes well. Disease risk speaks for own"
                )
        );
    }
}
