using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Tests;

/// <summary>An empty data file of this build: made by its migrations once in a run, then copied, because hundreds of tests begin with one.</summary>
internal static class FreshFile
{
    private static readonly Lazy<string> Made = new(() =>
    {
        var path = Path.Combine(Directory.CreateTempSubdirectory("dorsk-fresh-").FullName, "farm.db");
        new FarmFile(path).Prepare();
        FarmFile.Settle(path);
        return path;
    });

    /// <summary>A new one at a path.</summary>
    public static FarmFile At(string path)
    {
        File.Copy(Made.Value, path);
        return new(path);
    }
}
