using Dorsk.Core.Feeding;

namespace Dorsk.Core.Plans;

/// <summary>Feed of a stocking plan by size.</summary>
public static class PlanFeeds
{
    /// <summary>Kg of each size with its first day; empty where the table has none.</summary>
    public static IReadOnlyList<(FeedSize Size, double Kg, DateOnly From)> Of(StockingAnswer plan) =>
        FeedSize.For(plan.Question.Species).Count == 0
            ? []
            :
            [
                .. plan
                    .Season.Days.GroupBy(d => FeedSize.At(plan.Question.Species, d.MeanG)!)
                    .Select(g => (g.Key, g.Sum(plan.FeedOn), g.Min(d => d.Day)))
                    .Where(x => x.Item2 > 0),
            ];
}
