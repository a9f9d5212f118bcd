using System.Globalization;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Ponds;

public class OutlineTests
{
    [Fact]
    public void Plane_polygons()
    {
        foreach (var r in Vectors.Rows("polygon_plane"))
        {
            var outline = new Outline(Wkt(r.Text("polygon_wkt_m")));
            r.Agree("area_m2", outline.AreaM2);
            r.Agree("perimeter_m", outline.PerimeterM);
            Assert.Empty(outline.Check("Corners"));
        }
    }

    [Fact]
    public void Geodesic_polygons_and_the_way_back()
    {
        foreach (var r in Vectors.Rows("polygon_geodesic"))
        {
            var ring = Wkt(r.Text("polygon_wkt_lon_lat_deg"));
            r.Agree("area_wgs84_m2", GeoPlane.AreaM2(ring));
            var plane = new GeoPlane(new Place(ring[0].Y + 0.02, ring[0].X));
            foreach (var (lon, lat) in ring)
            {
                var (e, n) = plane.ToMetres(lon, lat);
                var back = plane.ToDegrees(e, n);
                Assert.Equal(0, Math.IEEERemainder(lon - back.LongitudeDeg, 360), 9);
                Assert.Equal(lat, back.LatitudeDeg, 9);
            }
        }
    }

    // A pond entered as lengths and the same pond drawn, wherever it lies and however it is turned: the same to the last digits (0.5 % is asked).
    [Property]
    public void A_drawn_rectangle_is_the_rectangle_of_its_lengths(byte a, byte b, byte slope, short east, short turn)
    {
        var (length, width, z, depth) = (20.0 + a, 15.0 + b, slope % 7 * 0.5, 1.4);
        var sides = new SlopedRectangle(length, width, depth, z);
        if (SlopedRectangle.Check(length, width, depth, z).Any())
            return;
        var drawn = new OutlinePond(
            new Outline(sides.CornersM.Select(c => (c.EastM + east, c.NorthM - east)).ToList()).AboutMiddle(turn),
            depth,
            z
        );
        Assert.Empty(drawn.Check());
        foreach (var level in new[] { 0, 0.3, 0.9, 1.4, 2 })
        {
            Assert.Equal(sides.AreaM2(level), drawn.AreaM2(level), 6);
            Assert.Equal(sides.VolumeM3(level), drawn.VolumeM3(level), 6);
        }
    }

    // The area law A − Ps + Ks² against the shoelace of the outline really drawn in, corners inward and outward.
    [Fact]
    public void Drawn_in_an_outline_has_the_area_of_the_law()
    {
        Outline[] shapes =
        [
            new([(0, 0), (60, 0), (60, 20), (20, 20), (20, 50), (0, 50)]),
            new([(0, 0), (40, -6), (62, 22), (30, 41), (-9, 30)]),
            new([(-9, 30), (30, 41), (62, 22), (40, -6), (0, 0)]),
        ];
        foreach (var outline in shapes)
        foreach (var slope in new[] { 0.5, 2, 3 })
        {
            var pond = new OutlinePond(outline, 1.5, slope);
            Assert.Empty(pond.Check());
            foreach (var level in new[] { 0, 0.4, 1.1 })
                Assert.Equal(outline.DrawnIn(slope * (1.5 - level)).AreaM2, pond.AreaM2(level), 6);
            // Volume is the sum of its areas (Simpson is exact for them).
            Assert.Equal((pond.AreaM2(0) + (4 * pond.AreaM2(0.75)) + pond.AreaM2(1.5)) * 0.25, pond.FullVolumeM3, 6);
        }
    }

    [Theory]
    [InlineData("0 0,10 10,10 0,0 10", "crosses itself at 5 east, 5 north: side 1 meets side 3")]
    [InlineData("0 0,10 0", "3 to 400 corners")]
    [InlineData("0 0,10 0,10 0,0 10", "Corners 2 and 3 lie in one place")]
    [InlineData("0 0,10 0,20 0", "crosses itself")]
    [InlineData("0 0,10 0,10 10,0 10,5 0", "crosses itself at 5 east, 0 north")]
    [InlineData("0 0,10 0,10 10,0 NaN", "further off")]
    public void A_bad_outline_is_refused_with_the_reason_and_the_place(string corners, string reason) =>
        Assert.Contains(
            reason,
            Assert.Single(new Outline(Pairs(corners)).Check("Corners")).Text,
            StringComparison.Ordinal
        );

    [Fact]
    public void An_outline_without_corners_is_a_message_and_no_crash()
    {
        Assert.Equal("Corners", new OutlinePond(new([]), 1, 2).Check().First().Field);
        Assert.Equal("Table", new TablePond(new(new SlopedRectangle(9, 9, 1, 0).CornersM), []).Check().First().Field);
    }

    [Fact]
    public void Banks_that_meet_are_refused_even_in_one_corner_of_the_pond()
    {
        // A wide pond with a narrow arm: the arm is gone before the floor is reached.
        var pond = new OutlinePond(
            new([(0, 0), (60, 0), (60, 30), (90, 30), (90, 34), (60, 34), (60, 60), (0, 60)]),
            1.5,
            2
        );
        Assert.Equal("Slope", Assert.Single(pond.Check()).Field);
    }

