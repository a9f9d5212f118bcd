using System.Globalization;
using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>What a gap of bars or mesh holds back of fish of a spread, and which gap holds a weight.</summary>
internal sealed class GradingCalculator : ICalculator
{
    public string Key => "grading";

    public string Title => "Grading";

    public string Lead => "what bars or mesh hold back, and the gap for a weight";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. BenchFish.Fields(s, "silver_perch", 350),
            s.Whole("count", "Fish", "1000"),
            s.Quantity("cv", "Spread between fish", Measures.Share, s.Pond?.LikelySpecies.WeightCvPct ?? 20)
                .WithHint("standard deviation by the mean, as a sample of single fish shows it"),
            s.Choice(
                "kind",
                "Grader",
                nameof(GraderKind.Bars),
                [("Bars", "bars"), ("Mesh", "square mesh, knot to knot")]
            ),
            s.Quantity("gap", "Gap", Measures.Pellet, 0.03).WithHint("between bars, or the side of the mesh"),
            s.Quantity("least", "Least target weight", Measures.FishWeight, s.Pond?.LikelySpecies.MarketLowG ?? 400),
        ];

    public Worked? Work(BenchForm f)
    {
        var (species, meanG) = BenchFish.Read(f);
        var count = f.Whole("count", "fish", 1, 10_000_000);
        var cv = f.Q("cv", Measures.Share, 1, 150);
        var kind = f.Form.Choice(
            "kind",
            [("Bars", GraderKind.Bars), ("Mesh", GraderKind.Mesh)],
            "grader",
            GraderKind.Bars
        );
        var gapMm = 1000 * f.Q("gap", Measures.Pellet, 0.0005, 0.5);
        var leastG = f.Q("least", Measures.FishWeight, 0.001, 50_000);
        if (!f.Sound)
            return null;
        var spread = SizeSpread.Of(count, meanG, cv);
        return Told(f, species, spread, (gapMm, kind), leastG, Because(species, meanG, cv, gapMm));
    }

    private static Worked Told(
        BenchForm f,
        FishSpecies species,
        SizeSpread spread,
        (double Mm, GraderKind Kind) gap,
        double leastG,
        Grounds why
    )
    {
        var (held, passed) = spread.Cut(g => BodyShape.Held(species, g, gap.Mm, gap.Kind));
        string Fish(SizeSpread s) =>
            $"{f.Here.Count(Math.Round(s.Count))} fish, {f.Say(s.MassKg, Measures.Mass)}{(s.Count >= 0.5 ? $", {f.Say(s.MeanG, Measures.FishWeight)} on average" : "")}";
        var over = spread.Over(leastG);
        return new(
            [
                new("Held back", Fish(held), why, Main: true),
                new("Pass through", Fish(passed), why),
                new(
                    "Half of the fish pass at",
                    f.Say(BodyShape.WeightG(species, gap.Mm, gap.Kind), Measures.FishWeight),
                    why
                ),
                new(
                    $"Gap for {f.Say(leastG, Measures.FishWeight)}",
                    f.Say(BodyShape.GapMm(species, leastG, gap.Kind) / 1000, Measures.Pellet),
                    why
                ),
                new(
                    $"Over {f.Say(leastG, Measures.FishWeight)}",
                    $"{f.Here.Figure(100 * over.Count / spread.Count, 0)} %, {f.Here.Count(Math.Round(over.Count))} fish, {f.Say(over.Kg, Measures.Mass)}",
                    why
                ),
            ],
            "Body proportions are starting values: grade twenty fish, weigh what passes, and move the gap until it fits yours.",
            Cautions:
            [
                "Grade in cool, clean water with oxygen; fish fasted. No fish longer than a minute out of the water.",
            ]
        );
    }

    private static Grounds Because(FishSpecies species, double meanG, double cv, double gapMm) =>
        Grounds
            .Of(
                "Weights spread lognormally about the mean; a fish passes bars thinner than it is thick, and a mesh shorter around than its girth. Fish of one weight differ by some percent.",
                $"{SizeSpread.Source}; shape: {BodyShape.Of(species).Source}; length: {BodyLength.Source}",
                new Input("average weight", meanG, Measures.FishWeight, "typed"),
                new Input("spread", cv, Measures.Share, "typed"),
                new Input("gap", gapMm / 1000, Measures.Pellet, "typed")
            )
            .Limited("Proportions of the species: confidence low.");
}

