namespace Dorsk.Core.Health;

/// <summary>A barrier that stands at a pond.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Since">Day it was put up.</param>
/// <param name="LookedOver">Day it was last looked over, mended or put up.</param>
/// <param name="IsBroken">Whether it was found open and not mended since.</param>
/// <param name="CostMinor">What it cost till now with its mends, in the smallest unit of the currency.</param>
public sealed record StandingBarrier(
    BarrierKind Kind,
    DateOnly Since,
    DateOnly LookedOver,
    bool IsBroken,
    long CostMinor
)
{
    /// <summary>Day it is due to be looked over.</summary>
    public DateOnly Due => LookedOver.AddDays(Kind.EveryDays);

    /// <summary>The barriers that stand, from all that was done to them.</summary>
    /// <param name="done">What was done, in order of time.</param>
    public static IReadOnlyList<StandingBarrier> Of(IEnumerable<(DateOnly Day, BarrierChecked Fact)> done)
    {
        var standing = new Dictionary<string, StandingBarrier>();
        foreach (var (day, fact) in done)
        {
            if (BarrierKind.Find(fact.Kind) is not { } kind)
                continue;
            var cost = fact.CostMinor ?? 0;
            if (fact.Work == BarrierWork.TakenDown)
                standing.Remove(fact.Kind);
            else if (standing.GetValueOrDefault(fact.Kind) is { } before)
                standing[fact.Kind] = before with
                {
                    LookedOver = day,
                    IsBroken = fact.Work == BarrierWork.Broken,
                    CostMinor = before.CostMinor + cost,
                };
            else if (fact.Work == BarrierWork.PutUp)
                standing[fact.Kind] = new(kind, day, day, false, cost);
        }
        return [.. standing.Values.OrderBy(b => b.Due)];
    }

    /// <summary>Predators of a list that no sound barrier keeps off, with the barriers that would.</summary>
    /// <param name="seen">Keys of predators that were seen.</param>
    /// <param name="standing">What stands.</param>
    public static IEnumerable<(Hunter Hunter, IReadOnlyList<BarrierKind> Help)> Open(
        IEnumerable<string> seen,
        IReadOnlyList<StandingBarrier> standing
    ) =>
        from key in seen.Distinct()
        where !standing.Any(b => !b.IsBroken && b.Kind.Against.Contains(key))
        let hunter = Hunter.Find(key)
        where hunter is not null
        select (hunter, (IReadOnlyList<BarrierKind>)[.. BarrierKind.Helping(key)]);
}
