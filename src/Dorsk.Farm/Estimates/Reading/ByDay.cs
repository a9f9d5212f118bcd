namespace Dorsk.Farm.Estimates;

/// <summary>One figure a farm day, worked out from what stands in order of time. When more is known, only days from the first change on are worked out anew.</summary>
/// <typeparam name="T">What it is worked out from.</typeparam>
internal sealed class ByDay<T>
    where T : struct, IEquatable<T>
{
    private readonly IReadOnlyList<T> source;
    private readonly T[] from;
    private readonly Dictionary<DateOnly, double> days;

    /// <summary>Works the days out.</summary>
    /// <param name="values">In order of time; a list that does not change.</param>
    /// <param name="dayOf">The farm day of a value; null for one that does not count.</param>
    /// <param name="figure">The figure of a day from its values.</param>
    /// <param name="before">The days as they were before the last values came, made by the same rules; null for none.</param>
    public static ByDay<T> Of(
        IReadOnlyList<T> values,
        Func<T, DateOnly?> dayOf,
        Func<IReadOnlyList<T>, double> figure,
        ByDay<T>? before = null
    ) => before is not null && ReferenceEquals(before.source, values) ? before : new(values, dayOf, figure, before);

    private ByDay(
        IReadOnlyList<T> values,
        Func<T, DateOnly?> dayOf,
        Func<IReadOnlyList<T>, double> figure,
        ByDay<T>? before
    )
    {
        source = values;
        from = new T[values.Count];
        for (var i = 0; i < from.Length; i++)
            from[i] = values[i];
        var same = before is null ? 0 : from.AsSpan().CommonPrefixLength(before.from);
        var first = FirstDay(from, same, dayOf);
        if (before is not null && FirstDay(before.from, same, dayOf) is var gone && gone < first)
            first = gone;
        // Values of the first day that moved may stand before the change, too.
        while (same > 0 && !(dayOf(from[same - 1]) < first))
            same--;
        days = before is null ? [] : before.days.Where(d => d.Key < first).ToDictionary();
        foreach (var day in from.Skip(same).GroupBy(dayOf).Where(g => g.Key >= first))
            days[day.Key!.Value] = figure([.. day]);
    }

    /// <summary>The figure of a day, or null.</summary>
    public double? On(DateOnly day) => days.TryGetValue(day, out var figure) ? figure : null;

    /// <summary>Days with a figure, in no order.</summary>
    public IReadOnlyDictionary<DateOnly, double> Days => days;

    private static DateOnly FirstDay(T[] values, int from, Func<T, DateOnly?> dayOf)
    {
        for (var i = from; i < values.Length; i++)
            if (dayOf(values[i]) is { } day)
                return day;
        return DateOnly.MaxValue;
    }
}
