using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>A stage of growth with its planned length and how long it really took.</summary>
/// <param name="Name">Stage.</param>
/// <param name="ToG">Weight at its end, g.</param>
/// <param name="PlannedOn">Day on which the plan reaches it; null where it does not within the plan.</param>
/// <param name="ReachedOn">Day on which the estimate reached it; null where it has not.</param>
public sealed record StageLength(string Name, double ToG, DateOnly? PlannedOn, DateOnly? ReachedOn)
{
    /// <summary>Days later than planned, below nought when earlier; null until it is reached.</summary>
    public int? LateDays => PlannedOn is { } p && ReachedOn is { } r ? r.DayNumber - p.DayNumber : null;

    /// <summary>The stages still ahead at stocking, in order.</summary>
    /// <param name="species">The species.</param>
    /// <param name="startG">Weight at stocking, g.</param>
    /// <param name="targetG">Weight wanted, g.</param>
    /// <param name="planned">Planned weights by day, in order.</param>
    /// <param name="estimated">Estimated weights by day so far, in order.</param>
    public static IReadOnlyList<StageLength> Of(
        FishSpecies species,
        double startG,
        double targetG,
        IReadOnlyList<(DateOnly Day, double MeanG)> planned,
        IReadOnlyList<(DateOnly Day, double MeanG)> estimated
    )
    {
        static DateOnly? First(IReadOnlyList<(DateOnly Day, double MeanG)> days, double g) =>
            days.Where(d => d.MeanG >= g).Select(d => (DateOnly?)d.Day).FirstOrDefault();
        (string, double)[] ends =
        [
            ("fry to fingerling", species.FingerlingLowG),
            ("nursery, to grow-out size", species.FingerlingHighG),
            ("grow-out, to market size", species.MarketLowG),
            ("to the target weight", targetG),
        ];
        return
        [
            .. ends.Where(e => e.Item2 > startG)
                .DistinctBy(e => e.Item2)
                .OrderBy(e => e.Item2)
                .Select(e => new StageLength(e.Item1, e.Item2, First(planned, e.Item2), First(estimated, e.Item2))),
        ];
    }
}
