using Dorsk.Core.People;
using Dorsk.Core.Units;

namespace Dorsk.Core.Season;

/// <summary>
/// Jobs of the days to come, from the same plans and forecasts as those of today: samples, steps of a preparation, changes of feed,
/// orders, harvests, recurring tasks, the end of a quarantine. They move when the plan moves. Rounds and meals of every day stay out.
/// </summary>
public static class JobsAhead
{
    // Every day's rounds and meals are no news in a calendar.
    private static readonly string[] EveryDay = ["dawn", "dusk", "morning-meal", "afternoon-meal"];

    /// <summary>What is still to be done: today's open and late jobs, upkeep that waits first, then those of the days to come by their hour.</summary>
    /// <param name="d">The farm today.</param>
    /// <param name="days">How far, days.</param>
    public static IReadOnlyList<Job> ToDo(FarmDay d, int days) =>
        [.. Job.InOrder(JobRules.Of(d).Where(j => j.State is JobState.Open or JobState.Late)), .. Of(d, days)];

    /// <summary>The calendar of a role: what falls to it, the rounds and meals of every day left out; the manager sees all.</summary>
    public static IReadOnlyList<Job> CalendarOf(FarmDay d, Role role, int days) =>
        [
            .. ToDo(d, days)
                .Where(j => !EveryDay.Contains(j.Key.Split(':')[0]) && (role == Role.Manager || j.Who == role)),
        ];

    /// <summary>Jobs from tomorrow on, in order of day and hour; those of today stand in <see cref="JobRules.Of"/>.</summary>
    /// <param name="d">The farm today.</param>
    /// <param name="days">How far, days.</param>
    public static IReadOnlyList<Job> Of(FarmDay d, int days)
    {
        var last = d.Today.AddDays(days);
        return
        [
            .. All(d, last)
                .Where(j =>
                    d.Zone.DayOf(j.Due) > d.Today && d.Zone.DayOf(j.Due) <= last && !d.Closed.ContainsKey(j.Key)
                )
                .OrderBy(j => j.Due)
                .ThenBy(j => j.Key, StringComparer.Ordinal),
        ];
    }

    private static IEnumerable<Job> All(FarmDay d, DateOnly last) =>
        d
            .Ponds.SelectMany(p => OfPond(d, p))
            .Concat(Orders(d))
            .Concat(d.Duties.SelectMany(duty => Standing(d, duty, last)))
            .Concat(Held(d))
            .Concat(d.Hatchery.Days.Select(x => JobRules.PlanDay(d, x)));

    // Which rule, for what, on which day, between which hours.
    private sealed record Slot(string Rule, string Place, DateOnly Day, TimeOnly From, TimeOnly Due);

    private static Job At(FarmDay d, PondDay? p, Slot slot, string what, string reason, Role who, string slip = "") =>
        new(
            FormattableString.Invariant($"{slot.Rule}:{slot.Place}:{slot.Day:yyyy-MM-dd}"),
            p?.PondId,
            p?.Code ?? "",
            d.Zone.At(slot.Day, slot.From),
            d.Zone.At(slot.Day, slot.Due),
            what,
            reason,
            who,
            slip,
            JobState.Open
        );

    private static IEnumerable<Job> OfPond(FarmDay d, PondDay p)
    {
        // A sample of tomorrow stands in today's list already.
        if (p is { Stocked: true, SampleDue: { } sample } && sample > d.Today.AddDays(1))
            yield return SampleJob(d, p, sample);
        foreach (var (on, what, reason) in p.Changes)
            yield return At(
                d,
                p,
                new("change", p.Code, on, new(6, 0), new(9, 0)),
                $"{p.Code}: {what}",
                reason,
                Role.PondHand
            );
        foreach (var planned in p.Planned)
            yield return JobRules.PlannedJob(d, p, planned);
        if (p is { Stocked: true, Target: { } target, LeavePlanned: false } && target > d.Today)
            yield return At(
                d,
                p,
                new("ready", p.Code, target, new(8, 0), new(17, 0)),
                $"{p.Code}: fish reach their target weight",
                "taste test a fortnight before; fast before harvest as the species wants",
                Role.Manager
            );
        foreach (var step in Preparing(d, p))
            yield return step;
    }

    private static Job SampleJob(FarmDay d, PondDay p, DateOnly sample) =>
        At(
            d,
            p,
            new("sample", p.Code, sample, new(5, 30), new(8, 0)),
            $"{p.Code}: sample, in the cool of the morning",
            p.LastWeighed is { } weighed ? $"last weighed {FarmDay.Day(weighed)}" : "never weighed since stocking",
            Role.Manager,
            "sample"
        );

    private static IEnumerable<Job> Preparing(FarmDay d, PondDay p)
    {
        if (p.Preparation is { } prep)
            foreach (var step in prep.Open.Where(s => s.Day > d.Today))
                yield return new(
                    step.Step.JobKey(p.Code, p.PreparationLine),
                    p.PondId,
                    p.Code,
                    d.Zone.At(step.Day, new(7, 0)),
                    d.Zone.At(step.Day, new(18, 0)),
                    $"{p.Code}: {char.ToLowerInvariant(step.Step.What[0])}{step.Step.What[1..]}",
                    step.Step.Reason,
                    Role.PondHand,
                    $"work?Work={step.Step.Work}",
                    JobState.Open
                );
    }

    private static IEnumerable<Job> Orders(FarmDay d) =>
        d
            .Feeds.Where(f => f.Order?.OrderBy > d.Today)
            .Select(f =>
                At(
                    d,
                    null,
                    new(
                        "order",
                        FormattableString.Invariant($"feed{f.FeedId}"),
                        f.Order!.OrderBy!.Value,
                        new(8, 0),
                        new(17, 0)
                    ),
                    $"Order {f.Name}, about {d.Say(f.Order.Kg, Measures.Mass)}",
                    $"what is left lasts to {FarmDay.Day(f.Order.RunsOut!.Value)} as the fish grow",
                    Role.Manager
                )
            );

    private static IEnumerable<Job> Standing(FarmDay d, DutyKept duty, DateOnly last)
    {
        var code = duty.PondId is { } id ? d.Ponds.FirstOrDefault(p => p.PondId == id)?.Code : "";
        if (code is null)
            yield break;
        for (var day = duty.NextAfter(d.Today); day is { } on && on <= last; day = duty.NextAfter(on))
            yield return new(
                duty.JobKey(on),
                duty.PondId,
                code,
                d.Zone.At(on, TimeOnly.MinValue),
                d.Zone.At(on, duty.At),
                code.Length > 0 ? $"{code}: {duty.What}" : duty.What,
                duty.Reason,
                duty.Who,
                "",
                JobState.Open
            );
    }

    private static IEnumerable<Job> Held(FarmDay d) =>
        d
            .Held.Where(q => q.Until > d.Today)
            .Select(q => (q, Pond: d.Ponds.FirstOrDefault(p => p.PondId == q.PondId)))
            .Where(x => x.Pond is not null)
            .Select(x =>
                At(
                    d,
                    x.Pond,
                    new("quarantine", FormattableString.Invariant($"{x.q.BatchId}"), x.q.Until, new(6, 0), new(18, 0)),
                    $"{x.Pond!.Code}: quarantine may end: pass, hold longer or treat",
                    $"held since {FarmDay.Day(x.q.From)}",
                    Role.Manager,
                    "quarantine"
                )
            );
}
