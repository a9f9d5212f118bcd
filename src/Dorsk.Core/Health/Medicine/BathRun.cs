using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Health;

/// <summary>What happens in a bath.</summary>
public enum BathEvent
{
    /// <summary>A few fish were put into the dose first.</summary>
    TestBegun,

    /// <summary>They bore it.</summary>
    TestPassed,

    /// <summary>The dose is in: the clock runs.</summary>
    Dosed,

    /// <summary>Oxygen was read.</summary>
    Oxygen,

    /// <summary>The fish are uneasy.</summary>
    Uneasy,

    /// <summary>Ended in time: fresh water.</summary>
    Ended,

    /// <summary>Stopped before its time.</summary>
    Stopped,
}

/// <summary>One line of a bath that is under way.</summary>
/// <param name="TreatmentId">Line of the treatment.</param>
/// <param name="PondId">Its pond.</param>
/// <param name="Event">What happened.</param>
/// <param name="DoMgL">Oxygen read, mg/L; else null.</param>
/// <param name="Text">In words; may be empty.</param>
public sealed record BathNoted(long TreatmentId, long PondId, BathEvent Event, double? DoMgL, string Text) : Fact
{
    /// <summary>Objections, named by the field of the page.</summary>
    /// <param name="run">The bath before this line.</param>
    /// <param name="at">When this happens.</param>
    public IEnumerable<Remark> Check(BathRun run, DateTimeOffset at)
    {
        if (run.IsOver)
            yield return Remark.Refuse("", "This bath is over. Nothing more is written to it.");
        else if (!run.Takes(Event))
            yield return Remark.Refuse("", $"Not now: {run.Next}");
        if (Event == BathEvent.Oxygen && DoMgL is not (>= 0 and <= 40))
            yield return Remark.Refuse("do", "0 to 40 mg/L.");
        if (Event == BathEvent.Stopped && string.IsNullOrWhiteSpace(Text))
            yield return Remark.Refuse("text", "Say why it is stopped: it is kept.");
        if (Text.Length > 300)
            yield return Remark.Refuse("text", "At most 300 letters.");
        if (Event == BathEvent.TestPassed && run.TestLeft(at) > 0)
            yield return Remark.Ask(
                "step",
                "The few fish have not been in it for the time of the bath yet. Is it passed all the same?"
            );
        if (Event == BathEvent.Dosed && run.TestPassedAt is null)
            yield return Remark.Ask(
                "step",
                "No few fish were tried first. Other water, other strain: is it dosed all the same?"
            );
    }
}

/// <summary>A bath as it stands: a few fish first, then the clock, oxygen every few minutes, and when to stop.</summary>
/// <param name="Minutes">Minutes of the label.</param>
/// <param name="WatchMgL">Oxygen under which it is stopped, mg/L.</param>
/// <param name="Lines">What was written, in order.</param>
public sealed record BathRun(
    double Minutes,
    double WatchMgL,
    IReadOnlyList<(DateTimeOffset At, string By, BathNoted Fact)> Lines
)
{
    /// <summary>Oxygen is read so often while fish stand in a dose, minutes.</summary>
    public const double ReadEveryMinutes = 10;

    /// <summary>When a few fish were put into the dose, or null.</summary>
    public DateTimeOffset? TestBegunAt => FirstAt(BathEvent.TestBegun);

    /// <summary>When they were found well, or null.</summary>
    public DateTimeOffset? TestPassedAt => FirstAt(BathEvent.TestPassed);

    /// <summary>When the dose went in, or null.</summary>
    public DateTimeOffset? DosedAt => FirstAt(BathEvent.Dosed);

    /// <summary>Whether it ended or was stopped.</summary>
    public bool IsOver => Lines.Any(l => l.Fact.Event is BathEvent.Ended or BathEvent.Stopped);

    /// <summary>Minutes that the few fish still have to stand in it; negative over time, 0 before they went in.</summary>
    public double TestLeft(DateTimeOffset now) =>
        TestBegunAt is { } at && TestPassedAt is null ? Minutes - (now - at).TotalMinutes : 0;

    /// <summary>Minutes left of the bath; negative over time; null before the dose is in and after the end.</summary>
    public double? LeftAt(DateTimeOffset now) =>
        DosedAt is { } at && !IsOver ? Minutes - (now - at).TotalMinutes : null;

    /// <summary>Minutes until oxygen is to be read; negative when it is late; null while no clock runs.</summary>
    public double? ReadLeftAt(DateTimeOffset now)
    {
        if (DosedAt is not { } dosed || IsOver)
            return null;
        var last = Lines
            .Where(l => l.Fact.Event == BathEvent.Oxygen && l.At >= dosed)
            .Select(l => l.At)
            .DefaultIfEmpty(dosed)
            .Max();
        return ReadEveryMinutes - (now - last).TotalMinutes;
    }

    /// <summary>Why it must be stopped now, or null.</summary>
    /// <param name="now">Now.</param>
    /// <param name="hand">How figures are printed.</param>
    public string? MustStop(DateTimeOffset now, Hand hand)
    {
        if (IsOver || (DosedAt ?? TestBegunAt) is null)
            return null;
        if (LeftAt(now) <= 0)
            return "The time of the label is over: fresh water now, as much as there is.";
        var last = Lines[^1];
        if (last.Fact.Event == BathEvent.Uneasy)
            return "They are uneasy: stop, fresh water, air. What the label allows is no reason to go on.";
        return Lines.LastOrDefault(l => l.Fact.Event == BathEvent.Oxygen) is { Fact.DoMgL: { } mgL } && mgL < WatchMgL
            ? $"Oxygen {QuantityText.Write(mgL, Measures.Oxygen, hand)}, under the watch level {QuantityText.Write(WatchMgL, Measures.Oxygen, hand)}: stop, fresh water, air."
            : null;
    }

    /// <summary>What comes next, in words.</summary>
    public string Next =>
        (IsOver, DosedAt, TestPassedAt, TestBegunAt) switch
        {
            (true, _, _, _) => "over",
            (_, not null, _, _) => "oxygen every ten minutes, fish watched all the time, fresh water at the end",
            (_, _, not null, _) => "put the dose in",
            (_, _, _, not null) => "watch the few fish for the time of the bath",
            _ => "put a few fish into the dose first, in a tub of this water",
        };

    /// <summary>Whether an event fits in now.</summary>
    public bool Takes(BathEvent e) =>
        e switch
        {
            BathEvent.TestBegun => TestBegunAt is null && DosedAt is null,
            BathEvent.TestPassed => TestBegunAt is not null && TestPassedAt is null && DosedAt is null,
            BathEvent.Dosed => DosedAt is null,
            BathEvent.Ended => DosedAt is not null,
            _ => true,
        };

    private DateTimeOffset? FirstAt(BathEvent e) =>
        Lines.Where(l => l.Fact.Event == e).Select(l => (DateTimeOffset?)l.At).FirstOrDefault();
}
