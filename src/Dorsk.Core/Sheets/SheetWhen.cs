using System.Globalization;

namespace Dorsk.Core.Sheets;

/// <summary>Order of day and month where both are figures.</summary>
public enum DayOrder
{
    /// <summary>31/12/2026.</summary>
    DayFirst,

    /// <summary>12/31/2026.</summary>
    MonthFirst,
}

/// <summary>Dates and hours as spreadsheets write them. A date that can be read two ways is read as the sheet's order says, never guessed line by line.</summary>
public static class SheetWhen
{
    private static readonly string[] Hours =
    [
        "H:mm",
        "HH:mm",
        "H:mm:ss",
        "HH:mm:ss",
        "HHmm",
        "Hmm",
        "h:mm tt",
        "h:mm:ss tt",
        "h:mmtt",
        "h tt",
        "htt",
    ];
    private static readonly string[] Named =
    [
        "d-MMM-yyyy",
        "d MMM yyyy",
        "d MMMM yyyy",
        "d-MMM-yy",
        "MMM d yyyy",
        "MMM d, yyyy",
        "MMMM d, yyyy",
    ];

    /// <summary>Reads a day: year first, or in the sheet's order; years of two digits are of this century.</summary>
    public static bool TryDay(string text, DayOrder order, out DateOnly day)
    {
        day = default;
        var parts = text.Trim().Split('/', '-', '.');
        if (parts.Length != 3 || !parts.All(p => p.Length is >= 1 and <= 4 && p.All(char.IsAsciiDigit)))
            return DateOnly.TryParseExact(
                text.Trim(),
                Named,
                CultureInfo.InvariantCulture,
                DateTimeStyles.AllowWhiteSpaces,
                out day
            );
        var n = parts.Select(p => int.Parse(p, CultureInfo.InvariantCulture)).ToArray();
        var (y, m, d) =
            parts[0].Length == 4 ? (n[0], n[1], n[2])
            : order == DayOrder.DayFirst ? (n[2], n[1], n[0])
            : (n[2], n[0], n[1]);
        if (parts[0].Length != 4 && parts[2].Length == 2)
            y += 2000;
        if (y is < 1900 or > 2200 || m is < 1 or > 12 || d < 1 || d > DateTime.DaysInMonth(y, m))
            return false;
        day = new(y, m, d);
        return true;
    }

    /// <summary>Reads an hour: 06:10, 6.10, 0610, 6:10 am.</summary>
    public static bool TryHour(string text, out TimeOnly hour)
    {
        var plain = text.Trim()
            .Replace('.', ':')
            .ToUpperInvariant()
            .Replace("A:M:", "AM", StringComparison.Ordinal)
            .Replace("P:M:", "PM", StringComparison.Ordinal);
        return TimeOnly.TryParseExact(
            plain,
            Hours,
            CultureInfo.InvariantCulture,
            DateTimeStyles.AllowWhiteSpaces,
            out hour
        );
    }

    /// <summary>Parts "5/1/2027 06:10" and "2027-01-05T06:10:00" into day and hour; the hour is empty when there is none.</summary>
    public static (string Day, string Hour) Part(string text)
    {
        var plain = text.Trim();
        var cut = plain.IndexOf('T', StringComparison.Ordinal);
        if (cut is < 8 or > 10)
            // The hour is what stands behind the last blank before a colon or an am/pm; names of months have blanks of their own.
            cut = plain.IndexOf(':', StringComparison.Ordinal) is var colon and > 0
                ? plain.LastIndexOf(' ', colon)
                : -1;
        return cut < 0 ? (plain, "") : (plain[..cut].TrimEnd(' ', ','), plain[(cut + 1)..]);
    }

    /// <summary>The order that the days of a sheet prove; null when all of them can be read both ways.</summary>
    public static DayOrder? Proven(IEnumerable<string> days)
    {
        foreach (var day in days)
        {
            var parts = Part(day).Day.Split('/', '-', '.');
            if (
                parts.Length != 3
                || parts[0].Length == 4
                || !int.TryParse(parts[0], NumberStyles.None, CultureInfo.InvariantCulture, out var first)
                || !int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var second)
            )
                continue;
            if (first > 12)
                return DayOrder.DayFirst;
            if (second > 12)
                return DayOrder.MonthFirst;
        }
        return null;
    }
}
