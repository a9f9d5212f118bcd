using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Plans;

/// <summary>A fish in its market: form, imported price, salt, promotion, batches through the year, cannibals, the trial before full size, room.</summary>
public class MarketTests
{
    private static readonly DateOnly November = new(2026, 11, 1);
    private static readonly PlanWater Pond = new(RearingSystem.Earthen, 4000, 5200, 2.2, AeratorKind.All[0], 0, 30, 0);

    private static double Year(DateOnly d) => 20 + (6 * Math.Cos(2 * Math.PI * (d.DayOfYear - 20) / 365.25));

    private static readonly SpeciesSite Site = new(
        Pond,
        November,
        Year,
        1.6,
        0.3,
        3000,
        20_000,
        2000,
        40_000,
        150_000,
        true,
        Hand.Metric
    )
    {
        SaltKg = 0.5,
        BrineOut = Had.No,
        ProcessingKg = 2,
        PromotionYear = 1000,
    };

    private static SpeciesWeighed Weigh(
        string key,
        SoldAs form = SoldAs.Live,
        double? imported = null,
        Had known = Had.Yes
    ) =>
        SpeciesWeighed.Of(
            new(FishSpecies.Of(key), 9, 15, 0.35, Had.Yes, Had.Yes, Had.Yes, Had.Yes, form, imported, known),
            Site
        );

    [Fact]
    public void A_fillet_is_a_third_of_the_fish_and_its_price_must_carry_the_knife()
    {
        var live = Weigh("silver_perch").Market;
        var fillet = Weigh("silver_perch", SoldAs.Fillet).Market;
        Assert.Equal(0.38 * live.SellableKgYear, fillet.SellableKgYear, 6);
        Assert.Equal((live.BreakEven!.Value / 0.38) + 2, fillet.BreakEven!.Value, 6);
        // A margin of a year loses the processing of what is sold, and promotion where buyers do not know the fish.
        var (plain, cut) = (
            Weigh("silver_perch").MarginYear,
            Weigh("silver_perch", SoldAs.Fillet, known: Had.No).MarginYear
        );
        Assert.Equal((2 * fillet.SellableKgYear) + 1000, plain.Best - cut.Best, 4);
        Assert.Equal(plain.Worst - cut.Worst, plain.Best - cut.Best, 4);
    }

