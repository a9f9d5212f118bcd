using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>What a fall of water gives.</summary>
internal sealed class FallCalculator : ICalculator
{
    public string Key => "fall";

    public string Title => "Fall of water";

    public string Lead => "oxygen that a fall, steps or a pump along the surface gives a small pond";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("flow", "Flow", Measures.Flow, 20),
            s.Quantity("height", "Height of the fall", Measures.Length, 0.6)
                .WithHint("a jet along the surface: how high it rises"),
            s.Choice("shape", "It falls", "steps", [("free", "freely"), ("steps", "over steps or stones")]),
            s.Choice(
                "clean",
                "The water is",
                "pond",
                [("clean", "clean, as from a well"), ("pond", "green or brown, as in ponds")]
            ),
            s.Quantity("temp", "Temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 26),
            s.Quantity("do", "Oxygen above", Measures.Oxygen, s.Last(Parameter.Oxygen) ?? 3),
        ];

    public Worked? Work(BenchForm f)
    {
        var (flow, height) = (
            f.Q("flow", Measures.Flow, 0.1, 5000),
            f.Q("height", Measures.Length, 0.05, WaterFall.MostHeightM)
        );
        var shape = f.Form.Choice("shape", [("free", 1.0), ("steps", 1.3)], "fall", 1.0);
        var clean = f.Form.Choice("clean", [("clean", 1.8), ("pond", 1.0)], "water", 1.0);
        var (temp, above) = (f.Q("temp", Measures.Temperature, 1, 40), f.Q("do", Measures.Oxygen, 0, 30));
        if (!f.Sound)
            return null;
        var full = OxygenSaturation.MgL(temp, 0, OxygenSaturation.PressureKPa(f.Here.Farm?.AltitudeM ?? 0));
        var ratio = WaterFall.Ratio(height, temp, clean, shape);
        var below = WaterFall.BelowMgL(above, full, ratio);
        var why = Grounds.Of(
            "The lack of oxygen above the fall by the lack below it goes with height, warmth, kind of fall and water. Flow times the gain is what the pond gets.",
            WaterFall.Source,
            new Input("deficit ratio", ratio, Measures.Factor, "worked out"),
            new Input("saturation", full, Measures.Oxygen, "by temperature and elevation")
        );
        return Answer(f, flow, above, below, why);
    }

    private static Worked Answer(BenchForm f, double flowM3H, double aboveMgL, double belowMgL, Grounds why)
    {
        var kgH = flowM3H * (belowMgL - aboveMgL) / 1000;
        return new(
            [
                new("Oxygen below", f.Say(belowMgL, Measures.Oxygen), why, Main: true),
                new("The pond gets each hour", f.Say(kgH, Measures.Mass), why),
                new("In a night of ten hours", f.Say(10 * kgH, Measures.Mass), why),
            ],
            kgH <= 0
                ? "The water above is over saturation: a fall takes oxygen out, and other gas with it."
                : $"As much as a paddlewheel of {f.Say(kgH / WaterFall.PaddleKgKWh, Measures.Power)}."
        );
    }
}

/// <summary>Which machine for what is lacking.</summary>
internal sealed class AirChoiceCalculator : ICalculator
{
    private static readonly (string Key, string Words, AirLack Lack)[] Lacks =
    [
        ("dawn", "the whole pond is low before dawn", AirLack.AllAtDawn),
        ("floor", "only the floor is low, the top has plenty by day", AirLack.Floor),
        ("gas", "carbon dioxide, or gas over saturation", AirLack.Gas),
        ("now", "fish gasp now", AirLack.Now),
        ("tank", "a full tank", AirLack.Tank),
    ];

    public string Key => "air-choice";

    public string Title => "Which air";

