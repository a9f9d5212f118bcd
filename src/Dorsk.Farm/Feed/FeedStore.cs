using System.Globalization;
using Dorsk.Core.Feeding;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
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
    private readonly List<(FeedKind Kind, List<StoreMove> Moves)> kinds;

    private FeedMoves(List<(FeedKind, List<StoreMove>)> kinds) => this.kinds = kinds;

    public static FeedMoves Load(SqliteConnection c, AsOf asOf)
    {
        var arguments = Lines.With(asOf);
        var moves = Sqlite
            .Sound(
                c,
                $"SELECT f.feed, f.line, l.happened, f.mass_kg, f.lot, f.expiry, f.price_minor_per_kg, f.freight_minor FROM feed_received f CROSS JOIN log l USING (line) WHERE {Lines.Count}",
                r =>
                    (
                        Feed: r.GetInt64(0),
                        Line: r.GetInt64(1),
                        Move: new StoreMove(
                            r.Instant(2),
                            StoreMoveKind.In,
                            r.GetDouble(3),
                            r.GetString(4),
                            r.MaybeDay(5),
                            r.MaybeReal(6) is { } price ? price + (r.GetDouble(7) / r.GetDouble(3)) : null
                        )
                    ),
                arguments
            )
            .Concat(
                Sqlite.Sound(
                    c,
                    $"SELECT f.feed, f.line, l.happened, f.mass_kg FROM log l CROSS JOIN feeding f USING (line) WHERE l.kind = 'FeedingGiven' AND {Lines.Count}",
                    r => (r.GetInt64(0), r.GetInt64(1), new StoreMove(r.Instant(2), StoreMoveKind.Fed, r.GetDouble(3))),
                    arguments
                )
            )
            .Concat(
                Sqlite.Sound(
                    c,
                    $"SELECT f.feed, f.line, l.happened, f.mass_kg, f.lot, f.text FROM store_taken f CROSS JOIN log l USING (line) WHERE {Lines.Count}",
                    r =>
                        (
                            r.GetInt64(0),
                            r.GetInt64(1),
                            new StoreMove(
                                r.Instant(2),
                                StoreMoveKind.Taken,
                                r.GetDouble(3),
                                r.GetString(4),
                                Words: r.GetString(5)
                            )
                        ),
                    arguments
                )
            )
            .Concat(
                Sqlite.Sound(
                    c,
                    $"SELECT f.feed, f.line, l.happened, f.mass_kg, f.reason FROM store_counted f CROSS JOIN log l USING (line) WHERE {Lines.Count}",
                    r =>
                        (
                            r.GetInt64(0),
                            r.GetInt64(1),
                            new StoreMove(r.Instant(2), StoreMoveKind.Counted, r.GetDouble(3), Words: r.GetString(4))
                        ),
                    arguments
                )
            )
            // Within a minute things happened as they were written.
            .OrderBy(m => m.Item3.At)
            .ThenBy(m => m.Item2)
            .ToLookup(m => m.Item1, m => m.Item3);
        return new(FeedGoods.Goods(c, asOf.Known).Select(k => (k, moves[k.Id].ToList())).ToList());
    }

    private volatile Tuple<DateTimeOffset, List<FeedLeft>>? last;

    /// <summary>What is left of everything at an instant; asked several times for the same one, it is added up once.</summary>
    public List<FeedLeft> At(DateTimeOffset now)
    {
        if (last is { } known && known.Item1 == now)
            return known.Item2;
        var fresh = kinds.ConvertAll(k => new FeedLeft(k.Kind, StoreLedger.Of(k.Moves, now)));
        last = Tuple.Create(now, fresh);
        return fresh;
    }

    /// <summary>One kind's store at an instant, or null for an unknown kind.</summary>
    public StoreLedger? Of(long feed, DateTimeOffset now) =>
        kinds.Find(k => k.Kind.Id == feed).Moves is { } moves ? StoreLedger.Of(moves, now) : null;
}
