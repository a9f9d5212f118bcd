namespace Dorsk.Farm;

/// <summary>Whether somebody is looking.</summary>
public enum WatchState
{
    /// <summary>The program has just started and the first look is still to come.</summary>
    Starting,

    /// <summary>The last look was in time.</summary>
    Looking,

    /// <summary>No look for too long: alarms may be missing.</summary>
    Silent,
}

/// <summary>One look of the watch.</summary>
/// <param name="At">When, by the farm clock.</param>
/// <param name="Ponds">Ponds that were looked at.</param>
/// <param name="Failed">Ponds that could not be worked out.</param>
/// <param name="BooksTrouble">Why the data file could not be read or written; null when it could.</param>
public sealed record WatchLook(DateTimeOffset At, int Ponds, int Failed, string? BooksTrouble);

/// <summary>When the watch last looked. Counted on a clock that nobody can turn, so that a wrong clock hides no silence.</summary>
/// <param name="time">The machine's time.</param>
public sealed class Heartbeat(TimeProvider time)
{
    private static readonly TimeSpan ShortestSilence = TimeSpan.FromSeconds(60);
    private readonly long started = time.GetTimestamp();
    private volatile Beat? last;

    private sealed record Beat(long Stamp, WatchLook Look);

    /// <summary>Time between two looks as it was set.</summary>
    public TimeSpan Period { get; set; } = TimeSpan.FromSeconds(20);

    /// <summary>The last look; null before the first.</summary>
    public WatchLook? Last => last?.Look;

    /// <summary>Time since the last look; since the start before the first.</summary>
    public TimeSpan Age => time.GetElapsedTime(last?.Stamp ?? started);

    /// <summary>Silence is three looks that did not come, and a minute at least.</summary>
    public WatchState State =>
        Age > (3 * Period > ShortestSilence ? 3 * Period : ShortestSilence) ? WatchState.Silent
        : last is null ? WatchState.Starting
        : WatchState.Looking;

    /// <summary>A look has come to its end.</summary>
    public void Looked(WatchLook look) => last = new(time.GetTimestamp(), look);
}
