using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>The farm's plan: where ponds lie, and what else is drawn.</summary>
internal sealed class PlanBook : IBook
{
    public bool Keeps(Fact fact) => fact is PondPlaced or LandmarkDrawn;

    public long? PondOf(Fact fact) => (fact as PondPlaced)?.PondId;

    public IEnumerable<Remark> Check(Desk desk, Fact fact) => fact is PondPlaced p ? FarmRules.Check(p) : FarmRules.Check((LandmarkDrawn)fact);

    public void Write(Desk desk, Fact fact)
    {
        if (fact is PondPlaced p)
            Sqlite.Run(desk.Connection, "INSERT INTO pond_place VALUES ($line, $pond, $e, $n, $turn)", ("line", desk.Line), ("pond", p.PondId), ("e", p.EastM), ("n", p.NorthM), ("turn", p.TurnDeg));
        else if (fact is LandmarkDrawn l)
            Sqlite.Run(desk.Connection, "INSERT INTO landmark VALUES ($line, $kind, $name, $points)", ("line", desk.Line), ("kind", l.Kind), ("name", l.Name),
                ("points", string.Join(';', l.PointsM.Select(q => string.Create(CultureInfo.InvariantCulture, $"{q.EastM} {q.NorthM}")))));
    }
}
