using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Log;

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

    /// <summary>What stands before the text as typed of a line that came from the notebook; an index of the log is on it.</summary>
    public const string NoteTyped = "note: ";

    /// <summary>Lines that came from the notebook, the newest first; their text as typed says so.</summary>
    public static List<LogRow> Notes(SqliteConnection c, AsOf asOf, int most) =>
        Sqlite.Rows(
            c,
            $"SELECT {Columns} FROM log l WHERE substr(l.as_typed, 1, 6) = '{NoteTyped}' AND l.kind <> 'NoteKept' AND l.entered <= $known AND l.happened <= $upto ORDER BY l.line DESC LIMIT $most",
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

    public static long Last(SqliteConnection c) => Sqlite.Number(c, "SELECT max(line) FROM log");

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
