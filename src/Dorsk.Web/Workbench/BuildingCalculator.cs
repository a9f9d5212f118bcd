using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Four ways to build for the same fish: earthen, lined, frame and liner, concrete; every price the farm's own.</summary>
internal sealed class BuildingCalculator : ICalculator
{
    // Examples to be typed over: what it carries (kg/m³), cycles it lasts, price of a cubic metre built, liner a cubic metre, cycles of a liner, exit a cubic metre, refills a cycle, hours of work a cycle.
    private static readonly (
        string Key,
        string Name,
        double Carries,
        double Life,
        double Build,
        double Liner,
        double LinerLife,
        double Exit,
        double Refills,
        double Hours,
        bool Earth
    )[] Ways =
    [
        ("e", "Earthen", 0.5, 30, 0, 0, 1, 1, 1.3, 120, true),
        ("l", "Lined", 0.8, 20, 0, 6, 6, 1, 1.3, 120, true),
        ("f", "Frame and liner", 10, 12, 55, 25, 4, -5, 8, 200, false),
        ("c", "Concrete", 10, 40, 160, 0, 1, 30, 8, 200, false),
    ];

    public string Key => "building";

    public string Title => "Ways to build";

    public string Lead =>
        "earthen, lined, frame and liner, concrete for the same fish: cost per kilogram and cycle, pay-back, earth to move";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("kg", "Fish wanted a cycle", Measures.Mass, 2000),
            s.Quantity("margin", "A kilogram leaves", Measures.Price, "3")
                .WithHint("price less feed, fingerlings and sale"),
            s.Quantity("cycles", "Cycles a year", Measures.Plain with { Decimals = 1 }, "1"),
            s.Quantity("m3", "A cubic metre of water costs", Measures.Price, 0.03).WithHint("with its pumping"),
            s.Quantity("hour", "An hour of work costs", Measures.Price, "25"),
            s.Quantity("land", "A hectare of land costs a year", Measures.Price, "500"),
            s.Quantity("dig", "A cubic metre of earth moved costs", Measures.Price, "4"),
            s.Quantity("depth", "Depth of a dug pond", Measures.Length, 1.5),
            s.Quantity("free", "Bank over the full water", Measures.Length, 0.5).WithHint("0.3 to 0.6 m"),
            s.Choice("soil", "The soil is", "clay", [("clay", "clay or heavy loam"), ("sandy", "sandy")]),
            s.Choice("school", "Built", "machine", [("machine", "by machine"), ("hand", "by hand")]),
            s.Whole("short", "A liner lasts fewer cycles by", "2")
                .WithHint("to see what it costs when it does not last as promised"),
            .. Ways.SelectMany(w =>
                Way(
                    s,
                    w.Key,
                    w.Name,
                    w.Carries,
                    w.Life,
                    w.Build,
                    w.Liner,
                    w.LinerLife,
                    w.Exit,
                    w.Refills,
                    w.Hours,
                    w.Earth
                )
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        var (kg, margin, perYear) = (
            f.Q("kg", Measures.Mass, 1, 1e7),
            f.Q("margin", Measures.Price, -100, 1000),
            f.Q("cycles", Measures.Plain, 0.1, 12)
        );
        var (water, hour, land, dig) = (
            f.Q("m3", Measures.Price, 0, 1000),
            f.Q("hour", Measures.Price, 0, 10000),
            f.Q("land", Measures.Price, 0, 1e7),
            f.Q("dig", Measures.Price, 0, 10000)
        );
        var (depth, free, fewer) = (
            f.Q("depth", Measures.Length, 0.3, 6),
            f.Q("free", Measures.Length, 0, 3),
            f.Whole("short", "cycles", 0, 100)
        );
        var soil = f.Form.Choice("soil", [("clay", BankSoil.Clay), ("sandy", BankSoil.Sandy)], "soil", BankSoil.Clay);
        var machine = f.Form.Choice("school", [("machine", true), ("hand", false)], "school", true);
        var rows = new List<string[]>
        {
            new[] { "way", "water m³", "first money", "a cycle", "a year", "per kg and cycle", "pays back after" },
        };
        var found = new List<(string Name, BuildChoice Choice)>();
        foreach (var w in Ways)
        {
            double In(string key, Measure m, double low, double high) => f.Q(w.Key + key, m, low, high);
            var (carries, life, build, exit, refills, hours) = (
                In("carries", Measures.VolumeLoad, 0.01, 300),
                In("life", Measures.Plain, 1, 200),
                In("build", Measures.Price, 0, 1e6),
                In("exit", Measures.Price, -1e5, 1e5),
                In("fills", Measures.Plain, 0.1, 1000),
                In("hours", Measures.Plain, 0, 1e5)
            );
            var (liner, linerLife) =
                w.Liner > 0 ? (In("liner", Measures.Price, 0, 1e5), In("linerlife", Measures.Plain, 1, 200)) : (0, 1);
            if (!f.Sound)
                continue;
            var volume = kg / carries;
            var earth = w.Earth ? EarthWork.For(volume, depth, free, EarthWork.Slope(soil, machine)) : null;
            if (w.Earth && earth is null)
            {
                f.Form.Refuse(
                    "depth",
                    $"{w.Name}: banks of this slope meet before they hold so little water at this depth. Make it shallower, or want more fish."
                );
                continue;
            }
            var landM2 = earth?.LandM2 ?? EarthWork.LandOfTanksM2(volume);
            var choice = new BuildChoice(
                (build * volume) + ((earth?.DugM3 ?? 0) * dig),
                life,
                liner * volume,
                linerLife,
                exit * volume,
                BuildChoice.Running((refills * volume, water), (hours, hour), (landM2, land), perYear),
                kg,
                volume
            );
            found.Add((w.Name, choice));
            rows.Add([
                w.Name,
                f.Here.Figure(volume, 0),
                f.Here.Figure(choice.Build + choice.Liner, 0),
                f.Here.Figure(choice.PerCycle, 0),
                f.Here.Figure(choice.PerCycle * perYear, 0),
                f.Here.Figure(choice.PerKg, 2),
                choice.PaysBackAfter(margin) is { } n ? $"{n} cycles" : "not in its life",
            ]);
        }
        if (!f.Sound || found.Count == 0)
            return null;
        return Say(f, found, rows, kg, depth, free, soil, fewer);
    }

