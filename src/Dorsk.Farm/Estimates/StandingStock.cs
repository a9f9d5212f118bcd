using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Species;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>How many fish stand in a pond and what they weigh, estimated day by day from its facts.</summary>
/// <param name="facts">The facts.</param>
public sealed class StandingStock(PondFacts facts)
{
    // Pages ask for today and for tomorrow in turn: the last few days that were asked for are kept.
    private const int DaysKept = 3;
    private readonly Dictionary<long, LinkedList<(DateOnly To, IReadOnlyList<Standing> Days)>> standings = [];
    private readonly Lock estimating = new();

    // From which day to which each batch was here.
    private readonly (BatchStory Batch, DateOnly From, DateOnly To)[] stays =
    [
        .. facts.Batches.Select(b =>
            (b, facts.Zone.DayOf(b.ArrivedAt), b.EmptiedAt is { } closed ? facts.Zone.DayOf(closed) : DateOnly.MaxValue)
        ),
    ];

    /// <summary>Standing estimates of a batch from arrival to a day.</summary>
    public IReadOnlyList<Standing> Days(long batchId, DateOnly to)
    {
        lock (estimating)
        {
            if (!standings.TryGetValue(batchId, out var known))
                standings[batchId] = known = new();
            foreach (var kept in known)
                if (kept.To == to)
                    return kept.Days;
            var days = StandingEstimate.Run(History(facts.Batches.First(b => b.Id == batchId)), to);
            known.AddFirst((to, days));
            if (known.Count > DaysKept)
                known.RemoveLast();
            return days;
        }
    }

    /// <summary>Standing of a batch on a day, or null before it arrived or where it never was.</summary>
    public Standing? On(long batchId, DateOnly day) =>
        facts.Batches.Any(b => b.Id == batchId && ArrivedOn(b) <= day) ? Days(batchId, day)[^1] : null;

    /// <summary>The same, and that of its arrival on the day before: the door lets clocks differ by minutes, so that fish may be written down just before midnight as having come just after it.</summary>
    public Standing? Near(BatchStory batch, DateOnly day) =>
        On(batch.Id, day) ?? (ArrivedOn(batch) == day.AddDays(1) ? At(batch, day) : null);

    /// <summary>Standing of a batch on a day; on the day of its arrival where that lies later, as it does when a clock was turned back.</summary>
    public Standing At(BatchStory batch, DateOnly day) =>
        Days(batch.Id, ArrivedOn(batch) is var arrived && arrived > day ? arrived : day)[^1];

    /// <summary>Estimated biomass of all batches on a day, kg.</summary>
    public double BiomassKgOn(DateOnly day) => facts.Standing.Sum(b => At(b, day).BiomassKg.Value);

    /// <summary>Limits of the most sensitive batch that stands here on a day; null when none does.</summary>
    public WaterLimits? LimitsOn(DateOnly day) =>
        facts
            .Standing.Select(b => Near(b, day) is { } s ? LimitsOf(b.Species, s) : null)
            .OfType<WaterLimits>()
            .MaxBy(l => l.DoActMgL);

    /// <summary>Species, mean weight in g and biomass in kg of each batch that stands here on a day.</summary>
    internal List<(FishSpecies Species, double MeanG, double Kg)> StockOn(DateOnly day) =>
        [
            .. facts
                .Standing.Select(b => (b.Species, Stands: Near(b, day)))
                .Where(s => s.Stands is not null)
                .Select(s => (s.Species, s.Stands!.MeanG.Value, s.Stands.BiomassKg.Value)),
        ];

    /// <summary>What feed and weight say of its number on a day, beside each other.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="day">The farm day.</param>
    /// <param name="byEye">Whether they are fed what they take; null: as the pond's way of feeding says.</param>
    public Witness WitnessOf(BatchStory batch, DateOnly day, bool? byEye = null) =>
        Witness.Of(History(batch), Days(batch.Id, day), byEye ?? facts.Rations.School == RationSchool.Satiation);

    /// <summary>Feed given to a batch on a day, kg: all of it when it is alone, else by its share of weight as last weighed.</summary>
    public double FedTo(BatchStory batch, DateOnly day)
    {
        var fed = facts.FedOn(day);
        if (fed == 0)
            return 0;
        var isHere = false;
        var others = 0.0;
        foreach (var stay in stays.Where(s => s.From <= day && s.To >= day))
            if (stay.Batch.Id == batch.Id)
                isHere = true;
            else
                others += RoughKg(stay.Batch, day);
        if (!isHere)
            return 0;
        if (others == 0)
            return fed;
        var own = RoughKg(batch, day);
        return fed * own / Math.Max(1e-9, own + others);
    }

    /// <summary>Feed given to a batch from one day to another, both included, kg.</summary>
    public double FedSince(BatchStory batch, DateOnly from, DateOnly to)
    {
        var kg = 0.0;
        for (var day = from; day <= to; day = day.AddDays(1))
            kg += FedTo(batch, day);
        return kg;
    }

    /// <summary>Planned conversion (FCR) is seldom known better than this.</summary>
    public const double FcrDoubt = 0.2;

    /// <summary>What the feed alone would have made by today, kg; see <see cref="FeedAlone"/>.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="stands">Its estimate of the day.</param>
    /// <param name="fcrMore">What is added to the planned conversion.</param>
    public double ByFeedKg(BatchStory batch, Standing stands, double fcrMore = 0)
    {
        // One estimate says the weight of every day: asked for by the day it would be run as often as there are days.
        var days = Days(batch.Id, stands.Day);
        var first = days[0].Day.DayNumber;
        return FeedAlone.Kg(
            batch,
            ArrivedOn(batch),
            stands.Day,
            day => (FedTo(batch, day), days[Math.Clamp(day.DayNumber - first, 0, days.Count - 1)].MeanG.Value),
            fcrMore
        );
    }

    /// <summary>Oxygen under which a species at a stage is watched, mg/L.</summary>
    internal static double WatchMgL(FishSpecies species, LifeStage stage) => WaterLimits.For(species, stage).DoWatchMgL;

    internal static WaterLimits LimitsOf(FishSpecies species, Standing stands) =>
        WaterLimits.For(species, WaterLimits.StageOf(species, stands.MeanG.Value));

    private DateOnly ArrivedOn(BatchStory batch) => facts.Zone.DayOf(batch.ArrivedAt);

    private BatchHistory History(BatchStory b) =>
        new(
            b.Species,
            ArrivedOn(b),
            b.ArrivedCount,
            b.ArrivedMeanG,
            b.OneByOne,
            facts.Pond.ByVolume,
            b.Changes,
            [.. b.Samples.Select(s => new WeightSample(facts.Zone.DayOf(s.At), s.Mean))],
            facts.TemperatureAhead,
            day => FedTo(b, day),
            facts.DawnLowOn
        );

    private double RoughKg(BatchStory b, DateOnly day)
    {
        var weighed = b.Samples.LastOrDefault(s => facts.Zone.DayOf(s.At) <= day).Mean?.Mean;
        return b.History.StandsOn(day) * (weighed ?? b.ArrivedMeanG) / 1000;
    }
}
