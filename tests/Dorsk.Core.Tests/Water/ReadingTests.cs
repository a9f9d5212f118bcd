using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Water;

public class ReadingTests
{
    private static readonly DateTimeOffset At = new(2027, 1, 21, 6, 0, 0, TimeSpan.Zero);
    private static readonly WaterLimits Growing = WaterLimits.For(FishSpecies.Of("silver_perch"), LifeStage.Growing);

    [Theory]
    [InlineData(84, Objection.Refuse, "Did you mean 84 °F? Then type 84F.")]
    [InlineData(-5, Objection.Refuse, "outside")]
    [InlineData(38, Objection.Ask, "unusual")]
    [InlineData(22, Objection.Ask, "large change")]
    public void Temperatures_that_cannot_be_or_look_wrong(double c, Objection kind, string says)
    {
        var remark = Assert.Single(
            ReadingRule.Check(
                new(Parameter.Temperature, c),
                new(new Timed(At.AddHours(-12), 28), At, 8, 1.5),
                Hand.Metric
            )
        );
        Assert.Equal(kind, remark.Kind);
        Assert.Contains(says, remark.Text, StringComparison.Ordinal);
    }

    [Fact]
    public void Twice_saturation_is_asked_and_a_level_over_the_brim_refused()
    {
        Assert.Equal(
            Objection.Ask,
            ReadingRule.Check(new(Parameter.Oxygen, 16.5), new(null, At, 8, 1.5), Hand.Metric).Single().Kind
        );
        Assert.Equal(
            Objection.Refuse,
            ReadingRule.Check(new(Parameter.GaugeLevel, 2), new(null, At, 8, 1.5), Hand.Metric).Single().Kind
        );
        Assert.Empty(ReadingRule.Check(new(Parameter.Oxygen, 6), new(null, At, 8, 1.5), Hand.Metric));
    }

    [Theory]
    [InlineData("do", 2.9, Status.ActNow)]
    [InlineData("do", 3.0, Status.Watch)]
    [InlineData("do", 4.0, Status.Steady)]
    [InlineData("ph", 9.2, Status.Watch)]
    [InlineData("ph", 9.6, Status.ActNow)]
    [InlineData("secchi", 0.18, Status.ActNow)]
    [InlineData("secchi", 0.25, Status.Watch)]
    [InlineData("secchi", 0.40, Status.Steady)]
    [InlineData("secchi", 0.70, Status.Watch)]
    [InlineData("temp", 33, Status.Watch)]
    public void Good_for_these_fish(string key, double si, Status status) =>
        Assert.Equal(status, WaterJudge.Judge(Parameter.ByKey(key), si, Growing, Hand.Metric).Status);

    [Fact]
    public void The_same_ammonia_is_worse_in_the_afternoon()
    {
        var dawn = WaterJudge.JudgeAmmonia(1.2, 25, 7.4, 0, Growing, Hand.Metric);
        var afternoon = WaterJudge.JudgeAmmonia(1.2, 30, 9.0, 0, Growing, Hand.Metric);
        Assert.Equal(Status.Steady, dawn.Judgement.Status);
        Assert.Equal(Status.ActNow, afternoon.Judgement.Status);
        Assert.True(afternoon.Nh3MgL > 25 * dawn.Nh3MgL);
    }

    [Fact]
    public void Every_species_has_limits_for_every_stage()
    {
        Assert.Equal(20, FishSpecies.All.Count);
        foreach (var species in FishSpecies.All)
        foreach (var stage in Enum.GetValues<LifeStage>())
        {
            var limits = WaterLimits.For(species, stage);
            Assert.True(
                limits.DoActMgL < limits.DoWatchMgL && limits.DoWatchMgL <= limits.DoTargetMgL,
                $"{species.Key} {stage}"
            );
        }
    }

    [Fact]
    public void Temperature_is_measured_between_or_from_the_yearly_curve()
    {
        var day = new DateOnly(2026, 1, 1);
        var record = new TemperatureRecord(
            Enumerable
                .Range(0, 365)
                .Where(i => i % 5 == 0)
                .Select(i => (day.AddDays(i), 21 + (6 * Math.Cos(2 * Math.PI * (i - 20) / 365.25)))),
            -29.4
        );
        Assert.Equal(TemperatureBasis.Measured, record.On(day.AddDays(10)).Basis);
        Assert.Equal(TemperatureBasis.Between, record.On(day.AddDays(12)).Basis);
        Assert.Equal(TemperatureBasis.YearCurve, record.On(day.AddDays(500)).Basis);
        Assert.Equal(27, record.Curve(new DateOnly(2027, 1, 21)), 0.5);
        Assert.True(
            new TemperatureRecord([], -29.4).Curve(new DateOnly(2027, 1, 21))
                > new TemperatureRecord([], -29.4).Curve(new DateOnly(2027, 7, 21)) + 8
        );
        Assert.True(
            new TemperatureRecord([], 45).Curve(new DateOnly(2027, 7, 21))
                > new TemperatureRecord([], 45).Curve(new DateOnly(2027, 1, 21)) + 8
        );
    }
}
