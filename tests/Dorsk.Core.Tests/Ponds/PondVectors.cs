using Dorsk.Core.Ponds;

namespace Dorsk.Core.Tests.Ponds;

public class PondVectors
{
    [Fact]
    public void Sloped_rectangles_full()
    {
        foreach (var r in Vectors.Rows("pond_trapezoid"))
        {
            var pond = new SlopedRectangle(r["top_length_m"], r["top_width_m"], r["depth_m"], r["side_slope_h_per_v"]);
            r.Agree("volume_m3", pond.FullVolumeM3);
            r.Agree("area_top_m2", pond.FullAreaM2);
            r.Agree("mean_depth_m", pond.MeanDepthM);
        }
    }

    [Fact]
    public void Sloped_rectangles_by_gauge_level()
    {
        foreach (var r in Vectors.Rows("pond_stage_volume"))
        {
            var pond = new SlopedRectangle(
                r["top_length_m"],
                r["top_width_m"],
                r["full_depth_m"],
                r["side_slope_h_per_v"]
            );
            r.Agree("surface_area_m2", pond.AreaM2(r["water_height_m"]));
            r.Agree("volume_m3", pond.VolumeM3(r["water_height_m"]));
        }
    }

    [Fact]
    public void A_round_tank()
    {
        var tank = new RoundTank(8, 1.2);
        Assert.Equal(60.318578948924, tank.FullVolumeM3, 9);
        Assert.Equal(tank.FullVolumeM3 / 2, tank.VolumeM3(0.6), 9);
        Assert.Equal(tank.FullVolumeM3, tank.VolumeM3(5), 9);
    }

    [Theory]
    [InlineData(40, 25, 1.4, 2, null)]
    [InlineData(40, 10, 1.4, 4, "Slope")]
    [InlineData(40, 25, 0, 2, "Depth")]
    [InlineData(-40, 25, 1, 2, "Length")]
    [InlineData(40, double.NaN, 1, 2, "Width")]
    public void A_body_that_cannot_be_is_refused_at_its_field(double l, double w, double d, double z, string? field) =>
        Assert.Equal(field, SlopedRectangle.Check(l, w, d, z).FirstOrDefault()?.Field);

    [Fact]
    public void A_timer_runs_past_midnight()
    {
        var aerator = new Aerator("A1", AeratorKind.All[0], 1.1, new(20, 0), new(6, 30));
        Assert.True(aerator.RunsAt(new(23, 0)) && aerator.RunsAt(new(3, 0)));
        Assert.False(aerator.RunsAt(new(6, 30)) || aerator.RunsAt(new(12, 0)));
    }
}
