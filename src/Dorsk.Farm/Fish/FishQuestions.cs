using Dorsk.Core.Stock;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Fish;

/// <summary>Fish on the books.</summary>
internal static class FishQuestions
{
    // Older files hold postings of counts; the ledger works those out.
    private const string Posted = "l.kind <> '" + nameof(FishRecounted) + "'";

    /// <summary>Batches that ever stood in a pond, with what stands there on the books.</summary>
    public static List<BatchOnBooks> Standing(SqliteConnection c, AsOf asOf, long pond)
    {
        var rows = Rows(c, asOf, pond);
        return rows.ConvertAll(r =>
        {
            var movements = r.Counted ? Movements(c, asOf, r.Batch) : null;
            var stands = movements is null ? r.Sum : Ledger.Balance(movements, r.Batch, Account.Pond, pond);
            return new BatchOnBooks(
                r.Batch,
                r.Species,
                r.First,
                stands,
                Closing(c, asOf, r.Batch, pond).Max(f => (DateTimeOffset?)f.At)
            )
            {
                EmptiedAt =
                    stands != 0 ? null
                    : movements is null ? r.Last
                    : Ledger.EmptiedAt(movements, pond),
            };
        });
    }

    private static List<(
        long Batch,
        string Species,
        DateTimeOffset First,
        int Sum,
        DateTimeOffset Last,
        bool Counted
    )> Rows(SqliteConnection c, AsOf asOf, long pond) =>
        Sqlite.Rows(
            c,
            $"""
            SELECT p.batch, (SELECT species FROM stocking s WHERE s.batch = p.batch ORDER BY s.line DESC LIMIT 1),
              min(l.happened), sum(p.count), max(l.happened), EXISTS (SELECT 1 FROM recount r WHERE r.batch = p.batch)
            FROM posting p CROSS JOIN log l USING (line)
            WHERE p.pond = $pond AND p.account = 'Pond' AND {Posted} AND {Lines.Count} GROUP BY p.batch ORDER BY p.batch
            """,
            r =>
                (
                    Batch: r.GetInt64(0),
                    Species: r.GetString(1),
                    First: r.Instant(2),
                    Sum: r.GetInt32(3),
                    Last: r.Instant(4),
                    Counted: r.GetBoolean(5)
                ),
            Lines.With(asOf, ("pond", pond))
        );

    /// <summary>Movements of a batch in the order in which they happened, counts of all worked out.</summary>
    public static IReadOnlyList<Movement> Movements(SqliteConnection c, AsOf asOf, long batch) =>
        Ledger.Settle(Read(c, asOf, "p.batch = $batch AND", "t.batch = $batch", ("batch", batch)));

    /// <summary>Movements of every batch, each in the order in which they happened.</summary>
    public static Dictionary<long, IReadOnlyList<Movement>> AllMovements(SqliteConnection c, AsOf asOf) =>
        Read(c, asOf, "", "").GroupBy(BatchOf).ToDictionary(g => g.Key, g => Ledger.Settle(g));

    /// <summary>Every batch with its stocking, oldest first.</summary>
    public static List<(long Batch, DateTimeOffset At, FishStocked Fact)> Stockings(SqliteConnection c, AsOf asOf)
    {
        var numbers = Sqlite
            .Rows(c, "SELECT line, batch FROM stocking", r => (Line: r.GetInt64(0), Batch: r.GetInt64(1)))
            .ToDictionary(r => r.Line, r => r.Batch);
        return FishFacts.Stocked.All(c, asOf).ConvertAll(s => (numbers[s.Line], s.At, s.Fact));
    }

    /// <summary>The line of a final harvest after which fish stand (or are short) all the same, or null.</summary>
    public static long? OpenAgain(SqliteConnection c, AsOf asOf, long batch)
    {
        var finals = FishFacts.Harvested.All(c, asOf, "t.batch = $batch AND t.final = 1", ("batch", batch));
        var movements = finals.Count == 0 ? [] : Movements(c, asOf, batch);
        return finals
            .Where(f => Ledger.Balance(movements, batch, Account.Pond, f.Fact.PondId) != 0)
            .Select(f => (long?)f.Line)
            .FirstOrDefault();
    }

