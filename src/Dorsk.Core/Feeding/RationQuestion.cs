using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Feeding;

/// <summary>What the ration of a day is worked out from.</summary>
/// <param name="Species">Species of the batch.</param>
/// <param name="MeanG">Mean weight, g.</param>
/// <param name="Count">Fish.</param>
/// <param name="FullGainG">Expected gain of one fish at full ration today, g.</param>
/// <param name="Fcr">Feed per gain at this stage.</param>
/// <param name="TempC">Water temperature, °C.</param>
/// <param name="TempKnown">How it is known.</param>
/// <param name="DawnLowMgL">Lowest oxygen read last night and this morning, mg/L; null when not read.</param>
/// <param name="ForecastLowMgL">Tonight's forecast low, mg/L; null when there is none.</param>
/// <param name="Limits">Limits at this stage.</param>
/// <param name="AreaHa">Pond area, ha.</param>
/// <param name="InstalledKWHa">Aerator shaft power per area, kW/ha.</param>
/// <param name="ByVolume">Tanks have no cap per area.</param>
/// <param name="ShareOfPond">Share of the pond's biomass that is this batch, 0 to 1.</param>
/// <param name="Hand">How figures are printed in the reasons.</param>
public sealed record RationQuestion(
    FishSpecies Species,
    double MeanG,
    double Count,
    double FullGainG,
    double Fcr,
    double TempC,
    string TempKnown,
    double? DawnLowMgL,
    double? ForecastLowMgL,
    WaterLimits Limits,
    double AreaHa,
    double InstalledKWHa,
    bool ByVolume,
    double ShareOfPond,
    Hand Hand
)
{
    /// <summary>The farm day it is for.</summary>
    public DateOnly Day { get; init; }

    /// <summary>The sun where nobody said where the pond lies.</summary>
    public static (TimeOnly Rise, TimeOnly Set) EquatorSun { get; } = (new(6, 0), new(18, 0));

    /// <summary>Sunrise and sunset of the day by the farm's clock.</summary>
    public (TimeOnly Rise, TimeOnly Set) Sun { get; init; } = EquatorSun;

    /// <summary>The pond's school.</summary>
    public RationSchool School { get; init; }

    /// <summary>The last day whose meals were watched, or null.</summary>
    public ScoredDay? Scored { get; init; }

    /// <summary>Day on which the water is likely warm enough to feed again; null where it is, or nobody knows.</summary>
    public DateOnly? WarmOn { get; init; }

    /// <summary>How fish came to the last meals that were watched, today's too, or null.</summary>
    public (DateOnly Day, int Score)? LastScore { get; init; }

    /// <summary>What somebody wants instead, with the reason and who; null: the plan stands.</summary>
    public (double Kg, string Reason, string By)? Overruled { get; init; }

    /// <summary>The next farm day on which fish are planned to be fished or moved, from this day on; null when none is.</summary>
    public DateOnly? FishedOn { get; init; }

    /// <summary>The farm day of the next sample, or null.</summary>
    public DateOnly? SampledOn { get; init; }

    /// <summary>Days before this one on which they were fed or, ahead of now, are planned to be; the newest few.</summary>
    public IReadOnlyList<DateOnly> FedDays { get; init; } = [];

    /// <summary>Findings of the verdict on the pond that hold the feed; none where nothing does.</summary>
    public IReadOnlyList<Verdict.Finding> Held { get; init; } = [];

    /// <summary>Biomass, kg.</summary>
    public double BiomassKg => Count * MeanG / 1000;
}

/// <summary>A meal of the day; the ration is parted evenly over both.</summary>
public enum Meal
{
    /// <summary>After the dawn reading.</summary>
    Morning,

    /// <summary>After the forecast of the coming night.</summary>
    Afternoon,
}
