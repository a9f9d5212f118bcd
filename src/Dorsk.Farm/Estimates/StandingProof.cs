using Dorsk.Core.Growth;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>The estimates of one batch in one pond and what became of them.</summary>
/// <param name="Code">Pond code.</param>
/// <param name="Species">Its fish.</param>
/// <param name="Arrived">Farm day on which it came into this pond.</param>
/// <param name="Outcomes">In order of time.</param>
public sealed record BatchProof(string Code, string Species, DateOnly Arrived, IReadOnlyList<EstimateOutcome> Outcomes);

/// <summary>Holds the standing estimate and its dates against the samples, counts and harvests that came after.</summary>
/// <param name="story">The pond as it is known now.</param>
/// <param name="asOf">The pond as it had happened up to an instant.</param>
internal sealed class StandingProof(PondStory story, Func<DateTimeOffset, PondStory?> asOf)
{
    /// <summary>Samples and counts of each batch that are scored, from the last back.</summary>
    public const int Last = 12;

    // A weight that was all but reached says nothing of a date.
    private const double LeastGain = 1.05;
    private static readonly TimeSpan Before = TimeSpan.FromSeconds(1);

    /// <summary>Every batch of the pond that something can be held against.</summary>
    public IReadOnlyList<BatchProof> All() =>
        [
            .. story
                .Batches.Select(b => new BatchProof(
                    story.Pond.Code,
                    b.Species.Name,
                    story.Zone.DayOf(b.ArrivedAt),
                    [.. Weighed(b).Concat(Numbered(b)).OrderBy(o => o.Day)]
                ))
                .Where(b => b.Outcomes.Count > 0),
        ];

    private IEnumerable<EstimateOutcome> Weighed(BatchStory batch)
    {
        for (var i = Math.Max(0, batch.Samples.Count - Last); i < batch.Samples.Count; i++)
        {
            var (at, cameG) = (batch.Samples[i].At, batch.Samples[i].Mean.Mean);
            var day = story.Zone.DayOf(at);
            if (asOf(at - Before) is not { } then || then.Stock.On(batch.Id, day) is not { } stood)
                continue;
            var paperG = i > 0 ? batch.Samples[i - 1].Mean.Mean : batch.ArrivedMeanG;
            yield return new(EstimateOf.MeanWeight, day, stood.MeanG, paperG, cameG);
            if (i >= 2 && Dated(batch, i, cameG) is { } date)
                yield return date;
        }
    }

    // At the sample before, when would they weigh what they did weigh at this one?
    private EstimateOutcome? Dated(BatchStory batch, int sample, double cameG)
    {
        var (before, last) = (batch.Samples[sample - 2], batch.Samples[sample - 1]);
        var (from, day) = (story.Zone.DayOf(last.At), story.Zone.DayOf(batch.Samples[sample].At));
        if (cameG < LeastGain * last.Mean.Mean || from == day || asOf(last.At) is not { } then)
            return null;
        if (then.Batches.FirstOrDefault(b => b.Id == batch.Id) is not { } known || known.Stands == 0)
            return null;
        var ahead = then.Growth.AheadOf(known, from);
        var told = GrowthForecast.DateOf(cameG, ahead);
        double In(DateOnly? on) => (on ?? ahead[^1].Day).DayNumber - from.DayNumber;
        var paper = EstimateOutcome.DaysByCubeRoot(
            (Math.Max(1, (last.At - before.At).TotalDays), before.Mean.Mean),
            last.Mean.Mean,
            cameG
        );
        return new(
            EstimateOf.DateOfWeight,
            day,
            new(In(told.Likely), In(told.Earliest), In(told.Latest), GrowthForecast.Level),
            paper ?? In(null),
            day.DayNumber - from.DayNumber
        );
    }

    private IEnumerable<EstimateOutcome> Numbered(BatchStory batch)
    {
        foreach (var (day, came) in CountsOf(batch).TakeLast(Last))
        {
            // What happened on the day itself before the count is not told apart: the evening before is asked.
            var evening = story.Zone.At(day, TimeOnly.MinValue) - Before;
            if (
                asOf(evening) is { } then
                && then.Stock.On(batch.Id, story.Zone.DayOf(evening)) is { } stood
                && then.Batches.First(b => b.Id == batch.Id).Stands is > 0 and var books
            )
                yield return new(EstimateOf.Number, day, stood.Count, books, came);
        }
    }

    // Counts of all, and days on which the net emptied the pond: what was taken then is what stood.
    private IEnumerable<(DateOnly Day, double Came)> CountsOf(BatchStory batch)
    {
        foreach (var count in batch.Changes.Where(c => c.CountedOneByOne is not null))
        {
            double came =
                count.Count > 0
                    ? count.Count
                    : batch.Harvests.Where(h => story.Zone.DayOf(h.At) == count.Day).Sum(h => h.Fact.Count);
            if (came > 0)
                yield return (count.Day, came);
        }
    }
}
