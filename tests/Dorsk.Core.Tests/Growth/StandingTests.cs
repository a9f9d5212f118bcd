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
    public void Without_loss_or_samples_it_is_the_growth_law_as_planned_to_be_fed()
    {
        var last = StandingEstimate.Run(Batch(), Day0.AddDays(100))[^1];
        var f = TemperatureResponse.F(25, Perch);
        var rate = Perch.GrowthG13PerDay * DailyGain.RationShare(GrowthPlan.PlannedRation);
        // Animals slow down a little with size.
        Assert.InRange(
            last.MeanG.Value,
            0.95 * GrowthLaws.After(20, rate, 100 * f),
            GrowthLaws.After(20, rate, 100 * f)
        );
        Assert.Equal(1, last.RateFactor, 0.06);
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

    private static double CountAfter(int gone, bool dead, double? foundShare = null) =>
        StandingEstimate
            .Run(
                Batch() with
                {
                    Changes = [new(Day0.AddDays(5), -gone, dead, null) { FoundShare = foundShare }],
                },
                Day0.AddDays(6)
            )[^1]
            .Count.Value;

    [Fact]
    public void More_die_than_are_found_and_of_a_die_off_most_are()
    {
        var small = CountAfter(12, false) - CountAfter(12, true);
        Assert.Equal(12 * ((1 / StandingSettings.FoundInPonds) - 1), small, 0.5);
        var large = CountAfter(300, false) - CountAfter(300, true);
        Assert.Equal(300 * ((1 / StandingSettings.FoundInEvents) - 1), large, 0.5);
        // Who says what share was found is believed.
        Assert.Equal(200, CountAfter(200, false) - CountAfter(200, true, 0.5), 0.5);
        // A die-off written down twice over leaves what it leaves, not nothing.
        Assert.InRange(CountAfter(600, true), 150, 250);
    }

    [Fact]
    public void A_farm_that_knows_what_share_it_finds_and_how_growth_goes_with_size_is_followed()
    {
        var own = Batch() with { Species = Batch().Species with { FoundInPondsPct = 30 } };
        double After(BatchHistory b) =>
            StandingEstimate
                .Run(b with { Changes = [new(Day0.AddDays(5), -6, true, null)] }, Day0.AddDays(6))[^1]
                .Count.Value;
        Assert.Equal(6 * ((1 / 0.3) - (1 / 0.6)), After(Batch()) - After(own), 0.1);
        // At the middle weight the power makes no difference; large fish slow down sooner, small ones grow faster.
        var species = Batch().Species;
        var slow = species with { GrowthPower = 0.5 };
        double Ratio(double g) => DailyGain.FullG(g, 27, slow) / DailyGain.FullG(g, 27, species);
        Assert.Equal(1, Ratio(species.MiddleG), 1e-9);
        Assert.Equal(Math.Pow(2, 0.5 - (2.0 / 3)), Ratio(2 * species.MiddleG), 1e-9);
        Assert.True(Ratio(0.2 * species.MiddleG) > 1);
    }

    [Fact]
    public void Feed_holds_growth_back_only_against_what_these_fish_are_used_to()
    {
        double On(Func<DateOnly, double> fed) =>
            StandingEstimate.Run(Batch() with { FedKg = fed }, Day0.AddDays(90))[^1].MeanG.Value;
        // Twice or half the table's ration, day by day: they are used to it, and no table knows their conversion.
        double Table(DateOnly d) => 0.5 + (0.01 * (d.DayNumber - Day0.DayNumber));
        Assert.Equal(On(Table), On(d => 2 * Table(d)), 1.0);
        // Half of what they are used to for the last month is hunger.
        Assert.True(On(d => Table(d) * (d > Day0.AddDays(60) ? 0.5 : 1)) < 0.95 * On(Table));
    }

    [Fact]
    public void A_net_that_reads_heavy_leaves_doubt_that_no_further_sample_takes_away()
    {
        var samples = Enumerable
            .Range(1, 12)
            .Select(n => new WeightSample(
                Day0.AddDays(7 * n),
                SampleStatistics.Bulk([(60, 60 * 30.0), (60, 60 * 30.2)])
            ))
            .ToList();
        var last = StandingEstimate.Run(Batch() with { Samples = samples }, Day0.AddDays(85))[^1].MeanG;
        Assert.True(last.High / last.Low > Math.Exp(2 * 1.645 * 0.6 * StandingSettings.NetBiasSd));
    }

    [Theory]
    [InlineData(1.0, 100, 50, null)]
    [InlineData(2.5, 10, 50, "feed was given that nobody wrote down")]
    [InlineData(2.5, 90, 50, "large ones")]
    [InlineData(0.3, 400, 50, "feed is wasted")]
    [InlineData(0.3, 90, 50, "small ones")]
    public void A_rate_far_from_the_species_is_said_as_records_that_do_not_fit(
        double rate,
        double fedKg,
        double gainKg,
        string? likeliest
    )
    {
        var said = RecordsFit.Of(rate, fedKg, gainKg, 1.6);
        Assert.Equal(likeliest is null, said is null);
        if (likeliest is not null)
            Assert.Contains(likeliest, said, StringComparison.Ordinal);
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
