using System.Globalization;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>The plan of the farm.</summary>
/// <param name="Ponds">Every pond with its outline.</param>
/// <param name="Landmarks">Creek, track, shed.</param>
public sealed record Plan(IReadOnlyList<PondOnPlan> Ponds, IReadOnlyList<LandmarkDrawn> Landmarks);

/// <summary>Where things lie.</summary>
internal static class PlanQuestions
{
    public static Plan Plan(SqliteConnection c, AsOf asOf)
    {
        var places = Sqlite.Rows(c, $"SELECT p.pond, p.east_m, p.north_m, p.turn_deg FROM pond_place p CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line",
            r => new PondPlaced(r.GetInt64(0), r.GetDouble(1), r.GetDouble(2), r.GetDouble(3)), Lines.With(asOf)).GroupBy(p => p.PondId).ToDictionary(g => g.Key, g => g.Last());
        var landmarks = Sqlite.Rows(c, $"SELECT m.kind, m.name, m.points FROM landmark m CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.line",
            r => new LandmarkDrawn(r.GetString(0), r.GetString(1), r.GetString(2).Split(';').Select(Point).ToList()), Lines.With(asOf));
        return new(FarmPlan.LayOut(FarmQuestions.Ponds(c, asOf).Select(p => (p, places.GetValueOrDefault(p.Id))).ToList()), landmarks);
    }

    private static (double, double) Point(string text)
    {
        var parts = text.Split(' ');
        return (double.Parse(parts[0], CultureInfo.InvariantCulture), double.Parse(parts[1], CultureInfo.InvariantCulture));
    }
}
