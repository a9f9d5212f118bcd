using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Prepare;

/// <summary>The farm's own figures in a preparation, filling in levels, the starting pool, ways from mild to harsh.</summary>
public class OwnPrepTests
{
    private static readonly SlopedRectangle Body = new(80, 60, 1.5, 2);
    private static readonly PrepPond Pond = new(PondKind.Earthen, Body.FullAreaM2, Body.FullVolumeM3, 60, 5.5)
    {
        Shape = Body,
    };

    private static PreparationPlanned Plan(
        OwnPrep? own = null,
        PestSchool pests = PestSchool.DryAndScreen,
        FertiliserSchool food = FertiliserSchool.Manure,
        LimeSchool lime = LimeSchool.ByAlkalinity
    ) =>
        new(
            1,
            null,
            "silver_perch",
            10,
            lime,
            null,
            SoilTexture.Sand,
            12,
            90,
            pests,
            2,
            10,
            food,
            false,
            new(25, 10, 40, 20, 0.3)
        )
        {
            Own = own ?? OwnPrep.None,
        };

    private static PrepStep Step(PreparationPlanned plan, string key) =>
        PrepSteps.For(plan, Pond).First(s => s.Key == key);

    private static double Kg(PreparationPlanned plan, string key, int n = 0) =>
        Step(plan, key).Supplies[n].Amount!.Value;

    [Fact]
    public void What_is_typed_stands_in_place_of_the_trade_and_nothing_is_mixed()
    {
        var own = new OwnPrep("as my father did", 1500, 300, 90, 4, 2, 10, 3, 5);
        var ha = Pond.AreaM2 / 10_000;
        Assert.Equal(1500 * ha, Kg(Plan(own), "lime"), 6);
        Assert.Equal(300 * ha, Kg(Plan(own), "manure"), 6);
        Assert.Equal(90 * ha, Kg(Plan(own, food: FertiliserSchool.Meal), "meal"), 6);
        // Sized on phosphate: 2 kg/ha by a bag of 46 %; the 18 % of nitrogen in it come off the 4 kg/ha.
        var dap = 2 * ha / 0.46;
        Assert.Equal(dap, Kg(Plan(own), "dose-1"), 6);
        Assert.Equal(((4 * ha) - (0.18 * dap)) / 0.46, Kg(Plan(own), "dose-1", 1), 6);
        Assert.Equal([("filling", 3)], Waits(Plan(own), "manure"));
        Assert.Equal([("ready", 5)], Waits(Plan(own), "lime").Where(w => w.Item1 == "ready"));
        Assert.Equal(10, Step(Plan(own), "dose-3").After[0].Days);
        Assert.Contains("as my father did", Step(Plan(own), "lime").Supplies[0].Why.Source, StringComparison.Ordinal);
        // Without: a week, and the range of the trade beside the amount.
        Assert.Equal([("filling", 7)], Waits(Plan(), "manure"));
        var range = Step(Plan(), "manure").Supplies[0].Range!.Value;
        Assert.Equal((280 * ha, 700 * ha), (range.Low, range.High));
        Assert.Null(Step(Plan(own), "manure").Supplies[0].Range);
    }

    private static IEnumerable<(string, int)> Waits(PreparationPlanned plan, string on) =>
        PrepSteps
            .For(plan, Pond)
            .SelectMany(s => s.After.Where(a => a.Key == on).Select(a => (s.Key, a.Days)))
            .Where(w => w.Key != "leak");

    [Fact]
    public void Ranges_stay_ranges_to_the_end_of_the_sum()
    {
        var plan = PrepPlan.Of(
            PrepSteps.For(Plan(food: FertiliserSchool.Meal), Pond),
            new(2027, 1, 1),
            null,
            new Dictionary<string, StepDone>(),
            new(2027, 1, 1)
        );
        var meal = plan.Shopping.First(s => s.Product.Contains("meal", StringComparison.Ordinal));
        var ha = Pond.AreaM2 / 10_000;
        // 225 at first and five weeks of 75: 600; ranges 200 to 250 and 50 to 100.
        Assert.Equal(600 * ha, meal.Amount!.Value, 6);
        Assert.Equal(
            ((200 + (5 * 50)) * ha, (250 + (5 * 100)) * ha),
            (Math.Round(meal.Range!.Value.Low, 6), Math.Round(meal.Range.Value.High, 6))
        );
    }

    [Fact]
    public void A_pond_rises_in_levels_whose_water_sums_to_what_is_missing()
    {
        var levels = FillStages.Of(Body, 3);
        Assert.Equal(3, levels.Count);
        Assert.Equal(Body.FullDepthM, levels[^1].DepthM, 9);
        Assert.Equal(Body.FullVolumeM3 - Body.VolumeM3(0.5), levels.Sum(l => l.AddM3), 6);
        Assert.All(levels.Zip(levels.Skip(1)), x => Assert.True(x.First.DepthM < x.Second.DepthM));
        var steps = PrepSteps.For(Plan(OwnPrep.None with { Stages = 3 }), Pond);
        Assert.Equal(
            ["rise-1", "rise-2", "full"],
            steps.Where(s => s.Key.StartsWith("rise", StringComparison.Ordinal) || s.Key == "full").Select(s => s.Key)
        );
        Assert.Contains("0.83", steps.First(s => s.Key == "rise-1").What, StringComparison.Ordinal);
        Assert.DoesNotContain(PrepSteps.For(Plan(), Pond), s => s.Key.StartsWith("rise", StringComparison.Ordinal));
        Assert.Throws<ArgumentOutOfRangeException>(() => FillStages.Of(Body, 0));
    }

