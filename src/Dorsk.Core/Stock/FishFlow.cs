namespace Dorsk.Core.Stock;

/// <summary>A place where fish stand or end: an account, or a pond.</summary>
/// <param name="Account">The account.</param>
/// <param name="PondId">The pond, for ponds.</param>
public readonly record struct FlowPlace(Account Account, long? PondId);

/// <summary>Fish that went from one place to another.</summary>
/// <param name="From">From.</param>
/// <param name="To">To.</param>
/// <param name="Count">Fish; above 0.</param>
/// <param name="MassKg">Their mass as far as it was weighed, kg.</param>
public sealed record FlowLink(FlowPlace From, FlowPlace To, long Count, double MassKg);

/// <summary>All movements added up into a picture: what flowed from where to where. Every place gives out no more than came in; what a pond keeps stands there.</summary>
/// <param name="Links">Flows, the largest first.</param>
public sealed record FishFlow(IReadOnlyList<FlowLink> Links)
{
    /// <summary>Adds movements up. Postings stand in pairs of what goes out and what comes in, in their order.</summary>
    public static FishFlow Of(IEnumerable<Movement> movements)
    {
        var sums = new Dictionary<(FlowPlace From, FlowPlace To), (long Count, double Kg)>();
        foreach (var p in movements.SelectMany(m => m.Postings.Chunk(2)))
        {
            if (p is not [var a, var b] || a.Count == 0)
                continue;
            var (from, to) = a.Count < 0 ? (a, b) : (b, a);
            var key = (new FlowPlace(from.Account, from.PondId), new FlowPlace(to.Account, to.PondId));
            var now = sums.GetValueOrDefault(key);
            sums[key] = (now.Count + to.Count, now.Kg + (Math.Abs(to.MassG) / 1000));
        }
        return new([
            .. sums.Select(s => new FlowLink(s.Key.From, s.Key.To, s.Value.Count, s.Value.Kg))
                .OrderByDescending(l => l.Count),
        ]);
    }

    /// <summary>Fish that came to a place.</summary>
    public long Into(FlowPlace place) => Links.Where(l => l.To == place).Sum(l => l.Count);

    /// <summary>Fish that left it.</summary>
    public long OutOf(FlowPlace place) => Links.Where(l => l.From == place).Sum(l => l.Count);

    /// <summary>Fish that stand there.</summary>
    public long Stands(FlowPlace place) => Into(place) - OutOf(place);

    /// <summary>All places, in the order of accounts.</summary>
    public IReadOnlyList<FlowPlace> Places =>
        [.. Links.SelectMany(l => new[] { l.From, l.To }).Distinct().OrderBy(p => p.Account).ThenBy(p => p.PondId)];
}
