using System.Globalization;
using System.IO.Compression;
using CsvHelper;
using Dorsk.Core.Stock;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Files;

/// <summary>All facts of a farm as CSV in SI with a manifest, and back into an empty farm with the times at which they were entered.</summary>
public static class Export
{
    // Parents before children, so that every row finds what it refers to.
    private static readonly string[] First = ["entry", "log", "confirmed", "farm", "person", "pond", "aerators_fitted", "equipment_fitted", "marks_set", "sample", "call_list"];
    private static readonly string[] State = ["credential", "device_key", "calendar_key", "restored", "schema_step", "sheet_map"];

    /// <summary>Writes the export.</summary>
    /// <param name="file">The farm.</param>
    /// <param name="zipPath">Where to; an existing file is not overwritten.</param>
    /// <exception cref="FarmFilesException">The file exists.</exception>
    public static void Write(FarmFile file, string zipPath)
    {
        if (File.Exists(zipPath))
            throw new FarmFilesException($"{zipPath} exists already. Choose another name.");
        using var c = file.Open();
        // One reading transaction: all tables are of the same moment.
        using var moment = c.BeginTransaction(deferred: true);
        using var zip = ZipFile.Open(zipPath, ZipArchiveMode.Create);
        var rows = new Dictionary<string, long>();
        foreach (var table in Tables(c))
        {
            using var writer = new StreamWriter(zip.CreateEntry(table + ".csv").Open());
            rows[table] = WriteTable(c, table, writer);
        }
        using var text = new StreamWriter(zip.CreateEntry(Manifest.File).Open());
        text.Write(new Manifest("dorsk-export", Backup.Schema(c), rows, new Dictionary<string, string>(), DateTimeOffset.UtcNow).Text());
    }

    /// <summary>Reads an export into an empty farm.</summary>
    /// <param name="zipPath">The export.</param>
    /// <param name="file">The farm; migrations have run.</param>
    /// <exception cref="FarmFilesException">It is no export, the farm is not empty, or what is inside does not hold together; nothing is entered then.</exception>
    public static void Read(string zipPath, FarmFile file)
    {
        try
        {
            using var zip = ZipFile.OpenRead(zipPath);
            using var manifestText = new StreamReader((zip.GetEntry(Manifest.File) ?? throw new InvalidDataException()).Open());
            var manifest = Manifest.Read(manifestText.ReadToEnd()) is { What: "dorsk-export" } m ? m : throw new InvalidDataException();
            using var c = file.Open();
            if (Sqlite.Number(c, "SELECT count(*) FROM log") > 0)
                throw new FarmFilesException("Facts stand in this farm already. An export is read into an empty farm only.");
            using var transaction = c.BeginTransaction();
            // Lines refer to later lines of the same file (a pond to the line that built it): checked as a whole at the end.
            Sqlite.Run(c, "PRAGMA defer_foreign_keys = ON");
            foreach (var table in Tables(c).Where(t => manifest.Rows.ContainsKey(t)))
            {
                using var reader = new StreamReader((zip.GetEntry(table + ".csv") ?? throw new InvalidDataException()).Open());
                if (ReadTable(c, table, reader) != manifest.Rows[table])
                    throw new FarmFilesException($"{table}.csv holds other rows than its manifest says. Nothing was entered.");
            }
            Check(c);
            transaction.Commit();
        }
        catch (Exception problem) when (problem is InvalidDataException or IOException or CsvHelperException or SqliteException or FormatException)
        {
            throw new FarmFilesException($"{zipPath} is not an export of Dorsk, or it is damaged ({problem.Message}). Nothing was entered.", problem);
        }
    }

    private static List<string> Tables(SqliteConnection c)
    {
        var all = Backup.Rows(c).Keys.Where(t => !State.Contains(t)).ToList();
        return [.. First, .. all.Except(First)];
    }

    private static long WriteTable(SqliteConnection c, string table, StreamWriter to)
    {
        using var csv = new CsvWriter(to, CultureInfo.InvariantCulture);
        using var command = c.CreateCommand();
        command.CommandText = $"SELECT * FROM \"{table}\"";
        using var reader = command.ExecuteReader();
        for (var i = 0; i < reader.FieldCount; i++)
            csv.WriteField(reader.GetName(i));
        csv.NextRecord();
        long rows = 0;
        for (; reader.Read(); rows++, csv.NextRecord())
            for (var i = 0; i < reader.FieldCount; i++)
                csv.WriteField(reader.IsDBNull(i) ? "" : reader.GetValue(i) is double d ? d.ToString("R", CultureInfo.InvariantCulture) : Convert.ToString(reader.GetValue(i), CultureInfo.InvariantCulture), !reader.IsDBNull(i) && reader.GetValue(i) is string);
        return rows;
    }

    private static long ReadTable(SqliteConnection c, string table, StreamReader from)
    {
        var columns = Sqlite.Rows(c, $"SELECT name, type, \"notnull\" FROM pragma_table_info('{table}')", r => (Name: r.GetString(0), Type: r.GetString(1), Must: r.GetBoolean(2))).ToDictionary(x => x.Name);
        using var csv = new CsvParser(from, CultureInfo.InvariantCulture);
        if (!csv.Read() || csv.Record!.Any(h => !columns.ContainsKey(h)))
            throw new InvalidDataException($"{table}.csv has columns that this build does not know");
        var head = csv.Record!;
        long rows = 0;
        for (; csv.Read(); rows++)
        {
            var values = head.Select((h, i) => (h, Cell(csv.Record![i], columns[h].Type, columns[h].Must))).ToArray();
            Sqlite.Run(c, $"INSERT INTO \"{table}\"({string.Join(',', head)}) VALUES ({string.Join(',', head.Select(h => "$" + h))})", values);
        }
        return rows;
    }

    // An empty text is a text where one must stand, and nothing where none need: no such column holds empty texts.
    private static object? Cell(string text, string type, bool must) => type switch
    {
        "TEXT" => text.Length == 0 && !must ? null : text,
        _ when text.Length == 0 => null,
        "INTEGER" => long.Parse(text, CultureInfo.InvariantCulture),
        _ => double.Parse(text, CultureInfo.InvariantCulture),
    };

    private static void Check(SqliteConnection c)
    {
        if (Sqlite.Rows(c, "PRAGMA foreign_key_check", r => r.GetString(0)) is [var table, ..])
            throw new FarmFilesException($"{table}.csv refers to lines that are not there. Nothing was entered.");
        foreach (var batch in Sqlite.Rows(c, "SELECT DISTINCT batch FROM posting", r => r.GetInt64(0)))
        {
            var movements = FishQuestions.Movements(c, AsOf.Now(DateTimeOffset.MaxValue), batch);
            if (!Ledger.Balances(movements.SelectMany(m => m.Postings)) || Ledger.FirstShort(movements) is not null)
                throw new FarmFilesException($"The fish ledger of batch {batch} does not balance. Nothing was entered.");
        }
    }
}
