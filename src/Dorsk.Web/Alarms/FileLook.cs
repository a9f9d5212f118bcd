using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;

namespace Dorsk.Web.Alarms;

/// <summary>Looks the data file through soon after the start and every week: rows that cannot be, and damaged pages, become an alarm that names them.</summary>
/// <param name="file">The farm's data file.</param>
/// <param name="questions">Told which ponds are not to be trusted.</param>
/// <param name="log">The program's log.</param>
public sealed class FileLook(FarmFile file, Questions questions, ILogger<FileLook> log) : BackgroundService
{
    private static readonly TimeSpan AfterStart = TimeSpan.FromSeconds(60),
        NotSooner = TimeSpan.FromSeconds(30),
        Again = TimeSpan.FromDays(7);

    private long lineAtLook,
        lookedAt;
    private Task again = Task.CompletedTask;

    /// <summary>What was found last; empty while the file is sound.</summary>
    public IReadOnlyList<BadRow> Found { get; private set; } = [];

    /// <summary>The alarm of it; null while the file is sound. Where lines were taken back meanwhile it looks again.</summary>
    public AlarmRaised? Alarm()
    {
        // Beside the watch, and not too often: a look over a large file takes its time.
        if (
            Found.Count > 0
            && again.IsCompleted
            && TimeProvider.System.GetElapsedTime(lookedAt) > NotSooner
            && questions.LastLine() != lineAtLook
        )
            again = Task.Run(Round);
        return Words();
    }

    private AlarmRaised? Words() =>
        Found.Count == 0
            ? null
            : new(
                0,
                null,
                AlarmCause.BooksDamaged,
                Status.ActNow,
                AlarmText.List(
                    "The data file holds what cannot be: ",
                    Found.Select(b => b.ToString()),
                    ". Take back or correct these lines in the log; where the file itself is damaged, restore the last backup."
                )
            );

    /// <summary>One look.</summary>
    public void Round()
    {
        try
        {
            (lineAtLook, lookedAt) = (questions.LastLine(), TimeProvider.System.GetTimestamp());
            Found = Integrity.Look(file, pages: Found.All(b => b.Table == "file"));
            questions.Distrust(
                Found
                    .Where(b => b.Line is not null)
                    .GroupBy(b => b.Line!.Value)
                    .ToDictionary(g => g.Key, g => g.First().ToString())
            );
        }
        catch (Exception problem)
        {
            Found = [new("file", null, "", BooksTrouble.Words(problem) ?? problem.Message)];
            log.LogError(problem, "The data file could not be looked through.");
        }
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await Task.Delay(AfterStart, stoppingToken);
        using var timer = new PeriodicTimer(Again);
        do await Task.Run(Round, stoppingToken);
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }
}
