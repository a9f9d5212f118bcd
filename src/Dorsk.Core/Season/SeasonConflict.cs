using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Units;

namespace Dorsk.Core.Season;

/// <summary>Something of the season that does not fit.</summary>
/// <param name="Key">The same for the same trouble, so that seasons can be compared.</param>
/// <param name="Level">How pressing.</param>
/// <param name="On">The day it bites.</param>
/// <param name="PondId">The pond, or null.</param>
/// <param name="Words">What, and what to do.</param>
/// <param name="Why">Grounds.</param>
public sealed record SeasonConflict(string Key, Status Level, DateOnly On, long? PondId, string Words, Grounds Why);

/// <summary>The rules that find them.</summary>
internal static class SeasonConflicts
{
    // Feed that must be ordered later than this is no trouble yet; fish this far under their weight are sold too small; a pond is looked at every so many days.
    private const int OrderSoonDays = 14,
        StepDays = 3;
    private const double TooSmall = 0.9;

    public static IReadOnlyList<SeasonConflict> Of(
        SeasonInput i,
        IReadOnlyList<Cohort> cohorts,
        IReadOnlyList<SeasonEvent> events,
        IReadOnlyDictionary<long, KindDemand> demand
    ) =>
        [
            .. SameDay(i, events)
                .Concat(i.Cycles.SelectMany(c => NotReady(i, c, cohorts)))
                .Concat(i.Cycles.SelectMany(c => Source(i, c, cohorts)))
                .Concat(i.Ponds.SelectMany(p => Full(i, p, cohorts)))
                .Concat(events.SelectMany(e => Small(i, e, cohorts)))
                .Concat(Overdue(i))
                .Concat(i.Feeds.SelectMany(f => Feed(i, f, demand[f.FeedId])))
                .OrderByDescending(c => c.Level)
                .ThenBy(c => c.On)
                .ThenBy(c => c.Key, StringComparer.Ordinal),
        ];

    private static IEnumerable<SeasonConflict> SameDay(SeasonInput i, IEnumerable<SeasonEvent> events) =>
        events
            .Where(e =>
                e.Planned && e.Kind is SeasonEventKind.Harvest or SeasonEventKind.Grade or SeasonEventKind.MoveOut
            )
            .Where(e => e.Planned)
            .GroupBy(e => e.On)
            .Where(g => g.Select(e => e.PondId).Distinct().Count() > 1)
            .Select(g => new SeasonConflict(
                FormattableString.Invariant($"day:{g.Key:yyyy-MM-dd}"),
                Status.Watch,
                g.Key,
                null,
                $"{g.Count()} ponds are fished on {i.Day(g.Key)}: {string.Join(" and ", g.Select(e => $"{i.CodeOf(e.PondId)} {i.Kg(e.Kg)}"))}. One crew, one truck: move one of them.",
                Grounds.Of(
                    "Two planned harvests, gradings or moves on one day.",
                    SeasonAhead.Source,
                    [.. g.Select(e => new Input(i.CodeOf(e.PondId), e.Kg, Measures.Mass, "forecast"))]
                )
            ));

    private static IEnumerable<SeasonConflict> NotReady(SeasonInput i, CyclePlanned plan, IReadOnlyList<Cohort> cohorts)
    {
        if (i.Ponds.FirstOrDefault(p => p.PondId == plan.PondId) is not { } pond)
            yield break;
        var on = plan.StockOn > i.Today ? plan.StockOn : i.Today;
        var before = cohorts
            .Where(c => c.PondId == plan.PondId && c.Key != SeasonAhead.Key('e', plan.PlanId) && c.From <= on)
            .OrderBy(c => c.Out ?? DateOnly.MaxValue)
            .LastOrDefault();
        var ready = before is null ? pond.ReadyOn ?? i.Today : before.Out?.AddDays(pond.PrepareDays);
        if (ready <= on)
            yield break;
        var stands = before is not null && before.StandsOn(on);
        var words = stands
            ? $"{pond.Code} still holds {i.Kg(before!.KgOn(on).Value)} on {i.Day(on)}, when {plan.Count:#,0} fish are to come. "
            : $"{pond.Code} is not ready for its {plan.Count:#,0} fish on {i.Day(on)}. ";
        words += ready is { } day
            ? $"Ready {i.Day(day)} at the earliest{(before is null ? "" : $", {pond.PrepareDays} days after it is emptied")}: stock later or empty it sooner."
            : "Its fish do not reach their weight within the forecast: plan the day they leave.";
        yield return ConflictOfReady(plan, pond, on, stands, words);
    }

