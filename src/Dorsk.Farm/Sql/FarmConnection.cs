using System.Collections.Concurrent;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Sql;

/// <summary>
/// A connection to a farm's data file that is kept open between uses, with the statements it has prepared: preparing a statement costs
/// more than running it. Disposing gives it back.
/// </summary>
internal sealed class FarmConnection : SqliteConnection
{
    // More than the program asks for at once is closed when it comes back.
    private const int MostIdle = 16,
        MostStatements = 400;
    private const long NoLimit = 4_294_967_294;
    private static readonly ConcurrentDictionary<string, ConcurrentBag<FarmConnection>> Idle = new();
    private readonly Dictionary<string, SqliteCommand> statements = [];
    private long mostPages = NoLimit;
    private bool closing;

    private FarmConnection(string connectionString)
        : base(connectionString) { }

    /// <summary>An open connection: one that is idle, or a new one.</summary>
    /// <param name="connectionString">Names the file.</param>
    /// <param name="mostPages">A disk of so many pages; null: as it is.</param>
    public static FarmConnection Take(string connectionString, long? mostPages)
    {
        if (!Of(connectionString).TryTake(out var connection))
            (connection = new(connectionString)).Begin();
        if (connection.mostPages != (mostPages ?? NoLimit))
        {
            connection.mostPages = mostPages ?? NoLimit;
            Sqlite.Number(connection, FormattableString.Invariant($"PRAGMA max_page_count = {connection.mostPages}"));
        }
        return connection;
    }

    /// <summary>Closes all that are idle, so that their files can be replaced or deleted.</summary>
    public static void CloseIdle()
    {
        foreach (var bag in Idle.Values)
            while (bag.TryTake(out var connection))
                connection.End();
    }

    /// <summary>A statement to run, prepared before where that is so; give it back after.</summary>
    public SqliteCommand Statement(string sql)
    {
        if (!statements.Remove(sql, out var command))
        {
            command = CreateCommand();
            command.CommandText = sql;
        }
        command.Transaction = Transaction;
        command.Parameters.Clear();
        return command;
    }

    /// <summary>Takes a statement back.</summary>
    public void GiveBack(SqliteCommand command)
    {
        if (statements.Count >= MostStatements || !statements.TryAdd(command.CommandText, command))
            command.Dispose();
    }

    /// <inheritdoc/>
    protected override void Dispose(bool disposing)
    {
        if (disposing && !closing && IsAtRest && Of(ConnectionString) is { Count: < MostIdle } idle)
        {
            idle.Add(this);
            return;
        }
        if (disposing)
        {
            foreach (var command in statements.Values)
                command.Dispose();
            statements.Clear();
        }
        base.Dispose(disposing);
    }

    // One that was left in the middle of a transaction or a snapshot would go on seeing the file as it was then: it is not used again.
    private bool IsAtRest =>
        State == System.Data.ConnectionState.Open && SQLitePCL.raw.sqlite3_get_autocommit(Handle) != 0;

    private static ConcurrentBag<FarmConnection> Of(string connectionString) =>
        Idle.GetOrAdd(connectionString, _ => []);

    private void End()
    {
        closing = true;
        Dispose();
    }
}
