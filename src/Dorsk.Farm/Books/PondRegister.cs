using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Ponds, their aerators, and work at them.</summary>
internal sealed class PondRegister : IBook
{
    public bool Keeps(Fact fact) => fact is PondBuilt or AeratorsFitted or PondWorked or EquipmentFitted or PondArchived;

    public long? PondOf(Fact fact) => fact switch
    {
        PondBuilt { Pond.Id: > 0 } b => b.Pond.Id,
        AeratorsFitted a => a.PondId,
        PondWorked w => w.PondId,
        EquipmentFitted e => e.PondId,
        PondArchived a => a.PondId,
        _ => null,
    };

    public IEnumerable<Remark> Check(Desk desk, Fact fact) => fact switch
    {
        PondBuilt b => FarmRules.Check(b.Pond, FarmQuestions.Ponds(desk.Connection, desk.AsOf.Known).Where(p => p.Id != b.Pond.Id && p.Id != desk.Line).Select(p => p.Code)),
        AeratorsFitted a => FarmRules.Check(a),
        EquipmentFitted e => FarmRules.Check(e),
        PondArchived a => FarmRules.Check(a, FishQuestions.Standing(desk.Connection, desk.AsOf.Known, a.PondId).Sum(b => (long)b.Stands)),
        PondWorked { Text.Length: > 500 } => [Remark.Refuse("Text", "At most 500 letters.")],
        _ => [],
    };

    public void Write(Desk desk, Fact fact)
    {
        switch (fact)
        {
            case PondBuilt b:
                Write(desk, b.Pond);
                break;
            case AeratorsFitted a:
                Write(desk, a);
                break;
            case EquipmentFitted e:
                Sqlite.Run(desk.Connection, "INSERT INTO equipment_fitted VALUES ($line, $pond)", ("line", desk.Line), ("pond", e.PondId));
                foreach (var (x, n) in e.Items.Select((x, n) => (x, n)))
                    Sqlite.Run(desk.Connection, "INSERT INTO equipment VALUES ($line, $n, $kind, $name, $kw, $flow, $mesh, $um, $uv, $laid, $life)", ("line", desk.Line), ("n", n), ("kind", x.Kind), ("name", x.Name.Trim()), ("kw", x.PowerKW),
                        ("flow", x.FlowM3H), ("mesh", x.MeshMm), ("um", x.ThicknessUm), ("uv", x.Uv), ("laid", x.Laid), ("life", x.LifeCycles));
                break;
            case PondArchived a:
                Sqlite.Run(desk.Connection, "INSERT INTO pond_archived VALUES ($line, $pond, $archived, $reason)", ("line", desk.Line), ("pond", a.PondId), ("archived", a.Archived), ("reason", a.Reason.Trim()));
                break;
            case PondWorked w:
                Sqlite.Run(desk.Connection, "INSERT INTO pond_work VALUES ($line, $pond, $work, $text, $kg)", ("line", desk.Line), ("pond", w.PondId), ("work", w.Work), ("text", w.Text.Trim()), ("kg", w.AmountKg));
                break;
        }
    }

    private static void Write(Desk desk, Pond pond)
    {
        var sides = pond.Shape as SlopedRectangle;
        var tank = pond.Shape as RoundTank;
        var drawn = pond.Shape as OutlinePond;
        var mean = pond.Shape as MeanDepthPond;
        var table = pond.Shape as TablePond;
        var outline = drawn?.Outline ?? mean?.Outline ?? table?.Outline;
        Sqlite.Run(desk.Connection, "INSERT INTO pond VALUES ($line, $pond, $code, $name, $kind, $use, $shape, $l, $w, $d, $depth, $slope, $outline, $mean, $table, $share, $paddle)",
            ("line", desk.Line), ("pond", pond.Id > 0 ? pond.Id : desk.Line), ("code", pond.Code.Trim().ToUpperInvariant()), ("name", pond.Name.Trim()), ("kind", pond.Kind), ("use", pond.Use),
            ("shape", pond.Shape.GetType().Name), ("l", sides?.LengthM), ("w", sides?.WidthM), ("d", tank?.DiameterM), ("depth", pond.Shape.FullDepthM), ("slope", sides?.Slope ?? drawn?.Slope),
            ("outline", outline is null ? null : Pairs.Write(outline.CornersM)), ("mean", mean?.MeanDepth), ("table", table is null ? null : Pairs.Write(table.Levels)), ("share", pond.Split?.FishShare), ("paddle", pond.Split?.PaddleM3H));
    }

    private static void Write(Desk desk, AeratorsFitted fitted)
    {
        Sqlite.Run(desk.Connection, "INSERT INTO aerators_fitted VALUES ($line, $pond)", ("line", desk.Line), ("pond", fitted.PondId));
        foreach (var (a, n) in fitted.Aerators.Select((a, n) => (a, n)))
            Sqlite.Run(desk.Connection, "INSERT INTO aerator VALUES ($line, $n, $code, $kind, $kw, $on, $off)",
                ("line", desk.Line), ("n", n), ("code", a.Code), ("kind", a.Kind.Name), ("kw", a.ShaftKW), ("on", Minute(a.On)), ("off", Minute(a.Off)));
    }

    private static object? Minute(TimeOnly? hour) => hour is { } h ? (h.Hour * 60) + h.Minute : null;
}
