using Dorsk.Core.Health;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Estimates;

/// <summary>The estimates of a pond as the checks at the door ask them.</summary>
/// <param name="story">The pond as it was known.</param>
internal sealed class PondAsKnown(PondStory story) : IPondAsKnown
{
    public Pond Pond => story.Pond;

    public bool HasFish => story.Standing.Any();

    public double? WaterC => story.LastOf(Parameter.Temperature)?.Si;

    public double? SalinityPpt => story.LastOf(Parameter.Salinity)?.Si;

    public FishSpecies Known(string speciesKey) => story.KnownSpecies(speciesKey);

    public double CapacityKg(FishSpecies species) => story.CapacityKg(species);

    public double BiomassKgOn(DateOnly day) => story.Stock.BiomassKgOn(day);

    public double? ActLevelMgL(DateOnly day) => story.Stock.LimitsOn(day)?.DoActMgL;

    public PondHold? Hold => story.Rows.Health.Hold;

    public double? WatchLevelMgL(DateOnly day) => story.Stock.LimitsOn(day)?.DoWatchMgL;

    public TreatedWater Treated(DateTimeOffset at) => story.Health.Treated(at);

    public IReadOnlyList<string> PanelMissing(DateTimeOffset at) => WaterPanel.Missing(story.Water.StateNow(at));

    public DateOnly? PlannedToLeave(DateOnly from, DateOnly before) =>
        story
            .Rows.Plans.Harvests.Select(h => h.Fact.On)
            .Where(on => on >= from && on < before)
            .Min(on => (DateOnly?)on);

    public ClaimPlace ClaimAt(DateTimeOffset at) => story.Health.ClaimAt(at);

    public DateOnly? TastedFor(long batch, DateTimeOffset at) => story.TastedFor(batch, at);

    public Withdrawal? WithdrawalOfTaken(long batch, DateTimeOffset at) => story.Health.WithdrawalOfTaken(batch, at);

    public Withdrawal? WithdrawalOn(DateOnly day) => story.Health.WithdrawalOn(day);

    public Withdrawal? WithdrawalOf(TreatmentGiven given, ProductDescribed product, DateOnly firstDay) =>
        Withdrawal.Of(product, given, firstDay, firstDay, story.TemperatureAhead);

    public BatchCondition ConditionOf(long batch, DateTimeOffset at) => story.Health.ConditionOf(batch, at);

    public double? ExpectedG(long batch, DateOnly day) => story.Stock.On(batch, day)?.MeanG.Value;

    public IReadOnlyList<Finding> AgainstArrivals(DateTimeOffset at, FishSpecies species, double meanG) =>
        story.Water.AgainstArrivals(at, species, meanG, 0);

    public IReadOnlyList<string> AgainstMeal(
        DateTimeOffset at,
        (string Name, double PelletMm, double ProteinPct) feed
    ) => story.AgainstMeal(at, feed);

    public IReadOnlyList<GateLine> HarvestGate(long batch, DateTimeOffset at, Account to) =>
        story.Batches.FirstOrDefault(b => b.Id == batch) is { } found ? story.HarvestGate(found, at, to) : [];

    public IReadOnlyList<string> NotMet(FishSpecies species, DateTimeOffset at) =>
        [
            .. story
                .Readiness.GateFor(species, at)
                .Where(l => l.State == Condition.NotMet)
                .Select(l => $"{l.Name} {l.Reason}"),
        ];
}
