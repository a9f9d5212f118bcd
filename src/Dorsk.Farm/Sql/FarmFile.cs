using System.Reflection;
using DbUp;
using DbUp.Engine.Output;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Sql;

/// <summary>The farm's data file: opens connections with the settings that make a kept entry stay kept, and brings the file up to this build.</summary>
public sealed class FarmFile
{
    private const int BeatTimeoutS = 5,
        WaitS = 20,
        Busy = 5;
    private readonly Lock writers = new();
    private readonly string connectionString;

    /// <summary>Names a file; nothing is opened yet.</summary>
    /// <param name="path">Path of the SQLite file; made when missing.</param>
    public FarmFile(string path)
    {
        Path = path;
        connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = path,
            ForeignKeys = true,
            Pooling = false,
            DefaultTimeout = WaitS,
        }.ToString();
    }

    /// <summary>Path of the file.</summary>
    public string Path { get; }

    /// <summary>Writers of this program take turns: SQLite itself lets them try again and again, and the unlucky wait long.</summary>
    /// <exception cref="SqliteException">Busy: the turn did not come in time.</exception>
    internal T InTurn<T>(Func<T> write, int withinS = WaitS)
    {
        if (!writers.TryEnter(TimeSpan.FromSeconds(withinS)))
            throw new SqliteException("The data file is written to by others for too long.", Busy);
        try
        {
            return write();
        }
        finally
        {
            writers.Exit();
        }
    }

    /// <summary>A disk of so many pages: what a full one does can be tried. Null is the disk as it is.</summary>
    internal long? MostPages { get; set; }

    /// <summary>Runs the migrations that the file lacks.</summary>
    /// <exception cref="InvalidOperationException">The file was written by a newer build, or a migration failed.</exception>
    public void Prepare()
    {
        using (var connection = Open())
        {
            Sqlite.Run(connection, "PRAGMA journal_mode = WAL");
            Mend(connection);
            // The usual start: every step is done, and none that this build does not know.
            if (Done(connection).SetEquals(Assembly.GetExecutingAssembly().GetManifestResourceNames().Where(IsStep)))
                return;
        }
        var upgrade = DeployChanges
            .To.SqliteDatabase(connectionString)
            .WithScriptsEmbeddedInAssembly(Assembly.GetExecutingAssembly(), IsStep)
            .WithVariablesDisabled()
            .WithTransactionPerScript()
            .JournalToSqliteTable("schema_step")
            .LogTo(new NoUpgradeLog())
            .Build();
        var known = upgrade.GetDiscoveredScripts().Select(s => s.Name).ToHashSet();
        if (upgrade.GetExecutedScripts().FirstOrDefault(s => !known.Contains(s)) is { } unknown)
            throw new InvalidOperationException(
                $"{Path} was written by a newer Dorsk (it knows the step {unknown}). Start that version, or restore a backup made with this one."
            );
        var result = upgrade.PerformUpgrade();
        if (!result.Successful)
            throw new InvalidOperationException(
                $"{Path} could not be brought up to this build at step {result.ErrorScript?.Name}: {result.Error.Message}",
                result.Error
            );
    }

    /// <summary>Notes in the file that the watch looked. It fails exactly when nothing could be recorded.</summary>
    /// <param name="at">When.</param>
    public void Beat(DateTimeOffset at)
    {
        using var connection = Open();
        using var command = connection.CreateCommand();
        command.CommandText = "UPDATE heartbeat SET at = $at";
        command.CommandTimeout = BeatTimeoutS;
        command.Parameters.AddWithValue("$at", at.ToUnixTimeMilliseconds());
        InTurn(command.ExecuteNonQuery, BeatTimeoutS);
    }

    /// <summary>Folds the write-ahead log into the file, so that the one file can be copied.</summary>
    /// <param name="path">Path of the file.</param>
    public static void Settle(string path)
    {
        CloseIdle();
        using var connection = new FarmFile(path).Open(pooled: false);
        Sqlite.Run(connection, "PRAGMA wal_checkpoint(TRUNCATE)");
    }

    // Step 21 was changed in its first week: a file that took it before lacks a column, which no later step could add only where it is missing.
    private static void Mend(SqliteConnection c)
    {
        if (
            Done(c).Any(s => s.EndsWith("0021_air.sql", StringComparison.Ordinal))
            && Sqlite.Number(c, "SELECT count(*) FROM pragma_table_info('forecast_issued') WHERE name = 'shown'") == 0
        )
            Sqlite.Run(c, "ALTER TABLE forecast_issued ADD COLUMN shown INTEGER NOT NULL DEFAULT 1");
    }

    private static bool IsStep(string resource) => resource.EndsWith(".sql", StringComparison.Ordinal);

    private static HashSet<string> Done(SqliteConnection c) =>
        Sqlite.Number(c, "SELECT count(*) FROM sqlite_master WHERE name = 'schema_step'") == 0
            ? []
            : [.. Sqlite.Rows(c, "SELECT ScriptName FROM schema_step", r => r.GetString(0))];

    /// <summary>Closes connections that wait for their next use, so that data files can be replaced or deleted.</summary>
    public static void CloseIdle()
    {
        FarmConnection.CloseIdle();
        SqliteConnection.ClearAllPools();
    }

    internal SqliteConnection Open(bool pooled = true)
    {
        if (pooled)
            return FarmConnection.Take(connectionString, MostPages);
        var connection = new SqliteConnection(connectionString);
        connection.Begin();
        if (MostPages is { } most)
            Sqlite.Number(connection, FormattableString.Invariant($"PRAGMA max_page_count = {most}"));
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
