namespace Dorsk.Core.Verdict;

/// <summary>A sign of sick fish that a reading tells by itself.</summary>
/// <param name="Key">Key of the sign, see the table of signs.</param>
/// <param name="Seen">Whether it is there.</param>
/// <param name="Words">The figure and its limit.</param>
/// <param name="At">When it was read.</param>
public sealed record ReadSign(string Key, bool Seen, string Words, DateTimeOffset At);

/// <summary>A step of the water panel that comes before any medicine: what was read last, and whether that is of today.</summary>
/// <param name="Test">Key of the test.</param>
/// <param name="Name">What is read.</param>
/// <param name="Last">What was read last, in words; empty when it never was.</param>
/// <param name="At">When; null when it never was.</param>
/// <param name="IsOfToday">Whether it was read today.</param>
/// <param name="Reads">Key of the parameter that is read for it; empty where the step is looked at and not read.</param>
/// <param name="Needed">Whether no medicine is given before it was read.</param>
public sealed record PanelStep(
    string Test,
    string Name,
    string Last,
    DateTimeOffset? At,
    bool IsOfToday,
    string Reads,
    bool Needed
);
