using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>A quotation, line by line, for one pond or tank; from a household tank to a pond, every price the farm's own.</summary>
internal sealed class QuotationCalculator : ICalculator
{
    private static readonly (string Key, string Name, BuildKind Kind)[] Kinds =
    [
        ("round", "round frame with liner", BuildKind.RoundFrame),
        ("long", "straight frame with liner", BuildKind.LongFrame),
        ("concrete", "concrete tank", BuildKind.Concrete),
        ("earthen", "dug pond", BuildKind.Earthen),
        ("lined", "dug pond with liner", BuildKind.Lined),
    ];

    private static readonly (string Key, string Name, EdgeHabit Habit)[] Habits =
    [
        ("keeps", "keep down", EdgeHabit.Keeps),
        ("leaps", "leap", EdgeHabit.Leaps),
        ("climbs", "climb or creep", EdgeHabit.Climbs),
    ];

    // Examples to be typed over.
    private static readonly (string Key, string Name, double Value, Measure Of)[] Prices =
    [
        ("earth", "Earth moved", 4, Measures.EarthPrice),
        ("liner", "Liner", 6, Measures.SheetPrice),
        ("wall", "Frame, wall or formwork", 22, Measures.SheetPrice),
        ("base", "Level base", 9, Measures.SheetPrice),
        ("concrete", "Concrete", 260, Measures.EarthPrice),
        ("grass", "Grass", 1, Measures.SheetPrice),
        ("fittings", "Pipes, drain, screens", 180, Measures.Price),
        ("fence", "Fence and lid", 150, Measures.Price),
        ("hours", "Hours of labour", 16, Measures.Factor),
        ("hour", "An hour of labour", 30, Measures.Price),
        ("trips", "Trips", 2, Measures.Factor),
        ("trip", "A trip", 40, Measures.Price),
    ];

    public string Key => "quotation";

    public string Title => "A quotation";

