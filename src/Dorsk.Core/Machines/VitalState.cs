using Dorsk.Core.Judging;

namespace Dorsk.Core.Machines;

/// <summary>How a piece of equipment stands today.</summary>
/// <param name="Line">Line that last described it.</param>
/// <param name="Kept">The piece.</param>
/// <param name="Last">Its last test with the farm day, or null.</param>
public sealed record VitalState(long Line, VitalKept Kept, (DateOnly Day, VitalChecked Fact)? Last)
{
    private const int LongOverdue = 2;

    /// <summary>Its kind.</summary>
    public VitalKind Kind => VitalKind.Find(Kept.Kind)!;

    /// <summary>Whether its last test failed: it does not count as there until one passes.</summary>
    public bool IsFailing => Last is { } l && !Kind.IsPassed(l.Fact.Figure, l.Fact.Passed);

    /// <summary>Whether no spare lies ready.</summary>
    public bool HasNoSpare => Kept.Spares == 0;

    /// <summary>Farm day of the next test; the first at once.</summary>
    /// <param name="today">Farm day.</param>
    public DateOnly DueOn(DateOnly today) => Last is { } l ? l.Day.AddDays(Kept.EveryDays) : today;

    /// <summary>How it stands.</summary>
    /// <param name="today">Farm day.</param>
    public Judgement On(DateOnly today)
    {
        if (Last is not { } last)
            return new(Status.Watch, "never tested: nobody knows whether it works");
        if (IsFailing)
            return new(Status.ActNow, $"failed its test: {Kind.OnFail}{(HasNoSpare ? "; no spare lies ready" : "")}");
        var late = today.DayNumber - DueOn(today).DayNumber;
        if (late > LongOverdue * Kept.EveryDays)
            return new(
                Status.ActNow,
                FormattableString.Invariant($"not tested for {today.DayNumber - last.Day.DayNumber} days")
            );
        return late >= 0
            ? new(Status.Watch, "its test is due")
            : new(Status.Steady, HasNoSpare ? "passed; no spare lies ready" : "passed");
    }
}
