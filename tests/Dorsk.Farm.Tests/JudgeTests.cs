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
        Assert.True(
            chosen.ErrorMgL <= 0.7 * chosen.NaiveMgL,
            $"{chosen.ErrorMgL:0.00} against {chosen.NaiveMgL:0.00} mg/L"
        );
        Assert.True(
            chosen.ErrorMgL <= 1.3 * chosen.OracleMgL,
            $"{chosen.ErrorMgL:0.00} against {chosen.OracleMgL:0.00} mg/L"
        );
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
    public void After_three_samples_the_day_of_a_weight_is_told_two_months_ahead()
    {
        var judged = GrowthJudge.Targets(800_000, 80, GrowthJudge.WellKept, true);
        Assert.InRange(judged.Select(j => Math.Abs(j.ErrorDays)).Order().ElementAt(40), 0, 7);
        // 80 batches: 80 % within 68 to 90 % by chance in 98 such sets of a hundred.
        Assert.InRange(judged.Average(j => j.Held ? 1.0 : 0), 0.68, 0.91);
        Assert.True(
            judged.Select(j => Math.Abs(j.ErrorDays)).Order().ElementAt(40)
                < 0.5 * judged.Select(j => Math.Abs(j.NaiveErrorDays)).Order().ElementAt(40)
        );
    }

    [Fact]
    public void Witnesses_speak_when_fish_are_taken_and_are_silent_when_none_are()
    {
        Assert.InRange(GrowthJudge.Witnesses(810_000, 40, new(false, 150, 0) { KeepsAir = true }).Flagged, 0, 0.15);
        Assert.InRange(GrowthJudge.Witnesses(810_000, 40, new(false, 150, 0.4) { KeepsAir = true }).Flagged, 0.75, 1);
    }

    [Fact]
    public void The_same_seed_tells_the_same_story() =>
        Assert.Equal(
            Judge.Run(5, 1, 0.3).Nights.Select(n => n.TrueLowMgL),
            Judge.Run(5, 1, 0.3).Nights.Select(n => n.TrueLowMgL)
        );
}
