using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm;

/// <summary>
/// The one way in. Every change of the farm's facts, from whatever hand, is an entry through this door: checked by the rules of
/// the core, written whole or not at all, in one transaction. Mistakes of people come back as remarks; a broken invariant is an exception.
/// </summary>
/// <param name="file">The farm's data file.</param>
/// <param name="clock">The farm clock: it says when a line is entered.</param>
public sealed class Door(FarmFile file, TimeProvider clock)
{
    private static readonly DateTimeOffset Earliest = new(2000, 1, 1, 0, 0, 0, TimeSpan.Zero);

    // Clocks of phones and of the farm differ a little; more than this is a mistyped date.
    private static readonly TimeSpan ClockSlack = TimeSpan.FromMinutes(5);

    private static readonly TimeSpan Fresh = TimeSpan.FromHours(18);

    /// <summary>Whether people enter what happens as it happens; not where a made-up history is written down.</summary>
    public bool IsLive { get; init; } = true;

    /// <summary>Enters an entry. The same entry sent again answers with the first receipt.</summary>
    public Receipt Enter(Entry entry) => Pass(entry, write: true);

    /// <summary>Says what <see cref="Enter"/> would say, by the same path, and writes nothing.</summary>
    public Receipt Preview(Entry entry) => Pass(entry, write: false);

    private Receipt Pass(Entry entry, bool write) => file.InTurn(() => Alone(entry, write));

    private Receipt Alone(Entry entry, bool write)
    {
        using var connection = file.Open();
        // Immediate: whoever enters sees the books as they are, and a second writer waits.
        using var transaction = connection.BeginTransaction(deferred: false);
        var before = Sqlite.Rows(
            connection,
            "SELECT line FROM log WHERE entry = $id ORDER BY n",
            r => r.GetInt64(0),
            ("id", entry.Id.ToString())
        );
        if (before.Count > 0)
            return new(before, [], Repeated: true);
        var entered = clock.GetUtcNow();
        Sqlite.Run(
            connection,
            "INSERT INTO entry VALUES ($id, $entered, $author)",
            ("id", entry.Id.ToString()),
            ("entered", entered),
            ("author", entry.Author)
        );
        var lines = new List<long>();
        var remarks = new List<Remark>();
        var asked = new List<(long Line, string Text)>();
        foreach (var line in entry.Lines)
        {
            var whole = line.Completed is { } completed ? line with { Fact = completed(lines) } : line;
            var (number, written) = Take(connection, entry, whole, lines.Count, entered);
            var said = InFarmUnits(connection, written, line.Fact);
            lines.Add(number);
            remarks.AddRange(said.Where(r => r.Kind == Objection.Refuse || !entry.Meant.Contains(r.Text)));
            asked.AddRange(
                said.Where(r => r.Kind == Objection.Ask && entry.Meant.Contains(r.Text)).Select(r => (number, r.Text))
            );
        }
        if (remarks.Count > 0)
            return new([], remarks.Distinct().ToList());
        foreach (var (row, n) in asked.Select((row, n) => (row, n)))
            Sqlite.Run(
                connection,
                "INSERT INTO confirmed VALUES ($line, $n, $text)",
                ("line", row.Line),
                ("n", n),
                ("text", row.Text)
            );
        if (write)
            transaction.Commit();
        return new(lines, []);
    }

    // A farm that is only being described says its units in that very fact.
    private static IReadOnlyList<Remark> InFarmUnits(SqliteConnection c, IReadOnlyList<Remark> said, Fact? fact)
    {
        if (said.Count == 0)
            return said;
        var farm = fact as FarmDescribed ?? FarmQuestions.Farm(c, AsOf.Now(DateTimeOffset.MaxValue));
        return farm is null ? said : [.. said.Select(r => r.For(farm.Hand))];
    }

