using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Alarms;

/// <summary>Alarms, answers to them, and the call list.</summary>
internal static class AlarmFacts
{
    private const int DaysBack = 30;

    public static readonly FactTable<AlarmRaised> Raised = new FactTable<AlarmRaised>(
        "alarm_raised",
        "alarm",
        Reach.Nothing
    )
        .Itself("alarm", f => f.AlarmId)
        .Pond("pond", f => f.PondId)
        .Column("cause", f => f.Cause)
        .Column("level", f => f.Level)
        .Column("text", f => f.Text)
        .ReadBy(r =>
            new(
                r.Long("alarm"),
                r.MaybeLong("pond"),
                r.Word<AlarmCause>("cause"),
                r.Word<Status>("level"),
                r.Text("text")
            )
        )
        .CheckedBy(
            (_, f) =>
                f.Text.Length is 0 or > AlarmText.Longest
                    ? [Remark.Refuse("text", $"1 to {AlarmText.Longest} letters.")]
                    : []
        );

    public static readonly FactTable<AlarmAnswered> Answered = new FactTable<AlarmAnswered>(
        "alarm_answered",
        "alarm answered",
        Reach.Nothing
    )
        .Column("alarm", f => f.AlarmId)
        .Pond("pond", f => f.PondId)
        .ReadBy(r => new(r.Long("alarm"), r.MaybeLong("pond")))
        .CheckedBy(
            (desk, f) =>
                Known(desk, f.AlarmId, alarm =>
                    alarm.Answered is { } by ? [Remark.Refuse("", $"{by.By} has answered it already.")] : []
                )
        );

    public static readonly FactTable<AlarmEnded> Ended = new FactTable<AlarmEnded>(
        "alarm_ended",
        "alarm over",
        Reach.Nothing
    )
        .Column("alarm", f => f.AlarmId)
        .Pond("pond", f => f.PondId)
        .ReadBy(r => new(r.Long("alarm"), r.MaybeLong("pond")))
        .CheckedBy((desk, f) => Known(desk, f.AlarmId, _ => []));

    public static readonly FactTable<AlarmTold> Told = new FactTable<AlarmTold>(
        "alarm_told",
        "alarm sent",
        Reach.Nothing
    )
        .Column("alarm", f => f.AlarmId)
        .Pond("pond", f => f.PondId)
        .Column("step", f => f.Step)
        .Column("level", f => f.Level)
        .Column("address", f => f.Address)
        .ReadBy(r =>
            new(r.Long("alarm"), r.MaybeLong("pond"), r.Int("step"), r.Word<Status>("level"), r.Text("address"))
        )
        .CheckedBy((desk, f) => Known(desk, f.AlarmId, _ => []));

    public static readonly FactTable<CallListSet> CallList = new FactTable<CallListSet>(
        "call_list",
        "call list",
        Reach.Nothing
    )
        .Column("after_minutes", f => f.AfterMinutes)
        .Column("quiet_from", f => f.QuietFrom)
        .Column("quiet_to", f => f.QuietTo)
        .Column("hook", f => f.Hook)
        .Rows("call_step", f => f.Steps, ("name", s => s.Name), ("address", s => s.Address), ("phone", s => s.Phone))
        .ReadBy(r =>
            new(
                r.Rows("call_step", s => new CallStep(s.Text("name"), s.Text("address")) { Phone = s.Text("phone") }),
                r.Int("after_minutes"),
                r.MaybeHour("quiet_from"),
                r.MaybeHour("quiet_to")
            )
            {
                Hook = r.Text("hook"),
            }
        )
        .CheckedBy((_, f) => f.Check());

    public static IReadOnlyList<FactKind> Kinds { get; } = [Raised, Answered, Ended, Told, CallList];

    private static IEnumerable<Remark> Known(Desk desk, long alarm, Func<Alarm, IEnumerable<Remark>> further)
    {
        var alarms = AlarmQuestions.All(desk.Connection, desk.AsOf.Known, desk.Happened.AddDays(-DaysBack));
        return alarms.TryGetValue(alarm, out var found)
            ? further(found)
            : [Remark.Refuse("", "There is no such alarm of the last month.")];
    }
}
