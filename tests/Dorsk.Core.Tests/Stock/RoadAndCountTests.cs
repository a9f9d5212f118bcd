using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Stock;

/// <summary>Counting without counting, and fish on the road.</summary>
public class RoadAndCountTests
{
    [Fact]
    public void A_number_by_weight_is_the_whole_over_the_reference_mean()
    {
        foreach (var r in Vectors.Rows("sampling_bulk"))
        {
            var n = FishCounting.ByAmount(
                r.Many("cast_counts").Zip(r.Many("cast_masses_kg"), (c, m) => ((int)c, m * 1000)).ToList(),
                100_000
            );
            r.Agree("mean_g", n.Each);
            Assert.Equal(100_000 / r["mean_g"], n.Fish, 4);
            if (r["casts"] > 1)
                r.Agree("rse_pct", 100 * n.RelativeError!.Value);
        }
    }

    [Fact]
    public void Intervals_hold_the_truth_about_as_often_as_they_say_and_are_never_nonsense()
    {
        var chance = new Random(9);
        var (held, all) = (0, 0);
        for (var i = 0; i < 4000; i++)
        {
            double trueMean = 1 + (20 * chance.NextDouble()),
                spread = 0.05 + (0.15 * chance.NextDouble());
            var samples = Enumerable
                .Range(0, chance.Next(3, 7))
                .Select(_ =>
                {
                    var c = chance.Next(40, 120);
                    return (
                        c,
                        c
                            * trueMean
                            * (1 + (spread * (chance.NextDouble() + chance.NextDouble() + chance.NextDouble() - 1.5)))
                    );
                })
                .ToList();
            var n = FishCounting.ByAmount(samples, 50_000);
            Assert.True(
                n.Range!.Value.Low > 0
                    && double.IsFinite(n.Range.Value.High)
                    && n.Range.Value.Low <= n.Fish
                    && n.Fish <= n.Range.Value.High
            );
            held += 50_000 / trueMean >= n.Range.Value.Low && 50_000 / trueMean <= n.Range.Value.High ? 1 : 0;
            all++;
        }
        Assert.InRange((double)held / all, 0.92, 0.98);
        Assert.Null(FishCounting.ByAmount([(100, 250)], 5000).Range);
        // Two samples that agree to the gram: the number itself. Two wild ones: finite all the same.
        Assert.Equal(2000, FishCounting.ByAmount([(100, 250), (50, 125)], 5000).Range!.Value.High, 6);
        Assert.True(double.IsFinite(FishCounting.ByAmount([(100, 250), (100, 500)], 5000).Range!.Value.High));
        Assert.Equal(0, FishCounting.MoreFor(FishCounting.ByAmount([(100, 250), (50, 125)], 5000), 1));
        Assert.Null(FishCounting.MoreFor(FishCounting.ByAmount([(100, 250)], 5000), 1));
    }

    [Fact]
    public void Bags_by_hand()
    {
        // 480, 500, 520 of ten: mean 500, s 20, se 20/√3 × √0.7 = 9.66, 1.93 %; t(2) 4.303: ± 8.3 %.
        var n = FishCounting.ByBags([480, 500, 520], 10);
        Assert.Equal(5000, n.Fish, 9);
        Assert.Equal(0.01932, n.RelativeError!.Value, 4);
        Assert.Equal(5000 * Math.Exp(4.3027 * 0.019322), n.Range!.Value.High, 0);
        Assert.Equal(
            (1500.0, 1500.0),
            (
                FishCounting.ByBags([480, 500, 520], 3).Range!.Value.Low,
                FishCounting.ByBags([480, 500, 520], 3).Range!.Value.High
            )
        );
        Assert.Null(FishCounting.ByBags([500], 10).Range);
        Assert.Equal(0, FishCounting.ByBags([0, 0], 10).Fish);
        // Enough samples are enough: with so many more of them the interval is as wanted, with one fewer it is not.
        var more = FishCounting.MoreFor(n, 5)!.Value;
        double Half(int k) =>
            100 * Core.Judging.SampleStatistics.T(0.95, k - 1) * 0.0193218 * Math.Sqrt(3) / Math.Sqrt(k);
        Assert.True(Half(3 + more) <= 5 && Half(2 + more) > 5);
    }

