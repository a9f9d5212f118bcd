using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Sql;

/// <summary>The few turns of plain ADO.NET that every book and question takes.</summary>
internal static class Sqlite
{
    /// <summary>Opens a connection with the settings that make a kept entry stay kept.</summary>
    public static void Begin(this SqliteConnection connection)
    {
        connection.Open();
        Run(connection, "PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON;");
    }

    public static int Run(SqliteConnection connection, string sql, params (string Name, object? Value)[] values)
    {
        using var statement = new Statement(connection, sql, values);
        return statement.Command.ExecuteNonQuery();
    }

    public static List<T> Rows<T>(
        SqliteConnection connection,
        string sql,
        Func<SqliteDataReader, T> read,
        params (string Name, object? Value)[] values
    )
    {
        using var statement = new Statement(connection, sql, values);
        using var reader = statement.Command.ExecuteReader();
        var rows = new List<T>();
        while (reader.Read())
            rows.Add(read(reader));
        return rows;
    }

    /// <summary>Rows of a list that the whole farm hangs on: one that cannot be read is left out, and the look over the rows of the file says which. It must not take the others along.</summary>
    public static List<T> Sound<T>(
        SqliteConnection connection,
        string sql,
        Func<SqliteDataReader, T> read,
        params (string Name, object? Value)[] values
    )
        where T : notnull =>
        Rows(
                connection,
                sql,
                r =>
                {
                    try
                    {
                        return (Read: true, Row: read(r));
                    }
                    catch (Exception problem) when (problem is not SqliteException)
                    {
                        return (Read: false, Row: default(T)!);
                    }
                },
                values
            )
            .FindAll(x => x.Read)
            .ConvertAll(x => x.Row);

    /// <summary>Reads several times and sees one state of the file; inside a transaction it is that one's.</summary>
    public static T InOneSnapshot<T>(SqliteConnection connection, Func<T> read)
    {
        Run(connection, "SAVEPOINT snapshot");
        try
        {
            return read();
        }
        finally
        {
            Run(connection, "RELEASE snapshot");
        }
    }

    /// <summary>Hands over row by row, so that a long list is never held whole.</summary>
    public static void Each(
        SqliteConnection connection,
        string sql,
        Action<SqliteDataReader> head,
        Action<SqliteDataReader> row,
        params (string Name, object? Value)[] values
    )
    {
        using var statement = new Statement(connection, sql, values);
        using var reader = statement.Command.ExecuteReader();
        head(reader);
        while (reader.Read())
            row(reader);
    }

    public static T? One<T>(
        SqliteConnection connection,
        string sql,
        Func<SqliteDataReader, T> read,
        params (string Name, object? Value)[] values
    )
        where T : class => Rows(connection, sql, read, values).FirstOrDefault();

    public static long Number(SqliteConnection connection, string sql, params (string Name, object? Value)[] values)
    {
        using var statement = new Statement(connection, sql, values);
        return statement.Command.ExecuteScalar() is long n ? n : 0;
    }

    public static double? MaybeReal(this SqliteDataReader r, int i) => r.IsDBNull(i) ? null : r.GetDouble(i);

    public static long? MaybeLong(this SqliteDataReader r, int i) => r.IsDBNull(i) ? null : r.GetInt64(i);

    public static DateOnly Day(this SqliteDataReader r, int i) =>
        DateOnly.ParseExact(r.GetString(i), "yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);

    public static DateOnly? MaybeDay(this SqliteDataReader r, int i) => r.IsDBNull(i) ? null : r.Day(i);

    public static DateTimeOffset Instant(this SqliteDataReader r, int i) =>
        DateTimeOffset.FromUnixTimeMilliseconds(r.GetInt64(i));

    public static T Word<T>(this SqliteDataReader r, int i)
        where T : struct, Enum => Enum.Parse<T>(r.GetString(i));

    // A statement in use; a farm's connection keeps it prepared afterwards.
    private readonly ref struct Statement
    {
        private readonly FarmConnection? keeper;

        public Statement(SqliteConnection connection, string sql, (string Name, object? Value)[] values)
        {
            keeper = connection as FarmConnection;
            Command = keeper?.Statement(sql) ?? connection.CreateCommand();
            if (keeper is null)
                Command.CommandText = sql;
            foreach (var (name, value) in values)
                Command.Parameters.AddWithValue("$" + name, Stored(value));
        }

        public SqliteCommand Command { get; }

        public void Dispose()
        {
            if (keeper is null)
                Command.Dispose();
            else
                keeper.GiveBack(Command);
        }

        private static object Stored(object? value) =>
            value switch
            {
                null => DBNull.Value,
                DateTimeOffset at => at.ToUnixTimeMilliseconds(),
                DateOnly day => day.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture),
                Enum word => word.ToString(),
                bool yes => yes ? 1 : 0,
                _ => value,
            };
    }
}
