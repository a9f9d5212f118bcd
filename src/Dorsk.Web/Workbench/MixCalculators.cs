using System.Globalization;
using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Solve;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Least-cost mix of the farm's own ingredients, with what binds and what it costs; where none is possible, which demand cannot be met.</summary>
internal sealed class MixCalculator : ICalculator
{
    private const int Slots = 10;
    private static readonly Measure Points = Measures.Plain with { Name = "share", Decimals = 1 };

    // Examples to be typed over: what an inland farm can buy by the bag.
    private static readonly (string Name, double? Price)[] Examples =
    [
        ("fish meal 65", 2.4),
        ("soybean meal 48 dehulled", 0.85),
        ("wheat", 0.42),
        ("maize", 0.4),
        ("wheat middlings or bran", 0.3),
        ("vegetable oil", 1.6),
        ("rice bran, full fat", 0.35),
    ];

    public string Key => "mix";

    public string Title => "Least-cost ration";

    public string Lead =>
        "own ingredients, prices and limits; what binds, what one point more costs, which demand cannot be met";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice("eats", "For fish that", "omnivore", [("omnivore", "eat plants too"), ("carnivore", "eat fish")]),
            s.Quantity("protein", "Protein at least", Measures.Share, "32").WithHint("as on a label, at 10 % water"),
            s.Quantity("fatlow", "Fat at least", Measures.Share, "5"),
            s.Quantity("fathigh", "Fat at most", Measures.Share, "12"),
            s.Quantity("fibre", "Fibre at most", Measures.Share, "8"),
            s.Quantity("ash", "Ash at most", Measures.Share, "12"),
            s.Quantity("energy", "Digestible energy at least", Measures.FeedEnergy, 11),
            s.Quantity("water", "Water in the mash at most", Measures.Share, "14"),
            s.Quantity("fcr", "Feed conversion ratio (FCR)", Points, "1.8").WithHint("of this mix, at label dryness"),
            s.Quantity("making", "Making it", Measures.MassPrice, 0.15).WithHint("grinding, power, labour, bags"),
            s.Heading("Ingredients, the farm's own prices"),
            .. Enumerable.Range(0, Slots).SelectMany(i => Part(s, i, Options)),
        ];

    private static readonly IReadOnlyList<(string, string)> Options =
    [
        ("", "none"),
        .. Ingredient.Names.Select(n => (n, n)),
    ];

    private static IEnumerable<SlipField> Part(BenchStart s, int i, IReadOnlyList<(string, string)> options)
    {
        var example = i < Examples.Length ? Examples[i] : ("", null);
        yield return new("i" + i, $"Ingredient {i + 1}", FieldKind.Choice, example.Item1, Options: options);
        yield return s.Quantity("p" + i, "price", Measures.MassPrice, example.Item2);
        yield return new(
            "m" + i,
            "at most in the mix",
            FieldKind.Quantity,
            "",
            Measures.Share,
            i == 0 ? "empty: the table's limit" : ""
        );
    }

    public Worked? Work(BenchForm f)
    {
        var carnivore = f.Form.Choice("eats", [("omnivore", false), ("carnivore", true)], "fish", false);
        var demand = new MixDemand(
            f.Q("protein", Measures.Share, 0, 80),
            (f.Q("fatlow", Measures.Share, 0, 60), f.Q("fathigh", Measures.Share, 0, 60)),
            f.Q("fibre", Measures.Share, 0, 60),
            f.Q("ash", Measures.Share, 0, 60),
            f.Q("energy", Measures.FeedEnergy, 0, 36),
            f.Q("water", Measures.Share, 1, 95)
        );
        var (fcr, making) = (f.Q("fcr", Points, 0.5, 10), f.Q("making", Measures.MassPrice, 0, 100));
        if (f.Sound && demand.FatPct.Low > demand.FatPct.High)
            f.Form.Refuse("fathigh", "The most fat is under the least. Raise it or lower the other.");
        var parts = Enumerable.Range(0, Slots).Select(i => Read(f, i, carnivore)).OfType<MixPart>().ToList();
        if (f.Sound && parts.Count < 2)
            f.Form.Refuse("i0", "Choose at least two ingredients with their prices.");
        if (f.Sound && parts.GroupBy(p => p.Of.Name).FirstOrDefault(g => g.Count() > 1) is { } twice)
            f.Form.Refuse("i0", $"“{twice.Key}” stands there twice. Keep one of them.");
        if (!f.Sound)
            return null;
        return LinearSolver.Solve(FeedMix.Program(parts, demand)) is { } found
            ? Answer(f, parts, demand, FeedMix.Read(parts, demand, found), fcr, making)
            : Impossible(f, parts, demand);
    }

    private static MixPart? Read(BenchForm f, int i, bool carnivore)
    {
        var name = f.Form.Choice("i" + i, Options.Select(o => (o.Item1, o.Item1)).ToList(), "ingredient", "");
        if (name.Length == 0)
            return null;
        var of = Ingredient.Of(name, carnivore);
        return new(
            of,
            f.Q("p" + i, Measures.MassPrice, 0, 1000),
            f.MaybeQ("m" + i, Measures.Share, 0, 100) ?? of.MostPct
        );
    }

    private static Worked Answer(
        BenchForm f,
        List<MixPart> parts,
        MixDemand demand,
        MixAnswer a,
        double fcr,
        double making
    )
    {
        var here = f.Here;
        var why = Because(parts);
        var rows = new List<string[]> { new[] { "ingredient", "share", "at most", "price", "note" } };
        rows.AddRange(
            parts.Select(
                (p, i) =>
                    new[]
                    {
                        p.Of.Name,
                        here.Figure(a.Shares[i], 1) + " %",
                        here.Figure(p.MostPct, 0) + " %",
                        here.PerMass(p.PricePerKg),
                        a.MustFall[i] is { } fall ? $"used if {here.PerMass(fall, 3)} cheaper"
                        : a.AtMost[i] is { } saves ? $"at its most: 1 % more saves {here.PerMass(saves, 4)}"
                        : "",
                    }
            )
        );
        var perKg = a.CostPerLabelKg + making;
        var h = a.Holds;
        return new(
            [
                new("The mix costs", here.PerMass(a.CostPerKg, 3), why, Main: true),
                new("at label dryness, with making", here.PerMass(perKg, 3), why),
                new("Feed cost of the gain", here.PerMass(perKg * fcr), why),
                new("Protein", here.Figure(h.ProteinPct, 1) + " %", why),
                new("Fat", here.Figure(h.FatPct, 1) + " %", why),
                new("Fibre", here.Figure(h.FibrePct, 1) + " %", why),
                new("Ash", here.Figure(h.AshPct, 1) + " %", why),
                new("Digestible energy", here.Say(h.EnergyMJKg, Measures.FeedEnergy), why),
                new("Dry matter", here.Figure(a.DryPct, 0) + " %", why),
            ],
            Costs(a, here),
            null,
            Cautions(parts, a),
            rows
        );
    }

    private static Grounds Because(List<MixPart> parts) =>
        Grounds
            .Of(
                "Shares that sum to the whole, each under its limit, at the least cost; demands are held at 10 % water, however wet the mash is.",
                FeedMix.Source,
                new Input("ingredients", parts.Count, Measures.Plain, "chosen"),
                Input.Said("prices", "typed", "the farm's own")
            )
            .Limited("Shares are as the ingredient lies there, wet or dry.")
            .Doubting(
                "Contents differ between lots: have protein and moulds tested. Amino acids, phosphorus and vitamins are not counted here; add the premix its label asks for."
            );

    private static string Costs(MixAnswer a, Here here) =>
        a.Bindings.Count == 0
            ? "No demand costs anything here: the cheapest parts meet them all."
            : string.Join(
                " ",
                a.Bindings.Select(
                    (b, i) =>
                        $"{(i == 0 ? $"{char.ToUpperInvariant(b.Name[0])}{b.Name[1..]} is what costs you" : $"{char.ToUpperInvariant(b.Name[0])}{b.Name[1..]} binds too")}: 1 {(b.Name == "energy" ? "MJ/kg" : "point")} more {(b.PricePerUnit > 0 ? "adds" : "saves")} {here.PerMass(Math.Abs(b.PricePerUnit), 3)}."
                )
            );

    private static List<string> Cautions(List<MixPart> parts, MixAnswer a) =>
        [
            .. parts
                .Where((p, i) => a.Shares[i] > 0.01 && p.Of.Caution.Length > 0)
                .Select(p => $"{char.ToUpperInvariant(p.Of.Name[0])}{p.Of.Name[1..]}: {p.Of.Caution}."),
            "Cook what needs cooking, cool it, feed it the same day; no mould, no waste that the law forbids in feed.",
        ];

    private static Worked Impossible(BenchForm f, List<MixPart> parts, MixDemand demand)
    {
        var missed = FeedMix.Missed(parts, demand, LinearSolver.Solve(FeedMix.Nearest(parts, demand)));
        string Said(MixShort m) =>
            $"{m.Name}: wanted {f.Here.Figure(m.Wanted, 1)}, the nearest mix holds {f.Here.Figure(m.Reached, 1)}";
        var why = BecauseMissed(parts);
        return new(
            [
                new(
                    "No such mix",
                    missed.Count == 1 ? Said(missed[0]) : $"{missed.Count} demands cannot be met together",
                    why,
                    Main: true
                ),
                .. missed.Select(m => new Figure(
                    char.ToUpperInvariant(m.Name[0]) + m.Name[1..],
                    $"{f.Here.Figure(m.Reached, 1)} instead of {f.Here.Figure(m.Wanted, 1)}",
                    why
                )),
            ],
            "Lower that demand, raise a limit, or add an ingredient that is rich in it.",
            new Judgement(
                Status.Watch,
                $"These ingredients cannot meet {string.Join(" and ", missed.Select(m => m.Name))}"
            )
        );
    }

    private static Grounds BecauseMissed(List<MixPart> parts) =>
        Grounds.Of(
            "The mix that misses the demands by the least percent of themselves, with the parts' limits kept.",
            FeedMix.Source,
            new Input("ingredients", parts.Count, Measures.Plain, "chosen")
        );
}

