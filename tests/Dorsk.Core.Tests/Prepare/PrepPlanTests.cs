using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;

namespace Dorsk.Core.Tests.Prepare;

/// <summary>Dates of a preparation: waits are kept whatever is done, left out or late; lime by hand.</summary>
public class PrepPlanTests
{
    private static readonly DateOnly Made = new(2026, 11, 1);
    private static readonly PrepPond Earthen = new(PondKind.Earthen, 4800, 5600, 60, 5.5);
    private static readonly PreparationPlanned Full = new(
        1,
        new DateOnly(2027, 1, 10),
        "silver_perch",
        10,
        LimeSchool.BySoil,
        5.3,
        SoilTexture.HeavyLoamOrClay,
        null,
        90,
        PestSchool.Poison,
        2,
        10,
        FertiliserSchool.Mixed,
        true,
        new(25, 10, 40, 20, 0.3)
    );

    [Fact]
    public void Days_keep_their_waits_over_random_histories()
    {
        var chance = new Random(5);
        for (var i = 0; i < 2000; i++)
        {
            var wish = Full with
            {
                StockOn = chance.Next(3) == 0 ? null : Made.AddDays(chance.Next(1, 150)),
                DryDays = chance.Next(0, 30),
                Lime = (LimeSchool)chance.Next(4),
                AlkalinityMgL = 12,
                Pests = (PestSchool)chance.Next(4),
                Own = OwnPrep.None with
                {
                    Stages = chance.Next(1, 6),
                    StartPool = chance.Next(2) == 0,
                    ManureDays = chance.Next(2) == 0 ? null : 3,
                },
                PoisonDays = chance.Next(1, 30),
                Fertiliser = (FertiliserSchool)chance.Next(5),
                Cover = chance.Next(2) == 0,
            };
            var steps = PrepSteps.For(
                wish,
                Earthen with
                {
                    Kind = (PondKind)chance.Next(7),
                    PumpM3H = chance.Next(2) == 0 ? null : 40,
                }
            );
            var today = Made.AddDays(chance.Next(0, 100));
            // A random first part of the steps is done or left out, in order.
            var done = new Dictionary<string, StepDone>();
            var day = Made;
            foreach (var s in steps.Take(chance.Next(0, steps.Count - 1)).Where(s => s.Key != PrepPlan.Stock))
            {
                day = day.AddDays(chance.Next(0, 6));
                if (day <= today)
                    done[s.Key] = new(day, chance.Next(6) == 0, "no need");
            }
            var plan = PrepPlan.Of(steps, Made, wish.StockOn, done, today);
            var days = plan.Steps.ToDictionary(s => s.Step.Key);
            foreach (var open in plan.Steps.Where(s => s.State is StepState.Open or StepState.Late))
            {
                Assert.True(open.Day >= today, "an open step cannot be in the past");
                foreach (var (key, wait) in open.Step.After)
                    Assert.True(
                        open.Day >= days[key].Day.AddDays(days[key].State == StepState.Left ? 0 : wait),
                        $"{open.Step.Key} must wait {wait} days after {key}"
                    );
            }
            if (wish.StockOn is { } wanted)
                Assert.True(plan.StockOn >= wanted && (plan.SlipsDays == 0) == (plan.StockOn == wanted));
            Assert.Equal(plan.SlipsDays > 0 && plan.OpenBeforeStocking.Count > 0, plan.HeldBy is not null);
        }
    }

    [Fact]
    public void A_late_step_pushes_the_stocking_day_by_what_it_is_late()
    {
        var steps = PrepSteps.For(Full, Earthen);
        var plan = PrepPlan.Of(steps, Made, Full.StockOn, new Dictionary<string, StepDone>(), Made);
        Assert.Equal(0, plan.SlipsDays);
        Assert.Equal(Full.StockOn, plan.StockOn);
        // As late as the waits allow: with the first step five days after its day, everything is five days later.
        var first = plan.Steps[0].Day;
        var late = PrepPlan.Of(steps, Made, Full.StockOn, new Dictionary<string, StepDone>(), first.AddDays(5));
        Assert.Equal(5, late.SlipsDays);
        Assert.Equal("drain", late.HeldBy!.Step.Key);
        Assert.Equal(StepState.Late, late.HeldBy.State);
        Assert.All(late.Steps, s => Assert.Equal(5, s.MovedDays));
        // Done early, nothing is hurried: later steps keep the last day that serves.
        var early = PrepPlan.Of(
            steps,
            Made,
            Full.StockOn,
            new Dictionary<string, StepDone> { ["drain"] = new(Made) },
            Made.AddDays(1)
        );
        Assert.Equal(plan.Steps[1].Day, early.Steps[1].Day);
        // By hand: full 13 Dec at the latest? The longest way from meal to fish is a fortnight, and ready is the day before.
        Assert.True(plan.Steps.Single(s => s.Step.Key == "meal").Day <= Full.StockOn!.Value.AddDays(-15));
        Assert.True(plan.Steps.Single(s => s.Step.Key == "cover").Day <= Full.StockOn.Value.AddDays(-8));
        Assert.Equal(
            7,
            plan.Steps.Single(s => s.Step.Key == "dose-3").Day.DayNumber
                - plan.Steps.Single(s => s.Step.Key == "dose-2").Day.DayNumber
        );
    }

