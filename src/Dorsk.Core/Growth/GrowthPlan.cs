using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>Where a batch stands against plan.</summary>
public enum Progress
{
    /// <summary>Under the plan by more than a tenth.</summary>
    Behind,

    /// <summary>Within a tenth of the plan.</summary>
    OnPlan,

    /// <summary>Over the plan by more than a tenth.</summary>
    Ahead,
}

/// <summary>
/// Growth as planned: the species' own rate in the yearly temperatures of this pond, from the weight at stocking, at nine tenths of
/// the full ration. No farm feeds to the full every day: bad mornings, storms and sampling days are in the plan.
/// </summary>
public static class GrowthPlan
{
    private const double Tolerance = 0.10;

    /// <summary>Share of the full ration that is planned.</summary>
    public const double PlannedRation = 0.9;

    /// <summary>Planned weight of every day, g.</summary>
    /// <param name="species">The species.</param>
    /// <param name="startG">Weight at stocking, g.</param>
    /// <param name="from">Day of stocking.</param>
    /// <param name="to">Last day.</param>
    /// <param name="usualC">Usual temperature of a day, °C.</param>
    public static IReadOnlyList<(DateOnly Day, double MeanG)> Run(
        FishSpecies species,
        double startG,
        DateOnly from,
        DateOnly to,
        Func<DateOnly, double> usualC
    )
    {
        var plan = new List<(DateOnly, double)>();
        for (
            var (day, weight) = (from, startG);
            day <= to;
            weight += DailyGain.FullG(weight, usualC(day), species) * DailyGain.RationShare(PlannedRation),
                day = day.AddDays(1)
        )
            plan.Add((day, weight));
        return plan;
    }

    /// <summary>Ahead, on plan or behind: within a tenth counts as on plan.</summary>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    /// <param name="plannedG">Planned weight, g; above 0.</param>
    public static Progress Compare(double meanG, double plannedG) =>
        meanG < plannedG * (1 - Tolerance) ? Progress.Behind
        : meanG > plannedG * (1 + Tolerance) ? Progress.Ahead
        : Progress.OnPlan;
}
