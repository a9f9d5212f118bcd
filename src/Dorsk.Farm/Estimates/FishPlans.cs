using Dorsk.Core.Plans;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Estimates;

/// <summary>Which plans for fish to leave or to come nothing has answered yet.</summary>
public static class FishPlans
{
    /// <summary>Plans for standing fish to leave: each harvest or move after a plan was written answers the first of them.</summary>
    public static IReadOnlyList<(long Line, HarvestPlanned Fact)> OpenHarvests(PondFacts facts) =>
        [.. facts.Standing.SelectMany(b => OpenOf(facts, b))];

    /// <summary>Plans for fish to come: each batch that came after a plan was written answers the first of them.</summary>
    public static IReadOnlyList<(long Line, CyclePlanned Fact)> OpenCycles(PondFacts facts)
    {
        var open = facts.Plans.Cycles.OrderBy(p => p.Fact.StockOn).ToList();
        foreach (var b in facts.Batches.OrderBy(b => b.ArrivedAt))
            if (open.FindIndex(p => p.First < b.ArrivedAt) is >= 0 and var answered)
                open.RemoveAt(answered);
        return [.. open.Select(p => (p.Line, p.Fact))];
    }

    /// <summary>The next farm day, from a day on, on which fish are planned to leave: for the market, or for another pond; null when none is.</summary>
    public static DateOnly? FishedNext(PondFacts facts, DateOnly from) =>
        OpenHarvests(facts)
            .Select(h => h.Fact.On)
            .Concat(facts.Plans.ToOthers.Select(t => t.StockOn))
            .Where(on => on >= from)
            .Select(on => (DateOnly?)on)
            .Min();

    private static IEnumerable<(long, HarvestPlanned)> OpenOf(PondFacts facts, BatchStory b)
    {
        var mine = facts.Plans.Harvests.Where(h => h.Fact.BatchId == b.Id).OrderBy(h => h.Fact.On).ToList();
        foreach (var at in LeavingsOf(facts, b))
            if (mine.FindIndex(h => h.Fact.Count is not null && h.First < at) is >= 0 and var answered)
                mine.RemoveAt(answered);
        // One plan for the last day: the one written last.
        var last = mine.Where(h => h.Fact.Count is null).OrderBy(h => h.Line).LastOrDefault();
        return mine.Where(h => h.Fact.Count is not null || h.Line == last.Line).Select(h => (h.Line, h.Fact));
    }

    // Harvests, and moves on days without one.
    private static List<DateTimeOffset> LeavingsOf(PondFacts facts, BatchStory b)
    {
        var moved = b
            .Changes.Where(x => x is { Count: < 0, MeanG: not null })
            .Where(x => !b.Harvests.Any(h => facts.Zone.DayOf(h.At) == x.Day))
            .Select(x => facts.Zone.At(x.Day, new(23, 59)));
        return [.. b.Harvests.Select(h => h.At).Concat(moved).Order()];
    }
}
