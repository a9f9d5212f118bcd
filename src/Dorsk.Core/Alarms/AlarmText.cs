using Dorsk.Core.Units;

namespace Dorsk.Core.Alarms;

/// <summary>Texts of alarms: always short enough to be kept and sent, so that no alarm is lost because it had too much to say.</summary>
public static class AlarmText
{
    /// <summary>Most letters of an alarm's text.</summary>
    public const int Longest = 600;

    private const int LongestSubject = 120;

    /// <summary>A list between a beginning and an end. What does not fit is counted; the end, which says what to do, always stays.</summary>
    /// <param name="head">Beginning.</param>
    /// <param name="items">Parts, the most pressing first.</param>
    /// <param name="tail">End.</param>
    /// <param name="between">What stands between two parts.</param>
    public static string List(string head, IEnumerable<string> items, string tail, string between = "; ")
    {
        var all = items.ToList();
        for (var shown = all.Count; shown > 0; shown--)
        {
            var more = all.Count - shown;
            var text =
                head + string.Join(between, all.Take(shown)) + (more > 0 ? $"{between}and {more} more" : "") + tail;
            if (text.Length <= Longest)
                return Fit(text);
        }
        return Fit(head + $"{all.Count} faults" + tail);
    }

    /// <summary>A text cut to its room, with control codes taken out. Never empty.</summary>
    /// <param name="text">Any text.</param>
    public static string Fit(string text) =>
        PlainText.Line(text, Longest) is { Length: > 0 } line ? line : "An alarm without words.";

    /// <summary>Subject of the message about an alarm: how loud, and its first sentence. A decimal point ends no sentence, and thin spaces give way to plain ones: some phones print them as signs.</summary>
    /// <param name="alarm">The alarm.</param>
    public static string Subject(Alarm alarm) =>
        PlainText.Line(
            $"{(alarm.Level == Judging.Status.ActNow ? "Act now" : "Watch")}: {alarm.Text.Split(". ")[0].TrimEnd('.')}"
                .Replace('\u2009', ' ')
                .Replace('\u00a0', ' '),
            LongestSubject
        );

    /// <summary>The message about an alarm.</summary>
    /// <param name="alarm">The alarm.</param>
    /// <param name="list">Who is called.</param>
    /// <param name="step">Place on that list, from 0.</param>
    /// <param name="farm">Name of the farm.</param>
    public static string Message(Alarm alarm, CallListSet list, int step, string farm)
    {
        var before = step == 0 ? "" : $"Nobody before you has answered in {step * list.AfterMinutes} minutes. ";
        return $"{alarm.Text}\n\n{before}Answer it on the alarm page of {PlainText.Line(farm, LongestSubject)}, so that nobody else is called.";
    }
}
