using Dorsk.Core.Judging;

namespace Dorsk.Core.Alarms;

/// <summary>Why an alarm rings: one alarm for each cause and pond, however often it is seen.</summary>
public enum AlarmCause
{
    /// <summary>Oxygen is low, or falls so fast that it soon will be.</summary>
    LowOxygen,

    /// <summary>The night is forecast to pass under the act level.</summary>
    NightForecast,

    /// <summary>A probe is silent, stuck, jumping or drifting.</summary>
    ProbeFault,

    /// <summary>A drill: nothing is wrong.</summary>
    Drill,

    /// <summary>An aerator does not do what it was told, draws too much or too little, or its panel is silent.</summary>
    AeratorFault,

    /// <summary>Panels have no mains, or all of them are silent at once.</summary>
    PowerLost,

    /// <summary>What is known of a pond cannot be worked out: it is not looked after until that is mended.</summary>
    PondFailed,

    /// <summary>The data file cannot be written: nothing that is typed is kept.</summary>
    BooksShut,

    /// <summary>The data file is damaged, or rows in it cannot be.</summary>
    BooksDamaged,

    /// <summary>The machine's clock is behind what is already recorded.</summary>
    ClockWrong,

    /// <summary>The water beside its oxygen, or the look and the deaths of the fish, call for action.</summary>
    WaterDanger,
}

/// <summary>An alarm rang, or rings louder: the same number with a higher level asks for an answer again.</summary>
/// <param name="AlarmId">Number of the first line of this alarm; 0 for a new one.</param>
/// <param name="PondId">The pond, or null for the farm.</param>
/// <param name="Cause">Why.</param>
/// <param name="Level">Watch or Act now.</param>
/// <param name="Text">Pond, value, limit, time, and what to do first.</param>
public sealed record AlarmRaised(long AlarmId, long? PondId, AlarmCause Cause, Status Level, string Text) : Fact;

/// <summary>Somebody has heard it and goes.</summary>
/// <param name="AlarmId">The alarm.</param>
/// <param name="PondId">Its pond, or null.</param>
public sealed record AlarmAnswered(long AlarmId, long? PondId) : Fact;

/// <summary>Its cause is gone.</summary>
/// <param name="AlarmId">The alarm.</param>
/// <param name="PondId">Its pond, or null.</param>
public sealed record AlarmEnded(long AlarmId, long? PondId) : Fact;

/// <summary>Somebody on the call list was told of it.</summary>
/// <param name="AlarmId">The alarm.</param>
/// <param name="PondId">Its pond, or null.</param>
/// <param name="Step">Place on the call list, from 0.</param>
/// <param name="Level">The level that was told.</param>
/// <param name="Address">Where to.</param>
public sealed record AlarmTold(long AlarmId, long? PondId, int Step, Status Level, string Address) : Fact;

/// <summary>Somebody who is called.</summary>
/// <param name="Name">Who.</param>
/// <param name="Address">E-mail address.</param>
public sealed record CallStep(string Name, string Address);

/// <summary>Who is called, in order, and when nobody wants to be called for less than Act now.</summary>
/// <param name="Steps">The first at once, each next after some minutes without an answer.</param>
/// <param name="AfterMinutes">Minutes without an answer until the next is called, 1 to 120.</param>
/// <param name="QuietFrom">Hour from which only Act now is mailed, or null.</param>
/// <param name="QuietTo">Hour up to which.</param>
public sealed record CallListSet(
    IReadOnlyList<CallStep> Steps,
    int AfterMinutes,
    TimeOnly? QuietFrom,
    TimeOnly? QuietTo
) : Fact
{
    /// <summary>Objections, named by the field of the page.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Steps.Count > 8)
            yield return Remark.Refuse("people", "At most 8 people.");
        foreach (var (s, i) in Steps.Select((s, i) => (s, i)))
            if (
                s.Name.Trim().Length is 0 or > 60
                || s.Address.Length > 120
                || s.Address.Count(c => c == '@') != 1
                || s.Address.StartsWith('@')
                || s.Address.EndsWith('@')
                || s.Address.Any(c => char.IsWhiteSpace(c) || char.IsControl(c) || c is '<' or '>' or ',' or ';')
            )
                yield return Remark.Refuse(
                    "people",
                    $"Line {i + 1}: a name and an address, such as Night watch, watch@farm.test."
                );
        if (AfterMinutes is < 1 or > 120)
            yield return Remark.Refuse("after", "1 to 120 minutes.");
        if (QuietFrom is null != QuietTo is null || (QuietFrom is { } f && f == QuietTo))
            yield return Remark.Refuse("quietfrom", "Two hours that differ, or both empty.");
    }
}
