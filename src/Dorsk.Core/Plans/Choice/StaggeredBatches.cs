using Dorsk.Core.Judging;

namespace Dorsk.Core.Plans;

/// <summary>One batch of a year of batches.</summary>
/// <param name="StockOn">First day of the month in which it is stocked.</param>
/// <param name="ReadyOn">Day on which it reaches its weight; null when the water kills it first or it never does.</param>
public sealed record StaggeredBatch(DateOnly StockOn, DateOnly? ReadyOn);

/// <summary>A year of batches, one stocked each month: which months then have fish of the weight wanted, and which have none.</summary>
/// <param name="Batches">Twelve, by month of stocking.</param>
public sealed record StaggeredBatches(IReadOnlyList<StaggeredBatch> Batches)
{
    /// <summary>Tries every month of a year.</summary>
    /// <param name="question">A plan; its day of stocking is the first month tried.</param>
    public static StaggeredBatches Of(StockingQuestion question)
    {
        var first = new DateOnly(question.StockOn.Year, question.StockOn.Month, 1);
        return new([
            .. Enumerable
                .Range(0, 12)
                .Select(m => first.AddMonths(m))
                .Select(d => new StaggeredBatch(d, PlanSeason.Run(question with { StockOn = d }).ReachedOn)),
        ]);
    }

    /// <summary>The batches to stock: for each month of harvest the one stocked last, in the order of their stocking.</summary>
    public IReadOnlyList<StaggeredBatch> ToStock =>
        [
            .. Batches
                .Where(b => b.ReadyOn is not null)
                .GroupBy(b => b.ReadyOn!.Value.Month)
                .Select(g => g.Last())
                .OrderBy(b => b.StockOn),
        ];

    /// <summary>Months, 1 to 12, in which no batch becomes ready: fish are held over, or an indoor unit is heated.</summary>
    public IReadOnlyList<int> MonthsWithout =>
        [.. Enumerable.Range(1, 12).Except(ToStock.Select(b => b.ReadyOn!.Value.Month))];

    /// <summary>What a supply all year asks for.</summary>
    public Judgement Judgement =>
        ToStock.Count == 0 ? new(Status.ActNow, "no month of stocking brings fish to their weight here")
        : MonthsWithout.Count == 0 ? new(Status.Steady, $"{ToStock.Count} batches a year supply every month")
        : new(
            Status.Watch,
            FormattableString.Invariant(
                $"{ToStock.Count} batches a year; none is ready in {MonthsWithout.Count} {(MonthsWithout.Count == 1 ? "month" : "months")}: hold fish over, or heat an indoor unit"
            )
        );
}
