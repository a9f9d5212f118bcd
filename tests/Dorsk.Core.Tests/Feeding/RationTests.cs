using Dorsk.Core.Feeding;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Feeding;

public class RationTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");
    private static readonly RationQuestion Q = new(
        Perch,
        300,
        5000,
        2.5,
        1.7,
        27,
        "measured",
        6,
        5.5,
        WaterLimits.For(Perch, LifeStage.Growing),
        0.5,
        8.8,
        false,
        1,
        Hand.Metric
    );

    [Fact]
    public void Full_ration_is_gain_times_fcr() => Assert.Equal(5000 * 2.5 / 1000 * 1.7, Ration.For(Q).PlannedKg, 9);

    [Theory]
    [InlineData(2.9, 5.5, 0.5, "dawn oxygen")]
    [InlineData(3.5, 5.5, 0.75, "dawn oxygen")]
    [InlineData(6.0, 2.0, 0.5, "tonight's oxygen")]
    [InlineData(6.0, 3.9, 0.75, "tonight's oxygen")]
    [InlineData(2.0, 2.0, 0.0, "dawn oxygen")]
    public void Oxygen_brakes_the_meal_it_belongs_to(double dawn, double tonight, double left, string brake)
    {
        var plan = Ration.For(Q with { DawnLowMgL = dawn, ForecastLowMgL = tonight });
        Assert.Equal(left * plan.FullKg, plan.PlannedKg, 9);
        Assert.Contains(plan.Hits, h => h.Name == brake);
    }

    [Fact]
    public void The_act_level_itself_is_not_under_it() => Assert.Empty(Ration.For(Q with { DawnLowMgL = 4.0 }).Hits);

    [Fact]
    public void Cold_stops_heat_halves_and_winter_keeps()
    {
        Assert.Equal(0, Ration.For(Q with { TempC = 11.9 }).PlannedKg);
        Assert.Equal(0.5 * Ration.For(Q).FullKg, Ration.For(Q with { TempC = 33 }).PlannedKg, 9);
        Assert.Equal(0.003 * 1500, Ration.For(Q with { TempC = 13, FullGainG = 0.05 }).PlannedKg, 9);
    }

    [Theory]
    [InlineData(0, 35)]
    [InlineData(1.5, 55)]
    [InlineData(4, 110)]
    [InlineData(8.8, 150)]
    public void The_water_takes_so_much_by_its_aerators(double kwHa, double kgHa)
    {
        var heavy = Q with { Count = 100_000, InstalledKWHa = kwHa };
        Assert.Equal(kgHa * 0.5, Ration.For(heavy).PlannedKg, 9);
        Assert.Contains(Ration.For(heavy).Hits, h => h.Name == "what the water can take");
        Assert.Empty(Ration.For(heavy with { ByVolume = true }).Hits);
    }

    [Theory]
    [InlineData(Dorsk.Core.Judging.Status.Watch, 6, 0.5)]
    [InlineData(Dorsk.Core.Judging.Status.ActNow, 6, 0)]
    [InlineData(Dorsk.Core.Judging.Status.Watch, 3.5, 0.5)]
    [InlineData(Dorsk.Core.Judging.Status.Watch, 2.0, 0.25)]
    public void A_bloom_at_risk_halves_each_meal_once_and_stops_it_when_it_is_grave(
        Dorsk.Core.Judging.Status risk,
        double dawn,
        double left
    )
    {
        var plan = Ration.For(
            Q with
            {
                DawnLowMgL = dawn,
                Held =
                [
                    new("bloom", risk, "risk of a bloom crash: dawn oxygen falls, Secchi 18 cm")
                    {
                        FeedFactor = risk == Dorsk.Core.Judging.Status.ActNow ? 0 : 0.5,
                        Why = Dorsk.Core.Judging.Grounds.Of("", ""),
                    },
                ],
            }
        );
        Assert.Equal(left * plan.FullKg, plan.PlannedKg, 9);
        Assert.Contains("Secchi 18 cm: ", plan.Hits.First(h => h.Name == "bloom").Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Reasons_speak_the_farms_units() =>
        Assert.Contains(
            "91.4\u2009°F",
            Ration.For(Q with { TempC = 33, Hand = Hand.Us }).Hits.Single().Reason,
            StringComparison.Ordinal
        );

    [Fact]
    public void Brakes_stand_in_one_list_in_order() =>
        Assert.Equal(
            [
                "too cold",
                "too hot",
                "day without feed",
                "fast",
                "sample first",
                "last meal",
                "dawn oxygen",
                "tonight's oxygen",
                "verdict on the water",
                "what the water can take",
            ],
            Brakes.InOrder.Select(b => b.Name)
        );
}
