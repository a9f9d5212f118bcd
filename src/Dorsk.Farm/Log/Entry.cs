using Dorsk.Core.Judging;

namespace Dorsk.Farm.Log;

/// <summary>What goes through the door in one go: a form, a batch. All of it is entered, or nothing.</summary>
/// <param name="Id">Given by the sender; sent twice it is entered once.</param>
/// <param name="Author">Who writes.</param>
/// <param name="Lines">One log line each.</param>
/// <param name="Meant">Texts of the questions that the person has answered with yes. A question whose text has changed is asked again.</param>
public sealed record Entry(Guid Id, string Author, IReadOnlyList<NewLine> Lines, IReadOnlyCollection<string> Meant)
{
    /// <summary>An entry of one line.</summary>
    public static Entry Of(
        Guid id,
        string author,
        DateTimeOffset happened,
        Fact fact,
        string asTyped = "",
        IReadOnlyCollection<string>? meant = null
    ) => new(id, author, [new(happened, fact, asTyped, null)], meant ?? []);
}

/// <summary>A line to be: one fact, or a bare void.</summary>
/// <param name="Happened">When it happened; not in the future.</param>
/// <param name="Fact">The fact; null takes back the line in <paramref name="Corrects"/> and puts nothing in its place.</param>
/// <param name="AsTyped">What the person typed, for the log.</param>
/// <param name="Corrects">The line it takes the place of, or null.</param>
public sealed record NewLine(DateTimeOffset Happened, Fact? Fact, string AsTyped, long? Corrects)
{
    /// <summary>For a fact that names what an earlier line of the same entry describes for the first time: makes it from the numbers of the lines before it.</summary>
    public Func<IReadOnlyList<long>, Fact>? Completed { get; init; }
}

/// <summary>What became of an entry.</summary>
/// <param name="Lines">Numbers of the new lines; empty when it was not entered.</param>
/// <param name="Remarks">Objections, when it was not entered.</param>
/// <param name="Repeated">True when the same entry was already in: nothing was written again.</param>
public sealed record Receipt(IReadOnlyList<long> Lines, IReadOnlyList<Remark> Remarks, bool Repeated = false)
{
    /// <summary>Whether the entry stands in the books (or would, for a preview).</summary>
    public bool Accepted => Remarks.Count == 0;

    /// <summary>For what nobody typed: it is right, or the program is wrong.</summary>
    /// <exception cref="InvalidOperationException">It was not entered.</exception>
    public Receipt OrThrow() =>
        Accepted ? this : throw new InvalidOperationException(string.Join(" ", Remarks.Select(r => r.Text)));
}

/// <summary>The two times of every question: what had happened, as far as it was known.</summary>
/// <param name="HappenedUpTo">Lines that happened later do not count.</param>
/// <param name="KnownUpTo">Lines entered later do not count, voids included.</param>
public readonly record struct AsOf(DateTimeOffset HappenedUpTo, DateTimeOffset KnownUpTo)
{
    /// <summary>The same knowledge without an end to what happened.</summary>
    public AsOf Known => this with { HappenedUpTo = DateTimeOffset.MaxValue };

    /// <summary>Now, by the farm clock, with all that is known.</summary>
    public static AsOf Now(DateTimeOffset now) => new(now, DateTimeOffset.MaxValue);
}
