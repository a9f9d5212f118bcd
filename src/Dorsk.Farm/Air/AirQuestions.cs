using Dorsk.Core.Air;
using Dorsk.Core.Judging;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Air;

/// <summary>What the books know of a pond's aerators.</summary>
internal static class AirQuestions
{
    // Most ponds have little of it: one question says which tables are worth asking.
    private static readonly string Any =
        "SELECT "
        + string.Join(", ", AirFacts.Kinds.Select(k => $"EXISTS (SELECT 1 FROM {k.Table} WHERE pond = $pond)"));

    /// <summary>A pond's record; the log is walked by the rows of each table, which are few.</summary>
    public static AirRecord Of(SqliteConnection c, AsOf asOf, long pond)
    {
        var any = Sqlite.Rows(
            c,
            Any,
            r => Enumerable.Range(0, r.FieldCount).Select(r.GetBoolean).ToList(),
            ("pond", pond)
        )[0];
        List<(long Line, AirLine Air)>[] lines =
        [
            any[0] ? Lines(AirFacts.Control) : [],
            any[1] ? Lines(AirFacts.Switched) : [],
            any[2] ? Lines(AirFacts.Commanded) : [],
            any[3] ? Lines(AirFacts.Reported) : [],
            any[4] ? Lines(AirFacts.Serviced) : [],
            any[5] ? Lines(AirFacts.Tested) : [],
        ];
        var inOrder = lines.SelectMany(l => l).OrderBy(l => l.Air.At).ThenBy(l => l.Line).Select(l => l.Air).ToList();
        return inOrder.Count == 0 ? AirRecord.None : new(inOrder);

        List<(long, AirLine)> Lines<T>(FactTable<T> table)
            where T : Fact =>
            table
                .All(c, asOf, "t.pond = $pond", ("pond", pond))
                .ConvertAll(x => (x.Line, new AirLine(x.At, x.Author, x.Fact)));
    }
}
