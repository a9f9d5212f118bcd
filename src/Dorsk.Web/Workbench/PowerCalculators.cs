using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>How much power a pond wants, by surface and by water.</summary>
internal sealed class PowerCalculator : ICalculator
{
    public string Key => "power";

    public string Title => "Power for a pond";

    public string Lead => "aerators by surface and by water, the stricter rule, and what they cost a month";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("area", "Surface", Measures.Area, s.Pond?.Pond.Shape.FullAreaM2 ?? 4000),
            s.Quantity("volume", "Water", Measures.Volume, s.VolumeM3 ?? 5000),
            s.Quantity("kwha", "Power by surface", Measures.PowerByArea, PowerRules.UsualKWHa)
                .WithHint($"{R(s, 3, 5)} carries nightly air; {R(s, 6, 12)} heavy feeding; shrimp {R(s, 8, 20)}"),
            s.Quantity("wm3", "Power to mix by day", Measures.PowerByVolume, PowerRules.UsualMixingWM3)
                .WithHint("deep still ponds more; a judged start"),
            s.Quantity("have", "Fitted now", Measures.Power, s.Pond?.AeratorsAt(s.Here.Now).Sum(a => a.ShaftKW) ?? 2.2),
            s.Quantity("hours", "Hours a night", Measures.Plain, s.Here.Figure(10, 0)),
            s.Quantity(
                "price",
                "Price of a kWh",
                Measures.EnergyPrice,
                s.Here.Typed(s.Here.Farm?.KWhPrice ?? 0.3, Measures.EnergyPrice)
            ),
        ];

    private static string R(BenchStart s, double low, double high) => s.Here.Range(low, high, Measures.PowerByArea);

    public Worked? Work(BenchForm f)
    {
        var (area, volume, kWHa, wM3) = (
            f.Q("area", Measures.Area, 1, 1e7),
            f.Q("volume", Measures.Volume, 0.5, 1e7),
            f.Q("kwha", Measures.PowerByArea, 0.1, 100),
            f.Q("wm3", Measures.PowerByVolume, 0.01, 50)
        );
        var (have, hours, price) = (
            f.Q("have", Measures.Power, 0, 5000),
            f.Q("hours", Measures.Plain, 0, 24),
            f.Q("price", Measures.EnergyPrice, 0, 1000)
        );
        if (!f.Sound)
            return null;
        var rules = PowerRules.For(area / 10_000, volume, kWHa, wM3);
        var kWh = rules.MonthKWh(hours);
        var why = Grounds.Of(
            "Power by surface carries the night; power by water keeps the pond turning over by day. The larger of the two holds. A month is thirty nights at the hours typed.",
            "Area rule: table of feed by aeration (Boyd and Tucker 1998); mixing: judged, a starting value",
            new Input("by surface", rules.ByAreaKW, Measures.Power, "power by surface × surface"),
            new Input("by water", rules.ByVolumeKW, Measures.Power, "power by water × water"),
            new Input("motor efficiency", 100 * PowerRules.UsualMotorEfficiency, Measures.Share, "starting value")
        );
        return Answer(f, have, price, rules, kWh, why);
    }

    private static Worked Answer(BenchForm f, double have, double price, PowerRules rules, double kWh, Grounds why) =>
        new(
            [
                new("Wanted at the shaft", f.Say(rules.WantedKW, Measures.Power), why, Main: true),
                new("By surface", f.Say(rules.ByAreaKW, Measures.Power), why),
                new("By water", f.Say(rules.ByVolumeKW, Measures.Power), why),
                new(
                    "A month",
                    $"{f.Here.Count(Math.Round(kWh))} kWh, {f.Here.Farm?.Currency} {f.Here.Figure(kWh * price, 0)}",
                    why
                ),
            ],
            $"The {(rules.AreaDecides ? "surface" : "water")} decides. Least is wanted in cold open water, most in warm still water; ice is a risk of its own. Several small machines far apart mix better than one large.",
            have >= rules.WantedKW
                ? new(Status.Steady, $"{f.Say(have, Measures.Power)} is fitted, enough by both rules")
                : new(
                    Status.Watch,
                    $"{f.Say(have, Measures.Power)} is fitted: {f.Say(rules.WantedKW - have, Measures.Power)} short"
                ),
            [
                $"More air carries more fish only up to what nitrogen allows: beyond about {f.Say(12, Measures.PowerByArea)} it does not help without exchange.",
            ]
        );
}