    [Fact]
    public void A_starting_pool_is_a_tenth_of_the_pond_and_comes_before_the_water()
    {
        var steps = PrepSteps.For(Plan(OwnPrep.None with { StartPool = true }), Pond).Select(s => s.Key).ToList();
        Assert.True(steps.IndexOf("pool") < steps.IndexOf("filling") && steps.Contains("pool"));
        var pool = StartingPool.For(Pond);
        Assert.Equal((480, 0.3, 480_000), (pool.AreaM2, pool.DepthM, pool.FryMost));
        Assert.Contains("480\u2009m²", pool.Words(Hand.Metric), StringComparison.Ordinal);
    }

    [Fact]
    public void A_root_is_soaked_collected_flushed_and_tried_before_fish()
    {
        var steps = PrepSteps.For(Plan(pests: PestSchool.PlantRoot), Pond).Select(s => s.Key).ToList();
        var order = new[] { "leak", "poison", "killed", "flush", "bioassay", "full", "nowild", "ready" };
        Assert.Equal(order, steps.Where(order.Contains));
        Assert.Contains(
            "not eaten",
            Step(Plan(pests: PestSchool.PlantRoot), "killed").Reason,
            StringComparison.Ordinal
        );
        Assert.Contains(
            QuantityText.Write(Pond.VolumeM3 / 3, Measures.Volume, Hand.Metric),
            Step(Plan(pests: PestSchool.PlantRoot), "flush").Reason,
            StringComparison.Ordinal
        );
        // The puddles: a twentieth of the floor at the rate of a disinfection.
        Assert.Equal(LimeNeed.Disinfect(Pond.AreaM2 / 20).Kg, Kg(Plan(pests: PestSchool.LimedPuddles), "puddles"), 6);
        Assert.Equal(
            [PestSchool.DryAndScreen, PestSchool.LimedPuddles, PestSchool.PlantRoot, PestSchool.Poison],
            Enum.GetValues<PestSchool>()
        );
    }

    [Fact]
    public void Own_figures_have_bounds_and_a_name()
    {
        Assert.Empty(OwnPrep.None.Check());
        Assert.Equal(["OwnNote"], new OwnPrep(LimeKgHa: 100).Check().Select(r => r.Field));
        Assert.Equal(
            [
                "OwnLime",
                "OwnManure",
                "OwnMeal",
                "OwnN",
                "OwnP",
                "OwnDoseDays",
                "OwnManureDays",
                "OwnLimeDays",
                "Stages",
            ],
            new OwnPrep("x", 0, -1, 30_000, -1, 101, 0, 61, 0, 6).Check().Select(r => r.Field)
        );
        Assert.Equal(Objection.Ask, new OwnPrep("x", ManureDays: 1).Check().Single().Kind);
    }

    [Fact]
    public void Steps_carry_their_cautions()
    {
        string Caution(string key, PestSchool pests) => Step(Plan(pests: pests), key).Caution;
        foreach (var said in new[] { "Two people with sticks and boots", "gas that kills", "Nobody alone" })
            Assert.Contains(said, Caution("drain", PestSchool.DryAndScreen), StringComparison.Ordinal);
        foreach (var way in new[] { PestSchool.Poison, PestSchool.PlantRoot })
        foreach (var said in new[] { "drinking water", "fuel oil", "icensed" })
            Assert.Contains(
                said,
                Caution("poison", way) + Step(Plan(pests: way), "poison").Reason,
                StringComparison.Ordinal
            );
        // The dry floor is smoothed before lime; a liner is washed with water only, before it is filled.
        List<string> keys = [.. PrepSteps.For(Plan(), Pond).Select(s => s.Key)];
        Assert.Contains("smooth the floor", Step(Plan(), "bottom").What, StringComparison.Ordinal);
        Assert.InRange(keys.IndexOf("bottom"), keys.IndexOf("dry"), keys.IndexOf("lime"));
        var lined = PrepSteps.For(Plan(), Pond with { Kind = PondKind.Lined }).ToList();
        var wash = lined.FindIndex(s => s.Key == "wash");
        Assert.Contains("plain water under pressure, no soap", lined[wash].What, StringComparison.Ordinal);
        Assert.True(wash < lined.FindIndex(s => s.Key == "full"));
        Assert.Contains("not eaten", Caution("poison", PestSchool.Poison), StringComparison.Ordinal);
        Assert.Contains("breaks down within days", Caution("poison", PestSchool.Poison), StringComparison.Ordinal);
    }
}
