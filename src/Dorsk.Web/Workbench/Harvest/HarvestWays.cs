using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Fish that a customer's pond bears.</summary>
internal sealed class CustomerPondCalculator : ICalculator
{
    public string Key => "customer-pond";

    public string Title => "Customer's pond";

    public string Lead => "how many fingerlings a customer's pond bears, before they are sold";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Fish("species", "Fish", s.Pond?.LikelySpecies.Key ?? "silver_perch"),
            s.Quantity("area", "Surface of their pond", Measures.Area, 500),
            s.Yes("air", "It has an aerator", ""),
            s.Quantity("density", "Or by your own stocking density", Measures.FishPerArea)
                .WithHint("empty: by the densities of the trade"),
            s.Whole("wanted", "Fish they want", ""),
        ];

    public Worked? Work(BenchForm f)
    {
        var species = f.Form.Fish("species");
        var m2 = f.Q("area", Measures.Area, 1, 10_000_000);
        var own = f.MaybeQ("density", Measures.FishPerArea, 0.001, 1000);
        var wanted = f.Form.Empty("wanted") ? (int?)null : f.Whole("wanted", "fish", 1, 10_000_000);
        if (!f.Sound)
            return null;
        if (CustomerPond.Of(species, m2, f.Form.Yes("air"), own) is not { } bears)
        {
            f.Form.Refuse("species", "The tables have no pond density for this fish. Type your own.");
            return null;
        }
        var why = Grounds.Of(
            "Surface by fish a unit of it, cut to whole fish.",
            bears.School.Source,
            new Input("surface", m2, Measures.Area, "typed"),
            Input.Said("density", bears.School.Name, bears.School.Confidence)
        );
        return new(
            [
                new("It bears", f.Here.Count(bears.Usual), why, Main: true),
                new("Low to high", $"{f.Here.Count(bears.Low)} to {f.Here.Count(bears.High)}", why),
            ],
            "A deep or dirty pond bears fewer: ask for its depth, its inflow and what stands in it already.",
            wanted is { } n ? Judge(f, n, bears) : null
        );
    }

    private static Judgement Judge(BenchForm f, int wanted, CustomerPond bears)
    {
        if (wanted <= bears.Usual)
            return new(Status.Steady, $"{f.Here.Count(wanted)} fit");
        return wanted <= bears.High
            ? new(
                Status.Watch,
                $"{f.Here.Count(wanted)} are {f.Here.Count(wanted - bears.Usual)} over the usual: only with good water and feed"
            )
            : new(
                Status.ActNow,
                $"{f.Here.Count(wanted)} are {f.Here.Count(wanted - bears.High)} more than it bears: sell {f.Here.Count(bears.Usual)}"
            );
    }
}

/// <summary>A harvest by pump, and pump, seine or hands set side by side.</summary>
internal sealed class PumpHarvestCalculator : ICalculator
{
    public string Key => "pump-harvest";

    public string Title => "Pump, seine or hands";

