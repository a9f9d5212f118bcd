using Dorsk.Core.Species;

namespace Dorsk.Core.Plans;

/// <summary>Whether something can be had.</summary>
public enum Had
{
    /// <summary>Nobody asked yet.</summary>
    Unknown,

    /// <summary>Yes.</summary>
    Yes,

    /// <summary>No.</summary>
    No,
}

/// <summary>A fish that is weighed for a site, with what only the farmer can find out.</summary>
/// <param name="Species">The fish.</param>
/// <param name="PriceLow">What a kilogram brings in a bad week, wholesale.</param>
/// <param name="PriceHigh">In a good one, retail; no less than the low.</param>
/// <param name="Fingerling">What a fingerling costs.</param>
/// <param name="Seed">Whether fingerlings can be bought here, in season.</param>
/// <param name="Feed">Whether a suitable feed can be had within a sensible drive.</param>
/// <param name="Buyers">Whether somebody local buys it, in a form this farm can deliver.</param>
/// <param name="Permit">Whether it may be kept here.</param>
/// <param name="Form">How it is sold.</param>
/// <param name="Imported">Price of an imported kilogram in that form; null when nobody asked.</param>
/// <param name="Known">Whether buyers here know it.</param>
public sealed record SpeciesCandidate(
    FishSpecies Species,
    double PriceLow,
    double PriceHigh,
    double Fingerling,
    Had Seed,
    Had Feed,
    Had Buyers,
    Had Permit,
    SoldAs Form = SoldAs.Live,
    double? Imported = null,
    Had Known = Had.Yes
)
{
    /// <summary>Whether anybody said what it sells for; without it no money of this fish is judged.</summary>
    public bool IsPriceSaid { get; init; } = true;
}

/// <summary>The site candidates are held against.</summary>
/// <param name="Water">The water.</param>
/// <param name="StockOn">Day they would come.</param>
/// <param name="TempC">Expected water temperature of a day, °C.</param>
/// <param name="FeedKg">A kilogram of feed costs.</param>
/// <param name="KWh">A kilowatt-hour costs.</param>
/// <param name="OtherCycle">Everything else of a cycle.</param>
/// <param name="Capital">Money to build this water.</param>
/// <param name="WantedKgYear">Fish wanted per year, kg.</param>
/// <param name="FamilyNeeds">What one family wants to be left with in a year.</param>
/// <param name="BusinessNeeds">What a business with wages and interest must be left with in a year.</param>
/// <param name="AllYear">Whether the market must be supplied all year.</param>
/// <param name="Hand">How figures are printed in reasons.</param>
public sealed record SpeciesSite(
    PlanWater Water,
    DateOnly StockOn,
    Func<DateOnly, double> TempC,
    double FeedKg,
    double KWh,
    double OtherCycle,
    double Capital,
    double WantedKgYear,
    double FamilyNeeds,
    double BusinessNeeds,
    bool AllYear,
    Units.Hand Hand
)
{
    /// <summary>Price of a kilogram of salt for inland brackish water.</summary>
    public double SaltKg { get; init; }

    /// <summary>Whether salt water has a permitted way out when it is drained.</summary>
    public Had BrineOut { get; init; }

    /// <summary>Cost of getting one sold kilogram ready: gutting, cutting, packing, ice.</summary>
    public double ProcessingKg { get; init; }

    /// <summary>Cost of a year of making a fish known that buyers here do not know.</summary>
    public double PromotionYear { get; init; }

    /// <summary>Prices that nobody said: they count as nothing, and the page names them.</summary>
    public IReadOnlyList<string> NotSaid { get; init; } = [];
}
