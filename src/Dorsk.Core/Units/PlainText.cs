using System.Text;

namespace Dorsk.Core.Units;

/// <summary>Text from outside on its way to a log, a mail or an alarm: one line, without control codes, of bounded length.</summary>
public static class PlainText
{
    /// <summary>One line of at most so many letters; control codes, line ends and marks that turn the direction of writing become blanks.</summary>
    /// <param name="text">Any text; null is empty.</param>
    /// <param name="longest">Most letters, 2 or more.</param>
    public static string Line(string? text, int longest)
    {
        var line = new StringBuilder(Math.Min(text?.Length ?? 0, longest));
        foreach (var c in text ?? "")
        {
            if (line.Length == longest)
                break;
            line.Append(Bad(c) ? ' ' : c);
        }
        if (line.Length > 0 && text!.Length > longest)
            line[^1] = '…';
        return line.ToString().Trim();
    }

    // A half of a letter pair that was cut, and marks that turn the direction of writing, are as bad as control codes.
    private static bool Bad(char c) =>
        char.IsControl(c)
        || char.IsSurrogate(c)
        || c is >= '\u2028' and <= '\u202e' or >= '\u2066' and <= '\u2069' or '\ufeff';
}
