using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Days on which fish are to leave or to come, and copies of the season.</summary>
internal sealed class SeasonBook : IBook
{
    public bool Keeps(Fact fact) => fact is HarvestPlanned or CyclePlanned or SeasonKept;

    public long? PondOf(Fact fact) => fact switch { HarvestPlanned h => h.PondId, CyclePlanned c => c.PondId, _ => null };

    public IEnumerable<Remark> Check(Desk desk, Fact fact) => fact switch
    {
        // What is given up need not lie ahead any more.
        HarvestPlanned { Dropped: true } or CyclePlanned { Dropped: true } => [],
        HarvestPlanned h => h.Check(desk.Zone.DayOf(desk.Happened)).Concat(Leaves(desk, h)),
        CyclePlanned c => c.Check(desk.Zone.DayOf(desk.Happened)).Concat(Comes(desk, c)),
        _ => ((SeasonKept)fact).Check(),
    };

    public void Write(Desk desk, Fact fact)
    {
        if (fact is HarvestPlanned h)
            Sqlite.Run(desk.Connection, "INSERT INTO harvest_planned VALUES ($line, $plan, $pond, $batch, $day, $count, $to, $dropped)", ("line", desk.Line), ("plan", h.PlanId > 0 ? h.PlanId : desk.Line), ("pond", h.PondId), ("batch", h.BatchId), ("day", h.On), ("count", h.Count), ("to", h.ToPondId), ("dropped", h.Dropped));
        else if (fact is CyclePlanned c)
            Sqlite.Run(desk.Connection, "INSERT INTO cycle_planned VALUES ($line, $plan, $pond, $species, $stock, $count, $mean, $target, $from, $harvest, $dropped)", ("line", desk.Line), ("plan", c.PlanId > 0 ? c.PlanId : desk.Line), ("pond", c.PondId), ("species", c.SpeciesKey), ("stock", c.StockOn),
                ("count", c.Count), ("mean", c.MeanG), ("target", c.TargetG), ("from", c.FromPondId), ("harvest", c.HarvestOn), ("dropped", c.Dropped));
        else if (fact is SeasonKept s)
            Sqlite.Run(desk.Connection, "INSERT INTO season_kept VALUES ($line, $copy, $name, $moves, $dropped)", ("line", desk.Line), ("copy", s.CopyId > 0 ? s.CopyId : desk.Line), ("name", s.Name.Trim()), ("moves", s.Moves), ("dropped", s.Dropped));
    }

    private static IEnumerable<Remark> Leaves(Desk desk, HarvestPlanned h)
    {
        var standing = FishQuestions.Standing(desk.Connection, desk.AsOf.Known, h.PondId).Find(b => b.Id == h.BatchId);
        if (standing is not { Stands: > 0 })
            yield return Remark.Refuse("Batch", "No fish of this batch stand in the pond any more. Choose another.");
        else if (h.Count >= standing.Stands)
            yield return Remark.Refuse("Count", $"About {standing.Stands:#,0} stand here. Leave the number empty when all leave.");
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
