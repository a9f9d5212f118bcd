namespace Dorsk.Farm.Feed;

/// <summary>Feed that a pond's fish ate.</summary>
/// <param name="Line">Log line of the feeding.</param>
/// <param name="At">When.</param>
/// <param name="FeedId">The kind of feed, by its number: its name may change.</param>
/// <param name="Kg">Given less what was left and taken out, kg.</param>
public readonly record struct Fed(long Line, DateTimeOffset At, long FeedId, double Kg)
{
    /// <summary>Who fed.</summary>
    public string By { get; init; } = "";
}
