using Dorsk.Core.Acclimate;
using Dorsk.Core.Stock;

namespace Dorsk.Farm.Fish;

/// <summary>What deliveries and the way into the pond tell of hatcheries.</summary>
internal static class HatcheryQuestions
{
    // An acclimation belongs to a delivery of the same pond that came within this before it.
    private static readonly TimeSpan Same = TimeSpan.FromDays(1);

    public static IReadOnlyList<HatcheryRecord> Rank(
        IEnumerable<(DateTimeOffset At, FishReceived Fact)> deliveries,
        IReadOnlyList<AccRun> runs
    ) => HatcheryRecord.Rank(deliveries.Select(d => One(d.Fact, Run(d, runs))));

    private static AccRun? Run((DateTimeOffset At, FishReceived Fact) d, IReadOnlyList<AccRun> runs) =>
        runs.FirstOrDefault(r =>
            r.Begun.PondId == d.Fact.PondId
            && r.Begun.SpeciesKey == d.Fact.SpeciesKey
            && (r.BegunAt - d.At).Duration() <= Same
        );

    private static HatcheryDelivery One(FishReceived d, AccRun? run)
    {
        var (bag, pond) = (run?.Begun.Bag, run?.Plan.Question.Pond);
        return new(
            d.Seller,
            d.Count,
            d.Dead + (run?.Lost ?? 0),
            run?.Begun.HoursInBag,
            bag is null ? null : Math.Abs(bag.TempC - pond!.TempC),
            bag is null ? null : Math.Abs(bag.Ph - pond!.Ph),
            bag is null ? null : Math.Abs(bag.SalinityPpt - pond!.SalinityPpt)
        );
    }
}
