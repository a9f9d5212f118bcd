using Dorsk.Core.Harvest;

namespace Dorsk.Farm.Ask;

public sealed partial class PondStory
{
    /// <summary>A cycle in figures, as it is known on a day; null before anything stands or was taken out.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="result">Its books added up.</param>
    /// <param name="today">The farm day.</param>
    /// <param name="priceOf">Price per kg of a kind of feed by number, in the currency, or null.</param>
    public CycleFigures? FiguresOf(BatchStory batch, CycleResult result, DateOnly today, Func<long, double?> priceOf)
    {
        var from = Zone.DayOf(batch.ArrivedAt);
        var end = batch.EmptiedAt is { } closed ? Zone.DayOf(closed) : today;
        var days = Standings(batch.Id, end);
        var standing = batch.EmptiedAt is null ? days[^1] : null;
        var taken = batch.Harvests.Sum(h => (double)h.Fact.Count) + result.MovedOut;
        var fish = taken + (standing?.Count.Value ?? 0);
        var kg = result.CaughtKg + (standing?.BiomassKg.Value ?? 0) + (result.MovedOut * days[^1].MeanG.Value / 1000);
        var size = Pond.ByVolume ? Pond.Shape.FullVolumeM3 : Pond.Shape.FullAreaM2 / 10_000;
        if (fish <= 0 || kg <= 0 || result.Stocked <= 0)
            return null;
        var read = days.Count(d => DawnLowOn(d.Day) is not null);
        return new(
            Pond.Code,
            batch.Id,
            batch.Species.Name,
            from,
            end.DayNumber - from.DayNumber,
            batch.EmptiedAt is not null,
            Pond.ByVolume,
            result.Stocked / size,
            batch.ArrivedMeanG,
            fish / result.Stocked,
            kg * 1000 / fish,
            result.Fcr,
            FeedCost(batch, from, end, priceOf) is { } cost && result.GainKg > 0 ? cost / result.GainKg : null,
            days.Average(d => Temperature.On(d.Day).TempC),
            days.Average(d => d.Share),
            days.Count(d => d.Oxygen < 1),
            read,
            GrowthReasonsOf(batch, end),
            result.Why
        );
    }

    // A batch bears its share of each day's feed money; null where a kind has no price.
    private double? FeedCost(BatchStory batch, DateOnly from, DateOnly to, Func<long, double?> priceOf)
    {
        var cost = 0.0;
        foreach (
            var day in Feedings
                .Where(f => Zone.DayOf(f.At) >= from && Zone.DayOf(f.At) <= to)
                .GroupBy(f => Zone.DayOf(f.At))
        )
        {
            var money = day.Sum(f => f.Kg * (priceOf(f.FeedId) ?? double.NaN));
            cost += FedOn(day.Key) > 0 ? money * FedTo(batch, day.Key) / FedOn(day.Key) : 0;
        }
        return double.IsNaN(cost) ? null : cost;
    }
}
