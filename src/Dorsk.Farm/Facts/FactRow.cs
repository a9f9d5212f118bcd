using System.Globalization;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Facts;

/// <summary>One row of a fact's table, read by the names of its columns.</summary>
internal sealed class FactRow(SqliteConnection connection, SqliteDataReader reader)
{
    /// <summary>The log line it belongs to.</summary>
    public long Line => Long("line");

    public string Text(string column) => reader.GetString(At(column));

    public long Long(string column) => reader.GetInt64(At(column));

    public long? MaybeLong(string column) => reader.MaybeLong(At(column));

    public int Int(string column) => reader.GetInt32(At(column));

    public int? MaybeInt(string column) => (int?)MaybeLong(column);

    public double Real(string column) => reader.GetDouble(At(column));

    public double? MaybeReal(string column) => reader.MaybeReal(At(column));

    public bool Yes(string column) => reader.GetBoolean(At(column));

    public bool? MaybeYes(string column) => MaybeLong(column) is { } flag ? flag != 0 : null;

    public T Word<T>(string column)
        where T : struct, Enum => reader.Word<T>(At(column));

    public DateOnly Day(string column) => reader.Day(At(column));

    public DateOnly? MaybeDay(string column) => reader.MaybeDay(At(column));

    public DateTimeOffset Instant(string column) => reader.Instant(At(column));

    public DateTimeOffset? MaybeInstant(string column) =>
        MaybeLong(column) is { } ms ? DateTimeOffset.FromUnixTimeMilliseconds(ms) : null;

    public TimeOnly Hour(string column) => TimeOnly.ParseExact(Text(column), "HH:mm", CultureInfo.InvariantCulture);

    public TimeOnly? MaybeHour(string column) => reader.IsDBNull(At(column)) ? null : Hour(column);

    public string? MaybeText(string column) => reader.IsDBNull(At(column)) ? null : Text(column);

    /// <summary>The rows of another table under the same line, in their order.</summary>
    public List<T> Rows<T>(string table, Func<FactRow, T> read, string order = "n") =>
        Rows(connection, table, Line, read, order);

    internal static List<T> Rows<T>(
        SqliteConnection connection,
        string table,
        long line,
        Func<FactRow, T> read,
        string order = "n"
    ) =>
        Sqlite.Rows(
            connection,
            $"SELECT * FROM {table} WHERE line = $line ORDER BY {order}",
            r => read(new(connection, r)),
            ("line", line)
        );

    private int At(string column) => reader.GetOrdinal(column);
}
