using Dorsk.Core.Stock;

namespace Dorsk.Core.Growth;

/// <summary>How the number of a batch in one pond changed, read from the postings of the ledger: the estimate of fish starts from nothing else.</summary>
/// <param name="ArrivedAt">When the first of them came into this pond.</param>
/// <param name="Count">Fish that came then.</param>
/// <param name="MeanG">Their mean weight, g.</param>
/// <param name="OneByOne">Whether they were counted one by one.</param>
/// <param name="Changes">What came, went or was counted after, in the order in which it happened.</param>
public sealed record CountHistory(
    DateTimeOffset ArrivedAt,
    int Count,
    double MeanG,
    bool OneByOne,
    IReadOnlyList<CountChange> Changes
)
{
    /// <summary>Reads the history of one batch in one pond; null when none ever came.</summary>
    /// <param name="settled">The batch's settled movements, see <see cref="Ledger.Settle"/>.</param>
    /// <param name="pondId">The pond.</param>
    /// <param name="dayOf">The farm day of an instant.</param>
    /// <param name="foundShare">Of the dead of a line the share that was found, or null where nobody said.</param>
    public static CountHistory? Of(
        IReadOnlyList<Movement> settled,
        long pondId,
        Func<DateTimeOffset, DateOnly> dayOf,
        Func<long, double?> foundShare
    )
    {
        CountHistory? arrived = null;
        var stands = 0;
        var changes = new List<CountChange>();
        foreach (var movement in settled)
        {
            foreach (var p in movement.Postings.Where(p => p.Account == Account.Pond && p.PondId == pondId))
            {
                stands += p.Count;
                var meanG = p is { Count: not 0, MassG: not 0 } ? p.MassG / p.Count : (double?)null;
                if (arrived is null && p.Count > 0)
                    arrived = new(movement.Happened, p.Count, meanG ?? 0, p.Basis == CountBasis.Counted, []);
                else if (movement.Recount is null)
                    changes.Add(
                        new(dayOf(movement.Happened), p.Count, ToTheDead(movement, p), meanG)
                        {
                            FoundShare = foundShare(movement.Line),
                        }
                    );
            }
            // After a count of all, and once the books are empty, the number is known; what was thought to stand is no matter.
            if (movement.Recount is { } count && count.PondId == pondId)
                changes.Add(Counted(movement, count.Count, count.Basis == CountBasis.Counted));
            else if (
                arrived is not null
                && stands == 0
                && movement.Postings.Any(p => p.Account == Account.Pond && p.PondId == pondId)
            )
                changes.Add(Counted(movement, 0, true));
        }
        return arrived is null ? null : arrived with { Changes = changes };

        CountChange Counted(Movement movement, int count, bool oneByOne) =>
            new(dayOf(movement.Happened), count, false, null) { CountedOneByOne = oneByOne };
    }

    /// <summary>Fish on the books at the end of a farm day.</summary>
    public int StandsOn(DateOnly day) =>
        Changes
            .Where(x => x.Day <= day)
            .Aggregate(Count, (stands, x) => x.CountedOneByOne is null ? stands + x.Count : x.Count);

    /// <summary>The same with losses of guessed size, each on its day.</summary>
    /// <param name="guesses">Day, least and most share.</param>
    public CountHistory With(IEnumerable<(DateOnly Day, double Low, double High)> guesses) =>
        this with
        {
            Changes =
            [
                .. Changes
                    .Concat(guesses.Select(g => new CountChange(g.Day, 0, false, null) { Guessed = (g.Low, g.High) }))
                    .OrderBy(c => c.Day),
            ],
        };

    // A pond's posting and its other side stand together: what went out of the pond went to the account of the one behind it.
    private static bool ToTheDead(Movement movement, Posting fromPond) =>
        fromPond.Count < 0
        && movement.Postings.Any(p =>
            p.Account == Account.Dead && p.BatchId == fromPond.BatchId && p.Count == -fromPond.Count
        );
}
