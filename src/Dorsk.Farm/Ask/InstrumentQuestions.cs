using System.Globalization;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>The farm's instruments.</summary>
internal static class InstrumentQuestions
{
    private const string Columns = "i.line, i.instrument, i.name, i.kind, i.measures, i.resolution, i.calibrated, i.every_days, i.who";

    /// <summary>Each instrument as last written, with its line, by name.</summary>
    public static List<(long Line, InstrumentKept Kept)> All(SqliteConnection c, AsOf asOf) => Sqlite.Sound(c,
        $"SELECT {Columns} FROM instrument i CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line", Read, Lines.With(asOf))
        .GroupBy(i => i.Kept.InstrumentId).Select(g => g.Last()).OrderBy(i => i.Kept.Name, StringComparer.OrdinalIgnoreCase).ToList();

    public static InstrumentKept? Of(SqliteConnection c, long line) => Sqlite.Rows(c, $"SELECT {Columns} FROM instrument i WHERE i.line = $line", Read, ("line", line)) is [var one, ..] ? one.Kept : null;

    private static (long Line, InstrumentKept Kept) Read(SqliteDataReader r) => (r.GetInt64(0), new(r.GetInt64(1), r.GetString(2), r.Word<InstrumentKind>(3), r.GetString(4).Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Parameter.ByKey).ToList(), r.GetString(5),
        r.MaybeDay(6), (int?)r.MaybeLong(7), r.GetString(8)));
}
