using Dorsk.Core.Notebook;
using Dorsk.Farm.Log;
using Dorsk.Farm.Notes;

namespace Dorsk.Farm.Ask;

public sealed partial class Questions
{
    /// <summary>What stands before the text of a log line that came from the notebook.</summary>
    public const string NoteTyped = LogLines.NoteTyped;

    /// <summary>Lines of the notebook that wait to be mended, the oldest first.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, NoteKept Note)> NotesWaiting()
    {
        using var c = file.Open();
        return NoteBook.Waiting(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Lines of the log that came from the notebook, the newest first.</summary>
    /// <param name="most">At most so many.</param>
    public IReadOnlyList<LogRow> NotesWritten(int most)
    {
        using var c = file.Open();
        return LogLines.Notes(c, AsOf.Now(DateTimeOffset.MaxValue), most);
    }
}
