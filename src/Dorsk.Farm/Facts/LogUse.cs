using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Facts;

/// <summary>Which lines hang on another, and whether a line can be corrected.</summary>
internal static class LogUse
{
    /// <summary>Lines that count and belong to a pond beside its description, the first few.</summary>
    public static List<long> Naming(SqliteConnection c, long pond) =>
        Sqlite.Rows(
            c,
            $"""
            SELECT l.line FROM log l WHERE l.pond = $pond AND l.kind NOT IN ('{LogRow.TakenBack}', 'PondBuilt')
              AND NOT EXISTS (SELECT 1 FROM log v WHERE v.voids = l.line) ORDER BY l.line LIMIT 5
            """,
            r => r.GetInt64(0),
            ("pond", pond)
        );

    /// <summary>Lines that count and name a kind of feed, the first few.</summary>
    public static List<long> OfFeed(SqliteConnection c, long feed) =>
        In(c, FactKinds.All.Where(k => k.Name != "FeedNamed"), Refers.Feed, feed);

    /// <summary>Lines that count and name a species of the farm's own, beside its figures, the first few.</summary>
    /// <param name="c">The connection.</param>
    /// <param name="key">Key of the species.</param>
    /// <param name="figures">Kinds of facts that set its figures.</param>
    public static List<long> OfSpecies(SqliteConnection c, string key, IReadOnlyList<FactKind> figures) =>
        In(c, FactKinds.All.Except(figures), Refers.Species, key);

    private static List<long> In(SqliteConnection c, IEnumerable<FactKind> kinds, Refers refers, object value)
    {
        var tables = kinds.SelectMany(k =>
            k.Columns.Where(x => x.Refers == refers).Select(x => $"SELECT line FROM {k.Table} WHERE {x.Name} = $value")
        );
        return Sqlite.Rows(
            c,
            $"SELECT line FROM ({string.Join(" UNION ALL ", tables)}) t WHERE NOT EXISTS (SELECT 1 FROM log v WHERE v.voids = t.line) ORDER BY line LIMIT 5",
            r => r.GetInt64(0),
            ("value", value)
        );
    }

    /// <summary>Why a line cannot be corrected by a fact of a kind, or null when it can.</summary>
    public static string? CannotCorrect(SqliteConnection c, long line, string? kind)
    {
        if (LogLines.Line(c, line) is not { } old)
            return $"There is no line {line} in the log.";
        if (old.VoidedBy is { } by)
            return $"Line {line} was already corrected by line {by}. Open that line instead.";
        if (old.Kind == LogRow.TakenBack)
            return $"Line {line} takes another line back. It cannot be taken back itself; enter the fact again.";
        return kind is not null && kind != old.Kind
            ? $"Line {line} says “{FactKinds.Word(old.Kind)}”; it cannot be corrected with “{FactKinds.Word(kind)}”."
            : null;
    }
}
