using Dorsk.Core.Acclimate;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Acclimate;

/// <summary>The tank before the truck comes, ammonia on the way, places that differ, who is there, hatcheries and what to ask of them.</summary>
public class ArrivalPracticeTests
{
    private static readonly FishSpecies Shrimp = FishSpecies.Of("whiteleg_shrimp");
    private static readonly AccWater Bag = new(27, 7.6, 30, 3, 9, 120),
        Pond = new(28, 8.2, 8, 0.1, 6.5, 140);

    private static AccQuestion Ask(params AccWater[] places) =>
        new(Shrimp, 0.004, Bag, places.Length > 0 ? places : [Pond, Pond, Pond], 8, null, Hand.Metric);

    [Fact]
    public void The_tank_is_half_full_at_the_salinity_of_the_bags_and_meals_are_weighed()
    {
        // 500,000 of 4 mg are 2 kg; 10 kg/m³ would do with 0.2 m³; half is 0.1 m³, 22 ppt more is 2.2 kg of salt.
        var tank = AccTank.For(Ask(), 500_000, 9.5);
        Assert.Equal((0.2, 0.1), (tank.LeastM3, tank.HalfM3));
        Assert.Equal(2.2, tank.SaltKg, 9);
        Assert.Equal(0, tank.FreshM3);
        // A tenth of 2 kg a day is 200 g, in twelve meals 16.7 g.
        Assert.Equal([2, 4, 6, 8], tank.MealHours);
        Assert.Equal(0.2 / 12, tank.MealKg, 9);
        var saltier = AccTank.For(
            Ask() with
            {
                Bag = Bag with { SalinityPpt = 5 },
                Places = [Pond with { SalinityPpt = 20 }],
            },
            5_000_000,
            9
        );
        // 20 kg want 2 m³; the half holds a quarter of pond water for each part of three of fresh.
        Assert.Equal((2, 1, 0, 0.75), (saltier.LeastM3, saltier.HalfM3, saltier.SaltKg, saltier.FreshM3));
        // Fish of size wait with their meal.
        Assert.Empty(AccTank.For(Ask() with { MeanG = 20 }, 1000, 9).MealHours);
    }

