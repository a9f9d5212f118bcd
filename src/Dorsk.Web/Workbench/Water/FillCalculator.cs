using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>How long and for what a pond is filled.</summary>
internal sealed class FillCalculator : ICalculator
{
    public string Key => "fill";

    public string Title => "Filling";

    public string Lead => "hours, kilowatt-hours and cost with the pond's own pump";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. Body.Fields(s),
            s.Quantity(
                "from",
                "Gauge level now",
                Measures.Length,
                s.Pond is { } p && p.IsPartFilled(s.Here.Now)
                    ? s.Plain(p.LevelAt(s.Here.Now).LevelM, Measures.Length)
                    : "0"
            ),
            s.Quantity("to", "Up to", Measures.Length, s.Pond?.Pond.Shape.FullDepthM ?? 1.4),
            .. Pumping.Fields(s),
            s.Quantity("loss", "Lost meanwhile by seepage and evaporation", Measures.Rain, "0")
                .WithHint("a day; from the leak test"),
        ];

    public Worked? Work(BenchForm f)
    {
        if (Body.Read(f) is not { } body)
            return null;
        var (from, to) = (Body.Level(f, "from", body), Body.Level(f, "to", body));
        var (flow, kw, price, loss) = (
            f.Q("flow", Measures.Flow, 0.01, 1e5),
            f.Q("power", Measures.Power, 0, 1000),
            f.Q("price", Measures.Plain, 0, 1000),
            f.Q("loss", Measures.Rain, 0, 0.2)
        );
        if (f.Sound && to <= from)
            f.Form.Refuse("to", "That is not above the level now.");
        if (!f.Sound)
            return null;
        if (Filling.Hours(body, from, to, flow, loss) is not { } hours)
        {
            f.Form.Refuse(
                "flow",
                "This pump never gets there: as much is lost in an hour as it gives. Mend the leak, or take a larger pump."
            );
            return null;
        }
        var volume = body.VolumeM3(to) - body.VolumeM3(from);
        var why = Because(from, to, flow, kw, volume);
        return Answer(f, flow, kw, price, hours, why);
    }

    private static Grounds Because(double from, double to, double flow, double kw, double volume) =>
        Grounds.Of(
            "Volume between the two levels by the pond's body, by what the pump gives less what is lost from the surface at each level.",
            Filling.Source,
            new Input("from", from, Measures.Length, "typed"),
            new Input("to", to, Measures.Length, "typed"),
            new Input("volume between", volume, Measures.Volume, "worked out"),
            new Input("pump", flow, Measures.Flow, "typed"),
            new Input("draws", kw, Measures.Power, "typed")
        );

    private static Worked Answer(BenchForm f, double flow, double kw, double price, double hours, Grounds why) =>
        new(
            [
                new("Time", $"{f.Here.Figure(hours, 1)} h, {f.Here.Figure(hours / 24, 1)} days", why, Main: true),
                new("Water pumped", f.Say(hours * flow, Measures.Volume), why),
                new("Electricity", $"{f.Here.Figure(hours * kw, 0)} kWh", why),
                new("That costs", $"{f.Here.Figure(hours * kw * price, 0)} {f.Here.Farm?.Currency}", why),
                new("Of a cubic metre", $"{f.Here.Figure(kw * price / flow, 3)} {f.Here.Farm?.Currency}", why),
            ],
            hours > 24 * 14
                ? "Over a fortnight: look for a second source before fish are ordered."
                : "Through a screen, from the first drop."
        );
}
