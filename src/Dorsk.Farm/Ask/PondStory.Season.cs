using System.Collections.Concurrent;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Season;
using Dorsk.Core.Species;

namespace Dorsk.Farm.Ask;

/// <summary>Biomass of a pond on a day that was, kg, with its interval.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="Kg">At the end of it.</param>
public readonly record struct StoodOn(DateOnly Day, Interval Kg);

public sealed partial class PondStory
{
    private const int RibbonStepDays = 14;
    private readonly ConcurrentDictionary<(long Batch, DateOnly Day), IReadOnlyList<WeightAhead>> ahead = new();
    private readonly ConcurrentDictionary<
        (string Species, DateOnly From, double MeanG, DateOnly Last),
        IReadOnlyList<WeightAhead>
    > grown = new();
    private readonly ConcurrentDictionary<DateOnly, IReadOnlyList<StoodOn>> stood = new();
    private IReadOnlyList<(DateOnly Month, long FeedId, double Kg)>? fedByMonth;

    /// <summary>Its plans for fish to leave and to come.</summary>
    public PondPlans Plans { get; private init; } = PondPlans.None;

    /// <summary>Growth forecast of a batch from a day on, as far as the season looks; worked out once.</summary>
    public IReadOnlyList<WeightAhead> AheadOf(BatchStory batch, DateOnly today) =>
        ahead.GetOrAdd((batch.Id, today), k =>
            GrowthForecast.Run(StandsOn(batch, k.Day), batch.Species, TemperatureAhead, SeasonInput.Days)
        );

    /// <summary>Plans for standing fish to leave that nothing has answered yet: each harvest or move after a plan was written answers the first of them.</summary>
    public IReadOnlyList<(long Line, HarvestPlanned Fact)> OpenHarvests =>
        [
            .. Standing.SelectMany(b =>
            {
                var mine = Plans.Harvests.Where(h => h.Fact.BatchId == b.Id).OrderBy(h => h.Fact.On).ToList();
                var gone = b
                    .Harvests.Select(h => h.At)
                    .Concat(
                        b.Changes.Where(x =>
                                x is { Count: < 0, MeanG: not null } && !b.Harvests.Any(h => Zone.DayOf(h.At) == x.Day)
                            )
                            .Select(x => Zone.At(x.Day, new(23, 59)))
                    )
                    .Order()
                    .ToList();
                foreach (var at in gone)
                    if (mine.FindIndex(h => h.Fact.Count is not null && h.First < at) is >= 0 and var answered)
                        mine.RemoveAt(answered);
                // One plan for the last day: the one written last.
                var last = mine.Where(h => h.Fact.Count is null).OrderBy(h => h.Line).LastOrDefault();
                return mine.Where(h => h.Fact.Count is not null || h.Line == last.Line).Select(h => (h.Line, h.Fact));
            }),
        ];

    /// <summary>Plans for fish to come that nothing has answered yet: each batch that came after a plan was written answers the first of them.</summary>
    public IReadOnlyList<(long Line, CyclePlanned Fact)> OpenCycles
    {
        get
        {
            var open = Plans.Cycles.OrderBy(p => p.Fact.StockOn).ToList();
            foreach (var b in Batches.OrderBy(b => b.ArrivedAt))
                if (open.FindIndex(p => p.First < b.ArrivedAt) is >= 0 and var answered)
                    open.RemoveAt(answered);
            return [.. open.Select(p => (p.Line, p.Fact))];
        }
    }

    /// <summary>The next farm day, from a day on, on which fish are planned to leave: for the market, or for another pond; null when none is.</summary>
    public DateOnly? FishedNext(DateOnly from) =>
        OpenHarvests
            .Select(h => h.Fact.On)
            .Concat(Plans.ToOthers.Select(t => t.StockOn))
            .Where(on => on >= from)
            .Select(on => (DateOnly?)on)
            .Min();

    /// <summary>The pond as the season sees it.</summary>
    public SeasonPond SeasonPondAt(DateTimeOffset now) =>
        new(
            Pond.Id,
            Pond.Code,
            CapacityKg,
            TemperatureAhead,
            KnownSpecies,
            (species, from, meanG) => Grow(species, from, meanG, Zone.DayOf(now).AddDays(SeasonInput.Days)),
            s => StandingEstimate.UnseenDailyShare(s, Pond.ByVolume),
            PrepareDays,
            Standing.Any() ? null : ReadyOn(now)
        );

