using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Plans;

/// <summary>Which fish, in what; nursery density; the order slip; fish that share a water.</summary>
public class SpeciesChoiceTests
{
    private static readonly DateOnly November = new(2026, 11, 1);
    private static readonly PlanWater Pond = new(RearingSystem.Earthen, 4000, 5200, 2.2, AeratorKind.All[0], 0, 30, 0);

    private static double Year(DateOnly d) => 20 + (6 * Math.Cos(2 * Math.PI * (d.DayOfYear - 20) / 365.25));

    private static SpeciesSite Site(PlanWater? water = null, Func<DateOnly, double>? temp = null) =>
        new(water ?? Pond, November, temp ?? Year, 1.6, 0.3, 3000, 20_000, 2000, 40_000, 150_000, false, Hand.Metric);

    private static SpeciesCandidate Fish(string key, double low = 9, double high = 15, Had all = Had.Yes) =>
        new(FishSpecies.Of(key), low, high, 0.35, all, all, all, all);

    private static SpeciesWeighed Weigh(string key, SpeciesSite? site = null, Had all = Had.Yes) =>
        SpeciesWeighed.Of(Fish(key, all: all), site ?? Site());

    [Fact]
    public void Months_money_and_scale_by_hand()
    {
        var s = Weigh("silver_perch");
        // Monthly means 14 to 26 °C: between 11 and 33 all year; seven tenths of the best growth from about 21 °C.
        Assert.Equal(12, s.GrowingMonths);
        Assert.InRange(s.GoodMonths, 4, 7);
        Assert.Equal(0, s.DeadlyMonths);
        var cycles = 365.25 / (s.Plan.Season.Length + 35);
        Assert.Equal(s.Plan.HarvestKg * cycles, s.KgYear, 6);
        Assert.Equal(2000 / s.KgYear, s.Waters!.Value, 9);
        // The best pairing is the plan at the high price; the worst is worse.
        var (worst, best) = s.MarginYear;
        Assert.Equal(((s.Plan.HarvestKg * 15) - s.Plan.Cost) * cycles, best, 4);
        Assert.True(worst < best);
        Assert.Equal(40_000 / ((worst + best) / 2 / s.KgYear), s.WorthWhileKg.FamilyKg!.Value, 6);
        Assert.True(s.WorthWhileKg.BusinessKg > s.WorthWhileKg.FamilyKg);
        Assert.Equal(s.Plan.Cost / s.Plan.HarvestKg, s.ThresholdPrice!.Value, 9);
        Assert.Equal(240, s.HoursYear, 6);
    }

    [Fact]
    public void Every_way_of_keeping_is_described_in_all_six_respects_and_none_like_another()
    {
        foreach (var name in new[] { "earthen pond", "lined pond", "concrete tank", "cage" })
            Assert.Contains(SystemTraits.All, t => t.Name.Contains(name, StringComparison.Ordinal));
        Assert.Contains(SystemTraits.All, t => t.Power.Contains("minutes to act", StringComparison.Ordinal));
        Assert.All(SystemTraits.All, t =>
            Assert.All(new[] { t.Capital, t.Labour, t.Power, t.Sight, t.Control, t.WayOut }, said =>
                Assert.True(said.Length > 2, t.Name)
            )
        );
        Assert.Equal(
            SystemTraits.All.Count,
            SystemTraits.All.Select(t => (t.Capital, t.Labour, t.Power, t.WayOut)).Distinct().Count()
        );
    }

