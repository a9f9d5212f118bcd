namespace Dorsk.Core.Stock;

/// <summary>A movement of fish as the ledger sees it: its place in time and its postings.</summary>
/// <param name="Line">Log line.</param>
/// <param name="Happened">When it happened; rules the order.</param>
/// <param name="Postings">Two or more, summing to nought per batch; of a count, what it differs by, which may be nothing.</param>
public sealed record Movement(long Line, DateTimeOffset Happened, IReadOnlyList<Posting> Postings)
{
    /// <summary>The count of all fish that made it; null for fish that came or went.</summary>
    public FishRecounted? Recount { get; init; }
}

/// <summary>Arithmetic of the fish ledger.</summary>
public static class Ledger
{
    /// <summary>Whether postings sum to nought for every batch.</summary>
    public static bool Balances(IEnumerable<Posting> postings) =>
        postings.GroupBy(p => p.BatchId).All(g => g.Sum(p => (long)p.Count) == 0);

    /// <summary>Fish in an account.</summary>
    public static int Balance(IEnumerable<Movement> movements, long batchId, Account account, long? pondId = null) =>
        movements
            .SelectMany(m => m.Postings)
            .Where(p => p.BatchId == batchId && p.Account == account && (pondId is null || p.PondId == pondId))
            .Sum(p => p.Count);

    /// <summary>
    /// Movements in the order in which they happened; what each count of all differs by is worked out from the movements before it, so
    /// that a line entered late changes the difference and never the count. Within one instant arrivals count before departures, and
    /// else lines as they were written.
    /// </summary>
    /// <param name="movements">Movements with their postings; counts with none yet.</param>
    public static IReadOnlyList<Movement> Settle(IEnumerable<Movement> movements)
    {
        var stands = new Dictionary<(long Batch, long Pond), int>();
        var settled = new List<Movement>();
        foreach (var movement in InOrder(movements))
        {
            var now = movement.Recount is { } count
                ? movement with
                {
                    Postings = Posted.Of(count, stands.GetValueOrDefault((count.BatchId, count.PondId))),
                }
                : movement;
            foreach (var p in now.Postings.Where(p => p.Account == Account.Pond))
                stands[(p.BatchId, p.PondId ?? 0)] = stands.GetValueOrDefault((p.BatchId, p.PondId ?? 0)) + p.Count;
            settled.Add(now);
        }
        return settled;
    }

    /// <summary>When a pond last came to hold no fish at all on the books; null when fish stand in it or none ever did.</summary>
    /// <param name="settled">Settled movements of every batch that was ever in it.</param>
    /// <param name="pondId">The pond.</param>
    public static DateTimeOffset? EmptiedAt(IEnumerable<Movement> settled, long pondId)
    {
        var stands = 0L;
        DateTimeOffset? emptied = null;
        foreach (var movement in InOrder(settled))
        {
            var change = movement.Postings.Where(p => p.Account == Account.Pond && p.PondId == pondId).ToList();
            if (change.Count == 0)
                continue;
            stands += change.Sum(p => (long)p.Count);
            emptied = stands == 0 ? movement.Happened : null;
        }
        return emptied;
    }

    private static IEnumerable<Movement> InOrder(IEnumerable<Movement> movements) =>
        movements
            .OrderBy(m => m.Happened)
            .ThenByDescending(m => m.Postings.Any(p => p.Account == Account.Pond && p.Count > 0))
            .ThenBy(m => m.Line);

    /// <summary>
    /// The first movement at which a pond would hold fewer than no fish of a batch, in order of happening; null when none.
    /// Within one instant arrivals count before departures.
    /// </summary>
    public static Movement? FirstShort(IEnumerable<Movement> movements)
    {
        var stands = new Dictionary<(long, long), int>();
        foreach (var movement in InOrder(movements))
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
