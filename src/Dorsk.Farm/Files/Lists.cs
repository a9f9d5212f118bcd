using System.Globalization;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Files;

/// <summary>
/// Every list of the farm as CSV for spreadsheets, one for each kind of fact: SI with the unit in the heading, hours on the farm's clock,
/// ponds by their code, voided lines left out.
/// </summary>
public static class Lists
{
    // Names that people know; a kind that is not named here has the name of its table.
    private static readonly Dictionary<string, string> Known = new()
    {
        ["reading"] = "readings",
        ["feeding"] = "feedings",
        ["feed_received"] = "feed-in",
        ["store_taken"] = "store-out",
        ["store_counted"] = "stock-takes",
        ["stocking"] = "stockings",
        ["loss"] = "losses",
        ["sample"] = "samples",
        ["harvest"] = "harvests",
        ["move"] = "moves",
        ["recount"] = "counts",
        ["pond"] = "ponds",
        ["pond_work"] = "work",
        ["harvest_planned"] = "harvests-planned",
        ["cycle_planned"] = "stockings-planned",
        ["job_closed"] = "jobs",
        ["forecast_issued"] = "forecasts",
        ["duty"] = "recurring-tasks",
        ["vital"] = "equipment-and-spares",
        ["vital_checked"] = "equipment-tests",
        ["person"] = "people",
        ["feed"] = "feeds",
        ["fish_received"] = "fish-deliveries",
        ["preparation"] = "preparations",
        ["instrument"] = "instruments",
        ["device"] = "devices",
    };

    // Columns whose unit does not stand in their name.
    private static readonly Dictionary<string, string> Headings = new()
    {
        ["reading.value"] = "value_si",
        ["forecast_issued.low"] = "low_mg_l",
        ["preparation.kwh"] = "price_per_kwh",
        ["acclimation_note.salinity"] = "salinity_ppt",
        ["acclimation_note.oxygen"] = "oxygen_mg_l",
        ["acclimation_water.salinity"] = "salinity_ppt",
        ["acclimation_water.oxygen"] = "oxygen_mg_l",
        ["acclimation_water.tan"] = "tan_mg_l",
        ["acclimation_water.alkalinity"] = "alkalinity_mg_l",
        ["feeder.grams_each"] = "dose_g",
        ["aerator_tested.kpa"] = "pressure_kpa",
    };

    private static readonly Dictionary<string, (string Table, string Sql)> All = Build();

    /// <summary>Names of the lists.</summary>
    public static IReadOnlyList<string> Names { get; } = [.. All.Keys];

    /// <summary>Those that people ask for most; the others hold what the farm was told and did by itself.</summary>
    public static IReadOnlyList<string> Usual { get; } =
    [.. Names.Where(n => Known.ContainsValue(n) || n is "weather" or "log")];

    /// <summary>Whether a list names how people are reached: it is for those who set the farm up.</summary>
    public static bool IsPrivate(string name) => name is "call-list" or "alarm-told";

    /// <summary>Tables that stand in a list.</summary>
    internal static IEnumerable<string> Tables => All.Values.SelectMany(l => l.Table.Split(' '));

    /// <summary>Writes one list row by row; false when there is none of that name.</summary>
    /// <param name="file">The farm's data file.</param>
    /// <param name="name">Name of the list.</param>
    /// <param name="zone">The farm's clock face.</param>
    /// <param name="style">How cells and figures are written.</param>
    /// <param name="to">Where to.</param>
    public static bool Write(FarmFile file, string name, FarmZone zone, CsvStyle style, TextWriter to)
    {
        if (!All.TryGetValue(name, out var list))
            return false;
        using var c = file.Open();
        using var csv = CsvRows.Writer(to, style);
        Sqlite.Each(
            c,
            $"{list.Sql} {Lines.Count} ORDER BY l.happened, l.line",
            // A list without rows still says what would stand in it.
            r => CsvRows.Row(csv, Columns(r).SelectMany(column => Heads(column.Name))),
            r => CsvRows.Row(csv, Columns(r).SelectMany(column => Cells(r, column, zone, style))),
            Lines.With(AsOf.Now(DateTimeOffset.MaxValue))
        );
        return true;
    }

    private static IEnumerable<(string Name, int At)> Columns(SqliteDataReader r) =>
        Enumerable.Range(0, r.FieldCount).Select(i => (r.GetName(i), i));

    private static IEnumerable<string> Heads(string column) =>
        column switch
        {
            "happened" => ["when"],
            "at_ms" => ["at"],
            ValueSi => ["value", "unit"],
            _ => [column],
        };

