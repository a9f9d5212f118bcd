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
        var water =
            random.Next(2) == 0
                ? Still
                : Still with
                {
                    Aerators = [new Aerator("A1", AeratorKind.All[1], 2.2, new(21, 0), new(5, 0))],
                };
        var start = new Timed(Dark.AddHours(-2 * random.NextDouble()), 8 + (6 * random.NextDouble()));
        var end = NightCurve.Run(water, r, start, start.At.AddHours(9))[^1];
        return (
            end.Si <= 0.05 || Math.Abs(NightCurve.RespirationBetween(water, start, end)!.Value - r) < 1e-3
        ).ToProperty();
    }

    [Fact]
    public void Over_a_whole_day_light_gives_back_what_respiration_takes()
    {
        var sealedWater = Still with { MeanDepthM = 1e6 };
        var noon = Zone.At(new DateTime(2027, 1, 21, 12, 0, 0));
        Assert.Equal(8, NightCurve.Run(sealedWater, 0.3, new(noon, 8), noon.AddHours(24))[^1].Si, 0.05);
    }

    // Over random nights with aerators that come and go: what stands at the end is what stood at the beginning, less what was taken, plus what came through surface and machines.
    [Property(MaxTest = 60)]
    public Property No_oxygen_is_made_or_lost_and_half_the_step_moves_the_dawn_low_by_next_to_nothing(PositiveInt seed)
    {
        var random = new Random(seed.Get);
        var water = Still with
        {
            VolumeM3 = 1500 + (8000 * random.NextDouble()),
            MeanDepthM = 0.9 + random.NextDouble(),
            TempC = 18 + (12 * random.NextDouble()),
            WindMs = 4 * random.NextDouble(),
            Aerators =
            [
                new Aerator("A1", AeratorKind.All[1], 2.2, new(random.Next(21, 24), 0), new(random.Next(1, 5), 0)),
            ],
        };
        var (start, r, end) = (
            new Timed(Dark, 7 + (4 * random.NextDouble())),
            0.1 + (0.4 * random.NextDouble()),
            Dark.AddHours(7.5)
        );
        var fine = NightCurve.Run(water, [r], start, end, TimeSpan.FromMinutes(1))[0];
        if (fine.Any(p => p.Si <= 0))
            return true.ToProperty();
        double Came(Timed at, DateTimeOffset when)
        {
            var warm = Math.Pow(1.024, water.TempC - 20);
            var surface =
                Math.Max(0.3, Exchange.Kl20MDay(water.WindMs))
                * warm
                / (24 * water.MeanDepthM)
                * (water.SaturationMgL - at.Si);
            var hour = TimeOnly.FromDateTime(Zone.LocalAt(when));
            return surface
                + water
                    .Aerators.Where(a => a.RunsAt(hour))
                    .Sum(a =>
                        a.SotrKgH
                        * 1000
                        / water.VolumeM3
                        * ((a.Kind.Beta * water.SaturationMgL) - at.Si)
                        / 9.09
                        * warm
                        * a.Kind.Alpha
                    );
        }
        var (came, moved) = (0.0, 0.0);
        foreach (var (a, b) in fine.Zip(fine.Skip(1)))
        {
            var (middle, h) = (a.At + ((b.At - a.At) / 2), (b.At - a.At).TotalHours);
            var step = h * (Came(a, middle) + Came(b, middle)) / 2;
            (came, moved) = (came + step, moved + Math.Abs(step) + (r * h));
        }
        var lost = Math.Abs(fine[^1].Si - start.Si - came + (r * (end - Dark).TotalHours)) / moved;
        double Low(double minutes) =>
            NightCurve.Run(water, [r], start, end.AddHours(5), TimeSpan.FromMinutes(minutes))[0].Min(p => p.Si);
        return (lost < 0.001 && Math.Abs(Low(10) - Low(5)) < 0.05).Label(
            FormattableString.Invariant($"lost {lost}, low {Low(10)} and {Low(5)}")
        );
    }

    [Fact]
    public void Oxygen_never_falls_under_nought() =>
        Assert.All(NightCurve.Run(Still, 5, new(Dark, 4), Dark.AddHours(8)), p => Assert.True(p.Si >= 0));
}
