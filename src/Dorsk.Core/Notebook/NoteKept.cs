using Dorsk.Core.Judging;

namespace Dorsk.Core.Notebook;

/// <summary>A line of the notebook that was not understood: it is kept as it was written until somebody mends it or takes it back.</summary>
/// <param name="Text">The line.</param>
/// <param name="At">Place of the word at which it stopped making sense, from 0.</param>
/// <param name="Word">The word; empty at the end of the line.</param>
/// <param name="Why">What was expected.</param>
public sealed record NoteKept(string Text, int At, string Word, string Why) : Fact
{
    private const int Longest = 2000;

    /// <summary>Objections, named by the field.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Text.Length is 0 or > Longest)
            yield return Remark.Refuse("Text", $"1 to {Longest} letters.");
    }
}
