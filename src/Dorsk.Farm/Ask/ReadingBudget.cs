namespace Dorsk.Farm.Ask;

/// <summary>
/// How often ponds are read anew only because a probe sent a value. On most farms every value is read at once; where sixty probes speak
/// every second, each pond is read some seconds later, so that pages and the watch have the machine too. Lines of people never wait.
/// </summary>
internal sealed class ReadingBudget
{
    private const double Most = 40,
        PerSecond = 8;
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(12);
    private readonly Lock gate = new();
    private double left = Most;
    private long stamp = TimeProvider.System.GetTimestamp();

    /// <summary>Whether a pond may be read anew.</summary>
    /// <param name="readAt">When it was read last.</param>
    public bool Take(long readAt)
    {
        lock (gate)
        {
            var now = TimeProvider.System.GetTimestamp();
            left = Math.Min(Most, left + (TimeProvider.System.GetElapsedTime(stamp, now).TotalSeconds * PerSecond));
            stamp = now;
            if (left < 1 && TimeProvider.System.GetElapsedTime(readAt, now) < Longest)
                return false;
            left = Math.Max(0, left - 1);
            return true;
        }
    }
}
