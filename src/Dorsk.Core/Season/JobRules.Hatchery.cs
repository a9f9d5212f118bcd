using System.Globalization;
using Dorsk.Core.Hatchery;
using Dorsk.Core.People;
using Dorsk.Core.Units;

namespace Dorsk.Core.Season;

/// <summary>The hatchery on one day, as far as jobs care.</summary>
public sealed record HatchDay
{
    /// <summary>Lots that hold animals.</summary>
    public IReadOnlyList<LotState> Lots { get; init; } = [];

    /// <summary>Days of the plans that are kept: plan, day, what.</summary>
    public IReadOnlyList<(long PlanId, DateOnly On, string What)> Days { get; init; } = [];

    /// <summary>Spawning ponds whose nests are due to be looked into: pond, code, nests, why.</summary>
    public IReadOnlyList<(long PondId, string Code, int Nests, string Why)> NestsDue { get; init; } = [];

    /// <summary>Fry ponds whose natural food comes to its end: pond, code, how it stands.</summary>
    public IReadOnlyList<(long PondId, string Code, NaturalFoodEnd End)> FryPonds { get; init; } = [];
}

/// <summary>Jobs of the hatchery: the feed bell, hours of the clock, readings, siphon, nests, days of the plan, the end of natural food.</summary>
public static partial class JobRules
{
    private static readonly TimeSpan BellBack = TimeSpan.FromHours(6),
        BellAhead = TimeSpan.FromHours(12),
        Unread = TimeSpan.FromHours(12),
        Soon = TimeSpan.FromHours(24),
        FeederWeighed = TimeSpan.FromHours(20),
        TanksBefore = TimeSpan.FromHours(24);

    private static IEnumerable<Job> Hatchery(FarmDay d) =>
        d
            .Hatchery.Lots.SelectMany(l => OfLot(d, l))
            .Concat(d.Hatchery.Days.Where(x => x.On == d.Today).Select(x => PlanDay(d, x)))
            .Concat(d.Hatchery.NestsDue.Select(n => NestJob(d, n)))
            .Concat(
                d.Hatchery.FryPonds.Where(f => f.End.Judgement.Status >= Judging.Status.Watch).Select(f => FryEnd(d, f))
            );

    private static IEnumerable<Job> OfLot(FarmDay d, LotState lot)
    {
        foreach (var meal in lot.Meals((d.Now - BellBack, d.Now + BellAhead), d.IsNight))
            yield return Bell(lot, meal);
        foreach (var job in FeederJob(lot, d.Hand))
            yield return job;
        if (lot.Next is { } next && next.At - d.Now <= Soon)
            yield return ClockJob(lot, next);
        var read = lot.Looks.Where(l => l.Look.TempC is not null).Select(l => l.At).LastOrDefault(lot.Lot.TakenAt);
        if (lot.Lot.Stage != LotStage.Fry && d.Now - read >= Unread)
            yield return OfLot(
                lot,
                "lot-read",
                (read + Unread, read + (Unread * 1.25)),
                "temperature and oxygen",
                "the clock of the eggs runs on them; twice a day at least",
                "lot-look"
            );
        if (lot.Care(d.Hand).Any(c => c is { What: "Siphon the floor", Due: true }) && lot.Lot.Stage == LotStage.Fry)
            yield return OfLot(
                lot,
                "lot-siphon",
                (d.Zone.At(d.Today, new(8, 0)), d.Zone.At(d.Today, new(18, 0))),
                "siphon the floor",
                "what lies there rots; change what was siphoned for water alike",
                "lot-look"
            );
    }

    // A dose of a feeder is weighed a day after the last one.
    private static IEnumerable<Job> FeederJob(LotState lot, Hand hand)
    {
        if (lot.Feeder is { Set.EveryMin: > 0 } f && lot.Lot.Count > 0)
            yield return OfLot(
                lot,
                "lot-feeder",
                (f.At + FeederWeighed, f.At + FryFeeder.Weighed),
                "weigh a dose of the feeder",
                "a blocked feeder starves them within hours, a loose one fouls the water; until it is weighed the bell rings",
                "fry-feeder"
            ) with
            {
                Slip = FryFeeder.Slip(f.Set, hand),
            };
    }

