using Dorsk.Core.Feeding;

namespace Dorsk.Farm.Feed;

/// <summary>Movements of one kind in the order in which they happened, added up once for what is over a week old.</summary>
/// <param name="kind">The kind.</param>
/// <param name="moves">Its movements, in order.</param>
internal sealed class KindMoves(FeedKind kind, IReadOnlyList<MoveRow> moves)
{
    // The ledger counts what was fed in the last week: it is carried on from before that.
    private static readonly TimeSpan Settled = TimeSpan.FromDays(8);
    private volatile Tuple<DateTimeOffset, int, StoreLedger>? old;

    /// <summary>The kind.</summary>
    public FeedKind Kind => kind;

    /// <summary>The same with newer lines. What is settled stays so when none of them lies in that time.</summary>
    public KindMoves With(IReadOnlyList<MoveRow> more)
    {
        if (more.Count == 0)
            return this;
        var first = more.Min(m => m.Move.At);
        return new(kind, [.. moves.Concat(more).OrderBy(m => m.Move.At)])
        {
            old = old is { } known && known.Item1 < first ? known : null,
        };
    }

    /// <summary>The store at an instant.</summary>
    public StoreLedger At(DateTimeOffset now)
    {
        var before = now - Settled;
        if (old is not { } known || known.Item1 > before || known.Item1 < before - Settled)
        {
            var count = moves.TakeWhile(m => m.Move.At <= before).Count();
            var ledger = StoreLedger.Of(moves.Take(count).Select(m => m.Move), before);
            old = known = Tuple.Create(before, count, ledger);
        }
        return known.Item3.With(moves.Skip(known.Item2).Select(m => m.Move), now);
    }
}
