using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;

namespace Dorsk.Farm;

/// <summary>A message to somebody on the call list.</summary>
/// <param name="To">Who.</param>
/// <param name="Subject">Subject.</param>
/// <param name="Text">Text.</param>
public sealed record AlarmMail(CallStep To, string Subject, string Text);

/// <summary>Looks at every pond: rings what stands, ends what is gone, and says who is to be told. Writes through the door like anybody else.</summary>
/// <param name="door">The way in.</param>
/// <param name="questions">The answers.</param>
/// <param name="clock">The farm clock.</param>
public sealed class AlarmWatch(Door door, Questions questions, TimeProvider clock)
{
    private static readonly TimeSpan LastHours = TimeSpan.FromHours(4);

    /// <summary>Rings and ends; how many lines were written.</summary>
    public int Look()
    {
        if (questions.Farm() is not { } farm)
            return 0;
        var (now, zone) = (clock.GetUtcNow(), FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc);
        var open = questions.Alarms(now).Where(a => a.Open && a.Cause != AlarmCause.Drill).ToList();
        var stands = questions.PondsNow(now).Where(p => p.Batches.Count > 0).SelectMany(p => AlarmRules.Of(Pond(p, now), [.. open.Where(a => a.PondId == p.Story.Pond.Id).Select(a => a.Cause)], now, zone, farm.Hand)).ToList();
        List<Fact> lines = [];
        foreach (var s in stands)
        {
            var rings = open.Find(a => a.PondId == s.PondId && a.Cause == s.Cause);
            // A changed text alone is no news; a higher level is.
            if (rings is null || s.Level > rings.Level)
                lines.Add(s with { AlarmId = rings?.Id ?? 0 });
        }
        lines.AddRange(open.Where(a => !stands.Exists(s => s.PondId == a.PondId && s.Cause == a.Cause)).Select(a => new AlarmEnded(a.Id, a.PondId)));
        if (lines.Count > 0)
            Must(lines.ConvertAll(f => new NewLine(now, f, f is AlarmRaised r ? r.Text : "alarm over", null)));
        return lines.Count;
    }

    /// <summary>Who is to be told now, with the line that says so once they were.</summary>
    public IReadOnlyList<(AlarmMail Mail, AlarmTold Told)> Due()
    {
        if (questions.Farm() is not { } farm || questions.CallList() is not { Steps.Count: > 0 } list)
            return [];
        var (now, zone) = (clock.GetUtcNow(), FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc);
        var hour = TimeOnly.FromDateTime(zone.LocalAt(now));
        return [.. questions.Alarms(now).SelectMany(a => a.Due(list, now, hour).Select(step => (new AlarmMail(list.Steps[step], $"{(a.Level == Status.ActNow ? "Act now" : "Watch")}: {a.Text.Split('.')[0]}", $"{a.Text}\n\n{(step == 0 ? "" : $"Nobody before you has answered in {step * list.AfterMinutes} minutes. ")}Answer it on the alarm page of {farm.Name}, so that nobody else is called."), new AlarmTold(a.Id, a.PondId, step, a.Level, list.Steps[step].Address))))];
    }

    /// <summary>Writes down that somebody was told.</summary>
    public void Told(AlarmTold told) => Must([new NewLine(clock.GetUtcNow(), told, "told " + told.Address, null)]);

    private void Must(List<NewLine> lines)
    {
        var receipt = door.Enter(new Entry(Guid.NewGuid(), NightlyForecasts.Author, lines, []));
        if (!receipt.Accepted)
            throw new InvalidOperationException("An alarm was refused at the door: " + string.Join(" | ", receipt.Remarks.Select(r => r.Text)));
    }

    private AlarmPond Pond(PondNow p, DateTimeOffset now) => new(p.Story.Pond.Id, p.Story.Pond.Code, p.Story.LimitsOn(p.Story.Zone.DayOf(now))!, [.. p.Story.ReadingsOf[Parameter.Oxygen].Where(t => t.At <= now && now - t.At <= LastHours)], p.Tonight.Forecast, [.. p.Story.AeratorsAt(now).Select(a => a.Code)], questions.ProbeHealth(p.Story.Pond.Id, now)?.Wrong ?? []);
}
