using Dorsk.Core.Plans;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>Plans of one pond as last written, given-up ones left out, each with the line that holds it and when it was first written.</summary>
/// <param name="Harvests">For fish to leave.</param>
/// <param name="Cycles">For fish to come.</param>
/// <param name="ToOthers">For fish of this pond to come into others.</param>
public sealed record PondPlans(IReadOnlyList<(long Line, DateTimeOffset First, HarvestPlanned Fact)> Harvests, IReadOnlyList<(long Line, DateTimeOffset First, CyclePlanned Fact)> Cycles, IReadOnlyList<CyclePlanned> ToOthers)
{
    /// <summary>Nothing planned.</summary>
    public static PondPlans None { get; } = new([], [], []);
}

/// <summary>Days on which fish are to leave or to come, and copies of the season.</summary>
internal static class SeasonPlanQuestions
{
    private const string Out = "h.plan, h.pond, h.batch, h.day, h.count, h.to_pond, h.dropped", In = "h.plan, h.pond, h.species, h.stock_on, h.count, h.mean_g, h.target_g, h.from_pond, h.harvest_on, h.dropped", Copy = "h.copy, h.name, h.moves, h.dropped";

    public static PondPlans Of(SqliteConnection c, AsOf asOf, long pond)
    {
        List<(long, DateTimeOffset, T Fact)> Last<T>(string table, string columns, string whose, Func<SqliteDataReader, T> read, Func<T, long> plan, Func<T, bool> dropped) => [.. Sqlite.Sound(c,
            $"SELECT {columns}, l.line, l.happened FROM {table} h CROSS JOIN log l USING (line) WHERE h.{whose} = $pond AND {Lines.Count} ORDER BY l.line", r => (Fact: read(r), Line: r.GetInt64(r.FieldCount - 2), At: r.Instant(r.FieldCount - 1)), Lines.With(asOf, ("pond", pond)))
            .GroupBy(x => plan(x.Fact)).Where(g => !dropped(g.Last().Fact)).Select(g => (g.Last().Line, g.First().At, g.Last().Fact))];
        return new(Last("harvest_planned", Out, "pond", Leaving, h => h.PlanId, h => h.Dropped), Last("cycle_planned", In, "pond", Coming, h => h.PlanId, h => h.Dropped), Last("cycle_planned", In, "from_pond", Coming, h => h.PlanId, h => h.Dropped).ConvertAll(x => x.Fact));
    }

    public static HarvestPlanned? HarvestOf(SqliteConnection c, long line) => Sqlite.One(c, $"SELECT {Out} FROM harvest_planned h WHERE h.line = $line", Leaving, ("line", line));

    public static CyclePlanned? CycleOf(SqliteConnection c, long line) => Sqlite.One(c, $"SELECT {In} FROM cycle_planned h WHERE h.line = $line", Coming, ("line", line));

    /// <summary>Copies that are kept, the newest first.</summary>
    public static List<SeasonKept> Copies(SqliteConnection c, AsOf asOf) => [.. Sqlite.Sound(c, $"SELECT {Copy} FROM season_kept h CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.line",
        r => new SeasonKept(r.GetInt64(0), r.GetString(1), r.GetString(2), r.GetBoolean(3)), Lines.With(asOf)).GroupBy(k => k.CopyId).Select(g => g.Last()).Where(k => !k.Dropped).OrderByDescending(k => k.CopyId)];

    private static HarvestPlanned Leaving(SqliteDataReader r) => new(r.GetInt64(0), r.GetInt64(1), r.GetInt64(2), r.Day(3), (int?)r.MaybeLong(4), r.MaybeLong(5), r.GetBoolean(6));

    private static CyclePlanned Coming(SqliteDataReader r) => new(r.GetInt64(0), r.GetInt64(1), r.GetString(2), r.Day(3), r.GetInt32(4), r.GetDouble(5), r.GetDouble(6), r.MaybeLong(7), r.MaybeDay(8), r.GetBoolean(9));
}
