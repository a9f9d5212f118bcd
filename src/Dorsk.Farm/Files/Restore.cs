using System.Globalization;
using System.IO.Compression;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Files;

/// <summary>
/// Puts a backup in a farm's place, while the farm is served or not. Writers wait from the moment the former file is copied until the
/// backup stands in its place, all in one transaction: what was acknowledged before is in the copy, what comes after goes on top.
/// </summary>
public static class Restore
{
    private const int WaitS = 120;

    /// <summary>Puts a backup in a farm's place. What stood there is kept beside it; people who stand in both keep their password and sign in again.</summary>
    /// <param name="zipPath">The backup.</param>
    /// <param name="farmPath">The farm's data file; made when missing.</param>
    /// <param name="over">Must be true where something stands already.</param>
    /// <returns>Where the former file was kept, or null.</returns>
    /// <exception cref="FarmFilesException">It is no sound backup, was made by a newer build, something stands in the way, or the farm is held for too long.</exception>
    public static string? Run(string zipPath, string farmPath, bool over)
    {
        var folder = Directory.CreateTempSubdirectory("dorsk-restore-").FullName;
        try
        {
            var copy = Path.Combine(folder, Backup.Database);
            Backup.Unpack(zipPath, copy);
            new FarmFile(copy).Prepare();
            FarmFile.CloseIdle();
            var aside = MoveAside(farmPath, over);
            var kept = Replace(copy, FarmFolder.Sound(farmPath), over) ?? aside;
            // Photos are named by what they are: those that were there stay, and none takes the place of another.
            using var zip = ZipFile.OpenRead(zipPath);
            new PhotoFolder(farmPath).From(zip);
            return kept;
        }
        catch (Exception problem)
            when (problem is SqliteException or InvalidOperationException or IOException or UnauthorizedAccessException)
        {
            throw new FarmFilesException(
                $"Nothing was restored: {BooksTrouble.Words(problem) ?? problem.Message}",
                problem
            );
        }
        finally
        {
            FarmFile.CloseIdle();
            Directory.Delete(folder, true);
        }
    }

    // Something that is no farm at all is put aside as it is.
    private static string? MoveAside(string farmPath, bool over)
    {
        if (FarmFolder.Broken(farmPath) is not { } problem)
            return null;
        if (!over)
            throw new FarmFilesException(
                $"{problem} Add --over to put the backup in its place; what stands there is kept beside it."
            );
        if (FarmFolder.IsServed(farmPath))
            throw new FarmFilesException(
                $"{farmPath} is damaged and is being served. Stop the program that serves it, then restore."
            );
        var kept = Kept(farmPath);
        File.Move(farmPath, kept);
        foreach (var end in new[] { "-wal", "-shm" })
            if (File.Exists(farmPath + end))
                File.Move(farmPath + end, kept + end);
        return kept;
    }

    private static string? Replace(string copy, FarmFile target, bool over)
    {
        using var c = target.Open(pooled: false);
        // A farm at work is written to all the time: it waits for its turn among many.
        c.DefaultTimeout = WaitS;
        Sqlite.Run(c, "PRAGMA foreign_keys = OFF");
        Sqlite.Run(c, "ATTACH $copy AS backup", ("copy", copy));
        // From here on writers wait.
        using var transaction = c.BeginTransaction(deferred: false);
        string? kept = null;
        if (Sqlite.Number(c, "SELECT count(*) FROM main.log") > 0)
        {
            if (!over)
                throw new FarmFilesException(
                    $"{target.Path} holds a farm already. Add --over to put the backup in its place; what stands there is kept beside it."
                );
            kept = Kept(target.Path);
            using var reader = target.Open(pooled: false);
            // A copy that is cut off bears no name of a farm.
            Sqlite.Run(reader, "VACUUM INTO $kept", ("kept", kept + ".part"));
            FarmFolder.Guard(kept + ".part");
            File.Move(kept + ".part", kept);
        }
        KeepSecrets(c);
        Sqlite.Run(c, "UPDATE backup.restored SET n = (SELECT n FROM main.restored) + 1");
        CopyAll(c);
        if (Sqlite.Rows(c, "PRAGMA main.foreign_key_check", r => r.GetString(0)) is [var table, ..])
            throw new FarmFilesException($"The backup does not hold together at {table}. Nothing was restored.");
        transaction.Commit();
        return kept;
    }

    // Whoever has the same number and the same name in the backup keeps password and keys; sessions end, so everybody signs in again.
    private static void KeepSecrets(SqliteConnection c)
    {
        const string samePerson =
            "(SELECT count(*) FROM main.person p JOIN backup.person q ON q.line = p.line AND q.name = p.name WHERE p.line = k.person) > 0";
        const string sameDevice =
            "(SELECT count(*) FROM main.device p JOIN backup.device q ON q.line = p.line AND q.name = p.name WHERE p.line = k.device) > 0";
        Sqlite.Run(c, $"INSERT OR IGNORE INTO backup.credential SELECT * FROM main.credential k WHERE {samePerson}");
        Sqlite.Run(c, "UPDATE backup.credential SET stamp = lower(hex(randomblob(16)))");
        Sqlite.Run(
            c,
            $"INSERT OR IGNORE INTO backup.calendar_key SELECT * FROM main.calendar_key k WHERE {samePerson}"
        );
        Sqlite.Run(c, $"INSERT OR IGNORE INTO backup.device_key SELECT * FROM main.device_key k WHERE {sameDevice}");
    }

    // Tables, their rows, then indexes and triggers: the triggers that keep facts from being changed come last.
    private static void CopyAll(SqliteConnection c)
    {
        foreach (
            var (type, name) in Sqlite.Rows(
                c,
                "SELECT type, name FROM main.sqlite_master WHERE type IN ('trigger', 'table') AND name NOT LIKE 'sqlite%' ORDER BY type DESC",
                r => (r.GetString(0), r.GetString(1))
            )
        )
            Sqlite.Run(c, $"DROP {type} main.\"{name}\"");
        var parts = Sqlite.Rows(
            c,
            "SELECT type, name, sql FROM backup.sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE 'sqlite%'",
            r => (Type: r.GetString(0), Name: r.GetString(1), Sql: r.GetString(2))
        );
        foreach (var table in parts.Where(p => p.Type == "table"))
        {
            Sqlite.Run(c, table.Sql);
            Sqlite.Run(c, $"INSERT INTO main.\"{table.Name}\" SELECT * FROM backup.\"{table.Name}\"");
        }
        foreach (var part in parts.Where(p => p.Type != "table"))
            Sqlite.Run(c, part.Sql);
    }

    private static string Kept(string farmPath) =>
        $"{farmPath}.before-{DateTimeOffset.UtcNow.ToString("yyyyMMdd-HHmmss-fff", CultureInfo.InvariantCulture)}.db";
}
