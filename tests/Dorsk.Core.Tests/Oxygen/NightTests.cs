using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Oxygen;

public class NightTests
{
    private static readonly FarmZone Zone = FarmZone.Find("Etc/GMT-10")!;
    private static readonly DateTimeOffset Dark = Zone.At(new DateTime(2027, 1, 21, 20, 30, 0));
    private static readonly NightWater Still = new(6000, 1.36, 28, 7.8, 1.5, [], new(-29.4, 152.6), Zone);

    [Fact]
    public void In_the_dark_it_is_the_closed_form()
    {
        var end = NightCurve.Run(Still, 0.6, new(Dark, 9), Dark.AddHours(6))[^1].Si;
        var k = Exchange.RatePerH(1.5, 28, 1.36);
        Assert.Equal(new ConstantDecline(0.6, k, 7.8).After(9, 6), end, 6);
    }

    [Property(MaxTest = 100)]
    public Property The_respiration_that_made_a_night_is_found_again(PositiveInt seed)
    {
        var random = new Random(seed.Get);
        var r = 0.05 + (1.2 * random.NextDouble());
        var water = random.Next(2) == 0 ? Still : Still with { Aerators = [new Aerator("A1", AeratorKind.All[1], 2.2, new(21, 0), new(5, 0))] };
        var start = new Timed(Dark.AddHours(-2 * random.NextDouble()), 8 + (6 * random.NextDouble()));
        var end = NightCurve.Run(water, r, start, start.At.AddHours(9))[^1];
        return (end.Si <= 0.05 || Math.Abs(NightCurve.RespirationBetween(water, start, end)!.Value - r) < 1e-3).ToProperty();
    }

    [Fact]
    public void Over_a_whole_day_light_gives_back_what_respiration_takes()
    {
        var sealedWater = Still with { MeanDepthM = 1e6 };
        var noon = Zone.At(new DateTime(2027, 1, 21, 12, 0, 0));
        Assert.Equal(8, NightCurve.Run(sealedWater, 0.3, new(noon, 8), noon.AddHours(24))[^1].Si, 0.05);
    }

    [Fact]
    public void Oxygen_never_falls_under_nought() => Assert.All(NightCurve.Run(Still, 5, new(Dark, 4), Dark.AddHours(8)), p => Assert.True(p.Si >= 0));
}