    /// <summary>Mean weight at the last sample, or at stocking, g, and when.</summary>
    public static (double MeanG, DateTimeOffset At) LastWeighed(SqliteConnection c, AsOf asOf, long batch, long pond)
    {
        var sampled = Sqlite.Rows(
            c,
            $"SELECT sum(w.mass_g) / sum(w.count), l.happened FROM sample s CROSS JOIN log l USING (line) JOIN weighing w USING (line) WHERE s.batch = $batch AND s.pond = $pond AND {Lines.Count} GROUP BY s.line ORDER BY l.happened DESC LIMIT 1",
            r => (r.GetDouble(0), r.Instant(1)),
            Lines.With(asOf, ("batch", batch), ("pond", pond))
        );
        if (sampled.Count > 0)
            return sampled[0];
        return Sqlite.Rows(
            c,
            $"SELECT sum(p.mass_g) / sum(p.count), max(l.happened) FROM posting p CROSS JOIN log l USING (line) WHERE p.batch = $batch AND p.account = 'Pond' AND p.pond = $pond AND p.count > 0 AND p.mass_g > 0 AND {Lines.Count}",
            r => r.IsDBNull(0) ? (0, asOf.HappenedUpTo) : (r.GetDouble(0), r.Instant(1)),
            Lines.With(asOf, ("batch", batch), ("pond", pond))
        )[0];
    }

    /// <summary>When the pond last came to hold no fish at all, by whatever way they went; null when it holds fish or never did.</summary>
    public static DateTimeOffset? EmptiedAt(SqliteConnection c, AsOf asOf, long pond)
    {
        var batches = Sqlite.Rows(
            c,
            "SELECT DISTINCT batch FROM posting WHERE pond = $pond",
            r => r.GetInt64(0),
            ("pond", pond)
        );
        return Ledger.EmptiedAt(batches.SelectMany(b => Movements(c, asOf, b)), pond);
    }

    /// <summary>Whether the pond was declared ready since the last fish left it.</summary>
    public static bool DeclaredReady(SqliteConnection c, AsOf asOf, long pond)
    {
        var declared = FarmFacts
            .Worked.All(c, asOf, "t.pond = $pond AND t.work = 'DeclaredReady'", ("pond", pond))
            .Select(w => (DateTimeOffset?)w.At)
            .Max();
        return declared is { } at && !(EmptiedAt(c, asOf, pond) >= at);
    }

    private static List<FactLine<FishHarvested>> Closing(SqliteConnection c, AsOf asOf, long batch, long pond) =>
        FishFacts.Harvested.All(
            c,
            asOf,
            "t.batch = $batch AND t.pond = $pond AND t.final = 1",
            ("batch", batch),
            ("pond", pond)
        );

    private static List<Movement> Read(
        SqliteConnection c,
        AsOf asOf,
        string posting,
        string recount,
        params (string, object?)[] with
    )
    {
        var postings = Postings(c, asOf, posting, with);
        var moved = postings
            .GroupBy(r => (r.Line, r.Happened))
            .Select(g => new Movement(g.Key.Line, g.Key.Happened, g.Select(r => r.Posting).ToList()));
        var counted = FishFacts
            .Recounted.All(c, asOf, recount, with)
            .Select(x => new Movement(x.Line, x.At, []) { Recount = x.Fact });
        return [.. moved, .. counted];
    }

    private static List<(long Line, DateTimeOffset Happened, Posting Posting)> Postings(
        SqliteConnection c,
        AsOf asOf,
        string posting,
        (string, object?)[] with
    ) =>
        Sqlite.Rows(
            c,
            $"""
            SELECT l.line, l.happened, p.batch, p.account, p.pond, p.count, p.mass_g, p.basis
            FROM posting p CROSS JOIN log l USING (line) WHERE {posting} {Posted} AND {Lines.Count} ORDER BY l.line, p.n
            """,
            r =>
                (
                    Line: r.GetInt64(0),
                    Happened: r.Instant(1),
                    Posting: new Posting(
                        r.GetInt64(2),
                        r.Word<Account>(3),
                        r.MaybeLong(4),
                        r.GetInt32(5),
                        r.GetDouble(6),
                        r.Word<CountBasis>(7)
                    )
                ),
            Lines.With(asOf, with)
        );

    private static long BatchOf(Movement m) => m.Recount?.BatchId ?? m.Postings[0].BatchId;
}
