using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Four ways to build for the same fish: earthen, lined, frame and liner, concrete; every price the farm's own.</summary>
internal sealed class BuildingCalculator : ICalculator
{
    // Examples to be typed over: what it carries (kg/m³), cycles it lasts, price of a cubic metre built, liner a cubic metre, cycles of a liner, exit a cubic metre, refills a cycle, hours of work a cycle.
    private static readonly Way[] Ways =
    [
        new("e", "Earthen", 0.5, 30, 0, 0, 1, 1, 1.3, 120, true),
        new("l", "Lined", 0.8, 20, 0, 6, 6, 1, 1.3, 120, true),
        new("f", "Frame and liner", 10, 12, 55, 25, 4, -5, 8, 200, false),
        new("c", "Concrete", 10, 40, 160, 0, 1, 30, 8, 200, false),
    ];

    private sealed record Way(
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
    );

    // What is typed for all ways together.
    private sealed record Site(
        double Kg,
        double Margin,
        double CyclesAYear,
        double Water,
        double Hour,
        double Land,
        double Dig,
        double DepthM,
        double FreeboardM,
        int FewerCycles,
        BankSoil Soil,
        bool Machine
    );

    public string Key => "building";

    public string Title => "Ways to build";

    public string Lead =>
        "earthen, lined, frame and liner, concrete for the same fish: cost of the fish and cycle, pay-back, earth to move";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("kg", "Fish wanted a cycle", Measures.Mass, 2000),
            s.Quantity("margin", "Margin", Measures.MassPrice, 3).WithHint("price less feed, fingerlings and sale"),
            s.Quantity("cycles", "Cycles a year", Measures.Plain with { Decimals = 1 }, "1"),
            s.Quantity("m3", "Price of water", Measures.WaterPrice, 0.03).WithHint("with its pumping"),
            s.Quantity("hour", "An hour of work costs", Measures.Price, "25"),
            s.Quantity("land", "Land, a year", Measures.LandPrice, 500),
            s.Quantity("dig", "Earth moved", Measures.EarthPrice, 4),
            s.Quantity("depth", "Depth of a dug pond", Measures.Length, 1.5),
            s.Quantity("free", "Bank over the full water", Measures.Length, 0.5)
                .WithHint(s.Here.Range(0.3, 0.6, Measures.Length)),
            s.Choice("soil", "The soil is", "clay", [("clay", "clay or heavy loam"), ("sandy", "sandy")]),
            s.Choice("school", "Built", "machine", [("machine", "by machine"), ("hand", "by hand")]),
            s.Whole("short", "A liner lasts fewer cycles by", "2")
                .WithHint("to see what it costs when it does not last as promised"),
            .. Ways.SelectMany(w => Fields(s, w)),
        ];

    public Worked? Work(BenchForm f)
    {
        var site = Read(f);
        var found = Ways.Select(w => (w.Name, Choice: Choice(f, w, site)))
            .Where(x => x.Choice is not null)
            .Select(x => (x.Name, Choice: x.Choice!))
            .ToList();
        return f.Sound && found.Count > 0 ? Say(f, found, site) : null;
    }

    private static Site Read(BenchForm f) =>
        new(
            f.Q("kg", Measures.Mass, 1, 1e7),
            f.Q("margin", Measures.MassPrice, -100, 1000),
            f.Q("cycles", Measures.Plain, 0.1, 12),
            f.Q("m3", Measures.WaterPrice, 0, 1000),
            f.Q("hour", Measures.Price, 0, 10000),
            f.Q("land", Measures.LandPrice, 0, 1e7),
            f.Q("dig", Measures.EarthPrice, 0, 10000),
            f.Q("depth", Measures.Length, 0.3, 6),
            f.Q("free", Measures.Length, 0, 3),
            f.Whole("short", "cycles", 0, 100),
            f.Form.Choice("soil", [("clay", BankSoil.Clay), ("sandy", BankSoil.Sandy)], "soil", BankSoil.Clay),
            f.Form.Choice("school", [("machine", true), ("hand", false)], "school", true)
        );

    private static BuildChoice? Choice(BenchForm f, Way w, Site site)
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
            return null;
        var volume = site.Kg / carries;
        var slope = EarthWork.Slope(site.Soil, site.Machine);
        var earth = w.Earth ? EarthWork.For(volume, site.DepthM, site.FreeboardM, slope) : null;
        if (w.Earth && earth is null)
        {
            f.Form.Refuse(
                "depth",
                $"{w.Name}: banks of this slope meet before they hold so little water at this depth. Make it shallower, or want more fish."
            );
            return null;
        }
        var landM2 = earth?.LandM2 ?? EarthWork.LandOfTanksM2(volume);
        return new(
            (build * volume) + ((earth?.DugM3 ?? 0) * site.Dig),
            life,
            liner * volume,
            linerLife,
            exit * volume,
            BuildChoice.Running(
                (refills * volume, site.Water),
                (hours, site.Hour),
                (landM2, site.Land),
                site.CyclesAYear
            ),
            site.Kg,
            volume
        );
    }

    private static Worked Say(BenchForm f, List<(string Name, BuildChoice Choice)> found, Site site)
    {
        var least = found.MinBy(x => x.Choice.PerKg);
        var why = Grounds.Of(
            "Over its whole life: building, every liner, undoing it, and water, work and land of each cycle, by the cycles and the fish of each. Interest is left out.",
            "The farm's own figures; " + EarthWork.Source,
            new Input("fish wanted", site.Kg, Measures.Mass, "typed"),
            new Input("water", least.Choice.VolumeM3, Measures.Volume, "worked out"),
            Input.Said("liners over its life", f.Here.Figure(least.Choice.Liners, 0), "worked out")
        );
        List<Figure> figures = Figures(f, found, site, least, why);
        return new(
            figures,
            "Prices, lives and loads are examples until you type your own quotation. Cheapest is not best: sight of the fish, work at night and what is left when you quit count too.",
            Cautions:
            [
                "Steep banks slide and let nobody out: machine-built ones are flatter. Frames stand on a level base; tanks are fenced from children and animals. Local rules on digging and dams come first.",
            ],
            Table: Rows(f, found, site)
        );
    }

    private static List<Figure> Figures(
        BenchForm f,
        List<(string Name, BuildChoice Choice)> found,
        Site site,
        (string Name, BuildChoice Choice) least,
        Grounds why
    ) =>
        [
            new(
                $"Cheapest fish: {least.Name.ToLowerInvariant()}",
                $"{f.Here.PerMass(least.Choice.PerKg)} and cycle",
                why,
                Main: true
            ),
            .. found.Where(x => x.Choice.Liner > 0).Select(x => WornLiner(f, x.Name, x.Choice, site.FewerCycles, why)),
            .. new[] { false, true }.Select(m => Dug(f, found[0].Choice, site, m)).OfType<Figure>(),
        ];

    private static List<string[]> Rows(BenchForm f, List<(string Name, BuildChoice Choice)> found, Site site) =>
        [
            ["way", "water", "first money", "a cycle", "a year", "cost of the fish", "pays back after"],
            .. found.Select(x =>
                new[]
                {
                    x.Name,
                    f.Say(x.Choice.VolumeM3, Measures.Volume),
                    f.Here.Figure(x.Choice.Build + x.Choice.Liner, 0),
                    f.Here.Figure(x.Choice.PerCycle, 0),
                    f.Here.Figure(x.Choice.PerCycle * site.CyclesAYear, 0),
                    f.Here.PerMass(x.Choice.PerKg),
                    x.Choice.PaysBackAfter(site.Margin) is { } n ? $"{n} cycles" : "not in its life",
                }
            ),
        ];

    private static Figure WornLiner(BenchForm f, string name, BuildChoice choice, int fewer, Grounds why)
    {
        var worn = choice with { LinerCycles = Math.Max(1, choice.LinerCycles - fewer) };
        return new(
            $"{name}, its liner lasting {f.Here.Figure(worn.LinerCycles, 0)} {(worn.LinerCycles == 1 ? "cycle" : "cycles")}",
            $"{f.Here.PerMass(worn.PerKg)}, {f.Here.PerMass(worn.PerKg - choice.PerKg)} more",
            why
        );
    }

    private static Figure? Dug(BenchForm f, BuildChoice pond, Site site, bool machine)
    {
        var slope = EarthWork.Slope(site.Soil, machine);
        if (EarthWork.For(pond.VolumeM3, site.DepthM, site.FreeboardM, slope) is not { } e)
            return null;
        return new(
            $"Earthen, built by {(machine ? "machine" : "hand")}, banks {f.Here.Figure(slope, 1)} to 1",
            $"{f.Say(e.LengthM, Measures.Length)} × {f.Say(e.WidthM, Measures.Length)}, {f.Here.Figure(e.DugM3, 0)} m³ of earth, {f.Say(e.LandM2, Measures.Area)} of land",
            Grounds.Of(
                "The water's sides for the wanted volume, and the earth from level ground down to the floor with the bank over the water on top.",
                EarthWork.Source,
                new Input("depth", site.DepthM, Measures.Length, "typed"),
                new Input("bank over the water", site.FreeboardM, Measures.Length, "typed")
            )
        );
    }

    private static IEnumerable<SlipField> Fields(BenchStart s, Way w)
    {
        string N(double v) => s.Plain(v, Measures.Plain with { Decimals = 1, UsDecimals = 1 });
        yield return s.Heading(w.Name);
        yield return s.Quantity(w.Key + "carries", "Carries", Measures.VolumeLoad, w.Carries);
        yield return s.Quantity(w.Key + "life", "Lasts", Measures.Plain, N(w.Life)).WithHint("cycles");
        yield return s.Quantity(w.Key + "build", "Parts and building, each m³", Measures.Price, w.Build)
            .WithHint(w.Earth ? "beside the digging: pipes, screens, grass" : "frame, base, pipes, labour, travel");
        if (w.Liner > 0)
        {
            yield return s.Quantity(w.Key + "liner", "Liner, each m³", Measures.Price, w.Liner);
            yield return s.Quantity(w.Key + "linerlife", "A liner lasts", Measures.Plain, N(w.LinerLife))
                .WithHint("cycles");
        }
        yield return s.Quantity(w.Key + "exit", "To undo it, each m³", Measures.Price, w.Exit)
            .WithHint("below 0 when parts are sold");
        yield return s.Quantity(w.Key + "fills", "Water a cycle, times its volume", Measures.Plain, N(w.Refills));
        yield return s.Quantity(w.Key + "hours", "Hours of work a cycle", Measures.Plain, N(w.Hours));
    }
}
