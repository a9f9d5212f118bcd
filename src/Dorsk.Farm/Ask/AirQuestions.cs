using Dorsk.Core.Air;
using Dorsk.Core.Judging;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>What the books know of a pond's aerators.</summary>
internal static class AirQuestions
{
    // One select for each kind, so that a line of the log is looked up by its number only.
    private static readonly (string Kind, string Table, string Columns, Func<SqliteDataReader, Fact> Read)[] Kinds =
    [
        (nameof(AirControlSet), "air_control", "x.pond, x.automatic, x.on_below, x.off_above, x.stagger_s", r => new AirControlSet(r.GetInt64(3), r.GetBoolean(4), r.GetDouble(5), r.GetDouble(6), r.GetInt32(7))),
        (nameof(AeratorSwitched), "aerator_switched", "x.pond, x.code, x.wanted, x.until", r => new AeratorSwitched(r.GetInt64(3), r.GetString(4), r.Word<AirOrder>(5), r.IsDBNull(6) ? null : r.Instant(6))),
        (nameof(AeratorCommanded), "aerator_commanded", "x.pond, x.code, x.runs, x.why", r => new AeratorCommanded(r.GetInt64(3), r.GetString(4), r.GetBoolean(5), r.GetString(6))),
        (nameof(AeratorReported), "aerator_reported", "x.pond, x.code, x.running, x.current_a, x.mains", r => new AeratorReported(r.GetInt64(3), r.GetString(4), r.GetBoolean(5), r.MaybeReal(6), r.GetBoolean(7))),
        (nameof(AeratorServiced), "aerator_serviced", "x.pond, x.code, x.next_after_h, x.text", r => new AeratorServiced(r.GetInt64(3), r.GetString(4), r.GetDouble(5), r.GetString(6))),
        (nameof(AeratorTested), "aerator_tested", "x.pond, x.code, x.step, x.rated_a, x.most_kpa, x.most_c, x.current_a, x.kpa, x.temp_c", r => new AeratorTested(r.GetInt64(3), r.GetString(4), r.GetString(5), new(r.GetDouble(6), r.MaybeReal(7), r.MaybeReal(8)), r.GetDouble(9), r.MaybeReal(10), r.MaybeReal(11))),
    ];

    private static readonly string Any = "SELECT " + string.Join(", ", Kinds.Select(k => $"EXISTS (SELECT 1 FROM {k.Table} WHERE pond = $pond)"));

    /// <summary>A pond's record; the log is walked by the rows of each table, which are few.</summary>
    public static AirRecord Of(SqliteConnection c, AsOf asOf, long pond)
    {
        // Most ponds have little of it: one question says which tables are worth asking.
        var any = Sqlite.Rows(c, Any, r => Kinds.Select((k, i) => (k, Has: r.GetBoolean(i))).Where(x => x.Has).Select(x => x.k).ToList(), ("pond", pond))[0];
        var lines = any.SelectMany(k => Sqlite.Rows(c, $"SELECT l.line, l.happened, l.author, {k.Columns} FROM {k.Table} x CROSS JOIN log l USING (line) WHERE x.pond = $pond AND {Lines.Count}",
            r => (Line: r.GetInt64(0), Air: new AirLine(r.Instant(1), r.GetString(2), k.Read(r))), Lines.With(asOf, ("pond", pond)))).OrderBy(l => l.Air.At).ThenBy(l => l.Line).Select(l => l.Air).ToList();
        return lines.Count == 0 ? AirRecord.None : new(lines);
    }

    /// <summary>The fact of one line.</summary>
    public static Fact? Line(SqliteConnection c, string kind, long line) => Kinds.FirstOrDefault(k => k.Kind == kind) is { Table: not null } found
        ? Sqlite.One(c, $"SELECT 0, 0, 0, {found.Columns} FROM {found.Table} x WHERE x.line = $line", found.Read, ("line", line)) : null;
}
