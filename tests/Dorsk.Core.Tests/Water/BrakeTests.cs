using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Water;

/// <summary>What stands against a dose, at its edge; which remedy answers which finding; what a kit's figure stands for.</summary>
public class BrakeTests
{
    [Theory]
    [InlineData(0.29, 24, true)]
    [InlineData(0.30, 24, false)]
    [InlineData(null, 24, false)]
    [InlineData(0.50, 14.9, true)]
    [InlineData(null, 15, false)]
    public void Fertiliser_waits_for_a_thinner_bloom_and_warmer_water(double? secchiM, double tempC, bool held) =>
        Assert.Equal(
            held,
            FertiliserBrake.Of(new(tempC, secchiM, [7], 4, null, null, true), Hand.Metric) is { Status: Status.Watch }
        );

    [Theory]
    [InlineData("6.5 5.9 5.6 5.4", 4, true)]
    [InlineData("6.5 5.9 5.9 5.4", 4, false)]
    [InlineData("7.5 6.9 6.6 5.6", 4, false)]
    [InlineData("5.9 5.6 5.4", 4, false)]
    [InlineData("3 6.5 5.9 5.6 5.4", 4, true)]
    public void Fertiliser_waits_when_dawn_oxygen_falls_three_mornings_running_near_the_watch_level(
        string dawns,
        double watch,
        bool held
    )
    {
        var question = new FertiliserQuestion(
            25,
            0.4,
            dawns.Split(' ').Select(v => double.Parse(v, System.Globalization.CultureInfo.InvariantCulture)).ToList(),
            watch,
            60,
            8,
            true
        );
        Assert.Equal(
            held,
            FertiliserBrake.Of(question, Hand.Metric)?.Reason.Contains("fell 3 mornings", StringComparison.Ordinal)
                == true
        );
        Assert.Contains(
            "ammonium",
            FertiliserBrake.Of(question with { DawnsMgL = [], Ph = 8.6 }, Hand.Metric)!.Reason,
            StringComparison.Ordinal
        );
        Assert.Null(FertiliserBrake.Of(question with { DawnsMgL = [7], Ph = 8.6, Ammonium = false }, Hand.Metric));
        // Blindly no dose: nothing read at dawn, or under the watch level this morning.
        Assert.Contains(
            "no dawn oxygen was read",
            FertiliserBrake.Of(question with { DawnsMgL = [] }, Hand.Metric)!.Reason,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "under the watch level",
            FertiliserBrake.Of(question with { DawnsMgL = [3.9] }, Hand.Metric)!.Reason,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "Lime first",
            FertiliserBrake.Of(question with { DawnsMgL = [], AlkalinityMgL = 19 }, Hand.Metric)!.Reason,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Carbon_is_a_range_and_never_given_under_the_watch_level()
    {
        var limits = WaterLimits.WarmWaterFish;
        Assert.Null(CarbonDose.Brake(limits.DoWatchMgL, limits, Hand.Metric));
        var held = CarbonDose.Brake(limits.DoWatchMgL - 0.1, limits, Hand.Metric)!;
        Assert.Equal(Status.ActNow, held.Status);
        Assert.Matches("under 4.0", held.Reason);
        // By hand: 1.5 mg/L in 1,000 m³ is 1.5 kg of nitrogen; 10 g of carbon for 1 g, molasses of 30 %: 50 kg; at 6 g 30 kg; 4.7 × 1.5 = 7.05 kg of oxygen.
        var dose = CarbonDose.For(1.5, 0.3, 1000);
        Assert.Equal(50, dose.HighKg, 9);
        Assert.Equal(30, dose.LowKg, 9);
        Assert.Equal(7.05, dose.OxygenKg, 9);
    }

    [Theory]
    [InlineData(28, 25, false)]
    [InlineData(28, 24.9, true)]
    [InlineData(20, 23.5, true)]
    public void A_mix_that_jumps_more_than_fry_bear_is_watched(double from, double to, bool watched) =>
        Assert.Equal(watched, Mixing.Jump(from, to, Hand.Metric) is not null);

    [Fact]
    public void Kits_that_report_the_whole_ion_show_more_than_the_nitrogen()
    {
        // The turns of the trade's table: NH3 0.8224, NH4 0.7765, NO2 0.3045.
        Assert.Equal([1, 0.8224, 0.7765], KitBasis.Ammonia.Select(b => Math.Round(b.NitrogenShare, 4)));
        Assert.Equal([1, 0.3045], KitBasis.Nitrite.Select(b => Math.Round(b.NitrogenShare, 4)));
    }

    [Theory]
    [InlineData(1.31, "heavy bloom")]
    [InlineData(1.0, "usual")]
    [InlineData(0.49, "half")]
    public void Saturation_in_words(double share, string says) =>
        Assert.Contains(says, OxygenSaturation.Words(share), StringComparison.Ordinal);

    [Fact]
    public void The_phones_card_asks_where_the_farm_would_ask()
    {
        foreach (var (kg, meanG) in new[] { (1000.0, 200.0), (40.0, 3.0), (12.0, 900.0) })
        {
            var most = FeedingRule.UsualMostKg(kg, meanG);
            Assert.Empty(FeedingRule.Check(most, kg, meanG, Hand.Metric));
            Assert.NotEmpty(FeedingRule.Check(most * 1.001, kg, meanG, Hand.Metric));
        }
        var stocked = DateTimeOffset.UnixEpoch;
        foreach (var stands in new[] { 8, 30, 1000 })
        {
            var batch = new BatchOnBooks(1, "silver_perch", stocked, stands, null);
            var most = (int)StockRules.UsualLoss(stands);
            Assert.Empty(
                StockRules.Check(
                    new FishLost(1, 1, most, Account.Dead, ""),
                    batch,
                    stocked,
                    Dorsk.Core.Units.Hand.Metric
                )
            );
            Assert.NotEmpty(
                StockRules.Check(
                    new FishLost(1, 1, most + 1, Account.Dead, ""),
                    batch,
                    stocked,
                    Dorsk.Core.Units.Hand.Metric
                )
            );
        }
    }
}
