using System.Collections.Concurrent;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Season;
using Dorsk.Core.Species;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>Biomass of a pond on a day that was, kg, with its interval.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="Kg">At the end of it.</param>
public readonly record struct StoodOn(DateOnly Day, Interval Kg);

/// <summary>A pond as the season sees it.</summary>
/// <param name="facts">The facts.</param>
/// <param name="stock">What stands.</param>
/// <param name="growth">How it grows.</param>
/// <param name="readiness">How far it is on its way to be stocked.</param>
public sealed class SeasonOutlook(PondFacts facts, StandingStock stock, GrowthOutlook growth, Readiness readiness)
{
    private const int RibbonStepDays = 14,
        UsualDryDays = 10;
    private readonly ConcurrentDictionary<
        (string Species, DateOnly From, double MeanG, DateOnly Last),
        IReadOnlyList<WeightAhead>
    > grown = new();
    private readonly ConcurrentDictionary<DateOnly, IReadOnlyList<StoodOn>> stood = new();
    private int? prepareDays;

    /// <summary>The pond.</summary>
    public SeasonPond PondAt(DateTimeOffset now) =>
        new(
            facts.Pond.Id,
            facts.Pond.Code,
            facts.CapacityKg,
            facts.TemperatureAhead,
            facts.KnownSpecies,
            (species, from, meanG) => Grow(species, from, meanG, facts.Zone.DayOf(now).AddDays(SeasonInput.Days)),
            s => StandingEstimate.UnseenDailyShare(s, facts.Pond.ByVolume),
            prepareDays ??= DaysToPrepare(),
            facts.Standing.Any() ? null : ReadyOn(now)
        );

    /// <summary>What stands in it.</summary>
    public IEnumerable<SeasonBatch> BatchesAt(DateOnly today) =>
        facts.Standing.Select(b => new SeasonBatch(
            facts.Pond.Id,
            b.Id,
            b.Species,
            b.TargetG,
            stock.At(b, today).Count,
            b.Samples.LastOrDefault(s => s.Single).Mean?.CvPct ?? b.Species.WeightCvPct,
            growth.AheadOf(b, today),
            growth.SampleDue(b)
        ));

    /// <summary>What stood in it fortnight by fortnight, and on the day before and of each coming, leaving and harvest.</summary>
    public IReadOnlyList<StoodOn> StoodTo(DateOnly today) => stood.GetOrAdd(today, Stood);

    // A pond without a plan of its own is dried ten days, as the slip proposes.
    private int DaysToPrepare()
    {
        var plan = facts.PreparationLine?.Plan
            ?? new(
                facts.Pond.Id,
                null,
                facts.LikelySpecies.Key,
                UsualDryDays,
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
        var steps = PrepSteps.For(plan, facts.PrepPond);
        return PrepPlan.Of(steps, day, null, new Dictionary<string, StepDone>(), day).StockOn.DayNumber - day.DayNumber;
    }

    private DateOnly ReadyOn(DateTimeOffset now)
    {
        var today = facts.Zone.DayOf(now);
        var since = facts.EmptiedBefore(now);
        if (facts.Works.Any(w => w.Work == PondWork.DeclaredReady && w.At > since && w.At <= now))
            return today;
        if (facts.Batches.Count == 0 && facts.PreparationLine is null)
            return today;
        return readiness.PreparationAt(now, asSoonAs: true)?.Plan.StockOn
            ?? today.AddDays(prepareDays ??= DaysToPrepare());
    }

    private IReadOnlyList<WeightAhead> Grow(FishSpecies species, DateOnly from, double meanG, DateOnly last) =>
        grown.GetOrAdd((species.Key, from, Math.Round(meanG, 1), last), _ =>
            GrowthForecast.Planned(
                species,
                meanG,
                from,
                facts.TemperatureAhead,
                Math.Max(1, last.DayNumber - from.DayNumber)
            )
        );

    private sealed record Spell(DateOnly From, DateOnly? Closed, IReadOnlyList<Standing> Days, BatchStory Batch)
    {
        public bool Holds(DateOnly day) => From <= day && !(Closed <= day);

        public Interval KgOn(DateOnly day) => Days[Math.Min(day.DayNumber - From.DayNumber, Days.Count - 1)].BiomassKg;
    }

    private List<StoodOn> Stood(DateOnly today)
    {
        if (facts.Batches.Count == 0)
            return [];
        var spells = facts.Batches.Select(b => SpellOf(b, today)).ToList();
        var first = spells.Min(s => s.From);
        // A ribbon steps where fish come and leave.
        var steps = spells.SelectMany(StepsOf).SelectMany(d => new[] { d.AddDays(-1), d });
        var days = new SortedSet<DateOnly>(steps.Where(d => d >= first && d <= today)) { first, today };
        for (var day = today; day >= first; day = day.AddDays(-RibbonStepDays))
            days.Add(day);
        return
        [
            .. days.Select(day =>
            {
                var kg = spells.Where(s => s.Holds(day)).Select(s => s.KgOn(day)).ToList();
                var sum = new Interval(
                    kg.Sum(k => k.Value),
                    kg.Sum(k => k.Low),
                    kg.Sum(k => k.High),
                    StandingSettings.Level
                );
                return new StoodOn(day, sum);
            }),
        ];
    }

    private Spell SpellOf(BatchStory b, DateOnly today)
    {
        var closed = b.EmptiedAt is { } at ? facts.Zone.DayOf(at) : (DateOnly?)null;
        return new(facts.Zone.DayOf(b.ArrivedAt), closed, stock.Days(b.Id, closed ?? today), b);
    }

    private IEnumerable<DateOnly> StepsOf(Spell s) =>
        s
            .Batch.Harvests.Select(h => facts.Zone.DayOf(h.At))
            .Concat(s.Batch.Changes.Where(x => x.MeanG is not null).Select(x => x.Day))
            .Append(s.From);
}
