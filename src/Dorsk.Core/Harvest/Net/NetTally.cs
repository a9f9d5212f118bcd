using Dorsk.Core.Judging;

namespace Dorsk.Core.Harvest;

/// <summary>Fish of one kind in a tally.</summary>
/// <param name="Kg">Their mass without baskets, kg.</param>
/// <param name="Count">How many: counted, or mass by the mean of counted baskets.</param>
/// <param name="Baskets">Baskets.</param>
public readonly record struct NetSum(double Kg, double Count, int Baskets);

/// <summary>A basket with its line.</summary>
/// <param name="Line">Its line in the log.</param>
/// <param name="At">When it was weighed.</param>
/// <param name="By">Who weighed it.</param>
/// <param name="Weighed">The basket.</param>
public readonly record struct BasketLine(long Line, DateTimeOffset At, string By, BasketWeighed Weighed);

/// <summary>A day of fishing as it was tallied.</summary>
/// <param name="At">When it began.</param>
/// <param name="Begun">How it began.</param>
/// <param name="Baskets">Baskets in order of time.</param>
/// <param name="Notes">Notes in order of time.</param>
/// <param name="Closes">Lines at which the tally was closed, in order.</param>
public sealed record NetTally(
    DateTimeOffset At,
    NetDayBegun Begun,
    IReadOnlyList<BasketLine> Baskets,
    IReadOnlyList<(DateTimeOffset At, NetNoted Noted)> Notes,
    IReadOnlyList<long> Closes
)
{
    /// <summary>What was said at the last close; null while it is open.</summary>
    public NetDayClosed? Close { get; init; }

    private static readonly TimeSpan ReadingSpeaks = TimeSpan.FromHours(2);

    /// <summary>Fish wait so long for ice at most: longer, and they spoil from the gut. Starting value.</summary>
    public static readonly TimeSpan IceWithin = TimeSpan.FromMinutes(30);

    /// <summary>Baskets that stand in no ledger yet.</summary>
    public IReadOnlyList<BasketLine> Waiting => [.. Baskets.Where(b => b.Line > (Closes.Count > 0 ? Closes[^1] : 0))];

    /// <summary>Whether something is still to be written into the ledger, or nothing was yet.</summary>
    public bool IsOpen => Closes.Count == 0 || Waiting.Count > 0;

    /// <summary>Mean weight by counted baskets, g; what was expected where none was counted.</summary>
    /// <param name="of">The baskets.</param>
    public double MeanG(IEnumerable<BasketLine> of)
    {
        var counted = of.Where(b => b.Weighed.Count is > 0).ToList();
        return counted.Count > 0
            ? 1000 * counted.Sum(b => b.Weighed.NetKg) / counted.Sum(b => b.Weighed.Count!.Value)
            : Begun.MeanG;
    }

    /// <summary>Sum of baskets: counted fish as counted, the others by the mean of their own fate and size, else of all.</summary>
    /// <param name="of">The baskets.</param>
    public NetSum Sum(IEnumerable<BasketLine> of)
    {
        var all = of.ToList();
        var mean = MeanG(Baskets);
        var groups = Baskets
            .GroupBy(b => (b.Weighed.Fate, b.Weighed.ClassFromG))
            .ToDictionary(g => g.Key, g => g.Any(b => b.Weighed.Count is > 0) ? MeanG(g) : mean);
        return new(
            all.Sum(b => b.Weighed.NetKg),
            all.Sum(b => b.Weighed.Count ?? (1000 * b.Weighed.NetKg / groups[(b.Weighed.Fate, b.Weighed.ClassFromG)])),
            all.Count
        );
    }

    /// <summary>Sum of a fate.</summary>
    public NetSum Of(NetFate fate) => Sum(Baskets.Where(b => b.Weighed.Fate == fate));

    /// <summary>Fish that left the pond.</summary>
    public NetSum Taken => Sum(Baskets.Where(b => b.Weighed.Fate != NetFate.Returned));

    /// <summary>What each pull took out, in order of the pulls.</summary>
    public IReadOnlyList<(int Pull, NetSum Taken, string Missed)> Pulls =>
        [
            .. Baskets
                .Select(b => b.Weighed.Pull)
                .Concat(Notes.Where(n => n.Noted.Event == NetEvent.PullDone).Select(n => n.Noted.Pull))
                .Distinct()
                .Order()
                .Select(p =>
                    (
                        p,
                        Sum(Baskets.Where(b => b.Weighed.Pull == p && b.Weighed.Fate != NetFate.Returned)),
                        string.Join(
                            ", ",
                            Notes.Where(n => n.Noted.Pull == p && n.Noted.Missed.Length > 0).Select(n => n.Noted.Missed)
                        )
                    )
                ),
        ];

    /// <summary>The pull that is on: one more than the last that is over.</summary>
    public int PullNow =>
        Math.Max(
            Baskets.Select(b => b.Weighed.Pull).DefaultIfEmpty(1).Max(),
            1 + Notes.Where(n => n.Noted.Event == NetEvent.PullDone).Select(n => n.Noted.Pull).DefaultIfEmpty(0).Max()
        );

    /// <summary>What is left by falling pulls; a pull that fish got away from is not like the others, and nothing can be told.</summary>
    public RemovalEstimate Left =>
        Pulls.FirstOrDefault(p => p.Missed.Length > 0) is { Missed: { } missed } odd
            ? RemovalEstimate.Untold(
                (int)Math.Round(Taken.Count),
                $"pull {odd.Pull} lost fish {missed}: the pulls are not alike"
            )
            : RemovalEstimate.Of([.. Pulls.Select(p => (int)Math.Round(p.Taken.Count))]);

    /// <summary>What another pull is likely to bring, fish, with its interval; null where the pulls cannot tell.</summary>
    public Interval? NextPull =>
        Left is { Left: { } left, Catchability: { } share }
            ? new(left.Value * share, left.Low * share, left.High * share, RemovalEstimate.Level)
            : null;

    /// <summary>Minutes from the scale to the ice: longest and mean of those iced, and since when the oldest waits; null where there are none.</summary>
    /// <param name="now">The instant.</param>
    public (double? LongestMin, double? MeanMin, DateTimeOffset? WaitsSince) Ice(DateTimeOffset now)
    {
        var iced = Notes.Where(n => n.Noted.Event == NetEvent.Iced).Select(n => n.At).ToList();
        var taken = Baskets.Where(b => b.Weighed.Fate == NetFate.OnIce && b.At <= now).ToList();
        var minutes = taken
            .Where(b => iced.Exists(i => i >= b.At))
            .Select(b => (iced.First(i => i >= b.At) - b.At).TotalMinutes)
            .ToList();
        var waits = taken.Where(b => !iced.Exists(i => i >= b.At)).Select(b => (DateTimeOffset?)b.At).Min();
        return (
            minutes.Count > 0 ? minutes.Max() : null,
            minutes.Count > 0 ? minutes.Average() : null,
            Closes.Count > 0 ? null : waits
        );
    }

    /// <summary>The last oxygen read among fish that are still in the net; null for none.</summary>
    /// <param name="now">The instant.</param>
    public (DateTimeOffset At, NetNoted Noted)? Crowd(DateTimeOffset now)
    {
        if (Closes.Count > 0)
            return null;
        var last = Notes.LastOrDefault(n => n.Noted.Event is NetEvent.Read or NetEvent.PullDone && n.At <= now);
        return last.Noted is { Event: NetEvent.Read } && now - last.At <= ReadingSpeaks ? last : null;
    }
}
