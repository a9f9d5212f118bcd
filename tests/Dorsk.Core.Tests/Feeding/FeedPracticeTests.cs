using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Feeding;

/// <summary>Own recipes, feeds compared, hand or machine, the filter's limit, food from the water, gain a week, stages, cash.</summary>
public class FeedPracticeTests
{
    [Fact]
    public void A_recipe_holds_what_its_parts_hold_by_their_shares()
    {
        Ingredient a = new("a", 90, 60, 8, 1, 12, 15, 100, "", ""),
            b = new("b", 90, 10, 2, 5, 3, 12, 100, "", "");
        var mix = OwnMix.Of([(a, 40, 2), (b, 60, 0.5)], 250);
        Assert.Equal([100, 150], mix.Kg);
        // 0.4 × 60 + 0.6 × 10 at label dryness already; 0.4 × 2 + 0.6 × 0.5.
        Assert.Equal((30.0, 1.1), (Math.Round(mix.Holds.ProteinPct, 9), Math.Round(mix.CostPerKg, 9)));
        // Shares that sum to fifty are scaled; a wet part counts by its dry matter.
        Assert.Equal(mix.Kg, OwnMix.Of([(a, 20, 2), (b, 30, 0.5)], 250).Kg);
        var wet = OwnMix.Of([(a with { DryMatterPct = 45, ProteinPct = 30 }, 100, 1)], 1);
        Assert.Equal(60, wet.Holds.ProteinPct, 9);
    }

    [Fact]
    public void Feeds_machines_and_filters_are_compared_in_money_and_kilograms()
    {
        FeedPlan bought = new(1.6, 0, 1.5),
            own = new(0.85, 0.2, 2.2);
        Assert.Equal((2.4, 2.31), (Math.Round(bought.CostPerKgFish, 9), Math.Round(own.CostPerKgFish, 9)));
        Assert.Equal(2.4, 1.05 * own.EvenFcr(bought), 9);
        // 20 min at 18 an hour are 6 a meal: three a day 6,570 a year; 300 + 180 + 40 and two watched meals a week.
        var choice = FeederChoice.Of(20, 3, 18, 1800, 6, 40);
        Assert.Equal(6570, choice.HandYear, 6);
        Assert.Equal(300 + 180 + 40 + (6 * 2 / 7.0 * 365), choice.MachineYear, 6);
        // 250 m² at 0.3 g are 75 g of nitrogen; a kilogram at 40 % gives 57.6 g.
        Assert.Equal(75 / 57.6, FilterFeed.MostKgDay(250, 0.3, 40), 9);
    }

    [Theory]
    [InlineData("nile_tilapia", 30.0, null, 15.0)]
    [InlineData("nile_tilapia", 12.0, 0.35, 10.0)]
    [InlineData("nile_tilapia", null, 0.7, null)]
    [InlineData("whiteleg_shrimp", 12.0, null, 15.0)]
    [InlineData("rainbow_trout", 12.0, 0.35, null)]
    public void Floc_and_bloom_are_a_part_of_the_diet_of_those_that_graze(
        string species,
        double? solids,
        double? secchi,
        double? pct
    ) => Assert.Equal(pct, NaturalFood.For(FishSpecies.Of(species), LifeStage.Growing, solids, secchi)?.Pct);

    [Theory]
    [InlineData("silver_perch", false, RationSchool.Satiation, Status.Watch)]
    [InlineData("silver_perch", true, RationSchool.Satiation, null)]
    [InlineData("silver_perch", false, RationSchool.Table, null)]
    [InlineData("silver_perch", null, RationSchool.Satiation, null)]
    [InlineData("whiteleg_shrimp", true, RationSchool.Table, Status.Watch)]
    [InlineData("whiteleg_shrimp", false, RationSchool.Table, Status.Steady)]
    public void Feed_that_floats_where_appetite_must_be_seen(
        string species,
        bool? floats,
        RationSchool by,
        Status? wanted
    ) => Assert.Equal(wanted, FeedSeen.Of(FishSpecies.Of(species), floats, by)?.Status);

