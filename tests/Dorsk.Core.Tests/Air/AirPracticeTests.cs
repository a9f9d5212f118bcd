using Dorsk.Core.Air;
using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Air;

/// <summary>How machines are set, driven, started and chosen; what comes first when several things fail.</summary>
public class AirPracticeTests
{
    private static readonly (double, double)[] Corners = [(-40, -25), (40, -25), (40, 25), (-40, 25)];

    private static Pushing At(string code, double east, double north, double heading, double kw = 1) =>
        new(code, east, north, heading, kw);

    [Fact]
    public void Water_runs_round_when_all_push_one_way_along_the_bank()
    {
        // Left about: east along the south bank, north along the east one, and so on.
        Pushing[] round =
        [
            At("A1", -35, -22, 90, 4),
            At("A2", 37, -20, 0, 4),
            At("A3", 35, 22, 270, 4),
            At("A4", -37, 20, 180, 4),
        ];
        var good = FlowRound.Of(round, Corners);
        Assert.Equal(Status.Steady, good.Judgement.Status);
        Assert.Empty(good.DeadCorners);
        round[2] = At("A3", 35, 22, 90, 4);
        Assert.Equal(["A3"], FlowRound.Of(round, Corners).Against);
        // One small machine in the middle of the south bank, at the bank: corners lie still.
        var one = FlowRound.Of([At("A1", 0, -22, 180, 0.55)], Corners);
        Assert.Equal(["A1"], one.Inward);
        Assert.Equal(4, one.DeadCorners.Count);
        Assert.Equal(Status.Watch, one.Judgement.Status);
    }

    [Theory]
    [InlineData("nile_tilapia", 90, 1, Status.Steady)]
    [InlineData("nile_tilapia", 5, 1, Status.Watch)]
    [InlineData("whiteleg_shrimp", 90, 1, Status.Watch)]
    [InlineData("whiteleg_shrimp", 90, 2, Status.Steady)]
    [InlineData("rainbow_trout", 90, 1, Status.Watch)]
    public void Animals_that_do_not_come_to_a_machine_need_the_whole_pond_aerated(
        string species,
        int days,
        int machines,
        Status status
    ) => Assert.Equal(status, AirGathering.Of(FishSpecies.Of(species), days, machines).Status);

    [Fact]
    public void Most_air_is_wanted_in_warm_water_and_ice_is_a_risk_of_its_own()
    {
        var months = AirNeed.ByMonth(
            m => 15 + (14 * Math.Cos((m - 7) * Math.PI / 6)),
            FishSpecies.Of("channel_catfish"),
            300,
            0
        );
        Assert.Equal((7, 100.0), (months.MaxBy(m => m.Pct)!.Month, months[6].Pct));
        Assert.StartsWith("ice", months[0].Word, StringComparison.Ordinal);
        Assert.True(months[0].Pct < 35 && months[3].Pct < months[6].Pct);
    }

    [Fact]
    public void Several_failures_have_an_order_air_before_water()
    {
        IReadOnlyList<string> Do(params Fault[] f) => [.. FaultStep.For(f.ToHashSet()).Select(s => s.Do)];
        int Place(IReadOnlyList<string> steps, string word) =>
            steps.ToList().FindIndex(s => s.Contains(word, StringComparison.Ordinal));
        var both = Do(Fault.Power, Fault.Well);
        Assert.True(
            0 == Place(both, "Oxygen on in tanks") && Place(both, "The generator") < Place(both, "Only now the well")
        );
        Assert.Equal(0, Place(Do(Fault.Power, Fault.Oxygen), "Battery or engine"));
        Assert.Equal(-1, Place(Do(Fault.Power, Fault.Generator), "The generator, outside"));
        Assert.Equal(-1, Place(Do(Fault.Well), "Oxygen on in tanks"));
        Assert.Empty(Do());
        foreach (var f in Enum.GetValues<Fault>())
            Assert.Contains("No feed anywhere", Do(f));
    }

