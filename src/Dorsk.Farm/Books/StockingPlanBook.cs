using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Stocking plans that were kept.</summary>
internal sealed class StockingPlanBook : IBook
{
    public bool Keeps(Fact fact) => fact is StockingPlanKept;

    public long? PondOf(Fact fact) => ((StockingPlanKept)fact).PondId;

    public IEnumerable<Remark> Check(Desk desk, Fact fact) => ((StockingPlanKept)fact).Check();

    public void Write(Desk desk, Fact fact)
    {
        var p = (StockingPlanKept)fact;
        Sqlite.Run(desk.Connection, "INSERT INTO stocking_plan VALUES ($line, $plan, $pond, $name, $asked, $dropped)", ("line", desk.Line), ("plan", p.PlanId > 0 ? p.PlanId : desk.Line), ("pond", p.PondId), ("name", p.Name.Trim()), ("asked", p.Asked), ("dropped", p.Dropped));
    }
}
