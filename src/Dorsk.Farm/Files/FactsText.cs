using System.Text.Json;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Files;

/// <summary>All facts of a farm as lines of JSON in SI, in the order of the log, without entry ids: two farms that lived the same days print the same lines.</summary>
public static class FactsText
{
    /// <summary>Writes the facts that nobody voided.</summary>
    /// <param name="path">The farm's data file.</param>
    /// <param name="to">Where the lines go.</param>
    public static void Write(string path, TextWriter to)
    {
        using var connection = new FarmFile(path).Open();
        foreach (var table in FactKinds.Tables)
        foreach (var row in Sqlite.Rows(connection, Counting(table), Cells))
            to.WriteLine(JsonSerializer.Serialize(new { table, row }));
    }

    private static string Counting(string table) =>
        $"""
            SELECT t.*, l.happened FROM {table} t CROSS JOIN log l USING (line)
            WHERE NOT EXISTS (SELECT 1 FROM log v WHERE v.voids = l.line) ORDER BY l.line
            """;

    private static Dictionary<string, object?> Cells(Microsoft.Data.Sqlite.SqliteDataReader r) =>
        Enumerable.Range(0, r.FieldCount).ToDictionary(r.GetName, i => r.IsDBNull(i) ? null : r.GetValue(i));
}
