using Dorsk.Core.Harvest;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;

namespace Dorsk.Core.Tests.Harvest;

/// <summary>A day of fishing counted back from the buyer's hour, and the draw-down before it.</summary>
public class HarvestDayTests
{
    private static readonly DateTime Buyer = new(2027, 1, 26, 10, 0, 0);
    private static readonly HarvestAsked Asked = new(1200, 500, Buyer, 1.5, 36, 6, 2, 40, 400, 30, 20);

    [Fact]
    public void Steps_stand_as_long_before_the_buyer_as_they_and_all_after_them_take()
    {
        var day = HarvestDay.Of(Asked);
        DateTime At(string what) => day.Steps.Single(s => s.What.StartsWith(what, StringComparison.Ordinal)).At;
        Assert.Equal(day.Steps.OrderBy(s => s.At), day.Steps);
        Assert.Equal(Buyer.AddHours(-1.5), At("truck leaves"));
        Assert.Equal(Buyer.AddHours(-2), At("last crates"));
        // Two pulls of 40 minutes, 600 kg each weighed in 90: 260 minutes before loading.
        var first = Buyer.AddHours(-2).AddMinutes(-260);
        Assert.Equal(first, day.Steps.Single(s => s.What == "pull 1").At);
        Assert.Equal(first.AddMinutes(130), day.Steps.Single(s => s.What == "pull 2").At);
        Assert.Equal(first.AddMinutes(-45), At("net laid out"));
        Assert.Equal(first.AddMinutes(-45).AddHours(-6), At("outlet opened"));
        Assert.Equal(first.AddHours(-36), At("last feed"));
        // Roles, the stop signal, the lead line, the net before the gate, raking and half-full baskets stand on the card.
        var said = string.Join(" ", day.Steps.Select(s => $"{s.What} {s.Who} {s.Watch}"));
        foreach (
            var word in new[]
            {
                "catching net and screen first",
                "rake the screen",
                "stop signal",
                "two at the lead line",
                "not in the mud, not lifted",
                "net lifted over probes",
                "half full",
            }
        )
            Assert.Contains(word, said, StringComparison.Ordinal);
        Assert.DoesNotContain(HarvestDay.Of(Asked with { DrawH = 0 }).Steps, s =>
            s.What.Contains("outlet", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Bookings_are_added_up_from_the_load()
    {
        var day = HarvestDay.Of(Asked with { WaterC = 25, AirC = 30, HoldH = 4.5, Insulated = true });
        double Of(string what) => day.Bookings.Single(b => b.What == what).Amount;
        // Baskets of 30 kg filled to 15: 80 loads. Crates of 20 kg: 60.
        Assert.Equal(80, day.Baskets);
        Assert.Equal(60, Of("crates"));
        // 3.35 × 1,200 × 24 / (334 + 4.186) × 1.2, and 60 crates × 6 h × 0.6 W/°C × 30 °C.
        Assert.Equal((3.35 * 1200 * 24 / 338.186 * 1.2) + (60 * 6 * 3600 * 0.6 * 30 / 1000 / 334), Of("ice"), 6);
        Assert.Equal(1200, Of("ice, the other school"));
        var alive = HarvestDay.Of(Asked with { Alive = true, HaulKgL = 0.25, TankL = 1000, SaltGL = 5 });
        Assert.Equal(5, alive.Trips);
        Assert.Equal(25, alive.Bookings.Single(b => b.What == "salt").Amount);
        Assert.DoesNotContain(alive.Bookings, b => b.What == "ice");
    }

    [Fact]
    public void A_pond_drawn_down_keeps_its_water_and_its_last_pool_is_told_by_its_air()
    {
        var shape = new SlopedRectangle(40, 25, 1.4, 2);
        (FishSpecies, double, double) fish = (FishSpecies.Of("silver_perch"), 500, 600);
        double Pipe(double from, double to) => Draining.Through(shape, from, to, 0.3, 0.2, 1, 0.6).Hours;
        var down = DrawDown.Of(shape, 1.4, 0.3, Pipe, fish, (26, 0, 3));
        Assert.Equal(Pipe(1.4, 0.3), down.Hours, 0.01 * down.Hours);
        Assert.Equal(0.3, down.Steps[^1].LevelM, 9);
        Assert.Equal(down.Hours, down.Steps[^1].Hours, 9);
        Assert.All(down.Steps, s => Assert.Equal(600, s.KgM3 * s.VolumeM3, 6));
        // Levels only fall, and so do the minutes of air.
        Assert.Equal(down.Steps.OrderByDescending(s => s.LevelM), down.Steps);
        Assert.Equal(down.Steps.OrderByDescending(s => s.Minutes), down.Steps);
        var twice = DrawDown.Of(shape, 1.4, 0.3, Pipe, (fish.Item1, 500, 1200), (26, 0, 3));
        // Thin air holds less.
        Assert.True(
            DrawDown.Of(shape, 1.4, 0.3, Pipe, fish, (26, 2000, 3)).Steps[^1].Minutes < 0.8 * down.Steps[^1].Minutes
        );
        Assert.Equal(down.Steps[^1].Minutes / 2, twice.Steps[^1].Minutes, 9);
        // A pump of even flow takes as long as the volume asks.
        var pumped = DrawDown.Of(
            shape,
            1.4,
            0.3,
            (a, b) => (shape.VolumeM3(a) - shape.VolumeM3(b)) / 100,
            fish,
            (26, 0, 3)
        );
        Assert.Equal((shape.VolumeM3(1.4) - shape.VolumeM3(0.3)) / 100, pumped.Hours, 9);
    }
}
