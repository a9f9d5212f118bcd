using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Season;

/// <summary>Days on which fish are to leave or to come, copies of the season, and stocking plans.</summary>
internal static class SeasonFacts
{
    public static readonly FactTable<HarvestPlanned> Harvest = new FactTable<HarvestPlanned>(
        "harvest_planned",
        "harvest planned"
    )
        .Itself("plan", h => h.PlanId)
        .Pond("pond", h => h.PondId)
        .Batch("batch", h => h.BatchId)
        .Column("day", h => h.On)
        .Column("count", h => h.Count)
        .Pond("to_pond", h => h.ToPondId)
        .Column("dropped", h => h.Dropped)
        .ReadBy(r =>
            new(
                r.Long("plan"),
                r.Long("pond"),
                r.Long("batch"),
                r.Day("day"),
                r.MaybeInt("count"),
                r.MaybeLong("to_pond"),
                r.Yes("dropped")
            )
        )
        // What is given up need not lie ahead any more.
        .CheckedBy((desk, h) => h.Dropped ? [] : h.Check(desk.Today).Concat(Leaves(desk, h)));

    public static readonly FactTable<CyclePlanned> Cycle = new FactTable<CyclePlanned>(
        "cycle_planned",
        "stocking planned"
    )
        .Itself("plan", c => c.PlanId)
        .Pond("pond", c => c.PondId)
        .Species("species", c => c.SpeciesKey)
        .Column("stock_on", c => c.StockOn)
        .Column("count", c => c.Count)
        .Column("mean_g", c => c.MeanG)
        .Column("target_g", c => c.TargetG)
        .Pond("from_pond", c => c.FromPondId)
        .Column("harvest_on", c => c.HarvestOn)
        .Column("dropped", c => c.Dropped)
        .ReadBy(r =>
            new(
                r.Long("plan"),
                r.Long("pond"),
                r.Text("species"),
                r.Day("stock_on"),
                r.Int("count"),
                r.Real("mean_g"),
                r.Real("target_g"),
                r.MaybeLong("from_pond"),
                r.MaybeDay("harvest_on"),
                r.Yes("dropped")
            )
        )
        .CheckedBy((desk, c) => c.Dropped ? [] : c.Check(desk.Today).Concat(Comes(desk, c)));

    public static readonly FactTable<SeasonKept> Copy = new FactTable<SeasonKept>(
        "season_kept",
        "copy of the season",
        Reach.Pages
    )
        .Itself("copy", s => s.CopyId)
        .Column("name", s => s.Name)
        .Column("moves", s => s.Moves)
        .Column("dropped", s => s.Dropped)
        .ReadBy(r => new(r.Long("copy"), r.Text("name"), r.Text("moves"), r.Yes("dropped")))
        .CheckedBy((_, s) => s.Check());

    public static readonly FactTable<StockingPlanKept> Plan = new FactTable<StockingPlanKept>(
        "stocking_plan",
        "stocking plan"
    )
        .Itself("plan", p => p.PlanId)
        .Pond("pond", p => p.PondId)
        .Column("name", p => p.Name)
        .Column("asked", p => p.Asked)
        .Column("dropped", p => p.Dropped)
        .ReadBy(r => new(r.Long("plan"), r.MaybeLong("pond"), r.Text("name"), r.Text("asked"), r.Yes("dropped")))
        .CheckedBy((_, p) => p.Check());

    public static IReadOnlyList<FactKind> Kinds { get; } = [Harvest, Cycle, Copy, Plan];

    private static IEnumerable<Remark> Leaves(Desk desk, HarvestPlanned h)
    {
        var standing = FishQuestions.Standing(desk.Connection, desk.AsOf.Known, h.PondId).Find(b => b.Id == h.BatchId);
        if (standing is not { Stands: > 0 })
            yield return Remark.Refuse("Batch", "No fish of this batch stand in the pond any more. Choose another.");
        else if (h.Count >= standing.Stands)
            yield return Remark.Refuse(
                "Count",
                $"About {desk.Hand.Count(standing.Stands)} stand here. Leave the number empty when all leave."
            );
        foreach (var remark in FishChecks.Leaving(desk, h.PondId, h.On, "Day", h.ToPondId))
            yield return remark;
        if (h.ToPondId is { } to && FarmQuestions.Pond(desk.Connection, desk.AsOf.Known, to) is null)
            yield return Remark.Refuse("To", "There is no such pond. Choose one of the list.");
    }

    private static IEnumerable<Remark> Comes(Desk desk, CyclePlanned c)
    {
        if (FarmQuestions.Pond(desk.Connection, desk.AsOf.Known, c.PondId) is null)
            yield return Remark.Refuse("Pond", "There is no such pond. Choose one of the list.");
        if (c.FromPondId is { } from && FarmQuestions.Pond(desk.Connection, desk.AsOf.Known, from) is null)
            yield return Remark.Refuse("From", "There is no such pond. Choose one of the list.");
    }
}