    public string Lead => "the machine by what is lacking, by size, power and salt";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice("lack", "What is lacking", "dawn", [.. Lacks.Select(l => (l.Key, l.Words))]),
            s.Quantity("area", "Surface", Measures.Area, s.Pond?.Pond.Shape.FullAreaM2 ?? 2000),
            s.Quantity("depth", "Depth", Measures.Length, s.Pond?.Pond.Shape.FullDepthM ?? 1.4),
            s.Choice("power", "Power at the water", "yes", [("yes", "there"), ("no", "none")]),
            s.Choice(
                "salt",
                "Water",
                s.Last(Parameter.Salinity) > 5 ? "salt" : "fresh",
                [("fresh", "fresh"), ("salt", "salt or brackish")]
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        var lack = f.Form.Choice("lack", [.. Lacks.Select(l => (l.Key, l.Lack))], "lack", AirLack.AllAtDawn);
        var (area, depth) = (f.Q("area", Measures.Area, 1, 1e7), f.Q("depth", Measures.Length, 0.2, 30));
        var power = f.Form.Choice("power", [("yes", true), ("no", false)], "power", true);
        var salt = f.Form.Choice("salt", [("fresh", false), ("salt", true)], "water", false);
        if (!f.Sound)
            return null;
        var ways = AirChoice.For(lack, area, depth, power, salt);
        var why = Grounds.Of(
            "Ways of giving air by what is lacking, with size, depth, power and salt; those with a wired pump are left out of salt water.",
            AirChoice.Source
        );
        return new(
            [new("First", Pages.Words.Sentence(ways[0].Means), why, Main: true)],
            Pages.Words.Sentence(ways[0].Why) + ".",
            Cautions: ["A licensed electrician for all wiring at water; guards on every shaft."],
            Table:
            [
                ["way", "why"],
                .. ways.Select(w => new[] { w.Means, w.Why }),
            ]
        );
    }
}

/// <summary>Pump or airlift, with energy a month.</summary>
internal sealed class PumpCalculator : ICalculator
{
    public string Key => "pump";

    public string Title => "Pump or airlift";

    public string Lead => "energy and cost of moving water, and whether an airlift does it";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("flow", "Flow", Measures.Flow, 30),
            s.Quantity("head", "Lift and losses together", Measures.Length, 2),
            s.Quantity("share", "Pump and motor together", Measures.Share, 45)
                .WithHint("of the power bought; 35 to 60 % for small ones"),
            s.Quantity("hours", "Hours a day", Measures.Plain, 24),
            s.Quantity("low", "Lift if the water were led level", Measures.Length, 0.15)
                .WithHint($"an airlift lifts to about {s.Here.Say(0.3, Measures.Length)}"),
            s.Quantity(
                "price",
                "Price of a kWh",
                Measures.EnergyPrice,
                s.Here.Typed(s.Here.Farm?.KWhPrice ?? 0.3, Measures.EnergyPrice)
            ),
        ];

    private const double DaysOfMonth = 30;

    public Worked? Work(BenchForm f)
    {
        var (flow, head, share) = (
            f.Q("flow", Measures.Flow, 0.1, 10_000),
            f.Q("head", Measures.Length, 0.05, 100),
            f.Q("share", Measures.Share, 5, 90)
        );
        var (hours, low, price) = (
            f.Q("hours", Measures.Plain, 0.1, 24),
            f.Q("low", Measures.Length, 0.02, 5),
            f.Q("price", Measures.EnergyPrice, 0, 1000)
        );
        if (!f.Sound)
            return null;
        var pumpKW = PumpEnergy.KW(flow, head, share / 100);
        var liftKW = PumpEnergy.KW(flow, low, PumpEnergy.AirliftShare);
        var why = Grounds.Of(
            "Density times gravity times flow times lift, by the efficiency of pump and motor; an airlift is taken at 30 % at small lifts.",
            "Hydraulics; efficiencies are starting values",
            new Input("pump, bought", pumpKW, Measures.Power, "worked out"),
            new Input("airlift, bought", liftKW, Measures.Power, "worked out")
        );
        return Answer(f, (pumpKW, liftKW, low), hours * DaysOfMonth, price, why);
    }

    private static Worked Answer(
        BenchForm f,
        (double PumpKW, double LiftKW, double LowM) x,
        double hours,
        double price,
        Grounds why
    )
    {
        var canLift = x.LowM <= PumpEnergy.AirliftMostM;
        string Month(double kW) =>
            $"{f.Here.Count(Math.Round(kW * hours))} kWh, {f.Here.Farm?.Currency} {f.Here.Figure(kW * hours * price, 0)}";
        return new(
            [
                new("The pump a month", Month(x.PumpKW), why, Main: true),
                new("It draws", f.Say(x.PumpKW, Measures.Power), why),
                new("An airlift a month", canLift ? Month(x.LiftKW) : "does not lift so high", why),
            ],
            canLift && x.LiftKW < x.PumpKW
                    ? $"Led level and moved by air it takes {f.Here.Figure(100 * x.LiftKW / x.PumpKW, 0)} % of the pump's energy, and airs the water on the way."
                : canLift ? "The pump takes less here: its lift is small already."
                : $"An airlift lifts to about {f.Say(PumpEnergy.AirliftMostM, Measures.Length)}: lead the water level, or keep the pump.",
            Cautions: ["In salt water lift with air: wired pumps corrode, and current in salt water kills."]
        );
    }
}
