using System.Globalization;
using CsvHelper;
using Dorsk.Core.Time;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Files;

/// <summary>Every list of the farm as CSV for spreadsheets: SI with the unit in the heading, hours on the farm's clock, voided lines left out.</summary>
public static class Lists
{
    private const string Code = "(SELECT p.code FROM pond p WHERE p.pond = l.pond ORDER BY p.line DESC LIMIT 1) AS pond";
    private const string Batch = "(SELECT s.species FROM stocking s WHERE s.batch = t.batch ORDER BY s.line DESC LIMIT 1) AS species, t.batch";

    private static readonly Dictionary<string, string> Sql = new()
    {
        ["readings"] = $"SELECT l.happened, {Code}, t.parameter, t.value AS value_si, t.depth_m, t.instrument, l.author, l.line FROM reading t CROSS JOIN log l USING (line) WHERE l.pond IS NOT NULL AND",
        ["weather"] = "SELECT l.happened, t.parameter, t.value AS value_si, l.author, l.line FROM reading t CROSS JOIN log l USING (line) WHERE l.pond IS NULL AND",
        ["feedings"] = $"SELECT l.happened, {Code}, (SELECT name FROM feed f WHERE f.feed = t.feed ORDER BY f.line DESC LIMIT 1) AS feed, t.mass_kg, l.author, l.line FROM feeding t CROSS JOIN log l USING (line) WHERE",
        ["feed-in"] = "SELECT l.happened, (SELECT name FROM feed f WHERE f.feed = t.feed ORDER BY f.line DESC LIMIT 1) AS feed, t.lot, t.mass_kg, t.expiry, l.author, l.line FROM feed_received t CROSS JOIN log l USING (line) WHERE",
        ["store-out"] = "SELECT l.happened, (SELECT name FROM feed f WHERE f.feed = t.feed ORDER BY f.line DESC LIMIT 1) AS kind, t.lot, t.mass_kg, t.cause, t.text, l.author, l.line FROM store_taken t CROSS JOIN log l USING (line) WHERE",
        ["stock-takes"] = "SELECT l.happened, (SELECT name FROM feed f WHERE f.feed = t.feed ORDER BY f.line DESC LIMIT 1) AS kind, t.mass_kg, t.reason, l.author, l.line FROM store_counted t CROSS JOIN log l USING (line) WHERE",
        ["stockings"] = $"SELECT l.happened, {Code}, t.species, t.batch, t.origin, t.count, t.mean_g, t.basis, t.target_g, l.author, l.line FROM stocking t CROSS JOIN log l USING (line) WHERE",
        ["losses"] = $"SELECT l.happened, {Code}, {Batch}, t.count, t.account, t.cause, l.author, l.line FROM loss t CROSS JOIN log l USING (line) WHERE",
        ["samples"] = $"SELECT l.happened, {Code}, {Batch}, w.n AS weighing, w.count, w.mass_g, l.author, l.line FROM sample t CROSS JOIN log l USING (line) JOIN weighing w ON w.line = t.line WHERE",
        ["harvests"] = $"SELECT l.happened, {Code}, {Batch}, t.count, t.mass_kg, t.basis, t.account, t.final, t.difference_reason, l.author, l.line FROM harvest t CROSS JOIN log l USING (line) WHERE",
        ["moves"] = $"SELECT l.happened, {Code}, {Batch}, t.to_pond, t.count, t.mean_g, t.basis, l.author, l.line FROM move t CROSS JOIN log l USING (line) WHERE",
        ["ponds"] = "SELECT l.happened, t.code, t.name, t.kind, t.use, t.shape, t.length_m, t.width_m, t.diameter_m, t.depth_m, t.slope, l.line FROM pond t CROSS JOIN log l USING (line) WHERE",
        ["work"] = $"SELECT l.happened, {Code}, t.work, t.text, t.amount_kg, l.author, l.line FROM pond_work t CROSS JOIN log l USING (line) WHERE",
        ["harvests-planned"] = $"SELECT l.happened, {Code}, {Batch}, t.plan, t.day, t.count, t.to_pond, t.dropped, l.author, l.line FROM harvest_planned t CROSS JOIN log l USING (line) WHERE",
        ["stockings-planned"] = $"SELECT l.happened, {Code}, t.plan, t.species, t.stock_on, t.count, t.mean_g, t.target_g, t.from_pond, t.harvest_on, t.dropped, l.author, l.line FROM cycle_planned t CROSS JOIN log l USING (line) WHERE",
        ["jobs"] = $"SELECT l.happened, {Code}, t.key, t.outcome, t.reason, l.author, l.line FROM job_closed t CROSS JOIN log l USING (line) WHERE",
        ["forecasts"] = $"SELECT l.happened, {Code}, t.night, t.method, t.low AS low_mg_l, t.low_80, t.high_80, t.chance_under_act, l.line FROM forecast_issued t CROSS JOIN log l USING (line) WHERE",
        ["log"] = $"SELECT l.happened, {Code}, l.kind, l.as_typed, l.author, l.voids, l.line FROM log l WHERE",
    };

    /// <summary>Names of the lists.</summary>
    public static IReadOnlyList<string> Names { get; } = [.. Sql.Keys];

    /// <summary>Writes one list; false when there is none of that name.</summary>
    public static bool Write(FarmFile file, string name, FarmZone zone, TextWriter to)
    {
        if (!Sql.TryGetValue(name, out var sql))
            return false;
        using var c = file.Open();
        using var csv = new CsvWriter(to, CultureInfo.InvariantCulture, leaveOpen: true);
        var head = false;
        foreach (var row in Sqlite.Rows(c, $"{sql} {Lines.Count} ORDER BY l.happened, l.line", r => Enumerable.Range(0, r.FieldCount).Select(i => (r.GetName(i), r.IsDBNull(i) ? null : r.GetValue(i))).ToList(), Lines.With(AsOf.Now(DateTimeOffset.MaxValue))))
        {
            if (!head)
                Row(csv, row.Select(v => v.Item1 == "happened" ? "when" : v.Item1));
            head = true;
            Row(csv, row.Select(v => v.Item1 == "happened" ? zone.LocalAt(DateTimeOffset.FromUnixTimeMilliseconds((long)v.Item2!)).ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture) : Cell(v.Item2)));
        }
        return true;
    }

    // A spreadsheet must not take a note for a formula.
    private static string Cell(object? value) => value is string { Length: > 0 } text && "=+-@\t\r".Contains(text[0], StringComparison.Ordinal) ? "'" + text : Convert.ToString(value, CultureInfo.InvariantCulture) ?? "";

    private static void Row(CsvWriter csv, IEnumerable<string> cells)
    {
        foreach (var cell in cells)
            csv.WriteField(cell);
        csv.NextRecord();
    }
}