    [Fact]
    public void A_week_is_held_against_the_plan_and_stages_against_their_days()
    {
        var day = new DateOnly(2027, 1, 1);
        List<(DateOnly, double)> plan = [.. Enumerable.Range(0, 200).Select(i => (day.AddDays(i), 10.0 + (2 * i)))];
        var week = WeeklyGain.Of(plan, day.AddDays(14), day.AddDays(28), 15)!;
        Assert.Equal((14.0, 7.5, Status.Watch), (week.TargetG, week.ActualG, week.Judgement.Status));
        Assert.Equal(Status.Steady, WeeklyGain.Of(plan, day.AddDays(14), day.AddDays(28), 26)!.Judgement.Status);
        Assert.Null(WeeklyGain.Of(plan, day.AddDays(-3), day.AddDays(28), 26));

        var perch = FishSpecies.Of("silver_perch");
        List<(DateOnly, double)> so = [.. Enumerable.Range(0, 60).Select(i => (day.AddDays(i), 10.0 + (1.6 * i)))];
        var stages = StageLength.Of(perch, 10, 100, plan, so);
        // 10 + 2 i reaches 100 g on day 45, 10 + 1.6 i on day 57; market size comes later and was not reached.
        Assert.Equal([100, perch.MarketLowG], stages.Select(x => x.ToG));
        Assert.Equal((day.AddDays(45), 12), (stages[0].PlannedOn, stages[0].LateDays));
        Assert.Equal(day.AddDays(195), stages[1].PlannedOn);
        Assert.Null(stages[1].ReachedOn);
    }

    [Fact]
    public void The_month_of_least_cash_is_named_before_stocking_and_air_is_weighed_in_money()
    {
        var answer = StockingAnswer.Of(
            new(
                FishSpecies.Of("silver_perch"),
                new(RearingSystem.Earthen, 4000, 5200, 2.2, AeratorKind.All[0], 0, 30, 0),
                10,
                500,
                80,
                1,
                new(2026, 11, 1),
                _ => 25,
                null,
                null,
                new(0.35, 1.6, 12, 0.3, 2000),
                Hand.Metric
            )
        );
        var (lowest, cash, mostFeed) = answer.Cash;
        // The sale comes in the last month: until then all costs are out.
        Assert.Equal(answer.Months[^1].Month, lowest.Month);
        Assert.Equal(-answer.Cost, cash, 4);
        Assert.Equal(answer.Months.Max(m => m.FeedKg), mostFeed.FeedKg);
        Assert.Equal(answer.Air.Select(x => x.ShaftKW), answer.AirWorth.Select(x => x.ShaftKW));
        var same = answer.AirWorth.Single(x => Math.Abs(x.ShaftKW - 2.2) < 1e-9);
        Assert.Equal(answer.Margin, same.Margin, Math.Abs(answer.Margin) * 0.01);
        // More air: never fewer fish, energy by hours and power through the motor, money by the kWh.
        Assert.Equal((0, 0), (answer.AirWorth[0].MoreKg, answer.AirWorth[0].KWh));
        foreach (var (less, more) in answer.AirWorth.Zip(answer.AirWorth.Skip(1)))
        {
            Assert.True(more.HarvestKg >= less.HarvestKg - 1e-6);
            Assert.Equal(more.HarvestKg - answer.AirWorth[0].HarvestKg, more.MoreKg, 6);
            Assert.Equal(
                more.Hours * more.ShaftKW / answer.Question.Water.Aerators.MotorEfficiency,
                more.KWh,
                Math.Max(1e-6, more.KWh * 1e-9)
            );
            Assert.Equal(more.KWh * 0.3, more.Cost, Math.Max(1e-6, more.Cost * 1e-9));
        }
    }

    [Fact]
    public void Weed_in_place_of_feed_lengthens_the_way_to_market_by_its_conversion()
    {
        // FCR 1.6 of feed at 90 % dry is 1.44 dry; weed takes 1.6, 2.5 or 4 kg dry for a kilogram of fish.
        var (low, usual, high) = GrownFeed.MonthsOnWeed(8, 1.6, 100);
        Assert.Equal((8 * 1.6 / 1.44, 8 * 2.5 / 1.44, 8 * 4 / 1.44), (low, usual, high), TripleComparer.Instance);
        Assert.Equal((8, 8, 8), GrownFeed.MonthsOnWeed(8, 1.6, 0), TripleComparer.Instance);
        var fifth = GrownFeed.MonthsOnWeed(8, 1.6, 20).Usual;
        Assert.Equal(8 / (0.8 + (0.2 * 1.44 / 2.5)), fifth, 9);
        // Never quicker than on complete feed, even where that converts badly.
        Assert.Equal(8, GrownFeed.MonthsOnWeed(8, 6, 100).Usual, 9);
    }

    private sealed class TripleComparer : IEqualityComparer<(double, double, double)>
    {
        public static readonly TripleComparer Instance = new();

        public bool Equals((double, double, double) x, (double, double, double) y) =>
            Math.Abs(x.Item1 - y.Item1) + Math.Abs(x.Item2 - y.Item2) + Math.Abs(x.Item3 - y.Item3) < 1e-9;

        public int GetHashCode((double, double, double) x) => 0;
    }
}