/// <summary>What another pulley does.</summary>
internal sealed class PulleyCalculator : ICalculator
{
    public string Key => "pulley";

    public string Title => "Another pulley";

    public string Lead => "speed, air and load of a paddle, fan or blower after a change";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice(
                "kind",
                "The machine",
                "throws",
                [
                    ("throws", "throws water or air: paddle, fan, pump wheel"),
                    ("pushes", "pushes a fixed volume: lobe blower, piston"),
                ]
            ),
            s.Whole("rpm", "Speed of the motor, turns a minute", "1450"),
            s.Quantity("m1", "Pulley on the motor now", Measures.Pellet, 0.08),
            s.Quantity("p1", "Pulley on the machine now", Measures.Pellet, 0.2),
            s.Quantity("m2", "On the motor then", Measures.Pellet, 0.09),
            s.Quantity("p2", "On the machine then", Measures.Pellet, 0.2),
            s.Quantity("amps", "It draws now", Measures.Current, s.Here.Figure(4, 1)),
            s.Quantity("rated", "Rated on the motor’s plate", Measures.Current, s.Here.Figure(5, 1)),
        ];

    public Worked? Work(BenchForm f)
    {
        var throws = f.Form.Choice("kind", [("throws", true), ("pushes", false)], "machine", true);
        var (rpm, m1, p1, m2, p2) = (
            f.Whole("rpm", "turns", 50, 6000),
            f.Q("m1", Measures.Pellet, 0.02, 2),
            f.Q("p1", Measures.Pellet, 0.02, 3),
            f.Q("m2", Measures.Pellet, 0.02, 2),
            f.Q("p2", Measures.Pellet, 0.02, 3)
        );
        var (amps, rated) = (f.Q("amps", Measures.Current, 0.1, 1000), f.Q("rated", Measures.Current, 0.1, 1000));
        if (!f.Sound)
            return null;
        var then = Pulley.Of(rpm, m1, p1, m2, p2, throws ? Pulley.Throwing : Pulley.Displacing);
        var load = amps * then.PowerShare;
        var why = Grounds.Of(
            throws
                ? "Speed goes with the pulleys, flow with the speed, load with its third power: a tenth faster is a third more load."
                : "Speed goes with the pulleys; a machine that pushes a fixed volume against the same depth gives and takes with its speed.",
            "Affinity laws; belts that do not slip, current taken to go with the load",
            new Input("pulleys, then by now", m2 / p2 / (m1 / p1), Measures.Factor, "typed"),
            new Input("draws now", amps, Measures.Current, "typed"),
            new Input("rated", rated, Measures.Current, "plate, typed")
        );
        return Answer(f, rated, then, load, why);
    }

    private static Worked Answer(BenchForm f, double rated, Pulley then, double load, Grounds why) =>
        new(
            [
                new("It draws then about", f.Say(load, Measures.Current), why, Main: true),
                new("Speed of the machine", f.Here.Count(Math.Round(then.Rpm)) + " turns a minute", why),
                new("Flow", $"{f.Here.Figure(100 * then.FlowShare, 0)} % of now", why),
                new("Load", $"{f.Here.Figure(100 * then.PowerShare, 0)} % of now", why),
            ],
            "Measure the current after ten minutes; the plate rules, not this figure.",
            load > rated
                    ? new(
                        Status.ActNow,
                        $"{f.Say(load, Measures.Current)} is over the plate’s {f.Say(rated, Measures.Current)}: the motor would burn"
                    )
                : load > 0.95 * rated
                    ? new(
                        Status.Watch,
                        $"{f.Say(load, Measures.Current)} is at the plate’s {f.Say(rated, Measures.Current)}"
                    )
                : new(Status.Steady, $"{f.Say(load, Measures.Current)} of {f.Say(rated, Measures.Current)}"),
            [
                "Guards back on before it turns; isolate and lock before a belt is touched. No faster than the machine’s own plate allows.",
            ]
        );
}

