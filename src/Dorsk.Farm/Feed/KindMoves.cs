using Dorsk.Core.Feeding;
using Dorsk.Core.Time;

namespace Dorsk.Farm.Feed;

/// <summary>Movements of one kind in the order in which they happened, added up once for what is over a week old.</summary>
/// <param name="kind">The kind.</param>
/// <param name="moves">Its movements, in order.</param>
internal sealed class KindMoves(FeedKind kind, IReadOnlyList<MoveRow> moves)
{
    // The ledger counts what was fed in the last week: it is carried on from before that.
    private static readonly TimeSpan Settled = TimeSpan.FromDays(8);
    private volatile Carried? carried;
    private volatile IReadOnlyList<(string Lot, DateTimeOffset First, DateTimeOffset Last)>? givenOut;

    /// <summary>What is settled up to an instant, and the movements since.</summary>
    private sealed record Carried(
        DateTimeOffset Until,
        IReadOnlyList<MoveRow> Before,
        StoreLedger Ledger,
        IReadOnlyList<MoveRow> Since
    );

    /// <summary>The kind.</summary>
    public FeedKind Kind => kind;

    private IEnumerable<MoveRow> All => carried is { } c ? c.Before.Concat(c.Since) : moves;

    /// <summary>The same with newer lines. What is settled stays so, and is not copied, when none of them lies in that time.</summary>
    public KindMoves With(IReadOnlyList<MoveRow> more)
    {
        if (more.Count == 0)
            return this;
        if (carried is { } known && known.Until < more.Min(m => m.Move.At))
            return new(kind, []) { carried = known with { Since = InOrder.With(known.Since, more, m => m.Move.At) } };
        return new(kind, InOrder.With([.. All], more, m => m.Move.At));
    }

    /// <summary>The store at an instant.</summary>
    public StoreLedger At(DateTimeOffset now)
    {
        var until = now - Settled;
        if (carried is not { } known || known.Until > until || known.Until < until - Settled)
        {
            MoveRow[] all = [.. All];
            var before = all.TakeWhile(m => m.Move.At <= until).ToArray();
            var ledger = StoreLedger.Of(before.Select(m => m.Move), until);
            carried = known = new(until, before, ledger, all[before.Length..]);
        }
        return known.Ledger.With(known.Since.Select(m => m.Move), now);
    }

    /// <summary>Names of the lots that something was given out of between two instants.</summary>
    public IReadOnlyList<string> LotsGivenOut(DateTimeOffset from, DateTimeOffset to) =>
        [
            .. (givenOut ??= StoreLedger.GivenOut(All.Select(m => m.Move)))
                .Where(g => g.First <= to && g.Last >= from)
                .Select(g => g.Lot),
        ];
}
