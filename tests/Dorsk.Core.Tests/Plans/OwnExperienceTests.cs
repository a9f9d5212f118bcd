using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Plans;

/// <summary>What a farm has carried itself, what a new plan lacks, and the cast net for a pond.</summary>
public class OwnExperienceTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");

    private static StockingAnswer Plan(int? own = null, double kw = 2.2, PlanPrices? prices = null) =>
        StockingAnswer.Of(
            new(
                Perch,
                new(RearingSystem.Earthen, 4000, 5200, kw, AeratorKind.All[0], 0, 30, 0),
                10,
                500,
                80,
                1,
                new(2026, 11, 1),
                _ => 26,
                null,
                own,
                prices ?? new(0.35, 1.6, 12, 0.3, 2000),
                Hand.Metric
            )
        );

    [Fact]
    public void A_plan_beyond_what_the_farm_has_carried_is_watched_and_a_step_is_offered()
    {
        var limit = Plan();
        var first = new OwnExperience(0, null);
        // Six tenths of what the limit lets stock; the same plan with them is not spoken against.
        Assert.Equal((int)(0.6 * limit.AtHarvest / 0.8), first.Prudent(limit));
        Assert.Equal(Status.Watch, first.Against(limit)!.Status);
        Assert.Null(first.Against(Plan(first.Prudent(limit))));
        Assert.NotNull(first.Against(Plan(first.Prudent(limit) + 1)));
        // 1,000 kg/ha carried before: half more is 1,500 kg/ha, on 0.4 ha 600 kg, 1,200 fish of 500 g, of 1,500 stocked.
        var before = new OwnExperience(3, 1000);
        Assert.Equal(1500, before.Prudent(limit));
        Assert.Contains("1,500 fish", before.Against(limit)!.Reason, StringComparison.Ordinal);
        // Whatever was carried, nothing speaks for more than the limit.
        Assert.Equal((int)(limit.AtHarvest / 0.8), new OwnExperience(9, 1e6).Prudent(limit));
    }

    [Fact]
    public void A_plan_lacks_what_the_farm_has_not_and_nothing_else()
    {
        var all = new PlanMeans(true, true, 2, 2, 1, 1, true);
        Assert.Empty(PlanGap.Of(Plan(), all));
        PlanNeed[] Lacks(PlanMeans means, StockingAnswer? plan = null) =>
            [.. PlanGap.Of(plan ?? Plan(), means).Select(g => g.Need)];
        Assert.Equal([PlanNeed.Permit], Lacks(all with { KnowsAuthority = false }));
        Assert.Equal([PlanNeed.OxygenMeter], Lacks(all with { HasMeter = false }));
        Assert.Equal([PlanNeed.CallList], Lacks(all with { Called = 1 }));
        Assert.Equal([PlanNeed.SecondPerson], Lacks(all with { People = 1 }));
        Assert.Equal([PlanNeed.Buyer], Lacks(all with { Buyers = 0 }));
        Assert.Equal([PlanNeed.Adviser], Lacks(all with { Advisers = 0 }));
        Assert.Equal([PlanNeed.Preparation], Lacks(all with { IsPrepared = false }));
        Assert.Empty(Lacks(all with { IsPrepared = null }));
        Assert.Equal([PlanNeed.Air], Lacks(all, Plan(kw: 0)));
        Assert.Equal(
            [PlanNeed.Labour, PlanNeed.FeedMoney, PlanNeed.SalePrice],
            Lacks(all, Plan(prices: new(0, 0, 0, 0, 0)))
        );
    }

    [Fact]
    public void No_fish_of_half_the_mean_slips_through_the_mesh_of_the_card()
    {
        var net = CastNet.Of(Perch, 200, 2000, 1000, 1.5);
        Assert.Equal(100, SampleNet.Slipped(Perch, net.MeshMm)!.Value, 6);
        // 2.25 m of radius cover 15.9 m² of 1,000: 31.8 of 2,000 fish; thirty of them need two throws where eight of ten open.
        Assert.Equal(2.25, net.RadiusM, 9);
        Assert.Equal(31.8, net.FishAThrow, 1);
        Assert.Equal(2, net.Throws(30, 0.8));
        Assert.Null(net.Throws(30, 0));
        Assert.Equal(1.8, CastNet.Of(Perch, 200, 2000, 1000, 0.5).RadiusM, 9);
    }
}
