namespace Dorsk.Core.Notebook;

/// <summary>A word of a line.</summary>
/// <param name="At">Its place in the line, from 0.</param>
/// <param name="Text">As written, without the signs behind it.</param>
public readonly record struct NoteWord(int At, string Text)
{
    /// <summary>In lower case.</summary>
    public string Low => Text.ToLowerInvariant();
}

/// <summary>Parts a line into words.</summary>
public static class NoteWords
{
    /// <summary>Words between blanks, without commas, semicolons and full stops behind them; a name before a colon or an equals sign and the figure behind it are two words, and so are a name and a figure written together.</summary>
    /// <param name="line">The line.</param>
    /// <param name="from">Where the words begin.</param>
    /// <param name="isName">Whether a word, lower case, names something that a figure follows.</param>
    public static IReadOnlyList<NoteWord> Of(string line, int from, Func<string, bool> isName)
    {
        List<NoteWord> words = [];
        for (var i = from; i < line.Length; )
        {
            if (char.IsWhiteSpace(line[i]))
            {
                i++;
                continue;
            }
            var end = i;
            while (end < line.Length && !char.IsWhiteSpace(line[end]))
                end++;
            var text = line[i..end].TrimEnd(',', ';', '.', '!');
            if (text.Length > 0)
                words.AddRange(Parted(new(i, text), isName));
            i = end;
        }
        return words;
    }

    private static IEnumerable<NoteWord> Parted(NoteWord word, Func<string, bool> isName)
    {
        for (var cut = word.Text.Length - 1; cut > 0; cut--)
        {
            if (!isName(word.Low[..cut]) || isName(word.Low))
                continue;
            var sign = word.Text[cut] is ':' or '=' ? 1 : 0;
            var rest = word.Text[(cut + sign)..];
            if (rest.Length > 0 && !char.IsAsciiDigit(rest[0]) && rest[0] is not ('-' or '.' or ','))
                continue;
            return rest.Length == 0
                ? [word with { Text = word.Text[..cut] }]
                : [word with { Text = word.Text[..cut] }, new(word.At + cut + sign, rest)];
        }
        return [word];
    }
}
