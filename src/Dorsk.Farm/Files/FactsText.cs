using System.Text.Json;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Files;

/// <summary>All facts of a farm as lines of JSON in SI, in the order of the log, without entry ids: two farms that lived the same days print the same lines.</summary>
public static class FactsText
{
    private static readonly string[] Tables = ["farm", "person", "pond_place", "job_closed", "duty", "stocking_plan", "recount", "quarantine", "fish_received", "acclimation", "acclimation_water", "acclimation_note", "species_value", "limit_set", "pond", "pond_archived", "equipment", "mark", "aerator", "pond_work", "preparation", "reading", "instrument", "feed", "feeding", "stocking", "posting", "loss", "move", "sample", "weighing", "harvest", "harvest_planned", "cycle_planned", "season_kept", "feed_table", "feed_table_row", "feeder"];

    /// <summary>Writes the facts that nobody voided.</summary>
    /// <param name="path">The farm's data file.</param>
    /// <param name="to">Where the lines go.</param>
    public static void Write(string path, TextWriter to)
    {
        using var connection = new FarmFile(path).Open();
        foreach (var table in Tables)
            foreach (var row in Sqlite.Rows(connection, $"SELECT t.*, l.happened FROM {table} t CROSS JOIN log l USING (line) WHERE NOT EXISTS (SELECT 1 FROM log v WHERE v.voids = l.line) ORDER BY l.line",
                r => Enumerable.Range(0, r.FieldCount).ToDictionary(r.GetName, i => r.IsDBNull(i) ? null : r.GetValue(i))))
                to.WriteLine(JsonSerializer.Serialize(new { table, row }));
    }
}
