using Dorsk.Core.Feeding;
using Dorsk.Core.Harvest;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Time;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Log;
using Dorsk.Farm.Season;
using Dorsk.Farm.Sql;
using Dorsk.Farm.Water;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>The farm on one day, gathered for the rules of jobs and needs.</summary>
internal static class DayQuestions
{
    private static readonly TimeSpan FreshWeather = TimeSpan.FromHours(12),
        OneDay = TimeSpan.FromHours(24);

    public static FarmDay Day(
        SqliteConnection c,
        FarmDescribed farm,
        Func<Func<PondNow, PondDay>, List<PondDay>> each,
        SeasonAhead season,
        FeedMoves feeds,
        ReadingBook weather,
        DateTimeOffset now
    )
    {
        var zone = FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc;
        var asOf = AsOf.Now(now);
        var today = zone.DayOf(now);
        var sun = SunTimes.On(farm.Place, today, zone.OffsetHoursAt(zone.At(today, new(12, 0))));
        var marks = Marks(c, asOf, zone.At(today.AddDays(-1), new(12, 0)));
        double? Fresh(Parameter p) => weather[p].LastWithin(now, FreshWeather)?.Si;
        var duties = DutyQuestions.All(c, asOf).ConvertAll(d => d.Kept);
        var kinds = feeds.At(now).FindAll(f => f.Kind.Kind == Core.Feeding.StoreKind.Feed).ConvertAll(f => f.Kind);
        return new(
            now,
            zone,
            sun.Sunrise!.Value,
            sun.Sunset!.Value,
            each(p =>
                Changing(
                    Planned(
                        Prepared(
                            Serviced(Watched(Pond(p, marks, zone.At(today, TimeOnly.MinValue)), p, now), p.Story, now),
                            p.Story,
                            now
                        ),
                        season
                    ),
                    season,
                    kinds
                ) with
                {
                    WaterChanges = WaterChanges.Words(c, duties, p.Story, now),
                    Health = p.Story.Health.DayAt(now),
                }
            ),
            Store(feeds, season, now),
            Fresh(Parameter.Wind),
            Fresh(Parameter.Cloud),
            Fresh(Parameter.AirTemperature),
            JobQuestions.Closed(c, asOf, now.AddDays(-40)),
            farm.Hand
        )
        {
            ToCalibrate = ToCalibrate(c, asOf, today),
            Held = QuarantineQuestions.Held(c, asOf, zone),
            ToHold = QuarantineQuestions.NotHeld(c, asOf, zone, now, pond =>
                Readings.ByHand(c, asOf, pond)[Parameter.Temperature].LastAt(now)?.Si
            ),
            Rain = weather[Parameter.Rain].LastWithin(now, OneDay) is { } rain ? (rain.At, rain.Si) : null,
            Vitals = Machines.VitalBook.All(c, asOf, zone),
            Duties = duties,
        };
    }

    private static List<FeedDay> Store(FeedMoves feeds, SeasonAhead season, DateTimeOffset now) =>
        StoreRow
            .Of(feeds.At(now), season)
            .Where(r => r.Demand is not null)
            .Select(r => new FeedDay(r.Left.FeedId, r.Left.Name, r.Left.LeftKg, r.Left.PerDayKg, r.Left.NextExpiry)
            {
                Order = r.Order,
                Permit = r.Left.Kind.PermitTo is { } to
                    ? (to, feeds.At(now).FirstOrDefault(k => k.FeedId == r.Left.Kind.FallbackId)?.Name)
                    : null,
            })
            .ToList();

    private static List<(long Id, string Name, DateOnly? Last)> ToCalibrate(
        SqliteConnection c,
        AsOf asOf,
        DateOnly today
    ) =>
        InstrumentQuestions
            .All(c, asOf)
            .Where(i => i.Kept.DueOn(today) <= today)
            .Select(i => (i.Kept.InstrumentId, i.Kept.Name, i.Kept.CalibratedOn))
            .ToList();

    private static ILookup<(long Pond, string Kind), Mark> Marks(SqliteConnection c, AsOf asOf, DateTimeOffset since) =>
        Sqlite
            .Rows(
                c,
                $"""
                SELECT l.pond, l.kind, l.happened, l.author FROM log l WHERE l.kind IN ('{nameof(
                    ReadingTaken
                )}', '{nameof(FeedingGiven)}', '{nameof(
                    Core.Stock.FishSampled
                )}') AND l.happened >= $since AND l.pond IS NOT NULL AND {Lines.Count}
                  AND (l.kind <> '{nameof(
                    ReadingTaken
                )}' OR EXISTS (SELECT 1 FROM reading r WHERE r.line = l.line AND r.parameter = 'do')) ORDER BY l.happened
                """,
                r => (Key: (r.GetInt64(0), r.GetString(1)), Mark: new Mark(r.Instant(2), r.GetString(3))),
                Lines.With(asOf, ("since", since))
            )
            .ToLookup(m => m.Key, m => m.Mark);

