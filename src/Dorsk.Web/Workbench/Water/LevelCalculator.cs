using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>A change of level as volume and share.</summary>
internal sealed class LevelCalculator : ICalculator
{
    public string Key => "level";

    public string Title => "Level to volume";

    public string Lead => "a change of the gauge level as water and share of the pond";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. Body.Fields(s),
            s.Quantity("from", "Gauge level before", Measures.Length, s.Pond?.LevelAt(s.Here.Now).LevelM ?? 1.4),
            s.Quantity("by", "It fell or rose by", Measures.ShortLength, 0.1)
                .WithHint("a fall is counted; a rise with a minus"),
        ];

    public Worked? Work(BenchForm f)
    {
        if (Body.Read(f) is not { } body)
            return null;
        var (from, by) = (Body.Level(f, "from", body), f.Q("by", Measures.ShortLength, -5, 5));
        if (f.Sound && (from - by < 0 || from - by > body.FullDepthM + 1e-9))
            f.Form.Refuse("by", "That leaves the pond: under its floor or over its full level.");
        if (!f.Sound)
            return null;
        return Answer(f, by, body.VolumeM3(from), body.VolumeM3(from - by));
    }

    private static Worked Answer(BenchForm f, double by, double before, double after)
    {
        var why = Grounds.Of(
            "Volume of the body between the two levels: banks slope, so the same fall is more water high up than low down.",
            "Shape of the pond",
            new Input("before", before, Measures.Volume, "worked out"),
            new Input("after", after, Measures.Volume, "worked out")
        );
        var share = before > 0 ? (before - after) / before : 0;
        return new(
            [
                new(
                    by >= 0 ? "Let out or lost" : "Let in",
                    f.Say(Math.Abs(before - after), Measures.Volume),
                    why,
                    Main: true
                ),
                new("Share of what was there", $"{f.Here.Figure(100 * Math.Abs(share), 1)} %", why),
                new("Left", f.Say(after, Measures.Volume), why),
            ],
            by > 0 ? $"Refilled to the same level, {f.Here.Figure(100 * share, 1)} % of the water is new." : ""
        );
    }
}