/// <summary>Minutes that fish can stay crowded in a net.</summary>
internal sealed class NetAirCalculator : ICalculator
{
    public string Key => "net-air";

    public string Title => "Air in the net";

    public string Lead => "minutes until a crowd in the net lacks oxygen, and the water that makes it last";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. BenchFish.Fields(s, "silver_perch", 500),
            s.Quantity("mass", "Fish in the net", Measures.Mass, 600),
            s.Quantity("water", "Water in the net", Measures.Volume, 30),
            s.Quantity("temp", "Water temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 26),
            s.Quantity("do", "Oxygen in the net", Measures.Oxygen, s.Plain(6.5, Measures.Oxygen))
                .WithHint("read there; empty when nobody has"),
            s.Quantity("flow", "Pumped through", Measures.Flow, "0"),
            s.Quantity("flowdo", "Oxygen of that water", Measures.Oxygen, s.Plain(7, Measures.Oxygen)),
            s.Quantity("act", "Act level", Measures.Oxygen, s.Pond?.Stock.LimitsOn(s.Here.Today)?.DoActMgL ?? 3),
        ];

    public Worked? Work(BenchForm f)
    {
        var (species, meanG) = BenchFish.Read(f);
        var net = new CrowdedNet(
            species,
            meanG,
            f.Q("mass", Measures.Mass, 0.1, 200_000),
            f.Q("water", Measures.Volume, 0.01, 100_000),
            f.Q("temp", Measures.Temperature, 0, 40),
            f.MaybeQ("do", Measures.Oxygen, 0, 30),
            f.Q("act", Measures.Oxygen, 0.1, 12),
            f.Q("flow", Measures.Flow, 0, 100_000),
            f.Q("flowdo", Measures.Oxygen, 0, 30)
        );
        if (!f.Sound)
            return null;
        var why = NetWords.Why(net);
        var hour = NetAir.FlowFor(net, 60);
        return new(
            [
                new("Minutes to the act level", NetWords.Minutes(NetAir.Minutes(net), f.Here), why, Main: true),
                new("The fish take", $"{f.Here.Figure(NetAir.TakesGH(net), 0)} g of oxygen an hour", why),
                new(
                    "Water for an hour",
                    hour is { } m3
                        ? m3 == 0
                            ? "none needed"
                            : f.Say(m3, Measures.Flow)
                        : "no flow does it",
                    why
                ),
            ],
            "Twice the fish halve the minutes. Read oxygen in the net, in the middle of the crowd, every ten minutes.",
            NetAir.Judge(net, 30, f.Here.Hand),
            ["Crowded fish die from below: lift nothing, pile nothing, let water through before the count is done."]
        );
    }
}

/// <summary>Words of the air in a net.</summary>
internal static class NetWords
{
    public static string Minutes(double? minutes, Here here) =>
        minutes switch
        {
            null => "not known",
            double.PositiveInfinity => "holds with this water",
            { } m => here.Count(Math.Floor(m)),
        };

    public static Grounds Why(CrowdedNet net) =>
        Grounds.Of(
            "The crowd takes oxygen from the water among it; a pump brings new. Nothing is counted for what the surface gives.",
            NetAir.Source,
            new Input("fish", net.Kg, Measures.Mass, "asked"),
            new Input("water among them", net.WaterM3, Measures.Volume, "asked"),
            new Input("temperature", net.TempC, Measures.Temperature, "read or typed"),
            net.DoMgL is { } read
                ? new Input("oxygen", read, Measures.Oxygen, "read or typed")
                : Input.Said("oxygen", "not read", "unknown"),
            new Input("act level", net.ActMgL, Measures.Oxygen, "limits of the fish"),
            new Input("pumped through", net.FlowM3H, Measures.Flow, "asked"),
            new Input("oxygen of that water", net.FlowMgL, Measures.Oxygen, "typed, or taken as good pond water")
        );
}

/// <summary>Ice for a load.</summary>
internal sealed class IceCalculator : ICalculator
{
    public string Key => "ice";

