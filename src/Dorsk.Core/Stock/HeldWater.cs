using Dorsk.Core.Units;

namespace Dorsk.Core.Stock;

/// <summary>Fish held apart in one water. All of them pass together: what one lot carries, the other has.</summary>
/// <param name="Held">Batches that are held there.</param>
/// <param name="Marked">Health marks of samples taken there in the last week, with the day of the sample.</param>
public sealed record HeldWater(IReadOnlyList<Quarantine> Held, IReadOnlyList<(DateOnly Day, MarkCount Mark)> Marked)
{
    /// <summary>For how many days before the end of a quarantine a mark in a sample stands against it.</summary>
    public const int DaysOfMarks = 7;

    private const int DaysOfLooks = 2;

    // Marks that something catching may leave; a bent back is not catching.
    private static readonly HashSet<HealthMark> Catching =
    [
        HealthMark.Sores,
        HealthMark.Parasites,
        HealthMark.Gills,
        HealthMark.Fins,
    ];

    /// <summary>A water in which no fish are held.</summary>
    public static HeldWater None { get; } = new([], []);

    /// <summary>How a batch is held here; null when it is not.</summary>
    public Quarantine? Of(long batch) => Held.FirstOrDefault(q => q.BatchId == batch);

    /// <summary>Why a batch may not pass yet; null when it may.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="day">Farm day.</param>
    public string? AgainstPassing(long batch, DateOnly day)
    {
        if (Held.Where(q => day < q.Until).MaxBy(q => q.Until) is { } latest)
            return latest.BatchId == batch
                ? $"They are held until {Hand.Day(latest.Until)}. Wait, or let them go before their time with a reason."
                : $"Another lot in the same water is held until {Hand.Day(latest.Until)}: they pass together, or are let go before their time with a reason.";
        if (Held.FirstOrDefault(q => !q.CalmSince(DaysOfLooks, day)) is { } uneasy)
            return (uneasy.BatchId == batch ? "The" : "Of another lot in the same water, the")
                + " last looks were not calm, or nobody looked in two days. Hold them longer, treat them, or let them go with a reason.";
        var marks = Marked.Where(m =>
            m.Mark.Fish > 0 && Catching.Contains(m.Mark.Mark) && m.Day > day.AddDays(-DaysOfMarks) && m.Day <= day
        );
        return marks.OrderBy(m => m.Day).LastOrDefault() is { Mark.Fish: > 0 } seen
            ? $"The sample of {Hand.Day(seen.Day)} showed {MarkCount.Word(seen.Mark.Mark)} on {seen.Mark.Fish} fish. Hold them longer and ask a vet, or let them go with a reason."
            : null;
    }
}
