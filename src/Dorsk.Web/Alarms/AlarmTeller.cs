using System.Collections.Concurrent;
using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Farm;

namespace Dorsk.Web.Alarms;

/// <summary>Has people told of alarms. Each message goes by itself, with a time limit; one that fails is tried again after a while and holds no other back.</summary>
/// <param name="watch">Says who is to be told.</param>
/// <param name="post">Sends.</param>
/// <param name="log">The program's log.</param>
public sealed class AlarmTeller(AlarmWatch watch, AlarmPost post, ILogger<AlarmTeller> log) : BackgroundService
{
    private const int AtOnce = 8;
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(1),
        LongestWait = TimeSpan.FromMinutes(1);
    private readonly ConcurrentDictionary<Message, Try> under = new();
    private readonly SemaphoreSlim room = new(AtOnce);
    private readonly Lock gate = new();

    // An alarm may change its number while a message about it is under way: it is known by what it is about.
    private readonly record struct Message(long? Pond, AlarmCause Cause, Status Level, int Step, string Address);

    private sealed record Try(Task Work, int Failures, long Stamp);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Look);
        while (await timer.WaitForNextTickAsync(stoppingToken))
            try
            {
                _ = Begin(at: false, stoppingToken);
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                log.LogError(problem, "People could not be told of alarms; it is tried again.");
            }
    }

    /// <summary>One look, and all messages that are due, waited for.</summary>
    public Task Round(CancellationToken stop)
    {
        watch.Look();
        return Task.WhenAll(Begin(at: true, stop));
    }

    /// <summary>Begins to send what is due.</summary>
    /// <param name="at">Also what failed a moment ago.</param>
    /// <param name="stop">Stops it.</param>
    private List<Task> Begin(bool at, CancellationToken stop)
    {
        lock (gate)
            return BeginAlone(at, stop);
    }

    private List<Task> BeginAlone(bool at, CancellationToken stop)
    {
        var begun = new List<Task>();
        var due = watch.Due().Where(d => post.Reaches(d.Mail)).ToList();
        foreach (var (mail, told, cause) in due)
        {
            var message = new Message(told.PondId, cause, told.Level, told.Step, told.Address);
            var last = under.GetValueOrDefault(message);
            if (last is { Work.IsCompleted: false })
                begun.Add(last.Work);
            else if (last is null || at || TimeProvider.System.GetElapsedTime(last.Stamp) >= Wait(last.Failures))
            {
                var work = Task.Run(() => One(message, last?.Failures ?? 0, mail, told, stop), stop);
                under[message] = new(work, (last?.Failures ?? 0) + 1, TimeProvider.System.GetTimestamp());
                begun.Add(work);
            }
        }
        // What is no longer due is forgotten, so that the same alarm of another night begins anew.
        foreach (var (message, was) in under)
            if (
                was.Work.IsCompleted
                && !due.Any(d =>
                    d.Told.PondId == message.Pond && d.Cause == message.Cause && d.Told.Step == message.Step
                )
            )
                under.TryRemove(message, out _);
        return begun;
    }

    private async Task One(Message message, int failures, AlarmMail mail, AlarmTold told, CancellationToken stop)
    {
        await room.WaitAsync(stop);
        try
        {
            if (await post.Send(mail, stop))
                watch.Told(told);
            else
                log.LogError(
                    "The message to {Address} could not be sent; it is tried again: {Why}",
                    mail.To.Where,
                    post.Trouble
                );
        }
        catch (Exception problem) when (problem is not OperationCanceledException)
        {
            log.LogError(problem, "The message to {Address} was sent; that could not be noted.", mail.To.Where);
        }
        finally
        {
            room.Release();
            // The wait begins when the try has ended, however long it took.
            lock (gate)
                if (under.TryGetValue(message, out var mine))
                    under[message] = mine with { Failures = failures + 1, Stamp = TimeProvider.System.GetTimestamp() };
        }
    }

    private static TimeSpan Wait(int failures) =>
        TimeSpan.FromSeconds(Math.Min(LongestWait.TotalSeconds, 5 * Math.Pow(2, Math.Max(0, failures - 1))));
}
