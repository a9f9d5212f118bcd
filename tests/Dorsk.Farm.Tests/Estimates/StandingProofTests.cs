using Dorsk.Core.Growth;
using Dorsk.Core.Stock;

namespace Dorsk.Farm.Tests.Estimates;

/// <summary>Estimates held against samples, counts and harvests, by what had happened before each.</summary>
public class StandingProofTests
{
    private static FishSampled Sample(TestFarm farm, double meanG) =>
        new(farm.PondId, farm.Story.Batches[0].Id, false, [(40, 40 * meanG), (40, 40 * meanG)]);

    [Fact]
    public void Each_sample_and_the_last_harvest_score_what_stood_before_it()
    {
        using var farm = new TestFarm();
        farm.Stock(1000, 100, day: 200);
        var start = farm.Story.Batches[0].ArrivedAt;
        var meansG = new[] { 120, 150, 185 };
        for (var i = 0; i < meansG.Length; i++)
            farm.Must(Sample(farm, meansG[i]), start.AddDays(30 * (i + 1)));
        farm.Must(
            new FishHarvested(
                farm.PondId,
                farm.Story.Batches[0].Id,
                900,
                170,
                CountBasis.Counted,
                Account.Harvested,
                true,
                "birds"
            ),
            start.AddDays(100)
        );
        var batch = Assert.Single(farm.Questions.StandingProof(farm.Questions.Story("P1")!));
        var weights = batch.Outcomes.Where(o => o.Of == EstimateOf.MeanWeight).ToList();
        Assert.Equal(meansG.Select(g => (double)g), weights.Select(o => Math.Round(o.Came, 6)));
        // On paper the last sample stands as it is; before the first it is the weight at stocking.
        Assert.Equal([100, 120, 150], weights.Select(o => Math.Round(o.Paper, 6)));
        // Nothing of a sample is in the estimate that stood before it.
        var before = farm.Questions.StoryAsOf("P1", new(start.AddDays(89), DateTimeOffset.MaxValue))!;
        Assert.Equal(
            before.Stock.On(before.Batches[0].Id, before.Zone.DayOf(start.AddDays(90)))!.MeanG.Value,
            weights[2].Said.Value,
            1e-6 * weights[2].Said.Value
        );
        var date = Assert.Single(batch.Outcomes, o => o.Of == EstimateOf.DateOfWeight);
        Assert.Equal(30, date.Came);
        // The cube root of 120 to 150 g in thirty days, carried on to 185 g.
        Assert.Equal(30 * (Math.Cbrt(185) - Math.Cbrt(150)) / (Math.Cbrt(150) - Math.Cbrt(120)), date.Paper, 1e-9);
        var number = Assert.Single(batch.Outcomes, o => o.Of == EstimateOf.Number);
        Assert.Equal((900, 1000), (number.Came, number.Paper));
        Assert.Equal((1000.0 / 900) - 1, number.PaperError, 9);
    }

    [Fact]
    public void Scores_are_medians_beside_paper_and_nothing_is_scored_before_the_first_sample()
    {
        EstimateOutcome One(double said, double paper, double came) =>
            new(EstimateOf.MeanWeight, new(2026, 1, 1), new(said, 0.9 * said, 1.1 * said, 0.9), paper, came);
        var score = EstimateScore.Of([One(105, 90, 100), One(95, 80, 100), One(130, 70, 100)])!;
        Assert.Equal((3, 2), (score.Asked, score.Inside));
        Assert.Equal(
            (0.05, 0.05, 0.2),
            (Math.Round(score.Bias, 9), Math.Round(score.Error, 9), Math.Round(score.PaperError, 9))
        );
        Assert.Null(EstimateScore.Of([]));
        Assert.Null(EstimateOutcome.DaysByCubeRoot((30, 100), 100, 120));
        using var farm = new TestFarm();
        farm.Stock(1000, 100);
        Assert.Empty(farm.Questions.StandingProof(farm.Questions.Story("P1")!));
    }
}
