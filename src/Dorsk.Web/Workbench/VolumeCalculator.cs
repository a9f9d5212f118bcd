using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Area and volume at a gauge level.</summary>
internal sealed class VolumeCalculator : ICalculator
{
    public string Key => "volume";

    public string Title => "Pond volume";

    public string Lead => "area and volume at any level of the staff gauge";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. Body.Fields(s),
            s.Quantity("level", "Gauge level", Measures.Length, s.Pond?.LevelAt(s.Here.Now).LevelM ?? 1.2),
        ];

    public Worked? Work(BenchForm f)
    {
        if (Body.Read(f) is not { } body)
            return null;
        var level = Body.Level(f, "level", body);
        if (!f.Sound)
            return null;
        var (area, volume) = (body.AreaM2(level), body.VolumeM3(level));
        var why = Because(f, body, level);
        var cut = body.FullAreaM2 * body.FullDepthM;
        return new(
            [
                new("Volume", f.Say(volume, Measures.Volume), why, Main: true),
                new("Water surface", f.Say(area, Measures.Area with { Decimals = 3 }), why),
                new("Mean depth", f.Say(area > 0 ? volume / area : 0, Measures.Length), why),
                new("Full", f.Say(body.FullVolumeM3, Measures.Volume), why),
            ],
            $"The short cut area × depth would say {f.Say(cut, Measures.Volume)} when full: {f.Here.Figure(100 * ((cut / body.FullVolumeM3) - 1), 0)} % too much, and every dose with it.",
            Table: LevelTable(f, body),
            Section: Cut(body, level)
        );
    }

    private static IReadOnlyList<string[]> LevelTable(BenchForm f, PondShape body) =>
        [
            ["gauge level", "surface", "volume"],
            .. Enumerable
                .Range(0, 6)
                .Select(i => body.FullDepthM * i / 5)
                .Select(h =>
                    new[]
                    {
                        f.Say(h, Measures.Length),
                        f.Say(body.AreaM2(h), Measures.Area with { Decimals = 3 }),
                        f.Say(body.VolumeM3(h), Measures.Volume),
                    }
                ),
        ];

    private static Grounds Because(BenchForm f, PondShape body, double level) =>
        Grounds.Of(
            body switch
            {
                SlopedRectangle => "Prismoidal rule, exact for a body with banks of one slope.",
                OutlinePond =>
                    "The outline drawn in by the bank slope: area − bank × run + corners × run², summed over the depth; exact while no side vanishes.",
                MeanDepthPond =>
                    "Outline × mean depth when full; below, the area is taken to grow as a power of the level.",
                TablePond => "Monotone cubic through the volumes of the table.",
                _ => "Circle × level.",
            },
            "Geometry",
            new Input("gauge level", level, Measures.Length, "typed"),
            new Input("full depth", body.FullDepthM, Measures.Length, f.AsBuilt is null ? "typed" : "pond register")
        );

    // A cut is drawn where the banks have one slope; an outline is cut across its narrower way.
    private static CrossSection? Cut(PondShape body, double level) =>
        body switch
        {
            SlopedRectangle r => new(r.WidthM, r.WidthM - (2 * r.Slope * r.DepthM), r.DepthM, level),
            RoundTank t => new(t.DiameterM, t.DiameterM, t.DepthM, level),
            OutlinePond o => new(Narrow(o), Math.Max(0.5, Narrow(o) - (2 * o.Slope * o.DepthM)), o.DepthM, level),
            _ => null,
        };

    private static double Narrow(OutlinePond o) =>
        Math.Min(
            o.CornersM.Max(c => c.EastM) - o.CornersM.Min(c => c.EastM),
            o.CornersM.Max(c => c.NorthM) - o.CornersM.Min(c => c.NorthM)
        );
}
