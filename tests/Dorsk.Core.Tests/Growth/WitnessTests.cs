using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Growth;

/// <summary>Feed as a witness, and why a batch is behind, on batches made by hand.</summary>
public class WitnessTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");
    private static readonly DateOnly Day0 = new(2026, 9, 1);
    private const int Last = 141;

    [Theory]
    [InlineData(0.0, Status.Steady)]
    [InlineData(0.4, Status.Watch)]
    public void Fish_that_were_taken_stop_eating(double taken, Status says)
    {
        var batch = Batch(day => day >= Day0.AddDays(100) ? 1 - taken : 1);
        var witness = Witness.Of(batch, StandingEstimate.Run(batch, Day0.AddDays(Last)), true);
        Assert.Equal(says, witness.Verdict.Status);
        if (taken > 0)
            Assert.Contains("fewer fish than the books say", witness.Verdict.Reason, StringComparison.Ordinal);
        Assert.InRange(witness.ShowsLoss!.Value, 0.1, 0.5);
    }

    [Fact]
    public void Spans_add_up_to_the_feed_and_the_growth()
    {
        var batch = Batch(_ => 1);
        var days = StandingEstimate.Run(batch, Day0.AddDays(Last));
        var spans = Witness.Of(batch, days, true).Spans;
        Assert.Equal(5, spans.Count);
        Assert.Equal(Enumerable.Range(0, 140).Sum(i => batch.FedKg(Day0.AddDays(i))), spans.Sum(s => s.FedKg), 6);
        Assert.Equal(days[140].MeanG.Value - days[0].MeanG.Value, spans.Sum(s => s.GainGDay * s.Days), 6);
        // Weight^(1/3) gained by degree-days, by hand: 25 °C each day.
        Assert.Equal(1000 * (Math.Cbrt(spans[^1].EndG) - Math.Cbrt(spans[^1].StartG)) / (25 * 28), spans[^1].Tgc, 9);
    }

    [Fact]
    public void A_ration_for_the_books_shows_no_loss_and_says_so()
    {
        var batch = Batch(_ => 1);
        var witness = Witness.Of(batch, StandingEstimate.Run(batch, Day0.AddDays(Last)), false);
        Assert.Null(witness.ShowsLoss);
        Assert.Contains("Only an inventory count does", witness.Sees, StringComparison.Ordinal);
    }

    [Fact]
    public void Cold_water_is_named_when_it_alone_is_different()
    {
        // Fed as planned, one batch in the usual water, one in water 4 °C colder.
        var cold = Batch(_ => 1) with { TemperatureC = _ => 21, FedKg = _ => 0, Samples = [] };
        var days = StandingEstimate.Run(cold, Day0.AddDays(100));
        var reasons = GrowthReasons.Of(Perch, days, (_ => 21, _ => 25), _ => null, 1e9, Hand.Metric);
        Assert.Equal("cold", reasons[0].Cause);
        Assert.True(reasons[0].Share < -0.1);
        Assert.Contains("4.0\u2009°C colder", reasons[0].Said, StringComparison.Ordinal);
        Assert.DoesNotContain(GrowthReasons.Of(Perch, days, (_ => 21, _ => 21), _ => null, 1e9, Hand.Metric), r =>
            r.Cause == "cold"
        );
    }

    [Theory]
    [InlineData(5, 10, 0.0, "low pH", "5 of 10")]
    [InlineData(0, 10, 0.5, "poor feed", "50 %")]
    [InlineData(5, 10, 0.5, "low pH and poor feed", "; ")]
    [InlineData(2, 10, 0.2, "their own slow growth", "nothing above")]
    public void Sour_water_and_poor_feed_are_weighed_before_the_fish_are_blamed(
        int low,
        int read,
        double poor,
        string cause,
        string says
    )
    {
        // Half the growth of the species, in usual water and on a usual ration.
        var slow = Batch(_ => 1);
        var days = StandingEstimate.Run(slow with { Samples = [] }, Day0.AddDays(100));
        var held = days.Select(d =>
                d with
                {
                    MeanG = d.MeanG with { Value = d.MeanG.Value * (d.Day == days[0].Day ? 1 : 0.8) },
                }
            )
            .ToList();
        var reason = GrowthReasons
            .Of(Perch, held, (_ => 25, _ => 25), _ => null, 1e9, Hand.Metric, new(low, read, poor))
            .First(r => r.Share < 0);
        Assert.Equal(cause, reason.Cause);
        Assert.Contains(says, reason.Said, StringComparison.Ordinal);
    }

    [Fact]
    public void A_record_of_bad_mornings_slows_the_forecast_and_widens_it()
    {
        var good = Batch(_ => 1);
        var bad = good with { DawnLowMgL = d => d.DayNumber % 3 == 0 ? 2.5 : 6 };
        TargetDate Date(BatchHistory b) =>
            GrowthForecast.DateOf(
                150,
                GrowthForecast.Run(
                    StandingEstimate.Run(b with { Samples = b.Samples.Take(1).ToList() }, Day0.AddDays(60))[^1],
                    Perch,
                    _ => 25,
                    700
                )
            );
        var (g, b) = (Date(good), Date(bad));
        Assert.True(b.Likely > g.Likely);
        Assert.True(
            b.Latest!.Value.DayNumber - b.Earliest!.Value.DayNumber
                > g.Latest!.Value.DayNumber - g.Earliest!.Value.DayNumber
        );
    }

    // A thousand fish that grow by the species' law at 25 °C, eat seven hundredths of W^0.7 a day, and are weighed every 28 days.
    private static BatchHistory Batch(Func<DateOnly, double> there)
    {
        double At(DateOnly day) =>
            GrowthLaws.After(
                30,
                Perch.GrowthG13PerDay,
                (day.DayNumber - Day0.DayNumber) * TemperatureResponse.F(25, Perch)
            );
        var samples = Enumerable
            .Range(1, 5)
            .Select(k => new WeightSample(Day0.AddDays(28 * k), Casts(At(Day0.AddDays(28 * k)))))
            .ToList();
        return new(
            Perch,
            Day0,
            1000,
            30,
            false,
            false,
            [],
            samples,
            _ => 25,
            day => 0.07 * Math.Pow(At(day), 0.7) * there(day),
            _ => null
        );
    }

    private static SampleMean Casts(double g) =>
        SampleStatistics.Bulk([(50, 50 * g * 1.01), (50, 50 * g * 0.99), (50, 50 * g)]);
}