    private static PondDay Serviced(PondDay day, PondStory story, DateTimeOffset now) =>
        story.Service.DueAt(now) is { Count: > 0 } due ? day with { ToService = due } : day;

    private static PondDay Prepared(PondDay day, PondStory story, DateTimeOffset now) =>
        story.Readiness.PreparationAt(now) is { } prep
            ? day with
            {
                Preparation = prep.Plan,
                PreparationLine = prep.Line.Line,
                Brake = story.Readiness.FertiliserBrakeAt(now, story.LikelySpecies),
            }
            : day;

    private static PondDay Pond(PondNow p, ILookup<(long, string), Mark> marks, DateTimeOffset midnight)
    {
        var s = p.Story;
        var id = s.Pond.Id;
        IReadOnlyList<Mark> Of(string kind) => marks[(id, kind)].ToList();
        IReadOnlyList<Mark> Today(string kind) => marks[(id, kind)].Where(m => m.At >= midnight).ToList();
        var main = p.Batches.Count > 0 ? p.Batches[^1] : null;
        var meals = Enumerable
            .Range(0, main?.Ration.Meals.Count ?? 0)
            .Select(i =>
                (
                    p.Batches.Sum(b => b.Ration.Meals[i].Kg),
                    string.Join(", ", main!.Ration.Meals[i].Hits.Select(h => h.Name))
                )
            )
            .ToList();
        var taste = s.Works.FirstOrDefault(w => w.Work == PondWork.TastePassed);
        var tasted =
            main is null || taste == default
                ? null
                : HarvestGate.TasteFor(s.Zone.DayOf(taste.At), s.Zone.DayOf(main.Batch.ArrivedAt), main.Stands.Day);
        var limits = main is null ? null : s.Stock.LimitsOn(main.Stands.Day);
        return new(
            id,
            s.Pond.Code,
            main is not null,
            p.Judgement,
            p.Unread,
            Of(nameof(ReadingTaken)),
            p.Tonight.Forecast,
            p.Tonight.Air,
            limits,
            main is null ? null : p.Batches.Min(b => s.Growth.SampleDue(b.Batch)),
            main is null
                ? null
                : s.Zone.DayOf(main.Batch.Samples.Count > 0 ? main.Batch.Samples[^1].At : main.Batch.ArrivedAt),
            Today(nameof(Core.Stock.FishSampled)),
            main?.Stands.MeanG.Value ?? 0,
            p.BiomassKg,
            s.Pond.ByVolume ? null : s.LastOf(Parameter.Secchi)?.Si,
            meals,
            Today(nameof(FeedingGiven)),
            main?.Target.Likely,
            tasted,
            p.NextThing
        )
        {
            FishSince = main is null ? null : p.Batches.Min(b => b.Batch.ArrivedAt),
            Feeder = s.Feeder?.Kept,
            WatchedOn = s.Rations.Scored.Count > 0 ? s.Rations.Scored[^1].Day : null,
        };
    }

    private static PondDay Watched(PondDay day, PondNow p, DateTimeOffset now)
    {
        var s = p.Story;
        double? Within(Parameter x, TimeSpan span) => s.LastOf(x) is { } last && now - last.At < span ? last.Si : null;
        return day with
        {
            NightReasons = day.Stocked ? NightReasons(p.Verdict) : [],
            BloomDied = day.Stocked && p.Verdict.Findings.Any(f => f.Rule == PondVerdict.DeadBloom),
            LastRead = Parameter
                .All.Where(x => !x.OfFarm)
                .Select(x => (Parameter: x, Last: s.LastOf(x)))
                .Where(x => x.Last is not null)
                .ToDictionary(x => x.Parameter, x => x.Last!.Value.At),
            Broken = s.Empty(now) is { IsUsable: false } broken ? broken.Words : null,
            BareBank = s.Upkeep.BareBank(now),
            DryLiner = s.Upkeep.DryLiner(now, JobRules.DryLinerM),
            DebrisOut = s.Upkeep.DebrisOut(now),
            VolumeM3 = s.Pond.Shape.VolumeM3(s.LevelAt(now).LevelM),
            IsSplit = s.Pond.Split is not null,
            AllDayFromG =
                s.Air.Control?.AllDayFromG is { } from
                && day.MeanG >= from
                && s.AeratorsAt(now).Any(a => !a.Standby && !a.RunsAllDay)
                    ? from
                    : null,
            DepthM = s.LevelAt(now).LevelM,
            SalinityPpt = s.LastOf(Parameter.Salinity)?.Si,
            SaltUnread = SaltUnread(p, now),
            CoverPct = Within(Parameter.WeedCover, Speaks.Fortnight),
        };
    }

