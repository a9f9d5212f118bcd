using System.IO.Compression;
using System.Security.Cryptography;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Files;

/// <summary>The whole farm in one zip, taken while the farm works. No passwords and no keys are inside.</summary>
public static class Backup
{
    internal const string Database = "farm.db";

    /// <summary>What opens something and is no fact: never in a backup, and kept by a restore where the same people stand.</summary>
    internal static readonly string[] Secrets = ["session", "credential", "device_key", "calendar_key"];

    /// <summary>Writes a backup and proves it by opening it again.</summary>
    /// <param name="file">The farm.</param>
    /// <param name="zipPath">Where to; an existing file is not overwritten.</param>
    /// <exception cref="FarmFilesException">The file exists, or the copy does not open clean.</exception>
    public static void Write(FarmFile file, string zipPath)
    {
        if (File.Exists(zipPath))
            throw new FarmFilesException(
                $"{zipPath} exists already. Choose another name: a backup never overwrites another."
            );
        var folder = Directory.CreateTempSubdirectory("dorsk-backup-").FullName;
        try
        {
            var copy = Path.Combine(folder, Database);
            using (var c = file.Open())
                Sqlite.Run(c, "VACUUM INTO $copy", ("copy", copy));
            using (var c = new FarmFile(copy).Open(pooled: false))
            {
                foreach (var table in Secrets)
                    Sqlite.Run(c, $"DELETE FROM {table}");
                // The hashes must not linger in freed pages.
                Sqlite.Run(c, "VACUUM");
            }
            var manifest = Describe(copy);
            var part = zipPath + ".part";
            File.Delete(part);
            using (var zip = ZipFile.Open(part, ZipArchiveMode.Create))
            {
                zip.CreateEntryFromFile(copy, Database);
                new PhotoFolder(file.Path).Into(zip);
                using var text = new StreamWriter(zip.CreateEntry(Manifest.File).Open());
                text.Write(manifest.Text());
            }
            Unpack(part, Path.Combine(folder, "check.db"));
            FarmFolder.Guard(part);
            File.Move(part, zipPath);
        }
        catch (Exception problem) when (problem is SqliteException or IOException or UnauthorizedAccessException)
        {
            throw new FarmFilesException(
                $"The backup could not be written: {BooksTrouble.Words(problem) ?? problem.Message}.",
                problem
            );
        }
        finally
        {
            Directory.Delete(folder, true);
        }
    }

    internal static string Sha256(string path)
    {
        using var stream = File.OpenRead(path);
        return Convert.ToHexStringLower(SHA256.HashData(stream));
    }

    internal static Dictionary<string, long> Rows(SqliteConnection c) =>
        Sqlite
            .Rows(
                c,
                "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%' ORDER BY name",
                r => r.GetString(0)
            )
            .ToDictionary(t => t, t => Sqlite.Number(c, $"SELECT count(*) FROM \"{t}\""));

    internal static List<string> Schema(SqliteConnection c) =>
        Sqlite.Rows(c, "SELECT ScriptName FROM schema_step ORDER BY 1", r => r.GetString(0));

    private static Manifest Describe(string path)
    {
        using var c = new FarmFile(path).Open(pooled: false);
        return new(
            "dorsk-backup",
            Schema(c),
            Rows(c),
            new Dictionary<string, string> { [Database] = Sha256(path) },
            DateTimeOffset.UtcNow
        );
    }

    /// <summary>Opens a backup into a file and holds it against its manifest.</summary>
    internal static void Unpack(string zipPath, string to)
    {
        Manifest manifest;
        try
        {
            using var zip = ZipFile.OpenRead(zipPath);
            manifest = Manifest.Of(zip, "dorsk-backup");
            (zip.GetEntry(Database) ?? throw new InvalidDataException()).ExtractToFile(to);
        }
        catch (Exception problem) when (problem is InvalidDataException or IOException or UnauthorizedAccessException)
        {
            throw new FarmFilesException(
                $"{zipPath} is not a backup of Dorsk, or it is damaged. Nothing was changed.",
                problem
            );
        }
        if (Sha256(to) != manifest.Sha256.GetValueOrDefault(Database))
            throw new FarmFilesException(
                $"{zipPath} is damaged: its checksum does not fit. Take another backup. Nothing was changed."
            );
        try
        {
            using var c = new FarmFile(to).Open(pooled: false);
            if (
                Sqlite.Rows(c, "PRAGMA integrity_check", r => r.GetString(0)) is ["ok"]
                && Rows(c).OrderBy(r => r.Key).SequenceEqual(manifest.Rows.OrderBy(r => r.Key))
            )
                return;
        }
        catch (SqliteException problem)
        {
            throw new FarmFilesException(
                $"{zipPath} is damaged: what is inside is no data file. Take another backup. Nothing was changed.",
                problem
            );
        }
        throw new FarmFilesException(
            $"{zipPath} is damaged: what is inside is not what it says. Take another backup. Nothing was changed."
        );
    }
}
