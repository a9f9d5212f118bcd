namespace Dorsk.Core.People;

/// <summary>Hours of one watch.</summary>
/// <param name="Role">Key of the role.</param>
/// <param name="From">When it begins, farm time.</param>
/// <param name="To">When it ends.</param>
public readonly record struct WatchHours(string Role, DateTime From, DateTime To)
{
    /// <summary>Whether it is longer than anybody stays alert.</summary>
    public bool IsLong => (To - From).TotalHours > NightWatches.LongestH;
}

/// <summary>The dark hours, shared evenly among those who watch.</summary>
public static class NightWatches
{
    /// <summary>Nobody stays alert longer than this, h: a starting value of shift work.</summary>
    public const double LongestH = 5;

    private const int RoundMin = 15;

    /// <summary>Hours of each watch that somebody takes, in order; empty where nobody watches.</summary>
    /// <param name="roster">A roster of a night.</param>
    /// <param name="sunset">When it gets dark, farm time.</param>
    /// <param name="sunrise">When it is light, farm time; after the sunset.</param>
    public static IReadOnlyList<WatchHours> Of(RosterSet roster, DateTime sunset, DateTime sunrise)
    {
        var roles = RosterRole.OfNight.Where(r => r.Key != "call" && roster.Places.Any(p => p.Role == r.Key)).ToList();
        var part = roles.Count == 0 ? TimeSpan.Zero : (sunrise - sunset) / roles.Count;
        DateTime At(int i) =>
            i == roles.Count ? sunrise
            : i == 0 ? sunset
            : Rounded(sunset + (i * part));
        return [.. roles.Select((r, i) => new WatchHours(r.Key, At(i), At(i + 1)))];
    }

    private static DateTime Rounded(DateTime at)
    {
        var step = TimeSpan.FromMinutes(RoundMin).Ticks;
        return new((at.Ticks + (step / 2)) / step * step);
    }
}
