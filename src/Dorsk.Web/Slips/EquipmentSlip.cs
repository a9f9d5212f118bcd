using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>What stands at a pond beside its aerators, all of it on one slip.</summary>
internal sealed class EquipmentSlip : ISlip
{
    private static readonly (EquipmentKind Kind, string Heading, string[] Figures)[] Rows =
    [
        (EquipmentKind.Pump, "Pump", ["Flow", "Power"]),
        (EquipmentKind.Generator, "Generator", ["Power"]),
        (EquipmentKind.Probe, "Probe", ["Name"]),
        (EquipmentKind.Feeder, "Feeder", ["Name"]),
        (EquipmentKind.InletScreen, "Inlet screen", ["Mesh", "Slot"]),
        (EquipmentKind.OutletScreen, "Outlet screen", ["Mesh", "Slot"]),
        (EquipmentKind.BirdNet, "Bird net", ["Mesh"]),
        (EquipmentKind.Liner, "Liner", ["Thickness", "Laid", "Life", "Offcut", "Uv"]),
    ];

    private static readonly (string, string)[] Slots =
    [
        ("", "not said"),
        ("groove", "a plain groove in the concrete"),
        ("metal", "a metal or plastic frame"),
        (FarmRules.WoodSlot, "wood"),
    ];

    private static readonly Measure Mesh = Measures.ShortLength with
    {
        Name = "mesh",
        Metric = Measures.ShortLength.Find("mm")!,
        Decimals = 1,
    };

    public string Key => "equipment";

    public Permission Needs => Permission.Manage;

    public string Title => "Equipment";

    public string Button => "Save the equipment";

    public bool OfPond => true;

    public string FactKind => nameof(EquipmentFitted);

    public string Section => "water";

    public string Caution =>
        "Electric equipment by water: residual-current protection, a dry switch, wiring by a licensed electrician. Generators run in open air only.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var items = c.Old<EquipmentFitted>()?.Items ?? c.Story!.Equipment;
        return
        [
            .. Lines.When(c),
            .. Rows.SelectMany(r =>
                FieldsOf(c, r.Kind, r.Heading, r.Figures, items.FirstOrDefault(i => i.Kind == r.Kind))
            ),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        // The slip shows one of each kind, and not every figure of it: what it does not show stays as it was.
        var before = c.Old<EquipmentFitted>()?.Items ?? c.Story!.Equipment;
        var items = Rows.Select(r => ReadOne(form, r.Kind, r.Figures, before.FirstOrDefault(i => i.Kind == r.Kind)))
            .OfType<Equipment>()
            .ToList();
        items.AddRange(before.GroupBy(i => i.Kind).SelectMany(g => g.Skip(1)));
        return new(
            form.When(),
            [new EquipmentFitted(c.PondId, items)],
            $"{c.Story!.Pond.Code} equipment: {(items.Count == 0 ? "none" : string.Join(", ", items.Select(i => i.Kind)))}",
            []
        );
    }

    private static IEnumerable<SlipField> FieldsOf(
        SlipContext c,
        EquipmentKind kind,
        string heading,
        string[] figures,
        Equipment? e
    )
    {
        yield return c.Heading(heading);
        foreach (var f in figures)
            yield return f switch
            {
                "Flow" => c.Quantity(kind + f, "Moves", Measures.Flow, e?.FlowM3H),
                "Power" => c.Quantity(kind + f, "Power it takes", Measures.Power, e?.PowerKW),
                "Mesh" => c.Quantity(kind + f, "Mesh", Mesh, e?.MeshMm / 1000)
                    .WithHint(kind == EquipmentKind.BirdNet ? "" : "held against the smallest fish; empty: no screen"),
                "Thickness" => c.Quantity(kind + f, "Thickness", Measures.Sheet, e?.ThicknessUm * 1e-6)
                    .WithHint($"{c.Here.Range(500e-6, 1000e-6, Measures.Sheet)} is usual; empty: no liner"),
                "Laid" => c.Day(kind + f, "Laid on", e?.Laid),
                "Life" => c.Whole(kind + f, "Bought for", e?.LifeCycles?.ToString(CultureInfo.InvariantCulture) ?? "")
                    .WithHint("cycles"),
                "Offcut" => c.Quantity(kind + f, "Offcuts kept for patches", Measures.Area.BySquare!, e?.OffcutM2)
                    .WithHint("each mend takes its patch from them"),
                "Slot" => c.Choice(kind + f, "Its slot", e?.Slot ?? "", Slots),
                "Uv" => c.Yes(kind + f, "Made to stand sunlight", e?.Uv == true ? "true" : ""),
                _ => c.Words(kind + f, "Which", e?.Name ?? "").WithHint("make or number; empty: none"),
            };
    }

    private static Equipment? ReadOne(SlipForm form, EquipmentKind kind, string[] figures, Equipment? before)
    {
        bool Has(string f) => figures.Contains(f) && !form.Empty(kind + f);
        if (!figures.Any(f => f is not ("Uv" or "Slot") && Has(f)))
            return null;
        return new(
            kind,
            figures.Contains("Name") ? form.Text(kind + "Name") : before?.Name ?? "",
            Has("Power") ? form.MaybeQuantity(kind + "Power", Measures.Power) : null,
            Has("Flow") ? form.MaybeQuantity(kind + "Flow", Measures.Flow) : null,
            Has("Mesh") ? form.MaybeQuantity(kind + "Mesh", Mesh) * 1000 : null,
            Has("Thickness") ? form.MaybeQuantity(kind + "Thickness", Measures.Sheet) * 1e6 : null,
            form.Yes(kind + "Uv"),
            Has("Laid") ? form.Day(kind + "Laid") : null,
            Has("Life") ? form.Whole(kind + "Life", "cycles") : null,
            Has("Offcut") ? form.MaybeQuantity(kind + "Offcut", Measures.Area.BySquare!) : null,
            figures.Contains("Slot")
                ? form.Choice(kind + "Slot", [.. Slots.Select(s => (s.Item1, s.Item1))], "slot", "")
                : before?.Slot ?? ""
        );
    }
}

/// <summary>Lays a pond up, or takes it back into use.</summary>
internal sealed class ArchiveSlip : ISlip
{
    private static readonly (string, string)[] Ways =
    [
        ("up", "laid up: out of every list, round and plan"),
        ("use", "in use"),
    ];

    public string Key => "archive";

    public Permission Needs => Permission.Setup;

    public string Title => "Lay up, or back into use";

    public string Button => "Save this";

    public bool OfPond => true;

    public string FactKind => nameof(PondArchived);

    public string Section => "log";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<PondArchived>();
        return
        [
            .. Lines.When(c),
            c.Choice("Archived", "The pond is", old?.Archived == false ? "use" : "up", Ways),
            c.Words("Reason", "Why", old?.Reason ?? "").WithHint("nothing of its book is deleted"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var up = form.Choice("Archived", [("up", true), ("use", false)], "state", true);
        return new(
            form.When(),
            [new PondArchived(c.PondId, up, form.Text("Reason"))],
            $"{c.Story!.Pond.Code} {(up ? "laid up" : "in use again")}: {form.Text("Reason")}",
            []
        );
    }
}
