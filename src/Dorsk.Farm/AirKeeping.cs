using Dorsk.Core.Air;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;

namespace Dorsk.Farm;

/// <summary>A command to a panel.</summary>
/// <param name="Panel">The panel's name.</param>
/// <param name="Code">The aerator.</param>
/// <param name="On">Whether it is to run.</param>
public sealed record PanelCommand(string Panel, string Code, bool On);

/// <summary>When devices were last heard; kept in memory, and counted from the start of the program for those that were not.</summary>
/// <param name="clock">The farm clock.</param>
public sealed class Heard(TimeProvider clock)
{
    private readonly System.Collections.Concurrent.ConcurrentDictionary<long, DateTimeOffset> last = new();
    private readonly DateTimeOffset since = clock.GetUtcNow();

    /// <summary>A device was heard now.</summary>
    public void Note(long deviceId) => last[deviceId] = clock.GetUtcNow();

    /// <summary>When it was last heard; the start of the program when it was not.</summary>
    public DateTimeOffset Of(long deviceId) => Maybe(deviceId) ?? since;

    /// <summary>When it was last heard, or null.</summary>
    public DateTimeOffset? Maybe(long deviceId) => last.TryGetValue(deviceId, out var at) ? at : null;
}

/// <summary>Looks at every pond that has a panel, works out what each aerator should do, and says which commands are new. Writes through the door like anybody else.</summary>
/// <param name="door">The way in.</param>
/// <param name="questions">The answers.</param>
/// <param name="clock">The farm clock.</param>
public sealed class AirKeeping(Door door, Questions questions, TimeProvider clock)
{
    private const int UsualStaggerS = 10;
    private DateTimeOffset? lastStart;

    /// <summary>Writes down the commands that are due now and returns them; starts come one at a time, the pond with the least oxygen first.</summary>
    public IReadOnlyList<PanelCommand> Look()
    {
        var now = clock.GetUtcNow();
        var panels = Panels();
        if (panels.Count == 0)
            return [];
        var due = questions.Ponds().Where(p => panels.ContainsKey(p.Id)).Select(p => questions.Story(p.Code)!).SelectMany(s => Due(s, now)).ToList();
        var starts = due.Where(d => d.Wanted.On).OrderBy(d => d.Story.LastOf(Parameter.Oxygen)?.Si ?? 0).ToList();
        var commands = due.Where(d => !d.Wanted.On).Concat(AirControl.MayStart(starts, lastStart, starts.Count > 0 ? starts[0].Story.Air.Control?.StaggerS ?? UsualStaggerS : 0, now)).ToList();
        if (commands.Count == 0)
            return [];
        Must([.. commands.Select(d => new NewLine(now, new AeratorCommanded(d.Story.Pond.Id, d.Wanted.Code, d.Wanted.On, d.Wanted.Why), $"{d.Story.Pond.Code} {d.Wanted.Code} {(d.Wanted.On ? "on" : "off")}: {d.Wanted.Why}", null))]);
        if (commands.Exists(d => d.Wanted.On))
            lastStart = now;
        return [.. commands.Select(d => new PanelCommand(panels[d.Story.Pond.Id], d.Wanted.Code, d.Wanted.On))];
    }

    /// <summary>What every panel was last told: sent anew when it connects, or has not followed.</summary>
    public IReadOnlyList<PanelCommand> Standing()
    {
        var panels = Panels();
        return [.. questions.Ponds().Where(p => panels.ContainsKey(p.Id)).Select(p => questions.Story(p.Code)!).SelectMany(s => s.AeratorsAt(clock.GetUtcNow()).Select(a => (a, Told: s.Air.Command(a.Code)))
            .Where(x => x.Told is not null).Select(x => new PanelCommand(panels[s.Pond.Id], x.a.Code, x.Told!.Value.Fact.On)))];
    }

    /// <summary>Keeps what a panel reports, when it is new. Returns why it cannot be kept, or null.</summary>
    /// <param name="panel">The panel.</param>
    /// <param name="report">What it says of one aerator.</param>
    public string? Keep(DeviceKept panel, AeratorReported report)
    {
        var story = questions.Ponds().FirstOrDefault(p => p.Id == report.PondId) is { } pond ? questions.Story(pond.Code)! : null;
        if (story is null)
            return "its pond is laid up";
        if (report.SameAs(story.Air.Report(report.Code)?.Fact))
            return null;
        var now = clock.GetUtcNow();
        var receipt = door.Enter(Entry.Of(Guid.NewGuid(), panel.Name, now, report, FormattableString.Invariant($"{story.Pond.Code} {report.Code} {(report.Running ? "runs" : "stands")}{(report.CurrentA is { } a ? FormattableString.Invariant($", {a:0.0} A") : "")}{(report.Mains ? "" : ", no mains")}")));
        return receipt.Accepted ? null : receipt.Remarks[0].Text;
    }

    /// <summary>Switches an aerator for somebody. Returns why not, or null.</summary>
    public string? Switch(string pondCode, string author, string code, AirOrder order, DateTimeOffset? until)
    {
        if (questions.Ponds().FirstOrDefault(p => string.Equals(p.Code, pondCode, StringComparison.OrdinalIgnoreCase)) is not { } pond)
            return $"There is no pond {pondCode} in use.";
        var receipt = door.Enter(Entry.Of(Guid.NewGuid(), author, clock.GetUtcNow(), new AeratorSwitched(pond.Id, code, order, until), $"{pond.Code} {code} {(order switch { AirOrder.On => "on by hand", AirOrder.Off => "off by hand", _ => "back to its timer" })}"));
        return receipt.Accepted ? null : receipt.Remarks[0].Text;
    }

    /// <summary>Names of the panels in use, by their pond.</summary>
    public IReadOnlyDictionary<long, string> Panels() => questions.Devices().Where(d => d.Kept is { Gone: false, Use: DeviceUse.Panel, PondId: not null }).GroupBy(d => d.Kept.PondId!.Value).ToDictionary(g => g.Key, g => g.First().Kept.Name);

    private static IEnumerable<(PondStory Story, AirWanted Wanted)> Due(PondStory s, DateTimeOffset now)
    {
        var (sunrise, sunset) = s.SunOn(s.Zone.DayOf(now));
        return AirControl.Of(s.AeratorsAt(now), s.Air, s.LastOf(Parameter.Oxygen), now, now < sunrise || now > sunset, s.Zone)
            .Where(w => s.Air.Command(w.Code)?.Fact.On is var told && told != w.On).Select(w => (s, w));
    }

    private void Must(List<NewLine> lines)
    {
        var receipt = door.Enter(new Entry(Guid.NewGuid(), NightlyForecasts.Author, lines, []));
        if (!receipt.Accepted)
            throw new InvalidOperationException("A command was refused at the door: " + string.Join(" | ", receipt.Remarks.Select(r => r.Text)));
    }
}