    [Fact]
    public void A_mean_depth_and_a_table_keep_what_was_said()
    {
        var outline = new Outline(new SlopedRectangle(40, 25, 1, 0).CornersM);
        var mean = new MeanDepthPond(outline, 0.9, 1.5);
        Assert.Equal(900, mean.FullVolumeM3, 9);
        Assert.Equal(1000, mean.AreaM2(1.5), 9);
        var table = new TablePond(outline, [(0.5, 300), (1.0, 700), (1.4, 1080)]);
        Assert.Empty(table.Check());
        Assert.Equal(700, table.VolumeM3(1), 9);
        Assert.Equal(1080, table.FullVolumeM3, 9);
        // Between rows both rise with the level.
        foreach (var shape in new PondShape[] { mean, table })
            for (var h = 0.0; h < 1.39; h += 0.01)
                Assert.True(shape.VolumeM3(h) < shape.VolumeM3(h + 0.01) && shape.VolumeM3(h) <= 1000 * h);
        Assert.Equal("Table", new TablePond(outline, [(0.5, 300), (0.4, 700)]).Check().First().Field);
        Assert.Contains(
            "more than the outline",
            new TablePond(outline, [(0.5, 300), (1, 2000)]).Check().First().Text,
            StringComparison.Ordinal
        );
    }

    // Whatever is drawn, the plan shows it afterwards where it was drawn; only another shape makes another pond.
    [Property]
    public void A_drawing_comes_back_where_it_was_drawn(short east, short north, sbyte turn, bool reshaped, bool skewed)
    {
        var pond = new Pond(1, "P1", "", PondKind.Earthen, new SlopedRectangle(60, 40, 1.5, 2), "grow-out");
        var before = FarmPlan.LayOut([(pond, new PondPlaced(1, 12, -7, 20))])[0];
        var corners = before
            .Outline.Select(c => FarmPlan.Turned(c.EastM, c.NorthM, turn))
            .Select(c => (EastM: c.EastM + east, NorthM: c.NorthM + north))
            .ToList();
        if (reshaped)
            corners = new Outline(corners).DrawnIn(-3).CornersM.Select(c => (c.EastM, c.NorthM)).ToList();
        if (skewed)
            corners[2] = (corners[2].EastM + 4, corners[2].NorthM + 1);
        var (rebuilt, place) = Redrawing.Of(before, corners);
        Assert.Equal(reshaped || skewed, rebuilt is not null);
        Assert.Equal(skewed ? typeof(OutlinePond) : typeof(SlopedRectangle), (rebuilt ?? pond).Shape.GetType());
        var after = FarmPlan.LayOut([(rebuilt ?? pond, place)])[0].Outline;
        Assert.All(corners.Zip(after), p =>
            Assert.True(
                Math.Abs(p.First.EastM - p.Second.EastM) < 0.02 && Math.Abs(p.First.NorthM - p.Second.NorthM) < 0.02
            )
        );
        // A mark keeps its place on the plan through the way into the pond and back.
        var mark = new PlanMark(MarkKind.Drain, "D", east + 1.5, north - 2);
        var lain = FarmPlan.LayOut([(rebuilt ?? pond, place)])[0];
        Assert.Equal(mark.EastM, lain.OnPlan(lain.InPond(mark)).EastM, 6);
    }

    // A body that keeps figures of its outline must not keep those of the outline it had before.
    [Fact]
    public void A_pond_drawn_again_has_the_figures_of_its_new_outline()
    {
        var outline = new Outline([(-30, -20), (30, -20), (34, 20), (-30, 20)]);
        foreach (
            var shape in new PondShape[]
            {
                new OutlinePond(outline, 1.5, 2),
                new MeanDepthPond(outline, 1.1, 1.5),
                new TablePond(outline, [(0.7, 1000), (1.5, 2600)]),
            }
        )
        {
            var before = FarmPlan.LayOut([
                (new Pond(1, "P1", "", PondKind.Earthen, shape, "grow-out"), new PondPlaced(1, 5, 5, 10)),
            ])[0];
            var corners = before.Outline.ToList();
            corners[0] = (corners[0].EastM - 12, corners[0].NorthM - 6);
            var again = Redrawing.Of(before, corners).Rebuilt!.Shape;
            Assert.Equal(shape.GetType(), again.GetType());
            Assert.Equal(new Outline(corners).AreaM2, again.FullAreaM2, 6);
            Assert.True(again.FullAreaM2 > shape.FullAreaM2 + 100);
        }
    }

    [Fact]
    public void A_liner_counts_its_cycles_from_the_day_it_was_laid()
    {
        var day = new DateOnly(2026, 1, 1);
        var liner = new Equipment(EquipmentKind.Liner, "", ThicknessUm: 750, Laid: day, LifeCycles: 3);
        var age = LinerAge.Of(
            liner,
            day.AddDays(400),
            [day.AddDays(-1), day.AddDays(100), day.AddDays(200)],
            [(day.AddDays(90), null)]
        )!;
        Assert.Equal((400, 2, 1, Judging.Status.Watch), (age.Days, age.Cycles, age.Patches, age.Verdict.Status));
    }

    private static List<(double X, double Y)> Pairs(string text) =>
        text.Split(',')
            .Select(p => p.Trim().Split(' '))
            .Select(p =>
                (double.Parse(p[0], CultureInfo.InvariantCulture), double.Parse(p[1], CultureInfo.InvariantCulture))
            )
            .ToList();

    // The ring of the text is closed; an outline is not.
    private static List<(double X, double Y)> Wkt(string text) =>
        Pairs(text[(text.IndexOf("((", StringComparison.Ordinal) + 2)..text.IndexOf(')', StringComparison.Ordinal)])[
            ..^1
        ];
}
