using System.Collections.Concurrent;

namespace Dorsk.Web.People;

/// <summary>
/// Wrong passwords, counted by name and address together: a stranger who guesses shuts the name for the stranger's own address and for
/// nobody else's. Names that nobody has are counted the same way, so that nothing tells them apart. Kept in memory.
/// </summary>
/// <param name="time">The machine's time.</param>
public sealed class Tries(TimeProvider time)
{
    /// <summary>Wrong passwords in a row before the name is shut for an address.</summary>
    public const int Most = 5;

    private const int Remembered = 20_000;

    /// <summary>For how long it is shut.</summary>
    public static readonly TimeSpan Shut = TimeSpan.FromMinutes(10);

    private readonly ConcurrentDictionary<(string Name, string Address), (int Failures, long Stamp)> all = new();

    /// <summary>Whether no password is taken for this name from this address at present.</summary>
    public bool IsShut(string name, string address) => Count(name, address) >= Most;

    /// <summary>One more wrong password; counted at once, so that many tried side by side count as many.</summary>
    public void Failed(string name, string address)
    {
        if (all.Count > Remembered)
            Forget();
        all.AddOrUpdate(
            Key(name, address),
            _ => (1, time.GetTimestamp()),
            (_, was) => Old(was.Stamp) ? (1, time.GetTimestamp()) : (was.Failures + 1, time.GetTimestamp())
        );
    }

    /// <summary>The right password came.</summary>
    public void Succeeded(string name, string address) => all.TryRemove(Key(name, address), out _);

    /// <summary>A Manager has set a new password: the name is open again from everywhere.</summary>
    public void Clear(string name)
    {
        foreach (var key in all.Keys.Where(k => k.Name == Key(name, "").Item1))
            all.TryRemove(key, out _);
    }

    private int Count(string name, string address) =>
        all.TryGetValue(Key(name, address), out var was) && !Old(was.Stamp) ? was.Failures : 0;

    private bool Old(long stamp) => time.GetElapsedTime(stamp) > Shut;

    private void Forget()
    {
        foreach (var (key, was) in all)
            if (Old(was.Stamp))
                all.TryRemove(key, out _);
        if (all.Count > Remembered)
            all.Clear();
    }

    private static (string, string) Key(string name, string address) =>
        (
            name.Trim().ToUpperInvariant() is { Length: > 100 } longName
                ? longName[..100]
                : name.Trim().ToUpperInvariant(),
            address
        );
}