/// <summary>The square: two ingredients for a wanted protein, as it is done by hand.</summary>
internal sealed class SquareCalculator : ICalculator
{
    public string Key => "square";

    public string Title => "Pearson square";

    public string Lead => "two ingredients for a wanted protein, the check by hand";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("a", "Protein of the first", Measures.Share, "48"),
            s.Quantity("b", "Protein of the second", Measures.Share, "8.5"),
            s.Quantity("wanted", "Wanted", Measures.Share, "30"),
            s.Quantity("kg", "To be mixed", Measures.Mass, 100),
        ];

    public Worked? Work(BenchForm f)
    {
        var (a, b, wanted, kg) = (
            f.Q("a", Measures.Share, 0, 100),
            f.Q("b", Measures.Share, 0, 100),
            f.Q("wanted", Measures.Share, 0, 100),
            f.Q("kg", Measures.Mass, 0.001, 1e6)
        );
        if (f.Sound && FeedMix.Square(a, b, wanted) is null)
            f.Form.Refuse(
                "wanted",
                $"{f.Here.Figure(wanted, 1)} % does not lie between {f.Here.Figure(Math.Min(a, b), 1)} and {f.Here.Figure(Math.Max(a, b), 1)} %: these two cannot make it."
            );
        if (!f.Sound || FeedMix.Square(a, b, wanted) is not { } first)
            return null;
        var why = Because(f, a, b, wanted);
        return new(
            SquareFigures(f, kg, first, why),
            string.Create(
                CultureInfo.InvariantCulture,
                $"Check: {first / 100:0.###} × {a:0.#} + {1 - (first / 100):0.###} × {b:0.#} = {wanted:0.#} %."
            ),
            null,
            [
                "It looks at protein alone, as the ingredients lie there: two of different wetness are first brought to dry matter.",
            ]
        );
    }

    private static IReadOnlyList<Figure> SquareFigures(BenchForm f, double kg, double first, Grounds why) =>
        [
            new("Of the first", f.Say(kg * first / 100, Measures.Mass), why, Main: true),
            new("Of the second", f.Say(kg * (100 - first) / 100, Measures.Mass), why),
            new("Share of the first", f.Here.Figure(first, 1) + " %", why),
        ];

    private static Grounds Because(BenchForm f, double a, double b, double wanted) =>
        Grounds.Of(
            "Write the two at the left corners and the wanted in the middle; the differences crosswise are the parts of each.",
            "Pearson's square",
            Input.Said(
                "parts",
                $"{f.Here.Figure(Math.Abs(wanted - b), 1)} of the first to {f.Here.Figure(Math.Abs(a - wanted), 1)} of the second",
                "differences crosswise"
            )
        );
}

