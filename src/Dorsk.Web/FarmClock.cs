using System.Globalization;

namespace Dorsk.Web;

/// <summary>The clock of the farm: pages and the door read it. In the demo it starts at a told instant and may run faster; the framework keeps the system's time.</summary>
public sealed class FarmClock : TimeProvider
{
    private readonly DateTimeOffset startedReal = DateTimeOffset.UtcNow;
    private readonly DateTimeOffset? start;
    private readonly double rate;

    /// <summary>A clock that shows the system's time, or one that starts at an instant.</summary>
    public FarmClock(string? start, string? rate)
    {
        if (start is not null)
            this.start = DateTimeOffset.TryParse(start, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var at) ? at
                : throw new ArgumentException($"--clock takes an instant such as 2027-01-21T17:40+10:00, not “{start}”.");
        this.rate = rate is null ? 1 : double.TryParse(rate, NumberStyles.Float, CultureInfo.InvariantCulture, out var r) && r is >= 0 and <= 600 ? r
            : throw new ArgumentException($"--rate takes 0 to 600, not “{rate}”.");
    }

    /// <summary>How long a panel may take to answer: two minutes of the farm, and ten seconds of the machines themselves, which no demo hurries.</summary>
    public TimeSpan Patience => TimeSpan.FromMinutes(2) + (TimeSpan.FromSeconds(10) * (start is null ? 1 : rate));

    /// <inheritdoc/>
    public override DateTimeOffset GetUtcNow()
    {
        var real = DateTimeOffset.UtcNow;
        return start is { } s ? s.ToUniversalTime() + ((real - startedReal) * rate) : real;
    }
}
