using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Plans;

/// <summary>The body of water a plan is for.</summary>
/// <param name="System">What it is.</param>
/// <param name="AreaM2">Surface when full, m².</param>
/// <param name="VolumeM3">Water when full, m³.</param>
/// <param name="ShaftKW">Shaft power of its aerators together, kW; 0 without.</param>
/// <param name="Aerators">Their kind.</param>
/// <param name="FlowM3H">Fresh water that runs through it, m³/h; 0 for still water.</param>
/// <param name="AltitudeM">Elevation, m.</param>
/// <param name="SalinityPpt">Salinity, ppt.</param>
public sealed record PlanWater(
    RearingSystem System,
    double AreaM2,
    double VolumeM3,
    double ShaftKW,
    AeratorKind Aerators,
    double FlowM3H,
    double AltitudeM,
    double SalinityPpt
)
{
    /// <summary>Shaft power by area, kW/ha.</summary>
    public double KWHa => ShaftKW / AreaM2 * 10_000;

    /// <summary>Area in hectares, or volume in m³, whichever the system is planned by.</summary>
    public double Size => System.ByVolume() ? VolumeM3 : AreaM2 / 10_000;
}

/// <summary>The farm's own prices for a plan, in its currency.</summary>
/// <param name="Fingerling">One fingerling.</param>
/// <param name="FeedKg">A kilogram of feed.</param>
/// <param name="FishKg">A kilogram of fish sold.</param>
/// <param name="KWh">A kilowatt-hour.</param>
/// <param name="OtherCycle">Everything else of the cycle: labour, water, share of the pond.</param>
public sealed record PlanPrices(double Fingerling, double FeedKg, double FishKg, double KWh, double OtherCycle)
{
    /// <summary>What nobody said, in words; it counts as nothing, and the page says so.</summary>
    public IReadOnlyList<string> NotSaid { get; init; } = [];

    /// <summary>Whether somebody said what a kilogram is sold for: without it there is no margin to tell.</summary>
    public bool IsSalePriceSaid { get; init; } = true;
}

/// <summary>What a stocking plan is worked out from.</summary>
/// <param name="Species">The fish.</param>
/// <param name="Water">Where.</param>
/// <param name="FromG">Weight at stocking, g.</param>
/// <param name="TargetG">Weight wanted, g; above <paramref name="FromG"/>.</param>
/// <param name="SurvivalPct">Survival to harvest, %; above 0, at most 100.</param>
/// <param name="ShareOfWater">Share of the water's capacity that is theirs, above 0 to 1; less than 1 beside other fish.</param>
/// <param name="StockOn">Day they come.</param>
/// <param name="TempC">Expected water temperature of a day, °C.</param>
/// <param name="School">Density school, or null: the one that fits the air.</param>
/// <param name="Own">Fish to stock as the farmer wants it, or null: as many as the limits let.</param>
/// <param name="Prices">Prices.</param>
/// <param name="Hand">How figures are printed in reasons.</param>
public sealed record StockingQuestion(
    FishSpecies Species,
    PlanWater Water,
    double FromG,
    double TargetG,
    double SurvivalPct,
    double ShareOfWater,
    DateOnly StockOn,
    Func<DateOnly, double> TempC,
    DensitySchool? School,
    int? Own,
    PlanPrices Prices,
    Hand Hand
)
{
    /// <summary>Whether they are of both sexes; of weight for fish that breed in the pond they grow in.</summary>
    public Sexes Sexes { get; init; }

    /// <summary>Share of the water that those have which are stocked, above 0 to 1: less than theirs where they breed in it.</summary>
    public double StockedShare => PondBreeding.ShareOfStocked(this);

    /// <summary>Carrying capacity that the farm set itself, kg/ha or kg/m³ as the water is planned by; null: the species table.</summary>
    public double? OwnCapacityKg { get; init; }

    /// <summary>Feed conversion ratio that the farm expects over the cycle, of its own record; null: the species table by size.</summary>
    public double? OwnFcr { get; init; }

    /// <summary>What the farm's own conversion makes of the table's, 1 without one.</summary>
    public double FcrFactor => OwnFcr is { } own && Species.FcrGrowOut > 0 ? own / Species.FcrGrowOut : 1;

    /// <summary>Survival as a share.</summary>
    public double Survival => SurvivalPct / 100;

    /// <summary>Objections, named by the field of the page.</summary>
    public IEnumerable<Remark> Check()
    {
        if (TargetG <= FromG)
            yield return Remark.Refuse("target", "The target weight must be above the weight at stocking.");
        if (OwnFcr is not (null or (>= 0.3 and <= 6)))
            yield return Remark.Refuse("fcr", "0.3 to 6, or empty: by the species table.");
        if (SurvivalPct is not (> 0 and <= 100))
            yield return Remark.Refuse("survival", "Above 0, up to 100 %.");
        if (ShareOfWater is not (> 0 and <= 1))
            yield return Remark.Refuse("share", "Above 0 and up to 100 %.");
    }
}
