using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Time;

namespace Dorsk.Core.Tests.Oxygen;

/// <summary>Minutes without air, what a generator carries, signs without a meter, the order of the night.</summary>
public class WithoutAirTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");
    private static readonly WaterLimits Limits = WaterLimits.For(Perch, LifeStage.Growing);

    [Fact]
    public void A_full_tank_has_about_a_quarter_of_an_hour()
    {
        // 40 kg/m³ at 25 °C, 400 g: they breathe about 0.35 mg/g/h, 14 mg/L/h in all; from 7 to 3 mg/L.
        var left = WithoutAir.OfTank([(Perch, 400, 2400)], 60, 25, 7, Limits, Perch.LethalDoMgL);
        var each = Respiration.Fish(400, 25, Perch);
        Assert.Equal(60 * (7 - Limits.DoActMgL) / (40 * each), left.MinutesToAct!.Value, 9);
        Assert.InRange(left.MinutesToAct.Value, 10, 20);
        Assert.Equal(left.MinutesToAct / 2, left.BeThereIn);
        Assert.True(left.WantsValve);
        Assert.True(left.MinutesToWatch < left.MinutesToAct && left.MinutesToAct < left.MinutesToLethal);
        Assert.Equal(0, WithoutAir.OfTank([(Perch, 400, 2400)], 60, 25, Limits.DoActMgL - 0.1, Limits, 1).MinutesToAct);
        Assert.False(WithoutAir.OfTank([(Perch, 400, 240)], 60, 25, 7, Limits, 1).WantsValve);
    }

    [Fact]
    public void A_pond_has_as_long_as_its_constant_decline_in_the_dark()
    {
        // Dark from 19:00 on: with all terms constant the closed form tells the minute.
        var start = new DateTimeOffset(2027, 1, 21, 21, 0, 0, TimeSpan.FromHours(10));
        var paddle = new Aerator("A1", AeratorKind.All[0], 4, TimeOnly.MinValue, new TimeOnly(23, 59));
        var water = new NightWater(5000, 1.3, 27, 7.9, 1.5, [paddle], new(-29.4, 152.6), FarmZone.Find("Etc/GMT-10")!);
        var decline = new Decline(DeclineMethod.OwnNights, 0.6, 0.1, Grounds.Of("test", "test"));
        var left = WithoutAir.OfPond(water, decline, new(start, 7), start.AddHours(24), Limits, 1.5, 0.5);
        var rate = Math.Max(0.3, Exchange.Kl20MDay(1.5)) * Math.Pow(1.024, 7) / 24 / 1.3;
        Assert.Equal(
            60 * new ConstantDecline(0.6, rate, 7.9).HoursTo(7, Limits.DoActMgL)!.Value,
            left.MinutesToAct!.Value,
            1.0
        );
        // With the sun before it is reached, it holds.
        Assert.Null(
            WithoutAir
                .OfPond(water, decline with { MgLH = 0.05 }, new(start, 7), start.AddHours(24), Limits, 1.5, 0.5)
                .MinutesToAct
        );
        // More fish, fewer minutes, whatever the aerator would do.
        Assert.True(
            WithoutAir
                .OfPond(water, decline with { MgLH = 0.9 }, new(start, 7), start.AddHours(24), Limits, 1.5, 0.9)
                .MinutesToAct < left.MinutesToAct
        );
    }

    [Fact]
    public void A_generator_gives_every_water_one_before_a_second_and_starts_one_at_a_time()
    {
        List<AirLoad> loads =
        [
            new("P1", 300, [1.3, 1.3]),
            new("T1", 20, [0.9]),
            new("P4", 90, [1.3, 1.3, 1.3]),
            new("S1", null, []),
        ];
        // 6 kW: T1 (0.9; start 2.7), P4 (start 0.9 + 3.9), P1 would need 2.2 + 3.9 > 6.
        var g = GeneratorLoad.Of(6, loads);
        Assert.Equal([("T1", 1), ("P4", 1)], g.Carried);
        Assert.Equal([("P4", 2), ("P1", 2)], g.LeftOut);
        Assert.Equal(2.2, g.RunningKW, 9);
        Assert.Empty(GeneratorLoad.Of(100, loads).LeftOut);
        Assert.Empty(GeneratorLoad.Of(1, loads).Carried);
        var chance = new Random(5);
        for (var i = 0; i < 500; i++)
        {
            var some = Enumerable
                .Range(0, 6)
                .Select(k => new AirLoad(
                    "P" + k,
                    chance.Next(3) == 0 ? null : chance.Next(1000),
                    [.. Enumerable.Repeat(0.5 + chance.NextDouble(), chance.Next(4))]
                ))
                .ToList();
            var kw = 10 * chance.NextDouble();
            var carried = GeneratorLoad.Of(kw, some);
            Assert.True(carried.RunningKW <= kw);
            Assert.Equal(
                some.Sum(s => s.MotorKW.Count),
                carried.Carried.Sum(c => c.Aerators) + carried.LeftOut.Sum(c => c.Aerators)
            );
        }
    }

    [Theory]
    [InlineData(Status.ActNow, "gasp")]
    [InlineData(Status.ActNow, "smell", "dark", "air")]
    [InlineData(Status.Watch, "cloud")]
    [InlineData(Status.Watch, "still", "film")]
    [InlineData(Status.Unknown, "hour")]
    [InlineData(Status.Unknown)]
    public void Signs_say_a_risk_and_never_that_all_is_well(Status expected, params string[] seen)
    {
        var judged = WaterSigns.Weigh(seen);
        Assert.Equal(expected, judged.Status);
        Assert.StartsWith("Not measured", judged.Reason, StringComparison.Ordinal);
        // One sign more never lowers the risk.
        Assert.All(WaterSigns.All, s => Assert.True(WaterSigns.Weigh([.. seen, s.Key]).Status >= judged.Status));
    }

    [Fact]
    public void The_order_of_the_night_is_status_then_hours_left()
    {
        var t = new DateTimeOffset(2027, 1, 22, 3, 0, 0, TimeSpan.Zero);
        DawnLowForecast F(double low, DateTimeOffset? act, DateTimeOffset? watch) =>
            new(
                new(low, low - 1, low + 1, 0.8),
                t,
                watch,
                act,
                0.5,
                new(Status.Watch, ""),
                DeclineMethod.OwnNights,
                [],
                Grounds.Of("", "")
            );
        (string Name, Status Status, DawnLowForecast? Forecast)[] ponds =
        [
            ("steady", Status.Steady, F(5, null, null)),
            ("late", Status.ActNow, F(1, t, t)),
            ("soon", Status.ActNow, F(2.5, t.AddHours(-2), t.AddHours(-4))),
            ("watch", Status.Watch, F(3.5, null, t)),
            ("blind", Status.Watch, null),
            ("lower", Status.Steady, F(4.6, null, null)),
        ];
        Assert.Equal(
            ["soon", "late", "watch", "blind", "lower", "steady"],
            ponds.OrderBy(p => HoursLeft.Order(p.Status, p.Forecast)).Select(p => p.Name)
        );
    }
}
