using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Files;

/// <summary>A farm's data folder, held by one program at a time. Whatever is wrong with it is said in one sentence before anything is served.</summary>
public sealed class FarmFolder : IDisposable
{
    /// <summary>Name of the data file in its folder.</summary>
    public const string Database = "farm.db";

    private const string LockName = "dorsk.lock";
    private const UnixFileMode OwnerOnly = UnixFileMode.UserRead | UnixFileMode.UserWrite;
    private readonly FileStream held;

    private FarmFolder(FarmFile file, FileStream held) => (File, this.held) = (file, held);

    /// <summary>The farm's data file, brought up to this build and writable.</summary>
    public FarmFile File { get; }

    /// <summary>Takes a folder for serving.</summary>
    /// <param name="folder">The folder.</param>
    /// <param name="isNew">Whether a farm is to be begun in it.</param>
    /// <exception cref="FarmFilesException">It holds no farm, or holds one already; it is served by another program; the file is damaged, of a newer build, or cannot be written.</exception>
    public static FarmFolder Take(string folder, bool isNew)
    {
        var path = Path.Combine(folder, Database);
        if (!isNew && !System.IO.File.Exists(path))
            throw new FarmFilesException(
                $"There is no farm in {folder}. Check --data, and that its disk is there; to begin a new farm in it, add --new."
            );
        if (isNew && System.IO.File.Exists(path))
            throw new FarmFilesException($"There is a farm in {folder} already. Start without --new to serve it.");
        var held = Hold(folder);
        try
        {
            var file = Sound(path);
            return new(file, held);
        }
        catch
        {
            held.Dispose();
            throw;
        }
    }

    /// <summary>Whether a program serves the farm of a data file.</summary>
    /// <param name="farmPath">The data file.</param>
    public static bool IsServed(string farmPath)
    {
        var path = Path.Combine(Path.GetDirectoryName(Path.GetFullPath(farmPath))!, LockName);
        if (!System.IO.File.Exists(path))
            return false;
        try
        {
            using var free = new FileStream(path, FileMode.Open, FileAccess.ReadWrite, FileShare.None);
            return false;
        }
        catch (IOException)
        {
            return true;
        }
    }

    /// <summary>Opens a data file, new or standing, and proves that it can be read and written.</summary>
    /// <exception cref="FarmFilesException">It cannot.</exception>
    public static FarmFile Sound(string path)
    {
        if (Broken(path) is { } problem)
            throw new FarmFilesException(problem);
        var file = new FarmFile(path);
        try
        {
            file.Prepare();
            Guard(path);
            Written(file);
            return file;
        }
        catch (Exception failure)
            when (failure is SqliteException or IOException or UnauthorizedAccessException or InvalidOperationException)
        {
            FarmFile.CloseIdle();
            throw new FarmFilesException(
                BooksTrouble.Words(failure) is { } words ? $"{path} cannot be used: {words}." : failure.Message,
                failure
            );
        }
    }

    // Held by somebody who writes at this moment, it can be written.
    private static void Written(FarmFile file)
    {
        try
        {
            file.Beat(DateTimeOffset.UtcNow);
        }
        catch (SqliteException busy) when (BooksTrouble.IsBusy(busy))
        {
            return;
        }
    }

    /// <summary>What is plainly wrong with a file that should be a farm's; null when nothing is, or nothing is there.</summary>
    public static string? Broken(string path)
    {
        if (!System.IO.File.Exists(path))
            return null;
        try
        {
            using var stream = OpenShared(path);
            if (stream.Length == 0)
                return $"{path} is empty: it holds no farm. Restore the last backup; to begin anew, move the file away and start with --new.";
            var head = new byte[100];
            if (
                stream.ReadAtLeast(head, head.Length, throwOnEndOfStream: false) < head.Length
                || !head.AsSpan(0, 15).SequenceEqual("SQLite format 3"u8)
            )
                return $"{path} is no data file of Dorsk, or it is damaged. Move it away and restore the last backup.";
            var page = (head[16] << 8) + head[17] is 1 ? 65536L : (head[16] << 8) + head[17];
            var pages = ((long)head[28] << 24) + (head[29] << 16) + (head[30] << 8) + head[31];
            var wal = new FileInfo(path + "-wal");
            return stream.Length < page * pages && !(wal.Exists && wal.Length > 0)
                ? $"{path} is cut short: {stream.Length} of {page * pages} bytes are there. Restore the last backup."
                : null;
        }
        catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
        {
            return $"{path} cannot be read: {problem.Message}";
        }
    }

    private static FileStream OpenShared(string path) =>
        new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);

    /// <summary>Makes a file its owner's alone.</summary>
    public static void Guard(string path)
    {
        if (!OperatingSystem.IsWindows() && System.IO.File.Exists(path))
            System.IO.File.SetUnixFileMode(path, OwnerOnly);
    }

    /// <inheritdoc/>
    public void Dispose() => held.Dispose();

    private static FileStream Hold(string folder)
    {
        try
        {
            Directory.CreateDirectory(folder);
            var held = OpenLock(folder);
            Guard(held.Name);
            return held;
        }
        catch (UnauthorizedAccessException)
        {
            throw new FarmFilesException(
                $"The folder {folder} cannot be written. Give this program the right to write it, or choose another with --data."
            );
        }
        catch (IOException problem) when (System.IO.File.Exists(Path.Combine(folder, LockName)))
        {
            throw new FarmFilesException(
                $"{folder} is served by another Dorsk already. Stop that one first, or choose another folder with --data.",
                problem
            );
        }
        catch (IOException problem)
        {
            throw new FarmFilesException($"The folder {folder} cannot be used: {problem.Message}", problem);
        }
    }

    private static FileStream OpenLock(string folder) =>
        new FileStream(Path.Combine(folder, LockName), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
}
