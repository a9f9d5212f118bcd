using Dorsk.Core.Health;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Verdict;

namespace Dorsk.Farm.Facts;

/// <summary>A pond as it was known at the instant of an entry: what checks at the door may ask of its estimates.</summary>
internal interface IPondAsKnown
{
    /// <summary>The pond.</summary>
    Pond Pond { get; }

    /// <summary>Whether fish stand in it on the books.</summary>
    bool HasFish { get; }

    /// <summary>Temperature of its water as last read, °C, or null.</summary>
    double? WaterC { get; }

    /// <summary>Salinity of its water as last read, ppt, or null.</summary>
    double? SalinityPpt { get; }

    /// <summary>A species as the farm and this pond know it.</summary>
    FishSpecies Known(string speciesKey);

    /// <summary>What it carries of a species, kg.</summary>
    double CapacityKg(FishSpecies species);

    /// <summary>Estimated biomass on a day, kg.</summary>
    double BiomassKgOn(DateOnly day);

    /// <summary>Act level of oxygen of the most tender fish here on a day, mg/L; null in an empty pond.</summary>
    double? ActLevelMgL(DateOnly day);

    /// <summary>Mean weight that the estimate expects of a batch on a day, g; null where it does not stand.</summary>
    double? ExpectedG(long batch, DateOnly day);

    /// <summary>What in its water stands against fish of a species and weight.</summary>
    IReadOnlyList<Finding> AgainstArrivals(DateTimeOffset at, FishSpecies species, double meanG);

    /// <summary>Why a meal of a kind of feed is not to be given now, each once, in words; none where it may be.</summary>
    /// <param name="at">When it is given.</param>
    /// <param name="feed">Name, size in mm and protein in percent of the feed.</param>
    IReadOnlyList<string> AgainstMeal(DateTimeOffset at, (string Name, double PelletMm, double ProteinPct) feed);

    /// <summary>The conditions before fish of a batch are taken out; none where it does not stand.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="at">When.</param>
    /// <param name="to">Where they go.</param>
    IReadOnlyList<GateLine> HarvestGate(long batch, DateTimeOffset at, Account to);

    /// <summary>The hold that the pond is on; null for none.</summary>
    PondHold? Hold { get; }

    /// <summary>Watch level of oxygen of the most tender fish here on a day, mg/L; null in an empty pond.</summary>
    double? WatchLevelMgL(DateOnly day);

    /// <summary>The pond as a treatment meets it.</summary>
    TreatedWater Treated(DateTimeOffset at);

    /// <summary>Names of the steps of the water panel that were not read on the day.</summary>
    IReadOnlyList<string> PanelMissing(DateTimeOffset at);

    /// <summary>The first day on which fish are planned to leave, from one day on and before another; null for none.</summary>
    DateOnly? PlannedToLeave(DateOnly from, DateOnly before);

    /// <summary>The place for a claim that nothing is wrong.</summary>
    ClaimPlace ClaimAt(DateTimeOffset at);

    /// <summary>Day of the taste test that speaks for fish of a batch taken out at an instant; null for none.</summary>
    DateOnly? TastedFor(long batch, DateTimeOffset at);

    /// <summary>The withdrawal that held fish of a batch when they were taken out, as it is known today; null for none.</summary>
    Withdrawal? WithdrawalOfTaken(long batch, DateTimeOffset at);

    /// <summary>The withdrawal that holds the fish on a day, the longest first; null where none does.</summary>
    Withdrawal? WithdrawalOn(DateOnly day);

    /// <summary>The withdrawal that a treatment would bring; null where its label has none.</summary>
    Withdrawal? WithdrawalOf(TreatmentGiven given, ProductDescribed product, DateOnly firstDay);

    /// <summary>What a batch has borne in the last month.</summary>
    BatchCondition ConditionOf(long batch, DateTimeOffset at);

    /// <summary>What of the gate an empty pond does not meet, in words.</summary>
    IReadOnlyList<string> NotMet(FishSpecies species, DateTimeOffset at);
}