    private static Job Bell(LotState lot, BellMeal meal) =>
        new(
            FeedBell.Key(meal),
            null,
            "",
            meal.At - BellMeal.Slack,
            meal.At + BellMeal.Slack,
            $"Lot {lot.Lot.LotId}: feed the fry",
            "round the clock from their first feed: one meal missed makes cannibals",
            meal.Who,
            $"fry-feed?Lot={lot.Lot.LotId}",
            meal.FedAt is null ? JobState.Open : JobState.Done,
            meal.FedAt is { } at ? new Mark(at, "") : null
        );

    // Two hours of slack at least: troughs and feeders are made ready before the early end.
    private static Job ClockJob(LotState lot, EggHour next) =>
        OfLot(
            lot,
            "lot-hour",
            (next.Earliest - TanksBefore, next.Latest),
            next.Stage switch
            {
                EggStage.Hatching => "hatch begins: tanks, air and pipes ready",
                EggStage.SacFry => "hatch ends: siphon shells, count larvae",
                EggStage.SwimUp => "swim up: feeders and first feed ready",
                EggStage.FirstFeed => "first feed: bell round the clock, shifts named",
                _ => "look at the stage",
            },
            "by degree-days of its own water",
            "lot-look",
            next.Stage.ToString()
        );

    private static Job OfLot(
        LotState lot,
        string rule,
        (DateTimeOffset From, DateTimeOffset Due) window,
        string what,
        string reason,
        string slip,
        string more = ""
    ) =>
        new(
            string.Create(
                CultureInfo.InvariantCulture,
                $"{rule}:lot{lot.Lot.LotId}{more}:{(more.Length > 0 ? lot.Lot.TakenAt : window.Due).UtcDateTime:yyyy-MM-dd}"
            ),
            null,
            "",
            window.From,
            window.Due,
            $"Lot {lot.Lot.LotId}: {what}",
            reason,
            Role.PondHand,
            $"{slip}?Lot={lot.Lot.LotId}",
            JobState.Open
        );

    internal static Job PlanDay(FarmDay d, (long PlanId, DateOnly On, string What) x) =>
        new(
            string.Create(
                CultureInfo.InvariantCulture,
                $"hatch-plan:{x.PlanId}-{x.What.Split(' ', ':')[0]}:{x.On:yyyy-MM-dd}"
            ),
            null,
            "",
            d.Zone.At(x.On, new(6, 0)),
            d.Zone.At(x.On, new(18, 0)),
            $"Hatchery: {x.What}",
            "counted back from the day the fingerlings are wanted",
            Role.Manager,
            "",
            JobState.Open
        );

    private static Job NestJob(FarmDay d, (long PondId, string Code, int Nests, string Why) n) =>
        new(
            Key("nests", n.Code, d.Today),
            n.PondId,
            n.Code,
            d.Zone.At(d.Today, new(7, 0)),
            d.Zone.At(d.Today, new(11, 0)),
            $"{n.Code}: look into {d.Hand.Count(n.Nests)} nests",
            n.Why,
            Role.PondHand,
            "",
            JobState.Open
        );

    private static Job FryEnd(FarmDay d, (long PondId, string Code, NaturalFoodEnd End) f) =>
        new(
            Key("fry-end", f.Code, f.End.By),
            f.PondId,
            f.Code,
            d.Zone.At(f.End.From, new(6, 0)),
            d.Zone.At(f.End.By, new(10, 0)),
            $"{f.Code}: harvest the fry before they eat each other",
            f.End.Judgement.Reason,
            Role.Manager,
            "plan-harvest",
            JobState.Open
        );
}
