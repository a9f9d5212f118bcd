using Dorsk.Bench;

namespace Dorsk.Farm.Tests;

/// <summary>The promise of docs/proof.md on seeds of its own, smaller: what the intervals say is what happens.</summary>
public class JudgeTests
{
    private static readonly JudgedRange Range = Judge.Run(700_000, 70, 0.25);

    [Fact]
    public void Dawn_lows_are_told_better_than_by_last_night_and_nearly_as_well_as_can_be()
    {
        var chosen = Score.Of(Range, Judge.Chosen);
        Assert.True(chosen.Nights >= 1000, $"{chosen.Nights} nights");
        Assert.InRange(Score.Crossing(Range), 0.15, 0.35);
        Assert.True(Score.Of(Range, Judge.LikeLast).ErrorMgL >= 0.9, "nights differ");
        Assert.True(chosen.ErrorMgL <= 0.7 * chosen.NaiveMgL, $"{chosen.ErrorMgL:0.00} against {chosen.NaiveMgL:0.00} mg/L");
        Assert.True(chosen.ErrorMgL <= 1.3 * chosen.OracleMgL, $"{chosen.ErrorMgL:0.00} against {chosen.OracleMgL:0.00} mg/L");
        foreach (var way in Score.Ways(Range).Where(w => w.Coverage is not null))
            Assert.InRange(way.Coverage!.Value, 0.72, 0.90);
    }

    [Fact]
    public void Biomass_intervals_hold_the_truth_nine_times_in_ten()
    {
        var standing = Score.Standing(Range);
        // 70 batches: four in a hundred such sets would leave 83 to 97 % by chance.
        Assert.InRange(standing.Coverage, 0.83, 0.97);
        Assert.True(standing.Error < 0.6 * standing.NaiveError);
    }

    [Fact]
    public void The_same_seed_tells_the_same_story() =>
        Assert.Equal(Judge.Run(5, 1, 0.3).Nights.Select(n => n.TrueLowMgL), Judge.Run(5, 1, 0.3).Nights.Select(n => n.TrueLowMgL));
}