    public string Lead => "parts, liner, base, labour and travel of one pond or tank, and who buys what";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice("kind", "To be built", "round", Kinds.Select(k => (k.Key, k.Name)).ToList()),
            s.Quantity("length", "Length, or diameter of a round one", Measures.Length, 3),
            s.Quantity("width", "Width", Measures.Length, 2).WithHint("not for a round one"),
            s.Quantity("depth", "Depth of the full water", Measures.Length, 1),
            s.Quantity("slope", "Banks of a dug one, across for 1 down", Measures.Plain with { Decimals = 1 }, "2"),
            s.Choice("habit", "The fish", "keeps", Habits.Select(h => (h.Key, h.Name)).ToList()),
            s.Quantity("edge", "Wall or bank over the water", Measures.Length).WithHint("empty: by the fish"),
            s.Choice("buys", "Materials are bought by", "farm", [("farm", "the farm"), ("builder", "the builder")]),
            s.Quantity("spare", "Added for what nobody foresaw", Measures.Share, "10"),
            s.Heading("Prices, the farm's own"),
            .. Prices.Select(p => s.Quantity(p.Key, p.Name, p.Of, p.Value)),
            s.Heading("To hold it against"),
            s.Quantity("stated", "Total that the builder states", Measures.Price).WithHint("empty: no quotation yet"),
            s.Fish("fish", "Fish for it", "", "not decided"),
        ];

    public Worked? Work(BenchForm f)
    {
        var kind = f.Form.Choice("kind", Kinds.Select(k => (k.Key, k.Kind)).ToList(), "kind", BuildKind.RoundFrame);
        var habit = f.Form.Choice("habit", Habits.Select(h => (h.Key, h.Habit)).ToList(), "habit", EdgeHabit.Keeps);
        var byFarm = f.Form.Choice("buys", [("farm", true), ("builder", false)], "buyer", true);
        var (length, width, depth) = (
            f.Q("length", Measures.Length, 0.3, 1000),
            kind == BuildKind.RoundFrame ? 0 : f.Q("width", Measures.Length, 0.3, 1000),
            f.Q("depth", Measures.Length, 0.1, 10)
        );
        var (slope, edge, spare) = (
            f.Q("slope", Measures.Plain, 0, 6),
            f.MaybeQ("edge", Measures.Length, 0, 3),
            f.Q("spare", Measures.Share, 0, 200)
        );
        var p = Prices.ToDictionary(x => x.Key, x => f.Q(x.Key, x.Of, 0, 1e6));
        var stated = f.MaybeQ("stated", Measures.Price, 0, 1e9);
        var species = Species(f);
        if (!f.Sound)
            return null;
        var (needed, says) = BuildBody.Edge(habit);
        var body = new BuildBody(kind, length, width, depth, slope, edge ?? needed);
        foreach (var remark in body.Check())
            f.Form.Refuse(remark);
        if (!f.Sound)
            return null;
        return Answer(f, body, QuotationOf(spare, p, body), new(byFarm, spare, edge, needed, says, stated, species));
    }

    private static FishSpecies? Species(BenchForm f) => f.Form.MaybeFish("fish");

    private sealed record Asked(
        bool ByFarm,
        double SparePct,
        double? TypedEdgeM,
        double NeededEdgeM,
        string Says,
        double? Stated,
        FishSpecies? Species
    );

    private static Worked Answer(BenchForm f, BuildBody body, Quotation q, Asked a)
    {
        var why = Grounds.Of(
            "Amounts from the sides: earth to the crest; the liner as one sheet over floor and walls with a lap over the edge; the base somewhat beyond the frame; concrete of the usual thickness. Each by the price typed.",
            "The farm's own prices; laps and thickness judged",
            new Input("depth", body.DepthM, Measures.Length, "typed"),
            new Input("over the water", body.EdgeM, Measures.Length, a.TypedEdgeM is null ? "by the fish" : "typed")
        );
        var figures = Figures(f, body, q, a.ByFarm, why);
        if (a.Species is { } species)
            figures.Add(Holds(f, body, species));
        return new(
            figures,
            $"For fish like these: {a.Says}.",
            Judged(f, body, q, a),
            [
                "A frame stands on a level base that bears its weight; a leaning tank bursts. Fence it and lay a lid: small children drown in little water. Wiring by a licensed electrician.",
            ],
            Rows(f, q, a.ByFarm, a.SparePct)
        );
    }

    private static List<Figure> Figures(BenchForm f, BuildBody body, Quotation q, bool byFarm, Grounds why)
    {
        var (currency, water) = (f.Here.Farm?.Currency, Measures.WaterPrice.In(f.Here.Hand));
        return
        [
            new("All of it", $"{f.Here.Figure(q.Total, 0)} {currency}", why, Main: true),
            new("Materials", $"{f.Here.Figure(q.Materials, 0)}, bought by {Buyer(byFarm)}", why),
            new("Water when full", f.Say(body.VolumeM3, Measures.Volume), why),
            new(
                "For its water",
                f.Here.Figure(water.FromSi(q.Total / body.VolumeM3), 2) + $" {currency}{water.Symbol}",
                why
            ),
            new("Wall or bank over the water", f.Say(body.EdgeM, Measures.Length), why),
            new(
                "Full, it weighs",
                f.Say(1000 * body.VolumeM3, Measures.Mass with { Decimals = 0, UsDecimals = 0 }),
                why
            ),
        ];
    }

    // Tanks by their water with air day and night; dug ponds by their surface without air.
    private static Figure Holds(BenchForm f, BuildBody body, FishSpecies species)
    {
        var kg = body.CarriesKg(species);
        return new(
            $"{species.Name} it may hold",
            $"{f.Say(kg, Measures.Mass)}, {f.Here.Count(Math.Floor(kg * 1000 / species.MarketLowG))} of {f.Say(species.MarketLowG, Measures.FishWeight)}",
            Grounds.Of(
                "Carrying capacity of the species: in tanks by the water, with aeration day and night and clean water; in dug ponds by the surface, without aeration.",
                "Species table; starting values, half of it for the first season",
                new Input("market weight", species.MarketLowG, Measures.FishWeight, "species table")
            )
        );
    }

    private static Judgement? Judged(BenchForm f, BuildBody body, Quotation q, Asked a)
    {
        if (body.EdgeM + 1e-9 < a.NeededEdgeM)
            return new(Status.Watch, $"{f.Say(body.EdgeM, Measures.Length)} over the water is low: {a.Says}");
        if (a.Stated is not { } stated)
            return null;
        var more = stated - q.Total;
        return Math.Abs(more) <= Quotation.Agrees * q.Total
            ? new(Status.Steady, "the builder's total agrees with its parts")
            : new(
                Status.Watch,
                $"the builder states {f.Here.Figure(stated, 0)}, the parts sum to {f.Here.Figure(q.Total, 0)}: {f.Here.Figure(Math.Abs(more), 0)} {(more > 0 ? "more; ask what for" : "less; ask what is left out")}"
            );
    }

    private static Quotation QuotationOf(double spare, Dictionary<string, double> p, BuildBody body) =>
        Quotation.For(
            body,
            new(
                p["earth"],
                p["liner"],
                p["wall"],
                p["base"],
                p["concrete"],
                p["grass"],
                p["fittings"],
                p["fence"],
                p["hours"],
                p["hour"],
                p["trips"],
                p["trip"]
            ),
            spare / 100
        );

    private static List<string[]> Rows(BenchForm f, Quotation q, bool byFarm, double sparePct) =>
        [
            ["part or work", "amount", "each", "cost", "bought by"],
            .. q.Lines.Select(l =>
                new[]
                {
                    l.What,
                    Amount(f, l),
                    f.Here.Figure(Each(l).In(f.Here.Hand).FromSi(l.Each), 2),
                    f.Here.Figure(l.Cost, 0),
                    l.Material ? Buyer(byFarm) : "",
                }
            ),
            [
                "unforeseen",
                string.Create(CultureInfo.InvariantCulture, $"{sparePct:0} %"),
                "",
                f.Here.Figure(q.Total - q.Sum, 0),
                "",
            ],
        ];

    private static string Amount(BenchForm f, QuoteLine l) =>
        l.Unit switch
        {
            "m³" => f.Say(l.Amount, Measures.Earth),
            "m²" => f.Say(l.Amount, Measures.Area.BySquare!),
            _ => $"{f.Here.Hand.Short(l.Amount, 1)} {l.Unit}",
        };

    private static Measure Each(QuoteLine l) =>
        l.Unit switch
        {
            "m³" => Measures.EarthPrice,
            "m²" => Measures.SheetPrice,
            _ => Measures.Price,
        };

    private static string Buyer(bool farm) => farm ? "the farm" : "the builder";
}
