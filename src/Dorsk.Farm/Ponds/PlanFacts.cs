using Dorsk.Core.Ponds;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Ponds;

/// <summary>Where ponds lie on the farm's plan, and what else is drawn there.</summary>
internal static class PlanFacts
{
    public static readonly FactTable<PondPlaced> Placed = new FactTable<PondPlaced>("pond_place", "placed on the plan")
        .Pond("pond", f => f.PondId)
        .Column("east_m", f => f.EastM)
        .Column("north_m", f => f.NorthM)
        .Column("turn_deg", f => f.TurnDeg)
        .ReadBy(r => new(r.Long("pond"), r.Real("east_m"), r.Real("north_m"), r.Real("turn_deg")))
        .CheckedBy((_, f) => FarmRules.Check(f));

    public static readonly FactTable<LandmarkDrawn> Landmark = new FactTable<LandmarkDrawn>(
        "landmark",
        "drawn on the plan",
        Reach.Farm
    )
        .Column("kind", f => f.Kind)
        .Column("name", f => f.Name)
        .Column("points", f => Pairs.Write(f.PointsM))
        .ReadBy(r => new(r.Text("kind"), r.Text("name"), Pairs.Read(r.Text("points"))))
        .CheckedBy((_, f) => FarmRules.Check(f));

    public static readonly FactTable<MarksSet> Marks = new FactTable<MarksSet>("marks_set", "marks on the plan")
        .Pond("pond", f => f.PondId)
        .Rows(
            "mark",
            f => f.Marks,
            ("kind", m => m.Kind),
            ("code", m => m.Code),
            ("east_m", m => m.EastM),
            ("north_m", m => m.NorthM)
        )
        .ReadBy(r => new(r.Long("pond"), r.Rows("mark", MarkOf)))
        .CheckedBy((_, f) => FarmRules.Check(f));

    public static readonly FactTable<WalkSet> Walk = new FactTable<WalkSet>("walk_set", "walking order", Reach.Farm)
        .Rows("walk_stop", f => f.Ponds, ("pond", p => p))
        .ReadBy(r => new(r.Rows("walk_stop", x => x.Long("pond"))))
        .CheckedBy(
            (desk, f) => f.Check(FarmQuestions.Ponds(desk.Connection, desk.AsOf.Known).Select(p => p.Id).ToHashSet())
        );

    public static IReadOnlyList<FactKind> Kinds { get; } = [Placed, Landmark, Marks, Walk];

    /// <summary>A mark's row as the mark.</summary>
    public static PlanMark MarkOf(FactRow r) =>
        new(r.Word<MarkKind>("kind"), r.Text("code"), r.Real("east_m"), r.Real("north_m"));
}