/// <summary>How long oxygen bottles carry fish.</summary>
internal sealed class BottleCalculator : ICalculator
{
    public string Key => "bottles";

    public string Title => "Oxygen bottles";

    public string Lead => "what they hold, and the hours they carry the fish of a water without power";

    public IReadOnlyList<SlipField> Fields(BenchStart s)
    {
        var batch = s.Pond?.Standing.LastOrDefault();
        var stands = batch is null ? null : s.Pond!.Stock.On(batch.Id, s.Here.Today);
        return
        [
            s.Fish("species", "Fish", batch?.Species.Key ?? "silver_perch"),
            s.Quantity("kg", "Fish in the water", Measures.Mass, stands?.BiomassKg.Value ?? 1000),
            s.Quantity("each", "Weight of one", Measures.FishWeight, stands?.MeanG.Value ?? 300),
            s.Quantity("temp", "Water temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 26),
            s.Whole("bottles", "Bottles", "2"),
            s.Quantity("litres", "Each holds, as water", Measures.SmallVolume, 0.05)
                .WithHint("stamped on the shoulder"),
            s.Quantity("bar", "Pressure, bar", Measures.Plain, "150").WithHint("read the gauge"),
            s.Quantity("share", "Goes into the water", Measures.Share, "40")
                .WithHint($"fine stones in {s.Here.Say(1, Measures.Length)} of water 30 to 50 %; a cone 80 % and more"),
        ];
    }

    public Worked? Work(BenchForm f)
    {
        var species = f.Form.Fish("species");
        var (kg, each, temp) = (
            f.Q("kg", Measures.Mass, 0.1, 1e6),
            f.Q("each", Measures.FishWeight, 0.01, 20_000),
            f.Q("temp", Measures.Temperature, 2, 38)
        );
        var (bottles, litres, bar, share) = (
            f.Whole("bottles", "bottles", 1, 500),
            1000 * f.Q("litres", Measures.SmallVolume, 0.001, 2),
            f.Q("bar", Measures.Plain, 5, 300),
            f.Q("share", Measures.Share, 1, 100)
        );
        if (!f.Sound)
            return null;
        var takes = Respiration.Fish(each, temp, species) * kg / 1000;
        var holds = OxygenBottles.Kg(bottles, litres, bar, OxygenBottles.UsualLeftBar);
        var hours = OxygenBottles.Hours(holds, takes, share / 100);
        var why = Because(share, takes, holds);
        return Answer(f, bottles, takes, holds, hours, why);
    }

    private static Grounds Because(double share, double takes, double holds) =>
        Grounds.Of(
            "What the bottles hold down to 5 bar, by the share that goes into the water, over what the fish breathe. Water and mud that breathe too are left out, as in a tank.",
            "Ideal gas at 20 °C; Boyd, Romaire & Johnston 1978",
            new Input("oxygen in the bottles", holds, Measures.Mass, "volume × pressure"),
            new Input("the fish take, each hour", takes, Measures.Mass, "worked out"),
            new Input("goes into the water", share, Measures.Share, "typed")
        );

    private static Worked Answer(BenchForm f, int bottles, double takes, double holds, double hours, Grounds why) =>
        new(
            [
                new("They carry the fish for", f.Here.Figure(hours, 1) + " hours", why, Main: true),
                new("They hold", f.Say(holds, Measures.Mass) + " of oxygen", why),
                new("The fish take", f.Say(takes, Measures.Mass) + " an hour", why),
                new("Bottles for a night of 12 hours", f.Here.Count(Math.Ceiling(12 / hours * bottles)), why),
            ],
            "Fed or frightened fish take half as much again. Open only as far as oxygen holds; more bubbles away.",
            hours < 4 ? new(Status.Watch, $"{f.Here.Figure(hours, 1)} hours: less than a repair takes") : null,
            [
                "Oxygen feeds fire: no flame, no oil or grease at the valve, doors open; bottles chained upright. Supplier’s and local rules come first.",
            ]
        );
}
