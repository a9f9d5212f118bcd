namespace Dorsk.Core.Stock;

/// <summary>A movement of fish as the ledger sees it: its place in time and its postings.</summary>
/// <param name="Line">Log line.</param>
/// <param name="Happened">When it happened; rules the order.</param>
/// <param name="Postings">Two or more, summing to nought per batch.</param>
public sealed record Movement(long Line, DateTimeOffset Happened, IReadOnlyList<Posting> Postings);

/// <summary>Arithmetic of the fish ledger.</summary>
public static class Ledger
{
    /// <summary>Whether postings sum to nought for every batch.</summary>
    public static bool Balances(IEnumerable<Posting> postings) => postings.GroupBy(p => p.BatchId).All(g => g.Sum(p => (long)p.Count) == 0);

    /// <summary>Fish in an account.</summary>
    public static int Balance(IEnumerable<Movement> movements, long batchId, Account account, long? pondId = null) =>
        movements.SelectMany(m => m.Postings).Where(p => p.BatchId == batchId && p.Account == account && (pondId is null || p.PondId == pondId)).Sum(p => p.Count);

    /// <summary>
    /// The first movement at which a pond would hold fewer than no fish of a batch, in order of happening; null when none.
    /// Within one instant arrivals count before departures.
    /// </summary>
    public static Movement? FirstShort(IEnumerable<Movement> movements)
    {
        var stands = new Dictionary<(long, long), int>();
        foreach (var movement in movements.OrderBy(m => m.Happened).ThenBy(m => m.Postings.Where(p => p.Account == Account.Pond).Min(p => (int?)-Math.Sign(p.Count)) ?? 0).ThenBy(m => m.Line))
            foreach (var p in movement.Postings.Where(p => p.Account == Account.Pond).OrderByDescending(p => p.Count))
            {
                var key = (p.BatchId, p.PondId ?? 0);
                var now = stands.GetValueOrDefault(key) + p.Count;
                if (now < 0)
                    return movement;
                stands[key] = now;
            }
        return null;
    }
}