/// <summary>Duckweed and larvae grown beside a complete feed: wet and dry, the area that keeps them coming, and the limits of replacing.</summary>
internal sealed class GrownFeedCalculator : ICalculator
{
    public string Key => "grown-feed";

    public string Title => "Feed grown on the farm";

    public string Lead =>
        "duckweed or fly larvae: what it takes to keep them coming, wet and dry, and how far they replace feed";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice(
                "what",
                "Grown",
                "duckweed",
                [("duckweed", "duckweed in a spare pond"), ("larvae", "fly larvae in trays")]
            ),
            s.Choice("eats", "For fish that", "omnivore", [("omnivore", "eat plants too"), ("carnivore", "eat fish")]),
            s.Quantity(
                "ration",
                "Complete feed a day",
                Measures.Mass,
                s.Pond?.NowAt(s.Here.Now).RationKg is > 0 and var kg ? kg : 20
            ),
            s.Quantity("share", "Of it to be replaced", Measures.Share, "10"),
            s.Quantity("price", "Price of the complete feed", Measures.MassPrice, 2.15),
            s.Quantity("months", "Months to market on complete feed", Measures.Factor, s.Here.Typed(8.0, 1)),
            s.Quantity("fcr", "Its feed conversion ratio (FCR)", Measures.Factor, s.Here.Typed(1.6, 1)),
            s.Fold("Cover that stands already"),
            s.Quantity("area", "Weed covers", Measures.Area),
            s.Quantity("mat", "Weed on the water, fresh", Measures.Mat, 0.6)
                .WithHint($"{s.Here.Range(0.4, 0.8, Measures.Mat)} is usual"),
            s.Quantity("eaten", "They eat a day, fresh", Measures.Mass),
        ];

    public Worked? Work(BenchForm f)
    {
        var kind = f.Form.Choice(
            "what",
            [("duckweed", GrownKind.Duckweed), ("larvae", GrownKind.Larvae)],
            "feed",
            GrownKind.Duckweed
        );
        var carnivore = f.Form.Choice("eats", [("omnivore", false), ("carnivore", true)], "fish", false);
        var (ration, share, price) = (
            f.Q("ration", Measures.Mass, 0.01, 20_000),
            f.Q("share", Measures.Share, 0, 100),
            f.Q("price", Measures.MassPrice, 0, 1000)
        );
        var (months, fcr) = (f.Q("months", Measures.Factor, 0.5, 60), f.Q("fcr", Measures.Factor, 0.5, 6));
        var (area, mat, eaten) = (
            f.MaybeQ("area", Measures.Area, 1, 1e6),
            f.MaybeQ("mat", Measures.Mat, 0.05, 5) ?? 0.6,
            f.MaybeQ("eaten", Measures.Mass, 0, 1e5)
        );
        if (!f.Sound)
            return null;
        var g = GrownFeed.Of(kind, ration, share, carnivore);
        var why = Because(f, kind, ration);
        List<Figure> figures =
        [
            new(
                kind == GrownKind.Duckweed ? "Spare pond it takes" : "Trays it takes",
                $"{f.Say(g.AreaM2.Usual, Measures.Area)} ({f.Here.Range(g.AreaM2.Low, g.AreaM2.High, Measures.Area)})",
                why,
                Main: true
            ),
            new("Harvested a day, wet", f.Say(g.WetKg, Measures.Mass), why),
            new("Dry matter in it", f.Say(g.DryKg, Measures.Mass), why),
            new("Protein in it", f.Say(g.ProteinKg, Measures.Mass), why),
            new(
                "Complete feed it may save a month",
                $"{f.Here.Figure(30 * ration * share / 100 * price, 0)} {f.Here.Farm?.Currency}",
                why
            ),
        ];
        if (kind == GrownKind.Duckweed)
            figures.Add(MonthsToMarket(f, months, fcr, share));
        if (kind == GrownKind.Duckweed && area is { } m2)
            figures.Add(CoverLasts(f, m2, mat, eaten, g.WetKg));
        var over = share > g.MostPct;
        return Answer(f, kind, share, g, figures, over);
    }

    private static Figure MonthsToMarket(BenchForm f, double months, double fcr, double share)
    {
        var (low, usual, high) = GrownFeed.MonthsOnWeed(months, fcr, share);
        return new(
            "Months to market, so fed",
            $"{f.Here.Figure(usual, 1)} ({f.Here.Figure(low, 1)} to {f.Here.Figure(high, 1)}), {f.Here.Figure(months, 1)} on complete feed",
            Grounds.Of(
                "Growth by the dry matter eaten: a kilogram of dry weed makes as much less fish as its conversion is worse. Fish are taken to eat as much dry matter as of complete feed.",
                GrownFeed.Source,
                Input.Said("months on complete feed", f.Here.Figure(months, 1), "typed"),
                Input.Said("FCR of the complete feed", f.Here.Figure(fcr, 1), "typed")
            )
        );
    }

    private static Figure CoverLasts(BenchForm f, double m2, double matKgM2, double? eatenKg, double wantedKg)
    {
        var growth = GrownFeed.WeedGrowthKg(m2);
        var eats = eatenKg ?? wantedKg;
        return new(
            "The cover lasts",
            GrownFeed.DaysLeft(m2 * matKgM2, growth.Usual, eats) is { } d
                ? $"{f.Here.Figure(d, 0)} days"
                : "as long as it grows so",
            Grounds.Of(
                "What stands now, eaten faster than it grows.",
                GrownFeed.Source,
                new Input("stands, fresh", m2 * matKgM2, Measures.Mass, "typed"),
                new Input("grows a day", growth.Usual, Measures.Mass, "table"),
                new Input("eaten a day", eats, Measures.Mass, eatenKg is null ? "as above" : "typed")
            )
        );
    }

    private static Grounds Because(BenchForm f, GrownKind kind, double ration) =>
        Grounds
            .Of(
                "The share of the ration as dry matter (a complete feed holds 90 %), brought to what is harvested wet, and to the area whose yield keeps it coming day by day.",
                GrownFeed.Source,
                new Input("complete feed a day", ration, Measures.Mass, "typed")
            )
            .Limited(
                $"None grows under {f.Say(GrownFeed.StopsC(kind), Measures.Temperature)}: then the complete feed is whole again."
            );

    private static Worked Answer(
        BenchForm f,
        GrownKind kind,
        double share,
        GrownFeed g,
        List<Figure> figures,
        bool over
    ) =>
        new(
            figures,
            $"{(kind == GrownKind.Duckweed ? "Weed" : "Larvae")} may replace up to about {f.Here.Figure(g.MostPct, 0)} % of the ration for these fish; the rest stays complete feed.",
            over
                ? new Judgement(
                    Status.Watch,
                    $"{f.Here.Figure(share, 0)} % is more than the {f.Here.Figure(g.MostPct, 0)} % that is known to go well: they grow slower than they could, and sicken for want of what it lacks"
                )
                : null,
            kind == GrownKind.Duckweed
                ?
                [
                    "Never the only feed. Weed from waste water carries germs and metals. Over half a pond's cover takes its light and oxygen at night: open it.",
                ]
                :
                [
                    "Never the only feed: too fat, poor in calcium and some amino acids; blend with complete feed or a starch source. Clean substrate as the law allows; kill and rinse; keeps for days only.",
                ]
        );
}
