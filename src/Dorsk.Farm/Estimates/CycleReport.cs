using Dorsk.Core.Growth;
using Dorsk.Core.Harvest;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>A cycle of a pond in figures.</summary>
/// <param name="facts">The facts.</param>
/// <param name="stock">What stands.</param>
/// <param name="growth">How it grows.</param>
public sealed class CycleReport(PondFacts facts, StandingStock stock, GrowthOutlook growth)
{
    /// <summary>A cycle in figures, as it is known on a day; null before anything stands or was taken out.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="result">Its books added up.</param>
    /// <param name="today">The farm day.</param>
    /// <param name="priceOf">Price per kg of a kind of feed by number, in the currency, or null.</param>
    public CycleFigures? Of(BatchStory batch, CycleResult result, DateOnly today, Func<long, double?> priceOf)
    {
        var from = facts.Zone.DayOf(batch.ArrivedAt);
        var end = batch.EmptiedAt is { } closed ? facts.Zone.DayOf(closed) : today;
        var days = stock.Days(batch.Id, end);
        var (fish, kg) = Out(batch, result, days[^1]);
        if (fish <= 0 || kg <= 0 || result.Stocked <= 0)
            return null;
        var cost = result.GainKg > 0 ? FeedCost(batch, from, end, priceOf) / result.GainKg : null;
        var shape = facts.Pond.Shape;
        return new(
            facts.Pond.Code,
            batch.Id,
            batch.Species.Name,
            from,
            end.DayNumber - from.DayNumber,
            batch.EmptiedAt is not null,
            facts.Pond.ByVolume,
            result.Stocked / (facts.Pond.ByVolume ? shape.FullVolumeM3 : shape.FullAreaM2 / 10_000),
            batch.ArrivedMeanG,
            fish / result.Stocked,
            kg * 1000 / fish,
            result.Fcr,
            cost,
            days.Average(d => facts.TemperatureAhead(d.Day)),
            days.Average(d => d.Share),
            days.Count(d => d.Oxygen < 1),
            days.Count(d => facts.DawnLowOn(d.Day) is not null),
            growth.ReasonsOf(batch, end),
            result.Why
        );
    }

    // What was taken out, moved on and stands.
    private static (double Fish, double Kg) Out(BatchStory batch, CycleResult result, Standing last)
    {
        var standing = batch.EmptiedAt is null ? last : null;
        var fish = batch.Harvests.Sum(h => (double)h.Fact.Count) + result.MovedOut + (standing?.Count.Value ?? 0);
        var movedKg = result.MovedOut * last.MeanG.Value / 1000;
        return (fish, result.CaughtKg + (standing?.BiomassKg.Value ?? 0) + movedKg);
    }

    // A batch bears its share of each day's feed money; null where a kind has no price.
    private double? FeedCost(BatchStory batch, DateOnly from, DateOnly to, Func<long, double?> priceOf)
    {
        var cost = 0.0;
        var days = facts
            .Feedings.Select(f => (Fed: f, Day: facts.Zone.DayOf(f.At)))
            .Where(f => f.Day >= from && f.Day <= to)
            .GroupBy(f => f.Day, f => f.Fed);
        foreach (var day in days)
        {
            var money = day.Sum(f => f.Kg * (priceOf(f.FeedId) ?? double.NaN));
            var fed = facts.FedOn(day.Key);
            cost += fed > 0 ? money * stock.FedTo(batch, day.Key) / fed : 0;
        }
        return double.IsNaN(cost) ? null : cost;
    }
}
