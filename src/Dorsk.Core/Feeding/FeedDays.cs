namespace Dorsk.Core.Feeding;

/// <summary>On which days fish are fed that are not fed every day: in cold water they digest for days.</summary>
public static class FeedDays
{
    private const int Week = 7;

    /// <summary>Days before a day that decide whether it is one of feed.</summary>
    public const int DaysBack = Week - 1;

    /// <summary>Whether a day is one without feed: they were fed often enough in the last days, or too lately.</summary>
    /// <param name="perWeek">Days a week with feed, 0 to 7.</param>
    /// <param name="day">The day.</param>
    /// <param name="fed">Days on which they were fed.</param>
    public static bool IsRest(int perWeek, DateOnly day, IEnumerable<DateOnly> fed)
    {
        if (perWeek >= Week)
            return false;
        if (perWeek <= 0)
            return true;
        var lately = fed.Where(d => d < day && d > day.AddDays(-Week)).Distinct().ToList();
        if (lately.Count >= perWeek)
            return true;
        // Spread over the week: with three days a week, not on two days running.
        return lately.Count > 0 && day.DayNumber - lately.Max().DayNumber < Week / perWeek;
    }

    /// <summary>What a week's feed is of seven days' feed, 0 to 1.</summary>
    public static double ShareOfWeek(int perWeek) => Math.Clamp(perWeek, 0, Week) / (double)Week;
}
