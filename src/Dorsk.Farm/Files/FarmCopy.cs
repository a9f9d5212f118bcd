using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Files;

/// <summary>A copy of the farm as it stands, on which something may be tried; it is taken away afterwards.</summary>
public sealed class FarmCopy : IDisposable
{
    /// <summary>Makes a copy.</summary>
    /// <param name="file">The farm.</param>
    /// <param name="path">Where the copy lies; what lay there is taken away.</param>
    public FarmCopy(FarmFile file, string path)
    {
        File = new(path);
        Remove();
        using var c = file.Open();
        Sqlite.Run(c, "VACUUM INTO $copy", ("copy", path));
    }

    /// <summary>The copy.</summary>
    public FarmFile File { get; }

    /// <summary>Takes the copy away.</summary>
    public void Dispose() => Remove();

    private void Remove()
    {
        foreach (var end in new[] { "", "-wal", "-shm", "-journal" })
            System.IO.File.Delete(File.Path + end);
    }
}
