using System.Globalization;

namespace Dorsk.Standins;

/// <summary>A stand-in for a watcher outside the farm: the farm tells it every minute that its watch looked, and its silence is noticed.</summary>
public sealed class Watcher
{
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(150);
    private long? stamp;

    /// <summary>The farm was heard.</summary>
    public void Heard() => stamp = TimeProvider.System.GetTimestamp();

    /// <summary>What a watcher would say now.</summary>
    public string Words =>
        stamp is not { } at ? "Outside watcher: the farm was not heard yet."
        : TimeProvider.System.GetElapsedTime(at) is var age && age > Longest
            ? string.Create(
                CultureInfo.InvariantCulture,
                $"OUTSIDE WATCHER: THE FARM HAS BEEN SILENT FOR {age.TotalSeconds:0} s. A real one would call somebody now."
            )
        : string.Create(
            CultureInfo.InvariantCulture,
            $"Outside watcher: the farm was heard {age.TotalSeconds:0} s ago, its watch looks."
        );
}