    private static (DateTimeOffset, string)? SaltUnread(PondNow p, DateTimeOffset now) =>
        p.Verdict.Findings.FirstOrDefault(f => f.Rule == PondVerdict.SaltUnread) is { } found
        && p.Story.LastWork(PondWork.Salted, now) is { } given
            ? (given + PondVerdict.SaltMixes, found.Reason)
            : null;

    // What makes a night one to be watched: heat, too many fish, a bloom.
    private static List<string> NightReasons(PondVerdict verdict) =>
        [
            .. verdict
                .Findings.Where(f =>
                    f.Status >= Core.Judging.Status.Watch
                    && (
                        f.Rule is PondVerdict.Biomass or PondVerdict.DeadBloom
                        || (f.Rule == PondVerdict.AlgalBloom && f.FeedFactor < 1)
                        || (f.Rule == PondVerdict.Temperature && f.Hot)
                    )
                )
                .Select(f => f.Reason)
                .Distinct(),
        ];

    private static PondDay Planned(PondDay day, SeasonAhead season) =>
        season
            .Events.Where(e => e.PondId == day.PondId && e is { Planned: true, Kind: not SeasonEventKind.Sample })
            .ToList()
            is { Count: > 0 } events
            ? day with
            {
                Planned =
                [
                    .. events.Select(e =>
                        (
                            e.Key,
                            e.On,
                            $"{e.Kind switch { SeasonEventKind.Stock => "fish are to come", SeasonEventKind.Harvest => "harvest", SeasonEventKind.Grade when e.OtherPondId is null => "take out the heaviest", _ => "move fish" }}, {e.Count:#,0} of about {Core.Units.QuantityText.Write(e.MeanG.Value, e.MeanG.Value >= 100 ? Core.Units.Measures.FishWeight with { Decimals = 0, UsDecimals = 0 } : Core.Units.Measures.FishWeight, season.Input.Hand)}{(e.OtherPondId is { } other ? (e.Kind == SeasonEventKind.Stock ? " from " : " to ") + season.Input.CodeOf(other) : "")}",
                            e.Kind == SeasonEventKind.Stock
                                ? e.OtherPondId is null
                                    ? "stock"
                                    : ""
                                : e.OtherPondId is null
                                    ? "harvest"
                                    : "move"
                        )
                    ),
                ],
            }
            : day;

    private static PondDay Changing(PondDay day, SeasonAhead season, List<FeedKind> kinds) =>
        kinds.Count < 2 ? day : day with { Changes = ChangesOf(day, season, kinds) };

    private static IReadOnlyList<(DateOnly On, string What, string Reason)> ChangesOf(
        PondDay day,
        SeasonAhead season,
        List<FeedKind> kinds
    ) =>
        [
            .. season
                .Wanted.Where(w => w.Fish.PondId == day.PondId && w.Fish.Stands)
                .SelectMany(w =>
                    Core.Feeding.FeedChange.Ahead(w.Fish.Species, w.Feed, kinds.ConvertAll(k => (k.Id, k.PelletMm)))
                )
                .SelectMany(c =>
                    c.Steps.Select(s =>
                        (
                            s.From,
                            s.NewPct < 100
                                ? FormattableString.Invariant(
                                    $"mix {s.NewPct} % {Name(kinds, c.New)} into {Name(kinds, c.Old)}"
                                )
                                : FormattableString.Invariant($"{Name(kinds, c.New)} alone from today"),
                            $"their size wants {Core.Units.QuantityText.Range(c.Size.SizeMm.Low / 1000, c.Size.SizeMm.High / 1000, Core.Units.Measures.Pellet, season.Input.Hand)}"
                        )
                    )
                ),
        ];

    private static string Name(List<FeedKind> kinds, long id) => kinds.Find(k => k.Id == id)?.Name ?? "";
}
