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
/// <param name="Told">Places on the call list that were told of this level.</param>
public sealed record Alarm(long Id, long? PondId, AlarmCause Cause, Status Level, string Text, DateTimeOffset RangAt, DateTimeOffset LouderAt, (string By, DateTimeOffset At)? Answered, DateTimeOffset? EndedAt, IReadOnlyList<int> Told)
{
    /// <summary>Whether its cause stands.</summary>
    public bool Open => EndedAt is null;

    /// <summary>Alarms from their lines in order, by their number.</summary>
    public static IReadOnlyDictionary<long, Alarm> Of(IEnumerable<(long Line, DateTimeOffset At, string By, Fact Fact)> lines)
    {
        var all = new Dictionary<long, Alarm>();
        foreach (var (line, at, by, fact) in lines)
            switch (fact)
            {
                case AlarmRaised r when r.AlarmId == 0 || !all.ContainsKey(r.AlarmId):
                    all[line] = new(line, r.PondId, r.Cause, r.Level, r.Text, at, at, null, null, []);
                    break;
                case AlarmRaised r:
                    all[r.AlarmId] = all[r.AlarmId] is var old && r.Level > old.Level ? old with { Level = r.Level, Text = r.Text, LouderAt = at, Answered = null, Told = [] } : old with { Level = r.Level, Text = r.Text };
                    break;
                case AlarmAnswered a when all.TryGetValue(a.AlarmId, out var heard):
                    all[a.AlarmId] = heard with { Answered = heard.Answered ?? (by, at) };
                    break;
                case AlarmEnded e when all.TryGetValue(e.AlarmId, out var over):
                    all[e.AlarmId] = over with { EndedAt = over.EndedAt ?? at };
                    break;
                case AlarmTold t when all.TryGetValue(t.AlarmId, out var told) && t.Level == told.Level:
                    all[t.AlarmId] = told with { Told = [.. told.Told, t.Step] };
                    break;
            }
        return all;
    }

    /// <summary>Places on the call list that are to be told now: the first at once, each next after the list's minutes without an answer. Quiet hours hold back Watch, never Act now.</summary>
    /// <param name="list">The call list.</param>
    /// <param name="now">Now.</param>
    /// <param name="hour">The farm's clock.</param>
    public IEnumerable<int> Due(CallListSet list, DateTimeOffset now, TimeOnly hour)
    {
        if (!Open || Answered is not null || (Level < Status.ActNow && list.QuietFrom is { } from && list.QuietTo is { } to && hour.IsBetween(from, to)))
            return [];
        var reached = (int)Math.Floor(Math.Max(0, (now - LouderAt).TotalMinutes) / list.AfterMinutes);
        return Enumerable.Range(0, Math.Min(reached + 1, list.Steps.Count)).Except(Told);
    }
}
