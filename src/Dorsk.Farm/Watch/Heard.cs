namespace Dorsk.Farm;

/// <summary>When devices were last heard; kept in memory, and counted from the start of the program for those that were not.</summary>
/// <param name="clock">The farm clock.</param>
public sealed class Heard(TimeProvider clock)
{
    private readonly System.Collections.Concurrent.ConcurrentDictionary<long, DateTimeOffset> last = new();
    private readonly DateTimeOffset since = clock.GetUtcNow();

    /// <summary>A device was heard now.</summary>
    public void Note(long deviceId) => last[deviceId] = clock.GetUtcNow();

    /// <summary>When it was last heard; the start of the program when it was not.</summary>
    public DateTimeOffset Of(long deviceId) => Maybe(deviceId) ?? since;

    /// <summary>When it was last heard, or null.</summary>
    public DateTimeOffset? Maybe(long deviceId) => last.TryGetValue(deviceId, out var at) ? at : null;
}
