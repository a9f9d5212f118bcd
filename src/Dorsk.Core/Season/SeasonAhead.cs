using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;

namespace Dorsk.Core.Season;

/// <summary>
/// The season ahead: what will stand in each pond on each day, what comes and leaves, the feed it wants by kind, and what does not
/// fit together. How fast those grow that stay when others leave is taken not to change.
/// </summary>
/// <param name="Input">What it was worked out from.</param>
/// <param name="Cohorts">Fish that stand and that are planned.</param>
/// <param name="Wanted">Feed each of them wants, day by day.</param>
/// <param name="Events">By day.</param>
/// <param name="Demand">Feed wanted from today on, by kind.</param>
public sealed record SeasonAhead(
    SeasonInput Input,
    IReadOnlyList<Cohort> Cohorts,
    IReadOnlyList<(Cohort Fish, IReadOnlyList<FeedWanted> Feed)> Wanted,
    IReadOnlyList<SeasonEvent> Events,
    IReadOnlyDictionary<long, KindDemand> Demand
)
{
    private IReadOnlyList<SeasonConflict>? conflicts;

    /// <summary>What does not fit, worst first, then by day; looked for when it is asked.</summary>
    public IReadOnlyList<SeasonConflict> Conflicts => conflicts ??= SeasonConflicts.Of(Input, Cohorts, Events, Demand);

    /// <summary>Where its figures come from.</summary>
    public const string Source =
        "Standing estimates and growth forecasts of this farm; species table; plans written down";

    // A few that are left when nearly all were taken are no reason to call a pond stocked.
    private const double NearlyAll = 0.98;

    /// <summary>Works it out.</summary>
    /// <param name="input">The farm and its plans.</param>
    /// <param name="before">A season worked out before: feed of fish about which nothing has changed is taken from it.</param>
    public static SeasonAhead Of(SeasonInput input, SeasonAhead? before = null)
    {
        var cohorts = Gather(input);
        var events = cohorts
            .SelectMany(c => EventsOf(input, c))
            .Concat(input.Cycles.Select(c => Stocking(input, c, cohorts)))
            .Concat(Samples(input, cohorts))
            .OrderBy(e => e.On)
            .ThenBy(e => e.Key, StringComparer.Ordinal)
            .ToList();
        var ponds = input.Ponds.ToDictionary(p => p.PondId);
        var known = before?.Wanted.ToDictionary(w => w.Fish.Key);
        var wanted = cohorts.ConvertAll(c =>
            (
                c,
                known is not null && known.TryGetValue(c.Key, out var w) && c.EatsAs(w.Fish)
                    ? w.Feed
                    : c.Feed(ponds[c.PondId].TempC)
            )
        );
        var demand = FeedAhead.ByKind(
            wanted.Select(w => (w.c.Species, w.Item2)),
            [.. input.Feeds.Select(f => (f.FeedId, f.PelletMm))],
            input.Today,
            SeasonInput.Days
        );
        return new(input, cohorts, wanted, events, demand);
    }

    /// <summary>Feed a batch that stands wants day by day until all leave.</summary>
    public IReadOnlyList<FeedWanted> FeedOf(long batchId, long pondId) =>
        Wanted.FirstOrDefault(w => w.Fish.Key == KeyOf(batchId, pondId)).Feed ?? [];

    /// <summary>Grounds of a figure of the season.</summary>
    public static Grounds Why { get; } =
        Grounds
            .Of(
                "What stands today grows on as its own record has it; fish that are to come grow at nine tenths of the full ration in the usual temperatures of their pond. Number falls by what goes unseen and by what is planned to leave. Without a plan fish leave on the day they likely reach their weight.",
                Source
            )
            .Limited(
                "The fringe is the 80 % interval. The market is taken the heaviest fish; the lighter ones grow on."
            );

    private static List<Cohort> Gather(SeasonInput input)
    {
        var ponds = input.Ponds.ToDictionary(p => p.PondId);
        List<Cohort> all =
        [
            .. input.Batches.Where(b => ponds.ContainsKey(b.PondId)).Select(b => Standing(input, ponds[b.PondId], b)),
        ];
        // Day by day: what one plan takes is not there for the next, and fish may come from a pond that is itself only planned.
        var takings = input
            .Harvests.Where(h => h.Count is not null)
            .Select(h => (On: Later(h.On, input.Today), h.PlanId, Do: (Action<DateOnly>)(on => Take(all, h, on))));
        var stockings = input
            .Cycles.Where(c => ponds.ContainsKey(c.PondId))
            .Select(c =>
                (
                    On: Later(c.StockOn, input.Today),
                    c.PlanId,
                    Do: (Action<DateOnly>)(on => Stock(all, ponds[c.PondId], c, on))
                )
            );
        foreach (var (on, _, act) in takings.Concat(stockings).OrderBy(x => x.On).ThenBy(x => x.PlanId))
            act(on);
        return all;
    }

    private static void Take(List<Cohort> all, HarvestPlanned plan, DateOnly on)
    {
        if (all.FindIndex(c => c.Key == KeyOf(plan.BatchId, plan.PondId)) is >= 0 and var i)
            all[i] = Leave(all[i], Key('t', plan.PlanId), on, plan.Count!.Value, plan.ToPondId);
    }

    private static void Stock(List<Cohort> all, SeasonPond pond, CyclePlanned plan, DateOnly on)
    {
        var source = plan.FromPondId is { } from
            ? all.FindIndex(c =>
                c.PondId == from && c.Species.Key == plan.SpeciesKey && (c.Stands || c.From < on) && IsThere(c, on)
            )
            : -1;
        var (count, meanG) = ((double)plan.Count, plan.MeanG);
        if (source >= 0)
        {
            (count, meanG) = (Math.Min(count, all[source].Left(on)), all[source].MeanG(on).Value);
            all[source] = Leave(all[source], Key('s', plan.PlanId), on, count, plan.PondId);
        }
        all.Add(Planned(pond, plan, on, count, meanG));
    }

    /// <summary>Key of the last day of a batch in a pond.</summary>
    public static string KeyOf(long batchId, long pondId) => FormattableString.Invariant($"h{batchId}-{pondId}");

    /// <summary>Key of a plan's day.</summary>
    internal static string Key(char kind, long id) => FormattableString.Invariant($"{kind}{id}");

    private static Cohort Standing(SeasonInput input, SeasonPond pond, SeasonBatch b)
    {
        var c = new Cohort(
            KeyOf(b.BatchId, b.PondId),
            b.PondId,
            b.Species,
            b.TargetG,
            b.Count,
            pond.DailyLoss(b.Species),
            b.CvPct,
            b.Ahead,
            true
        );
        var last = input.Harvests.LastOrDefault(h => h.BatchId == b.BatchId && h.PondId == b.PondId && h.Count is null);
        return c with
        {
            Out = last is null ? c.Window.Likely : Later(last.On, input.Today),
            OutPlanned = last is not null,
            OutTo = last?.ToPondId,
        };
    }

    // Without a plan for the last of them they stay until those that are planned have left.
    private static bool IsThere(Cohort c, DateOnly on) => !c.OutPlanned || on <= c.Out;

    private static Cohort Planned(SeasonPond pond, CyclePlanned plan, DateOnly on, double count, double meanG)
    {
        var species = pond.Species(plan.SpeciesKey);
        var fish = Math.Max(1, count);
        var c = new Cohort(
            Key('e', plan.PlanId),
            pond.PondId,
            species,
            plan.TargetG,
            new(fish, fish * 0.95, fish * 1.05, 0.95),
            pond.DailyLoss(species),
            species.WeightCvPct,
            pond.Grow(species, on, meanG),
            false
        );
        return c with
        {
            Out = plan.HarvestOn is { } day ? Later(day, on.AddDays(1)) : c.Window.Likely,
            OutPlanned = plan.HarvestOn is not null,
        };
    }

    // Some leave; with nearly the last of them the batch is gone.
    private static Cohort Leave(Cohort c, string key, DateOnly on, double count, long? to)
    {
        if (!IsThere(c, on) || c.Left(on) is not (> 0 and var there))
            return c;
        if (count >= NearlyAll * there)
            return c with { Out = on, OutTo = to, OutPlanned = true, OutKey = key };
        var rest = c.Without(key, on, count, to);
        return c.OutPlanned ? rest : rest with { Out = rest.Window.Likely is { } likely ? Later(likely, on) : null };
    }

    private static IEnumerable<SeasonEvent> EventsOf(SeasonInput input, Cohort c)
    {
        foreach (var t in c.Taken.Where(t => t.On >= c.From && !(t.On > c.Out)))
            yield return new(
                t.Key,
                c.PondId,
                SeasonEventKind.Grade,
                t.On,
                true,
                t.Count,
                t.MeanG,
                OtherPondId: t.ToPondId
            );
        if (c.Out is { } end && end <= input.Last)
            yield return new(
                c.OutKey,
                c.PondId,
                c.OutTo is null && (c.OutPlanned || 2 * c.TargetG > c.Species.MarketLowG)
                    ? SeasonEventKind.Harvest
                    : SeasonEventKind.MoveOut,
                end,
                c.OutPlanned,
                c.Left(end),
                c.MeanG(end),
                c.Window.Earliest,
                c.Window.Latest,
                c.OutTo
            );
    }

    private static SeasonEvent Stocking(SeasonInput input, CyclePlanned plan, List<Cohort> cohorts)
    {
        var came = cohorts.Find(c => c.Key == Key('e', plan.PlanId));
        return new(
            Key('s', plan.PlanId),
            plan.PondId,
            SeasonEventKind.Stock,
            Later(plan.StockOn, input.Today),
            true,
            came?.Count.Value ?? plan.Count,
            came?.Ahead[0].MeanG ?? new(plan.MeanG, plan.MeanG, plan.MeanG, 0.8),
            OtherPondId: plan.FromPondId
        );
    }

    private static IEnumerable<SeasonEvent> Samples(SeasonInput input, List<Cohort> cohorts) =>
        input
            .Batches.Select(b => (b, c: cohorts.Find(c => c.Key == KeyOf(b.BatchId, b.PondId))))
            .Where(x => x.c is not null && x.c.StandsOn(Later(x.b.SampleDue, input.Today)))
            .Select(x => new SeasonEvent(
                "",
                x.b.PondId,
                SeasonEventKind.Sample,
                Later(x.b.SampleDue, input.Today),
                true,
                0,
                x.c!.MeanG(Later(x.b.SampleDue, input.Today))
            ));

    private static DateOnly Later(DateOnly a, DateOnly b) => a > b ? a : b;
}
