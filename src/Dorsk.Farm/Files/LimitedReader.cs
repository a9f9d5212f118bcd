namespace Dorsk.Farm.Files;

/// <summary>Reads text and refuses a line that is far longer than any list has, before it fills the memory.</summary>
/// <param name="inner">The text.</param>
/// <param name="longest">Most letters from one line end to the next.</param>
internal sealed class LimitedReader(TextReader inner, int longest) : TextReader
{
    private int since;
    private int line = 1;

    /// <inheritdoc/>
    public override int Peek() => inner.Peek();

    /// <inheritdoc/>
    public override int Read()
    {
        var c = inner.Read();
        if (c >= 0)
            Count([(char)c]);
        return c;
    }

    /// <inheritdoc/>
    public override int Read(char[] buffer, int index, int count)
    {
        var n = inner.Read(buffer, index, count);
        Count(buffer.AsSpan(index, n));
        return n;
    }

    /// <inheritdoc/>
    public override async Task<int> ReadAsync(char[] buffer, int index, int count)
    {
        var n = await inner.ReadAsync(buffer, index, count);
        Count(buffer.AsSpan(index, n));
        return n;
    }

    private void Count(ReadOnlySpan<char> letters)
    {
        foreach (var c in letters)
            if (c == '\n')
                (since, line) = (0, line + 1);
            else if (++since > longest)
                throw new FarmFilesException(
                    FormattableString.Invariant(
                        $"Line {line} of this file is longer than {longest:#,0} letters. It is no list; save the spreadsheet as CSV."
                    )
                );
    }

    /// <inheritdoc/>
    protected override void Dispose(bool disposing)
    {
        if (disposing)
            inner.Dispose();
        base.Dispose(disposing);
    }
}
