using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>Fish on the books.</summary>
internal static class FishQuestions
{
    /// <summary>Batches that ever stood in a pond, with what stands there on the books.</summary>
    public static List<BatchOnBooks> Standing(SqliteConnection c, AsOf asOf, long pond) => Sqlite.Rows(c,
        $"""
        SELECT p.batch, (SELECT species FROM stocking s WHERE s.batch = p.batch ORDER BY s.line DESC LIMIT 1), min(l.happened), sum(p.count),
          (SELECT max(lh.happened) FROM harvest h CROSS JOIN log lh USING (line) WHERE h.batch = p.batch AND h.pond = $pond AND h.final = 1
            AND lh.happened <= $upto AND lh.entered <= $known AND NOT EXISTS (SELECT 1 FROM log vh WHERE vh.voids = lh.line AND vh.entered <= $known))
        FROM posting p CROSS JOIN log l USING (line) WHERE p.pond = $pond AND p.account = 'Pond' AND {Lines.Count} GROUP BY p.batch ORDER BY p.batch
        """,
        r => new BatchOnBooks(r.GetInt64(0), r.GetString(1), r.Instant(2), r.GetInt32(3), r.MaybeLong(4) is { } ms ? DateTimeOffset.FromUnixTimeMilliseconds(ms) : null),
        Lines.With(asOf, ("pond", pond)));

    public static List<Movement> Movements(SqliteConnection c, AsOf asOf, long batch) => Sqlite.Rows(c,
        $"SELECT l.line, l.happened, p.account, p.pond, p.count, p.mass_g, p.basis FROM posting p CROSS JOIN log l USING (line) WHERE p.batch = $batch AND {Lines.Count} ORDER BY l.line, p.n",
        r => (Line: r.GetInt64(0), Happened: r.Instant(1), Posting: new Posting(batch, r.Word<Account>(2), r.MaybeLong(3), r.GetInt32(4), r.GetDouble(5), r.Word<CountBasis>(6))),
        Lines.With(asOf, ("batch", batch)))
        .GroupBy(r => (r.Line, r.Happened)).Select(g => new Movement(g.Key.Line, g.Key.Happened, g.Select(r => r.Posting).ToList())).ToList();

    /// <summary>Movements of every batch.</summary>
    public static Dictionary<long, IReadOnlyList<Movement>> AllMovements(SqliteConnection c, AsOf asOf) => Sqlite.Rows(c,
        $"SELECT l.line, l.happened, p.batch, p.account, p.pond, p.count, p.mass_g, p.basis FROM posting p CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.line, p.n",
        r => (Line: r.GetInt64(0), Happened: r.Instant(1), Posting: new Posting(r.GetInt64(2), r.Word<Account>(3), r.MaybeLong(4), r.GetInt32(5), r.GetDouble(6), r.Word<CountBasis>(7))), Lines.With(asOf))
        .GroupBy(r => r.Posting.BatchId).ToDictionary(b => b.Key, b => (IReadOnlyList<Movement>)b.GroupBy(r => (r.Line, r.Happened)).Select(g => new Movement(g.Key.Line, g.Key.Happened, g.Select(r => r.Posting).ToList())).ToList());

    /// <summary>Every batch with its stocking, oldest first.</summary>
    public static List<(long Batch, DateTimeOffset At, FishStocked Fact)> Stockings(SqliteConnection c, AsOf asOf) => Sqlite.Rows(c,
        $"SELECT s.batch, l.happened, s.pond, s.species, s.origin, s.count, s.mean_g, s.basis, s.not_ready_reason, s.target_g FROM stocking s CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line",
        r => (r.GetInt64(0), r.Instant(1), new FishStocked(r.GetInt64(2), r.GetString(3), r.GetString(4), r.GetInt32(5), r.GetDouble(6), r.Word<CountBasis>(7), r.GetString(8), r.MaybeReal(9))), Lines.With(asOf));

    /// <summary>The line of a final harvest after which fish stand (or are short) all the same, or null.</summary>
    public static long? OpenAgain(SqliteConnection c, AsOf asOf, long batch)
    {
        var finals = Sqlite.Rows(c, $"SELECT h.line, h.pond FROM harvest h CROSS JOIN log l USING (line) WHERE h.batch = $batch AND h.final = 1 AND {Lines.Count}",
            r => (Line: r.GetInt64(0), Pond: r.GetInt64(1)), Lines.With(asOf, ("batch", batch)));
        var movements = finals.Count == 0 ? [] : Movements(c, asOf, batch);
        foreach (var (line, pond) in finals)
            if (Ledger.Balance(movements, batch, Account.Pond, pond) != 0)
                return line;
        return null;
    }

    /// <summary>Mean weight at the last sample, or at stocking, g, and when.</summary>
    public static (double MeanG, DateTimeOffset At) LastWeighed(SqliteConnection c, AsOf asOf, long batch, long pond)
    {
        var sampled = Sqlite.Rows(c,
            $"SELECT sum(w.mass_g) / sum(w.count), l.happened FROM sample s CROSS JOIN log l USING (line) JOIN weighing w USING (line) WHERE s.batch = $batch AND s.pond = $pond AND {Lines.Count} GROUP BY s.line ORDER BY l.happened DESC LIMIT 1",
            r => (r.GetDouble(0), r.Instant(1)), Lines.With(asOf, ("batch", batch), ("pond", pond)));
        if (sampled.Count > 0)
            return sampled[0];
        return Sqlite.Rows(c, $"SELECT sum(p.mass_g) / sum(p.count), max(l.happened) FROM posting p CROSS JOIN log l USING (line) WHERE p.batch = $batch AND p.account = 'Pond' AND p.pond = $pond AND p.count > 0 AND p.mass_g > 0 AND {Lines.Count}",
            r => r.IsDBNull(0) ? (0, asOf.HappenedUpTo) : (r.GetDouble(0), r.Instant(1)), Lines.With(asOf, ("batch", batch), ("pond", pond)))[0];
    }

    /// <summary>Whether the pond was declared ready since the last fish were stocked or taken out.</summary>
    public static bool DeclaredReady(SqliteConnection c, AsOf asOf, long pond) => Sqlite.Number(c,
        $"""
        SELECT count(*) FROM pond_work w CROSS JOIN log l USING (line) WHERE w.pond = $pond AND w.work = 'DeclaredReady' AND {Lines.Count}
          AND l.happened > coalesce((SELECT max(l2.happened) FROM harvest h CROSS JOIN log l2 USING (line) WHERE h.pond = $pond AND h.final = 1 AND l2.happened <= $upto), -1)
        """, Lines.With(asOf, ("pond", pond))) > 0;

    public static List<(DateTimeOffset At, PondWork Work, string Text, double? Kg)> Works(SqliteConnection c, AsOf asOf, long pond) => Sqlite.Rows(c,
        $"SELECT l.happened, w.work, w.text, w.amount_kg FROM pond_work w CROSS JOIN log l USING (line) WHERE w.pond = $pond AND {Lines.Count} ORDER BY l.happened DESC",
        r => (r.Instant(0), r.Word<PondWork>(1), r.GetString(2), r.MaybeReal(3)), Lines.With(asOf, ("pond", pond)));
}
