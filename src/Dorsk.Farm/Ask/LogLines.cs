using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>A line of the log as shown.</summary>
/// <param name="Line">Number.</param>
/// <param name="Kind">Name of the fact.</param>
/// <param name="Happened">When it happened.</param>
/// <param name="Entered">When it was entered.</param>
/// <param name="Author">Who wrote it.</param>
/// <param name="AsTyped">What was typed.</param>
/// <param name="Voids">The line it takes the place of, or null.</param>
/// <param name="VoidedBy">The line that took its place, or null.</param>
/// <param name="PondId">The pond, or null.</param>
public sealed record LogRow(
    long Line,
    string Kind,
    DateTimeOffset Happened,
    DateTimeOffset Entered,
    string Author,
    string AsTyped,
    long? Voids,
    long? VoidedBy,
    long? PondId
)
{
    /// <summary>Kind of a line that takes another back and puts nothing in its place.</summary>
    public const string TakenBack = "TakenBack";
}

/// <summary>The log itself: it shows everything, voided lines too.</summary>
internal static class LogLines
{
    /// <summary>Kind of a line that takes another back and puts nothing in its place.</summary>
    public const string TakenBack = LogRow.TakenBack;

    private const string Columns =
        "l.line, l.kind, l.happened, l.entered, l.author, l.as_typed, l.voids, (SELECT v.line FROM log v WHERE v.voids = l.line AND v.entered <= $known), l.pond";

    public static List<LogRow> Of(
        SqliteConnection c,
        AsOf asOf,
        long pond,
        int most,
        long beforeLine = long.MaxValue
    ) =>
        Sqlite.Rows(
            c,
            $"SELECT {Columns} FROM log l WHERE (l.pond = $pond OR l.line = $pond) AND l.happened <= $upto AND l.entered <= $known AND l.line < $before AND l.kind <> 'ProbeSeriesReceived' AND NOT EXISTS (SELECT 1 FROM forecast_issued f WHERE f.line = l.line AND f.shown = 0) ORDER BY l.happened DESC, l.line DESC LIMIT $most",
            Row,
            Lines.With(asOf, ("pond", pond), ("most", most), ("before", beforeLine))
        );

    public static List<LogRow> OfStore(SqliteConnection c, AsOf asOf, int most) =>
        Sqlite.Rows(
            c,
            $"SELECT {Columns} FROM log l WHERE l.line IN (SELECT line FROM feed_received UNION ALL SELECT line FROM store_taken UNION ALL SELECT line FROM store_counted) AND l.happened <= $upto AND l.entered <= $known ORDER BY l.happened DESC, l.line DESC LIMIT $most",
            Row,
            Lines.With(asOf, ("most", most))
        );

    public static LogRow? Line(SqliteConnection c, long line) =>
        Sqlite.One(
            c,
            $"SELECT {Columns} FROM log l WHERE l.line = $line",
            Row,
            ("line", line),
            ("known", DateTimeOffset.MaxValue)
        );

    /// <summary>Lines that count and belong to a pond beside its description, the first few.</summary>
    public static List<long> Naming(SqliteConnection c, long pond) =>
        Sqlite.Rows(
            c,
            $"""
            SELECT l.line FROM log l WHERE l.pond = $pond AND l.kind NOT IN ('{TakenBack}', 'PondBuilt')
              AND NOT EXISTS (SELECT 1 FROM log v WHERE v.voids = l.line) ORDER BY l.line LIMIT 5
            """,
            r => r.GetInt64(0),
            ("pond", pond)
        );

    /// <summary>Lines that count and name a kind of feed, the first few.</summary>
    public static List<long> OfFeed(SqliteConnection c, long feed)
    {
        var tables = FactKinds.All.SelectMany(k =>
            k.Columns.Where(x => x.Refers == Refers.Feed && k.Name != "FeedNamed")
                .Select(x => $"SELECT line FROM {k.Table} WHERE {x.Name} = $feed")
        );
        return Sqlite.Rows(
            c,
            $"SELECT line FROM ({string.Join(" UNION ALL ", tables)}) t WHERE NOT EXISTS (SELECT 1 FROM log v WHERE v.voids = t.line) ORDER BY line LIMIT 5",
            r => r.GetInt64(0),
            ("feed", feed)
        );
    }

    public static long Last(SqliteConnection c) => Sqlite.Number(c, "SELECT max(line) FROM log");

    /// <summary>Why a line cannot be corrected by a fact of a kind, or null when it can.</summary>
    public static string? CannotCorrect(SqliteConnection c, long line, string? kind)
    {
        if (Line(c, line) is not { } old)
            return $"There is no line {line} in the log.";
        if (old.VoidedBy is { } by)
            return $"Line {line} was already corrected by line {by}. Open that line instead.";
        if (old.Kind == TakenBack)
            return $"Line {line} takes another line back. It cannot be taken back itself; enter the fact again.";
        return kind is not null && kind != old.Kind
            ? $"Line {line} says “{FactKinds.Word(old.Kind)}”; it cannot be corrected with “{FactKinds.Word(kind)}”."
            : null;
    }

    private static LogRow Row(SqliteDataReader r) =>
        new(
            r.GetInt64(0),
            r.GetString(1),
            r.Instant(2),
            r.Instant(3),
            r.GetString(4),
            r.GetString(5),
            r.MaybeLong(6),
            r.MaybeLong(7),
            r.MaybeLong(8)
        );
}
