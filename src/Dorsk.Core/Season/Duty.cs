using Dorsk.Core.Judging;
using Dorsk.Core.People;

namespace Dorsk.Core.Season;

/// <summary>Something that is done again every so many days: a recurring task, as it is in the list; the latest line of a duty counts.</summary>
/// <param name="DutyId">Number given by the books; 0 for a new one.</param>
/// <param name="PondId">The pond, or null for the whole farm.</param>
/// <param name="What">What to do.</param>
/// <param name="Reason">Why it is done; may be empty.</param>
/// <param name="EveryDays">Days from one time to the next, 1 to 366.</param>
/// <param name="From">Its first day.</param>
/// <param name="At">Hour by which it is done.</param>
/// <param name="Who">Whom it falls to.</param>
/// <param name="Until">Its last day, or null.</param>
public sealed record DutyKept(
    long DutyId,
    long? PondId,
    string What,
    string Reason,
    int EveryDays,
    DateOnly From,
    TimeOnly At,
    Role Who,
    DateOnly? Until
) : Fact
{
    /// <summary>Share of the water that is changed each time, %; null where it changes no water or nobody said.</summary>
    public double? SharePct { get; init; }

    /// <summary>First part of its jobs' keys.</summary>
    public const string JobName = "duty";

    /// <summary>Most that is changed at one time, %: a starting value of the trade.</summary>
    public const double MostSharePct = 80;

    /// <summary>Key of its job of a day.</summary>
    public string JobKey(DateOnly day) => FormattableString.Invariant($"{JobName}:{DutyId}:{day:yyyy-MM-dd}");

    /// <summary>The last day on or before a day on which it falls; null before its first.</summary>
    /// <param name="day">Farm day.</param>
    public DateOnly? LastOn(DateOnly day)
    {
        var end = Until is { } u && u < day ? u : day;
        return end < From ? null : From.AddDays((end.DayNumber - From.DayNumber) / EveryDays * EveryDays);
    }

    /// <summary>The first day after a day on which it falls; null when it has ended.</summary>
    /// <param name="day">Farm day.</param>
    public DateOnly? NextAfter(DateOnly day) =>
        (LastOn(day)?.AddDays(EveryDays) ?? From) is var next && (Until is null || next <= Until) && next > day
            ? next
            : null;

    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        if (What.Trim().Length is 0 or > 120)
            yield return Remark.Refuse("What", "Say what to do in 1 to 120 letters, such as siphon the floor.");
        if (Reason.Length > 300)
            yield return Remark.Refuse("Reason", "At most 300 letters.");
        if (EveryDays is < 1 or > 366)
            yield return Remark.Refuse("Every", "1 to 366 days.");
        if (SharePct is not (null or (> 0 and <= MostSharePct)))
            yield return Remark.Refuse(
                "Share",
                $"More than 0, up to {MostSharePct:0} % of the water at a time: more at once and pH, temperature and salinity jump. Empty: not a change of water."
            );
        if (SharePct is not null && PondId is null)
            yield return Remark.Refuse("Pond", "Water is changed in a pond: choose which.");
        if (Until < From)
            yield return Remark.Refuse("Until", "This lies before its first day. Leave it empty when it goes on.");
    }
}
