using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Water;

namespace Dorsk.Web.Slips;

/// <summary>An instrument of the farm.</summary>
internal sealed class InstrumentSlip : ISlip
{
    private static readonly (InstrumentKind Kind, string Word)[] Kinds =
    [
        (InstrumentKind.Meter, "meter"),
        (InstrumentKind.Kit, "kit with drops or powders"),
        (InstrumentKind.Strip, "paper strips"),
        (InstrumentKind.Eye, "disc, staff, cone, thermometer"),
    ];

    public string Key => "instrument";

    public string Title => "Instrument";

    public string Button => "Save this instrument";

    public bool OfPond => false;

    public string FactKind => nameof(InstrumentKept);

    public string Section => "";

    public string After => "/setup/instruments";

    public Permission Needs => Permission.Manage;

    /// <summary>Kind in words.</summary>
    public static string Word(InstrumentKind kind) => Kinds.First(k => k.Kind == kind).Word;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<InstrumentKept>();
        return
        [
            c.Words("Name", "Name", old?.Name ?? "").WithHint("such as oxygen meter 2"),
            c.Choice(
                "Kind",
                "Kind",
                old?.Kind ?? InstrumentKind.Meter,
                Kinds.Select(k => (k.Kind.ToString(), k.Word)).ToList()
            ),
            c.Words("Resolution", "Smallest step", old?.Resolution ?? "")
                .WithHint($"such as {c.Here.Figure(0.1, 1)} mg/L"),
            c.Day("Calibrated", "Last calibrated", old?.CalibratedOn).WithHint("or the strips' expiry checked"),
            c.Whole("Every", "Calibrate every", old?.EveryDays?.ToString(CultureInfo.InvariantCulture) ?? "")
                .WithHint("days; empty: needs none"),
            c.Words("Who", "Who has it", old?.Who ?? ""),
            c.Heading("It reads"),
            .. Parameter.All.Select(p => c.Yes("m-" + p.Key, p.Name, old?.Measures.Contains(p) == true ? "true" : "")),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var kind = form.Choice(
            "Kind",
            Kinds.Select(k => (k.Kind.ToString(), k.Kind)).ToList(),
            "kind",
            InstrumentKind.Meter
        );
        DateOnly? calibrated = form.Empty("Calibrated") ? null : form.Day("Calibrated");
        int? every = form.Empty("Every") ? null : form.Whole("Every", "days");
        var measures = Parameter.All.Where(p => form.Yes("m-" + p.Key)).ToList();
        if (measures.Count == 0)
            form.Refuse("m-do", "Tick at least one thing that it reads.");
        var fact = new InstrumentKept(
            c.Old<InstrumentKept>()?.InstrumentId ?? 0,
            form.Text("Name"),
            kind,
            measures,
            form.Text("Resolution"),
            calibrated,
            every,
            form.Text("Who")
        );
        return new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [fact],
            $"{fact.Name}{(calibrated is { } d ? $" calibrated {d:yyyy-MM-dd}" : "")}",
            []
        );
    }
}