    public string Title => "Ice";

    public string Lead => "to chill a load and to hold it, by two schools";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("mass", "Fish", Measures.Mass, 500),
            s.Quantity("from", "Their temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 25),
            s.Quantity("to", "Down to", Measures.Temperature, s.Plain(1, Measures.Temperature)),
            s.Quantity("water", "Water chilled along", Measures.Mass, "0"),
            s.Quantity("loss", "Lost on the way", Measures.Share, 20),
            s.Quantity("crate", "Fish in a crate", Measures.Mass, 25),
            s.Quantity("hours", "Hours to hold", Measures.Plain, "6"),
            s.Quantity("air", "Air around the crates", Measures.Temperature, 25),
            s.Yes("insulated", "Insulated crates", "true"),
        ];

    public Worked? Work(BenchForm f)
    {
        var kg = f.Q("mass", Measures.Mass, 0.1, 200_000);
        var (from, to) = (f.Q("from", Measures.Temperature, 0, 40), f.Q("to", Measures.Temperature, 0, 20));
        var (water, loss) = (f.Q("water", Measures.Mass, 0, 200_000), f.Q("loss", Measures.Share, 0, 200));
        var crate = f.Q("crate", Measures.Mass, 1, 2000);
        var (hours, air) = (f.Q("hours", Measures.Plain, 0, 240), f.Q("air", Measures.Temperature, 0, 50));
        if (f.Sound && to >= from)
            f.Form.Refuse("to", "That is not colder than the fish are.");
        if (!f.Sound)
            return null;
        var chill = IceNeed.Chill(kg, from, to, water, loss);
        var crates = (int)Math.Ceiling(kg / crate);
        var hold = IceNeed.HoldKg(crates, hours, air, f.Form.Yes("insulated") ? IceNeed.InsulatedWC : IceNeed.BareWC);
        var why = Because(kg, from, to, hours);
        return new(
            [
                new("Ice", f.Say(chill.ChillKg + hold, Measures.Mass), why, Main: true),
                new("To chill", f.Say(chill.ChillKg, Measures.Mass), why),
                new("To hold", $"{f.Say(hold, Measures.Mass)} in {f.Here.Count(crates)} crates", why),
                new("One to one, the other school", f.Say(kg * IceNeed.OneToOne, Measures.Mass), why),
            ],
            "Ice under, between and over the fish; melt water runs off. The larger figure is the safe one.",
            Cautions: ["Crates over 25 kg: two people. Picks and hooks away from hands."]
        );
    }

    private static Grounds Because(double kg, double from, double to, double hours) =>
        Grounds.Of(
            "Heat of fish and water down to the wanted temperature, by what a kilogram of ice takes up as it melts and its water warms; then what leaks into the crates hour by hour.",
            IceNeed.Source,
            new Input("fish", kg, Measures.Mass, "typed"),
            new Input("from", from, Measures.Temperature, "typed"),
            new Input("down to", to, Measures.Temperature, "typed"),
            new Input("hours", hours, Measures.Factor, "typed")
        );
}

/// <summary>A seine for a pond and the mesh for its fish.</summary>
internal sealed class SeineCalculator : ICalculator
{
    public string Key => "seine";

    public string Title => "Seine";