    private static IEnumerable<string> Cells(
        SqliteDataReader r,
        (string Name, int At) column,
        FarmZone zone,
        CsvStyle style
    ) => column.Name == ValueSi ? [Cell(r, column, zone, style), UnitOf(r)] : [Cell(r, column, zone, style)];

    private const string ValueSi = "value_si";

    // The unit of a value is that of what was read.
    private static string UnitOf(SqliteDataReader r) =>
        r["parameter"] is string key ? Parameter.Find(key)?.Measure.SiSymbol ?? "" : "";

    private static Dictionary<string, (string Table, string Sql)> Build()
    {
        var lists = new Dictionary<string, (string, string)>();
        foreach (var kind in FactKinds.All)
        {
            var rows = kind.Tables.Where(t => t != kind.Table && t != ProbeValues).ToList();
            lists.Add(
                NameOf(kind.Table),
                ($"{kind.Table} {rows.FirstOrDefault()}".Trim(), Of(kind, rows.FirstOrDefault()))
            );
            foreach (var more in rows.Skip(1))
                lists.Add(NameOf(more), (more, Of(kind, more)));
        }
        lists.Add(
            "probe-values",
            (
                ProbeValues,
                $"SELECT l.happened, {Code("t.pond", "pond")}, t.parameter, t.at AS at_ms, t.value AS value_si, t.device, l.line FROM probe_value t CROSS JOIN log l USING (line) WHERE"
            )
        );
        lists.Add(
            "postings",
            (
                FactKinds.Postings,
                $"SELECT l.happened, {Code("t.pond", "pond")}, t.batch, t.account, t.count, t.mass_g, t.basis, l.line FROM posting t CROSS JOIN log l USING (line) WHERE"
            )
        );
        lists.Add(
            "weather",
            (
                "reading",
                "SELECT l.happened, t.parameter, t.value AS value_si, l.author, l.line FROM reading t CROSS JOIN log l USING (line) WHERE l.pond IS NULL AND"
            )
        );
        lists.Add(
            "log",
            (
                "log",
                $"SELECT l.happened, {Code("l.pond", "pond")}, l.kind, l.as_typed, l.author, l.voids, l.line FROM log l WHERE"
            )
        );
        return lists;
    }

    private const string ProbeValues = "probe_value";

    private static string Of(FactKind kind, string? rows)
    {
        var own = kind.Columns.Select(x => Column(kind.Table, x));
        var more = rows is null ? [] : RowColumns(rows).Select(x => $"w.{x} AS {Heading(rows, x)}");
        var columns = string.Join(", ", new[] { "l.happened" }.Concat(own).Concat(more).Concat(["l.author", "l.line"]));
        var joined = rows is null ? "" : $" LEFT JOIN {rows} w ON w.line = t.line";
        return $"SELECT {columns} FROM {kind.Table} t CROSS JOIN log l USING (line){joined} WHERE";
    }

    private static string Column(string table, FactColumn column) =>
        column.Refers switch
        {
            Refers.Pond => Code("t." + column.Name, column.Name),
            Refers.Batch =>
                $"(SELECT s.species FROM stocking s WHERE s.batch = t.{column.Name} ORDER BY s.line DESC LIMIT 1) AS species_of_batch, t.{column.Name}",
            Refers.Feed =>
                $"(SELECT name FROM feed f WHERE f.feed = t.{column.Name} ORDER BY f.line DESC LIMIT 1) AS {column.Name}_name, t.{column.Name}",
            _ when table == "reading" && column.Name == "pond" => Code("t.pond", "pond"),
            _ => $"t.{column.Name} AS {Heading(table, column.Name)}",
        };

    private static string Code(string pond, string name) =>
        $"(SELECT p.code FROM pond p WHERE p.pond = {pond} ORDER BY p.line DESC LIMIT 1) AS {name}";

    private static IEnumerable<string> RowColumns(string table) =>
        FactKinds.All.SelectMany(k => k.RowColumns).First(r => r.Table == table).Columns;

    private static string NameOf(string table) => Known.GetValueOrDefault(table, table.Replace('_', '-'));

    private static string Heading(string table, string column) =>
        Headings.GetValueOrDefault(table + "." + column, column);

    private static string Cell(SqliteDataReader r, (string Name, int At) column, FarmZone zone, CsvStyle style)
    {
        if (r.IsDBNull(column.At))
            return "";
        if (column.Name == "happened")
            return zone.LocalAt(r.Instant(column.At)).ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture);
        if (column.Name == "at_ms")
            return zone.LocalAt(r.Instant(column.At)).ToString("yyyy-MM-dd HH:mm:ss", CultureInfo.InvariantCulture);
        return CsvRows.Cell(r.GetValue(column.At), style);
    }
}
