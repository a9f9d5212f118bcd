using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>How large a pond is that nobody measured with a tape.</summary>
internal sealed class SizeCalculator : ICalculator
{
    private static readonly (string, string)[] Means =
    [
        ("tape", $"tape, good to {100 * FourSides.TapeShare:0} %"),
        ("paces", $"paces, good to {100 * FourSides.PaceShare:0} %"),
    ];

    public string Key => "size";

    public string Title => "Size of a pond";

    public string Lead => "by tape or paces round the bank, with how far it may be out";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice("means", "Measured by", "paces", Means),
            s.Quantity("pace", "One pace", Measures.Length, 0.75).WithHint("walk 20 m and divide; for paces only"),
            .. Enumerable
                .Range(1, 4)
                .Select(i =>
                    s.Quantity("s" + i, $"Side {i}", Measures.Plain, i % 2 == 1 ? "53" : "33")
                        .WithHint(
                            i == 1 ? "in paces, or in the farm's length with a tape; round the bank in order" : ""
                        )
                ),
            s.Quantity("diagonal", "Corner 1 to corner 3", Measures.Plain)
                .WithHint("across the pond, if it can be had: it makes the figure much surer"),
        ];

    public Worked? Work(BenchForm f)
    {
        var tape = f.Form.Choice("means", [("tape", true), ("paces", false)], "means", false);
        var step = tape
            ? f.Here.Hand.System == UnitSystem.Metric
                ? 1
                : Measures.Length.Us.ToSi(1)
            : f.Q("pace", Measures.Length, 0.3, 1.5);
        var sides = Enumerable.Range(1, 4).Select(i => f.Q("s" + i, Measures.Plain, 1, 5000) * step).ToArray();
        var diagonal = f.MaybeQ("diagonal", Measures.Plain, 1, 8000) * step;
        if (!f.Sound)
            return null;
        if (FourSides.Of(sides, diagonal, tape ? FourSides.TapeShare : FourSides.PaceShare) is not { } area)
        {
            f.Form.Refuse(
                diagonal is null ? "s1" : "diagonal",
                diagonal is null
                    ? "No four-sided pond has such sides: the longest is longer than the other three together. Walk it again."
                    : "The corners cannot be that far apart with these sides. Walk it again."
            );
            return null;
        }
        var why = Because(sides, diagonal);
        return Answer(f, sides, area, why);
    }

    private static Worked Answer(BenchForm f, double[] sides, Interval area, Grounds why) =>
        new(
            [
                new("Water surface", f.Say(area.Value, Measures.Area with { Decimals = 3 }), why, Main: true),
                new("95 % interval", f.Here.Range(area.Low, area.High, Measures.Area with { Decimals = 3 }), why),
                new("Bank", f.Say(sides.Sum(), Measures.Length with { Decimals = 0 }), why),
            ],
            $"Plan fish and doses with the lower figure until it is taped: {f.Say(area.Low, Measures.Area with { Decimals = 3 })}."
        );

    private static Grounds Because(double[] sides, double? diagonal) =>
        Grounds.Of(
            diagonal is null
                ? "Four sides alone do not fix the corners: the largest area they can hold (Brahmagupta) is taken less 1.7 %, which fits corners within 15° of square; the range says the rest."
                : "Two triangles on the diagonal (Heron). The share that a side may be out counts as if no two sides made good for each other.",
            FourSides.Source,
            [
                .. sides.Select((s, i) => new Input($"side {i + 1}", s, Measures.Length, "walked")),
                .. diagonal is { } d ? new[] { new Input("diagonal", d, Measures.Length, "walked") } : [],
            ]
        );
}
