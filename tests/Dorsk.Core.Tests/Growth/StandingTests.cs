using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Growth;

public class StandingTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");
    private static readonly DateOnly Day0 = new(2026, 9, 1);

    [Fact]
    public void Without_loss_or_samples_it_is_the_growth_law()
    {
        var last = StandingEstimate.Run(Batch(), Day0.AddDays(100))[^1];
        var f = TemperatureResponse.F(25, Perch);
        Assert.Equal(GrowthLaws.After(20, Perch.GrowthG13PerDay, 100 * f), last.MeanG.Value, 0.4);
        Assert.Equal(StandingSettings.Level, last.BiomassKg.Level);
        Assert.Equal(last.Count.Value * last.MeanG.Value / 1000, last.BiomassKg.Value, 6);
    }

    [Fact]
    public void A_sample_pulls_weight_and_growth_rate_and_narrows_both()
    {
        var day = Day0.AddDays(60);
        var before = StandingEstimate.Run(Batch(), day)[^1];
        var light = SampleStatistics.Bulk([
            (30, 30 * before.MeanG.Value * 0.85),
            (30, 30 * before.MeanG.Value * 0.83),
            (30, 30 * before.MeanG.Value * 0.87),
        ]);
        var after = StandingEstimate.Run(Batch() with { Samples = [new(day, light)] }, day)[^1];
        Assert.InRange(after.MeanG.Value, light.Mean, before.MeanG.Value);
        Assert.True(after.RateFactor < before.RateFactor);
        Assert.True(after.MeanG.High - after.MeanG.Low < before.MeanG.High - before.MeanG.Low);
    }

    [Property(MaxTest = 60)]
    public Property Counts_never_grow_by_themselves_and_hold_under_any_losses(PositiveInt seed)
    {
        var random = new Random(seed.Get);
        var changes = Enumerable
            .Range(0, 10)
            .Select(_ => new CountChange(
                Day0.AddDays(random.Next(100)),
                -random.Next(1, 300),
                random.Next(2) == 0,
                null
            ))
            .ToList();
        var days = StandingEstimate.Run(Batch() with { Changes = changes }, Day0.AddDays(100));
        return days.Zip(days.Skip(1))
            .All(p =>
                p.Second.Count.Value <= p.First.Count.Value
                && p.Second.Count.Value >= 0
                && p.Second.Count.Low >= 0
                && double.IsFinite(p.Second.BiomassKg.High)
            )
            .ToProperty();
    }

    [Fact]
    public void More_die_than_are_found()
    {
        var dead = StandingEstimate.Run(
            Batch() with
            {
                Changes = [new(Day0.AddDays(5), -50, true, null)],
            },
            Day0.AddDays(6)
        )[^1];
        var moved = StandingEstimate.Run(
            Batch() with
            {
                Changes = [new(Day0.AddDays(5), -50, false, null)],
            },
            Day0.AddDays(6)
        )[^1];
        Assert.Equal(50, moved.Count.Value - dead.Count.Value, 0.5);
    }

    [Fact]
    public void Hungry_fish_and_choking_fish_grow_less_but_do_not_vanish()
    {
        var full = StandingEstimate.Run(Batch(), Day0.AddDays(200))[^1].MeanG.Value;
        var hungry = StandingEstimate
            .Run(Batch() with { FedKg = d => d == Day0 ? 1 : 0, InTank = true }, Day0.AddDays(200))[^1]
            .MeanG.Value;
        var choking = StandingEstimate.Run(Batch() with { DawnLowMgL = _ => 3 }, Day0.AddDays(200))[^1].MeanG.Value;
        Assert.InRange(choking, 20, full * 0.9);
        Assert.InRange(hungry, 8, 20);
    }

    [Fact]
    public void The_date_of_a_weight_lies_between_its_ends()
    {
        var stands = StandingEstimate.Run(Batch(), Day0.AddDays(60))[^1];
        var date = GrowthForecast.DateOf(120, GrowthForecast.Run(stands, Perch, _ => 25, 400));
        Assert.True(date.Earliest < date.Likely && date.Likely < date.Latest);
        Assert.Null(GrowthForecast.DateOf(1e6, GrowthForecast.Run(stands, Perch, _ => 25, 400)).Likely);
    }

    private static BatchHistory Batch() => new(Perch, Day0, 1000, 20, false, false, [], [], _ => 25, _ => 0, _ => null);
}
