using System.Collections.Concurrent;
using Dorsk.Core.Air;
using Dorsk.Core.Ponds;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;

namespace Dorsk.Farm;

/// <summary>A command to a panel.</summary>
/// <param name="Panel">The panel's name.</param>
/// <param name="Code">The aerator.</param>
/// <param name="On">Whether it is to run.</param>
public sealed record PanelCommand(string Panel, string Code, bool On);

/// <summary>
/// Looks at every pond that has a panel, works out what each aerator should do, and says which commands are new. Each pond by itself: one
/// that fails holds no other's air back, and air is commanded even while nothing can be written.
/// </summary>
/// <param name="door">The way in.</param>
/// <param name="questions">The answers.</param>
/// <param name="clock">The farm clock.</param>
public sealed class AirKeeping(Door door, Questions questions, TimeProvider clock)
{
    private const int UsualStaggerS = 10;
    private readonly ConcurrentDictionary<(long Pond, string Code), bool> unwritten = new();
    private DateTimeOffset? lastStart;

    /// <summary>Told of failures that are not of people's making, for the program's log.</summary>
    public Action<Exception, string> Failed { get; set; } = (_, _) => { };

    /// <summary>Writes down the commands that are due now and returns them; starts come one at a time, the pond with the least oxygen first.</summary>
    public IReadOnlyList<PanelCommand> Look()
    {
        var now = clock.GetUtcNow();
        var panels = Panels();
        var due = Stories(panels).SelectMany(s => Safely(s, () => Due(s, now).ToList())).ToList();
        var starts = due.Where(d => d.Wanted.On).OrderBy(d => d.Story.LastOf(Parameter.Oxygen)?.Si ?? 0).ToList();
        var stagger = starts.Count > 0 ? starts[0].Story.Air.Control?.StaggerS ?? UsualStaggerS : 0;
        var commands = due.Where(d => !d.Wanted.On)
            .Concat(AirControl.MayStart(starts, lastStart, stagger, now))
            .ToList();
        foreach (var (story, wanted) in commands)
            Write(story.Pond, wanted, now);
        if (commands.Exists(d => d.Wanted.On))
            lastStart = now;
        return [.. commands.Select(d => new PanelCommand(panels[d.Story.Pond.Id], d.Wanted.Code, d.Wanted.On))];
    }

    /// <summary>What every panel was last told: sent anew when it connects, or has not followed.</summary>
    public IReadOnlyList<PanelCommand> Standing()
    {
        var (panels, now) = (Panels(), clock.GetUtcNow());
        return
        [
            .. Stories(panels)
                .SelectMany(s =>
                    Safely(s, () =>
                        s.AeratorsAt(now)
                            .Select(a => (a.Code, On: Told(s, a.Code)))
                            .Where(x => x.On is not null)
                            .Select(x => new PanelCommand(panels[s.Pond.Id], x.Code, x.On!.Value))
                            .ToList()
                    )
                ),
        ];
    }

    /// <summary>Keeps what a panel reports, when it is new. Returns why it cannot be kept, or null.</summary>
    /// <param name="panel">The panel.</param>
    /// <param name="report">What it says of one aerator.</param>
    public string? Keep(DeviceKept panel, AeratorReported report)
    {
        if (questions.Ponds().FirstOrDefault(p => p.Id == report.PondId) is not { } pond)
            return "its pond is laid up";
        var story = questions.Story(pond.Code)!;
        if (report.SameAs(story.Air.Report(report.Code)?.Fact))
            return null;
        var current = report.CurrentA is { } a ? FormattableString.Invariant($", {a:0.0} A") : "";
        var words =
            $"{pond.Code} {report.Code} {(report.Running ? "runs" : "stands")}{current}{(report.Mains ? "" : ", no mains")}";
        var receipt = door.Enter(Entry.Of(Guid.NewGuid(), panel.Name, clock.GetUtcNow(), report, words));
        return receipt.Accepted ? null : receipt.Remarks[0].Text;
    }

    /// <summary>Switches an aerator for somebody. Returns why not, or null.</summary>
    public string? Switch(string pondCode, string author, string code, AirOrder order, DateTimeOffset? until)
    {
        if (
            questions.Ponds().FirstOrDefault(p => string.Equals(p.Code, pondCode, StringComparison.OrdinalIgnoreCase))
            is not { } pond
        )
            return $"There is no pond {pondCode} in use.";
        var words = order switch
        {
            AirOrder.On => "on by hand",
            AirOrder.Off => "off by hand",
            _ => "back to its timer",
        };
        var receipt = door.Enter(
            Entry.Of(
                Guid.NewGuid(),
                author,
                clock.GetUtcNow(),
                new AeratorSwitched(pond.Id, code, order, until),
                $"{pond.Code} {code} {words}"
            )
        );
        return receipt.Accepted ? null : receipt.Remarks[0].Text;
    }

    /// <summary>Names of the panels in use, by their pond.</summary>
    public IReadOnlyDictionary<long, string> Panels() =>
        questions
            .Devices()
            .Where(d => d.Kept is { Gone: false, Use: DeviceUse.Panel, PondId: not null })
            .GroupBy(d => d.Kept.PondId!.Value)
            .ToDictionary(g => g.Key, g => g.First().Kept.Name);

    private IEnumerable<PondStory> Stories(IReadOnlyDictionary<long, string> panels) =>
        panels.Count == 0 ? [] : questions.Stories(p => panels.ContainsKey(p.Id));

    private List<T> Safely<T>(PondStory story, Func<List<T>> part)
    {
        try
        {
            return part();
        }
        catch (Exception problem)
        {
            Failed(problem, $"The aerators of {story.Pond.Code} could not be looked after; it is tried again.");
            return [];
        }
    }

    private IEnumerable<(PondStory Story, AirWanted Wanted)> Due(PondStory s, DateTimeOffset now)
    {
        var (sunrise, sunset) = s.SunOn(s.Zone.DayOf(now));
        return AirControl
            .Of(s.AeratorsAt(now), s.Air, s.LastOf(Parameter.Oxygen), now, now < sunrise || now > sunset, s.Zone)
            .Where(w => Told(s, w.Code) != w.On)
            .Select(w => (s, w));
    }

    private bool? Told(PondStory s, string code) =>
        unwritten.TryGetValue((s.Pond.Id, code), out var on) ? on : s.Air.Command(code)?.Fact.On;

    private void Write(Pond pond, AirWanted wanted, DateTimeOffset now)
    {
        unwritten[(pond.Id, wanted.Code)] = wanted.On;
        try
        {
            var fact = new AeratorCommanded(pond.Id, wanted.Code, wanted.On, wanted.Why);
            var receipt = door.Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    NightlyForecasts.Author,
                    now,
                    fact,
                    $"{pond.Code} {wanted.Code} {(wanted.On ? "on" : "off")}: {wanted.Why}"
                )
            );
            if (receipt.Accepted)
                unwritten.TryRemove((pond.Id, wanted.Code), out _);
            else
                Failed(
                    new InvalidOperationException(string.Join(" | ", receipt.Remarks.Select(r => r.Text))),
                    "A command was refused at the door; it is given all the same."
                );
        }
        catch (Exception problem)
        {
            Failed(problem, "A command could not be written; it is given all the same.");
        }
    }
}
