using System.Collections.Concurrent;
using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Season;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>How the batches of a pond grow: forecast, plan, when to weigh them, and what a cycle came to.</summary>
/// <param name="facts">The facts.</param>
/// <param name="stock">What stands.</param>
public sealed class GrowthOutlook(PondFacts facts, StandingStock stock)
{
    private readonly ConcurrentDictionary<(long Batch, DateOnly Day), IReadOnlyList<WeightAhead>> ahead = new();

    /// <summary>Growth forecast of a batch from a day on, as far as the season looks; worked out once.</summary>
    public IReadOnlyList<WeightAhead> AheadOf(BatchStory batch, DateOnly today) =>
        ahead.GetOrAdd((batch.Id, today), k =>
            GrowthForecast.Run(stock.At(batch, k.Day), batch.Species, facts.TemperatureAhead, SeasonInput.Days)
        );

    /// <summary>The day on which a batch reaches its target weight, with its 80 % interval.</summary>
    public TargetDate TargetOf(BatchStory batch, DateOnly today) =>
        GrowthForecast.DateOf(batch.TargetG, AheadOf(batch, today));

    /// <summary>Growth as planned for a batch, from its arrival to a day, g.</summary>
    public IReadOnlyList<(DateOnly Day, double MeanG)> PlanOf(BatchStory batch, DateOnly to) =>
        GrowthPlan.Run(batch.Species, batch.ArrivedMeanG, ArrivedOn(batch), to, facts.Temperature.Curve);

    /// <summary>When a batch is weighed next and how many fish.</summary>
    public SamplingPlan SamplingOf(BatchStory b, double wantedPct = SamplingPlan.UsualPct)
    {
        var last = b.Samples.Count > 0 ? b.Samples[^1] : default;
        return SamplingPlan.Of(
            b.Species,
            facts.Zone.DayOf(last.Mean is null ? b.ArrivedAt : last.At),
            last.Mean is not null,
            last.Mean?.Mean ?? b.ArrivedMeanG,
            b.Samples.LastOrDefault(s => s.Single).Mean?.CvPct,
            wantedPct
        );
    }

    /// <summary>The day on which a batch is weighed next.</summary>
    public DateOnly SampleDue(BatchStory b) => SamplingOf(b).Due;

    /// <summary>Grounds of a standing: how it was carried, and the feed as a second witness.</summary>
    public Grounds WhyStanding(BatchStory batch, Standing stands)
    {
        var last = batch.Samples.Count > 0 ? batch.Samples[^1] : default;
        var grounds = new Grounds(
            "Count: stocked, less the dead (those found and those not found), moves and harvests, less what goes unseen. Weight: from the last sample, grown day by day by temperature, feed and dawn oxygen; every sample also corrects this pond's own growth rate. Biomass is count × weight.",
            InputsOf(batch, stands, last),
            ["The true value lies inside the 90 % interval with a chance of 90 %."],
            StandingEstimate.Source,
            []
        );
        if (last.Mean is null)
            return grounds.Doubting("No sample yet: weight is estimated from stocking by the species' growth figure.");
        if (RecordsOf(batch, stands) is { } misfit)
            return grounds.Doubting(misfit + ".");
        // Feed is a witness of its own: when it and the books part, something is wrong that neither knows.
        var verdict = stock.WitnessOf(batch, stands.Day).Verdict;
        return verdict.Status == Status.Watch ? grounds.Doubting(verdict.Reason + ".") : grounds;
    }

    /// <summary>What does not fit in the records of a batch; null while they agree, and before any sample.</summary>
    public string? RecordsOf(BatchStory batch, Standing stands)
    {
        if (batch.Samples.Count == 0)
            return null;
        var startKg = batch.ArrivedCount * batch.ArrivedMeanG / 1000;
        return RecordsFit.Of(
            stands.RateFactor,
            stock.FedSince(batch, ArrivedOn(batch), stands.Day),
            (batch.Stands * stands.MeanG.Value / 1000) - startKg,
            DailyGain.Fcr(batch.Species, stands.MeanG.Value)
        );
    }

