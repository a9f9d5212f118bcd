using System.Globalization;
using Dorsk.Core.Sheets;
using Dorsk.Core.Units;

namespace Dorsk.Core.Notebook;

/// <summary>Days and hours as notes write them: 06:10, 6:10pm, today, yesterday, Tue, 21 Jan, 2027-01-21, 21/1.</summary>
public sealed class NoteWhen(NoteFarm farm)
{
    private const int WeekDays = 7,
        NearDays = 183;
    private NoteWord? dayAt;
    private NoteWord? hourAt;

    /// <summary>The day that was said; null while none was.</summary>
    public DateOnly? Day { get; private set; }

    /// <summary>The hour that was said; null while none was.</summary>
    public TimeOnly? Hour { get; private set; }

    /// <summary>Day and hour from the front of a pasted message: they hold where the text says none.</summary>
    public DateTime? Stamp { get; init; }

    /// <summary>Whether a word is the hour or the day, or begins one. Never both a figure and an hour: an hour has a colon, or am or pm.</summary>
    /// <param name="words">The words.</param>
    /// <param name="i">Which.</param>
    public bool Is(IReadOnlyList<NoteWord> words, int i) => IsHour(words[i].Text) || DayOf(words, i, out _) is not null;

    /// <summary>Takes the day or the hour at a word.</summary>
    /// <param name="words">The words.</param>
    /// <param name="i">Which; behind it afterwards.</param>
    /// <returns>Why it does not hold; null where it does.</returns>
    public string? Take(IReadOnlyList<NoteWord> words, ref int i)
    {
        if (IsHour(words[i].Text))
        {
            if (Hour is not null)
                return "a second hour: write a line of its own for it";
            SheetWhen.TryHour(words[i].Text, out var hour);
            (Hour, hourAt) = (hour, words[i]);
            i++;
            return null;
        }
        var found = DayOf(words, i, out var length);
        if (found is not { } day)
            return "no day";
        if (Day is not null)
            return "a second day: write a line of its own for it";
        (Day, dayAt) = (day.Day, words[i]);
        i += length;
        return day.Problem;
    }

    /// <summary>Date and hour of the line, or the word that does not hold and why.</summary>
    public (DateTime At, NoteStop? Stop) At()
    {
        var day = Day ?? (Stamp is { } s ? DateOnly.FromDateTime(s) : DateOnly.FromDateTime(farm.Now));
        if (Hour is null && Day is not null && Day != DateOnly.FromDateTime(farm.Now))
            return (farm.Now, new(dayAt!.Value.At, dayAt.Value.Text, "say the hour too, such as yesterday 17:30"));
        var hour = Hour ?? (Stamp is { } t ? TimeOnly.FromDateTime(t) : TimeOnly.FromDateTime(farm.Now));
        var at = day.ToDateTime(hour);
        var word = hourAt ?? dayAt;
        return at > farm.Now.AddMinutes(5)
            ? (at, new(word?.At ?? 0, word?.Text ?? "", "that is still to come: name the day, such as yesterday 23:30"))
            : (at, null);
    }

    private static bool IsHour(string text)
    {
        var low = text.ToLowerInvariant();
        var said =
            low.Contains(':', StringComparison.Ordinal)
            || (
                (low.EndsWith("am", StringComparison.Ordinal) || low.EndsWith("pm", StringComparison.Ordinal))
                && low.Length > 2
            );
        return said && char.IsAsciiDigit(low[0]) && SheetWhen.TryHour(text, out _);
    }

    private (DateOnly Day, string? Problem)? DayOf(IReadOnlyList<NoteWord> words, int i, out int length)
    {
        length = 1;
        var today = DateOnly.FromDateTime(farm.Now);
        var low = words[i].Low;
        if (low is "today")
            return (today, null);
        if (low is "yesterday")
            return (today.AddDays(-1), null);
        if (Weekday(low) is { } week)
        {
            var back = (today.DayOfWeek - week + WeekDays) % WeekDays;
            return back == 0 ? (today, "today, or a week ago? Type today, or the date") : (today.AddDays(-back), null);
        }
        if (
            char.IsAsciiDigit(low[0])
            && i + 1 < words.Count
            && Month(words[i + 1].Low)
            && Named(words, i, today.Year) is { } named
        )
        {
            length = 2;
            return Near(named);
        }
        return low.Count(c => c == '-') == 2 || low.Contains('/', StringComparison.Ordinal)
            ? Figures(low, today)
            : null;
    }

    // A figure such as 3/16 of an inch is no day where its order forbids it.
    private (DateOnly, string?)? Figures(string low, DateOnly today)
    {
        var order = farm.Hand.System == UnitSystem.Us ? DayOrder.MonthFirst : DayOrder.DayFirst;
        if (SheetWhen.TryDay(low, order, out var day))
            return (day, null);
        return
            low.Count(c => c == '/') == 1
            && SheetWhen.TryDay($"{low}/{today.Year.ToString(CultureInfo.InvariantCulture)}", order, out var near)
            ? Near(near)
            : null;
    }

    private static DateOnly? Named(IReadOnlyList<NoteWord> words, int i, int year) =>
        SheetWhen.TryDay(
            string.Create(CultureInfo.InvariantCulture, $"{words[i].Text} {words[i + 1].Text} {year}"),
            DayOrder.DayFirst,
            out var day
        )
            ? day
            : null;

    // A day without a year is of the last half year; any other is asked back.
    private (DateOnly, string?) Near(DateOnly ofThisYear)
    {
        var today = DateOnly.FromDateTime(farm.Now);
        var day = ofThisYear <= today ? ofThisYear : ofThisYear.AddYears(-1);
        return (day, today.DayNumber - day.DayNumber <= NearDays ? null : "which year? Write it as 2026-12-24");
    }

    private static bool Month(string low) =>
        low.Length >= 3
        && CultureInfo.InvariantCulture.DateTimeFormat.MonthNames.Any(m =>
            m.Length > 0
            && (
                m.Equals(low, StringComparison.OrdinalIgnoreCase)
                || m[..3].Equals(low, StringComparison.OrdinalIgnoreCase)
            )
        );

    private static DayOfWeek? Weekday(string low) =>
        Enum.GetValues<DayOfWeek>()
            .Where(d =>
                low.Length >= 3
                && d.ToString().StartsWith(low, StringComparison.OrdinalIgnoreCase)
                && low is not "mond" and not "sund"
            )
            .Select(d => (DayOfWeek?)d)
            .FirstOrDefault();
}