    public string Lead => "power, table and refills of a pump harvest; hours and money of the three ways";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("mass", "Fish", Measures.Mass, 2000),
            s.Quantity("flow", "Flow of the pump", Measures.Flow, 120),
            s.Quantity("load", "Fish in the water it lifts", Measures.VolumeLoad, 60),
            s.Quantity("lift", "Table above the basin", Measures.Length, 3),
            s.Quantity("drop", "Fall from the pipe to the table", Measures.Length, 0.3),
            s.Quantity("basin", "Water of the basin", Measures.Volume, 20),
            s.Quantity("supply", "Power at the bank", Measures.Power, 5),
            s.Heading("Money"),
            s.Quantity("wage", "Wage of an hour", Measures.Plain, "30"),
            s.Quantity("hire", "Hire of the pump for the day", Measures.Plain, "400"),
            s.Quantity("price", "Price of the fish", Measures.MassPrice, s.Plain(12, Measures.MassPrice)),
            s.Quantity("lost", "Damage takes from the price", Measures.Share, 30),
        ];

    public Worked? Work(BenchForm f)
    {
        var pump = new PumpHarvest(
            f.Q("mass", Measures.Mass, 1, 1_000_000),
            f.Q("load", Measures.VolumeLoad, 1, 400),
            f.Q("flow", Measures.Flow, 1, 5000),
            f.Q("lift", Measures.Length, 0.1, 20),
            f.Q("basin", Measures.Volume, 0.5, 10_000),
            f.Q("supply", Measures.Power, 0.1, 500),
            f.Q("drop", Measures.Length, 0, 5)
        );
        var wage = f.Q("wage", Measures.Plain, 0, 1_000_000);
        var hire = f.Q("hire", Measures.Plain, 0, 10_000_000);
        var price = f.Q("price", Measures.MassPrice, 0, 1_000_000);
        var lost = f.Q("lost", Measures.Share, 0, 100);
        return f.Sound ? Told(f, pump, (wage, hire), (price, lost)) : null;
    }

    // Starting values of a middling farm; people type their own wages and hire.
    private static Worked Told(
        BenchForm f,
        PumpHarvest pump,
        (double Wage, double Hire) pay,
        (double PriceKg, double LostPct) damage
    )
    {
        var ways = Ways(pump, pay.Hire);
        var why = Because(pump);
        var cheapest = ways.MinBy(w => w.For(pump.Kg, pay.Wage, damage.PriceKg, damage.LostPct).All)!;
        return new(
            [
                new("Pumping", $"{f.Here.Figure(pump.Hours, 1)} h", why, Main: true),
                new("Basin filled again", $"{f.Here.Count(pump.Refills)} times", why),
                new("Power needed", f.Say(pump.NeedsKW, Measures.Power), why),
                new("Highest table with the power there", f.Say(pump.HighestTableM, Measures.Length), why),
                new("Highest fall to the table", f.Say(PumpHarvest.MostDropM, Measures.Length), why),
                .. ways.Select(w => new Figure(
                    w.Name,
                    Way(f, w.For(pump.Kg, pay.Wage, damage.PriceKg, damage.LostPct)),
                    why
                )),
                new("Least money", cheapest.Name, why),
            ],
            "Tilt the table 5 to 10 degrees, wet it, and let water run ahead of the fish.",
            Fits(pump),
            [
                "Nobody reaches into the basin or the pipe while the pump can start; cables off the wet bank, with a breaker.",
            ]
        );
    }

    private static HarvestWay[] Ways(PumpHarvest pump, double hire) =>
        [
            new("pump", pump.Kg / pump.Hours, 4, hire, 2),
            new("seine", 800, 10, 0, 5),
            new("hands and dip nets", 120, 6, 0, 10),
        ];

    private static Grounds Because(PumpHarvest pump) =>
        Grounds.Of(
            "Power by flow and lift; hours by what the pump carries; wages, hire and what damage takes from the price. Seine 800 kg an hour with ten people, hands 120 with six, damage 2, 5 and 10 % (starting values).",
            PumpHarvest.Source,
            new Input("fish", pump.Kg, Measures.Mass, "typed"),
            new Input("flow", pump.FlowM3H, Measures.Flow, "typed"),
            new Input("lift", pump.LiftM, Measures.Length, "typed")
        );

    private static Judgement Fits(PumpHarvest pump)
    {
        if (pump.NeedsKW > pump.SupplyKW)
            return new(Status.ActNow, "the power at the bank does not start this pump at this lift");
        return pump.DropM > PumpHarvest.MostDropM
            ? new(Status.Watch, "the fall bruises them: lower the pipe to the table")
            : new(Status.Steady, "power and fall fit");
    }

    private static string Way(BenchForm f, (double Hours, double Wages, double Damage, double All) way) =>
        $"{f.Here.Figure(way.Hours, 1)} h, {f.Here.Figure(way.All, 0)} {f.Here.Farm?.Currency}: wages {f.Here.Figure(way.Wages, 0)}, damage {f.Here.Figure(way.Damage, 0)}";
}

/// <summary>How fish are taken out of a tank.</summary>
internal sealed class TankHarvestCalculator : ICalculator
{
    public string Key => "tank-harvest";

    public string Title => "Tank harvest";

    public string Lead => "drain, lift the net or crowd; minutes of air while they are crowded";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. BenchFish.Fields(s, "jade_perch", 500),
            s.Quantity("water", "Water in the tank", Measures.Volume, 20),
            s.Quantity("mass", "Fish in it", Measures.Mass, 400),
            s.Quantity("take", "Fish to take", Measures.Mass, 400),
            s.Yes("basin", "The drain leads to a basin or net below", ""),
            s.Yes("net", "A net lies on the floor", ""),
            s.Quantity("temp", "Water temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 26),
            s.Quantity("do", "Oxygen in it", Measures.Oxygen, s.Plain(7, Measures.Oxygen))
                .WithHint("read there; empty when nobody has"),
        ];

    public Worked? Work(BenchForm f)
    {
        var (species, meanG) = BenchFish.Read(f);
        var tank = new TankHarvest(
            f.Q("water", Measures.Volume, 0.1, 5000),
            f.Q("mass", Measures.Mass, 0.1, 100_000),
            f.Q("take", Measures.Mass, 0.1, 100_000),
            f.Form.Yes("basin"),
            f.Form.Yes("net")
        );
        var temp = f.Q("temp", Measures.Temperature, 0, 40);
        var oxygen = f.MaybeQ("do", Measures.Oxygen, 0, 30);
        if (f.Sound && tank.TakenKg > tank.Kg)
            f.Form.Refuse("take", $"Only {f.Say(tank.Kg, Measures.Mass)} are in it.");
        if (!f.Sound)
            return null;
        return Told(f, tank, tank.Crowd(species, meanG, temp, oxygen, f.Limits.DoActMgL));
    }

