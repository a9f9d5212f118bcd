using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Harvest;

/// <summary>The books of one batch in one pond, added up.</summary>
/// <param name="Stocked">Fish stocked here or moved in.</param>
/// <param name="Out">Fish by account they went to.</param>
/// <param name="MovedOut">Fish moved on to other ponds.</param>
/// <param name="LeftInPond">Fish still on the books in the pond.</param>
/// <param name="SurvivalPct">Living fish taken out by fish stocked, percent; null before anything was taken.</param>
/// <param name="CaughtKg">Living mass taken out, kg.</param>
/// <param name="GainKg">Caught plus standing less stocked, kg.</param>
/// <param name="FedKg">Feed given, kg.</param>
/// <param name="Fcr">Economic FCR; null without gain.</param>
/// <param name="KgPerHa">Catch per area, kg/ha; null for tanks.</param>
/// <param name="KgPerM3">Catch per volume, kg/m³, for tanks; else null.</param>
/// <param name="Days">Days from stocking to the last harvest, or to today while it stands.</param>
/// <param name="Closed">Whether the final harvest closed the books.</param>
/// <param name="UnexplainedCount">Fish that nobody saw go (positive) or that came from nowhere (negative).</param>
/// <param name="UnexplainedReason">The name the difference was given.</param>
/// <param name="Why">Grounds.</param>
public sealed record CycleResult(
    int Stocked,
    IReadOnlyDictionary<Account, int> Out,
    int MovedOut,
    int LeftInPond,
    double? SurvivalPct,
    double CaughtKg,
    double GainKg,
    double FedKg,
    double? Fcr,
    double? KgPerHa,
    double? KgPerM3,
    int Days,
    bool Closed,
    int UnexplainedCount,
    string UnexplainedReason,
    Grounds Why
)
{
    /// <summary>Adds up a cycle.</summary>
    /// <param name="batchId">The batch.</param>
    /// <param name="pondId">The pond; what befell the batch in other ponds is not of this book.</param>
    /// <param name="movements">All movements of the batch.</param>
    /// <param name="standingKg">Estimated mass that still stands, kg.</param>
    /// <param name="fedKg">Feed given to it, kg.</param>
    /// <param name="areaHa">Pond area, ha; null for tanks.</param>
    /// <param name="volumeM3">Pond volume, m³.</param>
    /// <param name="days">Days from stocking.</param>
    /// <param name="closed">Whether a final harvest was booked.</param>
    /// <param name="reason">Name of the difference.</param>
    public static CycleResult Of(
        long batchId,
        long pondId,
        IReadOnlyList<Movement> movements,
        double standingKg,
        double fedKg,
        double? areaHa,
        double volumeM3,
        int days,
        bool closed,
        string reason
    )
    {
        bool Here(Posting p) => p.Account == Account.Pond && p.PondId == pondId;
        var touching = movements
            .Where(m => m.Postings.Any(p => p.BatchId == batchId && Here(p)))
            .Select(m => m.Postings.Where(p => p.BatchId == batchId).ToList())
            .ToList();
        var mine = touching.SelectMany(m => m).ToList();
        // Between ponds: one posting here, one there.
        var between = touching
            .Where(m => m.Exists(p => p.Account == Account.Pond && p.PondId != pondId))
            .SelectMany(m => m)
            .Where(p => p.Account == Account.Pond && p.PondId != pondId)
            .ToList();
        var (movedIn, movedOut) = (between.Where(p => p.Count < 0).ToList(), between.Where(p => p.Count > 0).ToList());
        var byAccount = mine.Where(p => p.Account is not (Account.Pond or Account.Supplier))
            .GroupBy(p => p.Account)
            .ToDictionary(g => g.Key, g => g.Sum(p => p.Count));
        var stocked = -mine.Where(p => p.Account == Account.Supplier).Concat(movedIn).Sum(p => p.Count);
        var stockedKg = -mine.Where(p => p.Account == Account.Supplier).Concat(movedIn).Sum(p => p.MassG) / 1000;
        var taken = mine.Where(p => p.Account is Account.Harvested or Account.SoldAlive or Account.MovedOff).ToList();
        var caughtKg = taken.Sum(p => p.MassG) / 1000;
        var left = mine.Where(Here).Sum(p => p.Count);
        var movedKg = movedOut.Sum(p => p.MassG) / 1000;
        var gain = caughtKg + movedKg + standingKg - stockedKg;
        double? survival =
            closed && stocked > 0 ? 100.0 * (taken.Sum(p => p.Count) + movedOut.Sum(p => p.Count)) / stocked : null;
        return new(
            stocked,
            byAccount,
            movedOut.Sum(p => p.Count),
            left,
            survival,
            caughtKg,
            gain,
            fedKg,
            GrowthLaws.EconomicFcr(fedKg, stockedKg, caughtKg + movedKg + standingKg),
            caughtKg / areaHa,
            areaHa is null ? caughtKg / volumeM3 : null,
            days,
            closed,
            byAccount.GetValueOrDefault(Account.Unexplained),
            reason,
            Grounds.Of(
                "Added up from the fish ledger: stocked or moved in = taken out + moved on + dead + eaten + escaped + unexplained + left. Survival is what was taken out alive by what was stocked; FCR is feed given by gain of living biomass (economic).",
                "Fish ledger of this farm",
                new Input("stocked", stocked, Measures.Plain, "stocking slip"),
                new Input("stocked mass", stockedKg, Measures.Mass, "stocking slip"),
                new Input("taken out", caughtKg, Measures.Mass, "weighed at harvest"),
                new Input("still standing", standingKg, Measures.Mass, closed ? "pond emptied" : "standing estimate"),
                new Input("feed given", fedKg, Measures.Mass, "feedings written down"),
                new Input("days", days, Measures.Plain, "stocking to last harvest")
            )
        );
    }
}
