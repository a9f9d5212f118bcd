using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
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
    private static readonly (string Key, string Name, string Value)[] Prices =
    [
        ("earth", "Earth moved, each m³", "4"),
        ("liner", "Liner, each m²", "6"),
        ("wall", "Frame, wall or formwork, each m²", "22"),
        ("base", "Level base, each m²", "9"),
        ("concrete", "Concrete, each m³", "260"),
        ("grass", "Grass, each m²", "1"),
        ("fittings", "Pipes, drain, screens", "180"),
        ("fence", "Fence and lid", "150"),
        ("hours", "Hours of labour", "16"),
        ("hour", "An hour of labour", "30"),
        ("trips", "Trips", "2"),
        ("trip", "A trip", "40"),
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
            .. Prices.Select(p => s.Quantity(p.Key, p.Name, Measures.Price, p.Value)),
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
        var p = Prices.ToDictionary(x => x.Key, x => f.Q(x.Key, Measures.Price, 0, 1e6));
        if (!f.Sound)
            return null;
        var (needed, says) = BuildBody.Edge(habit);
        var body = new BuildBody(kind, length, width, depth, slope, edge ?? needed);
        foreach (var remark in body.Check())
            f.Form.Refuse(remark.Field, remark.Text);
        if (!f.Sound)
            return null;
        var q = QuotationOf(spare, p, body);
        var currency = f.Here.Farm?.Currency;
        var why = Grounds.Of(
            "Amounts from the sides: earth to the crest; the liner as one sheet over floor and walls with half a metre over the edge; the base half a metre beyond the frame; concrete 0.12 m thick. Each by the price typed.",
            "The farm's own prices; laps and thickness judged",
            new Input("depth", depth, Measures.Length, "typed"),
            new Input("over the water", body.EdgeM, Measures.Length, edge is null ? "by the fish" : "typed")
        );
        string Money(double v) => f.Here.Figure(v, 0);
        var rows = Rows(f, q, byFarm, spare);
        return new(
            [
                new("All of it", $"{Money(q.Total)} {currency}", why, Main: true),
                new("Materials", $"{Money(q.Materials)}, bought by {Buyer(byFarm)}", why),
                new("Water when full", f.Say(body.VolumeM3, Measures.Volume with { Decimals = 1 }), why),
                new("A cubic metre costs", $"{f.Here.Figure(q.Total / body.VolumeM3, 2)} {currency}", why),
                new("Wall or bank over the water", f.Say(body.EdgeM, Measures.Length), why),
                new("Full, it weighs", f.Here.Figure(body.VolumeM3, 1) + " t", why),
            ],
            $"For fish like these: {says}.",
            body.EdgeM + 1e-9 < needed
                ? new Judgement(Status.Watch, $"{f.Say(body.EdgeM, Measures.Length)} over the water is low: {says}")
                : null,
            [
                "A frame stands on a level base that bears its weight; a leaning tank bursts. Fence it and lay a lid: small children drown in little water. Wiring by a licensed electrician.",
            ],
            rows
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
                    $"{f.Here.Figure(l.Amount, l.Amount < 10 && l.Amount % 1 != 0 ? 1 : 0)} {l.Unit}",
                    f.Here.Figure(l.Each, 2),
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

    private static string Buyer(bool farm) => farm ? "the farm" : "the builder";
}
