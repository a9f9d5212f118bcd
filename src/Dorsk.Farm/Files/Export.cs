using System.Globalization;
using System.IO.Compression;
using System.Security.Cryptography;
using CsvHelper;
using CsvHelper.Configuration;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Files;

/// <summary>All facts of a farm as CSV in SI with a manifest, and back into an empty farm with the times at which they were entered.</summary>
public static class Export
{
    // Parents before children, so that every row finds what it refers to.
    private static readonly string[] First =
    [
        "entry",
        "log",
        "confirmed",
        "farm",
        "person",
        "pond",
        "aerators_fitted",
        "equipment_fitted",
        "marks_set",
        "sample",
        "call_list",
    ];

    /// <summary>Tables that are no facts.</summary>
    internal static readonly string[] State =
    [
        "credential",
        "device_key",
        "calendar_key",
        "restored",
        "schema_step",
        "sheet_map",
        "heartbeat",
        "made_as",
        "clock_right",
        "session",
    ];

    private const string Formulas = "=+-@\t\r'";
    private const int LongestCell = 1_000_000,
        LongestLine = 4_000_000;

    /// <summary>Writes the export.</summary>
    /// <param name="file">The farm.</param>
    /// <param name="zipPath">Where to; an existing file is not overwritten.</param>
    /// <exception cref="FarmFilesException">The file exists.</exception>
    public static void Write(FarmFile file, string zipPath)
    {
        if (File.Exists(zipPath))
            throw new FarmFilesException($"{zipPath} exists already. Choose another name.");
        var part = zipPath + ".part";
        try
        {
            File.Delete(part);
            using (var c = file.Open())
                Write(c, part);
            FarmFolder.Guard(part);
            File.Move(part, zipPath);
        }
        catch (Exception problem) when (problem is SqliteException or IOException or UnauthorizedAccessException)
        {
            File.Delete(part);
            throw new FarmFilesException(
                $"The export could not be written: {BooksTrouble.Words(problem) ?? problem.Message}.",
                problem
            );
        }
    }

    private static void Write(SqliteConnection c, string part)
    {
        // One reading transaction: all tables are of the same moment.
        using var moment = c.BeginTransaction(deferred: true);
        using var zip = ZipFile.Open(part, ZipArchiveMode.Create);
        var (rows, sums) = (new Dictionary<string, long>(), new Dictionary<string, string>());
        foreach (var table in Tables(c))
        {
            using var sum = SHA256.Create();
            using (var hashed = new CryptoStream(zip.CreateEntry(table + ".csv").Open(), sum, CryptoStreamMode.Write))
            using (var writer = new StreamWriter(hashed))
                rows[table] = WriteTable(c, table, writer);
            sums[table + ".csv"] = Convert.ToHexStringLower(sum.Hash!);
        }
        new PhotoFolder(c.DataSource).Into(zip);
        using var text = new StreamWriter(zip.CreateEntry(Manifest.File).Open());
        text.Write(new Manifest("dorsk-export", Backup.Schema(c), rows, sums, DateTimeOffset.UtcNow).Text());
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
            var manifest = Manifest.Of(zip, "dorsk-export");
            foreach (var (name, sum) in manifest.Sha256)
                Proved(zip, name, sum);
            using var c = file.Open();
            if (Sqlite.Number(c, "SELECT count(*) FROM log") > 0)
                throw new FarmFilesException(
                    "Facts stand in this farm already. An export is read into an empty farm only."
                );
            using var transaction = c.BeginTransaction();
            // Lines refer to later lines of the same file (a pond to the line that built it): checked as a whole at the end.
            Sqlite.Run(c, "PRAGMA defer_foreign_keys = ON");
            foreach (var table in Tables(c).Where(t => manifest.Rows.ContainsKey(t)))
            {
                if (!manifest.Sha256.ContainsKey(table + ".csv"))
                    throw new FarmFilesException(
                        $"{table}.csv has no checksum in the manifest: it was made by an older build. Make the export anew with this one. Nothing was entered."
                    );
                using var reader = new LimitedReader(
                    new StreamReader((zip.GetEntry(table + ".csv") ?? throw new InvalidDataException()).Open()),
                    LongestLine
                );
                if (ReadTable(c, table, reader) != manifest.Rows[table])
                    throw new FarmFilesException(
                        $"{table}.csv holds other rows than its manifest says. Nothing was entered."
                    );
            }
            Check(c);
            new PhotoFolder(file.Path).From(zip);
            transaction.Commit();
        }
        catch (Exception problem)
            when (problem
                    is InvalidDataException
                        or IOException
                        or CsvHelperException
                        or SqliteException
                        or FormatException
                        or UnauthorizedAccessException
            )
        {
            throw new FarmFilesException(
                $"{zipPath} is not an export of Dorsk, or it is damaged ({problem.Message}). Nothing was entered.",
                problem
            );
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
            csv.WriteField(
                reader.IsDBNull(i) ? ""
                    : reader.GetValue(i) is double d ? d.ToString("R", CultureInfo.InvariantCulture)
                    : Plain(reader.GetValue(i)),
                !reader.IsDBNull(i) && reader.GetValue(i) is string
            );
        return rows;
    }