    [Fact]
    public void A_fall_a_pump_and_a_choice_are_worked_out()
    {
        // By hand: r = 1 + 0.38 × 1.0 × 1.3 × 0.6 × (1 − 0.066) × (1 + 0.046 × 26) = 1.60794.
        var ratio = WaterFall.Ratio(0.6, 26, 1.0, 1.3);
        Assert.Equal(1.60794, ratio, 4);
        Assert.Equal(8.11 - (5.11 / ratio), WaterFall.BelowMgL(3, 8.11, ratio), 6);
        // Water over saturation loses some.
        Assert.True(WaterFall.BelowMgL(12, 8, ratio) < 12);
        // 30 m³/h over 2 m: 9.81 × 30/3600 × 2 = 0.1635 kW of water, by 45 % = 0.3633.
        Assert.Equal(0.36333, PumpEnergy.KW(30, 2, 0.45), 4);
        Assert.Contains(
            "tractor",
            AirChoice.For(AirLack.AllAtDawn, 5000, 1.2, false, false)[0].Means,
            StringComparison.Ordinal
        );
        Assert.DoesNotContain(AirChoice.For(AirLack.AllAtDawn, 500, 1.2, true, true), c => c.Wired);
        Assert.Contains(AirChoice.For(AirLack.AllAtDawn, 500, 1.2, true, false), c => c.Wired);
        Assert.StartsWith(
            "slow mixing by day",
            AirChoice.For(AirLack.Floor, 5000, 1.2, true, false)[0].Means,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Large_paddles_and_pumps_in_salt_water_are_asked_about_once()
    {
        AeratorKind Kind(string name) => AeratorKind.Find(name)!;
        Aerator paddle = new("T1", Kind("paddlewheel, tractor driven"), 7.5, null, null),
            pump = new("A2", Kind("vertical pump"), 1.1, null, null);
        Assert.Equal(PowerSource.Tractor, paddle.Source);
        AeratorsFitted fitted = new(1, [paddle, pump]);
        Assert.Equal(["Ramp", "Kind"], FarmRules.AskedOfNew(fitted, [], 12, Hand.Metric).Select(r => r.Field));
        Assert.Equal(["Ramp"], FarmRules.AskedOfNew(fitted, [], 0.4, Hand.Metric).Select(r => r.Field));
        // Timers set later ask nothing again, and a slow start is a slow start.
        Assert.Empty(FarmRules.AskedOfNew(fitted, [paddle, pump], 12, Hand.Metric));
        Assert.Empty(FarmRules.AskedOfNew(new(1, [paddle with { RampMin = 5 }]), [], 12, Hand.Metric));
        var geared = paddle with { MotorRpm = 1450, GearRatio = 60 };
        Assert.Equal(1450 / 60.0, geared.ShaftRpm!.Value, 9);
        Assert.Equal(
            ["Heading", "MotorRpm", "Gear", "Ramp"],
            FarmRules
                .Check(
                    new AeratorsFitted(1, [paddle with { HeadingDeg = 360, MotorRpm = 5, GearRatio = 0, RampMin = 90 }])
                )
                .Select(r => r.Field)
        );
        Assert.True(
            (pump with { On = new(12, 0), Off = new(11, 59) }).RunsAllDay
                && !(pump with { On = new(20, 0), Off = new(6, 0) }).RunsAllDay
        );
    }

    [Theory]
    [InlineData(60, null)]
    [InlineData(64, Status.Watch)]
    [InlineData(71, Status.ActNow)]
    public void A_hot_motor_rings(double tempC, Status? wanted)
    {
        var dusk = new DateTimeOffset(2027, 1, 21, 9, 0, 0, TimeSpan.Zero);
        var record = new AirRecord([
            new(dusk.AddHours(-9), "Manager", new AeratorTested(1, "A1", "all lines", new(4, null, 70), 3.9, null, 50)),
            new(dusk.AddMinutes(-30), "Dorsk", new AeratorCommanded(1, "A1", true, "timer")),
            new(dusk.AddMinutes(-1), "panel", new AeratorReported(1, "A1", true, 3.9, true) { TempC = tempC }),
        ]);
        Assert.Equal(wanted, AirFaults.Of("A1", record, dusk, TimeSpan.FromMinutes(2))?.Status);
    }

    [Fact]
    public void A_kill_is_written_up_with_a_cause_and_a_change()
    {
        var ended = new DateTimeOffset(2027, 1, 21, 9, 0, 0, TimeSpan.Zero);
        var kill = new KillWritten(1, ended.AddHours(-5), 400, "oxygen", "", "a second machine");
        Assert.Empty(kill.Check(ended));
        Assert.Equal("Began", (kill with { Began = ended.AddHours(1) }).Check(ended).Single().Field);
        Assert.Equal("Began", (kill with { Began = ended.AddDays(-61) }).Check(ended).Single().Field);
        Assert.Equal(
            ["Lost", "Cause", "Change"],
            (kill with { Lost = 0, Cause = " ", Change = "" }).Check(ended).Select(r => r.Field)
        );
    }
}
