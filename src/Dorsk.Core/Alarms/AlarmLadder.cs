namespace Dorsk.Core.Alarms;

/// <summary>A step that follows when an alarm goes on.</summary>
/// <param name="AfterMinutes">Minutes since it rang at this level.</param>
/// <param name="Do">What to do then.</param>
public sealed record LadderStep(double AfterMinutes, string Do);

/// <summary>
/// What to do as an alarm goes on: aerators, then the emergency machine, then fewer fish and new water, then people. Each rule of an alarm
/// says its first step with the figure; the ladder adds the step that is reached.
/// </summary>
public static class AlarmLadder
{
    /// <summary>Where the steps come from.</summary>
    public const string Source = "Trade practice in emergencies; minutes are starting values";

    private const string Machine =
            "bring the emergency machine, tractor or generator, and let well-aired water in at the surface",
        FewerFish =
            "draw bottom water off and new water in, no feed, and take fish out: what is of size is harvested, others go where the gate is open",
        People =
            "call the owner, neighbours with machines, and the extension service or a vet; save the fish that can be saved";

    // A pond whose aerators all run, or that has none, begins at the machine.
    private static readonly LadderStep[] Oxygen = [new(0, Machine), new(30, FewerFish), new(60, People)];

    private static readonly Dictionary<AlarmCause, LadderStep[]> Later = new()
    {
        [AlarmCause.LowOxygen] = [new(30, Machine), new(60, FewerFish), new(90, People)],
        [AlarmCause.AeratorFault] =
        [
            new(30, "set the emergency machine in its place before it is dark"),
            new(90, "read oxygen by hand every hour and hold feed until the machine is mended"),
        ],
        [AlarmCause.WaterDanger] =
        [
            new(120, "read again; if it did not help, new water in the cool of the morning and no feed"),
            new(360, "fewer fish in this water, and the extension service or a vet is asked"),
        ],
        [AlarmCause.PowerLost] =
        [
            new(15, "is the generator running? Tractor machines go to the fullest pond first, then by the dawn low"),
            new(60, People),
        ],
    };

    /// <summary>The step that is reached in an alarm, or null while its first step is enough.</summary>
    /// <param name="cause">Why it rings.</param>
    /// <param name="since">When it came to its level; null when it does not ring yet.</param>
    /// <param name="now">Now.</param>
    public static string? Next(AlarmCause cause, DateTimeOffset? since, DateTimeOffset now) =>
        since is { } from && Later.TryGetValue(cause, out var steps) ? Reached(steps, from, now) : null;

    /// <summary>What comes when every aerator of a pond runs and its oxygen is low all the same.</summary>
    /// <param name="since">When the alarm came to its level; null when it does not ring yet.</param>
    /// <param name="now">Now.</param>
    public static string WithAllAirOn(DateTimeOffset? since, DateTimeOffset now) => Reached(Oxygen, since ?? now, now)!;

    private static string? Reached(LadderStep[] steps, DateTimeOffset since, DateTimeOffset now) =>
        steps.LastOrDefault(s => s.AfterMinutes <= (now - since).TotalMinutes)?.Do;
}
