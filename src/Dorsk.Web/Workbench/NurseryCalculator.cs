using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>How thick larvae stand in a nursery pond for a wanted length of fingerling.</summary>
internal sealed class NurseryCalculator : ICalculator
{
    private static readonly Measure Length = new(
        "length",
        new Unit("mm", 1, 0),
        new Unit("in", 25.4, 0),
        0,
        2,
        new Unit("cm", 10, 0)
    );

    // Fish in a litre or a gallon; SI is fish in a cubic metre.
    private static readonly Measure ByVolume = new(
        "fish by volume",
        new Unit("fish/L", 1000, 0),
        new Unit("fish/gal", 1 / 0.003785411784, 0),
        3,
        3
    );

    public string Key => "nursery";

    public string Title => "Nursery density";

    public string Lead => "larvae for a wanted length of fingerling: fewer fish grow larger; days, first food, weaning";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice(
                "species",
                "Fish",
                s.Pond?.LikelySpecies is { } likely && NurseryDensity.For(likely) is not null
                    ? likely.Key
                    : "silver_perch",
                [.. Nursed(s.Here).Select(x => (x.Key, x.Name))]
            ),
            s.Quantity("length", "Wanted length", Length, 50),
            s.Quantity("area", "Water surface", Measures.Area, s.Pond?.Pond.Shape.FullAreaM2 ?? 1000),
            s.Quantity("depth", "Water depth", Measures.Length, s.Pond?.Pond.Shape.FullDepthM ?? 1),
            s.Quantity(
                    "survival",
                    "Survival of larvae, %",
                    Measures.Plain,
                    s.Pond?.LikelySpecies.SurvivalFryPct is > 0 and { } p ? p : 60
                )
                .WithHint("before weaning; the farm's own record is best"),
        ];

    public Worked? Work(BenchForm f)
    {
        var species = ReadSpecies(f);
        var (mm, areaM2, depthM, survival) = (
            f.Q("length", Length, 8, 300),
            f.Q("area", Measures.Area, 1, 1e6),
            f.Q("depth", Measures.Length, 0.2, 5),
            f.Q("survival", Measures.Plain, 0.1, 100)
        );
        if (!f.Sound || NurseryDensity.For(species) is not { } n)
            return null;
        var (low, usual, high) = n.LarvaeFor(mm);
        var why = Because(f, mm, n);
        var fish = Math.Floor(usual * areaM2);
        List<Figure> figures =
        [
            new("Larvae to stock", f.Here.Count(fish), why, Main: true),
            new(
                "Density",
                $"{f.Say(usual, Measures.FishPerArea)} ({f.Here.Range(low, high, Measures.FishPerArea)})",
                why
            ),
            new("By volume at this depth", PerLitre(f, (low, usual, high), depthM), PerLitreWhy(depthM)),
            new("Fingerlings expected", f.Here.Count(Math.Floor(fish * survival / 100)), why),
            WeightFigure(f, mm, n),
            WeaningFigure(f, n),
        ];
        return Answer(f, mm, n, figures);
    }

    // The same fish by surface and by volume: a figure of a tank, in fish per litre, is never read as one of a pond.
    private static string PerLitre(BenchForm f, (double Low, double Usual, double High) perM2, double depthM) =>
        $"{f.Say(perM2.Usual / depthM, ByVolume)} ({f.Here.Range(perM2.Low / depthM, perM2.High / depthM, ByVolume)})";

    private static Grounds PerLitreWhy(double depthM) =>
        Grounds.Of(
            "Fish to the square metre over the litres under it. It says how thin this is beside a rearing tank, and is no permission to stock a pond like a tank.",
            "Geometry",
            new Input("depth", depthM, Measures.Length, "typed")
        );

    private static FishSpecies ReadSpecies(BenchForm f) =>
        f.Form.Choice("species", [.. Nursed(f.Here).Select(x => (x.Key, x))], "fish", f.Here.AllSpecies[0]);

    // Those that the tables know a nursery of, the farm's own by what they were copied from.
    private static IEnumerable<FishSpecies> Nursed(Here here) =>
        here.AllSpecies.Where(x => NurseryDensity.For(x) is not null);

    private static Figure WeaningFigure(BenchForm f, NurseryDensity n) =>
        new(
            "Survival of weaning to pellets",
            $"{f.Here.Figure(n.WeanSurvivalPct.From, 0)} to {f.Here.Figure(n.WeanSurvivalPct.To, 0)} %",
            Grounds.Of(
                "Weaning from live food to dry.",
                n.Source,
                new Input("length of the table", n.AtMm, Length, "table")
            )
        );

    private static Figure WeightFigure(BenchForm f, double mm, NurseryDensity n) =>
        new(
            "Mean weight then",
            f.Say(n.WeightG(mm), Measures.FishWeight),
            Grounds.Of(
                "Weight by length and body condition.",
                BodyLength.Source,
                new Input("length", mm, Length, "typed")
            )
        );

    private static Worked Answer(BenchForm f, double mm, NurseryDensity n, List<Figure> figures) =>
        new(
            figures,
            $"Stock {f.Here.Figure(n.FillDays.From, 0)} to {f.Here.Figure(n.FillDays.To, 0)} days after the first water: first food {n.FirstFood}. The table's {f.Say(n.AtMm, Length)} take {f.Here.Figure(n.Days.From, 0)} to {f.Here.Figure(n.Days.To, 0)} days.{(n.Note.Length > 0 ? $" {char.ToUpperInvariant(n.Note[0])}{n.Note[1..]}." : "")}",
            n.IsKnown(mm)
                ? n.Cannibals
                : new Judgement(
                    Status.Watch,
                    $"The table knows {f.Say(n.AtMm, Length)}; this length lies far from it. Take the figure as a guess, begin with fewer, and go by your own counts"
                ),
            [
                "Fill shallow and raise the water with the fry; screen every drop: insects and wild fish eat larvae.",
                "The upper end of a range is what experts do at their own risk: first seasons stay at or under the usual figure.",
                "A figure of one system is never carried to another: this is for fertilised earthen ponds.",
            ]
        );

    private static Grounds Because(BenchForm f, double mm, NurseryDensity n) =>
        Grounds.Of(
            "The table's larvae a square metre for its own length, turned to the wanted length: all of them together eat the same food, N·W^0.82, and weight goes with the cube of length.",
            n.Source,
            new Input(
                "larvae a m², table",
                n.LarvaeM2.Usual,
                Measures.Plain with
                {
                    Decimals = 0,
                },
                f.Here.Figure(n.LarvaeM2.Low, 0) + " to " + f.Here.Figure(n.LarvaeM2.High, 0)
            ),
            new Input("at a length of", n.AtMm, Length, "table"),
            new Input("wanted length", mm, Length, "typed")
        );
}
