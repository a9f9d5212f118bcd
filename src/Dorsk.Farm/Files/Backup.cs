using System.IO.Compression;
using System.Security.Cryptography;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Files;

/// <summary>The whole farm in one zip, taken while the farm works, and put back. No passwords and no keys are inside.</summary>
public static class Backup
{
    private const string Database = "farm.db";

    /// <summary>Writes a backup and proves it by opening it again.</summary>
    /// <param name="file">The farm.</param>
    /// <param name="zipPath">Where to; an existing file is not overwritten.</param>
    /// <exception cref="FarmFilesException">The file exists, or the copy does not open clean.</exception>
    public static void Write(FarmFile file, string zipPath)
    {
        if (File.Exists(zipPath))
            throw new FarmFilesException($"{zipPath} exists already. Choose another name: a backup never overwrites another.");
        var folder = Directory.CreateTempSubdirectory("dorsk-backup-").FullName;
        try
        {
            var copy = Path.Combine(folder, Database);
            using (var c = file.Open())
                Sqlite.Run(c, "VACUUM INTO $copy", ("copy", copy));
            using (var c = new FarmFile(copy).Open(pooled: false))
            {
                Sqlite.Run(c, "DELETE FROM credential");
                // The hashes must not linger in freed pages.
                Sqlite.Run(c, "VACUUM");
            }
            var manifest = Describe(copy);
            var part = zipPath + ".part";
            File.Delete(part);
            using (var zip = ZipFile.Open(part, ZipArchiveMode.Create))
            {
                zip.CreateEntryFromFile(copy, Database);
                using var text = new StreamWriter(zip.CreateEntry(Manifest.File).Open());
                text.Write(manifest.Text());
            }
            Unpack(part, Path.Combine(folder, "check.db"));
            File.Move(part, zipPath);
        }
        finally
        {
            Directory.Delete(folder, true);
        }
    }

    /// <summary>Puts a backup in a farm's place, while it works or not. What stood there before is kept beside it.</summary>
    /// <param name="zipPath">The backup.</param>
    /// <param name="farmPath">The farm's data file; made when missing.</param>
    /// <param name="over">Must be true where facts stand already.</param>
    /// <returns>Where the former file was kept, or null.</returns>
    /// <exception cref="FarmFilesException">It is no sound backup, was made by a newer build, or facts stand in the way.</exception>
    public static string? Restore(string zipPath, string farmPath, bool over)
    {
        var folder = Directory.CreateTempSubdirectory("dorsk-restore-").FullName;
        try
        {
            var copy = Path.Combine(folder, Database);
            Unpack(zipPath, copy);
            var target = new FarmFile(farmPath);
            string? kept = null;
            long before = 0;
            if (File.Exists(farmPath))
            {
                target.Prepare();
                using var c = target.Open();
                before = Sqlite.Number(c, "SELECT n FROM restored");
                if (Sqlite.Number(c, "SELECT count(*) FROM log") > 0)
                {
                    if (!over)
                        throw new FarmFilesException($"{farmPath} holds a farm already. Add --over to put the backup in its place; what stands there is kept beside it.");
                    kept = $"{farmPath}.before-{DateTimeOffset.UtcNow:yyyyMMdd-HHmmss}.db";
                    Sqlite.Run(c, "VACUUM INTO $kept", ("kept", kept));
                }
            }
            new FarmFile(copy).Prepare();
            using var from = new FarmFile(copy).Open(pooled: false);
            Sqlite.Run(from, "UPDATE restored SET n = $n", ("n", before + 1));
            using var to = target.Open(pooled: false);
            from.BackupDatabase(to);
            Sqlite.Run(to, "PRAGMA journal_mode = WAL");
            return kept;
        }
        catch (InvalidOperationException problem)
        {
            throw new FarmFilesException(problem.Message, problem);
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            Directory.Delete(folder, true);
        }
    }

    internal static string Sha256(string path)
    {
        using var stream = File.OpenRead(path);
        return Convert.ToHexStringLower(SHA256.HashData(stream));
    }

    internal static Dictionary<string, long> Rows(SqliteConnection c) => Sqlite.Rows(c, "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%' ORDER BY name", r => r.GetString(0))
        .ToDictionary(t => t, t => Sqlite.Number(c, $"SELECT count(*) FROM \"{t}\""));

    internal static List<string> Schema(SqliteConnection c) => Sqlite.Rows(c, "SELECT ScriptName FROM schema_step ORDER BY 1", r => r.GetString(0));

    private static Manifest Describe(string path)
    {
        using var c = new FarmFile(path).Open(pooled: false);
        return new("dorsk-backup", Schema(c), Rows(c), new Dictionary<string, string> { [Database] = Sha256(path) }, DateTimeOffset.UtcNow);
    }

    // Opens a backup into a file and holds it against its manifest.
    private static void Unpack(string zipPath, string to)
    {
        Manifest manifest;
        try
        {
            using var zip = ZipFile.OpenRead(zipPath);
            using (var text = new StreamReader((zip.GetEntry(Manifest.File) ?? throw new InvalidDataException()).Open()))
                manifest = Manifest.Read(text.ReadToEnd()) is { What: "dorsk-backup" } m ? m : throw new InvalidDataException();
            (zip.GetEntry(Database) ?? throw new InvalidDataException()).ExtractToFile(to);
        }
        catch (Exception problem) when (problem is InvalidDataException or IOException)
        {
            throw new FarmFilesException($"{zipPath} is not a backup of Dorsk, or it is damaged. Nothing was changed.", problem);
        }
        if (Sha256(to) != manifest.Sha256.GetValueOrDefault(Database))
            throw new FarmFilesException($"{zipPath} is damaged: its checksum does not fit. Take another backup. Nothing was changed.");
        using var c = new FarmFile(to).Open(pooled: false);
        if (Sqlite.Rows(c, "PRAGMA integrity_check", r => r.GetString(0)) is not ["ok"] || !Rows(c).OrderBy(r => r.Key).SequenceEqual(manifest.Rows.OrderBy(r => r.Key)))
            throw new FarmFilesException($"{zipPath} is damaged: what is inside is not what it says. Take another backup. Nothing was changed.");
    }
}
