using Dorsk.Core.Growth;
using Dorsk.Core.Harvest;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>How the fish of a pond are spread over sizes: by the last sample's own spread, else the species', cut by what was taken out since.</summary>
/// <param name="facts">The facts.</param>
/// <param name="stock">What stands.</param>
public sealed class SizeOutlook(PondFacts facts, StandingStock stock)
{
    // Casts weighed together say little of single fish: fewer of them than this and the species' spread counts.
    private const int EnoughFish = 20;

    /// <summary>Spread of a batch on a day; null where it does not stand.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="day">Farm day.</param>
    public SizeSpread? Of(BatchStory batch, DateOnly day)
    {
        if (stock.Near(batch, day) is not { Count.Value: > 0 } stands)
            return null;
        var (from, cvPct) = Base(batch, day);
        var before = stock.At(batch, from);
        var spread = SizeSpread.Of(before.Count.Value, before.MeanG.Value, cvPct);
        foreach (var change in batch.Changes.Where(c => c.Day > from && c.Day <= day && c.Count < 0))
        {
            var eve = stock.At(batch, change.Day.AddDays(-1));
            spread = spread.WithCount(eve.Count.Value).GrownTo(eve.MeanG.Value);
            if (WeighedOut.Of(eve.Count.Value, eve.MeanG.Value, eve.State.SdLogG, change).Shift != 0)
                spread = spread.Less(-change.Count, change.MeanG!.Value);
        }
        return spread.Count > 0 ? spread.WithCount(stands.Count.Value).GrownTo(stands.MeanG.Value) : null;
    }

    /// <summary>Share of a batch over a weight on a day, with the interval of its mean weight; null where it does not stand.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="day">Farm day.</param>
    /// <param name="g">Weight, g; above 0.</param>
    public Core.Judging.Interval? ShareOver(BatchStory batch, DateOnly day, double g)
    {
        if (Of(batch, day) is not { } spread || stock.Near(batch, day) is not { } stands)
            return null;
        return new(
            spread.ShareOver(g),
            spread.GrownTo(stands.MeanG.Low).ShareOver(g),
            spread.GrownTo(stands.MeanG.High).ShareOver(g),
            stands.MeanG.Level
        );
    }

    // The day of the last sample that shows the spread of single fish, and that spread; else the day they came.
    private (DateOnly Day, double CvPct) Base(BatchStory batch, DateOnly day)
    {
        var species = Math.Max(1, batch.Species.WeightCvPct);
        var shown = batch
            .Samples.Where(s =>
                facts.Zone.DayOf(s.At) <= day && s is { Single: true, Mean: { Count: >= EnoughFish, CvPct: > 0 } }
            )
            .ToList();
        return shown.Count > 0
            ? (facts.Zone.DayOf(shown[^1].At), shown[^1].Mean.CvPct!.Value)
            : (facts.Zone.DayOf(batch.ArrivedAt), species);
    }
}
