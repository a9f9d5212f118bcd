using Dorsk.Core.People;
using Dorsk.Core.Safety;

namespace Dorsk.Core.Season;

/// <summary>How a job stands.</summary>
public enum JobState
{
    /// <summary>Its window has not come or is open.</summary>
    Open,

    /// <summary>Its window has passed.</summary>
    Late,

    /// <summary>Done, by a tick or by the entries it asked for.</summary>
    Done,

    /// <summary>Left, with a reason.</summary>
    Skipped,
}

/// <summary>Something to do, with the reason it exists.</summary>
/// <param name="Key">Rule, place and day: the same job has the same key however often it is worked out.</param>
/// <param name="PondId">The pond, or null for the farm.</param>
/// <param name="PondCode">Its code, or empty.</param>
/// <param name="From">Window: not before.</param>
/// <param name="Due">Window: not after.</param>
/// <param name="What">What to do.</param>
/// <param name="Reason">Why it is asked.</param>
/// <param name="Who">The role it falls to.</param>
/// <param name="Slip">The slip that answers it, such as reading or sample; empty when a tick does.</param>
/// <param name="State">How it stands.</param>
/// <param name="By">Who did it and when, once done or skipped.</param>
/// <param name="Line">The log line of the tick, when a person ticked it.</param>
/// <param name="Note">Why it was skipped, or how far it has come.</param>
public sealed record Job(
    string Key,
    long? PondId,
    string PondCode,
    DateTimeOffset From,
    DateTimeOffset Due,
    string What,
    string Reason,
    Role Who,
    string Slip,
    JobState State,
    Mark? By = null,
    long? Line = null,
    string Note = ""
)
{
    /// <summary>What can hurt whoever does it, each with its line of caution.</summary>
    public IReadOnlyList<Hazard> Hazards { get; init; } = [];

    /// <summary>Whole days since it first fell due, while it is not done: upkeep that waits. 0 on its own day.</summary>
    public int WaitsDays { get; init; }

    // What has waited longest stands first; once it is done it goes back to its hour.
    private int Waits => State is JobState.Open or JobState.Late ? WaitsDays : 0;

    /// <summary>Jobs as they are shown: upkeep that waits first, the longest first, then by the hour.</summary>
    /// <param name="jobs">The jobs.</param>
    public static IEnumerable<Job> InOrder(IEnumerable<Job> jobs) =>
        jobs.OrderByDescending(j => j.Waits).ThenBy(j => j.Due).ThenBy(j => j.Key, StringComparer.Ordinal);
}