    private (long Line, IReadOnlyList<Remark> Said) Take(
        SqliteConnection connection,
        Entry entry,
        NewLine line,
        int n,
        DateTimeOffset entered
    )
    {
        var early = WhenAndWhat(connection, line, entered).ToList();
        if (early.Count > 0)
            return (0, early);
        var kind = line.Fact is { } f ? FactKinds.Of(f) : null;
        var voided = line.Corrects is { } old ? LogLines.Line(connection, old) : null;
        var number = AppendToLog(connection, entry, line, n, entered, kind, voided);
        var asOf = new AsOf(line.Happened, DateTimeOffset.MaxValue);
        var desk = DeskFor(connection, line, number, asOf, IsLive && entered - line.Happened < Fresh);
        List<Remark> said = [];
        if (voided is not null && FactKinds.Find(voided.Kind) is { } voidedKind)
        {
            voidedKind.Withdraw(desk, voided.Line);
            if (line.Fact is null && voidedKind.ReadIfSound(connection, voided.Line) is { } gone)
                said.AddRange(voidedKind.CheckVoid(desk, gone, voided.Line));
        }
        if (kind is not null)
            said.AddRange(kind.Check(desk, line.Fact!));
        if (said.Exists(r => r.Kind == Objection.Refuse))
            return (number, said);
        kind?.Write(desk, line.Fact!);
        return (number, [.. said, .. FishChecks.Whole(desk, Batches(connection, number, line.Corrects))]);
    }

    private static Desk DeskFor(SqliteConnection connection, NewLine line, long number, AsOf asOf, bool isFresh) =>
        new Desk(connection, number, line.Happened, asOf, line.Corrects)
        {
            IsFresh = isFresh,
            ReadFarm = () => FarmQuestions.Farm(connection, asOf.Known),
            KnowsSpecies = key => SettingsQuestions.Knows(connection, asOf.Known, key),
            PondAt = pond => PondReader.Story(connection, asOf, pond) is { } story ? new PondAsKnown(story) : null,
            FishIn = pond => FishQuestions.Standing(connection, asOf.Known, pond).Sum(b => (long)b.Stands),
        };

    private static long AppendToLog(
        SqliteConnection connection,
        Entry entry,
        NewLine line,
        int n,
        DateTimeOffset entered,
        FactKind? kind,
        LogRow? voided
    ) =>
        Sqlite.Number(
            connection,
            """
            INSERT INTO log(entry, n, kind, pond, happened, entered, author, as_typed, voids)
            VALUES ($entry, $n, $kind, $pond, $happened, $entered, $author, $typed, $voids) RETURNING line
            """,
            ("entry", entry.Id.ToString()),
            ("n", n),
            ("kind", kind?.Name ?? LogRow.TakenBack),
            ("pond", kind is null ? voided!.PondId : kind.PondOf(line.Fact!)),
            ("happened", kind is null && line.Happened > entered ? entered : line.Happened),
            ("entered", entered),
            ("author", entry.Author),
            ("typed", line.AsTyped),
            ("voids", line.Corrects)
        );

    /// <summary>Why nothing can have happened at that time; null when it can.</summary>
    internal static string? WrongTime(DateTimeOffset happened, DateTimeOffset entered) =>
        happened > entered + ClockSlack
            ? "This lies in the future. What has not happened yet cannot be written down; choose a date and hour up to now."
        : happened < Earliest ? "This lies before the year 2000. Check the date."
        : null;

    private static IEnumerable<Remark> WhenAndWhat(SqliteConnection connection, NewLine line, DateTimeOffset entered)
    {
        // A line from a clock that ran ahead must always be able to go.
        if (line.Fact is not null && WrongTime(line.Happened, entered) is { } time)
            yield return Remark.Refuse("When", time);
        if (line.Fact is null && line.Corrects is null)
            yield return Remark.Refuse("", "There is nothing to enter.");
        if (line.Corrects is { } old && LogUse.CannotCorrect(connection, old, line.Fact?.GetType().Name) is { } problem)
            yield return Remark.Refuse("", problem);
    }

    // Of movements by their postings; a count of all posts nothing and is named by its row.
    private static List<long> Batches(SqliteConnection connection, long line, long? voided) =>
        Sqlite.Rows(
            connection,
            """
            SELECT batch FROM posting WHERE line IN ($line, $voided)
            UNION SELECT batch FROM recount WHERE line IN ($line, $voided)
            """,
            r => r.GetInt64(0),
            ("line", line),
            ("voided", voided ?? 0)
        );
}