    private static SeasonConflict ConflictOfReady(
        CyclePlanned plan,
        SeasonPond pond,
        DateOnly on,
        bool stands,
        string words
    ) =>
        new(
            FormattableString.Invariant($"ready:{plan.PlanId}"),
            stands ? Status.ActNow : Status.Watch,
            on,
            pond.PondId,
            words,
            Grounds.Of(
                "The pond is free when its last fish have left and its preparation is done.",
                "Waiting times of the pond's last preparation plan, or of the usual one",
                new Input("days to prepare", pond.PrepareDays, Measures.Plain, "preparation plan")
            )
        );

    private static IEnumerable<SeasonConflict> Source(SeasonInput i, CyclePlanned plan, IReadOnlyList<Cohort> cohorts)
    {
        if (
            plan.FromPondId is not { } from
            || cohorts.FirstOrDefault(c => c.Key == SeasonAhead.Key('e', plan.PlanId)) is not { } came
        )
            yield break;
        var took = cohorts.Any(c =>
            c.PondId == from
            && (
                c.Taken.Any(t => t.Key == SeasonAhead.Key('s', plan.PlanId))
                || (c.OutTo == plan.PondId && c.Out == came.From)
            )
        );
        if (took && came.Count.Value >= plan.Count * 0.98)
            yield break;
        yield return ConflictOfSource(i, plan, from, came, took);
    }

    private static SeasonConflict ConflictOfSource(
        SeasonInput i,
        CyclePlanned plan,
        long from,
        Cohort came,
        bool took
    ) =>
        new(
            FormattableString.Invariant($"source:{plan.PlanId}"),
            Status.Watch,
            came.From,
            plan.PondId,
            took
                ? $"{i.CodeOf(from)} has {came.Count.Value:#,0} fish on {i.Day(came.From)}, not the {plan.Count:#,0} that {i.CodeOf(plan.PondId)} wants."
                : $"No {came.Species.Name.ToLowerInvariant()} stand in {i.CodeOf(from)} on {i.Day(came.From)}: {i.CodeOf(plan.PondId)} gets none from there.",
            Grounds.Of(
                "Fish in the other pond on that day, less those who left it before.",
                SeasonAhead.Source,
                new Input("wanted", plan.Count, Measures.Plain, "plan")
            )
        );

    private static IEnumerable<SeasonConflict> Full(SeasonInput i, SeasonPond pond, IReadOnlyList<Cohort> cohorts)
    {
        var here = cohorts.Where(c => c.PondId == pond.PondId).ToList();
        for (var day = i.Today; here.Count > 0 && day <= i.Last; day = day.AddDays(StepDays))
        {
            var standing = here.Where(c => c.StandsOn(day)).ToList();
            if (standing.Count == 0)
                continue;
            var (kg, carries) = (standing.Sum(c => c.KgOn(day).Value), pond.CarriesKg(standing[0].Species));
            if (carries <= 0 || kg <= carries)
                continue;
            yield return new(
                FormattableString.Invariant($"full:{pond.PondId}"),
                day <= i.Today.AddDays(OrderSoonDays) ? Status.ActNow : Status.Watch,
                day,
                pond.PondId,
                $"{pond.Code} is full from {i.Day(day)}: {i.Kg(kg)} where it carries {i.Kg(carries)}. Take some out before, or harvest sooner.",
                Grounds.Of(
                    "Biomass as forecast against what the pond carries of this fish.",
                    SeasonAhead.Source,
                    new Input("biomass", kg, Measures.Mass, "forecast"),
                    new Input("it carries", carries, Measures.Mass, "species table, by area or volume and air")
                )
            );
            yield break;
        }
    }

