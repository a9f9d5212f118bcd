using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Filling by the tide: when it stands over the sill, and when a pump must help.</summary>
internal sealed class TideCalculator : ICalculator
{
    public string Key => "tide";

    public string Title => "Filling by the tide";

    public string Lead => "hours over the sill at springs and neaps, and what the pump must do";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Hour("high", "High water", "06:00").WithHint("of the tide table"),
            s.Quantity("highm", "Height of high water", Measures.Length, 2.4),
            s.Quantity("lowm", "Height of low water", Measures.Length, 0.4),
            s.Quantity("neaphigh", "High water at neaps", Measures.Length, 1.6),
            s.Quantity("neaplow", "Low water at neaps", Measures.Length, 1.0),
            s.Quantity("sill", "Sill of the gate", Measures.Length, 1.8).WithHint("over the same zero as the table"),
            s.Quantity("wanted", "Water wanted", Measures.Volume, s.VolumeM3 is { } v ? v * 0.2 : 500),
            s.Quantity("gate", "The open gate lets in", Measures.Flow, 300),
            .. Pumping.Fields(s),
        ];

    public Worked? Work(BenchForm f)
    {
        double M(string field) => f.Q(field, Measures.Length, -5, 20);
        var (high, low, neapHigh, neapLow, sill) = (M("highm"), M("lowm"), M("neaphigh"), M("neaplow"), M("sill"));
        if (!SlipForm.TryHour(f.Form.Text("high"), out var at))
            f.Form.Refuse("high", "An hour such as 06:10.");
        if (f.Sound && high <= low)
            f.Form.Refuse("lowm", "Low water lies under high water.");
        if (f.Sound && (neapHigh <= neapLow || neapHigh > high))
            f.Form.Refuse("neaphigh", "Neaps lie between: under the springs' high water, over their own low water.");
        var (wanted, gate, flow) = (
            f.Q("wanted", Measures.Volume, 0.001, 1e7),
            f.Q("gate", Measures.Flow, 0.1, 1e6),
            f.Q("flow", Measures.Flow, 0.01, 1e5)
        );
        if (!f.Sound)
            return null;
        var spring = new Tide(high, low, Tide.UsualHalfH).OverH(sill);
        var neap = new Tide(neapHigh, neapLow, Tide.UsualHalfH).OverH(sill);
        return Answer(f, at, (spring, neap), (wanted, gate, flow), Because(high, low, sill));
    }

    private static Grounds Because(double high, double low, double sill) =>
        Grounds.Of(
            "The tide between high and low water as a half cosine; over the sill the gate lets in its flow. Wind, air pressure and rivers shift it: the tide table and a look at the staff rule.",
            "Usual approximation of a semi-diurnal tide",
            new Input("high water", high, Measures.Length, "tide table, typed"),
            new Input("low water", low, Measures.Length, "tide table, typed"),
            new Input("sill", sill, Measures.Length, "typed")
        );

    private static Worked Answer(
        BenchForm f,
        TimeOnly at,
        (double? Spring, double? Neap) over,
        (double Wanted, double Gate, double Flow) water,
        Grounds why
    )
    {
        var ((spring, neap), (wanted, gate, flow)) = (over, water);
        string Span(double h) => $"{at.AddHours(-h):HH:mm} to {at.AddHours(h):HH:mm}";
        var perTide = 2 * (spring ?? 0) * gate;
        return new(
            [
                new("Gate open", spring is { } s ? Span(s) : "never: the sill stands over this tide", why, Main: true),
                new("Lets in a tide", f.Say(perTide, Measures.Volume), why),
                .. perTide > 0
                    ? [new("Tides for what is wanted", f.Here.Count(Math.Ceiling(wanted / perTide)), why)]
                    : Array.Empty<Figure>(),
                new(
                    "At neaps",
                    neap is { } n ? $"{f.Here.Figure(2 * n, 1)} h a tide" : "never over the sill: pump",
                    why
                ),
                new("The pump alone", $"{f.Here.Figure(wanted / flow, 1)} h", why),
            ],
            neap is null && spring is not null
                ? "Fill by the gate around springs, about a week from neaps to neaps; what is wanted between must be pumped."
                : "",
            spring is null
                ? new Judgement(Status.Watch, "This tide does not reach the sill: pump, or wait for springs")
                : null,
            Cautions:
            [
                "Screens in the gate: the tide brings fish, crabs and eggs. Read salinity before it is let in; after rain the flood may be fresh. Nobody alone at a running gate.",
            ]
        );
    }
}
