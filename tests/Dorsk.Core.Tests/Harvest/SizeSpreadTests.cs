using Dorsk.Core.Harvest;
using Dorsk.Core.Species;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Harvest;

/// <summary>Spread of sizes: held against fish drawn one by one, and conserved by every order of cuts.</summary>
public class SizeSpreadTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");

    [Theory]
    [InlineData(1, 200, 18, 1.3)]
    [InlineData(2, 60, 30, 1.6)]
    [InlineData(3, 450, 12, 1.15)]
    public void After_three_gradings_it_agrees_with_two_hundred_thousand_drawn_fish(
        int seed,
        double meanG,
        double cvPct,
        double grown
    )
    {
        var dice = new Random(seed);
        var sigma = BarShare.Sigma(cvPct);
        double Draw()
        {
            var normal = Math.Sqrt(-2 * Math.Log(1 - dice.NextDouble())) * Math.Cos(2 * Math.PI * dice.NextDouble());
            return Math.Exp(Math.Log(meanG) - (sigma * sigma / 2) + (sigma * normal));
        }
        var fish = Enumerable.Range(0, 200_000).Select(_ => Draw()).ToList();
        var spread = SizeSpread.Of(200_000, meanG, cvPct);
        // Bars take the large out, the rest grows, a mesh takes the large out again, the rest grows, the small are taken out.
        foreach (
            var (atShare, kind, largeGo) in new[]
            {
                (0.3, GraderKind.Bars, true),
                (0.4, GraderKind.Mesh, true),
                (0.7, GraderKind.Bars, false),
            }
        )
        {
            var gap = BodyShape.GapMm(Perch, spread.WeightAtG(atShare), kind);
            double Held(double g) => BodyShape.Held(Perch, g, gap, kind);
            var (held, passed) = spread.Cut(Held);
            spread = largeGo ? passed : held;
            fish = fish.FindAll(g => dice.NextDouble() < Held(g) != largeGo);
            spread = spread.GrownTo(spread.MeanG * grown);
            fish = fish.ConvertAll(g => g * grown);
            for (var share = 0.1; share < 1; share += 0.2)
            {
                var bar = spread.WeightAtG(share);
                Assert.Equal(fish.Count(g => g > bar) / (double)fish.Count, spread.ShareOver(bar), 0.01);
            }
            Assert.Equal(fish.Average(), spread.MeanG, 0.01 * spread.MeanG);
            Assert.Equal(fish.Count, spread.Count, 0.01 * fish.Count);
        }
    }

    [Property(MaxTest = 300)]
    public Property Number_and_mass_are_conserved_by_any_order_of_cuts()
    {
        var cuts = Gen.Choose(5, 95).Zip(Gen.Elements(true, false)).ListOf();
        var fish =
            from mean in Gen.Choose(1, 2000)
            from cv in Gen.Choose(3, 60)
            from done in cuts
            select (mean, cv, done);
        return Prop.ForAll(Arb.From(fish), f =>
        {
            var spread = SizeSpread.Of(1000, f.mean, f.cv);
            var out_ = SizeSpread.None;
            foreach (var (share, bars) in f.done.Take(8))
            {
                var at = spread.WeightAtG(share / 100.0);
                var (held, passed) = spread.Cut(g =>
                    bars ? BodyShape.Held(Perch, g, BodyShape.GapMm(Perch, at, GraderKind.Bars), GraderKind.Bars)
                    : g > at ? 1
                    : 0
                );
                Assert.Equal(spread.Count, held.Count + passed.Count, 6);
                Assert.Equal(spread.MassKg, held.MassKg + passed.MassKg, 6);
                out_ = SizeSpread.Sum([out_, held]);
                spread = passed;
            }
            Assert.Equal(1000, spread.Count + out_.Count, 6);
            Assert.Equal(f.mean, spread.MassKg + out_.MassKg, 1e-3 * f.mean);
        });
    }

    [Theory]
    [InlineData(300, 244)]
    [InlineData(300, 200)]
    [InlineData(50, 150)]
    [InlineData(200, 201)]
    public void What_was_taken_out_by_count_and_mean_weight_is_missing_afterwards(double count, double meanG)
    {
        var before = SizeSpread.Of(1000, 200, 20);
        var after = before.Less(count, meanG);
        Assert.Equal(1000 - count, after.Count, 1e-6 * 1000);
        Assert.Equal(before.MassKg - (count * meanG / 1000), after.MassKg, 0.01 * before.MassKg);
        // Large ones taken out are missing among the large ones, not among the small.
        if (meanG > 220)
            Assert.True(
                after.ShareOver(240) < before.ShareOver(240) && after.Over(120).Count > 0.6 * before.Over(120).Count
            );
        Assert.Equal(0, before.Less(1000, 200).Count);
    }

    [Fact]
    public void Gaps_and_weights_answer_both_ways_and_grow_with_the_fish()
    {
        foreach (var species in FishSpecies.All)
        foreach (var kind in Enum.GetValues<GraderKind>())
        {
            foreach (var g in new[] { 2.0, 30, 400 })
            {
                var gap = BodyShape.GapMm(species, g, kind);
                Assert.Equal(g, BodyShape.WeightG(species, gap, kind), 1e-6 * g);
                Assert.Equal(0.5, BodyShape.Held(species, g, gap, kind), 6);
                Assert.True(BodyShape.Held(species, 1.3 * g, gap, kind) > 0.98);
                Assert.True(BodyShape.Held(species, 0.75 * g, gap, kind) < 0.02);
            }
            Assert.Equal(
                2 * BodyShape.GapMm(species, 10, kind),
                BodyShape.GapMm(species, 80, kind),
                1e-6 * BodyShape.GapMm(species, 80, kind)
            );
        }
        // Bars of 27/64 in hold channel catfish from about three inches on.
        var catfish = FishSpecies.Of("channel_catfish");
        Assert.InRange(BodyLength.Cm(catfish, BodyShape.WeightG(catfish, 27.0 / 64 * 25.4, GraderKind.Bars)), 7, 9);
    }
}
