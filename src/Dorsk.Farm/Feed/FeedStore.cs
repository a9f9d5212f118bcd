using Dorsk.Core.Feeding;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Feed;

/// <summary>What is left of a kind of feed, or of another input.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="Ledger">Lots, differences, what was fed.</param>
public sealed record FeedLeft(FeedKind Kind, StoreLedger Ledger)
{
    /// <summary>Its number.</summary>
    public long FeedId => Kind.Id;

    /// <summary>Its name.</summary>
    public string Name => Kind.Name;

    /// <summary>Left, kg.</summary>
    public double LeftKg => Ledger.LeftKg;

    /// <summary>Given a day over the last week, kg.</summary>
    public double PerDayKg => Ledger.WeekKg / 7;

    /// <summary>First expiry in the store, or null.</summary>
    public DateOnly? NextExpiry => Ledger.NextExpiry;
}

/// <summary>Movements of every kind in order of time, so that the store can be added up at any hour.</summary>
internal sealed class FeedMoves
{
    private readonly List<KindMoves> kinds;
    private volatile Tuple<DateTimeOffset, List<FeedLeft>>? last;

    private FeedMoves(long line, List<KindMoves> kinds) => (Line, this.kinds) = (line, kinds);

    /// <summary>Newest line of the log when they were read.</summary>
    public long Line { get; }

    /// <summary>Reads them, in one snapshot; where they were read before and nothing was taken back or named anew since, only new lines.</summary>
    public static FeedMoves Load(SqliteConnection c, AsOf asOf, FeedMoves? before = null) =>
        Sqlite.InOneSnapshot(c, () => Read(c, asOf, before));

    private static FeedMoves Read(SqliteConnection c, AsOf asOf, FeedMoves? before)
    {
        var line = LogLines.Last(c);
        if (before is null || IsOtherwise(c, before.Line))
        {
            var all = FeedRows.After(c, asOf, 0).ToLookup(m => m.Feed);
            return new(line, FeedGoods.Goods(c, asOf.Known).ConvertAll(k => new KindMoves(k, [.. all[k.Id]])));
        }
        var more = FeedRows.After(c, asOf, before.Line).ToLookup(m => m.Feed);
        return new(line, before.kinds.ConvertAll(k => k.With([.. more[k.Kind.Id]])));
    }

    private static bool IsOtherwise(SqliteConnection c, long afterLine) =>
        Sqlite.Number(
            c,
            $"SELECT EXISTS (SELECT 1 FROM log WHERE line > $after AND (voids IS NOT NULL OR kind = '{nameof(FeedNamed)}'))",
            ("after", afterLine)
        ) == 1;

    /// <summary>What is left of everything at an instant; asked several times for the same one, it is added up once.</summary>
    public List<FeedLeft> At(DateTimeOffset now)
    {
        if (last is { } known && known.Item1 == now)
            return known.Item2;
        var fresh = kinds.ConvertAll(k => new FeedLeft(k.Kind, k.At(now)));
        last = Tuple.Create(now, fresh);
        return fresh;
    }

    /// <summary>Names of the lots of a kind that the store gave something out of between two instants, the first out first.</summary>
    /// <param name="feed">The kind.</param>
    /// <param name="from">First instant.</param>
    /// <param name="to">Last instant.</param>
    public IReadOnlyList<string> LotsGivenOut(long feed, DateTimeOffset from, DateTimeOffset to) =>
        kinds.Find(k => k.Kind.Id == feed)?.LotsGivenOut(from, to) ?? [];

    /// <summary>One kind's store at an instant, or null for an unknown kind.</summary>
    public StoreLedger? Of(long feed, DateTimeOffset now) => kinds.Find(k => k.Kind.Id == feed)?.At(now);
}
