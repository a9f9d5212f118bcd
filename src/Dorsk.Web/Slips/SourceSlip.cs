using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Web.Slips;

/// <summary>A source of water, and what was read of it.</summary>
internal sealed class SourceSlip : ISlip
{
    private static readonly (SourceKind Kind, string Word)[] Kinds =
    [
        (SourceKind.Well, "well or bore"),
        (SourceKind.Spring, "spring"),
        (SourceKind.River, "river or creek"),
        (SourceKind.Dam, "dam, lake, storage pond"),
        (SourceKind.Tide, "tide"),
        (SourceKind.Town, "town water"),
    ];

    /// <summary>What is read of a source.</summary>
    public static readonly IReadOnlyList<Parameter> Tested =
    [
        Parameter.Ph,
        Parameter.Oxygen,
        Parameter.Temperature,
        Parameter.Alkalinity,
        Parameter.Hardness,
        Parameter.Salinity,
        Parameter.Tan,
        Parameter.Nitrite,
        Parameter.CarbonDioxide,
        Parameter.Turbidity,
    ];

    public string Key => "source";

    public string Title => "Water source";

    public string Button => "Save this test";

    public bool OfPond => false;

    public string FactKind => nameof(SourceTested);

    public string Section => "";

    public string After => "/setup/sources";

    public string Caution => "A laboratory tests for metals and pesticides once; ask what neighbours spray.";

    /// <summary>A kind in words.</summary>
    public static string Word(SourceKind kind) => Kinds.First(k => k.Kind == kind).Word;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<SourceTested>();
        double? Of(Parameter p) => f?.Values.Where(v => v.Parameter == p).Select(v => (double?)v.Si).FirstOrDefault();
        return
        [
            .. Lines.When(c),
            c.Words("Name", "Source", f?.Name ?? "").WithHint("the same name again is a new test of it"),
            c.Choice("Kind", "It is", f?.Kind ?? SourceKind.Well, [.. Kinds.Select(k => (k.Kind.ToString(), k.Word))]),
            c.Yes("Second", "Second source", f?.IsSecond == true ? "true" : "")
                .WithHint("for the day on which the first fails"),
            c.Quantity("Flow", "Flow", Measures.Flow, f?.FlowM3H).WithHint("in the driest month; may stay empty"),
            c.Heading("As tested; what was not tested stays empty"),
            .. Tested.Select(p => c.Quantity(p.Key, Pages.Words.Sentence(p.Name), p.Measure, Of(p))),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var values = Tested
            .Select(p => (Parameter: p, Si: form.MaybeQuantity(p.Key, p.Measure)))
            .Where(v => v.Si is { } si && double.IsFinite(si))
            .Select(v => (v.Parameter, v.Si!.Value))
            .ToList();
        var fact = new SourceTested(
            form.Text("Name"),
            form.Choice("Kind", [.. Kinds.Select(k => (k.Kind.ToString(), k.Kind))], "kind", SourceKind.Well),
            form.Yes("Second"),
            form.MaybeQuantity("Flow", Measures.Flow),
            values
        );
        return new(form.When(), [fact], $"source {fact.Name} tested", []);
    }
}
