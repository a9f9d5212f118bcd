using System.Globalization;

namespace Dorsk.Web;

/// <summary>
/// The clock of the farm: pages and the door read it. It never runs behind what is already recorded: when the machine's clock falls
/// back by more than moments (a flat battery, a wrong date), time goes on from the newest known state, counted on a clock that nobody
/// can turn, and <see cref="Trouble"/> says so. In the demo it starts at a told instant and may run faster.
/// </summary>
public sealed class FarmClock : TimeProvider
{
    // Clocks are set right by moments every day; more than this is a wrong clock.
    private static readonly TimeSpan Moments = TimeSpan.FromMinutes(2);
    private readonly Lock gate = new();
    private readonly TimeProvider machine;
    private readonly long startedStamp;
    private readonly DateTimeOffset? start;
    private readonly double rate;
    private DateTimeOffset? known;
    private long knownStamp;

    /// <summary>A clock that shows the machine's time, or one that starts at an instant.</summary>
    /// <param name="start">Instant of a demo clock, or null.</param>
    /// <param name="rate">Seconds of the demo in a second, 0 to 600; null is 1.</param>
    /// <param name="machine">The machine's clock; null is the real one.</param>
    /// <exception cref="ArgumentException">Start or rate cannot be read.</exception>
    public FarmClock(string? start, string? rate, TimeProvider? machine = null)
    {
        this.machine = machine ?? System;
        startedStamp = this.machine.GetTimestamp();
        if (start is not null)
            this.start =
                DateTimeOffset.TryParse(start, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var at)
                && at.Year is >= 2000 and <= 2200
                    ? at
                    : throw new ArgumentException(
                        $"--clock takes an instant such as 2027-01-21T17:40+10:00, not “{start}”."
                    );
        this.rate =
            rate is null ? 1
            : double.TryParse(rate, NumberStyles.Float, CultureInfo.InvariantCulture, out var r) && r is >= 0 and <= 600
                ? r
            : throw new ArgumentException($"--rate takes 0 to 600, not “{rate}”.");
    }

    /// <summary>How long a panel may take to answer: two minutes of the farm, and ten seconds of the machines themselves, which no demo hurries.</summary>
    public TimeSpan Patience => TimeSpan.FromMinutes(2) + (TimeSpan.FromSeconds(10) * (start is null ? 1 : rate));

    /// <summary>How far somebody has turned the machine's clock: what a wrong one does can be tried.</summary>
    internal TimeSpan Turned { get; set; }

    /// <summary>What the machine's clock says, right or wrong.</summary>
    public DateTimeOffset Machine => Untouched + Turned;

    private DateTimeOffset Untouched =>
        start is { } s ? s.ToUniversalTime() + (machine.GetElapsedTime(startedStamp) * rate) : machine.GetUtcNow();

    /// <summary>How far the machine's clock is behind what is recorded; null while it is right.</summary>
    public TimeSpan? Behind
    {
        get
        {
            var (now, raw) = (GetUtcNow(), Machine);
            return now - raw > Moments ? now - raw : null;
        }
    }

    /// <summary>What is wrong with the clock, in words that say what to do; null while it is right.</summary>
    public string? Trouble =>
        (start is null || Turned != TimeSpan.Zero) && Behind is { } behind
            ? string.Create(
                CultureInfo.InvariantCulture,
                $"The clock of this machine says {Machine.UtcDateTime:d MMM yyyy HH:mm} UTC, {Words(behind)} behind the newest record. Dorsk goes on from the newest record. Set the machine's clock; if the clock is right, a Manager says so on the alarm page."
            )
            : null;

    /// <inheritdoc/>
    public override DateTimeOffset GetUtcNow()
    {
        var raw = Machine;
        lock (gate)
        {
            if (
                known is { } at
                && at + (machine.GetElapsedTime(knownStamp) * (start is null ? 1 : rate)) is var floor
                && floor - raw > Moments
            )
                return floor;
            if (known is null || raw > known)
                (known, knownStamp) = (raw, machine.GetTimestamp());
            return raw;
        }
    }

    /// <summary>Nothing is earlier than this: the newest record of the farm.</summary>
    /// <param name="newest">When it was entered; null on an empty farm.</param>
    public void NotBefore(DateTimeOffset? newest)
    {
        lock (gate)
            if (newest is { } at && (known is null || at > known))
                (known, knownStamp) = (at, machine.GetTimestamp());
    }

    /// <summary>Somebody has looked: the machine's clock is right as it is.</summary>
    public void Vouch()
    {
        lock (gate)
            known = null;
    }

    private static string Words(TimeSpan span) =>
        span.TotalDays >= 2 ? string.Create(CultureInfo.InvariantCulture, $"{span.TotalDays:#,0} days")
        : span.TotalHours >= 2 ? string.Create(CultureInfo.InvariantCulture, $"{span.TotalHours:0} hours")
        : string.Create(CultureInfo.InvariantCulture, $"{span.TotalMinutes:0} minutes");
}
