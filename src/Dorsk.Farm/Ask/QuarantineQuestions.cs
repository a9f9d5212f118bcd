using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>Batches that are held apart.</summary>
internal static class QuarantineQuestions
{
    private const string Columns = "q.pond, q.batch, q.event, q.days, q.calm, q.text";

    /// <summary>All that are held, by batch and pond.</summary>
    public static List<Quarantine> Held(SqliteConnection c, AsOf asOf, FarmZone zone) => Sqlite.Sound(c,
        $"SELECT l.happened, {Columns} FROM quarantine q CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line", r => (At: r.Instant(0), Fact: Read(r, 1)), Lines.With(asOf))
        .GroupBy(x => (x.Fact.BatchId, x.Fact.PondId)).Select(g => Quarantine.Of(g, zone)).OfType<Quarantine>().ToList();

    /// <summary>One batch in one pond; null when it is not held.</summary>
    public static Quarantine? Of(SqliteConnection c, AsOf asOf, FarmZone zone, long batch, long pond) => Held(c, asOf, zone).Find(q => q.BatchId == batch && q.PondId == pond);

    public static QuarantineNoted? Line(SqliteConnection c, long line) => Sqlite.One(c, $"SELECT {Columns} FROM quarantine q WHERE q.line = $line", r => Read(r, 0), ("line", line));

    private static QuarantineNoted Read(SqliteDataReader r, int i) => new(r.GetInt64(i), r.GetInt64(i + 1), r.Word<QuarantineEvent>(i + 2), (int?)r.MaybeLong(i + 3), r.GetBoolean(i + 4), r.GetString(i + 5));
}