    // A spreadsheet must not take a note for a formula; an import takes the mark off again.
    private static string? Plain(object value) =>
        value is string { Length: > 0 } text && Formulas.Contains(text[0], StringComparison.Ordinal)
            ? "'" + text
            : Convert.ToString(value, CultureInfo.InvariantCulture);

    private static void Proved(ZipArchive zip, string name, string sum)
    {
        using var stream = (zip.GetEntry(name) ?? throw new InvalidDataException($"{name} is missing")).Open();
        if (Convert.ToHexStringLower(SHA256.HashData(stream)) != sum)
            throw new FarmFilesException(
                $"{name} was changed after it was exported: its checksum does not fit. Nothing was entered."
            );
    }

    private static long ReadTable(SqliteConnection c, string table, TextReader from)
    {
        var columns = Sqlite
            .Rows(c, $"SELECT name, type, \"notnull\" FROM pragma_table_info('{table}')", r =>
                (Name: r.GetString(0), Type: r.GetString(1), Must: r.GetBoolean(2))
            )
            .ToDictionary(x => x.Name);
        using var csv = new CsvParser(
            from,
            new CsvConfiguration(CultureInfo.InvariantCulture) { MaxFieldSize = LongestCell }
        );
        if (!csv.Read() || csv.Record!.Any(h => !columns.ContainsKey(h)))
            throw new InvalidDataException($"{table}.csv has columns that this build does not know");
        var head = csv.Record!.ToList();
        using var put = c.CreateCommand();
        put.CommandText =
            $"INSERT INTO \"{table}\"({string.Join(',', head)}) VALUES ({string.Join(',', head.Select(h => "$" + h))})";
        var cells = head.Select(h => put.Parameters.Add(new SqliteParameter("$" + h, null))).ToList();
        long rows = 0;
        for (; csv.Read(); rows++)
        {
            if (csv.Record!.Length != head.Count)
                throw new FarmFilesException(
                    $"{table}.csv, line {csv.RawRow}: {csv.Record.Length} cells where {head.Count} belong. Nothing was entered."
                );
            var values = head.Select(
                    (h, i) => Cell(table, csv.RawRow, h, csv.Record[i], columns[h].Type, columns[h].Must)
                )
                .ToList();
            foreach (var (h, i) in head.Select((h, i) => (h, i)))
            {
                if (
                    RowRules.Wrong(table, h, values[i], name =>
                        head.IndexOf(name) is >= 0 and var k ? values[k] : null
                    ) is
                    { } wrong
                )
                    throw new FarmFilesException(
                        $"{table}.csv, line {csv.RawRow}, column {h}: “{Core.Units.PlainText.Line(csv.Record[i], 60)}”: {wrong}. Nothing was entered."
                    );
                cells[i].Value = values[i] ?? DBNull.Value;
            }
            try
            {
                put.ExecuteNonQuery();
            }
            catch (SqliteException problem)
            {
                throw new FarmFilesException(
                    $"{table}.csv, line {csv.RawRow}: {problem.Message} Nothing was entered.",
                    problem
                );
            }
        }
        return rows;
    }

    // An empty text is a text where one must stand, and nothing where none need: no such column holds empty texts.
    private static object? Cell(string table, int line, string column, string text, string type, bool must)
    {
        if (text.Length == 0)
            return type == "TEXT" && must ? text : null;
        if (type == "INTEGER")
            return long.TryParse(text, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var whole)
                ? whole
                : throw Misread("a whole number");
        if (type == "REAL")
            return double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var figure)
                ? figure
                : throw Misread("a figure");
        return text.StartsWith('\'') ? text[1..] : text;

        FarmFilesException Misread(string wanted) =>
            new(
                $"{table}.csv, line {line}, column {column}: “{Core.Units.PlainText.Line(text, 60)}” is not {wanted}. Nothing was entered."
            );
    }

    private static void Check(SqliteConnection c)
    {
        if (Sqlite.Rows(c, "PRAGMA foreign_key_check", r => r.GetString(0)) is [var table, ..])
            throw new FarmFilesException($"{table}.csv refers to lines that are not there. Nothing was entered.");
        if (Integrity.LedgerOf(c).FirstOrDefault() is { } bent)
            throw new FarmFilesException($"{bent.What}. Nothing was entered.");
    }
}