    private static IEnumerable<SeasonConflict> Small(SeasonInput i, SeasonEvent e, IReadOnlyList<Cohort> cohorts)
    {
        if (
            e is not { Kind: SeasonEventKind.Harvest, Planned: true }
            || cohorts.First(c => c.Gives(e)) is not { } c
            || e.MeanG.Value >= c.TargetG * TooSmall
        )
            yield break;
        yield return new(
            $"small:{e.Key}",
            Status.Watch,
            e.On,
            e.PondId,
            $"{i.CodeOf(e.PondId)} is planned for {i.Day(e.On)}, when fish weigh about {i.Grams(e.MeanG.Value)} of the {i.Grams(c.TargetG)} wanted{(c.Window.Likely is { } likely ? $"; they likely reach it about {i.Day(likely)}" : "")}.",
            Grounds.Of(
                "Mean weight as forecast on the planned day against the target weight.",
                SeasonAhead.Source,
                new Input("weight then", e.MeanG.Value, Measures.FishWeight, "forecast"),
                new Input("wanted", c.TargetG, Measures.FishWeight, "stocking slip or plan")
            )
        );
    }

    private static IEnumerable<SeasonConflict> Overdue(SeasonInput i) =>
        i
            .Harvests.Where(h => h.On < i.Today)
            .Select(h =>
                (
                    Key: FormattableString.Invariant($"overdue:h{h.PlanId}"),
                    h.On,
                    h.PondId,
                    What: "its fish were to leave"
                )
            )
            .Concat(
                i.Cycles.Where(c => c.StockOn < i.Today)
                    .Select(c =>
                        (
                            Key: FormattableString.Invariant($"overdue:s{c.PlanId}"),
                            On: c.StockOn,
                            c.PondId,
                            What: "fish were to come"
                        )
                    )
            )
            .Select(x => new SeasonConflict(
                x.Key,
                Status.Watch,
                x.On,
                x.PondId,
                $"{i.CodeOf(x.PondId)}: {x.What} on {i.Day(x.On)}, and the books know nothing of it. Write it down, or choose another day; estimated as today.",
                Grounds.Of("A planned day that has passed without a line in the books.", SeasonAhead.Source)
            ));

    private static IEnumerable<SeasonConflict> Feed(SeasonInput i, SeasonFeed feed, KindDemand wanted)
    {
        var order = OrderProposal.Of(wanted, feed.LeftKg, feed.LeadDays, feed.BagKg);
        if (order.RunsOut is not { } end)
            yield break;
        var late = order.OrderBy <= i.Today;
        yield return new(
            FormattableString.Invariant($"feed:{feed.FeedId}"),
            late ? Status.ActNow
                : order.OrderBy <= i.Today.AddDays(OrderSoonDays) ? Status.Watch
                : Status.Steady,
            end,
            null,
            $"{feed.Name} lasts to {i.Day(end)}: order {i.Kg(order.Kg)} {(late ? "now" : $"by {i.Day(order.OrderBy!.Value)}")}.",
            Grounds.Of(
                "Feed wanted day by day until fish leave, of the kind nearest to the pellet their size takes; what is left lasts until that has used it up.",
                "Growth forecast; FCR of the species table; feed table by size",
                new Input("left", feed.LeftKg, Measures.Mass, "loads less feedings, counts"),
                new Input(
                    "wanted until then",
                    wanted.Over(0, end.DayNumber - i.Today.DayNumber),
                    Measures.Mass,
                    "estimated"
                )
            )
        );
    }
}
