using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Season;

/// <summary>A pond as the season sees it.</summary>
/// <param name="PondId">Its number.</param>
/// <param name="Code">Its code.</param>
/// <param name="CarriesKg">What it carries of a species, kg.</param>
/// <param name="TempC">Expected water of a day, °C.</param>
/// <param name="Species">A species by its key, as this pond's farm knows it.</param>
/// <param name="Grow">Weights from a day on of fish that come with a weight, g, to the end of the horizon.</param>
/// <param name="DailyLoss">Share of a species lost unseen each day.</param>
/// <param name="PrepareDays">Days from empty to ready.</param>
/// <param name="ReadyOn">First day an empty pond can be stocked as its preparation stands; null while fish stand in it.</param>
public sealed record SeasonPond(
    long PondId,
    string Code,
    Func<FishSpecies, double> CarriesKg,
    Func<DateOnly, double> TempC,
    Func<string, FishSpecies> Species,
    Func<FishSpecies, DateOnly, double, IReadOnlyList<WeightAhead>> Grow,
    Func<FishSpecies, double> DailyLoss,
    int PrepareDays,
    DateOnly? ReadyOn
);

/// <summary>A batch that stands today.</summary>
/// <param name="PondId">Where.</param>
/// <param name="BatchId">Its number.</param>
/// <param name="Species">Its species.</param>
/// <param name="TargetG">Wanted weight, g.</param>
/// <param name="Count">Fish today, with their interval.</param>
/// <param name="CvPct">Spread of their weights, percent.</param>
/// <param name="Ahead">Growth forecast from today on.</param>
/// <param name="SampleDue">Farm day of the next sample.</param>
public sealed record SeasonBatch(
    long PondId,
    long BatchId,
    FishSpecies Species,
    double TargetG,
    Interval Count,
    double CvPct,
    IReadOnlyList<WeightAhead> Ahead,
    DateOnly SampleDue
);

/// <summary>A kind of feed in the store.</summary>
/// <param name="FeedId">Its number.</param>
/// <param name="Name">Its name.</param>
/// <param name="PelletMm">Pellet, mm.</param>
/// <param name="LeftKg">Left, kg.</param>
/// <param name="LeadDays">From order to delivery, days, or null for the usual.</param>
/// <param name="BagKg">A bag, kg, or null.</param>
public sealed record SeasonFeed(
    long FeedId,
    string Name,
    double PelletMm,
    double LeftKg,
    double? LeadDays,
    double? BagKg
);

/// <summary>What the season ahead is worked out from.</summary>
/// <param name="Today">Farm day.</param>
/// <param name="Ponds">In walking order.</param>
/// <param name="Batches">What stands.</param>
/// <param name="Harvests">Open plans for fish to leave.</param>
/// <param name="Cycles">Open plans for fish to come.</param>
/// <param name="Feeds">The store.</param>
/// <param name="Hand">How figures are printed in reasons.</param>
public sealed record SeasonInput(
    DateOnly Today,
    IReadOnlyList<SeasonPond> Ponds,
    IReadOnlyList<SeasonBatch> Batches,
    IReadOnlyList<HarvestPlanned> Harvests,
    IReadOnlyList<CyclePlanned> Cycles,
    IReadOnlyList<SeasonFeed> Feeds,
    Hand Hand
)
{
    /// <summary>How far the season looks, days.</summary>
    public const int Days = HarvestPlanned.FurthestDays;

    /// <summary>Its last day.</summary>
    public DateOnly Last => Today.AddDays(Days);

    /// <summary>Code of a pond.</summary>
    public string CodeOf(long pondId) => Ponds.FirstOrDefault(p => p.PondId == pondId)?.Code ?? "?";

    internal string Day(DateOnly day) =>
        day.Year == Today.Year
            ? FarmDay.Day(day)
            : day.ToString("d MMM yyyy", System.Globalization.CultureInfo.InvariantCulture);

    internal string Grams(double g) =>
        QuantityText.Write(
            g,
            g >= 100 ? Measures.FishWeight with { Decimals = 0, UsDecimals = 0 } : Measures.FishWeight,
            Hand
        );

    internal string Kg(double kg) =>
        QuantityText.Write(kg, kg >= 100 ? Measures.Mass with { Decimals = 0, UsDecimals = 0 } : Measures.Mass, Hand);
}
