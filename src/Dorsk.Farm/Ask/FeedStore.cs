using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>What is left of a kind of feed.</summary>
/// <param name="Name">The feed.</param>
/// <param name="LeftKg">Received less given, kg.</param>
/// <param name="PerDayKg">Given a day over the last week, kg.</param>
/// <param name="NextExpiry">First expiry among lots that can still be in the store, first in first out; null when none has a date.</param>
public sealed record FeedLeft(string Name, double LeftKg, double PerDayKg, DateOnly? NextExpiry);

/// <summary>The feed store, added up from loads and feedings.</summary>
internal static class FeedStore
{
    public static List<FeedLeft> At(SqliteConnection c, AsOf asOf, DateTimeOffset now)
    {
        var loads = Sqlite.Rows(c, $"SELECT f.feed, f.mass_kg, f.expiry FROM feed_received f CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY f.expiry IS NULL, f.expiry",
            r => (Feed: r.GetInt64(0), Kg: r.GetDouble(1), Expiry: r.IsDBNull(2) ? (DateOnly?)null : DateOnly.ParseExact(r.GetString(2), "yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)), Lines.With(asOf));
        var given = Sqlite.Rows(c, $"SELECT f.feed, f.mass_kg, l.happened FROM log l CROSS JOIN feeding f USING (line) WHERE l.kind = 'FeedingGiven' AND {Lines.Count}",
            r => (Feed: r.GetInt64(0), Kg: r.GetDouble(1), At: r.Instant(2)), Lines.With(asOf));
        return FarmQuestions.Feeds(c, asOf).Select(f =>
        {
            var used = given.Where(g => g.Feed == f.Id).Sum(g => g.Kg);
            var week = given.Where(g => g.Feed == f.Id && g.At > now.AddDays(-7)).Sum(g => g.Kg) / 7;
            var mine = loads.Where(x => x.Feed == f.Id).ToList();
            return new FeedLeft(f.Name, mine.Sum(x => x.Kg) - used, week, FirstStillThere(mine.Select(x => (x.Kg, x.Expiry)), used));
        }).ToList();
    }

    // First expired goes out first.
    private static DateOnly? FirstStillThere(IEnumerable<(double Kg, DateOnly? Expiry)> lots, double usedKg)
    {
        foreach (var (kg, expiry) in lots)
        {
            usedKg -= kg;
            if (usedKg < 0)
                return expiry;
        }
        return null;
    }
}