    [Fact]
    public void The_trades_bag_loads_stay_about_the_limit_of_carbon_dioxide()
    {
        // The table says it was checked against 100 mg/L: fasted fish of a gram or more, a day on the road.
        foreach (
            var (key, g, perL, temp) in new[]
            {
                ("common_carp", 3.0, 7.0, 24.0),
                ("nile_tilapia", 1, 18, 24),
                ("nile_tilapia", 5, 5, 24),
                ("silver_perch", 1, 26, 20),
                ("channel_catfish", 2, 15, 20),
                ("tambaqui", 1, 20, 26),
                ("largemouth_bass", 1, 20, 18),
            }
        )
        {
            var bag = HaulLoad.Bag(FishSpecies.Of(key), g, 24, temp)!.Value;
            Assert.Equal(perL, bag.PerL, 6);
            var ride = new BagRide(g, perL, 0.28, temp, 100, 0);
            Assert.InRange(ride.After(24).Co2MgL, 35, 115);
            Assert.False(ride.Lasts(BagRide.Co2MostMgL).ByOxygen);
        }
    }

    [Fact]
    public void A_bag_lasts_as_long_as_it_says_and_opens_harmless()
    {
        var ride = new BagRide(1, 30, 0.3, 22, 80, 0);
        Assert.Equal(BagRide.Co2MostMgL, ride.After(ride.Lasts(BagRide.Co2MostMgL).Hours).Co2MgL, 9);
        Assert.Equal(
            12,
            (ride with { PerL = ride.PerLFor(12, BagRide.Co2WatchMgL) }).Lasts(BagRide.Co2WatchMgL).Hours,
            9
        );
        var open = ride.After(12);
        Assert.True(open.Ph < 7 && open.Nh3MgL < 0.02 && open.TanMgL > 0.5);
        // The same ammonia in the pond's pH of the afternoon is poison: why it is not mixed slowly in the bag.
        Assert.True(UnionisedAmmonia.MgNL(open.TanMgL, 28, 8.8, 0) > 10 * open.Nh3MgL);
        // Little water and much gas: oxygen never binds; no gas at all would.
        Assert.True(new BagRide(1, 30, 0.95, 22, 80, 0).Lasts(BagRide.Co2MostMgL).ByOxygen);
    }

    [Theory]
    // 9 g catfish: 0.44, 0.41, 0.25 kg/L at 4, 8, 16 h and 18 °C; × 0.75 for 5.5 °C more.
    [InlineData(4, 18, 0.44)]
    [InlineData(8, 18, 0.41)]
    [InlineData(16, 18, 0.25)]
    [InlineData(8, 23.5, 0.3075)]
    [InlineData(1, 18, 0.44)]
    public void A_haul_tank_is_loaded_by_the_table(double hours, double tempC, double kgL) =>
        Assert.Equal(kgL, HaulLoad.Tank(FishSpecies.Of("channel_catfish"), 9, hours, tempC)!.Value.Load, 6);

    [Fact]
    public void Longer_and_warmer_roads_carry_less_for_every_fish()
    {
        foreach (var species in FishSpecies.All)
        foreach (var g in new[] { 0.003, 0.5, 3, 60, 800 })
        {
            double Tank(double h, double t) => HaulLoad.Tank(species, g, h, t)?.Load ?? 0;
            double Bag(double h, double t) => HaulLoad.Bag(species, g, h, t)?.PerL ?? 0;
            Assert.True(Tank(6, 20) >= Tank(12, 20) && Tank(12, 20) >= Tank(30, 20) && Tank(6, 20) >= Tank(6, 25));
            Assert.True(Bag(6, 20) >= Bag(18, 20) && Bag(18, 20) >= Bag(40, 20));
        }
        Assert.NotNull(HaulLoad.Bag(FishSpecies.Of("giant_prawn"), 0.01, 12, 22));
        Assert.NotNull(HaulLoad.Bag(FishSpecies.Of("redclaw"), 1, 12, 20));
    }
}