    /// <summary>What stands in it, as the season sees it.</summary>
    public IEnumerable<SeasonBatch> SeasonBatchesAt(DateOnly today) =>
        Standing.Select(b => new SeasonBatch(
            Pond.Id,
            b.Id,
            b.Species,
            b.TargetG,
            StandsOn(b, today).Count,
            b.Samples.LastOrDefault(s => s.Single).Mean?.CvPct ?? b.Species.WeightCvPct,
            AheadOf(b, today),
            SampleDue(b)
        ));

    /// <summary>What stood in it fortnight by fortnight, and on the day before and of each coming, leaving and harvest.</summary>
    public IReadOnlyList<StoodOn> StoodTo(DateOnly today) => stood.GetOrAdd(today, Stood);

    /// <summary>Feed given by month and kind, kg.</summary>
    public IReadOnlyList<(DateOnly Month, long FeedId, double Kg)> FedByMonth =>
        fedByMonth ??= [
            .. Feedings
                .GroupBy(f => (Month: new DateOnly(Zone.LocalAt(f.At).Year, Zone.LocalAt(f.At).Month, 1), f.FeedId))
                .Select(g => (g.Key.Month, g.Key.FeedId, g.Sum(f => f.Kg))),
        ];

    // A pond without a plan of its own is dried ten days, as the slip proposes.
    private int PrepareDays => prepareDays ??= Prepare();

    private int? prepareDays;

    private int Prepare()
    {
        var plan = PreparationLine?.Plan
            ?? new(
                Pond.Id,
                null,
                LikelySpecies.Key,
                10,
                LimeSchool.None,
                null,
                SoilTexture.HeavyLoamOrClay,
                null,
                90,
                PestSchool.DryAndScreen,
                null,
                10,
                FertiliserSchool.None,
                false,
                new(25, null, null, null, null)
            );
        var day = new DateOnly(2000, 1, 1);
        return PrepPlan
                .Of(PrepSteps.For(plan, PrepPond), day, null, new Dictionary<string, StepDone>(), day)
                .StockOn.DayNumber - day.DayNumber;
    }

    private DateOnly ReadyOn(DateTimeOffset now)
    {
        var today = Zone.DayOf(now);
        var since = EmptiedBefore(now);
        return
            Works.Any(w => w.Work == PondWork.DeclaredReady && w.At > since && w.At <= now)
            || Batches.Count == 0 && PreparationLine is null
            ? today
            : PreparationAt(now, asSoonAs: true)?.Plan.StockOn ?? today.AddDays(PrepareDays);
    }

    internal Func<string, FishSpecies> KnownSpecies { get; init; } = FishSpecies.Of;

    private IReadOnlyList<WeightAhead> Grow(FishSpecies species, DateOnly from, double meanG, DateOnly last) =>
        grown.GetOrAdd((species.Key, from, Math.Round(meanG, 1), last), _ =>
            GrowthForecast.Planned(species, meanG, from, TemperatureAhead, Math.Max(1, last.DayNumber - from.DayNumber))
        );

    private List<StoodOn> Stood(DateOnly today)
    {
        if (Batches.Count == 0)
            return [];
        var first = Batches.Min(b => Zone.DayOf(b.ArrivedAt));
        var runs = Batches
            .Select(b =>
                (
                    From: Zone.DayOf(b.ArrivedAt),
                    Closed: b.EmptiedAt is { } c ? Zone.DayOf(c) : (DateOnly?)null,
                    Days: Standings(b.Id, b.EmptiedAt is { } end ? Zone.DayOf(end) : today),
                    b
                )
            )
            .ToList();
        // A ribbon steps where fish come and leave.
        var steps = runs.SelectMany(r =>
                r.b.Harvests.Select(h => Zone.DayOf(h.At))
                    .Concat(r.b.Changes.Where(x => x.MeanG is not null).Select(x => x.Day))
                    .Append(r.From)
            )
            .SelectMany(d => new[] { d.AddDays(-1), d });
        var days = new SortedSet<DateOnly>(steps.Where(d => d >= first && d <= today)) { first, today };
        for (var day = today; day >= first; day = day.AddDays(-RibbonStepDays))
            days.Add(day);
        return
        [
            .. days.Select(day =>
            {
                var there = runs.Where(r => r.From <= day && !(r.Closed <= day))
                    .Select(r => r.Days[Math.Min(day.DayNumber - r.From.DayNumber, r.Days.Count - 1)].BiomassKg)
                    .ToList();
                return new StoodOn(
                    day,
                    new(there.Sum(k => k.Value), there.Sum(k => k.Low), there.Sum(k => k.High), StandingSettings.Level)
                );
            }),
        ];
    }
}
