using Dorsk.Core.Notebook;
using Dorsk.Core.People;
using Dorsk.Farm.Log;
using Dorsk.Farm.Notes;
using Dorsk.Farm.People;

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

    /// <summary>Steps of tasks that are signed for, in order of time, with the line of each.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, TaskSigned Fact)> TasksSigned()
    {
        using var c = file.Open();
        return PeopleFacts.Signed.Sound(c, AsOf.Now(DateTimeOffset.MaxValue)).ConvertAll(s => (s.Line, s.At, s.Fact));
    }

    /// <summary>Lines of the log that came from the notebook, the newest first.</summary>
    /// <param name="most">At most so many.</param>
    public IReadOnlyList<LogRow> NotesWritten(int most)
    {
        using var c = file.Open();
        return LogLines.Notes(c, AsOf.Now(DateTimeOffset.MaxValue), most);
    }
}
