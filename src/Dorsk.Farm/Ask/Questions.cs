using System.Collections.Concurrent;
using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Alarms;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Log;
using Dorsk.Farm.People;
using Dorsk.Farm.Ponds;
using Dorsk.Farm.Season;
using Dorsk.Farm.Sql;
using Dorsk.Farm.Water;

namespace Dorsk.Farm.Ask;

/// <summary>The questions that places in the app ask. Answers are plain records in SI; stories are kept in memory until their pond's line moves.</summary>
/// <param name="file">The farm's data file.</param>
/// <param name="upTo">Lines that happened later are left out of a pond's story; null: none are. For a farm whose clock once ran ahead.</param>
public sealed partial class Questions(FarmFile file, Func<DateTimeOffset>? upTo = null)
{
    private readonly ConcurrentDictionary<long, KnownStory> stories = new();
    private readonly ConcurrentDictionary<long, (DateTimeOffset Minute, PondNow Now)> nows = new();

    // The number of no pond.
    private const long NoPond = 0;
    private readonly Memory memory = new();
    private readonly Lock oneDay = new();
    private KnownToday? today;

    // Read and written by many at once: each is one object that never changes.
    private volatile KnownWeather? weather;
    private volatile KnownMoves? feedMoves;

    private sealed record KnownWeather(Memory.Seen Seen, long Line, ReadingBook ByHand, ReadingBook Weather);

    private sealed record KnownMoves(Memory.Seen Seen, FeedMoves Moves);

