using Dorsk.Core.Judging;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Facts;

/// <summary>A fact with its line.</summary>
/// <param name="Line">Log line.</param>
/// <param name="At">When it happened.</param>
/// <param name="Author">Who wrote it.</param>
/// <param name="Fact">The fact.</param>
internal readonly record struct FactLine<T>(long Line, DateTimeOffset At, string Author, T Fact);

/// <summary>
/// Describes one kind of fact: its columns by name, how it is read back, what it touches, and who checks it. Written once, in the room
/// of its subject.
/// </summary>
/// <typeparam name="T">The fact.</typeparam>
internal sealed class FactTable<T>(string table, string word, Reach reach = Reach.Ponds) : FactKind(table, word, reach)
    where T : Fact
{
    private readonly List<FactColumn> columns = [];
    private readonly List<Func<Desk, T, object?>> values = [];
    private readonly List<(string Table, Action<SqliteConnection, long, T> Write)> more = [];
    private readonly List<(string Table, IReadOnlyList<string> Columns)> rowColumns = [];
    private Func<FactRow, T>? read;
    private Func<SqliteConnection, long, T?>? readLine;
    private Func<Desk, T, IEnumerable<Remark>> check = (_, _) => [];
    private Func<Desk, T, long, IEnumerable<Remark>> checkVoid = (_, _, _) => [];
    private Func<T, long?>? pond;
    private Func<T, string>? species;
    private (string Column, Func<T, long> Number)? itself;
    private Action<Desk, T>? after;
    private Action<Desk, long>? withdraw;
    private string? insert;

    public override Type Type => typeof(T);

    internal override IReadOnlyList<FactColumn> Columns => columns;

    internal override IReadOnlyList<(string Table, IReadOnlyList<string> Columns)> RowColumns => rowColumns;

    public override IReadOnlyList<string> Tables => [.. new[] { Table }.Concat(more.Select(m => m.Table)).Distinct()];

    /// <summary>A column with a value: SI, a word of an enum, a day, an instant, a flag; text is trimmed.</summary>
    public FactTable<T> Column(string name, Func<T, object?> value) => Add(name, Refers.Nothing, (_, f) => value(f));

    /// <summary>A column that names a pond. The first is the one that the log files the line under.</summary>
    public FactTable<T> Pond(string name, Func<T, long?> value)
    {
        pond ??= value;
        return Add(name, Refers.Pond, (_, f) => value(f));
    }

    /// <summary>The pond that the log files the line under, for a fact without a row of its own.</summary>
    public FactTable<T> FiledUnder(Func<T, long?> value)
    {
        pond = value;
        return this;
    }

    /// <summary>A column that names a batch.</summary>
    public FactTable<T> Batch(string name, Func<T, long> value) => Add(name, Refers.Batch, (_, f) => value(f));

    /// <summary>A column that names a batch, worked out as the line is written.</summary>
    public FactTable<T> Batch(string name, Func<Desk, T, long> value) => Add(name, Refers.Batch, (d, f) => value(d, f));

    /// <summary>A column that names a kind of feed.</summary>
    public FactTable<T> Feed(string name, Func<T, long> value) => Add(name, Refers.Feed, (_, f) => value(f));

    /// <summary>A column that names a species: one of the tables, or one that the farm added.</summary>
    public FactTable<T> Species(string name, Func<T, string> value)
    {
        species = value;
        return Add(name, Refers.Species, (_, f) => value(f));
    }

    /// <summary>The number of the thing described: its own line when it is new, the old number when a line of it is corrected.</summary>
    public FactTable<T> Itself(string name, Func<T, long> value, Refers refers = Refers.Itself)
    {
        itself = (name, value);
        if (refers == Refers.Pond)
            pond ??= f => value(f);
        return Add(name, refers, (d, f) => value(f) > 0 ? value(f) : NumberIn(d, name) ?? d.Line);
    }

    /// <summary>Rows of another table under the same line, numbered in their order.</summary>
    public FactTable<T> Rows<R>(
        string rows,
        Func<T, IEnumerable<R>> of,
        params (string Name, Func<R, object?> Value)[] cells
    ) => More(rows, of, numbered: true, cells);

    /// <summary>Rows of another table under the same line that have no order.</summary>
    public FactTable<T> Set<R>(
        string rows,
        Func<T, IEnumerable<R>> of,
        params (string Name, Func<R, object?> Value)[] cells
    ) => More(rows, of, numbered: false, cells);

    /// <summary>A fact of several rows in one table, with no row of its own.</summary>
    public FactTable<T> Rows<R>(
        Func<T, IEnumerable<R>> of,
        Func<SqliteConnection, long, T?> reader,
        params (string Name, Func<T, R, object?> Value)[] cells
    )
    {
        readLine = reader;
        foreach (var cell in cells)
            columns.Add(new(cell.Name, Refers.Nothing));
        var sql = Insert(Table, ["n", .. cells.Select(x => x.Name)]);
        more.Add((Table, (c, line, fact) =>
            {
                foreach (var (row, n) in of(fact).Select((row, n) => (row, n)))
                    Sqlite.Run(
                        c,
                        sql,
                        [("line", line), ("n", n), .. cells.Select(x => (x.Name, Plain(x.Value(fact, row))))]
                    );
            }));
        return this;
    }

    /// <summary>Another table under the same line that is written by <see cref="Afterwards"/>.</summary>
    public FactTable<T> AlsoIn(string rows)
    {
        more.Add((rows, (_, _, _) => { }));
        return this;
    }

    /// <summary>How a row becomes the fact again.</summary>
    public FactTable<T> ReadBy(Func<FactRow, T> reader)
    {
        read = reader;
        return this;
    }

    /// <summary>The rules that judge it.</summary>
    public FactTable<T> CheckedBy(Func<Desk, T, IEnumerable<Remark>> rules)
    {
        check = rules;
        return this;
    }

    /// <summary>The rules that judge taking it back.</summary>
    public FactTable<T> VoidedBy(Func<Desk, T, long, IEnumerable<Remark>> rules)
    {
        checkVoid = rules;
        return this;
    }

    /// <summary>What else is written once its row is in.</summary>
    public FactTable<T> Afterwards(Action<Desk, T> write)
    {
        after = write;
        return this;
    }

    /// <summary>What is kept beside its rows and must follow when a line is taken back.</summary>
    public FactTable<T> WithdrawnBy(Action<Desk, long> undo)
    {
        withdraw = undo;
        return this;
    }

    internal override long? PondOf(Fact fact) => pond?.Invoke((T)fact) is > 0 and var id ? id : null;

    internal override IEnumerable<Remark> Check(Desk desk, Fact fact)
    {
        var f = (T)fact;
        if (
            itself is { } own
            && own.Number(f) is > 0 and var number
            && NumberIn(desk, own.Column) is { } old
            && old != number
        )
            return
            [
                Remark.Refuse(
                    "",
                    $"Line {desk.Corrects} describes another one of them. A correction stays with the same one."
                ),
            ];
        return species?.Invoke(f) is { } key && !desk.KnowsSpecies(key)
            ? [Remark.Refuse("Species", "Choose a species from the list, or add it to the farm's own first.")]
            : check(desk, f);
    }

    internal override IEnumerable<Remark> CheckVoid(Desk desk, Fact fact, long line) => checkVoid(desk, (T)fact, line);

    internal override void Withdraw(Desk desk, long line) => withdraw?.Invoke(desk, line);

    internal override void Write(Desk desk, Fact fact)
    {
        var f = (T)fact;
        if (readLine is null)
        {
            insert ??= Insert(Table, columns.Select(c => c.Name));
            Sqlite.Run(
                desk.Connection,
                insert,
                [("line", desk.Line), .. columns.Zip(values, (c, v) => (c.Name, Plain(v(desk, f))))]
            );
        }
        foreach (var (_, write) in more)
            write(desk.Connection, desk.Line, f);
        after?.Invoke(desk, f);
    }

    internal override Fact? Read(SqliteConnection connection, long line) =>
        readLine is not null
            ? readLine(connection, line)
            : Sqlite.One(
                connection,
                $"SELECT * FROM {Table} WHERE line = $line",
                r => Row(connection, r),
                ("line", line)
            );

    /// <summary>The facts that count as of two times, in the order in which they happened.</summary>
    /// <param name="c">The connection.</param>
    /// <param name="asOf">Happened and known up to.</param>
    /// <param name="where">A further condition on the row <c>t</c> or the line <c>l</c>; empty for none.</param>
    /// <param name="with">Its values.</param>
    public List<FactLine<T>> All(SqliteConnection c, AsOf asOf, string where = "", params (string, object?)[] with) =>
        Sqlite.Rows(c, Select(where), r => Line(c, r), Lines.With(asOf, with));

    /// <summary>The same for lists that the whole farm hangs on: a row that cannot be read is left out and costs itself only.</summary>
    public List<FactLine<T>> Sound(SqliteConnection c, AsOf asOf, string where = "", params (string, object?)[] with) =>
        Sqlite.Sound(c, Select(where), r => Line(c, r), Lines.With(asOf, with));

    /// <summary>Of each thing the fact that happened last; within an instant the one written last.</summary>
    public List<FactLine<T>> Newest<TKey>(SqliteConnection c, AsOf asOf, Func<T, TKey> thing) =>
        [.. Sound(c, asOf).GroupBy(x => thing(x.Fact)).Select(g => g.Last())];

    private string Select(string where) =>
        $"""
            SELECT t.*, l.happened AS l_happened, l.author AS l_author FROM {Table} t CROSS JOIN log l USING (line)
            WHERE {(where.Length > 0 ? where + " AND" : "")} {Lines.Count} ORDER BY l.happened, l.line
            """;

    private FactLine<T> Line(SqliteConnection c, SqliteDataReader r)
    {
        var row = new FactRow(c, r);
        return new(row.Line, row.Instant("l_happened"), row.Text("l_author"), Row(c, r));
    }

    private T Row(SqliteConnection c, SqliteDataReader r) =>
        (read ?? throw new InvalidOperationException($"{Name} has no reader."))(new(c, r));

    private long? NumberIn(Desk desk, string column) =>
        desk.Corrects is { } line
            ? Sqlite
                .Rows(
                    desk.Connection,
                    $"SELECT {column} FROM {Table} WHERE line = $line",
                    r => r.MaybeLong(0),
                    ("line", line)
                )
                .FirstOrDefault()
            : null;

    private FactTable<T> More<R>(
        string rows,
        Func<T, IEnumerable<R>> of,
        bool numbered,
        (string Name, Func<R, object?> Value)[] cells
    )
    {
        rowColumns.Add((rows, [.. cells.Select(x => x.Name)]));
        var sql = Insert(rows, [.. numbered ? ["n"] : Array.Empty<string>(), .. cells.Select(x => x.Name)]);
        more.Add((rows, (c, line, fact) =>
            {
                foreach (var (row, n) in of(fact).Select((row, n) => (row, n)))
                    Sqlite.Run(
                        c,
                        sql,
                        [
                            ("line", line),
                            .. numbered ? [("n", n)] : Array.Empty<(string, object?)>(),
                            .. cells.Select(x => (x.Name, Plain(x.Value(row)))),
                        ]
                    );
            }));
        return this;
    }

    private FactTable<T> Add(string name, Refers refers, Func<Desk, T, object?> value)
    {
        columns.Add(new(name, refers));
        values.Add(value);
        return this;
    }

    private static string Insert(string table, IEnumerable<string> names)
    {
        var all = names.Prepend("line").ToList();
        return $"INSERT INTO {table}({string.Join(", ", all)}) VALUES ({string.Join(", ", all.Select(n => "$" + n))})";
    }

    private static object? Plain(object? value) =>
        value switch
        {
            string text => text.Trim(),
            TimeOnly hour => hour.ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture),
            _ => value,
        };
}