    [Fact]
    public void Manure_lies_a_week_before_water_comes()
    {
        var plan = PrepPlan.Of(
            PrepSteps.For(Full with { Fertiliser = FertiliserSchool.Manure }, Earthen),
            Made,
            Full.StockOn,
            new Dictionary<string, StepDone>(),
            Made
        );
        int Day(string key) => plan.Steps.Single(s => s.Step.Key == key).Day.DayNumber;
        Assert.True(Day("filling") - Day("manure") >= 7);
        Assert.Equal(
            490 * Earthen.AreaM2 / 10_000,
            plan.Steps.Single(s => s.Step.Key == "manure").Step.Supplies[0].Amount!.Value,
            9
        );
    }

    [Fact]
    public void Later_doses_go_on_beside_the_fish_and_keep_nobody_from_stocking()
    {
        foreach (var school in Enum.GetValues<FertiliserSchool>())
        {
            var steps = PrepSteps.For(Full with { Fertiliser = school }, Earthen);
            var done = steps
                .Where(s =>
                    s.Key != PrepPlan.Stock
                    && !(s.Key.StartsWith("dose", StringComparison.Ordinal) && s.Key != "dose-1")
                )
                .ToDictionary(s => s.Key, _ => new StepDone(Made.AddDays(20)));
            var plan = PrepPlan.Of(steps, Made, Full.StockOn, done, Made.AddDays(60));
            Assert.Empty(plan.OpenBeforeStocking);
            Assert.Equal(school == FertiliserSchool.None ? 0 : 5, plan.Open.Count);
            // Nor do they hold a day that slips; without the first dose of the mineral school there is no food yet.
            Assert.Null(PrepPlan.Of(steps, Made, Made.AddDays(30), done, Made.AddDays(60)).HeldBy);
            done.Remove("dose-1");
            Assert.Equal(
                school is FertiliserSchool.Mineral or FertiliserSchool.Manure,
                PrepPlan
                    .Of(steps, Made, Full.StockOn, done, Made.AddDays(60))
                    .OpenBeforeStocking.Any(s => s.Step.Key == "dose-1")
            );
        }
    }

    [Fact]
    public void Lime_and_the_shopping_list_by_hand()
    {
        // Boyd 1990: pH 5.1 to 5.5, heavy: 5,370 kg/ha; 0.48 ha; bag of 90 %: 2,864 kg in 115 bags of 25 kg.
        var lime = LimeNeed.BySoil(5.3, SoilTexture.HeavyLoamOrClay, 4800, 90);
        Assert.Equal(5370 * 0.48 / 0.9, lime.Kg, 6);
        // No gaps between the bands: every pH finds a row, and more acid never needs less.
        foreach (var texture in Enum.GetValues<SoilTexture>())
            for (var (ph, last) = (2.0, double.MaxValue); ph <= 10; ph += 0.05)
            {
                var kg = LimeNeed.BySoil(ph, texture, 10_000, 100).Kg;
                Assert.True(kg <= last);
                last = kg;
            }
        Assert.Equal(0, LimeNeed.ByAlkalinity(45, 10_000, 100).Kg);
        Assert.Contains(
            "acid sulphate",
            LimeNeed.BySoil(3.8, SoilTexture.Sand, 100, 100).Caution,
            StringComparison.Ordinal
        );

        var plan = PrepPlan.Of(
            PrepSteps.For(Full, Earthen),
            Made,
            Full.StockOn,
            new Dictionary<string, StepDone>(),
            Made
        );
        var buy = plan.Shopping.ToDictionary(s => s.Product);
        Assert.Equal(
            (115, 1150.0),
            (buy["agricultural limestone"].Bags!.Value, buy["agricultural limestone"].Cost!.Value)
        );
        Assert.Equal(6 * 8 / 0.46 * 0.48, buy["diammonium phosphate 18-46-0"].Amount!.Value, 6);
        Assert.Equal(2 * 5600 / 3.0 / 1000, buy["fish poison licensed here"].Amount!.Value, 6);
        Assert.Equal(5600 / 60.0 * 5.5, buy["electricity for filling"].Amount!.Value, 6);
        // What is done is not bought again.
        Assert.DoesNotContain(
            PrepPlan
                .Of(
                    PrepSteps.For(Full, Earthen),
                    Made,
                    Full.StockOn,
                    new Dictionary<string, StepDone> { ["lime"] = new(Made) },
                    Made
                )
                .Shopping,
            s => s.Product == "agricultural limestone"
        );
    }

    [Fact]
    public void A_plan_that_cannot_be_is_refused_at_its_field()
    {
        string Field(PreparationPlanned p) => string.Join(' ', p.Check(Made).Select(r => r.Field));
        Assert.Equal("", Field(Full));
        Assert.Equal("StockOn", Field(Full with { StockOn = Made }));
        Assert.Equal("DryDays", Field(Full with { DryDays = 121 }));
        Assert.Equal("MudPh", Field(Full with { MudPh = null }));
        Assert.Equal("Alkalinity", Field(Full with { Lime = LimeSchool.ByAlkalinity }));
        Assert.Equal("PoisonGM3", Field(Full with { PoisonGM3 = 0 }));
        Assert.Equal("BagKg", Field(Full with { Prices = new(0, null, null, null, null) }));
        Assert.Equal(Objection.Ask, Assert.Single((Full with { MudPh = 3.7 }).Check(Made)).Kind);
    }
}
