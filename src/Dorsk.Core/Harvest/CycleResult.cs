using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Harvest;

/// <summary>What a cycle is added up from.</summary>
/// <param name="BatchId">The batch.</param>
/// <param name="PondId">The pond; what befell the batch in other ponds is not of this book.</param>
/// <param name="Movements">All movements of the batch.</param>
/// <param name="StandingKg">Estimated mass that still stands, kg.</param>
/// <param name="FedKg">Feed given to it, kg.</param>
/// <param name="AreaHa">Pond area, ha; null for tanks.</param>
/// <param name="VolumeM3">Pond volume, m³.</param>
/// <param name="Days">Days from stocking.</param>
/// <param name="Closed">Whether a final harvest was booked.</param>
/// <param name="Reason">Name of the difference.</param>
public sealed record CycleBooks(
    long BatchId,
    long PondId,
    IReadOnlyList<Movement> Movements,
    double StandingKg,
    double FedKg,
    double? AreaHa,
    double VolumeM3,
    int Days,
    bool Closed,
    string Reason
)
{
    /// <summary>Postings of the batch in movements that touch the pond.</summary>
    public IReadOnlyList<IReadOnlyList<Posting>> Touching { get; } =
    [
        .. Movements
            .Select(m => m.Postings.Where(p => p.BatchId == BatchId).ToList())
            .Where(m => m.Exists(p => p.Account == Account.Pond && p.PondId == PondId)),
    ];

    /// <summary>Postings in other ponds of movements between ponds: one posting here, one there.</summary>
    public IEnumerable<Posting> Elsewhere =>
        Touching.SelectMany(m => m).Where(p => p.Account == Account.Pond && p.PondId != PondId);
}

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
    public static CycleResult Of(CycleBooks books)
    {
        var mine = books.Touching.SelectMany(m => m).ToList();
        var movedIn = books.Elsewhere.Where(p => p.Count < 0).ToList();
        var movedOut = books.Elsewhere.Where(p => p.Count > 0).ToList();
        var byAccount = mine.Where(p => p.Account is not (Account.Pond or Account.Supplier))
            .GroupBy(p => p.Account)
            .ToDictionary(g => g.Key, g => g.Sum(p => p.Count));
        var stocked = -mine.Where(p => p.Account == Account.Supplier).Concat(movedIn).Sum(p => p.Count);
        var stockedKg = -mine.Where(p => p.Account == Account.Supplier).Concat(movedIn).Sum(p => p.MassG) / 1000;
        var taken = mine.Where(p => p.Account is Account.Harvested or Account.SoldAlive or Account.MovedOff).ToList();
        var caughtKg = taken.Sum(p => p.MassG) / 1000;
        var livingKg = caughtKg + (movedOut.Sum(p => p.MassG) / 1000) + books.StandingKg;
        double? survival =
            books.Closed && stocked > 0
                ? 100.0 * (taken.Sum(p => p.Count) + movedOut.Sum(p => p.Count)) / stocked
                : null;
        return new(
            stocked,
            byAccount,
            movedOut.Sum(p => p.Count),
            mine.Where(p => p.Account == Account.Pond && p.PondId == books.PondId).Sum(p => p.Count),
            survival,
            caughtKg,
            livingKg - stockedKg,
            books.FedKg,
            GrowthLaws.EconomicFcr(books.FedKg, stockedKg, livingKg),
            caughtKg / books.AreaHa,
            books.AreaHa is null ? caughtKg / books.VolumeM3 : null,
            books.Days,
            books.Closed,
            byAccount.GetValueOrDefault(Account.Unexplained),
            books.Reason,
            Because(books, stocked, stockedKg, caughtKg)
        );
    }

    private static Grounds Because(CycleBooks books, int stocked, double stockedKg, double caughtKg) =>
        Grounds.Of(
            "Added up from the fish ledger: stocked or moved in = taken out + moved on + dead + eaten + escaped + unexplained + left. Survival is what was taken out alive by what was stocked; FCR is feed given by gain of living biomass (economic).",
            "Fish ledger of this farm",
            new Input("stocked", stocked, Measures.Plain, "stocking slip"),
            new Input("stocked mass", stockedKg, Measures.Mass, "stocking slip"),
            new Input("taken out", caughtKg, Measures.Mass, "weighed at harvest"),
            new Input(
                "still standing",
                books.StandingKg,
                Measures.Mass,
                books.Closed ? "pond emptied" : "standing estimate"
            ),
            new Input("feed given", books.FedKg, Measures.Mass, "feedings written down"),
            new Input("days", books.Days, Measures.Plain, "stocking to last harvest")
        );
}
