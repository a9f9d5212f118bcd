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
/// <param name="heard">When devices were last heard.</param>
/// <param name="clock">The farm clock.</param>
/// <param name="patience">How long a panel may take to answer a command.</param>
public sealed class AlarmWatch(Door door, Questions questions, Heard heard, TimeProvider clock, TimeSpan patience)
{
    private static readonly TimeSpan LastHours = TimeSpan.FromHours(4);

    /// <summary>Rings and ends; how many lines were written.</summary>
    public int Look()
    {
        if (questions.Farm() is not { } farm)
            return 0;
        var (now, zone) = (clock.GetUtcNow(), FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc);
        var open = questions.Alarms(now).Where(a => a.Open && a.Cause != AlarmCause.Drill).ToList();
        var ponds = questions.PondsNow(now);
        var panels = Panels(ponds, now);
        var power = AlarmRules.Power([.. panels.Values], now, zone);
        var stands = ponds.Where(p => p.Batches.Count > 0).SelectMany(p => AlarmRules.Of(Pond(p, power is null ? panels.GetValueOrDefault(p.Story.Pond.Id) : null, now), [.. open.Where(a => a.PondId == p.Story.Pond.Id).Select(a => a.Cause)], now, zone, farm.Hand)).ToList();
        if (power is not null)
            stands.Add(power);
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

    private Dictionary<long, AlarmPanel> Panels(IReadOnlyList<PondNow> ponds, DateTimeOffset now) => questions.Devices().Where(d => d.Kept is { Gone: false, Use: DeviceUse.Panel })
        .Join(ponds.Where(p => p.Batches.Count > 0), d => d.Kept.PondId, p => p.Story.Pond.Id, (d, p) => (d.Kept, p.Story)).GroupBy(x => x.Story.Pond.Id).ToDictionary(g => g.Key, g =>
        {
            var reports = g.First().Story.AeratorsAt(now).Select(a => g.First().Story.Air.Report(a.Code)).OfType<(DateTimeOffset At, Core.Air.AeratorReported Fact)>().ToList();
            return new AlarmPanel(g.First().Story.Pond.Code, reports.Where(r => !r.Fact.Mains).Select(r => (DateTimeOffset?)r.At).Min(), g.Max(x => heard.Of(x.Kept.DeviceId)));
        });

    // Power that is gone rings once for all: what each aerator does then is no news.
    private AlarmPond Pond(PondNow p, AlarmPanel? panel, DateTimeOffset now)
    {
        var (s, aerators, hour) = (p.Story, p.Story.AeratorsAt(now), TimeOnly.FromDateTime(p.Story.Zone.LocalAt(now)));
        List<Judgement> faults = panel is null ? [] : [.. aerators.Select(a => Core.Air.AirFaults.Of(a.Code, s.Air, now, patience)).OfType<Judgement>()];
        if (panel is not null && AlarmRules.Silent(panel, now, s.Zone) is { } silent)
            faults = [silent];
        return new(s.Pond.Id, s.Pond.Code, s.LimitsOn(s.Zone.DayOf(now))!, [.. s.ReadingsOf[Parameter.Oxygen].Where(t => t.At <= now && now - t.At <= LastHours)], p.Tonight.Forecast, [.. aerators.Select(a => a.Code)], questions.ProbeHealth(s.Pond.Id, now)?.Wrong ?? [])
        {
            Running = [.. aerators.Where(a => s.Air.Ran(a.Code, now) ?? a.RunsAt(hour)).Select(a => a.Code)], AirFaults = faults,
        };
    }
}