    private static Worked Say(
        BenchForm f,
        List<(string Name, BuildChoice Choice)> found,
        List<string[]> rows,
        double kg,
        double depth,
        double free,
        BankSoil soil,
        int fewer
    )
    {
        var currency = f.Here.Farm?.Currency;
        var least = found.MinBy(x => x.Choice.PerKg);
        var why = Grounds.Of(
            "Over its whole life: building, every liner, undoing it, and water, work and land of each cycle, by the cycles and the kilograms. Interest is left out.",
            "The farm's own figures; " + EarthWork.Source,
            new Input("fish wanted", kg, Measures.Mass, "typed"),
            new Input("water", least.Choice.VolumeM3, Measures.Volume, "worked out"),
            Input.Said("liners over its life", f.Here.Figure(least.Choice.Liners, 0), "worked out")
        );
        var figures = new List<Figure>
        {
            new(
                $"Least per kilogram: {least.Name.ToLowerInvariant()}",
                $"{f.Here.Figure(least.Choice.PerKg, 2)} {currency} a kg and cycle",
                why,
                Main: true
            ),
        };
        foreach (var (name, choice) in found.Where(x => x.Choice.Liner > 0))
        {
            var worn = choice with { LinerCycles = Math.Max(1, choice.LinerCycles - fewer) };
            figures.Add(
                new(
                    $"{name}, its liner lasting {f.Here.Figure(worn.LinerCycles, 0)} cycles",
                    $"{f.Here.Figure(worn.PerKg, 2)} {currency} a kg, {f.Here.Figure(worn.PerKg - choice.PerKg, 2)} more",
                    why
                )
            );
        }
        var pond = found[0].Choice;
        foreach (var machine in new[] { false, true })
            if (EarthWork.For(pond.VolumeM3, depth, free, EarthWork.Slope(soil, machine)) is { } e)
                figures.Add(
                    new(
                        $"Earthen, built by {(machine ? "machine" : "hand")}, banks {f.Here.Figure(EarthWork.Slope(soil, machine), 1)} to 1",
                        $"{f.Say(e.LengthM, Measures.Length)} × {f.Say(e.WidthM, Measures.Length)}, {f.Here.Figure(e.DugM3, 0)} m³ of earth, {f.Say(e.LandM2, Measures.Area)} of land",
                        Grounds.Of(
                            "The water's sides for the wanted volume, and the earth from level ground down to the floor with the bank over the water on top.",
                            EarthWork.Source,
                            new Input("depth", depth, Measures.Length, "typed"),
                            new Input("bank over the water", free, Measures.Length, "typed")
                        )
                    )
                );
        return new(
            figures,
            "Prices, lives and loads are examples until you type your own quotation. Cheapest is not best: sight of the fish, work at night and what is left when you quit count too.",
            Cautions:
            [
                "Steep banks slide and let nobody out: machine-built ones are flatter. Frames stand on a level base; tanks are fenced from children and animals. Local rules on digging and dams come first.",
            ],
            Table: rows
        );
    }

    private static IEnumerable<SlipField> Way(
        BenchStart s,
        string key,
        string name,
        double carries,
        double life,
        double build,
        double liner,
        double linerLife,
        double exit,
        double refills,
        double hours,
        bool earth
    )
    {
        string N(double v) => s.Plain(v, Measures.Plain with { Decimals = 1, UsDecimals = 1 });
        yield return s.Heading(name);
        yield return s.Quantity(key + "carries", "Carries", Measures.VolumeLoad, carries);
        yield return s.Quantity(key + "life", "Lasts", Measures.Plain, N(life)).WithHint("cycles");
        yield return s.Quantity(key + "build", "Parts and building, each m³", Measures.Price, build)
            .WithHint(earth ? "beside the digging: pipes, screens, grass" : "frame, base, pipes, labour, travel");
        if (liner > 0)
        {
            yield return s.Quantity(key + "liner", "Liner, each m³", Measures.Price, liner);
            yield return s.Quantity(key + "linerlife", "A liner lasts", Measures.Plain, N(linerLife))
                .WithHint("cycles");
        }
        yield return s.Quantity(key + "exit", "To undo it, each m³", Measures.Price, exit)
            .WithHint("below 0 when parts are sold");
        yield return s.Quantity(key + "fills", "Water a cycle, times its volume", Measures.Plain, N(refills));
        yield return s.Quantity(key + "hours", "Hours of work a cycle", Measures.Plain, N(hours));
    }
}
