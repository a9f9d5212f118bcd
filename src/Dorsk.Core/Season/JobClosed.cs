using Dorsk.Core.Judging;

namespace Dorsk.Core.Season;

/// <summary>What became of a job.</summary>
public enum JobOutcome
{
    /// <summary>Done.</summary>
    Done,

    /// <summary>Left, with a reason.</summary>
    Skipped,
}

/// <summary>A person ticked a job, or left it and said why.</summary>
/// <param name="Key">The job's key: rule, place and day.</param>
/// <param name="PondId">The pond, or null for the farm.</param>
/// <param name="Outcome">Done or skipped.</param>
/// <param name="Reason">Why it was skipped; may be empty when done.</param>
public sealed record JobClosed(string Key, long? PondId, JobOutcome Outcome, string Reason) : Fact
{
    /// <summary>Objections.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Key.Length is 0 or > 120 || Key.Split(':').Length != 3)
            yield return Remark.Refuse("", "There is no such job.");
        if (Outcome == JobOutcome.Skipped && string.IsNullOrWhiteSpace(Reason))
            yield return Remark.Refuse(
                "Reason",
                "Say in a few words why it is left: whoever comes after you will ask."
            );
        if (Reason.Length > 300)
            yield return Remark.Refuse("Reason", "At most 300 letters.");
    }
}
