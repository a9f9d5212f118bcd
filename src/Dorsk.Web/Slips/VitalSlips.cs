using System.Globalization;
using Dorsk.Core.Machines;
using Dorsk.Core.People;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A piece of equipment that fish live by, with its spares.</summary>
internal sealed class VitalSlip : ISlip
{
    public string Key => "vital";

    public string Title => "Equipment and its spares";

    public string Button => "Save";

    public bool OfPond => false;

    public string FactKind => nameof(VitalKept);

    public string Section => "";

    public string After => "/setup/vital";

    public Permission Needs => Permission.Manage;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<VitalKept>();
        return
        [
            c.Choice(
                "Kind",
                "What it is",
                old?.Kind ?? VitalKind.All[0].Key,
                VitalKind.All.Select(k => (k.Key, k.Name)).ToList()
            ),
            c.Words("Name", "Name", old?.Name ?? "").WithHint("such as diesel generator at the shed"),
            c.Choice(
                "Pond",
                "Where",
                old?.PondId?.ToString(CultureInfo.InvariantCulture) ?? "",
                DutySlip.Places(c).Select(p => (p.Key, p.Name)).ToList()
            ),
            c.Whole("Every", "Test every", old?.EveryDays).WithHint("days; empty: the usual for its kind"),
            c.Whole("Spares", "Spares that lie ready", old?.Spares ?? 0),
            c.Words("SpareWhere", "Where they lie", old?.SpareWhere ?? ""),
            .. old is null ? [] : new[] { c.Yes("Gone", "The farm has it no longer", old.Gone ? "true" : "") },
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var kind = VitalKind.Find(form.Text("Kind"));
        var pond = form.Choice("Pond", DutySlip.Places(c).Select(p => (p.Key, p.Id)).ToList(), "place", null);
        var fact = new VitalKept(
            c.Old<VitalKept>()?.VitalId ?? 0,
            form.Text("Kind"),
            form.Text("Name"),
            pond,
            form.MaybeWhole("Every", "days") ?? kind?.EveryDays ?? 30,
            form.Empty("Spares") ? 0 : form.Whole("Spares", "spares"),
            form.Text("SpareWhere"),
            form.Yes("Gone")
        );
        return new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [fact],
            $"{fact.Name}: {kind?.Name}, {fact.Spares} spares",
            kind is null
                ? []
                :
                [
                    new(
                        "Test",
                        $"{kind.Check}{(kind.Passes(c.Here.Hand).Length > 0 ? $": {kind.Passes(c.Here.Hand)}" : "")}"
                    ),
                    new("Usual", kind.EveryDays is { } days ? $"every {c.Here.Count(days)} days" : "at each use"),
                    .. kind.Caution.Length > 0 ? [new("Caution", kind.Caution)] : Array.Empty<Computed>(),
                ]
        );
    }
}

/// <summary>A test of such a piece.</summary>
internal sealed class VitalTestSlip : ISlip
{
    public string Key => "vital-test";

    public string Title => "Equipment test";

    public string Button => "Record this test";

    public bool OfPond => false;

    public string FactKind => nameof(VitalChecked);

    public string Section => "";

    public string After => "/setup/vital";

    public string Caution =>
        "Power off and locked before a hand goes near a shaft. Generators outdoors only: exhaust kills. Wiring is an electrician's work.";

    public string? CannotStart(SlipContext c) =>
        c.Questions.Vitals().Count == 0 ? "No equipment is listed. Add it under Setup, equipment and spares." : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<VitalChecked>();
        var all = c.Questions.Vitals();
        return FieldsOf(c, old, all);
    }

    private static IReadOnlyList<SlipField> FieldsOf(SlipContext c, VitalChecked? old, IReadOnlyList<VitalState> all) =>
        [
            .. Lines.When(c),
            c.Choice(
                "Vital",
                "Tested",
                Number(old?.VitalId ?? all[0].Kept.VitalId),
                [.. all.Select(v => (Number(v.Kept.VitalId), Words(c, v)))]
            ),
            c.Quantity(
                    "Figure",
                    "Figure",
                    Measures.Plain,
                    old?.Figure?.ToString("0.###", CultureInfo.InvariantCulture) ?? ""
                )
                .WithHint("where one is read"),
            c.Looked("Passed", "It did what it must", old?.Passed, "not tested yet"),
            c.Words("Text", "In words", old?.Text ?? "").WithHint("what failed; what was done"),
        ];

    public Filled Read(SlipForm form, SlipContext c)
    {
        var all = c.Questions.Vitals();
        var id = form.Choice("Vital", [.. all.Select(v => (Number(v.Kept.VitalId), v.Kept.VitalId))], "piece", 0L);
        var vital = all.FirstOrDefault(v => v.Kept.VitalId == id);
        var (figure, passed) = (form.MaybeQuantity("Figure", Measures.Plain), form.Looked("Passed"));
        var well = vital?.Kind.IsPassed(figure, passed);
        return new(
            form.When(),
            [new VitalChecked(id, vital?.Kept.PondId, figure, passed, form.Text("Text"))],
            $"{vital?.Kept.Name}: {form.Text("Figure")} {(well == true ? "passed" : "failed")} {form.Text("Text")}".Trim(),
            vital is null || form.Remarks.Any(r => r.Field == "Passed")
                ? []
                : [new("The test", well == true ? "passed" : $"failed: {vital.Kind.OnFail}")]
        );
    }

    private static string Words(SlipContext c, VitalState v) =>
        v.Kind.Passes(c.Here.Hand).Length > 0
            ? $"{v.Kept.Name}: {v.Kind.Check}, {v.Kind.Passes(c.Here.Hand)}"
            : $"{v.Kept.Name}: {v.Kind.Check}";

    private static string Number(long number) => number.ToString(CultureInfo.InvariantCulture);
}
