using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Books;
using Dorsk.Farm.Log;
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
    private static readonly IBook[] Books = [new FarmBook(), new PeopleBook(), new PondRegister(), new WaterBook(), new FeedBook(), new FishBook(), new PlanBook(), new JobBook(), new StockingPlanBook(), new SeasonBook(), new ReceivingBook(), new ProbeBook(), new AlarmBook(), new AirBook(), new PrepareBook(), new SettingsBook(), new ForecastBook()];
    private static readonly DateTimeOffset Earliest = new(2000, 1, 1, 0, 0, 0, TimeSpan.Zero);
    // Clocks of phones and of the farm differ a little; more than this is a mistyped date.
    private static readonly TimeSpan ClockSlack = TimeSpan.FromMinutes(5);

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
        var before = Sqlite.Rows(connection, "SELECT line FROM log WHERE entry = $id ORDER BY n", r => r.GetInt64(0), ("id", entry.Id.ToString()));
        if (before.Count > 0)
            return new(before, [], Repeated: true);
        var entered = clock.GetUtcNow();
        Sqlite.Run(connection, "INSERT INTO entry VALUES ($id, $entered, $author)", ("id", entry.Id.ToString()), ("entered", entered), ("author", entry.Author));
        var lines = new List<long>();
        var remarks = new List<Remark>();
        var asked = new List<(long Line, string Text)>();
        foreach (var line in entry.Lines)
        {
            var (number, said) = Take(connection, entry, line, lines.Count, entered);
            lines.Add(number);
            remarks.AddRange(said.Where(r => r.Kind == Objection.Refuse || !entry.Meant.Contains(r.Text)));
            asked.AddRange(said.Where(r => r.Kind == Objection.Ask && entry.Meant.Contains(r.Text)).Select(r => (number, r.Text)));
        }
        if (remarks.Count > 0)
            return new([], remarks.Distinct().ToList());
        foreach (var (row, n) in asked.Select((row, n) => (row, n)))
            Sqlite.Run(connection, "INSERT INTO confirmed VALUES ($line, $n, $text)", ("line", row.Line), ("n", n), ("text", row.Text));
        if (write)
            transaction.Commit();
        return new(lines, []);
    }

    private static (long Line, IReadOnlyList<Remark> Said) Take(SqliteConnection connection, Entry entry, NewLine line, int n, DateTimeOffset entered)
    {
        var early = WhenAndWhat(connection, line, entered).ToList();
        if (early.Count > 0)
            return (0, early);
        var book = line.Fact is { } f ? Books.Single(b => b.Keeps(f)) : null;
        var number = Sqlite.Number(connection,
            "INSERT INTO log(entry, n, kind, pond, happened, entered, author, as_typed, voids) VALUES ($entry, $n, $kind, $pond, $happened, $entered, $author, $typed, $voids) RETURNING line",
            ("entry", entry.Id.ToString()), ("n", n), ("kind", line.Fact?.GetType().Name ?? LogLines.TakenBack), ("pond", line.Fact is null ? LogLines.PondOf(connection, line.Corrects!.Value) : book!.PondOf(line.Fact)),
            ("happened", line.Fact is null && line.Happened > entered ? entered : line.Happened), ("entered", entered), ("author", entry.Author), ("typed", line.AsTyped), ("voids", line.Corrects));
        var desk = new Desk(connection, number, line.Happened, new(line.Happened, DateTimeOffset.MaxValue), line.Corrects);
        if (line.Corrects is { } voided && LogLines.KindOf(connection, voided) == nameof(Core.Water.ProbeSeriesReceived))
            ProbeBook.TakenBack(connection, desk.Zone, voided);
        var said = line.Fact is { } fact ? book!.Check(desk, fact).ToList() : [];
        if (said.Any(r => r.Kind == Objection.Refuse))
            return (number, said);
        if (line.Fact is not null)
            book!.Write(desk, line.Fact);
        var touched = Batches(connection, number, line.Corrects);
        return (number, [.. said, .. FishBook.CheckWhole(desk, touched)]);
    }

    /// <summary>Why nothing can have happened at that time; null when it can.</summary>
    internal static string? WrongTime(DateTimeOffset happened, DateTimeOffset entered) =>
        happened > entered + ClockSlack ? "This lies in the future. What has not happened yet cannot be written down; choose a date and hour up to now."
        : happened < Earliest ? "This lies before the year 2000. Check the date." : null;

    private static IEnumerable<Remark> WhenAndWhat(SqliteConnection connection, NewLine line, DateTimeOffset entered)
    {
        // A line from a clock that ran ahead must always be able to go.
        if (line.Fact is not null && WrongTime(line.Happened, entered) is { } time)
            yield return Remark.Refuse("When", time);
        if (line.Fact is null && line.Corrects is null)
            yield return Remark.Refuse("", "There is nothing to enter.");
        if (line.Corrects is { } old && LogLines.CannotCorrect(connection, old, line.Fact?.GetType().Name) is { } problem)
            yield return Remark.Refuse("", problem);
    }

    private static List<long> Batches(SqliteConnection connection, long line, long? voided) =>
        Sqlite.Rows(connection, "SELECT DISTINCT batch FROM posting WHERE line IN ($line, $voided)", r => r.GetInt64(0), ("line", line), ("voided", voided ?? 0));
}
