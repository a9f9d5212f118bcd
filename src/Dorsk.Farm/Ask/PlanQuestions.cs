using Dorsk.Core.Ponds;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>The plan of the farm.</summary>
/// <param name="Ponds">Every pond with its outline.</param>
/// <param name="Landmarks">Creek, track, shed, with their lines.</param>
/// <param name="Marks">Inlets, drains, aerators and probes by pond, where they lie on the plan, m.</param>
public sealed record Plan(IReadOnlyList<PondOnPlan> Ponds, IReadOnlyList<(long Line, LandmarkDrawn Fact)> Landmarks, IReadOnlyList<(long PondId, PlanMark Mark)> Marks);

/// <summary>Where things lie.</summary>
internal static class PlanQuestions
{
    public static Plan Plan(SqliteConnection c, AsOf asOf)
    {
        var places = Sqlite.Sound(c, $"SELECT p.pond, p.east_m, p.north_m, p.turn_deg FROM pond_place p CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line",
            r => new PondPlaced(r.GetInt64(0), r.GetDouble(1), r.GetDouble(2), r.GetDouble(3)), Lines.With(asOf)).GroupBy(p => p.PondId).ToDictionary(g => g.Key, g => g.Last());
        var landmarks = Sqlite.Sound(c, $"SELECT l.line, m.kind, m.name, m.points FROM landmark m CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.line",
            r => (r.GetInt64(0), Landmark(r, 1)), Lines.With(asOf));
        var ponds = FarmPlan.LayOut(FarmQuestions.InUse(c, asOf).Select(p => (p, places.GetValueOrDefault(p.Id))).ToList());
        var marks = Sqlite.Sound(c, $"SELECT s.pond, s.line FROM marks_set s CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line", r => (Pond: r.GetInt64(0), Line: r.GetInt64(1)), Lines.With(asOf))
            .GroupBy(m => m.Pond).SelectMany(g => Sqlite.Sound(c, "SELECT kind, code, east_m, north_m FROM mark WHERE line = $line ORDER BY n",
                r => new PlanMark(r.Word<MarkKind>(0), r.GetString(1), r.GetDouble(2), r.GetDouble(3)), ("line", g.Last().Line)).Select(mark => (Pond: g.Key, Mark: mark)));
        return new(ponds, landmarks, marks.SelectMany(m => ponds.Where(p => p.Pond.Id == m.Pond).Select(p => (m.Pond, p.OnPlan(m.Mark)))).ToList());
    }

    /// <summary>The landmark of one line, or null.</summary>
    public static LandmarkDrawn? LandmarkOf(SqliteConnection c, long line) => Sqlite.One(c, "SELECT kind, name, points FROM landmark WHERE line = $line", r => Landmark(r, 0), ("line", line));

    private static LandmarkDrawn Landmark(SqliteDataReader r, int i) => new(r.GetString(i), r.GetString(i + 1), Pairs.Read(r.GetString(i + 2)));
}
