using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Plans;

/// <summary>One fish of several that share a water.</summary>
/// <param name="Species">The fish.</param>
/// <param name="MeanG">Its weight when the others come, g.</param>
/// <param name="TargetG">Its weight wanted, g.</param>
/// <param name="Share">Share of the water's capacity that is its own, above 0 to 1.</param>
public sealed record SharedFish(FishSpecies Species, double MeanG, double TargetG, double Share);

/// <summary>Several fish in one water: each by its own limits in its own share, and who can swallow whom.</summary>
/// <param name="Fish">All of them with the number of each.</param>
/// <param name="Meets">How each two of them get on, the worst first.</param>
/// <param name="ShareLeft">Share that none of them takes; below 0 when they take more than there is.</param>
public sealed record SharedWater(
    IReadOnlyList<(SharedFish Fish, StockingAnswer Answer)> Fish,
    IReadOnlyList<Judgement> Meets,
    double ShareLeft
)
{
    /// <summary>Works it out.</summary>
    /// <param name="plan">The plan of the first fish, with its share of the water.</param>
    /// <param name="others">The others.</param>
    public static SharedWater Of(StockingQuestion plan, IReadOnlyList<SharedFish> others)
    {
        var first = new SharedFish(plan.Species, plan.FromG, plan.TargetG, plan.ShareOfWater);
        List<(SharedFish, StockingAnswer)> all = [(first, StockingAnswer.Of(plan)), .. Answers(plan, others)];
        var fish = all.Select(a => a.Item1).ToList();
        var meets = fish.SelectMany(
                (a, i) => fish.Skip(i + 1).Select(b => Gape.Weigh(a.Species, a.MeanG, b.Species, b.MeanG, plan.Hand))
            )
            .OrderByDescending(j => j.Status)
            .ToList();
        return new(all, meets, 1 - fish.Sum(f => f.Share));
    }

    private static IEnumerable<(SharedFish o, StockingAnswer)> Answers(
        StockingQuestion plan,
        IReadOnlyList<SharedFish> others
    ) =>
        others.Select(o =>
            (
                o,
                StockingAnswer.Of(
                    plan with
                    {
                        Species = o.Species,
                        FromG = o.MeanG,
                        TargetG = o.TargetG,
                        ShareOfWater = o.Share,
                        SurvivalPct = o.Species.SurvivalGrowOutPct,
                        School = null,
                        Own = null,
                    }
                )
            )
        );
}
