using Microsoft.Data.Sqlite;

namespace Dorsk.Farm;

/// <summary>What is wrong with the data file, in words that say what to do.</summary>
public static class BooksTrouble
{
    private const int Busy = 5,
        Locked = 6,
        ReadOnly = 8,
        InputOutput = 10,
        Damaged = 11,
        Full = 13,
        CannotOpen = 14,
        NoDatabase = 26;

    /// <summary>Words for a failure of the data file; null when the failure is of another kind.</summary>
    /// <param name="problem">The failure.</param>
    public static string? Words(Exception problem) =>
        Code(problem) switch
        {
            Full => "the disk is full: make room on it",
            ReadOnly => "the data file is read-only: give the program the right to write it",
            Busy or Locked => "the data file is held by another program: end that program",
            InputOutput => "the disk fails: copy the data folder to another disk now",
            CannotOpen => "the data file cannot be opened: look whether its disk is there",
            Damaged or NoDatabase => "the data file is damaged: restore the last backup",
            _ => null,
        };

    /// <summary>Whether the file is only held for a while by another writer.</summary>
    public static bool IsBusy(Exception problem) => Code(problem) is Busy or Locked;

    private static int? Code(Exception problem) =>
        problem switch
        {
            SqliteException sqlite => sqlite.SqliteErrorCode,
            AggregateException many => many.InnerExceptions.Select(Code).FirstOrDefault(c => c is not null),
            _ => problem.InnerException is { } inner ? Code(inner) : null,
        };
}
