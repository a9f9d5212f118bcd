using Dorsk.Core.Judging;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Facts;

/// <summary>
/// A kind of fact: everything that the door, the memory of answers, the log page, the lists and the checks of the file need to know of it.
/// </summary>
public abstract class FactKind
{
    private protected FactKind(string table, string word, Reach reach)
    {
        Table = table;
        Word = word;
        Reach = reach;
    }

    /// <summary>Name of the fact in the log.</summary>
    public string Name => Type.Name;

    /// <summary>The fact's type.</summary>
    public abstract Type Type { get; }

    /// <summary>The table that holds one row for each line; empty for a kind whose rows stand in another table only.</summary>
    public string Table { get; }

    /// <summary>What the log calls it.</summary>
    public string Word { get; }

    /// <summary>Which answers it changes.</summary>
    public Reach Reach { get; }

    /// <summary>Columns of the table, <c>line</c> left out.</summary>
    internal abstract IReadOnlyList<FactColumn> Columns { get; }

    /// <summary>Columns of the other tables in which it has rows, <c>line</c> and the order left out.</summary>
    internal abstract IReadOnlyList<(string Table, IReadOnlyList<string> Columns)> RowColumns { get; }

    /// <summary>All tables in which rows stand under its line.</summary>
    public abstract IReadOnlyList<string> Tables { get; }

    /// <summary>The pond that the log files it under, or null for the farm as a whole.</summary>
    internal abstract long? PondOf(Fact fact);

    /// <summary>Objections of the rules to the fact.</summary>
    internal abstract IEnumerable<Remark> Check(Desk desk, Fact fact);

    /// <summary>Objections of the rules to taking a line of this kind back, once it is out.</summary>
    internal abstract IEnumerable<Remark> CheckVoid(Desk desk, Fact fact, long line);

    /// <summary>Writes its rows under the desk's line.</summary>
    internal abstract void Write(Desk desk, Fact fact);

    /// <summary>Undoes what is kept beside the rows of a line that was taken back, such as sums of probe values.</summary>
    internal abstract void Withdraw(Desk desk, long line);

    /// <summary>The fact of one line, voided or not; null when it has no row.</summary>
    internal abstract Fact? Read(SqliteConnection connection, long line);

    /// <summary>The same, and null too for a row that cannot be read: it must be possible to take such a line back.</summary>
    internal Fact? ReadIfSound(SqliteConnection connection, long line)
    {
        try
        {
            return Read(connection, line);
        }
        catch (Exception problem) when (problem is not SqliteException)
        {
            return null;
        }
    }

    /// <summary>The ponds whose answers a line of this kind changes; empty where that is every pond.</summary>
    internal List<long> PondsOf(SqliteConnection connection, long line)
    {
        var references = Columns
            .Where(c => c.Refers == Refers.Pond)
            .Select(c => $"SELECT {c.Name} AS pond FROM {Table} WHERE line = $line");
        var batch = Columns.FirstOrDefault(c => c.Refers == Refers.Batch);
        if (Reach.HasFlag(Reach.Batch) && batch is not null)
            references = references.Append(
                $"SELECT p.pond FROM posting p WHERE p.batch = (SELECT {batch.Name} FROM {Table} WHERE line = $line)"
            );
        var sql = $"SELECT DISTINCT pond FROM ({string.Join(" UNION ALL ", references)}) WHERE pond IS NOT NULL";
        return references.Any() ? Sqlite.Rows(connection, sql, r => r.GetInt64(0), ("line", line)) : [];
    }
}

/// <summary>What the number in a column stands for.</summary>
internal enum Refers
{
    /// <summary>A value.</summary>
    Nothing,

    /// <summary>A pond.</summary>
    Pond,

    /// <summary>A batch of fish.</summary>
    Batch,

    /// <summary>A kind of feed or another thing in the store.</summary>
    Feed,

    /// <summary>A species, of the tables or of the farm's own.</summary>
    Species,

    /// <summary>The thing itself that the fact describes; the line that first described it gives the number.</summary>
    Itself,
}

/// <summary>A column of a fact's table.</summary>
/// <param name="Name">Name.</param>
/// <param name="Refers">What a number in it stands for.</param>
internal sealed record FactColumn(string Name, Refers Refers);
