using Dorsk.Core.Ponds;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ponds;

/// <summary>The plan of the farm.</summary>
/// <param name="Ponds">Every pond with its outline.</param>
/// <param name="Landmarks">Creek, track, shed, with their lines.</param>
/// <param name="Marks">Inlets, drains, aerators and probes by pond, where they lie on the plan, m.</param>
public sealed record Plan(
    IReadOnlyList<PondOnPlan> Ponds,
    IReadOnlyList<(long Line, LandmarkDrawn Fact)> Landmarks,
    IReadOnlyList<(long PondId, PlanMark Mark)> Marks
);

/// <summary>Where things lie.</summary>
internal static class PlanQuestions
{
    /// <summary>Marks of a pond, as they lie from its middle.</summary>
    public static IReadOnlyList<PlanMark> MarksOf(SqliteConnection c, AsOf asOf, long pond) =>
        PlanFacts.Marks.All(c, asOf, "t.pond = $pond", ("pond", pond)) is [.., var last] ? last.Fact.Marks : [];

    public static Plan Plan(SqliteConnection c, AsOf asOf)
    {
        var places = PlanFacts.Placed.Newest(c, asOf, p => p.PondId).ToDictionary(p => p.Fact.PondId, p => p.Fact);
        var landmarks = PlanFacts.Landmark.Sound(c, asOf).OrderBy(l => l.Line).Select(l => (l.Line, l.Fact)).ToList();
        var ponds = FarmPlan.LayOut(
            FarmQuestions.InUse(c, asOf).Select(p => (p, places.GetValueOrDefault(p.Id))).ToList()
        );
        var marks = PlanFacts
            .Marks.Newest(c, asOf, m => m.PondId)
            .SelectMany(m => m.Fact.Marks.Select(mark => (m.Fact.PondId, Mark: mark)));
        var drawn = marks.SelectMany(m =>
            ponds.Where(p => p.Pond.Id == m.PondId).Select(p => (m.PondId, p.OnPlan(m.Mark)))
        );
        return new(ponds, landmarks, [.. drawn]);
    }
}
