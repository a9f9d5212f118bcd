using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>What the fish of a pond are to be fed.</summary>
/// <param name="facts">The facts.</param>
/// <param name="stock">What stands.</param>
/// <param name="growth">How it grows.</param>
/// <param name="verdict">The verdict on the water.</param>
public sealed class PondRation(PondFacts facts, StandingStock stock, GrowthOutlook growth, WaterVerdict verdict)
{
    /// <summary>The kind in the store that the fish are to be fed: nearest to what the size of the heaviest batch takes, else the one they ate last, else the first; null without any.</summary>
    /// <param name="now">The instant.</param>
    /// <param name="feeds">Kinds of feed in the store.</param>
    public long? FeedFor(DateTimeOffset now, IReadOnlyList<FeedKind> feeds)
    {
        var day = facts.Zone.DayOf(now);
        var (species, stands) = facts
            .Standing.Select(b => (b.Species, Stands: stock.At(b, day)))
            .DefaultIfEmpty()
            .MaxBy(x => x.Stands?.BiomassKg.Value);
        long?[] wanted =
        [
            species is null
                ? null
                : FeedAhead.KindFor(species, stands.MeanG.Value, [.. feeds.Select(f => (f.Id, f.PelletMm))]),
            facts.Feedings.Count > 0 ? facts.Feedings[^1].FeedId : null,
        ];
        return wanted.FirstOrDefault(w => feeds.Any(f => f.Id == w)) ?? (feeds.Count > 0 ? feeds[0].Id : null);
    }

    /// <summary>Ration of a batch on a day, or null where it does not stand.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="day">The farm day.</param>
    /// <param name="tonightLowMgL">Forecast low of the coming night, or null.</param>
    /// <param name="held">Findings of the verdict on the pond that hold the feed; null for none.</param>
    /// <param name="fedOn">A day before it on which they are planned to be fed, or null.</param>
    public RationPlan? Of(
        BatchStory batch,
        DateOnly day,
        double? tonightLowMgL,
        IReadOnlyList<Finding>? held = null,
        DateOnly? fedOn = null
    )
    {
        if (batch.Stands <= 0 || stock.Near(batch, day) is not { } stands)
            return null;
        var (temp, basis) = facts.Temperature.On(day);
        var areaHa = facts.Pond.Shape.FullAreaM2 / 10_000;
        var endOfDay = facts.Zone.At(day, new(23, 59));
        var pondKg = facts.Standing.Sum(b => stock.Near(b, day)?.BiomassKg.Value ?? 0);
        return Ration.For(
            new(
                batch.Species,
                stands.MeanG.Value,
                stands.Count.Value,
                stands.FullGainG,
                DailyGain.Fcr(batch.Species, stands.MeanG.Value),
                temp,
                Known(basis),
                facts.DawnLowOn(day),
                tonightLowMgL,
                StandingStock.LimitsOf(batch.Species, stands),
                areaHa,
                facts.AeratorsAt(endOfDay).Sum(a => a.ShaftKW) / areaHa,
                facts.Pond.ByVolume,
                pondKg > 0 ? stands.BiomassKg.Value / pondKg : 1,
                facts.Farm.Hand
            )
            {
                Held = held ?? [],
                WarmOn = temp < batch.Species.FeedMinC ? WarmOn(batch.Species.FeedMinC, day) : null,
                Day = day,
                Sun = SunOn(day),
                FishedOn = FishPlans.FishedNext(facts, day),
                SampledOn = growth.SampleDue(batch),
                FedDays = FedDays(day, fedOn),
                School = facts.Rations.School,
                Scored = facts.Rations.Scored.LastOrDefault(s => s.Day < day),
                LastScore = facts.Rations.Scored.LastOrDefault(s => s.Day <= day) is { } score
                    ? (score.Day, score.Score)
                    : null,
                Overruled = facts.Rations.Overruled.TryGetValue((batch.Id, day), out var wanted) ? wanted : null,
            }
        );
    }

    /// <summary>Ration of a batch on the morrow: by the likely temperature, without the restrictions of a night that has not been.</summary>
    public RationPlan? Tomorrow(BatchStory batch, DateTimeOffset now)
    {
        var today = facts.Zone.DayOf(now);
        List<Finding> held = [.. verdict.At(now, null).Holding];
        var fedToday = Of(batch, today, null, held) is { PlannedKg: > 0 };
        return Of(batch, today.AddDays(1), null, held, fedToday ? today : null);
    }

    // By the likely temperature of this pond, within a year.
    private DateOnly? WarmOn(double leastC, DateOnly day) =>
        Enumerable
            .Range(1, 365)
            .Select(n => (DateOnly?)day.AddDays(n))
            .FirstOrDefault(d => facts.Temperature.On(d!.Value).TempC >= leastC);

    private (TimeOnly, TimeOnly) SunOn(DateOnly day)
    {
        var (rise, set) = facts.SunOn(day);
        TimeOnly Local(DateTimeOffset at) => TimeOnly.FromDateTime(facts.Zone.LocalAt(at));
        return (Local(rise), Local(set));
    }

    private List<DateOnly> FedDays(DateOnly day, DateOnly? planned = null)
    {
        var days = Enumerable.Range(1, FeedDays.DaysBack).Select(n => day.AddDays(-n));
        return [.. days.Where(d => d == planned || facts.FedOn(d) > 0)];
    }

    private static string Known(TemperatureBasis basis) =>
        basis switch
        {
            TemperatureBasis.Measured => "measured today",
            TemperatureBasis.Between => "between readings",
            _ => "yearly curve and last readings",
        };
}
