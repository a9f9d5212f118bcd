using Dorsk.Core.Harvest;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Season;

public class CompareTests
{
    [Property(MaxTest = 200)]
    public Property What_explains_a_difference_multiplies_to_the_whole_of_it(
        PositiveInt a,
        PositiveInt b,
        PositiveInt c,
        PositiveInt d
    )
    {
        var (one, other) = (
            Cycle(1000 + a.Get, 0.3 + (b.Get % 70 / 100.0), 100 + c.Get),
            Cycle(5000, 0.8, 100 + d.Get)
        );
        var difference = YieldDifference.Of(one, other);
        return (
            Math.Abs(difference.Factors.Aggregate(1.0, (p, f) => p * (1 + f.Share)) - (1 + difference.Yield)) < 1e-9
            && Math.Abs((one.YieldPer / other.YieldPer) - 1 - difference.Yield) < 1e-9
        ).ToProperty();
    }

    [Fact]
    public void By_hand()
    {
        // 6,000 a ha × 0.9 × 400 g = 2,160 kg/ha against 5,000 × 0.8 × 500 g = 2,000: fish +20 %, survival +12.5 %, weight −20 %, together +8 %.
        var d = YieldDifference.Of(Cycle(6000, 0.9, 400), Cycle(5000, 0.8, 500));
        Assert.Equal(0.08, d.Yield, 9);
        Assert.Equal(["weight", "fish stocked", "survival"], d.Factors.Select(f => f.Name));
        Assert.Equal(-0.2, d.Factors[0].Share, 9);
        Assert.Throws<ArgumentException>(() =>
            YieldDifference.Of(Cycle(1, 1, 1), Cycle(1, 1, 1) with { ByVolume = true })
        );
    }

    private static CycleFigures Cycle(double stocked, double survival, double endG) =>
        new(
            "P1",
            1,
            "x",
            new(2026, 9, 1),
            200,
            true,
            false,
            stocked,
            20,
            survival,
            endG,
            1.5,
            3,
            25,
            0.9,
            3,
            100,
            [],
            Dorsk.Core.Judging.Grounds.Of("", "")
        );
}
