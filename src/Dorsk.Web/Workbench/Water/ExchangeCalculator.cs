using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Changing water for a wanted concentration.</summary>
internal sealed class ExchangeCalculator : ICalculator
{
    // Salinity is changed by the same rule: 12 ppt are 12,000 mg/L.
    private static readonly Measure Dissolved = Measures.Concentration with
    {
        Others = [.. Measures.Concentration.Others, new Unit("ppt", 1000, 0, "g/L", "‰")],
    };

    public string Key => "exchange";

    public string Title => "Change water";

    public string Lead => "how much, in parts or flowing through, with hours and cost";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("now", "Concentration now", Dissolved, s.Last(Parameter.Tan) ?? 2)
                .WithHint("ammonia, nitrite, salinity: any"),
            s.Quantity("inflow", "Of the new water", Dissolved, "0"),
            s.Quantity("wanted", "Wanted", Dissolved, (s.Last(Parameter.Tan) ?? 2) / 2),
            s.Quantity("volume", "Water volume", Measures.Volume, s.VolumeM3 ?? 1000),
            s.Whole("times", "In how many parts", "3"),
            .. Pumping.Fields(s),
            s.Words("parts", "Parts as they are changed, in percent")
                .WithHint("such as 20 20 30; what they add up to; empty: not asked"),
            s.Quantity(
                    "temp",
                    "Water temperature now",
                    Measures.Temperature,
                    s.Last(Parameter.Temperature) is { } t ? s.Plain(t, Measures.Temperature) : ""
                )
                .WithHint("empty: not asked"),
            s.Quantity("newtemp", "Of the new water", Measures.Temperature).WithHint("a bore is near the yearly mean"),
        ];

    public Worked? Work(BenchForm f)
    {
        var (now, inflow, wanted) = (
            f.Q("now", Dissolved, 0, 1e5),
            f.Q("inflow", Dissolved, 0, 1e5),
            f.Q("wanted", Dissolved, 0, 1e5)
        );
        var (volume, times, flow) = (
            f.Q("volume", Measures.Volume, 0.001, 1e7),
            f.Whole("times", "parts", 1, 60),
            f.Q("flow", Measures.Flow, 0.01, 1e5)
        );
        var (kw, price) = (f.Q("power", Measures.Power, 0, 1000), f.Q("price", Measures.Plain, 0, 1000));
        var parts = Parts(f);
        var (temp, newTemp) = (
            f.MaybeQ("temp", Measures.Temperature, -1, 45),
            f.MaybeQ("newtemp", Measures.Temperature, -1, 45)
        );
        if (!f.Sound)
            return null;
        if (WaterExchange.Left(now, inflow, wanted) is not { } left)
        {
            f.Form.Refuse(
                "wanted",
                "This inflow cannot reach that: the wanted figure must lie between the water now and the new water, and not be the new water itself."
            );
            return null;
        }
        var each = WaterExchange.EachOf(left, times);
        var (batch, through) = (each * times * volume, WaterExchange.FlowThroughVolumes(left) * volume);
        var why = Because(left, volume);
        var pump = new Pump(flow, kw, price);
        return new(
            [
                new(
                    times == 1 ? "Drain and refill" : $"Each of {times} parts",
                    $"{f.Here.Figure(100 * each, 0)} %, {f.Say(each * volume, Measures.Volume)}",
                    why,
                    Main: true
                ),
                new("Water in all, in parts", f.Say(batch, Measures.Volume), why),
                pump.Cost(f, "Pumping that", batch, why),
                new("Water in all, flowing through", f.Say(through, Measures.Volume), why),
                pump.Cost(f, "Pumping that", through, why),
                new(
                    "This flow turns it over",
                    $"{f.Here.Figure(flow / volume, flow < volume ? 2 : 1)} times an hour, once in {f.Here.Figure(volume / flow, 1)} h",
                    why
                ),
                .. Added(f, parts, now, inflow),
                .. Heat(f, left, each, temp, newTemp),
            ],
            $"In {times} {(times == 1 ? "part" : "parts")} it takes {f.Here.Figure(100 * ((through / batch) - 1), 0)} % less water than flowing through.",
            Cautions:
            [
                "Match temperature, pH and salinity of the new water; not more than a third at once with fish in it.",
            ]
        );
    }

    private static Grounds Because(double left, double volume) =>
        Grounds.Of(
            "Fully mixed. In parts: drain, refill, mix, again. Flowing through: new water pushes out mixed water, so it takes more. Nothing is made or used up meanwhile; feed goes on making ammonia.",
            "Mass balance",
            new Input("difference that stays", 100 * left, Measures.Share, "worked out"),
            new Input("volume", volume, Measures.Volume, "typed")
        );

    private sealed record Pump(double FlowM3H, double KW, double Price)
    {
        public Figure Cost(BenchForm f, string what, double m3, Grounds why) =>
            new(
                what,
                $"{f.Here.Figure(m3 / FlowM3H, 1)} h, {f.Here.Figure(m3 / FlowM3H * KW, 0)} kWh, {f.Here.Figure(m3 / FlowM3H * KW * Price, 0)} {f.Here.Farm?.Currency}",
                why
            );
    }

    private static List<double> Parts(BenchForm f)
    {
        var read = new List<double>();
        foreach (
            var part in f.Form.Text("parts").Split([' ', ';', '%'], StringSplitOptions.RemoveEmptyEntries).Take(61)
        )
            if (read.Count < 60 && NumberText.Read(part, f.Here.Hand.Sign) is { Value: > 0 and <= 100 and var share })
                read.Add(share / 100);
            else
            {
                f.Form.Refuse(
                    "parts",
                    $"“{part}”: up to 60 figures over 0 and up to 100 with spaces between them, such as 20 20 30."
                );
                break;
            }
        return read;
    }

    // 20 and 20 and 30 percent are not 70: each part takes new water out again.
    private static IEnumerable<Figure> Added(BenchForm f, List<double> parts, double now, double inflow)
    {
        if (parts.Count == 0)
            yield break;
        var renewed = WaterExchange.Together(parts);
        var why = Grounds.Of(
            "Each part takes out some of the new water of the parts before it: what stays is the product of what each leaves.",
            "Mass balance",
            new Input("percents typed, summed", 100 * parts.Sum(), Measures.Share, "typed"),
            new Input("renewed in truth", 100 * renewed, Measures.Share, "worked out")
        );
        yield return new(
            $"{parts.Count} parts as typed",
            $"{f.Here.Figure(100 * renewed, 1)} % renewed, down to {f.Say(inflow + ((now - inflow) * (1 - renewed)), Measures.Concentration)}",
            why
        );
    }

    // Cooling or warming by the same exchange; a step that fish feel is said.
    private static IEnumerable<Figure> Heat(BenchForm f, double left, double each, double? temp, double? newTemp)
    {
        if (temp is not { } now || newTemp is not { } fresh)
            yield break;
        var after = fresh + ((now - fresh) * left);
        var first = fresh + ((now - fresh) * (1 - each));
        var why = Grounds.Of(
            "Mixed by heat: the difference to the new water shrinks by the same share as the concentration. Sun and air work on it meanwhile.",
            "Heat balance",
            new Input("now", now, Measures.Temperature, "typed"),
            new Input("new water", fresh, Measures.Temperature, "typed"),
            new Input("difference that stays", 100 * left, Measures.Share, "worked out")
        );
        yield return new("Temperature after it", f.Say(after, Measures.Temperature), why);
        yield return new(
            "After the first part",
            f.Say(first, Measures.Temperature)
                + (Mixing.Jump(now, first, f.Here.Hand) is { } jump ? ": " + jump.Reason : ""),
            why
        );
    }
}
