using Dorsk.Core.Judging;

namespace Dorsk.Core.Air;

/// <summary>One line about a pond's air.</summary>
/// <param name="At">When.</param>
/// <param name="By">Who wrote it.</param>
/// <param name="Fact">What.</param>
public readonly record struct AirLine(DateTimeOffset At, string By, Fact Fact);

/// <summary>Everything the books know of how a pond's aerators were switched, ran and were looked after. Where a panel reports, its reports say what ran; elsewhere what people wrote.</summary>
public sealed class AirRecord
{
    /// <summary>Nothing was ever written.</summary>
    public static readonly AirRecord None = new([]);

    private readonly Dictionary<string, List<(DateTimeOffset At, string By, AeratorSwitched Fact)>> hands;
    private readonly Dictionary<string, List<(DateTimeOffset At, AeratorReported Fact)>> reports;
    private readonly Dictionary<string, (DateTimeOffset At, AeratorCommanded Fact)> commands;

    /// <param name="lines">Lines in order of time.</param>
    public AirRecord(IReadOnlyList<AirLine> lines)
    {
        Lines = lines;
        Control = lines.Select(l => l.Fact).OfType<AirControlSet>().LastOrDefault();
        hands = lines
            .Where(l => l.Fact is AeratorSwitched)
            .Select(l => (l.At, l.By, Fact: (AeratorSwitched)l.Fact))
            .GroupBy(l => l.Fact.Code)
            .ToDictionary(g => g.Key, g => g.ToList());
        reports = lines
            .Where(l => l.Fact is AeratorReported)
            .Select(l => (l.At, Fact: (AeratorReported)l.Fact))
            .GroupBy(l => l.Fact.Code)
            .ToDictionary(g => g.Key, g => g.ToList());
        commands = lines
            .Where(l => l.Fact is AeratorCommanded)
            .Select(l => (l.At, Fact: (AeratorCommanded)l.Fact))
            .GroupBy(l => l.Fact.Code)
            .ToDictionary(g => g.Key, g => g.Last());
    }

    /// <summary>The lines, in order of time.</summary>
    public IReadOnlyList<AirLine> Lines { get; }

    /// <summary>How they switch by themselves; null when nobody ever set it.</summary>
    public AirControlSet? Control { get; }

    /// <summary>The hand order in force at an instant, or null.</summary>
    public (DateTimeOffset At, string By, AeratorSwitched Fact)? Hand(string code, DateTimeOffset at) =>
        hands.TryGetValue(code, out var all)
        && all.FindLastIndex(h => h.At <= at) is >= 0 and var i
        && all[i].Fact is { Order: not AirOrder.Release } order
        && !(order.Until <= at)
            ? all[i]
            : null;

    /// <summary>What a hand order has it do at an instant; null without one.</summary>
    public bool? HandAt(string code, DateTimeOffset at) =>
        Hand(code, at)?.Fact.Order is { } order ? order == AirOrder.On : null;

    /// <summary>The last command to its panel, or null.</summary>
    public (DateTimeOffset At, AeratorCommanded Fact)? Command(string code) =>
        commands.TryGetValue(code, out var c) ? c : null;

    /// <summary>The last report of its panel, or null.</summary>
    public (DateTimeOffset At, AeratorReported Fact)? Report(string code) =>
        reports.TryGetValue(code, out var all) ? all[^1] : null;

    /// <summary>Whether it ran at an instant that has passed, as far as that is known otherwise than by its timer.</summary>
    public bool? Ran(string code, DateTimeOffset at) =>
        reports.TryGetValue(code, out var all) && all.FindLastIndex(r => r.At <= at) is >= 0 and var i
            ? all[i].Fact.Running
            : HandAt(code, at);

    /// <summary>Spells in which it ran, by its panel, between two instants.</summary>
    public IEnumerable<(DateTimeOffset From, DateTimeOffset To)> Spells(
        string code,
        DateTimeOffset from,
        DateTimeOffset to
    )
    {
        if (!reports.TryGetValue(code, out var all))
            yield break;
        for (var i = 0; i < all.Count; i++)
        {
            var (begin, end) = (
                all[i].At > from ? all[i].At : from,
                i + 1 < all.Count && all[i + 1].At < to ? all[i + 1].At : to
            );
            if (all[i].Fact.Running && begin < end)
                yield return (begin, end);
        }
    }

    /// <summary>The last service of an aerator, or null.</summary>
    public (DateTimeOffset At, AeratorServiced Fact)? Service(string code) =>
        Lines.LastOrDefault(l => l.Fact is AeratorServiced s && s.Code == code) is { Fact: AeratorServiced found } line
            ? (line.At, found)
            : null;

    /// <summary>Steps in which an aerator was taken into use, oldest first.</summary>
    public IEnumerable<(DateTimeOffset At, AeratorTested Fact)> Tests(string code) =>
        Lines.Where(l => l.Fact is AeratorTested t && t.Code == code).Select(l => (l.At, (AeratorTested)l.Fact));
}
