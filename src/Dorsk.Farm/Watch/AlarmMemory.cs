using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;

namespace Dorsk.Farm;

/// <summary>
/// Alarms as they ring, whether they could be recorded or not. While the data file cannot be written they live here, with who answered
/// and who was told, and are written down as soon as it can be; while it cannot be read, what was last read goes on ringing.
/// </summary>
/// <param name="door">The way in.</param>
/// <param name="questions">The answers.</param>
/// <param name="clock">The farm clock.</param>
public sealed class AlarmMemory(Door door, Questions questions, TimeProvider clock)
{
    private readonly Lock gate = new();
    private readonly List<Alarm> held = [];
    private readonly List<(long Alarm, string Author, DateTimeOffset At, Fact Fact)> later = [];
    private readonly Dictionary<long, long> written = [];
    private IReadOnlyList<Alarm> lastRead = [];
    private CallListSet? lastList;
    private FarmDescribed? lastFarm;
    private long nextId = -1;

    /// <summary>Whether something waits to be written.</summary>
    public bool Waits
    {
        get
        {
            lock (gate)
                return held.Count > 0 || later.Count > 0;
        }
    }

    /// <summary>The farm as last read; null before it is described.</summary>
    public FarmDescribed? Farm() => lastFarm = Read(questions.Farm, lastFarm);

    /// <summary>Who is called, as last read.</summary>
    public CallListSet? CallList() => lastList = Read(questions.CallList, lastList);

    /// <summary>Alarms of the last month and all that are open, the newest first.</summary>
    public IReadOnlyList<Alarm> Alarms(DateTimeOffset now)
    {
        var books = lastRead = Read(() => questions.Alarms(now), lastRead);
        lock (gate)
            return
            [
                .. held.AsEnumerable().Reverse().Select(Newest),
                .. (later.Count == 0 ? books : books.Select(WithLater)).Select(Newest),
            ];
    }

    /// <summary>What stands by the last look, by pond and cause: an open alarm says it in place of the words it rang with.</summary>
    public IReadOnlyDictionary<(long? Pond, AlarmCause Cause), string> Latest { get; set; } =
        new Dictionary<(long?, AlarmCause), string>();

    private Alarm Newest(Alarm alarm) =>
        alarm.Open && Latest.TryGetValue((alarm.PondId, alarm.Cause), out var text)
            ? alarm with
            {
                Text = text,
            }
            : alarm;

    /// <summary>An alarm rings that could not be written, or an unwritten one rings louder.</summary>
    public void Hold(AlarmRaised raised)
    {
        var now = clock.GetUtcNow();
        lock (gate)
        {
            var i = held.FindIndex(a => a.Open && a.PondId == raised.PondId && a.Cause == raised.Cause);
            if (i >= 0)
                held[i] = held[i].Louder(raised.Level, raised.Text, now);
            else if (raised.AlarmId > 0)
                later.Add((raised.AlarmId, NightlyForecasts.Author, now, raised));
            else
                held.Add(
                    new(nextId--, raised.PondId, raised.Cause, raised.Level, raised.Text, now, now, null, null, [])
                );
        }
    }

    /// <summary>Writes an answer, a telling or an end; keeps it here when it cannot be written. Returns why it is refused, or null.</summary>
    /// <param name="alarm">The alarm.</param>
    /// <param name="author">Who.</param>
    /// <param name="fact">Of its number, which may be one from here.</param>
    /// <param name="mayWrite">False where the data file is known to be shut.</param>
    public string? Note(long alarm, string author, Func<long, Fact> fact, bool mayWrite = true)
    {
        var now = clock.GetUtcNow();
        lock (gate)
            alarm = written.GetValueOrDefault(alarm, alarm);
        if (alarm < 0)
        {
            lock (gate)
            {
                var i = held.FindIndex(a => a.Id == alarm);
                if (i < 0)
                    return "There is no such alarm any more.";
                held[i] = Alarm.With(held[i], author, now, fact(alarm));
                return null;
            }
        }
        try
        {
            if (mayWrite)
                return door.Enter(Entry.Of(Guid.NewGuid(), author, now, fact(alarm), Typed(fact(alarm))))
                    .Remarks.Select(r => r.Text)
                    .FirstOrDefault();
        }
        catch (Exception problem) when (BooksTrouble.Words(problem) is not null)
        {
            // Kept below, and written as soon as the file can be.
        }
        lock (gate)
            later.Add((alarm, author, now, fact(alarm)));
        return null;
    }

    /// <summary>Writes down what waits. Throws when the data file still cannot be written; then what is not written waits on.</summary>
    public void Write()
    {
        while (Next() is { } alarm)
        {
            var author = NightlyForecasts.Author;
            var line = Must(
                author,
                alarm.RangAt,
                new AlarmRaised(0, alarm.PondId, alarm.Cause, alarm.Level, alarm.Text)
            );
            lock (gate)
            {
                // What came to it meanwhile is carried over with the rest.
                var last = held.Find(a => a.Id == alarm.Id)!;
                held.RemoveAll(a => a.Id == alarm.Id);
                written[alarm.Id] = line;
                later.AddRange(
                    last.ToldTo.Select(t =>
                        (
                            line,
                            author,
                            last.LouderAt,
                            (Fact)new AlarmTold(line, last.PondId, t.Step, last.Level, t.Address)
                        )
                    )
                );
                if (last.Answered is { } by)
                    later.Add((line, by.By, by.At, new AlarmAnswered(line, last.PondId)));
                if (last.EndedAt is { } ended)
                    later.Add((line, author, ended, new AlarmEnded(line, last.PondId)));
            }
        }
        while (NextLater() is { } note)
        {
            // One that is refused now (somebody else has answered meanwhile) is no longer news.
            door.Enter(Entry.Of(Guid.NewGuid(), note.Author, note.At, note.Fact, Typed(note.Fact)));
            lock (gate)
                later.Remove(note);
        }
    }

    private Alarm? Next()
    {
        lock (gate)
            return held.Count > 0 ? held[0] : null;
    }

    private (long Alarm, string Author, DateTimeOffset At, Fact Fact)? NextLater()
    {
        lock (gate)
            return later.Count > 0 ? later[0] : null;
    }

    private long Must(string author, DateTimeOffset at, Fact fact)
    {
        var receipt = door.Enter(Entry.Of(Guid.NewGuid(), author, at, fact, Typed(fact)));
        return receipt.Accepted
            ? receipt.Lines[0]
            : throw new InvalidOperationException(
                "An alarm was refused: " + string.Join(" | ", receipt.Remarks.Select(r => r.Text))
            );
    }

    private Alarm WithLater(Alarm alarm) =>
        later.Where(l => l.Alarm == alarm.Id).Aggregate(alarm, (a, l) => Alarm.With(a, l.Author, l.At, l.Fact));

    private static T Read<T>(Func<T> read, T last)
    {
        try
        {
            return read();
        }
        catch (Exception problem) when (BooksTrouble.Words(problem) is not null)
        {
            return last;
        }
    }

    private static string Typed(Fact fact) =>
        fact switch
        {
            AlarmRaised r => r.Text,
            AlarmTold t => "told " + t.Address,
            AlarmAnswered => "alarm answered",
            _ => "alarm over",
        };
}
