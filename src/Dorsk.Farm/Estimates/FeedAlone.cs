using Dorsk.Core.Growth;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>
/// What the feed alone would have made: what was stocked, the feed of each day by the conversion of the stage of that day, less what died,
/// left or was harvested. For many farms the only inventory there is.
/// </summary>
internal static class FeedAlone
{
    private const double LeastFcr = 0.1;

    /// <summary>Biomass by feed, kg; never below 0.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="arrived">Farm day on which it came.</param>
    /// <param name="to">Farm day up to which is counted.</param>
    /// <param name="of">Of a day: feed given to the batch, kg, and its mean weight, g.</param>
    /// <param name="fcrMore">What is added to the planned conversion.</param>
    public static double Kg(
        BatchStory batch,
        DateOnly arrived,
        DateOnly to,
        Func<DateOnly, (double FedKg, double MeanG)> of,
        double fcrMore
    )
    {
        var kg = batch.ArrivedCount * batch.ArrivedMeanG / 1000;
        var changes = batch.Changes.Where(c => c.CountedOneByOne is null).ToLookup(c => c.Day);
        for (var day = arrived; day <= to; day = day.AddDays(1))
        {
            var (fed, meanG) = of(day);
            kg += fed / Math.Max(LeastFcr, DailyGain.Fcr(batch.Species, meanG) + fcrMore);
            // Of the dead only a share is found.
            kg += changes[day].Sum(c => c.Count / (c.FoundShare ?? 1) * (c.MeanG ?? meanG)) / 1000;
        }
        return Math.Max(0, kg);
    }
}
