using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Files;

/// <summary>A small file beside the farm's, in which the lines of a sheet wait until somebody confirms them. Nothing of it is in the books.</summary>
public sealed class SheetDesk : IDisposable
{
    private readonly SqliteConnection connection;
    private readonly SqliteCommand row,
        value,
        asked;
    private SqliteTransaction transaction;
    private int held;

    internal SheetDesk(string path)
    {
        File.Delete(path);
        Path = path;
        connection = new SqliteConnection(
            new SqliteConnectionStringBuilder { DataSource = path, Pooling = false }.ToString()
        );
        connection.Open();
        Sqlite.Run(
            connection,
            """
            PRAGMA journal_mode = OFF; PRAGMA synchronous = OFF;
            CREATE TABLE row (n INTEGER PRIMARY KEY, pond INTEGER NOT NULL, happened INTEGER NOT NULL, typed TEXT NOT NULL);
            CREATE TABLE value (n INTEGER NOT NULL, k INTEGER NOT NULL, pond INTEGER NOT NULL, happened INTEGER NOT NULL, parameter TEXT NOT NULL, value REAL NOT NULL, asked INTEGER NOT NULL, PRIMARY KEY (n, k)) WITHOUT ROWID;
            CREATE UNIQUE INDEX value_once ON value(pond, happened, parameter, value);
            CREATE TABLE asked (n INTEGER NOT NULL, k INTEGER NOT NULL, text TEXT NOT NULL, PRIMARY KEY (n, k)) WITHOUT ROWID;
            """
        );
        transaction = connection.BeginTransaction();
        row = Prepared("INSERT INTO row VALUES ($n, $pond, $happened, $typed)", "n", "pond", "happened", "typed");
        value = Prepared(
            "INSERT OR IGNORE INTO value VALUES ($n, $k, $pond, $happened, $parameter, $value, $asked)",
            "n",
            "k",
            "pond",
            "happened",
            "parameter",
            "value",
            "asked"
        );
        asked = Prepared("INSERT INTO asked VALUES ($n, $k, $text)", "n", "k", "text");
    }

    /// <summary>Where it is.</summary>
    public string Path { get; }

    internal void Row(int n, long pond, long happenedMs, string typed) => Run(row, n, pond, happenedMs, typed);

    /// <summary>Lays a value down; false when the sheet says the very same twice.</summary>
    internal bool Value(int n, int k, long pond, long happenedMs, string parameter, double si, bool isAsked) =>
        Run(value, n, k, pond, happenedMs, parameter, si, isAsked ? 1 : 0) == 1;

    internal void Asked(int n, int k, string text) => Run(asked, n, k, text);

    /// <summary>Everything is laid down; takes away what the books hold already. How many values that were, and how many unusual ones are left.</summary>
    internal (int Known, int Asked) Finish(string farmPath)
    {
        transaction.Commit();
        Sqlite.Run(connection, "ATTACH $farm AS farm", ("farm", farmPath));
        var known = Sqlite.Run(connection, $"DELETE FROM value WHERE {KnownIn("farm.", "value")}");
        Sqlite.Run(connection, "DETACH farm");
        var left = (int)Sqlite.Number(connection, "SELECT count(*) FROM value WHERE asked = 1");
        transaction = connection.BeginTransaction();
        return (known, left);
    }

    /// <summary>Whether a value of the desk stands in the books already, and was not taken back.</summary>
    internal static string KnownIn(string books, string desk) =>
        $"EXISTS (SELECT 1 FROM {books}log l JOIN {books}reading r ON r.line = l.line WHERE l.pond = {desk}.pond AND l.happened = {desk}.happened AND l.kind = 'ReadingTaken' AND r.parameter = {desk}.parameter AND abs(r.value - {desk}.value) < 1e-9 AND NOT EXISTS (SELECT 1 FROM {books}log v WHERE v.voids = l.line))";

    /// <summary>Closes the desk and takes its file away.</summary>
    public void Dispose()
    {
        Close();
        File.Delete(Path);
    }

    internal void Close()
    {
        transaction.Dispose();
        connection.Dispose();
    }

    // SQLite keeps an open transaction's pages in memory; handing them over now and then keeps that flat.
    private int Run(SqliteCommand command, params object[] values)
    {
        if (++held % 50_000 == 0)
        {
            transaction.Commit();
            transaction = connection.BeginTransaction();
            foreach (var c in new[] { row, value, asked })
                c.Transaction = transaction;
        }
        for (var i = 0; i < values.Length; i++)
            command.Parameters[i].Value = values[i];
        return command.ExecuteNonQuery();
    }

    private SqliteCommand Prepared(string sql, params string[] names)
    {
        var command = connection.CreateCommand();
        command.CommandText = sql;
        command.Transaction = transaction;
        foreach (var name in names)
            command.Parameters.Add(new SqliteParameter("$" + name, null));
        return command;
    }
}