    private static Worked Told(BenchForm f, TankHarvest tank, CrowdedNet crowd)
    {
        var why = Grounds.Of(
            "All fish with a basin below: drain. Part of a small tank with a net on the floor: lift it. Else a screen. Crowded no thicker than the limit, whose air is worked out.",
            TankHarvest.Source,
            new Input("water", tank.WaterM3, Measures.Volume, "typed"),
            new Input("fish", tank.Kg, Measures.Mass, "typed"),
            new Input("thickest crowd", TankHarvest.MostKgM3, Measures.VolumeLoad, "starting value")
        );
        return new(
            [
                new("Way", Words(tank.Way), why, Main: true),
                new("Leave around them", f.Say(tank.CrowdedM3, Measures.Volume), why),
                new("Minutes to the act level", NetWords.Minutes(NetAir.Minutes(crowd), f.Here), NetWords.Why(crowd)),
            ],
            "Oxygen on before the water falls, and somebody at the valve until the last fish is out.",
            NetAir.Judge(crowd, 20, f.Here.Hand),
            ["Full tanks and lifted nets are heavy: two people, and nobody under the load."]
        );
    }

    private static string Words(TankWay way) =>
        way switch
        {
            TankWay.Drain => "open the drain into the basin",
            TankWay.LiftNet => "lift the net",
            _ => "crowd them to one end with a screen",
        };
}

/// <summary>Cool well water where fish are crowded in warm months.</summary>
internal sealed class CoolWaterCalculator : ICalculator
{
    public string Key => "cool-water";

    public string Title => "Cool well water";

    public string Lead => "well water that brings a pool or tank down to a temperature for the net";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Fish("species", "Fish", s.Pond?.LikelySpecies.Key ?? "silver_perch"),
            s.Choice(
                "purpose",
                "Taken out",
                "Ice",
                [("Ice", "for ice"), ("Live", "alive"), ("Fingerlings", "to be stocked again")]
            ),
            s.Quantity("water", "Water around them", Measures.Volume, 60),
            s.Quantity("temp", "Its temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 28),
            s.Quantity("well", "Well water", Measures.Temperature, 18),
            s.Quantity("flow", "Flow of the well", Measures.Flow, 30),
        ];

    public Worked? Work(BenchForm f)
    {
        var species = f.Form.Fish("species");
        var purpose = f.Form.Choice(
            "purpose",
            [("Ice", HarvestPurpose.Ice), ("Live", HarvestPurpose.Live), ("Fingerlings", HarvestPurpose.Fingerlings)],
            "purpose",
            HarvestPurpose.Ice
        );
        var m3 = f.Q("water", Measures.Volume, 0.1, 100_000);
        var (temp, well) = (f.Q("temp", Measures.Temperature, 0, 40), f.Q("well", Measures.Temperature, 0, 40));
        var flow = f.Q("flow", Measures.Flow, 0.1, 10_000);
        if (!f.Sound)
            return null;
        return Told(f, HarvestWindow.Of(species, purpose), (m3, temp, well), flow);
    }

    private static Worked Told(
        BenchForm f,
        HarvestWindow window,
        (double M3, double TempC, double WellC) water,
        double flow
    )
    {
        var needs = CoolWater.M3(water.M3, water.TempC, window.HighC, water.WellC);
        var why = Grounds.Of(
            "The warmest water for this purpose by the species; well water mixes in while as much flows out.",
            $"{HarvestWindow.Source}; {CoolWater.Source}",
            new Input("water", water.M3, Measures.Volume, "typed"),
            new Input("from", water.TempC, Measures.Temperature, "read or typed"),
            new Input("down to", window.HighC, Measures.Temperature, "window of the species"),
            new Input("well", water.WellC, Measures.Temperature, "typed")
        );
        return new(
            [
                new(
                    "Well water",
                    needs switch
                    {
                        null => "none cools it enough",
                        0 => "none needed",
                        { } need => $"{f.Say(need, Measures.Volume)}, {f.Here.Figure(need / flow, 1)} h",
                    },
                    why,
                    Main: true
                ),
                new("Window for this purpose", f.Here.Range(window.LowC, window.HighC, Measures.Temperature), why),
            ],
            "Well water may hold no oxygen and much gas: over a splash board or an aerator first. Not more than 3 °C an hour for fingerlings.".Replace(
                "3 °C",
                f.Say(3, Measures.TemperatureStep),
                StringComparison.Ordinal
            )
        );
    }
}
