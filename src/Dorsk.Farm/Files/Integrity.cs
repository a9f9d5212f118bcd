using System.Globalization;
using Dorsk.Core.Stock;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Files;

/// <summary>Something in the data file that cannot be.</summary>
/// <param name="Table">Table.</param>
/// <param name="Line">Line of the log it belongs to; null where that cannot be told.</param>
/// <param name="Column">Column; empty for the row as a whole.</param>
/// <param name="What">What is wrong, in words.</param>
public sealed record BadRow(string Table, long? Line, string Column, string What)
{
    /// <summary>As it is shown.</summary>
    public override string ToString() =>
        $"{Table}{(Line is { } l ? string.Create(CultureInfo.InvariantCulture, $", line {l}") : "")}{(Column.Length > 0 ? ", " + Column : "")}: {What}";
}

/// <summary>Looks the data file through: its pages, its references, the fish ledger, and every row of every fact.</summary>
public static class Integrity
{
    private const int Most = 200;

    // Followed by reading, not by row: millions of values that passed the same rule when they came.
    private static readonly string[] Large = ["probe_value", "probe_roll"];

    /// <summary>What cannot be; empty when the file is sound. The first 200.</summary>
    /// <param name="file">The farm's data file.</param>
    /// <param name="pages">Whether the pages of the file are read through as well, which takes a while on a large one.</param>
    public static IReadOnlyList<BadRow> Look(FarmFile file, bool pages)
    {
        using var c = file.Open(pooled: false);
        var bad = new List<BadRow>();
        if (pages)
            bad.AddRange(
                Sqlite
                    .Rows(c, "PRAGMA integrity_check(20)", r => r.GetString(0))
                    .Where(w => w != "ok")
                    .Select(w => new BadRow("file", null, "", w))
            );
        // Where pages are damaged, what is read from them says nothing.
        if (bad.Count > 0)
            return bad;
        bad.AddRange(
            Sqlite
                .Rows(c, "PRAGMA foreign_key_check", r => new BadRow(
                    r.GetString(0),
                    r.MaybeLong(1),
                    "",
                    "it refers to a line that is not there"
                ))
                .Take(Most)
        );
        foreach (var table in Tables(c).Except(Large))
            if (bad.Count < Most)
                bad.AddRange(RowsOf(c, table, Most - bad.Count));
        bad.AddRange(LedgerOf(c));
        return bad;
    }

    /// <summary>Rows of one table that cannot be.</summary>
    internal static List<BadRow> RowsOf(SqliteConnection c, string table, int most)
    {
        using var command = c.CreateCommand();
        // What was taken back counts no longer, and so may be as wrong as it likes.
        command.CommandText =
            HasLine(c, table) && table != "log"
                ? $"SELECT t.* FROM \"{table}\" t WHERE NOT EXISTS (SELECT 1 FROM log v WHERE v.voids = t.line)"
                : $"SELECT * FROM \"{table}\" t";
        using var reader = command.ExecuteReader();
        var names = Enumerable.Range(0, reader.FieldCount).Select(reader.GetName).ToList();
        var line = names.IndexOf("line");
        var bad = new List<BadRow>();
        while (bad.Count < most && reader.Read())
            for (var i = 0; i < names.Count; i++)
                if (
                    RowRules.Wrong(table, names[i], reader.IsDBNull(i) ? null : reader.GetValue(i), n =>
                        names.IndexOf(n) is >= 0 and var k && !reader.IsDBNull(k) ? reader.GetValue(k) : null
                    ) is
                    { } wrong
                )
                    bad.Add(
                        new(
                            table,
                            line >= 0 ? reader.GetInt64(line) : null,
                            names[i],
                            $"“{PlainCell(reader.GetValue(i))}”: {wrong}"
                        )
                    );
        return bad;
    }

    /// <summary>Batches of fish whose ledger does not balance.</summary>
    internal static IEnumerable<BadRow> LedgerOf(SqliteConnection c)
    {
        foreach (var batch in Sqlite.Rows(c, "SELECT DISTINCT batch FROM posting", r => r.GetInt64(0)))
        {
            string? wrong = null;
            try
            {
                var movements = FishQuestions.Movements(c, AsOf.Now(DateTimeOffset.MaxValue), batch);
                if (!Ledger.Balances(movements.SelectMany(m => m.Postings)) || Ledger.FirstShort(movements) is not null)
                    wrong = $"The fish ledger of batch {batch} does not balance";
            }
            catch (Exception problem) when (problem is not SqliteException)
            {
                wrong = $"The fish ledger of batch {batch} cannot be read: {problem.Message}";
            }
            if (wrong is not null)
                yield return new("posting", batch, "", wrong);
        }
    }

    /// <summary>Tables of facts and of the log.</summary>
    internal static IEnumerable<string> Tables(SqliteConnection c) => Backup.Rows(c).Keys.Except(Export.State);

    private static bool HasLine(SqliteConnection c, string table) =>
        Sqlite.Number(c, "SELECT count(*) FROM pragma_table_info($table) WHERE name = 'line'", ("table", table)) > 0;

    private static string PlainCell(object value) =>
        Core.Units.PlainText.Line(Convert.ToString(value, CultureInfo.InvariantCulture), 40);
}