    [Theory]
    [InlineData(0.2, 7.6, Status.Steady, "carbon dioxide off")]
    [InlineData(4, 6.3, Status.Watch, "carbon dioxide off, it hinders breathing")]
    [InlineData(4, 7.6, Status.Watch, "carbon dioxide on")]
    [InlineData(4, 8.4, Status.ActNow, "no pond water in")]
    public void Carbon_dioxide_goes_on_and_off_by_the_ammonia_on_the_way(
        double tan,
        double ph,
        Status status,
        string says
    )
    {
        var judged = AccAmmonia.Of(tan, 27, ph, 20, 0.1, Hand.Metric);
        Assert.Equal(status, judged.Status);
        Assert.Contains(says, judged.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void The_ph_to_hold_gives_just_the_wanted_ammonia()
    {
        var ph = AccAmmonia.PhFor(4, 27, 20, 0.05);
        Assert.Equal(0.05, UnionisedAmmonia.MgNL(4, 27, ph, 20), 6);
    }

    [Fact]
    public void Places_are_told_apart_with_their_figures_and_wind_names_the_bank()
    {
        var plan = AcclimationPlan.For(Ask(Pond, Pond with { DoMgL = 4.2 }, Pond with { TempC = 27.1, Ph = 7.6 }));
        var said = Assert
            .Single(plan.Stops, s => s.Reason.StartsWith("The places differ", StringComparison.Ordinal))
            .Reason;
        Assert.Contains("oxygen 4.2 to 6.5", said, StringComparison.Ordinal);
        Assert.Contains("pH 7.6 to 8.2", said, StringComparison.Ordinal);
        Assert.Contains("place 3", said, StringComparison.Ordinal);
        Assert.DoesNotContain(AcclimationPlan.For(Ask()).Stops, s =>
            s.Reason.StartsWith("The places", StringComparison.Ordinal)
        );
        Assert.Contains(AcclimationPlan.For(Ask() with { WindMs = 8 }).Stops, s =>
            s.Reason.StartsWith("Wind", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(AcclimationPlan.For(Ask() with { WindMs = 2 }).Stops, s =>
            s.Reason.StartsWith("Wind", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Nobody_named_at_the_release_is_asked_shaken_fish_are_marked_and_ammonia_speaks()
    {
        var start = new DateTimeOffset(2027, 1, 21, 6, 0, 0, TimeSpan.FromHours(10));
        var plan = AcclimationPlan.For(Ask());
        var begun = new AcclimationBegun(1, Shrimp.Key, 0.004, 1000, "x", Bag, [Pond, Pond, Pond], 8, plan.School);
        AcclimationNoted Note(AccEvent e, string step = "", string text = "", double? tan = null) =>
            new(9, 1, e, step, null, tan is null ? null : 8.3, null, null, null, text) { TanMgL = tan };
        List<AccLine> lines =
        [
            .. plan
                .Steps.TakeWhile(s => s.Key != "out")
                .Select((s, i) => new AccLine(10 + i, start.AddHours(12 + i), "Hand", Note(AccEvent.StepDone, s.Key))),
        ];
        var run = new AccRun(9, start, begun, plan, lines);
        var asked = Assert.Single(Note(AccEvent.StepDone, "out").Check(run, start.AddHours(20)));
        Assert.Equal((Objection.Ask, "step"), (asked.Kind, asked.Field));
        Assert.Empty(Note(AccEvent.StepDone, "out", "Manager").Check(run, start.AddHours(20)));
        Assert.Null(run.Ammonia(Hand.Metric));
        Assert.False(run.Rough);
        var told = run with
        {
            Lines =
            [
                .. lines,
                new(30, start.AddHours(19), "Hand", Note(AccEvent.Measured, tan: 6)),
                new(31, start.AddHours(20), "Hand", Note(AccEvent.Note, text: AccRun.Shaken)),
            ],
        };
        Assert.True(told.Rough);
        Assert.Equal(Status.ActNow, told.Ammonia(Hand.Metric)!.Status);
        Assert.Equal("tan", (Note(AccEvent.Measured, tan: 300)).Check(run, start).Single().Field);
    }

    [Fact]
    public void Hatcheries_are_ranked_by_losses_then_road_then_water()
    {
        var ranked = HatcheryRecord.Rank([
            new("Far", 1000, 4, 14, 2, 0.5, 0),
            new("Near", 1000, 6, 3, 1, 0.2, 0),
            new("near", 1000, 8, 5, 1, 0.2, 0),
            new("Poor", 1000, 90, 1, 0, 0, 0),
            new("Like", 2000, 10, 4, 0.5, 0.1, 0),
            new(" ", 10, 0, null, null, null, null),
        ]);
        // Near, 14 of 2,000 in four hours; Like the same road with water more alike; Far within the same per cent by a longer road.
        Assert.Equal(["Like", "Near", "Far", "Poor"], ranked.Select(r => r.Seller));
        Assert.Equal((2, 0.7, 4.0), (ranked[1].Deliveries, Math.Round(ranked[1].LostPct, 6), ranked[1].Hours!.Value));
    }

    [Fact]
    public void What_to_ask_of_the_hatchery_and_what_is_done_when_it_cannot()
    {
        SalinityRequest For(double hatchery, HatcheryAnswer answer) =>
            SalinityRequest.For(Shrimp, 0.004, hatchery, 8, answer);
        var asked = For(30, HatcheryAnswer.NotAsked);
        Assert.Equal(SalinityRate.For(Shrimp, 0.004).Hours(30, 8), asked.HoursOnFarm, 9);
        Assert.True(asked.Wanted && asked.HoursOnFarm > 5);
        Assert.StartsWith("ask the hatchery to bring them to 8 ppt", asked.Judgement.Reason, StringComparison.Ordinal);
        Assert.Equal(0, For(30, HatcheryAnswer.Does).HoursOnFarm);
        Assert.StartsWith("on the farm", For(30, HatcheryAnswer.DoesNot).Judgement.Reason, StringComparison.Ordinal);
        Assert.False(For(8.5, HatcheryAnswer.NotAsked).Wanted);
    }

    [Fact]
    public void A_current_feeds_a_cage_salt_goes_by_the_litre_and_extensive_shrimp_are_not_none()
    {
        // 4 × 4 × 3 m, 10 cm/s outside: 12 m² × 0.05 m/s × 3600.
        Assert.Equal(2160, CageFlow.M3H(16, 48, 0.10), 6);
        var (load, row) = HaulLoad.Tank(FishSpecies.Of("nile_tilapia"), 20, 8, 24)!.Value;
        Assert.True(load > 0 && row.SaltGL is { Low: > 0 } s && s.High >= s.Low);
        StockingQuestion Ask(RearingSystem system, double flow, double kw, FishSpecies fish) =>
            new(
                fish,
                new(
                    system,
                    system == RearingSystem.Cage ? 16 : 10_000,
                    system == RearingSystem.Cage ? 48 : 12_000,
                    kw,
                    AeratorKind.All[0],
                    flow,
                    0,
                    system == RearingSystem.Cage ? 0 : 20
                ),
                5,
                fish == Shrimp ? 18 : 400,
                80,
                1,
                new(2026, 11, 1),
                _ => 27,
                null,
                null,
                new(0.1, 1, 5, 0.3, 0),
                Hand.Metric
            );
        var cage = StockingAnswer.Of(Ask(RearingSystem.Cage, 200, 0, FishSpecies.Of("nile_tilapia")));
        var faster = StockingAnswer.Of(Ask(RearingSystem.Cage, 400, 0, FishSpecies.Of("nile_tilapia")));
        double Air(StockingAnswer a) => a.Limits.Single(l => l.Name == StockingLimits.ByAir).AtHarvest;
        Assert.True(Air(faster) > Air(cage) && Air(cage) > 0);
        Assert.True(
            StockingAnswer
                .Of(Ask(RearingSystem.Earthen, 0, 0, Shrimp) with { FromG = 0.01 })
                .Limits.Single(l => l.Name == StockingLimits.ByCapacity)
                .AtHarvest > 0
        );
    }
}
