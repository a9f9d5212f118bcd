using Dorsk.Core.People;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A new pond, or one described anew.</summary>
internal sealed class PondSlip : ISlip
{
    private static readonly (string, string)[] Kinds = [("Earthen", "earthen pond"), ("Lined", "lined pond"), ("Tank", "tank")];
    private static readonly (string, string)[] Shapes = [("rectangle", "rectangle with sloped banks"), ("round", "round tank, upright walls")];
    private static readonly (string, string)[] Uses = [("grow-out", "grow-out"), ("nursery", "nursery"), ("broodstock", "broodstock"), ("settling", "settling, no fish")];

    public string Key => "pond";

    public Permission Needs => Permission.Setup;

    public string Title => "New pond";

    public string Button => "Keep this pond";

    public bool OfPond => false;

    public string FactKind => nameof(PondBuilt);

    public string Section => "";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var p = c.Old<PondBuilt>()?.Pond;
        var r = p?.Shape as SlopedRectangle;
        var t = p?.Shape as RoundTank;
        return
        [
            new("Code", "Code", FieldKind.Words, p?.Code ?? "", Hint: "short, as it stands on the bank: P7"),
            new("PondName", "Name, if it has one", FieldKind.Words, p?.Name ?? ""),
            new("Kind", "Kind", FieldKind.Choice, p?.Kind.ToString() ?? "Earthen", Options: Kinds),
            new("Use", "Use", FieldKind.Choice, p?.Use ?? "grow-out", Options: Uses),
            new("Day", "In use since", FieldKind.Day, c.Here.Zone.LocalAt(c.Corrects?.Row.Happened ?? c.Here.Now).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)),
            new("", "Its body", FieldKind.Heading),
            new("Shape", "Shape", FieldKind.Choice, t is null ? "rectangle" : "round", Options: Shapes),
            new("Length", "Length of the full water", FieldKind.Quantity, Lines.Plain(c, r?.LengthM, Measures.Length), Measures.Length, "rectangles"),
            new("Width", "Width of the full water", FieldKind.Quantity, Lines.Plain(c, r?.WidthM, Measures.Length), Measures.Length, "rectangles"),
            new("Slope", "Bank slope", FieldKind.Quantity, r is null ? "2" : r.Slope.ToString("0.##", System.Globalization.CultureInfo.InvariantCulture), Measures.Plain, "across for 1 down; 0 for walls"),
            new("Diameter", "Diameter", FieldKind.Quantity, Lines.Plain(c, t?.DiameterM, Measures.Length), Measures.Length, "round tanks"),
            new("Depth", "Depth when full", FieldKind.Quantity, Lines.Plain(c, p?.Shape.FullDepthM, Measures.Length), Measures.Length, "the top of the staff gauge"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var depth = form.Quantity("Depth", Measures.Length);
        PondShape shape = form.Text("Shape") == "round"
            ? new RoundTank(form.Quantity("Diameter", Measures.Length), depth)
            : new SlopedRectangle(form.Quantity("Length", Measures.Length), form.Quantity("Width", Measures.Length), depth, form.Quantity("Slope", Measures.Plain));
        var kind = form.Choice("Kind", [("Earthen", PondKind.Earthen), ("Lined", PondKind.Lined), ("Tank", PondKind.Tank)], "kind", PondKind.Earthen);
        var use = form.Choice("Use", Uses.Select(u => (u.Item1, u.Item1)).ToList(), "use", "grow-out");
        var pond = new Pond(c.Old<PondBuilt>()?.Pond.Id ?? 0, form.Text("Code").ToUpperInvariant(), form.Text("PondName"), kind, shape, use);
        // The day it came into use counts from its first minute, so that fish of that morning find it.
        var day = form.Day("Day");
        var built = c.Here.Zone.At(day, TimeOnly.MinValue);
        var sound = form.Remarks.Count == 0 && !FarmRules.Check(pond with { Code = "X" }, []).Any();
        return new(built, [new PondBuilt(pond)], $"{pond.Code} {pond.Name}".Trim(), sound ?
        [
            new("Water surface when full", c.Here.Say(shape.FullAreaM2, pond.ByVolume ? Measures.Area with { Metric = Measures.Area.Find("m2")!, Decimals = 0 } : Measures.Area)),
            new("Volume when full", c.Here.Say(shape.FullVolumeM3, Measures.Volume)), new("Mean depth", c.Here.Say(shape.MeanDepthM, Measures.Length)),
        ] : []);
    }
}
