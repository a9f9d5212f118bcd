using Dorsk.Core.Judging;

namespace Dorsk.Core.Alarms;

/// <summary>An alarm as its lines tell it.</summary>
/// <param name="Id">Number of its first line.</param>
/// <param name="PondId">Its pond, or null.</param>
/// <param name="Cause">Why it rings.</param>
/// <param name="Level">Its level now.</param>
/// <param name="Text">Its text now.</param>
/// <param name="RangAt">When it first rang.</param>
/// <param name="LouderAt">When it came to this level: from here on an answer is awaited.</param>
/// <param name="Answered">Who answered at this level and when; null while nobody has.</param>
/// <param name="EndedAt">When its cause was gone, or null.</param>
/// <param name="ToldTo">Places on the call list that were told of this level, with the address.</param>
public sealed record Alarm(
    long Id,
    long? PondId,
    AlarmCause Cause,
    Status Level,
    string Text,
    DateTimeOffset RangAt,
    DateTimeOffset LouderAt,
    (string By, DateTimeOffset At)? Answered,
    DateTimeOffset? EndedAt,
    IReadOnlyList<(int Step, string Address)> ToldTo
)
{
    /// <summary>Whether its cause stands.</summary>
    public bool Open => EndedAt is null;

    /// <summary>Places on the call list that were told of this level.</summary>
    public IEnumerable<int> Told => ToldTo.Select(t => t.Step);

    /// <summary>The alarm at another level: a higher one asks for an answer again.</summary>
    public Alarm Louder(Status level, string text, DateTimeOffset at) =>
        level > Level
            ? this with
            {
                Level = level,
                Text = text,
                LouderAt = at,
                Answered = null,
                ToldTo = [],
            }
            : this with
            {
                Level = level,
                Text = text,
            };

    /// <summary>The alarm after one more line about it.</summary>
    public static Alarm With(Alarm alarm, string by, DateTimeOffset at, Fact fact) =>
        fact switch
        {
            AlarmRaised r => alarm.Louder(r.Level, r.Text, at),
            AlarmAnswered => alarm with { Answered = alarm.Answered ?? (by, at) },
            AlarmEnded => alarm with { EndedAt = alarm.EndedAt ?? at },
            AlarmTold t when t.Level == alarm.Level => alarm with { ToldTo = [.. alarm.ToldTo, (t.Step, t.Address)] },
            _ => alarm,
        };

    /// <summary>Alarms from their lines in order, by their number.</summary>
    public static IReadOnlyDictionary<long, Alarm> Of(
        IEnumerable<(long Line, DateTimeOffset At, string By, Fact Fact)> lines
    )
    {
        var all = new Dictionary<long, Alarm>();
        foreach (var (line, at, by, fact) in lines)
            if (fact is AlarmRaised r && (r.AlarmId == 0 || !all.ContainsKey(r.AlarmId)))
                all[line] = new(line, r.PondId, r.Cause, r.Level, r.Text, at, at, null, null, []);
            else if (all.TryGetValue(Number(fact), out var known))
                all[known.Id] = With(known, by, at, fact);
        return all;
    }

    private static long Number(Fact fact) =>
        fact switch
        {
            AlarmRaised r => r.AlarmId,
            AlarmAnswered a => a.AlarmId,
            AlarmEnded e => e.AlarmId,
            AlarmTold t => t.AlarmId,
            _ => 0,
        };

    /// <summary>Who on the call list is told next, and when; null when somebody has answered, it is over, or all were told.</summary>
    /// <param name="list">The call list.</param>
    public (int Step, DateTimeOffset At)? Next(CallListSet list)
    {
        if (!Open || Answered is not null)
            return null;
        var step = Enumerable.Range(0, list.Steps.Count).Except(Told).Select(i => (int?)i).FirstOrDefault();
        return step is { } next ? (next, LouderAt.AddMinutes((double)next * list.AfterMinutes)) : null;
    }

    /// <summary>Places on the call list that are to be told now: the first at once, each next after the list's minutes without an answer. Quiet hours hold back Watch, never Act now.</summary>
    /// <param name="list">The call list.</param>
    /// <param name="now">Now.</param>
    /// <param name="hour">The farm's clock.</param>
    public IEnumerable<int> Due(CallListSet list, DateTimeOffset now, TimeOnly hour)
    {
        if (
            !Open
            || Answered is not null
            || (
                Level < Status.ActNow
                && list.QuietFrom is { } from
                && list.QuietTo is { } to
                && hour.IsBetween(from, to)
            )
        )
            return [];
        var reached = (int)Math.Floor(Math.Max(0, (now - LouderAt).TotalMinutes) / list.AfterMinutes);
        return Enumerable.Range(0, Math.Min(reached + 1, list.Steps.Count)).Except(Told);
    }
}
