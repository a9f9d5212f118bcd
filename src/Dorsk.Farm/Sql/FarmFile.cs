using System.Reflection;
using DbUp;
using DbUp.Engine.Output;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Sql;

/// <summary>The farm's data file: opens connections with the settings that make a kept entry stay kept, and brings the file up to this build.</summary>
public sealed class FarmFile
{
    private readonly string connectionString;

    /// <summary>Names a file; nothing is opened yet.</summary>
    /// <param name="path">Path of the SQLite file; made when missing.</param>
    public FarmFile(string path)
    {
        Path = path;
        connectionString = new SqliteConnectionStringBuilder { DataSource = path, ForeignKeys = true, Pooling = true, DefaultTimeout = 20 }.ToString();
    }

    /// <summary>Path of the file.</summary>
    public string Path { get; }

    /// <summary>Runs the migrations that the file lacks.</summary>
    /// <exception cref="InvalidOperationException">The file was written by a newer build, or a migration failed.</exception>
    public void Prepare()
    {
        using (var connection = Open())
        {
            Sqlite.Run(connection, "PRAGMA journal_mode = WAL");
            // The usual start: every step is done, and none that this build does not know.
            if (Done(connection).SetEquals(Assembly.GetExecutingAssembly().GetManifestResourceNames().Where(IsStep)))
                return;
        }
        var upgrade = DeployChanges.To.SqliteDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(Assembly.GetExecutingAssembly(), IsStep)
            .WithVariablesDisabled().WithTransactionPerScript().JournalToSqliteTable("schema_step").LogTo(new NoUpgradeLog()).Build();
        var known = upgrade.GetDiscoveredScripts().Select(s => s.Name).ToHashSet();
        if (upgrade.GetExecutedScripts().FirstOrDefault(s => !known.Contains(s)) is { } unknown)
            throw new InvalidOperationException($"{Path} was written by a newer Dorsk (it knows the step {unknown}). Start that version, or restore a backup made with this one.");
        var result = upgrade.PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException($"{Path} could not be brought up to this build at step {result.ErrorScript?.Name}: {result.Error.Message}", result.Error);
    }

    /// <summary>Folds the write-ahead log into the file, so that the one file can be copied.</summary>
    /// <param name="path">Path of the file.</param>
    public static void Settle(string path)
    {
        using var connection = new FarmFile(path).Open();
        Sqlite.Run(connection, "PRAGMA wal_checkpoint(TRUNCATE)");
        SqliteConnection.ClearAllPools();
    }

    private static bool IsStep(string resource) => resource.EndsWith(".sql", StringComparison.Ordinal);

    private static HashSet<string> Done(SqliteConnection c) => Sqlite.Number(c, "SELECT count(*) FROM sqlite_master WHERE name = 'schema_step'") == 0 ? [] : [.. Sqlite.Rows(c, "SELECT ScriptName FROM schema_step", r => r.GetString(0))];

    internal SqliteConnection Open(bool pooled = true)
    {
        var connection = new SqliteConnection(pooled ? connectionString : connectionString + ";Pooling=False");
        connection.Open();
        Sqlite.Run(connection, "PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON;");
        return connection;
    }

    // A failed step is reported through the result; the running commentary would only repeat it.
    private sealed class NoUpgradeLog : IUpgradeLog
    {
        public void LogTrace(string format, params object[] args) { }

        public void LogDebug(string format, params object[] args) { }

        public void LogInformation(string format, params object[] args) { }

        public void LogWarning(string format, params object[] args) { }

        public void LogError(string format, params object[] args) { }

        public void LogError(Exception ex, string format, params object[] args) { }
    }
}
