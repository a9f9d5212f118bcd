using Dorsk.Core.Judging;
using Dorsk.Core.Prepare;
using Dorsk.Core.Time;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Plans of making a pond ready.</summary>
internal sealed class PrepareBook : IBook
{
    public bool Keeps(Fact fact) => fact is PreparationPlanned;

    public long? PondOf(Fact fact) => ((PreparationPlanned)fact).PondId;

    public IEnumerable<Remark> Check(Desk desk, Fact fact)
    {
        var plan = (PreparationPlanned)fact;
        var zone = FarmZone.Find(desk.Farm?.ZoneId ?? "") ?? FarmZone.Utc;
        foreach (var remark in plan.Check(zone.DayOf(desk.Happened)))
            yield return remark;
        if (Core.Species.FishSpecies.Find(plan.SpeciesKey) is null)
            yield return Remark.Refuse("Species", "Choose the species from the list.");
        var stands = FishQuestions.Standing(desk.Connection, desk.AsOf.Known, plan.PondId).Sum(b => (long)b.Stands);
        if (stands > 0)
            yield return Remark.Refuse("", FormattableString.Invariant($"{stands:N0} fish stand in this pond on the books. It is prepared once they are out."));
    }

    public void Write(Desk desk, Fact fact)
    {
        var p = (PreparationPlanned)fact;
        Sqlite.Run(desk.Connection, "INSERT INTO preparation VALUES ($line, $pond, $on, $species, $dry, $lime, $ph, $texture, $alk, $value, $pests, $poison, $days, $fert, $cover, $bag, $limebag, $fertbag, $mealbag, $kwh)",
            ("line", desk.Line), ("pond", p.PondId), ("on", p.StockOn), ("species", p.SpeciesKey), ("dry", p.DryDays), ("lime", p.Lime), ("ph", p.MudPh), ("texture", p.Texture), ("alk", p.AlkalinityMgL), ("value", p.LimeValuePct),
            ("pests", p.Pests), ("poison", p.PoisonGM3), ("days", p.PoisonDays), ("fert", p.Fertiliser), ("cover", p.Cover), ("bag", p.Prices.BagKg), ("limebag", p.Prices.LimeBag), ("fertbag", p.Prices.FertiliserBag), ("mealbag", p.Prices.MealBag), ("kwh", p.Prices.KWh));
    }
}
