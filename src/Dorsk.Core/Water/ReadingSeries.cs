using System.Collections;
using Dorsk.Core.Time;

namespace Dorsk.Core.Water;

/// <summary>Readings of one parameter in one water, in order of time. Nothing in it changes; what is looked for is found without walking it.</summary>
public sealed class ReadingSeries : IReadOnlyList<Timed>
{
    /// <summary>Nothing was ever read.</summary>
    public static readonly ReadingSeries Empty = new([]);

    private readonly Timed[] values;

    private ReadingSeries(Timed[] inOrder) => values = inOrder;

    /// <summary>A series of readings that may come in any order; those of one instant keep theirs.</summary>
    public static ReadingSeries Of(IEnumerable<Timed> readings)
    {
        Timed[] all = [.. readings];
        for (var i = 1; i < all.Length; i++)
            if (all[i].At < all[i - 1].At)
                return new([.. all.OrderBy(t => t.At)]);
        return all.Length == 0 ? Empty : new(all);
    }

    /// <inheritdoc/>
    public int Count => values.Length;

    /// <inheritdoc/>
    public Timed this[int index] => values[index];

    /// <summary>The newest reading, or null.</summary>
    public Timed? Last => values.Length == 0 ? null : values[^1];

    /// <summary>The newest reading that was taken by an instant, or null.</summary>
    public Timed? LastAt(DateTimeOffset at) => FirstAfter(at) is > 0 and var i ? values[i - 1] : null;

    /// <summary>The newest reading within a span before an instant, that instant included, or null.</summary>
    /// <param name="at">The instant.</param>
    /// <param name="span">How far back it may lie; a reading just so old is left out.</param>
    public Timed? LastWithin(DateTimeOffset at, TimeSpan span) =>
        LastAt(at) is { } last && last.At > at - span ? last : null;

    /// <summary>The reading nearest to an instant, at most so far from it; of two just as near the earlier; null without one.</summary>
    public Timed? Nearest(DateTimeOffset at, TimeSpan within) =>
        Between(at - within, at + within).Cast<Timed?>().MinBy(t => (t!.Value.At - at).Duration());

    /// <summary>Readings from one instant to another, both included.</summary>
    public ArraySegment<Timed> Between(DateTimeOffset from, DateTimeOffset to)
    {
        var (first, end) = (FirstFrom(from), FirstAfter(to));
        return new(values, first, Math.Max(0, end - first));
    }

    /// <summary>This series with more readings; those of one instant come after what stands there.</summary>
    public ReadingSeries With(IReadOnlyCollection<Timed> more)
    {
        if (more.Count == 0)
            return this;
        return new(InOrder.With(values, more, t => t.At));
    }

    /// <inheritdoc/>
    public IEnumerator<Timed> GetEnumerator() => ((IEnumerable<Timed>)values).GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => values.GetEnumerator();

    private int FirstFrom(DateTimeOffset at) => FirstWhere(t => t >= at);

    private int FirstAfter(DateTimeOffset at) => FirstWhere(t => t > at);

    private int FirstWhere(Func<DateTimeOffset, bool> holds)
    {
        var (low, high) = (0, values.Length);
        while (low < high)
        {
            var middle = (low + high) / 2;
            if (holds(values[middle].At))
                high = middle;
            else
                low = middle + 1;
        }
        return low;
    }
}
