using Dorsk.Core.Feeding;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Feed;

/// <summary>A movement of a kind with its line.</summary>
/// <param name="Feed">Number of the kind.</param>
/// <param name="Line">Log line.</param>
/// <param name="Move">The movement.</param>
internal readonly record struct MoveRow(long Feed, long Line, StoreMove Move);

/// <summary>Reads movements of the store.</summary>
internal static class FeedRows
{
    /// <summary>Movements that were entered after a line, in the order in which they happened; within a minute as they were written.</summary>
    public static List<MoveRow> After(SqliteConnection c, AsOf asOf, long afterLine)
    {
        var arguments = Lines.With(asOf, ("after", afterLine));
        List<MoveRow> rows = [];
        void Add(string columns, string table, Func<SqliteDataReader, StoreMove> move) =>
            rows.AddRange(
                Sqlite.Sound(
                    c,
                    $"SELECT f.feed, f.line, l.happened, f.mass_kg{columns} FROM {table} f CROSS JOIN log l USING (line) WHERE f.line > $after AND {Lines.Count}",
                    r => new MoveRow(r.GetInt64(0), r.GetInt64(1), move(r)),
                    arguments
                )
            );
        Add(", f.lot, f.expiry, f.price_minor_per_kg, f.freight_minor", "feed_received", r =>
            Kept(r, StoreMoveKind.In, r.GetString(4)) with
            {
                Expiry = r.MaybeDay(5),
                MinorPerKg = r.MaybeReal(6) is { } price ? price + (r.GetDouble(7) / r.GetDouble(3)) : null,
            }
        );
        Add("", "feeding", r => Kept(r, StoreMoveKind.Fed, ""));
        Add(", f.lot, f.text", "store_taken", r =>
            Kept(r, StoreMoveKind.Taken, r.GetString(4)) with
            {
                Words = r.GetString(5),
            }
        );
        Add(", f.reason", "store_counted", r => Kept(r, StoreMoveKind.Counted, "") with { Words = r.GetString(4) });
        return [.. rows.OrderBy(m => m.Move.At).ThenBy(m => m.Line)];
    }

    private static StoreMove Kept(SqliteDataReader r, StoreMoveKind kind, string lot) =>
        new(r.Instant(2), kind, r.GetDouble(3), lot);
}