    [Fact]
    public void What_kills_what_is_missing_and_what_is_dear_stands_against_it_and_nothing_is_best_by_itself()
    {
        // Trout where the summer is 29 °C.
        var trout = Weigh("rainbow_trout", Site(temp: d => Year(d) + 3));
        Assert.Equal(Status.ActNow, trout.Against[0].Status);
        Assert.Contains(trout.Against, j =>
            j.Reason.Contains("within a degree of what kills it", StringComparison.Ordinal)
        );
        Assert.Contains(Weigh("silver_perch", all: Had.No).Against, j =>
            j is { Status: Status.ActNow, Reason: "nobody local buys it" }
        );
        Assert.Contains(Weigh("silver_perch", all: Had.Unknown).Against, j =>
            j.Status == Status.Watch && j.Reason.StartsWith("ask who buys it", StringComparison.Ordinal)
        );
        var shrimp = Weigh("whiteleg_shrimp");
        Assert.Contains(shrimp.Against, j => j.Reason.Contains("handwork", StringComparison.Ordinal));
        Assert.Equal(shrimp.HoursYear, 350 / 120.0 * Weigh("silver_perch").HoursYear, 6);
        Assert.Contains(Weigh("striped_catfish").Against, j =>
            j.Reason.Contains("from fry to fingerling about 35 %", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(Weigh("rainbow_trout").Against, j =>
            j.Reason.Contains("delicate", StringComparison.Ordinal)
        );
        var indoors = SpeciesWeighed.Of(
            Fish("nile_tilapia", 1, 2),
            Site(Pond with { System = RearingSystem.Recirculating, VolumeM3 = 60, AreaM2 = 50 }, _ => 28)
        );
        Assert.Contains(indoors.Against, j =>
            j.Reason.Contains("cheap fish grown to full size indoors", StringComparison.Ordinal)
        );
        Assert.Contains(Weigh("barramundi").Against, j => j.Reason.Contains("predator", StringComparison.Ordinal));
        Assert.All(FishSpecies.All, f => Assert.NotEmpty(Weigh(f.Key).Against));
    }

    [Fact]
    public void Own_weights_move_the_points_and_equal_fish_get_equal_points()
    {
        List<SpeciesWeighed> all = [Weigh("silver_perch"), Weigh("nile_tilapia"), Weigh("giant_prawn")];
        foreach (
            var w in new[]
            {
                new OwnWeights(3, 0, 0, 0, 0, 0),
                new OwnWeights(0, 1, 1, 1, 0, 0),
                new OwnWeights(1, 1, 1, 1, 1, 1),
            }
        )
            Assert.All(w.Of(all), p => Assert.InRange(p.Points, 0, 100));
        var soon = new OwnWeights(3, 0, 0, 0, 0, 0).Of(all);
        Assert.Equal(100, soon[all.FindIndex(s => s.MonthsToMarket == all.Min(x => x.MonthsToMarket))].Points, 9);
        Assert.All(new OwnWeights(0, 0, 0, 0, 0, 3).Of(all), p => Assert.Equal(100, p.Points));
        Assert.All(new OwnWeights(0, 0, 0, 0, 0, 0).Of(all), p => Assert.Equal(0, p.Points));
        Assert.Single(new OwnWeights(2, 2, 2, 2, 2, 2).Of([all[0], all[0]]).Select(p => p.Points).Distinct());
    }

    [Fact]
    public void Fewer_larvae_grow_larger_and_the_table_is_met_at_its_own_length()
    {
        var n = NurseryDensity.For(FishSpecies.Of("silver_perch"))!;
        Assert.Equal((50.0, 100.0, 150.0), n.LarvaeFor(40));
        // Twice the length: eight times the weight, 8^0.82 times the food.
        Assert.Equal(100 / Math.Pow(8, 0.82), n.LarvaeFor(80).Usual, 9);
        Assert.Equal(
            n.LarvaeFor(80).Usual * Math.Pow(n.WeightG(80), 0.82),
            n.LarvaeFor(30).Usual * Math.Pow(n.WeightG(30), 0.82),
            6
        );
        Assert.Null(n.Cannibals);
        Assert.Equal(Status.Watch, NurseryDensity.For(FishSpecies.Of("barramundi"))!.Cannibals!.Status);
        Assert.True(FishSpecies.All.Count(f => NurseryDensity.For(f) is not null) >= 14);
        Assert.Throws<ArgumentOutOfRangeException>(() => n.LarvaeFor(3));
        // Two-inch catfish: the table speaks of 100 mm; far under it the number is held and the figure says that it is a guess.
        var catfish = NurseryDensity.For(FishSpecies.Of("channel_catfish"))!;
        Assert.Equal((false, true, false), (catfish.IsKnown(51), catfish.IsKnown(100), catfish.IsKnown(203)));
        Assert.Equal(catfish.LarvaeFor(70), catfish.LarvaeFor(51));
        Assert.InRange(catfish.LarvaeFor(51).Usual * 4047, 120_000, 200_000);
        Assert.InRange(catfish.LarvaeFor(203).Usual * 4047, 10_000, 20_000);
    }

    [Fact]
    public void An_order_holds_what_the_plan_needs_by_the_day_it_needs_it()
    {
        var plan = StockingAnswer.Of(
            new(
                FishSpecies.Of("silver_perch"),
                Pond,
                2,
                500,
                80,
                1,
                November,
                Year,
                null,
                null,
                new(0.35, 1.6, 12, 0.3, 2000),
                Hand.Metric
            )
        );
        var order = OrderSlip.Of(plan, new(8, 20, 10, 0.28, 3, 25), []);
        Assert.Equal(
            (plan.Stock, plan.Stock * 2 / 1000.0),
            (order.Lines[0].Number!.Value, order.Lines[0].MassKg!.Value)
        );
        // Bags hold all, and one fewer would not; salt is for their water.
        var bags = order.Lines[1].Number!.Value;
        Assert.True(bags * order.PackedBy >= plan.Stock && (bags - 1) * order.PackedBy < plan.Stock);
        Assert.Equal(3.0 * bags * 10 / 1000, order.Lines[2].MassKg!.Value, 9);
        var feed = order.Lines.Where(l => l.What.StartsWith("Feed", StringComparison.Ordinal)).ToList();
        Assert.Equal(plan.FeedKg, feed.Sum(l => l.MassKg!.Value), 6);
        Assert.All(feed, l => Assert.True(l.Number * 25 >= l.MassKg && l.NeededOn >= November.AddDays(-1)));
        Assert.True(feed[0].NeededOn < feed[^1].NeededOn);
        // A longer road takes more bags; one that kills says so.
        Assert.True(OrderSlip.Of(plan, new(24, 20, 10, 0.28, 0, 20), []).Lines[1].Number > bags);
        var last = OrderSlip.Of(
            StockingAnswer.Of(plan.Question with { FromG = 200, TargetG = 500 }),
            new(72, 30, 0.5, 0.9, 0, 25),
            []
        );
        Assert.Equal((0, Status.ActNow), (last.PackedBy, last.Judgement.Status));
    }

    [Fact]
    public void Fish_that_share_a_water_have_their_shares_and_a_predator_is_named()
    {
        var q = new StockingQuestion(
            FishSpecies.Of("silver_perch"),
            Pond,
            10,
            500,
            80,
            0.6,
            November,
            Year,
            null,
            null,
            new(0.35, 1.6, 12, 0.3, 2000),
            Hand.Metric
        );
        var shared = SharedWater.Of(
            q,
            [new(FishSpecies.Of("silver_carp"), 20, 1000, 0.3), new(FishSpecies.Of("barramundi"), 300, 600, 0.2)]
        );
        Assert.Equal(-0.1, shared.ShareLeft, 9);
        Assert.Equal(StockingAnswer.Of(q).Stock, shared.Fish[0].Answer.Stock);
        Assert.All(shared.Fish, f =>
            Assert.True(f.Answer.Stock * f.Answer.Question.Survival <= f.Answer.Binding.AtHarvest + 1e-6)
        );
        Assert.Equal((3, Status.ActNow), (shared.Meets.Count, shared.Meets[0].Status));
        Assert.Contains("can be swallowed", shared.Meets[0].Reason, StringComparison.Ordinal);
    }
}
