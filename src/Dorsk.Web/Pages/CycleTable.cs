using Dorsk.Core.Harvest;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Fish;

namespace Dorsk.Web.Pages;

/// <summary>Cycles of the whole farm in figures.</summary>
internal static class CycleTable
{
    /// <summary>Cycles of batches that count, with what their feed cost.</summary>
    /// <param name="questions">The farm.</param>
    /// <param name="here">The time.</param>
    /// <param name="counts">Which batches.</param>
    public static IReadOnlyList<CycleFigures> All(Questions questions, Here here, Func<BatchStory, bool> counts)
    {
        var priceOf = questions.FeedPrices();
        return
        [
            .. questions
                .Stories(s => true)
                .Where(s => s.Batches.Any(counts))
                .SelectMany(s =>
                    questions
                        .Cycles(s, here.Now)
                        .Where(n => counts(n.Batch))
                        .Select(n => s.Cycles.Of(n.Batch, n.Result, here.Today, priceOf))
                )
                .OfType<CycleFigures>(),
        ];
    }
}
