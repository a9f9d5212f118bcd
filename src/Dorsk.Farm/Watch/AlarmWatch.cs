using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm;

/// <summary>A message to somebody on the call list.</summary>
/// <param name="To">Who.</param>
/// <param name="Subject">Subject.</param>
/// <param name="Text">Text.</param>
public sealed record AlarmMail(CallStep To, string Subject, string Text)
{
    /// <summary>Address of the farm's message program; empty: none.</summary>
    public string Hook { get; init; } = "";

    /// <summary>Place on the call list, from 0.</summary>
    public int Step { get; init; }
}

/// <summary>
/// Looks at every pond, rings what stands and ends what is over. Each pond and each alarm is looked after by itself: one that fails is an
/// alarm of its own and stops no other. What cannot be written rings all the same, from <see cref="AlarmMemory"/>.
/// </summary>
/// <param name="file">The farm's data file.</param>
/// <param name="door">The way in.</param>
/// <param name="questions">The answers.</param>
/// <param name="memory">Alarms as they ring.</param>
/// <param name="heard">When devices were last heard.</param>
/// <param name="heartbeat">Is told of every look.</param>
/// <param name="clock">The farm clock.</param>
/// <param name="patience">How long a panel may take to answer a command.</param>
public sealed class AlarmWatch(
    FarmFile file,
    Door door,
    Questions questions,
    AlarmMemory memory,
    Heard heard,
    Heartbeat heartbeat,
    TimeProvider clock,
    TimeSpan patience
)
{
    private static readonly TimeSpan LastHours = TimeSpan.FromHours(4),
        BusyMayLast = TimeSpan.FromSeconds(60);
    private long? busySince;
    private bool writable;

    /// <summary>Alarms that come from elsewhere, such as a wrong clock or a damaged file: each is asked at every look.</summary>
    public IList<Func<AlarmRaised?>> More { get; } = [];

    /// <summary>Told of failures that are not of people's making, for the program's log.</summary>
    public Action<Exception, string> Failed { get; set; } = (_, _) => { };

    /// <summary>Rings and ends; how many alarms rang, grew louder or ended.</summary>
    public int Look()
    {
        var now = clock.GetUtcNow();
        var seen = new Seen();
        var trouble = Books(seen);
        if (memory.Farm() is { } farm)
            LookAround(farm, now, seen);
        foreach (var more in More)
            Safely(seen, null, () => seen.Add(more()), "another cause of alarms");
        // Pages and mails say what stands now, also where that is no louder than what rang.
        memory.Latest = seen.Stands.GroupBy(a => (a.PondId, a.Cause)).ToDictionary(g => g.Key, g => g.First().Text);
        var changed = Ring(now, seen) + End(now, seen);
        heartbeat.Looked(new(now, seen.Ponds, seen.Failed.Count, trouble));
        return changed;
    }

    /// <summary>Who is to be told now, with the line that says so once they were.</summary>
    public IReadOnlyList<(AlarmMail Mail, AlarmTold Told, AlarmCause Cause)> Due()
    {
        if (memory.Farm() is not { } farm || memory.CallList() is not { Steps.Count: > 0 } list)
            return [];
        var (now, zone) = (clock.GetUtcNow(), FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc);
        var hour = TimeOnly.FromDateTime(zone.LocalAt(now));
        return
        [
            .. memory
                .Alarms(now)
                .SelectMany(a =>
                    a.Due(list, now, hour)
                        .Select(step =>
                            (
                                new AlarmMail(
                                    list.Steps[step],
                                    AlarmText.Subject(a),
                                    AlarmText.Message(a, list, step, farm.Name)
                                )
                                {
                                    Hook = list.Hook,
                                    Step = step,
                                },
                                new AlarmTold(a.Id, a.PondId, step, a.Level, list.Steps[step].Where),
                                a.Cause
                            )
                        )
                ),
        ];
    }

    /// <summary>Writes down that somebody was told; never forgets it, even when it cannot be written.</summary>
    public void Told(AlarmTold told) =>
        memory.Note(told.AlarmId, NightlyForecasts.Author, id => told with { AlarmId = id }, writable);

    // What one look has seen.
    private sealed class Seen
    {
        public List<AlarmRaised> Stands { get; } = [];

        public HashSet<long> Failed { get; } = [];

        public bool Blind { get; set; }

        public int Ponds { get; set; }

        public void Add(AlarmRaised? alarm)
        {
            if (alarm is not null)
                Stands.Add(alarm with { Text = AlarmText.Fit(alarm.Text) });
        }
    }

    // Whether the books can be written, and what waits for it. Trouble with them is the first alarm of all.
    private string? Books(Seen seen)
    {
        string? trouble = null;
        try
        {
            file.Beat(clock.GetUtcNow());
            memory.Write();
            (writable, busySince) = (true, null);
        }
        catch (Exception problem)
        {
            writable = false;
            trouble = BooksTrouble.Words(problem) ?? problem.Message;
            Failed(problem, "The data file could not be written by the watch.");
            busySince ??= TimeProvider.System.GetTimestamp();
            // A long import holds the file for a while; that alone is no alarm.
            if (!BooksTrouble.IsBusy(problem) || TimeProvider.System.GetElapsedTime(busySince.Value) > BusyMayLast)
                seen.Add(Shut(trouble));
        }
        return trouble;
    }

    private static AlarmRaised Shut(string trouble) =>
        new(
            0,
            null,
            AlarmCause.BooksShut,
            Status.ActNow,
            $"Nothing can be recorded: {trouble}. What is typed now is not kept: write it on paper. Alarms go on ringing and are still sent."
        );

    private List<(string, Judgement)> HatcheryWater(Core.Units.Hand hand, DateTimeOffset now) =>
        [
            .. questions
                .Hatchery(now, onlyStanding: true)
                .Standing.Select(l => (Name: $"lot {l.Lot.LotId} in {l.Vessel?.Name}", Found: l.Rings(hand)))
                .Where(l => l.Found is not null)
                .Select(l => (l.Name, l.Found!)),
        ];

    private void LookAround(FarmDescribed farm, DateTimeOffset now, Seen seen)
    {
        var zone = FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc;
        IReadOnlyList<PondLook> looks = [];
        Safely(seen, null, () => looks = questions.Looks(now), "the list of ponds");
        var open = memory.Alarms(now).Where(a => a.Open).ToList();
        var ponds = looks.Select(l => l.Now).OfType<PondNow>().ToList();
        IReadOnlyDictionary<long, AlarmPanel> panels = new Dictionary<long, AlarmPanel>();
        AlarmRaised? power = null;
        var dark = open.Find(a => a.Cause == AlarmCause.PowerLost)?.LouderAt;
        Safely(seen, null, () => (panels, power) = PanelsAndPower(ponds, now, zone, dark), "the panels of aerators");
        seen.Add(power);
        Safely(seen, null, () => seen.Add(AlarmRules.NotHeard(questions.Alone(now), now, zone)), "who works alone");
        Safely(seen, null, () => seen.Add(AlarmRules.Hatchery(HatcheryWater(farm.Hand, now))), "the hatchery");
        seen.Ponds = looks.Count;
        foreach (var look in looks)
            if (look.Now is null)
                Broken(seen, look.Pond, look.Why);
            else if (look.Now.Batches.Count > 0)
                Safely(
                    seen,
                    look.Pond,
                    () =>
                    {
                        var panel = power is null ? panels.GetValueOrDefault(look.Pond.Id) : null;
                        foreach (var alarm in AlarmRules.Of(Pond(look.Now, panel, now, open), now, zone, farm.Hand))
                            seen.Add(alarm);
                    },
                    "its alarms"
                );
    }

    // Runs one part of the look. What fails there is an alarm of that pond, or blinds the look to ends, and stops nothing else.
    private void Safely(Seen seen, Pond? pond, Action part, string what)
    {
        try
        {
            part();
        }
        catch (Exception problem)
        {
            Failed(problem, $"{pond?.Code ?? "The farm"}: {what} could not be looked at.");
            if (pond is not null)
                Broken(seen, pond, problem.Message);
            else
            {
                seen.Blind = true;
                if (BooksTrouble.Words(problem) is null)
                    seen.Add(
                        new(
                            0,
                            null,
                            AlarmCause.PondFailed,
                            Status.ActNow,
                            $"The watch cannot look at {what}: {problem.Message} Read ponds by hand tonight."
                        )
                    );
                else if (!seen.Stands.Exists(s => s.Cause == AlarmCause.BooksShut))
                    seen.Add(
                        new(
                            0,
                            null,
                            AlarmCause.BooksShut,
                            Status.ActNow,
                            $"The records cannot be read: {BooksTrouble.Words(problem)}. The watch is blind: read ponds by hand."
                        )
                    );
            }
        }
    }

    private static void Broken(Seen seen, Pond pond, string why)
    {
        seen.Failed.Add(pond.Id);
        seen.Add(
            new(
                0,
                pond.Id,
                AlarmCause.PondFailed,
                Status.ActNow,
                $"{pond.Code} is not watched: {why.TrimEnd('.')}. Read it by hand, and take back or correct the line that is wrong; other ponds are watched as before."
            )
        );
    }

    private int Ring(DateTimeOffset now, Seen seen)
    {
        var open = memory.Alarms(now).Where(a => a.Open && a.Cause != AlarmCause.Drill).ToList();
        var rang = 0;
        foreach (var s in seen.Stands)
        {
            var rings = open.Find(a => a.PondId == s.PondId && a.Cause == s.Cause);
            // A changed text alone is no news; a higher level is.
            if (rings is not null && s.Level <= rings.Level)
                continue;
            rang++;
            if (!writable || rings?.Id < 0 || !Entered(s with { AlarmId = rings?.Id ?? 0 }, now))
                memory.Hold(s with { AlarmId = rings?.Id > 0 ? rings.Id : 0 });
        }
        return rang;
    }

    // An alarm that cannot be written shows that nothing can: that rings too, at once.
    private bool Entered(AlarmRaised alarm, DateTimeOffset now)
    {
        try
        {
            var receipt = door.Enter(Entry.Of(Guid.NewGuid(), NightlyForecasts.Author, now, alarm, alarm.Text));
            if (!receipt.Accepted)
                Failed(
                    new InvalidOperationException(string.Join(" | ", receipt.Remarks.Select(r => r.Text))),
                    "An alarm was refused; it rings all the same."
                );
            return receipt.Accepted;
        }
        catch (Exception problem)
        {
            if (BooksTrouble.Words(problem) is { } trouble)
            {
                writable = false;
                memory.Hold(Shut(trouble));
            }
            Failed(problem, "An alarm could not be written; it rings all the same.");
            return false;
        }
    }

    // What was not seen well is not over: the alarms of a pond that failed, and all of them when the look was blind.
    private int End(DateTimeOffset now, Seen seen)
    {
        if (seen.Blind)
            return 0;
        var over = memory
            .Alarms(now)
            .Where(a =>
                a.Open
                && a.Cause != AlarmCause.Drill
                && !(a.PondId is { } p && seen.Failed.Contains(p))
                && !(a.Cause == AlarmCause.BooksShut && !writable)
                && !seen.Stands.Exists(s => s.PondId == a.PondId && s.Cause == a.Cause)
            )
            .ToList();
        foreach (var a in over)
            memory.Note(a.Id, NightlyForecasts.Author, id => new AlarmEnded(id, a.PondId), writable);
        return over.Count;
    }

    private (IReadOnlyDictionary<long, AlarmPanel>, AlarmRaised?) PanelsAndPower(
        IReadOnlyList<PondNow> ponds,
        DateTimeOffset now,
        FarmZone zone,
        DateTimeOffset? dark
    )
    {
        var inUse = questions
            .Devices()
            .Where(d => d.Kept is { Gone: false, Use: DeviceUse.Panel })
            .Join(
                ponds.Where(p => p.Batches.Count > 0),
                d => d.Kept.PondId,
                p => p.Story.Pond.Id,
                (d, p) => (d.Kept, p.Story)
            );
        var panels = inUse
            .GroupBy(x => x.Story.Pond.Id)
            .ToDictionary(g => g.Key, g => Panel(g.First().Story, g.Max(x => heard.Of(x.Kept.DeviceId)), now));
        return (panels, AlarmRules.Power([.. panels.Values], now, zone, dark));
    }

    private static AlarmPanel Panel(PondStory story, DateTimeOffset heardAt, DateTimeOffset now)
    {
        var reports = story
            .AeratorsAt(now)
            .Select(a => story.Air.Report(a.Code))
            .OfType<(DateTimeOffset At, Core.Air.AeratorReported Fact)>();
        return new(
            story.Pond.Code,
            reports.Where(r => !r.Fact.Mains).Select(r => (DateTimeOffset?)r.At).Min(),
            heardAt
        );
    }

    // Power that is gone rings once for all: what each aerator does then is no news.
    private AlarmPond Pond(PondNow p, AlarmPanel? panel, DateTimeOffset now, IReadOnlyList<Alarm> open)
    {
        var (s, aerators, hour) = (p.Story, p.Story.AeratorsAt(now), TimeOnly.FromDateTime(p.Story.Zone.LocalAt(now)));
        List<Judgement> faults = panel is null
            ? []
            : [.. aerators.Select(a => Core.Air.AirFaults.Of(a.Code, s.Air, now, patience)).OfType<Judgement>()];
        if (panel is not null && AlarmRules.Silent(panel, now, s.Zone) is { } silent)
            faults = [silent];
        var oxygen = s.ReadingsOf[Parameter.Oxygen].Between(now - LastHours, now).ToList();
        var probe = questions.ProbeHealth(s.Pond.Id, now)?.Wrong ?? [];
        return new(
            s.Pond.Id,
            s.Pond.Code,
            s.Stock.LimitsOn(s.Zone.DayOf(now))!,
            oxygen,
            p.Tonight.Forecast,
            [.. aerators.Where(a => !a.Standby).Select(a => a.Code)],
            probe
        )
        {
            Running = [.. aerators.Where(a => s.Air.Ran(a.Code, now) ?? a.RunsAt(hour)).Select(a => a.Code)],
            // The electric one first, then what has an engine, the tractor last: it wants a driver.
            Standby =
            [
                .. aerators
                    .Where(a => a.Standby)
                    .OrderBy(a => a.Source == Core.Ponds.PowerSource.Tractor)
                    .Select(a => (a.Code, a.Source.ToString().ToLowerInvariant())),
            ],
            AirFaults = faults,
            Findings = [.. p.Verdict.Ringing],
            LethalMgL = p.Batches.Max(b => b.Batch.Species.LethalDoMgL),
            RingsSince = open.Where(a => a.PondId == s.Pond.Id)
                .GroupBy(a => a.Cause)
                .ToDictionary(g => g.Key, g => g.First().LouderAt),
            LastLookAt = s.Water.LastLookAt(now),
        };
    }
}
