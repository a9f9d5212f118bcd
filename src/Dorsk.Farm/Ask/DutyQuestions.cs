using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>The farm's standing jobs.</summary>
internal static class DutyQuestions
{
    private const string Columns = "d.line, d.duty, d.pond, d.what, d.reason, d.every_days, d.first_day, d.at_hour, d.who, d.last_day";

    /// <summary>Each standing job as last written, with its line, by hour.</summary>
    public static List<(long Line, DutyKept Kept)> All(SqliteConnection c, AsOf asOf) => Sqlite.Sound(c,
        $"SELECT {Columns} FROM duty d CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line", Read, Lines.With(asOf))
        .GroupBy(d => d.Kept.DutyId).Select(g => g.Last()).OrderBy(d => d.Kept.At).ThenBy(d => d.Kept.What, StringComparer.Ordinal).ToList();

    public static DutyKept? Of(SqliteConnection c, long line) => Sqlite.Rows(c, $"SELECT {Columns} FROM duty d WHERE d.line = $line", Read, ("line", line)) is [var one, ..] ? one.Kept : null;

    private static (long Line, DutyKept Kept) Read(SqliteDataReader r) => (r.GetInt64(0), new(r.GetInt64(1), r.MaybeLong(2), r.GetString(3), r.GetString(4), r.GetInt32(5), r.Day(6),
        TimeOnly.ParseExact(r.GetString(7), "HH:mm", CultureInfo.InvariantCulture), r.Word<Role>(8), r.MaybeDay(9)));

}
