using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Growth;

/// <summary>Weighing that stops by itself must not stop on luck.</summary>
public class RunningSampleTests
{
    [Theory]
    [InlineData(5, 0.22)]
    [InlineData(10, 0.22)]
    [InlineData(10, 0.40)]
    public void Stopping_when_the_range_is_narrow_still_holds_the_truth_nineteen_times_in_twenty(
        double wantedPct,
        double cv
    )
    {
        var random = new Random(7);
        var held = 0;
        const int runs = 1500;
        for (var run = 0; run < runs; run++)
        {
            List<double> weights = [];
            RunningSample sample;
            do
            {
                weights.Add(300 * Math.Max(0.05, 1 + (cv * Normal(random))));
                sample = RunningSample.OfFish(weights, wantedPct);
            } while (!sample.GoodEnough);
            Assert.True(sample.HalfPct <= wantedPct);
            held += sample.Mean!.Range!.Value.Holds(300) ? 1 : 0;
        }
        // Without a least number weighed first this falls to about 0.90.
        Assert.True(held >= 0.93 * runs, $"{held} of {runs}");
    }

    [Fact]
    public void Casts_that_stop_hold_the_truth_as_well()
    {
        var random = new Random(11);
        var held = 0;
        const int runs = 1500;
        for (var run = 0; run < runs; run++)
        {
            List<(int, double)> casts = [];
            RunningSample sample;
            do
            {
                var n = random.Next(20, 45);
                casts.Add((n, n * 300 * (1 + (0.06 * Normal(random)))));
                sample = RunningSample.OfCasts(casts, 5);
            } while (!sample.GoodEnough);
            held += sample.Mean!.Range!.Value.Holds(300) ? 1 : 0;
        }
        Assert.True(held >= 0.92 * runs, $"{held} of {runs}");
    }

    [Property(MaxTest = 200)]
    public Property The_size_picture_holds_every_fish_once(NonEmptyArray<PositiveInt> weights)
    {
        var grams = weights.Get.Select(w => (double)w.Get).ToList();
        var bars = RunningSample.Sizes(grams);
        return (
            bars.Count == 0
                ? grams.Distinct().Count() < 2
                : bars.Sum(b => b.Fish) == grams.Count
                    && bars.Count <= 12
                    && bars.Zip(bars.Skip(1))
                        .All(p => Math.Abs(p.First.ToG - p.Second.FromG) < 1e-6 * p.Second.FromG + 1e-9)
        ).ToProperty();
    }

    [Fact]
    public void Share_over_a_size_by_hand()
    {
        // CV 20 %: log variance ln 1.04 = 0.03922; median = mean·e^(−0.0196). At the median half are over.
        Assert.Equal(0.5, RunningSample.ShareOver(400, 20, 400 * Math.Exp(-0.0392207 / 2)), 4);
        Assert.Equal(1, RunningSample.ShareOver(400, 0, 399));
        // 480 g is (ln 480 − ln 392.2)/0.19804 = 1.0199 SDs up: 15.4 %.
        Assert.Equal(0.154, RunningSample.ShareOver(400, 20, 480), 3);
        Assert.Equal(1.0, RunningSample.Condition(343, 0.07 * Math.Cbrt(100)), 6);
    }

    [Fact]
    public void A_plan_asks_for_more_fish_where_they_differ_more()
    {
        var perch = FishSpecies.Of("silver_perch");
        var day = new DateOnly(2026, 12, 1);
        var plan = SamplingPlan.Of(perch, day, true, 200, null);
        Assert.Equal((day.AddDays(28), SampleStatistics.FishFor(perch.WeightCvPct, 5)), (plan.Due, plan.Fish));
        var uneven = SamplingPlan.Of(perch, day, false, 5, 2 * perch.WeightCvPct);
        Assert.Equal(day.AddDays(7), uneven.Due);
        Assert.True(uneven.Fish > 3 * plan.Fish && uneven.Casts > plan.Casts);
    }

    private static double Normal(Random r) =>
        Math.Sqrt(-2 * Math.Log(1 - r.NextDouble())) * Math.Cos(2 * Math.PI * r.NextDouble());
}
