namespace Dorsk.Core.Judging;

/// <summary>How things stand, in rising order of urgency. Shown as shape, word and colour together.</summary>
public enum Status
{
    /// <summary>Not measured, or measured too long ago to say. Never painted fine.</summary>
    Unknown,

    /// <summary>Inside its limits.</summary>
    Steady,

    /// <summary>Look at it again soon.</summary>
    Watch,

    /// <summary>Act now.</summary>
    ActNow,
}

/// <summary>A status with its one-line reason.</summary>
/// <param name="Status">How it stands.</param>
/// <param name="Reason">Plain words: the figure, the limit, what it means.</param>
public sealed record Judgement(Status Status, string Reason);
