using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Ask;

public sealed partial class PondStory
{
    /// <summary>The kind in the store that the fish are to be fed: nearest to what the size of the heaviest batch takes, else the one they ate last, else the first; null without any.</summary>
    /// <param name="now">The instant.</param>
    /// <param name="feeds">Kinds of feed in the store.</param>
    public long? FeedFor(DateTimeOffset now, IReadOnlyList<FeedKind> feeds)
    {
        var day = Zone.DayOf(now);
        var heaviest = Standing.Select(b => (b.Species, Stands: StandsOn(b, day))).MaxBy(x => x.Stands.BiomassKg.Value);
        var bySize = heaviest.Species is { } species
            ? Core.Feeding.FeedAhead.KindFor(
                species,
                heaviest.Stands.MeanG.Value,
                [.. feeds.Select(f => (f.Id, f.PelletMm))]
            )
            : null;
        var last = Feedings.Count > 0 ? Feedings[^1].FeedId : (long?)null;
        return feeds.FirstOrDefault(f => f.Id == bySize)?.Id
            ?? feeds.FirstOrDefault(f => f.Id == last)?.Id
            ?? (feeds.Count > 0 ? feeds[0].Id : null);
    }

    /// <summary>Ration of a batch on a day, or null where it does not stand.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="day">The farm day.</param>
    /// <param name="tonightLowMgL">Forecast low of the coming night, or null.</param>
    /// <param name="held">Findings of the verdict on the pond that hold the feed; null for none.</param>
    public RationPlan? RationOf(
        BatchStory batch,
        DateOnly day,
        double? tonightLowMgL,
        IReadOnlyList<Finding>? held = null
    )
    {
        if (batch.Stands <= 0 || StandingNear(batch, day) is not { } stands)
            return null;
        var (temp, basis) = Temperature.On(day);
        var area = Pond.Shape.FullAreaM2 / 10_000;
        var kw = AeratorsAt(Zone.At(day, new(23, 59))).Sum(a => a.ShaftKW);
        var pondKg = Standing.Sum(b => StandingNear(b, day)?.BiomassKg.Value ?? 0);
        var known = basis switch
        {
            TemperatureBasis.Measured => "measured today",
            TemperatureBasis.Between => "between readings",
            _ => "yearly curve and last readings",
        };
        return Ration.For(
            new(
                batch.Species,
                stands.MeanG.Value,
                stands.Count.Value,
                stands.FullGainG,
                DailyGain.Fcr(batch.Species, stands.MeanG.Value),
                temp,
                known,
                DawnLowOn(day),
                tonightLowMgL,
                WaterLimits.For(batch.Species, WaterLimits.StageOf(batch.Species, stands.MeanG.Value)),
                area,
                kw / area,
                Pond.ByVolume,
                pondKg > 0 ? stands.BiomassKg.Value / pondKg : 1,
                Farm.Hand
            )
            {
                Held = held ?? [],
                Day = day,
                FishedOn = FishedNext(day),
                SampledOn = SampleDue(batch),
                School = Rations.School,
                Scored = Rations.Scored.LastOrDefault(s => s.Day < day),
                Overruled = Rations.Overruled.TryGetValue((batch.Id, day), out var wanted) ? wanted : null,
            }
        );
    }

    /// <summary>Ration of a batch on the morrow: by the likely temperature, without the brakes of a night that has not been.</summary>
    public RationPlan? RationTomorrow(BatchStory batch, DateTimeOffset now) =>
        RationOf(batch, Zone.DayOf(now).AddDays(1), null, [.. VerdictAt(now, null).Holding]);

    /// <summary>Grounds of a standing: how it was carried, and the feed as a second witness.</summary>
    public Grounds WhyStanding(BatchStory batch, Standing stands)
    {
        var last = batch.Samples.Count > 0 ? batch.Samples[^1] : default;
        var fed = FedSince(batch, Zone.DayOf(batch.ArrivedAt), stands.Day);
        var grounds = new Grounds(
            "Count: stocked, less the dead (those found and those not found), moves and harvests, less what goes unseen. Weight: from the last sample, grown day by day by temperature, feed and dawn oxygen; every sample also corrects this pond's own growth rate. Biomass is count × weight.",
            [
                new(
                    "stocked",
                    batch.ArrivedCount,
                    Measures.Plain,
                    batch.OneByOne ? "counted, ± 2 %" : "by weight, ± 5 %"
                ),
                new("weight at stocking", batch.ArrivedMeanG, Measures.FishWeight, "stocking slip"),
                new(
                    "dead found",
                    batch.Losses.Sum(x => x.Fact.Count),
                    Measures.Plain,
                    $"share found taken as {Farm.Hand.Short(StandingSettings.UsuallyFound(Pond.ByVolume), 2)} where the slip says none"
                ),
                last.Mean is null
                    ? Input.Said("last sample", "none yet", "")
                    : new(
                        "last sample",
                        last.Mean.Mean,
                        Measures.FishWeight,
                        FormattableString.Invariant($"weighed {Zone.DayOf(last.At):d MMM yyyy}, {last.Mean.Count} fish")
                    ),
                new("feed given", fed, Measures.Mass, "feedings written down"),
                new(
                    "biomass by feed alone",
                    ByFeedKg(batch, stands),
                    Measures.Mass,
                    "stocked and fed by the planned FCR"
                ),
                Input.Said(
                    "this pond's growth rate",
                    FormattableString.Invariant($"{stands.RateFactor * 100:0} %"),
                    "of the species' figure, learned from samples"
                ),
            ],
            ["90 % interval: in nine cases of ten the truth lies inside."],
            StandingEstimate.Source,
            []
        );
        return last.Mean is null
            ? grounds.Doubting("No sample yet: weight is reckoned from stocking by the species' growth figure.")
            : Heard(batch, stands, grounds);
    }

    /// <summary>Feed given to a batch from one day to another, both included, kg.</summary>
    public double FedSince(BatchStory batch, DateOnly from, DateOnly to) =>
        fedKg.Keys.Where(d => d >= from && d <= to).Sum(d => FedTo(batch, d));

    /// <summary>What the feed alone would have made: stocked and fed by the planned FCR, less what was harvested, kg. For many farms the only inventory there is.</summary>
    public double ByFeedKg(BatchStory batch, Standing stands) =>
        Math.Max(
            0,
            (batch.ArrivedCount * batch.ArrivedMeanG / 1000)
                + (
                    FedSince(batch, Zone.DayOf(batch.ArrivedAt), stands.Day)
                    / Math.Max(0.1, DailyGain.Fcr(batch.Species, stands.MeanG.Value))
                )
                - batch.Harvests.Sum(h => h.Fact.MassKg)
        );

    // Feed is a witness of its own: when it and the books part, something is wrong that neither knows.
    private Grounds Heard(BatchStory batch, Standing stands, Grounds grounds)
    {
        var verdict = WitnessOf(batch, stands.Day).Verdict;
        return verdict.Status == Status.Watch ? grounds.Doubting(verdict.Reason + ".") : grounds;
    }

    /// <summary>Why a batch weighs more or less than planned, the strongest reason first.</summary>
    public IReadOnlyList<GrowthReason> GrowthReasonsOf(BatchStory batch, DateOnly day) =>
        GrowthReasons.Of(
            batch.Species,
            Standings(batch.Id, day),
            d => Temperature.On(d).TempC,
            Temperature.Curve,
            DawnLowOn,
            CapacityKg(batch.Species)
        );
}
