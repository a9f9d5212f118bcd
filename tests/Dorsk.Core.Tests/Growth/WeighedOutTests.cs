using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Tests.Growth;

/// <summary>A harvest that takes the largest leaves the rest lighter: number and mass of the estimate are conserved.</summary>
public class WeighedOutTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");
    private static readonly DateOnly First = new(2026, 9, 1);

    private static IReadOnlyList<Standing> Run(params CountChange[] changes) =>
        StandingEstimate.Run(
            new(
                Perch,
                First,
                1000,
                200,
                true,
                false,
                changes,
                [new(First.AddDays(30), new SampleMean(100, 100, 220, 4.4, 44, new(220, 211, 229, 0.95)))],
                _ => 15,
                _ => 0,
                _ => null
            ),
            First.AddDays(40)
        );

    [Theory]
    [InlineData(300, 1.3, true)]
    [InlineData(500, 1.15, true)]
    [InlineData(200, 0.7, true)]
    [InlineData(300, 1.01, false)]
    public void What_goes_out_by_number_and_weight_is_missing_in_both(int count, double heavier, bool graded)
    {
        var before = Run()[^2];
        var outG = before.MeanG.Value * heavier;
        var after = Run(new CountChange(before.Day.AddDays(1), -count, false, outG))[^1];
        var untouched = Run()[^1];
        Assert.Equal(untouched.Count.Value - count, after.Count.Value, 1.0);
        var gone = untouched.BiomassKg.Value - (count * outG / 1000);
        if (graded)
            Assert.Equal(gone, after.BiomassKg.Value, 0.01 * untouched.BiomassKg.Value);
        else
            Assert.Equal(untouched.MeanG.Value, after.MeanG.Value, 1e-6 * after.MeanG.Value);
        // The doubt of the weight never shrinks by it.
        Assert.True(Width(after.MeanG) >= Width(untouched.MeanG) - 1e-9);
    }

    [Fact]
    public void Fish_that_join_with_a_weight_of_their_own_mix_with_those_that_stand()
    {
        var untouched = Run()[^1];
        var after = Run(new CountChange(untouched.Day, 1000, false, 100))[^1];
        Assert.Equal(untouched.BiomassKg.Value + 100, after.BiomassKg.Value, 1.0);
        // The dead and a recount say nothing of weight.
        Assert.Equal(untouched.MeanG.Value, Run(new CountChange(untouched.Day, -300, true, 400))[^1].MeanG.Value, 6);
    }

    private static double Width(Interval i) => (i.High - i.Low) / i.Value;
}
