namespace Dorsk.Core.Water;

/// <summary>A month of this year beside the same month of the years before.</summary>
/// <param name="Month">1 to 12.</param>
/// <param name="NowSi">Mean of this year's days, SI.</param>
/// <param name="BeforeSi">Mean of the same month in the years before, SI.</param>
/// <param name="Years">How many years before have it.</param>
public sealed record YearDifference(int Month, double NowSi, double BeforeSi, int Years)
{
    /// <summary>This year less the years before, SI.</summary>
    public double Si => NowSi - BeforeSi;

    /// <summary>Months that were read in the twelve months up to a day and in a year before; in order of time, the last of them last.</summary>
    /// <param name="days">One value a day, in order.</param>
    /// <param name="today">The day.</param>
    public static IReadOnlyList<YearDifference> Of(IReadOnlyList<DayValue> days, DateOnly today)
    {
        var first = new DateOnly(today.Year, today.Month, 1).AddMonths(-11);
        var found = new List<YearDifference>();
        for (var i = 0; i < 12; i++)
        {
            var month = first.AddMonths(i);
            var same = days.Where(d => d.Day.Month == month.Month).ToLookup(d => d.Day.Year == month.Year);
            // A year counts as much as another, however often it was read.
            var years = same[false]
                .Where(d => d.Day < month)
                .GroupBy(d => d.Day.Year)
                .Select(g => g.Average(d => d.Si));
            if (same[true].Any() && years.ToList() is { Count: > 0 } before)
                found.Add(new(month.Month, same[true].Average(d => d.Si), before.Average(), before.Count));
        }
        return found;
    }
}