    /// <summary>Why a batch weighs more or less than planned, the strongest reason first.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="day">The farm day.</param>
    /// <param name="feeds">Kinds of feed, to tell poor feed; null: only water, rations and mornings are told.</param>
    public IReadOnlyList<GrowthReason> ReasonsOf(
        BatchStory batch,
        DateOnly day,
        IReadOnlyList<FeedKind>? feeds = null
    ) =>
        GrowthReasons.Of(
            batch.Species,
            stock.Days(batch.Id, day),
            (facts.TemperatureAhead, facts.Temperature.Curve),
            facts.DawnLowOn,
            facts.CapacityKg(batch.Species),
            facts.Farm.Hand,
            SeenOf(batch, day, feeds ?? [])
        );

    // Three points under what the stage wants is poor feed, not a rounded label.
    private const double ProteinSlack = 3;

    private GrowthWater SeenOf(BatchStory batch, DateOnly day, IReadOnlyList<FeedKind> feeds)
    {
        var (from, to) = (batch.ArrivedAt, facts.Zone.At(day.AddDays(1), TimeOnly.MinValue));
        var ph = facts.ReadingsOf[Parameter.Ph].Between(from, to).GroupBy(t => facts.Zone.DayOf(t.At)).ToList();
        var low = stock.LimitsOn(day)?.PhLow ?? 0;
        var days = stock.Days(batch.Id, day);
        var given = facts.Feedings.Where(f => f.At >= from && f.At < to).ToList();
        var sizes = FeedSize.For(batch.Species);
        bool IsPoor(Fed fed) =>
            feeds.FirstOrDefault(k => k.Id == fed.FeedId) is { } kind
            && days.LastOrDefault(d => d.Day <= facts.Zone.DayOf(fed.At))?.MeanG.Value is { } g
            && sizes.FirstOrDefault(s => g >= s.FromG && g < s.ToG) is { } wants
            && kind.ProteinPct < wants.ProteinPct.Low - ProteinSlack;
        var kg = given.Sum(f => f.Kg);
        return new(
            ph.Count(g => g.Min(t => t.Si) < low),
            ph.Count,
            kg > 0 ? given.Where(IsPoor).Sum(f => f.Kg) / kg : 0
        );
    }

    private IReadOnlyList<Input> InputsOf(BatchStory batch, Standing stands, BatchSample last)
    {
        var found = facts.Farm.Hand.Short(StandingSettings.UsuallyFound(facts.Pond.ByVolume, batch.Species), 2);
        return InputsOf(batch, stands, last, found);
    }

    private IReadOnlyList<Input> InputsOf(BatchStory batch, Standing stands, BatchSample last, string found) =>
        [
            new(
                "stocked",
                batch.ArrivedCount,
                Measures.Plain,
                $"{(batch.OneByOne ? "counted" : "by weight")}, ± {100 * (batch.OneByOne ? StandingSettings.CountedShare : StandingSettings.ByWeightShare):0} %"
            ),
            new("weight at stocking", batch.ArrivedMeanG, Measures.FishWeight, "stocking slip"),
            new(
                "dead found",
                batch.Losses.Sum(x => x.Fact.Count),
                Measures.Plain,
                $"share found taken as {found} where the slip says none"
            ),
            LastSample(last),
            new(
                "feed given",
                stock.FedSince(batch, ArrivedOn(batch), stands.Day),
                Measures.Mass,
                "feedings written down"
            ),
            new(
                "biomass by feed alone",
                stock.ByFeedKg(batch, stands),
                Measures.Mass,
                "stocked and fed by the planned FCR"
            ),
            Input.Said(
                "this pond's growth rate",
                FormattableString.Invariant($"{stands.RateFactor * 100:0} %"),
                "of the species' figure, learned from samples"
            ),
        ];

    private Input LastSample(BatchSample last) =>
        last.Mean is null
            ? Input.Said("last sample", "none yet", "no sample was weighed")
            : new(
                "last sample",
                last.Mean.Mean,
                Measures.FishWeight,
                FormattableString.Invariant($"weighed {facts.Zone.DayOf(last.At):d MMM yyyy}, {last.Mean.Count} fish")
            );

    private DateOnly ArrivedOn(BatchStory batch) => facts.Zone.DayOf(batch.ArrivedAt);
}
