using System.Globalization;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>How many fish stand in a pond, by throws of a cast net.</summary>
internal sealed class ThrowCalculator : ICalculator
{
    public string Key => "throws";

    public string Title => "Count by a cast net";

    public string Lead => "fish an area from what throws of a net close in, and what slips through it";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Words("caught", "Fish of each throw", "14 9 17 11 12")
                .WithHint("with blanks between; throws all over the pond, none twice in a place"),
            s.Quantity("radius", "Radius of the open net", Measures.Length, 1.5)
                .WithHint("as it falls on the water, not on the bank"),
            s.Quantity("held", "Share of the fish under it that it holds", Measures.Share, "50")
                .WithHint("try it in a tank of counted fish"),
            s.Quantity("area", "Water surface", Measures.Area, s.Pond?.Pond.Shape.FullAreaM2 ?? 1000),
            s.Quantity("mesh", "Mesh, knot to knot", Measures.Pellet, 0.01).WithHint("smaller fish slip through"),
            s.Quantity("depth", "Body depth of the fish", Measures.Plain).WithHint("mm; empty: not asked"),
        ];

    public Worked? Work(BenchForm f)
    {
        var caught = BenchLists.Wholes(f, "caught");
        var (radius, held, area, mesh, depth) = ReadThrow(f);
        if (!f.Sound)
            return null;
        var net = Math.PI * radius * radius;
        var n = FishCounting.ByThrows(caught, net, area, held / 100);
        var why = Because(caught, held, net);
        var slips = depth < 2 * mesh;
        return new(
            Figures(f, area, n, why),
            n.PlusMinusPct is > 25
                ? "Ten throws or more, all over the pond, would narrow it."
                : "Hold it against the books and against feed.",
            slips
                ? new(
                    Status.Watch,
                    $"Fish {f.Say(depth!.Value / 1000, Measures.Pellet)} deep pass a mesh of {f.Say(mesh / 1000, Measures.Pellet)} pulled open: the small ones are missing here, and in a sample of weights they lift the mean."
                )
                : null,
            [
                "Write net radius and mesh beside every sample: another net tells another story.",
                "Nobody throws alone from a boat.",
            ]
        );
    }

    private static (double, double, double, double, double?) ReadThrow(BenchForm f) =>
        (
            f.Q("radius", Measures.Length, 0.3, 6),
            f.Q("held", Measures.Share, 1, 100),
            f.Q("area", Measures.Area, 1, 1e7),
            1000 * f.Q("mesh", Measures.Pellet, 0.001, 0.2),
            f.MaybeQ("depth", Measures.Plain, 1, 500)
        );

    private static IReadOnlyList<Figure> Figures(BenchForm f, double area, FishNumber n, Grounds why) =>
        [
            new("Fish in the pond", f.Here.Count(Math.Round(n.Fish)), why, Main: true),
            new(
                "95 % range by the throws",
                n.Range is { } r
                    ? $"{f.Here.Count(Math.Max(0, Math.Round(r.Low)))} to {f.Here.Count(Math.Round(r.High))}"
                    : "one throw cannot tell",
                why
            ),
            new("A square metre", f.Here.Figure(n.Fish / area, 2), why),
        ];

    private static Grounds Because(List<int> caught, double held, double net) =>
        Grounds
            .Of(
                "Mean catch of a throw over the area it closes and the share it holds, times the pond's surface; the range from the spread between throws (Student's t).",
                "Cochran 1977, Sampling Techniques",
                new Input("throws", caught.Count, Measures.Plain, "typed"),
                new Input("area of a throw", net, Measures.Area, "by its radius"),
                new Input("it holds", held, Measures.Share, "typed")
            )
            .Limited(
                "Fish are not spread evenly: shy ones flee the net, hungry ones come to a feeding place. The share it holds moves the number as much as the catch does."
            );
}

/// <summary>Weight by length from the farm's own pairs.</summary>
internal sealed class LengthCalculator : ICalculator
{
    private static readonly Measure Length = new(
        "length",
        new Unit("cm", 1, 0),
        new Unit("in", 2.54, 0),
        1,
        1,
        new Unit("mm", 0.1, 0)
    );

    public string Key => "length";

    public string Title => "Weight by length";

    public string Lead => "from fish of your own that were measured and weighed: quick weights where there is no scale";

