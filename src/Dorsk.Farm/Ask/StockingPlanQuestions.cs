using Dorsk.Core.Plans;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>The farm's stocking plans.</summary>
internal static class StockingPlanQuestions
{
    private const string Columns = "s.line, s.plan, s.pond, s.name, s.asked, s.dropped";

    /// <summary>Each plan as last written and not given up, the newest first.</summary>
    public static List<(long Line, StockingPlanKept Kept)> All(SqliteConnection c, AsOf asOf) => Sqlite.Sound(c,
        $"SELECT {Columns} FROM stocking_plan s CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line", Read, Lines.With(asOf))
        .GroupBy(p => p.Kept.PlanId).Select(g => g.Last()).Where(p => !p.Kept.Dropped).OrderByDescending(p => p.Line).ToList();

    public static StockingPlanKept? Of(SqliteConnection c, long line) => Sqlite.Rows(c, $"SELECT {Columns} FROM stocking_plan s WHERE s.line = $line", Read, ("line", line)) is [var one, ..] ? one.Kept : null;

    private static (long Line, StockingPlanKept Kept) Read(SqliteDataReader r) => (r.GetInt64(0), new(r.GetInt64(1), r.MaybeLong(2), r.GetString(3), r.GetString(4), r.GetBoolean(5)));
}
