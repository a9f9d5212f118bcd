namespace Dorsk.Core.Time;

/// <summary>Lists in order of time that grow at their end: putting a new line in costs no sorting of what stands there.</summary>
public static class InOrder
{
    /// <summary>A list in order with more items in their places; those of one instant come after what stands there.</summary>
    /// <param name="known">The list, in order.</param>
    /// <param name="more">More items, in any order.</param>
    /// <param name="at">The instant of an item.</param>
    public static T[] With<T>(IReadOnlyList<T> known, IEnumerable<T> more, Func<T, DateTimeOffset> at)
    {
        T[] all = [.. known, .. more.OrderBy(at)];
        for (var i = known.Count; i < all.Length; i++)
        {
            var (item, place) = (all[i], i);
            for (; place > 0 && at(all[place - 1]) > at(item); place--)
                all[place] = all[place - 1];
            all[place] = item;
        }
        return all;
    }
}