    /// <summary>The farm, or null before the first slip.</summary>
    public FarmDescribed? Farm()
    {
        using var c = file.Open();
        return FarmQuestions.Farm(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>The people as last named, those who left too.</summary>
    public IReadOnlyList<PersonNamed> People()
    {
        using var c = file.Open();
        return PeopleQuestions.All(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Who works alone, by when they are to be heard again.</summary>
    /// <param name="now">Now.</param>
    public IReadOnlyList<Core.Safety.OutAlone> Alone(DateTimeOffset now)
    {
        using var c = file.Open();
        return PeopleQuestions.Alone(c, AsOf.Now(now), now);
    }

    /// <summary>Ponds in use, in the order they were built.</summary>
    public IReadOnlyList<Pond> Ponds()
    {
        using var c = file.Open();
        return FarmQuestions.InUse(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Ponds that are laid up, with the reason.</summary>
    public IReadOnlyList<(Pond Pond, string Reason)> ArchivedPonds()
    {
        using var c = file.Open();
        var archived = FarmQuestions.Archived(c, AsOf.Now(DateTimeOffset.MaxValue));
        return FarmQuestions
            .Ponds(c, AsOf.Now(DateTimeOffset.MaxValue))
            .Where(p => archived.ContainsKey(p.Id))
            .Select(p => (p, archived[p.Id]))
            .ToList();
    }

    /// <summary>Kinds of feed.</summary>
    public IReadOnlyList<FeedKind> Feeds()
    {
        using var c = file.Open();
        return FeedGoods.Feeds(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>The farm's instruments as last written, with their lines.</summary>
    public IReadOnlyList<(long Line, Core.Water.InstrumentKept Kept)> Instruments()
    {
        using var c = file.Open();
        return InstrumentQuestions.All(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Devices with keys as last kept, with their lines.</summary>
    public IReadOnlyList<(long Line, Core.Water.DeviceKept Kept)> Devices()
    {
        using var c = file.Open();
        return DeviceQuestions.All(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Alarms of the last month, the newest first.</summary>
    public IReadOnlyList<Core.Alarms.Alarm> Alarms(DateTimeOffset now)
    {
        using var c = file.Open();
        return [.. AlarmQuestions.All(c, AsOf.Now(now), now.AddDays(-30)).Values.OrderByDescending(a => a.Id)];
    }

    /// <summary>Who is called when an alarm rings; null before anybody was named.</summary>
    public Core.Alarms.CallListSet? CallList()
    {
        using var c = file.Open();
        return AlarmQuestions.List(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>The farm's recurring tasks as last written, with their lines.</summary>
    public IReadOnlyList<(long Line, Core.Season.DutyKept Kept)> Duties()
    {
        using var c = file.Open();
        return DutyQuestions.All(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Water changed and let in at a pond in the last days, added up.</summary>
    /// <param name="story">The pond.</param>
    /// <param name="now">Now.</param>
    public WaterMoved WaterMoved(PondStory story, DateTimeOffset now)
    {
        using var c = file.Open();
        return WaterChanges.Moved(c, story, now);
    }

    /// <summary>What a recurring change of water comes to now, with the water it is a share of; null where the task changes none.</summary>
    /// <param name="duty">The task.</param>
    /// <param name="story">Its pond.</param>
    /// <param name="now">Now.</param>
    public (PlannedChange Change, double VolumeM3)? WaterChange(
        Core.Season.DutyKept duty,
        PondStory story,
        DateTimeOffset now
    )
    {
        using var c = file.Open();
        return WaterChanges.Planned(c, duty, story, now);
    }

    /// <summary>Equipment that fish live by, with its spares and its last tests.</summary>
    public IReadOnlyList<(DateTimeOffset At, Core.Water.SourceTested Test)> SourcesTested()
    {
        using var c = file.Open();
        return [.. Water.WaterFacts.Source.All(c, AsOf.Now(DateTimeOffset.MaxValue)).Select(s => (s.At, s.Fact))];
    }

    /// <summary>Who built which pond.</summary>
    public IReadOnlyList<PondBuiltBy> Builders()
    {
        using var c = file.Open();
        return FarmQuestions.Builders(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Equipment that fish live by.</summary>
    public IReadOnlyList<Core.Machines.VitalState> Vitals()
    {
        using var c = file.Open();
        var asOf = AsOf.Now(DateTimeOffset.MaxValue);
        return FarmQuestions.Farm(c, asOf) is { } farm
            ? Machines.VitalBook.All(c, asOf, FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc)
            : [];
    }

    /// <summary>Stocking plans that are kept and not given up, with their lines, the newest first.</summary>
    public IReadOnlyList<(long Line, Core.Plans.StockingPlanKept Kept)> StockingPlans()
    {
        using var c = file.Open();
        return StockingPlanQuestions.All(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Acclimations, of a pond or all, the newest first.</summary>
    public IReadOnlyList<Core.Acclimate.AccRun> Acclimations(long? pond)
    {
        using var c = file.Open();
        return ReceivingQuestions.Runs(
            c,
            AsOf.Now(DateTimeOffset.MaxValue),
            FarmQuestions.Farm(c, AsOf.Now(DateTimeOffset.MaxValue))?.Hand ?? Core.Units.Hand.Metric,
            pond
        );
    }

    /// <summary>Batches held apart, on all ponds.</summary>
    public IReadOnlyList<Core.Stock.Quarantine> Quarantines(DateTimeOffset now)
    {
        using var c = file.Open();
        var farm = FarmQuestions.Farm(c, AsOf.Now(now));
        return QuarantineQuestions.Held(
            c,
            AsOf.Now(now),
            Core.Time.FarmZone.Find(farm?.ZoneId ?? "") ?? Core.Time.FarmZone.Utc
        );
    }

    /// <summary>Movements of every batch of the farm, by batch.</summary>
    public IReadOnlyDictionary<long, IReadOnlyList<Core.Stock.Movement>> Movements(DateTimeOffset now)
    {
        using var c = file.Open();
        return FishQuestions.AllMovements(c, AsOf.Now(now));
    }

    /// <summary>Every batch with its stocking, oldest first.</summary>
    public IReadOnlyList<(long Batch, DateTimeOffset At, Core.Stock.FishStocked Fact)> Stockings(DateTimeOffset now)
    {
        using var c = file.Open();
        return FishQuestions.Stockings(c, AsOf.Now(now));
    }

    /// <summary>Deliveries for a pond, oldest first.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, Core.Stock.FishReceived Fact)> Deliveries(long pond)
    {
        using var c = file.Open();
        return ReceivingQuestions.Deliveries(c, AsOf.Now(DateTimeOffset.MaxValue), pond);
    }

    /// <summary>Weights of the single fish of a sample, g; empty where casts were weighed.</summary>
    public IReadOnlyList<double> SingleWeights(long line)
    {
        using var c = file.Open();
        return FishFacts.Sampled.Read(c, line) is Core.Stock.FishSampled { Single: true } sample
            ? [.. sample.Weighings.Select(w => w.MassG)]
            : [];
    }

    /// <summary>Hatcheries the farm bought from, the one to prefer first.</summary>
    public IReadOnlyList<Core.Stock.HatcheryRecord> Hatcheries() =>
        HatcheryQuestions.Rank(
            Ponds().SelectMany(p => Deliveries(p.Id)).Select(d => (d.At, d.Fact)),
            Acclimations(null)
        );

    /// <summary>What is left of each kind of feed.</summary>
    public IReadOnlyList<FeedLeft> FeedStore(DateTimeOffset now)
    {
        using var c = file.Open();
        return Moves(c, memory.Look(c)).At(now);
    }

    /// <summary>All that is known of a pond by its code, now; null when there is none.</summary>
    public PondStory? Story(string code)
    {
        using var c = file.Open();
        var pond = FarmQuestions
            .Ponds(c, AsOf.Now(DateTimeOffset.MaxValue))
            .FirstOrDefault(p => string.Equals(p.Code, code, StringComparison.OrdinalIgnoreCase));
        return pond is null ? null : Story(c, pond.Id);
    }

    /// <summary>The pond as it was known at two times; not kept in memory.</summary>
    public PondStory? StoryAsOf(string code, AsOf asOf)
    {
        using var c = file.Open();
        var pond = FarmQuestions
            .Ponds(c, asOf.Known)
            .FirstOrDefault(p => string.Equals(p.Code, code, StringComparison.OrdinalIgnoreCase));
        return pond is null ? null : PondReader.Story(c, asOf, pond.Id);
    }

    /// <summary>A pond as it stands now, by its story.</summary>
    public PondNow Now(PondStory story, DateTimeOffset now)
    {
        // Nothing that is shown changes within a minute while no line is entered.
        var minute = Minute(now);
        if (
            nows.TryGetValue(story.Pond.Id, out var known)
            && known.Minute == minute
            && ReferenceEquals(known.Now.Story, story)
        )
            return known.Now;
        var fresh = OfPond(story.Pond, () => story.NowAt(now));
        nows[story.Pond.Id] = (minute, fresh);
        return fresh;
    }

    /// <summary>The farm today: its ponds, the day as rules of jobs and needs see it, and its plan. Null before the farm is described.</summary>
    public Today? Today(DateTimeOffset now)
    {
        // One works it out, the others wait for the same answer.
        lock (oneDay)
        {
            using var c = file.Open();
            return Today(c, memory.Look(c), now);
        }
    }

    private Today? Today(Microsoft.Data.Sqlite.SqliteConnection c, Memory.Seen seen, DateTimeOffset now)
    {
        var minute = Minute(now);
        // What only probes have changed is shown a moment later: their values come by the second, and a page is read for longer.
        var same =
            today is { } known
            && known.Seen.Restored == seen.Restored
            && known.Seen.Matters == seen.Matters
            && known.Minute == minute
                ? today
                : null;
        if (same is { } last && (last.Seen == seen || TimeProvider.System.GetElapsedTime(last.Stamp) < last.MayStand))
            return last.Today;
        var began = TimeProvider.System.GetTimestamp();
        if (FarmQuestions.Farm(c, AsOf.Now(DateTimeOffset.MaxValue)) is not { } farm)
            return null;
        List<PondNow> ponds = [.. Looks(c, now).Select(l => l.Now).OfType<PondNow>()];
        if (same is { } unmoved && unmoved.Today.Ponds.SequenceEqual(ponds, ReferenceEqualityComparer.Instance))
        {
            today = unmoved with { Seen = seen };
            return unmoved.Today;
        }
        List<Core.Season.PondDay> Each(Func<PondNow, Core.Season.PondDay> day) =>
            EachPond(ponds, p => p.Story.Pond, day);
        var day = DayQuestions.Day(
            c,
            farm,
            Each,
            Season(c, farm, seen, now).Planned,
            Moves(c, seen),
            Weather(c, seen),
            now
        ) with
        {
            Hatchery = HatchDays.Of(c, AsOf.Now(now), ponds, now),
        };
        var jobs = Core.Season.JobRules.Of(day);
        var fresh = new Today(
            ponds,
            day,
            jobs,
            Core.Season.Needs.Of(day, jobs),
            Core.Season.Headline.Of(day),
            Plan(c, seen, now)
        );
        // About a tenth of the time at most is spent on what probes change; a quiet farm sees every value at once.
        var took = TimeProvider.System.GetElapsedTime(began);
        today = new(seen, minute, fresh, TimeProvider.System.GetTimestamp(), took < Cheap ? TimeSpan.Zero : 10 * took);
        return fresh;
    }

    private static DateTimeOffset Minute(DateTimeOffset now) => now.AddTicks(-(now.Ticks % TimeSpan.TicksPerMinute));

    private ReadingBook Weather(Microsoft.Data.Sqlite.SqliteConnection c, Memory.Seen seen)
    {
        // Weather lines touch the farm as a whole.
        if (weather is { } known && known.Seen.Farm == seen.Farm && known.Seen.Restored == seen.Restored)
            return known.Weather;
        return Sqlite.InOneSnapshot(c, () => NewWeather(c, weather)).Weather;
    }

    private KnownWeather NewWeather(Microsoft.Data.Sqlite.SqliteConnection c, KnownWeather? before)
    {
        // Looked at in the snapshot itself: a line entered a moment ago is known as what it is, a void among them.
        var seen = memory.Look(c);
        var asOf = AsOf.Now(UpTo);
        var onlyMore =
            before is not null
            && before.Seen.Restored == seen.Restored
            && asOf.HappenedUpTo == DateTimeOffset.MaxValue
            && memory.Since(NoPond, before.Line).Everywhere.All(k => k is nameof(ReadingTaken));
        var byHand = onlyMore
            ? before!.ByHand.With(Readings.NewByHand(c, asOf, null, before.Line))
            : Readings.ByHand(c, asOf, null);
        var all = Readings.WithProbes(c, asOf, null, byHand, FarmQuestions.Zone(c));
        return weather = new(seen, LogLines.Last(c), byHand, all);
    }

    private FeedMoves Moves(Microsoft.Data.Sqlite.SqliteConnection c, Memory.Seen seen)
    {
        if (feedMoves is { } known && known.Seen.Feed == seen.Feed && known.Seen.Restored == seen.Restored)
            return known.Moves;
        var before = feedMoves is { } old && old.Seen.Restored == seen.Restored ? old.Moves : null;
        var fresh = FeedMoves.Load(c, AsOf.Now(DateTimeOffset.MaxValue), before);
        feedMoves = new(seen, fresh);
        return fresh;
    }

    /// <summary>The last forecast told of a pond's night, or null.</summary>
    public Core.Oxygen.ForecastIssued? LastForecast(long pondId, Night night)
    {
        using var c = file.Open();
        return ForecastQuestions
            .Issued(c, AsOf.Now(DateTimeOffset.MaxValue), pondId, night.Evening)
            .LastOrDefault(f => f.Night == night && f.Shown);
    }

    /// <summary>Every night of every pond whose forecast and outcome are known.</summary>
    public IReadOnlyList<PondProof> Proof(DateTimeOffset now)
    {
        using var c = file.Open();
        return Told(c, FarmQuestions.Ponds(c, AsOf.Now(DateTimeOffset.MaxValue)))
            .Select(s => NightProof.Of(c, AsOf.Now(now), s))
            .Where(p => p.Nights.Count > 0)
            .ToList();
    }

    private readonly System.Runtime.CompilerServices.ConditionalWeakTable<
        PondStory,
        IReadOnlyList<BatchProof>
    > standings = new();

    /// <summary>The estimates of a pond's fish held against samples, counts and harvests; worked out once for what is known of it.</summary>
    public IReadOnlyList<BatchProof> StandingProof(PondStory story) => standings.GetValue(story, s =>
        {
            using var c = file.Open();
            return new StandingProof(s, at => PondReader.Story(c, new(at, DateTimeOffset.MaxValue), s.Pond.Id)).All();
        });

    /// <summary>Lines of a pond's log, newest first.</summary>
    public IReadOnlyList<LogRow> LogOf(long pondId, int most, long beforeLine = long.MaxValue)
    {
        using var c = file.Open();
        return LogLines.Of(c, AsOf.Now(DateTimeOffset.MaxValue), pondId, most, beforeLine);
    }

    /// <summary>One line of the log, or null.</summary>
    public LogRow? Line(long line)
    {
        using var c = file.Open();
        return LogLines.Line(c, line);
    }

    /// <summary>The fact of a line, voided or not, so that it can be corrected; null for kinds that have no slip.</summary>
    public Dorsk.Core.Judging.Fact? FactOf(long line)
    {
        using var c = file.Open();
        return LogLines.Line(c, line) is { } row ? FactKinds.Find(row.Kind)?.ReadIfSound(c, line) : null;
    }

    /// <summary>Weather readings of the farm by parameter, in order of time.</summary>
    public ReadingBook Weather()
    {
        using var c = file.Open();
        return Weather(c, memory.Look(c));
    }

    /// <summary>The books of every batch that ever stood in a pond, added up, newest first.</summary>
    public IReadOnlyList<CycleNow> Cycles(PondStory story, DateTimeOffset now)
    {
        using var c = file.Open();
        return story
            .Batches.OrderByDescending(b => b.ArrivedAt)
            .Select(b =>
            {
                var movements = FishQuestions.Movements(c, AsOf.Now(now), b.Id);
                var end = b.EmptiedAt ?? now;
                var today = story.Zone.DayOf(end);
                var standing = b.EmptiedAt is null ? story.Stock.On(b.Id, today)?.BiomassKg.Value ?? 0 : 0;
                var result = CycleResult.Of(
                    new CycleBooks(
                        b.Id,
                        story.Pond.Id,
                        movements,
                        standing,
                        story.Stock.FedSince(b, story.Zone.DayOf(b.ArrivedAt), today),
                        story.Pond.ByVolume ? null : story.Pond.Shape.FullAreaM2 / 10_000,
                        story.Pond.Shape.FullVolumeM3,
                        today.DayNumber - story.Zone.DayOf(b.ArrivedAt).DayNumber,
                        b.EmptiedAt is not null,
                        b.Harvests.LastOrDefault(h => h.Fact.DifferenceReason.Length > 0).Fact?.DifferenceReason ?? ""
                    )
                );
                return new CycleNow(b, result, BatchSurvival.Of(b.Id, movements));
            })
            .ToList();
    }

    /// <summary>Number of the newest line of the log.</summary>
    public long LastLine()
    {
        using var c = file.Open();
        return LogLines.Last(c);
    }
}
