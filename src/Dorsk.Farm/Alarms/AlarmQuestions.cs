using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Alarms;

/// <summary>Alarms as their lines tell them.</summary>
internal static class AlarmQuestions
{
    private const string Kinds = "'AlarmRaised', 'AlarmAnswered', 'AlarmEnded', 'AlarmTold'";

    // Alarms that nobody and nothing has ended, however old.
    private const string StillOpen =
        "SELECT o.line FROM alarm_raised o WHERE o.alarm = o.line AND NOT EXISTS (SELECT 1 FROM alarm_ended x WHERE x.alarm = o.line)";

    /// <summary>Alarms with a line since an instant and all that are open, by their number. A line that is on its way into the books has no row yet and does not count.</summary>
    public static IReadOnlyDictionary<long, Alarm> All(SqliteConnection c, AsOf asOf, DateTimeOffset since) =>
        Alarm.Of(
            Sqlite.Rows(
                c,
                $"""
                SELECT l.line, l.happened, l.author, l.kind, l.pond, r.alarm, r.cause, r.level, r.text, a.alarm, e.alarm, t.alarm, t.step, t.level, t.address FROM log l
                  LEFT JOIN alarm_raised r USING (line) LEFT JOIN alarm_answered a USING (line) LEFT JOIN alarm_ended e USING (line) LEFT JOIN alarm_told t USING (line)
                WHERE l.kind IN ({Kinds}) AND coalesce(r.alarm, a.alarm, e.alarm, t.alarm) IS NOT NULL AND (l.happened >= $since OR coalesce(r.alarm, a.alarm, e.alarm, t.alarm) IN ({StillOpen})) AND {Lines.Count} ORDER BY l.line
                """,
                r => (r.GetInt64(0), r.Instant(1), r.GetString(2), Read(r)),
                Lines.With(asOf, ("since", since))
            )
        );

    /// <summary>Who is called; null before anybody was named.</summary>
    public static CallListSet? List(SqliteConnection c, AsOf asOf) =>
        AlarmFacts.CallList.All(c, asOf) is { Count: > 0 } lists ? lists.MaxBy(l => l.Line).Fact : null;

    private static Fact Read(SqliteDataReader r)
    {
        var pond = r.MaybeLong(4);
        return r.GetString(3) switch
        {
            nameof(AlarmRaised) => new AlarmRaised(
                r.GetInt64(5) == r.GetInt64(0) ? 0 : r.GetInt64(5),
                pond,
                r.Word<AlarmCause>(6),
                r.Word<Status>(7),
                r.GetString(8)
            ),
            nameof(AlarmAnswered) => new AlarmAnswered(r.GetInt64(9), pond),
            nameof(AlarmEnded) => new AlarmEnded(r.GetInt64(10), pond),
            _ => new AlarmTold(r.GetInt64(11), pond, r.GetInt32(12), r.Word<Status>(13), r.GetString(14)),
        };
    }
}
