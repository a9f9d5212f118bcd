using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Feeding;

/// <summary>The three schools of the ration, what overrules them, and the hours of the meals.</summary>
public class SchoolTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");
    private static readonly DateOnly Day = new(2027, 1, 21);
    private static readonly RationQuestion Q = new(
        Perch,
        200,
        5000,
        2.0,
        1.7,
        26,
        "measured",
        6,
        5.5,
        WaterLimits.For(Perch, LifeStage.Growing),
        0.5,
        8.8,
        false,
        1,
        Hand.Metric
    )
    {
        Day = Day,
    };

    [Fact]
    public void The_table_is_met_at_its_rows_lies_between_them_and_follows_the_temperature()
    {
        // 200 g at 26 °C: 2 % of 1,000 kg. 500 g: 1.4 %. Between them it falls all the way.
        Assert.Equal(20, SchoolRation.All(Q)[1].Kg!.Value, 9);
        double Pct(double g, double c = 26) => TableRation.For(Perch, g, c)!.StartPct;
        Assert.Equal((5.0, 1.4), (Math.Round(Pct(5), 9), Math.Round(Pct(500), 9)));
        Assert.Equal((Pct(5), Pct(500)), (Pct(1), Pct(900)));
        Assert.Equal(Math.Sqrt(2.0 * 1.4), Pct(Math.Sqrt(200.0 * 500)), 9);
        var last = 9.0;
        for (var g = 5.0; g < 500; g *= 1.2)
            Assert.True(Pct(g) <= last && (last = Pct(g)) > 0);
        // Carried by the species' own response: half the response, half the ration; never over a quarter more; nothing where they do not eat.
        var f = TemperatureResponse.F(26, Perch);
        Assert.Equal(2.0 * TemperatureResponse.F(20, Perch) / f, Pct(200, 20), 9);
        Assert.Equal(0, Pct(200, Perch.FeedMinC - 0.1));
        Assert.True(Pct(200, Perch.GrowthOptC) <= 2.5);
        Assert.Null(TableRation.For(FishSpecies.Of("jade_perch"), 200, 26));
    }

    [Theory]
    [InlineData(10, 13.4, null, RationSchool.Table)]
    [InlineData(10, 13.3, null, null)]
    [InlineData(10, 6.6, null, RationSchool.Table)]
    [InlineData(10, 13.4, 4.0, RationSchool.Satiation)] // the farther of two
    [InlineData(0, 13.4, null, null)] // nothing to hold it against
    public void Schools_more_than_a_third_apart_are_named(double own, double table, double? eaten, RationSchool? far)
    {
        SchoolRation Of(RationSchool s, double? kg) => new(s, kg, "", "");
        var schools = new[]
        {
            Of(RationSchool.ExpectedGain, own),
            Of(RationSchool.Table, table),
            Of(RationSchool.Satiation, eaten),
        };
        Assert.Equal(far, SchoolRation.FarApart(schools, RationSchool.ExpectedGain)?.School);
        Assert.Null(SchoolRation.FarApart([Of(RationSchool.Table, table)], RationSchool.ExpectedGain));
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(1, 6)]
    [InlineData(2, 10.2)]
    [InlineData(3, 12)]
    [InlineData(4, 13.2)]
    public void Satiation_goes_on_from_what_they_ate_by_how_they_came_to_it(int score, double kg)
    {
        var q = Q with { School = RationSchool.Satiation, Scored = new(Day.AddDays(-1), 12, score) };
        Assert.Equal(kg, Ration.For(q).FullKg, 9);
        Assert.Equal(RationSchool.Satiation, Ration.For(q).By);
    }

    [Fact]
    public void A_school_that_cannot_tell_hands_over_and_says_so_and_what_somebody_wants_stands_with_its_reason()
    {
        var gain = 5000 * 2.0 / 1000 * 1.7;
        foreach (
            var q in new[]
            {
                Q with
                {
                    School = RationSchool.Satiation,
                },
                Q with
                {
                    School = RationSchool.Satiation,
                    Scored = new(Day.AddDays(-8), 12, 3),
                },
                Q with
                {
                    Species = FishSpecies.Of("jade_perch"),
                    School = RationSchool.Table,
                },
            }
        )
        {
            var plan = Ration.For(q);
            Assert.Equal((gain, RationSchool.ExpectedGain), (Math.Round(plan.FullKg, 9), plan.By));
            Assert.Contains(plan.Why.Caveats, c => c.Contains("cannot tell", StringComparison.Ordinal));
        }
        var wanted = Ration.For(Q with { DawnLowMgL = 2, Overruled = (9, "they are hungry", "Manager") });
        Assert.Equal(9, wanted.PlannedKg, 9);
        Assert.Contains(wanted.Hits, h => h.Name == "dawn oxygen");
        Assert.Contains(wanted.Why.Limits, l => l.Contains("they are hungry", StringComparison.Ordinal));
        Assert.Equal(
            0,
            Ration
                .For(
                    Q with
                    {
                        Held =
                        [
                            new("un-ionised ammonia", Dorsk.Core.Judging.Status.ActNow, "0.9")
                            {
                                FeedFactor = 0,
                                Why = Dorsk.Core.Judging.Grounds.Of("", ""),
                            },
                        ],
                    }
                )
                .PlannedKg
        );
        Assert.Equal(
            ["kg", "reason"],
            new[] { new RationOverruled(1, 1, Day, -1, "x"), new(1, 1, Day, 5, " ") }.Select(o =>
                o.Check().Single().Field
            )
        );
        Assert.Empty(new RationOverruled(1, 1, Day, null, "").Check());
        Assert.Equal(
            ["Score", "Minutes", "Left"],
            new[] { new FeedingGiven(1, 1, 5, 7), new(1, 1, 5, null, 0), new(1, 1, 5, null, null, 6) }.Select(x =>
                x.CheckHow().Single().Field
            )
        );
    }

    // However many meals: the day's feed is the plan's, the halves keep their brakes, hours rise.
    [Property(MaxTest = 100)]
    public Property Meals_add_up_to_the_plan_and_keep_what_was_braked(PositiveInt seed)
    {
        var random = new Random(seed.Get);
        var plan = Ration.For(
            Q with
            {
                DawnLowMgL = 1 + (5 * random.NextDouble()),
                ForecastLowMgL = 1 + (5 * random.NextDouble()),
            }
        );
        var meals = MealTimes.Of(plan, random.Next(1, 25));
        var right =
            Math.Abs(meals.Sum(m => m.Kg) - plan.PlannedKg) < 1e-9
            && meals.Zip(meals.Skip(1)).All(p => p.First.At < p.Second.At)
            && (
                meals.Count == 1
                || Math.Abs(meals.Where(m => m.Half == Meal.Morning).Sum(m => m.Kg) - plan.Meals[0].Kg) < 1e-9
            );
        return right.Label($"{meals.Count} meals");
    }

    [Fact]
    public void Small_fish_are_fed_often_and_cold_fish_seldom()
    {
        FeedingRhythm? R(double g, double c) => FeedingRhythm.For(Perch, g, c);
        Assert.Equal((2, 4, 7), (R(5, 25)!.MealsLow, R(5, 25)!.MealsHigh, R(5, 25)!.DaysPerWeek));
        Assert.Equal((1, 2), (R(300, 25)!.MealsLow, R(300, 25)!.MealsHigh));
        Assert.Equal(2, R(300, 13)!.DaysPerWeek);
        Assert.Null(R(300, 5));
        Assert.Equal([0, 1, 2, 3, 4], FeedResponse.Scores.Select(s => s.Score));
        Assert.Contains("oxygen", FeedResponse.Rule(0), StringComparison.Ordinal);
    }
}
