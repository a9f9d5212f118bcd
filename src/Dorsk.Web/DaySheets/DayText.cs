using System.Globalization;

namespace Dorsk.Web.DaySheets;

/// <summary>Days and months in addresses.</summary>
public static class DayText
{
    /// <summary>A day, yyyy-MM-dd; another one where it is none or lies after the last.</summary>
    /// <param name="text">The text.</param>
    /// <param name="other">The other one.</param>
    /// <param name="last">The last day that may be asked for.</param>
    public static DateOnly Day(string? text, DateOnly other, DateOnly last) => Read(text, "yyyy-MM-dd", other, last);

    /// <summary>A month as its first day, yyyy-MM; that of today where it is none or still to come.</summary>
    /// <param name="text">The text.</param>
    /// <param name="today">The farm's day.</param>
    public static DateOnly Month(string? text, DateOnly today) =>
        Read(text, "yyyy-MM", new(today.Year, today.Month, 1), today);

    /// <summary>A day as it stands in an address.</summary>
    public static string Of(DateOnly day) => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    /// <summary>A month as it stands in an address.</summary>
    public static string OfMonth(DateOnly month) => month.ToString("yyyy-MM", CultureInfo.InvariantCulture);

    private static DateOnly Read(string? text, string form, DateOnly other, DateOnly last) =>
        DateOnly.TryParseExact(text, form, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
        && day <= last
        && day.Year > 1900
            ? day
            : other;
}