    [Fact]
    public void An_imported_price_under_the_break_even_stops_a_plan_and_a_new_fish_brings_its_tasks()
    {
        var least = Weigh("silver_perch", SoldAs.Gutted).Market.BreakEven!.Value;
        Assert.DoesNotContain(Weigh("silver_perch", SoldAs.Gutted, least + 0.1).Against, j =>
            j.Reason.StartsWith("imported", StringComparison.Ordinal)
        );
        Assert.Contains(Weigh("silver_perch", SoldAs.Gutted, least - 0.1).Against, j =>
            j.Status == Status.ActNow && j.Reason.StartsWith("imported gutted on ice", StringComparison.Ordinal)
        );
        Assert.Contains(Weigh("silver_perch", known: Had.No).Against, j =>
            j.Reason.Contains(FishMarket.TasksOfANewFish[0], StringComparison.Ordinal)
        );
        Assert.DoesNotContain(Weigh("silver_perch").Against, j =>
            j.Reason.Contains("tastings", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Salt_has_a_price_and_needs_a_way_out()
    {
        var shrimp = Weigh("whiteleg_shrimp");
        Assert.Equal(shrimp.SaltKg * 0.5, shrimp.SaltCost, 9);
        Assert.Contains(shrimp.Against, j =>
            j.Status == Status.ActNow && j.Reason.Contains("may go nowhere", StringComparison.Ordinal)
        );
        Assert.Equal(0, Weigh("silver_perch").SaltCost);
    }

    [Fact]
    public void Every_month_is_tried_and_those_without_fish_are_named()
    {
        var b = Weigh("silver_perch").Batches;
        Assert.Equal(12, b.Batches.Count);
        Assert.Equal(Enumerable.Range(0, 12).Select(m => November.AddMonths(m)), b.Batches.Select(x => x.StockOn));
        // Each that is stocked is the last that reaches its month, and its season is the plan's own.
        Assert.All(b.ToStock, x =>
            Assert.Equal(
                PlanSeason.Run(Weigh("silver_perch").Plan.Question with { StockOn = x.StockOn }).ReachedOn,
                x.ReadyOn
            )
        );
        Assert.Equal(12, b.ToStock.Count + b.MonthsWithout.Count);
        Assert.Equal(b.ToStock.Count, b.ToStock.Select(x => x.ReadyOn!.Value.Month).Distinct().Count());
        Assert.Equal(Status.Watch, b.Judgement.Status);
        Assert.Equal(
            Status.ActNow,
            SpeciesWeighed.Of(Weigh("rainbow_trout").Candidate, Site with { TempC = _ => 26 }).Batches.Judgement.Status
        );
        // Warm all year, every month has fish.
        Assert.Equal(
            Status.Steady,
            SpeciesWeighed.Of(Weigh("silver_perch").Candidate, Site with { TempC = _ => 26 }).Batches.Judgement.Status
        );
    }

    [Fact]
    public void Cannibals_are_told_with_their_loss_before_the_choice()
    {
        Assert.Null(CannibalLoss.Of(FishSpecies.Of("silver_perch")));
        var barramundi = CannibalLoss.Of(FishSpecies.Of("barramundi"))!;
        Assert.Equal((15.0, 40.0, 0.65), (barramundi.LowPct, barramundi.HighPct, barramundi.PreyShare));
        Assert.Contains("1.5 times", barramundi.Words(Hand.Metric), StringComparison.Ordinal);
        Assert.Equal(2, CannibalLoss.Of(FishSpecies.Of("rainbow_trout"))!.LowPct);
        Assert.Contains(
            "shelter",
            CannibalLoss.Of(FishSpecies.Of("redclaw"))!.Words(Hand.Metric),
            StringComparison.Ordinal
        );
        Assert.Contains(Weigh("barramundi").Against, j => j.Reason == barramundi.Words(Hand.Metric));
    }

    [Fact]
    public void A_trial_is_a_tenth_of_full_size_costed_as_lost()
    {
        var s = Weigh("silver_perch");
        var t = s.Trial!;
        var tenth = 0.1 * s.Waters!.Value * s.Plan.Stock;
        Assert.Equal((int)Math.Min(s.Plan.Stock, Math.Max(200, Math.Round(tenth))), t.Fish);
        Assert.Equal(s.Plan.Cost * t.Share, t.Cost, 6);
        Assert.InRange(t.Share, 0.001, 1);
    }

    [Fact]
    public void Room_counts_each_tier_of_water_and_the_floor_once()
    {
        // 6 t in 1.5 harvests: 4,000 kg at once; 4 kg/m² of tray: 1,000 m² in four tiers, a third of the floor aisles: 375 m².
        var trays = FarmRoom.Of(6000, 1.5, 4, false, 0.2, 4, 1 / 3.0);
        Assert.Equal(
            (4000, 1000, 200, 375),
            (trays.StandingKg, trays.WaterM2, Math.Round(trays.WaterM3, 6), Math.Round(trays.FloorM2, 6))
        );
        // 40 kg/m³ and 1 m: 100 m².
        var tanks = FarmRoom.Of(4000, 1, 40, true, 1, 1, 0);
        Assert.Equal((100, 100, 100), (tanks.WaterM3, tanks.WaterM2, tanks.FloorM2));
        Assert.Throws<ArgumentOutOfRangeException>(() => FarmRoom.Of(1, 1, 1, true, 1, 0, 0));
    }

    [Theory]
    [InlineData("silver_perch", 2500, "extensive")]
    [InlineData("silver_perch", 25_000, "semi-intensive")]
    [InlineData("whiteleg_shrimp", 50_000, "semi-intensive")]
    public void A_plan_is_placed_by_what_it_yields(string key, int own, string level)
    {
        var q = Weigh(key).Plan.Question with { Own = own, TargetG = key == "silver_perch" ? 100 : 18, FromG = 1 };
        var placed = StockingAnswer.Of(q).Class;
        Assert.Equal(level, placed.Name);
        var yield = StockingAnswer.Of(q).HarvestKg / 0.4;
        Assert.InRange(yield, placed.Yield.Low, placed.Yield.High);
        Assert.Contains("with aerators", placed.Because, StringComparison.Ordinal);
    }
}
