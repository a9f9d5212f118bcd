using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Season;

/// <summary>Jobs that people ticked or left out, and the recurring ones.</summary>
internal static class JobFacts
{
    // A job is of one day; nobody closes one that is older.
    private const int DaysBack = 40;

    public static readonly FactTable<JobClosed> Closed = new FactTable<JobClosed>("job_closed", "job", Reach.Named)
        .Column("key", j => j.Key)
        .Pond("pond", j => j.PondId)
        .Column("outcome", j => j.Outcome)
        .Column("reason", j => j.Reason)
        .ReadBy(r => new(r.Text("key"), r.MaybeLong("pond"), r.Word<JobOutcome>("outcome"), r.Text("reason")))
        .CheckedBy(CheckClosed);

    public static readonly FactTable<DutyKept> Duty = new FactTable<DutyKept>("duty", "recurring task")
        .Itself("duty", d => d.DutyId)
        .Pond("pond", d => d.PondId)
        .Column("what", d => d.What)
        .Column("reason", d => d.Reason)
        .Column("every_days", d => d.EveryDays)
        .Column("first_day", d => d.From)
        .Column("at_hour", d => d.At)
        .Column("who", d => d.Who)
        .Column("last_day", d => d.Until)
        .Column("share_pct", d => d.SharePct)
        .ReadBy(r =>
            new(
                r.Long("duty"),
                r.MaybeLong("pond"),
                r.Text("what"),
                r.Text("reason"),
                r.Int("every_days"),
                r.Day("first_day"),
                r.Hour("at_hour"),
                r.Word<Role>("who"),
                r.MaybeDay("last_day")
            )
            {
                SharePct = r.MaybeReal("share_pct"),
            }
        )
        .CheckedBy(CheckDuty);

    public static IReadOnlyList<FactKind> Kinds { get; } = [Closed, Duty];

    private static IEnumerable<Remark> CheckClosed(Desk desk, JobClosed closed)
    {
        foreach (var remark in closed.Check())
            yield return remark;
        var others = JobQuestions.Closed(desk.Connection, desk.AsOf.Known, desk.Happened.AddDays(-DaysBack));
        if (others.TryGetValue(closed.Key, out var already))
            yield return Remark.Refuse("", $"{already.Mark.By} has closed this job already.");
    }

    private static IEnumerable<Remark> CheckDuty(Desk desk, DutyKept duty)
    {
        foreach (var remark in duty.Check())
            yield return remark;
        if (duty.PondId is { } pond && FarmQuestions.Pond(desk.Connection, desk.AsOf.Known, pond) is null)
            yield return Remark.Refuse("Pond", "There is no such pond. Choose one of the list.");
    }
}
