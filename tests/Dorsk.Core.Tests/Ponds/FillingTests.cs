using Dorsk.Core.Ponds;

namespace Dorsk.Core.Tests.Ponds;

public class FillingTests
{
    [Fact]
    public void Filling_is_the_volume_by_what_the_pump_gives_less_what_is_lost()
    {
        var pond = new SlopedRectangle(80, 60, 1.5, 2);
        Assert.Equal((pond.VolumeM3(1.5) - pond.VolumeM3(0.4)) / 60, Filling.Hours(pond, 0.4, 1.5, 60, 0)!.Value, 9);
        // Walls straight up, by hand: area 78.54 m², 1 m deep; 5 m³/h less 78.54 × 0.024 / 24 = 0.0785 m³/h.
        var tank = new RoundTank(10, 1.2);
        var area = Math.PI * 25;
        Assert.Equal(area / (5 - (area * 0.024 / 24)), Filling.Hours(tank, 0, 1, 5, 0.024)!.Value, 9);
        // A leak as large as the pump is never filled: at the level where they meet, not before.
        Assert.Null(Filling.Hours(pond, 0, 1.5, 2, 0.012));
        Assert.NotNull(Filling.Hours(pond, 0, 1.5, 2.6, 0.012));
    }
}
