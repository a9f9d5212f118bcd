using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>The farm's plan: where ponds lie, and what else is drawn.</summary>
internal sealed class PlanBook : IBook
{
    public bool Keeps(Fact fact) => fact is PondPlaced or LandmarkDrawn or MarksSet;

    public long? PondOf(Fact fact) => (fact as PondPlaced)?.PondId ?? (fact as MarksSet)?.PondId;

    public IEnumerable<Remark> Check(Desk desk, Fact fact) => fact switch
    {
        PondPlaced p => FarmRules.Check(p),
        MarksSet m => FarmRules.Check(m),
        _ => FarmRules.Check((LandmarkDrawn)fact),
    };

    public void Write(Desk desk, Fact fact)
    {
        if (fact is PondPlaced p)
            Sqlite.Run(desk.Connection, "INSERT INTO pond_place VALUES ($line, $pond, $e, $n, $turn)", ("line", desk.Line), ("pond", p.PondId), ("e", p.EastM), ("n", p.NorthM), ("turn", p.TurnDeg));
        else if (fact is LandmarkDrawn l)
            Sqlite.Run(desk.Connection, "INSERT INTO landmark VALUES ($line, $kind, $name, $points)", ("line", desk.Line), ("kind", l.Kind), ("name", l.Name),
                ("points", Pairs.Write(l.PointsM)));
        else if (fact is MarksSet set)
        {
            Sqlite.Run(desk.Connection, "INSERT INTO marks_set VALUES ($line, $pond)", ("line", desk.Line), ("pond", set.PondId));
            foreach (var (m, i) in set.Marks.Select((m, i) => (m, i)))
                Sqlite.Run(desk.Connection, "INSERT INTO mark VALUES ($line, $n, $kind, $code, $e, $north)", ("line", desk.Line), ("n", i), ("kind", m.Kind), ("code", m.Code.Trim()), ("e", m.EastM), ("north", m.NorthM));
        }
    }
}