    public string Lead => "length, height and mesh of a net for a pond and its fish";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. BenchFish.Fields(s, "silver_perch", 450),
            s.Quantity("width", "Widest place that is pulled", Measures.Length, WidthM(s) ?? 25),
            s.Quantity("depth", "Deepest water on the day", Measures.Length, s.Pond?.LevelAt(s.Here.Now).LevelM ?? 1.4),
            s.Quantity("least", "Smallest fish to hold", Measures.FishWeight, 200),
        ];

    public Worked? Work(BenchForm f)
    {
        var (species, _) = BenchFish.Read(f);
        var (width, depth) = (f.Q("width", Measures.Length, 1, 1000), f.Q("depth", Measures.Length, 0.2, 20));
        var least = f.Q("least", Measures.FishWeight, 0.001, 50_000);
        if (!f.Sound)
            return null;
        var why = Grounds.Of(
            "A belly behind the lines and slack over the floor; the mesh a little under what half of the smallest fish would pass.",
            Seine.Source + "; " + BodyShape.Of(species).Source,
            new Input("width", width, Measures.Length, "typed"),
            new Input("depth", depth, Measures.Length, "typed"),
            new Input("smallest fish", least, Measures.FishWeight, "typed")
        );
        return new(
            [
                new("Length", f.Say(Seine.LengthM(width), Measures.Length), why, Main: true),
                new("Height", f.Say(Seine.HeightM(depth), Measures.Length), why),
                new("A half circle across the pond", f.Say(Seine.SemicircleM(width), Measures.Length), why),
                new("Mesh, knot to knot", "up to " + f.Say(Mesh(species, least) / 1000, Measures.Pellet), why),
                new(
                    "Pulled",
                    Seine.ByHand(width, f.Pond?.Pond.Shape.FullAreaM2 ?? 0) ? "by hand" : "by vehicles on both banks",
                    why
                ),
            ],
            "Smooth knotless mesh saves scales. The lead line stays on the floor: not in the mud, not lifted at the bank.",
            Cautions:
            [
                "Agree on the stop signal before the net moves. Nobody between line and vehicle, nobody alone in deep mud.",
            ]
        );
    }

    // Nine of ten of the smallest are held.
    private static double Mesh(FishSpecies species, double leastG) =>
        BodyShape.GapMm(species, leastG * HeldMargin, GraderKind.Mesh);

    private const double HeldMargin = 0.85;

    private static double? WidthM(BenchStart s) => s.Pond is { } p ? PondWidth.Of(p.Pond.Shape) : null;
}

/// <summary>What is left after pulls that catch less each time.</summary>
internal sealed class PullsCalculator : ICalculator
{
    private const int Most = 6;

    public string Key => "pulls";

    public string Title => "Left after the pulls";

    public string Lead => "how many fish are still there, from what each pull caught";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("p1", "Pull 1, fish", Measures.Plain, "520"),
            s.Quantity("p2", "Pull 2, fish", Measures.Plain, "240"),
            s.Quantity("p3", "Pull 3, fish", Measures.Plain, "130"),
            s.Quantity("p4", "Pull 4, fish", Measures.Plain, ""),
            s.Quantity("p5", "Pull 5, fish", Measures.Plain, ""),
            s.Quantity("p6", "Pull 6, fish", Measures.Plain, ""),
        ];

    public Worked? Work(BenchForm f)
    {
        List<int> pulls = [];
        for (var i = 1; i <= Most; i++)
            if (f.MaybeQ("p" + i.ToString(CultureInfo.InvariantCulture), Measures.Plain, 0, 10_000_000) is { } n)
                pulls.Add((int)Math.Round(n));
        if (!f.Sound)
            return null;
        var told = RemovalEstimate.Of(pulls);
        var why = Grounds.Of(
            "Each pull takes the same share of what is there: how fast the catch falls tells that share, and with it what was there.",
            RemovalEstimate.Source,
            [.. pulls.Select((n, i) => new Input($"pull {i + 1}", n, Measures.Plain, "typed"))]
        );
        return new(
            FiguresOf(f, told, why),
            told.Left is null
                ? char.ToUpperInvariant(told.WhyNot[0]) + told.WhyNot[1..] + "."
                : "With nine chances of ten between the two ends, when every pull used the same net and effort."
        );
    }

    private static List<Figure> FiguresOf(BenchForm f, RemovalEstimate told, Grounds why)
    {
        string Range(Interval i) =>
            $"{f.Here.Count(Math.Round(i.Value))} ({f.Here.Count(Math.Round(i.Low))} to {f.Here.Count(Math.Round(i.High))})";
        return told.Left is { } left
            ?
            [
                new("Still there", Range(left), why, Main: true),
                new("There were", Range(told.Were!.Value), why),
                new("Caught", f.Here.Count(told.Caught), why),
                new("A pull takes", $"{f.Here.Figure(100 * told.Catchability!.Value, 0)} %", why),
                new(
                    "Another pull would catch about",
                    f.Here.Count(Math.Round(told.Catchability.Value * left.Value)),
                    why
                ),
            ]
            : [new("Still there", "cannot tell", why, Main: true), new("Caught", f.Here.Count(told.Caught), why)];
    }
}
