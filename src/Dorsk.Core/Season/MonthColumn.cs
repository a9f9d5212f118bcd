namespace Dorsk.Core.Season;

/// <summary>One figure of one pond over the days of a month, as it stands on a month's sheet.</summary>
/// <param name="Days">Its value on each day, the first of the month first; null where nothing was written.</param>
public sealed record MonthColumn(IReadOnlyList<double?> Days)
{
    /// <summary>On how many days something was written.</summary>
    public int Written => Days.Count(d => d is not null);

    /// <summary>Sum of the days; 0 where nothing was written.</summary>
    public double Sum => Days.Sum() ?? 0;

    /// <summary>Mean of the days on which something was written; null where there was none.</summary>
    public double? Mean => Days.Average();

    /// <summary>Lowest of the days; null where nothing was written.</summary>
    public double? Lowest => Days.Min();

    /// <summary>Highest of the days; null where nothing was written.</summary>
    public double? Highest => Days.Max();

    /// <summary>A month from what is known of each day.</summary>
    /// <param name="month">Any day of the month.</param>
    /// <param name="valueOn">Value of a day; null where nothing was written.</param>
    public static MonthColumn Of(DateOnly month, Func<DateOnly, double?> valueOn) =>
        new([.. DaysOf(month).Select(valueOn)]);

    /// <summary>The days of a month, the first first.</summary>
    /// <param name="month">Any day of it.</param>
    public static IEnumerable<DateOnly> DaysOf(DateOnly month) =>
        Enumerable
            .Range(1, DateTime.DaysInMonth(month.Year, month.Month))
            .Select(d => new DateOnly(month.Year, month.Month, d));
}
