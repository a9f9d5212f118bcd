namespace Dorsk.Core.Stock;

/// <summary>Dead fish of a pond put together by what they were taken to have died of.</summary>
/// <param name="Cause">Cause as typed, the first spelling of it; "not said" where nobody said.</param>
/// <param name="Count">Fish in all.</param>
/// <param name="LastWeek">Of these in the last seven days.</param>
/// <param name="LastOn">Last day.</param>
public sealed record DeathsByCause(string Cause, int Count, int LastWeek, DateOnly LastOn)
{
    /// <summary>The causes, that with the most fish first.</summary>
    /// <param name="dead">Day, fish and cause of each finding.</param>
    /// <param name="today">The farm day.</param>
    public static IReadOnlyList<DeathsByCause> Of(
        IEnumerable<(DateOnly Day, int Count, string Cause)> dead,
        DateOnly today
    ) =>
        [
            .. dead.GroupBy(d => d.Cause.Trim().ToUpperInvariant())
                .Select(g => new DeathsByCause(
                    g.Key.Length == 0 ? "not said" : g.First().Cause.Trim(),
                    g.Sum(d => d.Count),
                    g.Where(d => d.Day > today.AddDays(-7)).Sum(d => d.Count),
                    g.Max(d => d.Day)
                ))
                .OrderByDescending(c => c.Count)
                .ThenBy(c => c.Cause, StringComparer.Ordinal),
        ];

    /// <summary>Deaths a day over the last week, in percent of the fish.</summary>
    /// <param name="causes">The causes.</param>
    /// <param name="stands">Fish that stand now; above 0.</param>
    public static double PctPerDay(IReadOnlyList<DeathsByCause> causes, double stands) =>
        100 * causes.Sum(c => c.LastWeek) / 7.0 / (stands + causes.Sum(c => c.LastWeek));
}