    public IReadOnlyList<SlipField> Fields(BenchStart s)
    {
        var own = s.Pond?.Batches.SelectMany(b => b.Lengths).TakeLast(100).ToList() ?? [];
        IEnumerable<(double LengthM, double MassG)> pairs =
            own.Count > 0 ? own : [(0.18, 82), (0.21, 131), (0.24, 197), (0.27, 281), (0.30, 385), (0.33, 512)];
        string Row(Func<(double LengthM, double MassG), double> of, Measure m) =>
            string.Join(' ', pairs.Select(p => s.Plain(of(p), m)));
        return
        [
            s.Words("lengths", $"Lengths, {Length.In(s.Here.Hand).Symbol}", Row(p => p.LengthM * 100, Length))
                .WithHint(own.Count > 0 ? "the pond's own measured fish" : "snout to tail, with blanks between"),
            s.Words(
                "weights",
                $"Weights, {Measures.FishWeight.In(s.Here.Hand).Symbol}, in the same order",
                Row(p => p.MassG, Measures.FishWeight)
            ),
            s.Quantity("length", "A fish of this length", Length, 25),
            s.Quantity("weight", "and the length of this weight", Measures.FishWeight, 500),
        ];
    }

    public Worked? Work(BenchForm f)
    {
        var (lengths, weights) = (
            BenchLists.Amounts(f, "lengths", Length, 200),
            BenchLists.Amounts(f, "weights", Measures.FishWeight, 200)
        );
        var (cm, g) = (f.Q("length", Length, 0.5, 300), f.Q("weight", Measures.FishWeight, 0.01, 100_000));
        if (f.Sound && lengths.Count != weights.Count)
            f.Form.Refuse(
                "weights",
                $"{lengths.Count} lengths and {weights.Count} weights: give one weight for each fish."
            );
        if (!f.Sound)
            return null;
        if (LengthWeight.Fit([.. lengths.Zip(weights)]) is not { } fit)
        {
            f.Form.Refuse(
                "lengths",
                $"{LengthWeight.Fewest} fish at least, not all of one length: short and long ones tell the power."
            );
            return null;
        }
        var at = fit.WeightG(cm);
        var why = Because(fit);
        if (cm < lengths.Min() * 0.9 || cm > lengths.Max() * 1.1)
            why = why.Doubting("This length lies beyond the fish that were measured.");
        return Answer(f, cm, g, fit, at, why);
    }

    private static Worked Answer(BenchForm f, double cm, double g, LengthWeight fit, Interval at, Grounds why) =>
        new(
            [
                new($"A fish of {f.Say(cm, Length)} weighs", f.Say(at.Value, Measures.FishWeight), why, Main: true),
                new(
                    "80 % of single fish between",
                    $"{f.Say(at.Low, Measures.FishWeight)} and {f.Say(at.High, Measures.FishWeight)}",
                    why
                ),
                new($"{f.Say(g, Measures.FishWeight)} are reached at", f.Say(fit.LengthCm(g), Length), why),
                new("Condition, 100 W/L³", f.Here.Figure(100 * at.Value / Math.Pow(cm, 3), 2), why),
            ],
            fit.B is < 2.5 or > 3.5
                ? "The power is far from 3: look for a mistyped pair, or too few sizes."
                : "Good for this stock; fatter or thinner fish shift it, so measure some anew each season. Sellers name sizes in inches or centimetres: ask which, by the table.",
            Table: SizeNames(f, fit)
        );

    // A "three" of one seller is inches, of another centimetres: the weights tell how far apart.
    private static IReadOnlyList<string[]> SizeNames(BenchForm f, LengthWeight fit) =>
        [
            ["size name", "in inches", "in centimetres"],
            .. new[] { 1, 2, 3, 4, 6, 8 }.Select(n =>
                new[]
                {
                    $"“{n}”",
                    $"{f.Here.Figure(n * 2.54, 1)} cm, {f.Say(fit.WeightG(n * 2.54).Value, Measures.FishWeight)}",
                    $"{f.Here.Figure(n, 0)} cm, {f.Say(fit.WeightG(n).Value, Measures.FishWeight)}",
                }
            ),
        ];

    private static Grounds Because(LengthWeight fit) =>
        Grounds.Of(
            "W = a·L^b by least squares in logarithms; a single fish falls about the line as these do.",
            LengthWeight.Source,
            new Input("fish measured", fit.Fish, Measures.Plain, "typed"),
            Input.Said(
                "power b",
                fit.B.ToString("0.00", CultureInfo.InvariantCulture),
                "about 3 where fish keep their shape"
            ),
            Input.Said("a", fit.A.ToString("0.0000", CultureInfo.InvariantCulture), "g at 1 cm")
        );
}
