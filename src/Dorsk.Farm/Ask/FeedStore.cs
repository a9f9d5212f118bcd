using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>What is left of a kind of feed.</summary>
/// <param name="FeedId">Its number.</param>
/// <param name="Name">The feed.</param>
/// <param name="LeftKg">Received less given, kg.</param>
/// <param name="PerDayKg">Given a day over the last week, kg.</param>
/// <param name="NextExpiry">First expiry among lots that can still be in the store, first in first out; null when none has a date.</param>
public sealed record FeedLeft(long FeedId, string Name, double LeftKg, double PerDayKg, DateOnly? NextExpiry);

/// <summary>Loads and feedings of every kind of feed in order of time, so that the store can be added up at any hour.</summary>
internal sealed class FeedMoves
{
    private readonly List<(FeedKind Feed, List<(DateTimeOffset At, double Kg, DateOnly Expiry)> Moves)> feeds;

    private FeedMoves(List<(FeedKind, List<(DateTimeOffset, double, DateOnly)>)> feeds) => this.feeds = feeds;

    public static FeedMoves Load(SqliteConnection c, AsOf asOf)
    {
        var loads = Sqlite.Rows(c, $"SELECT f.feed, f.mass_kg, f.expiry, l.happened FROM feed_received f CROSS JOIN log l USING (line) WHERE {Lines.Count}",
            r => (Feed: r.GetInt64(0), At: r.Instant(3), Kg: r.GetDouble(1), Expiry: r.IsDBNull(2) ? DateOnly.MaxValue : DateOnly.ParseExact(r.GetString(2), "yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)), Lines.With(asOf));
        var given = Sqlite.Rows(c, $"SELECT f.feed, f.mass_kg, l.happened FROM log l CROSS JOIN feeding f USING (line) WHERE l.kind = 'FeedingGiven' AND {Lines.Count}",
            r => (Feed: r.GetInt64(0), At: r.Instant(2), Kg: -r.GetDouble(1), Expiry: DateOnly.MaxValue), Lines.With(asOf));
        var moves = loads.Concat(given).OrderBy(m => m.At).ToLookup(m => m.Feed);
        return new(FarmQuestions.Feeds(c, asOf).Select(f => (f, moves[f.Id].Select(m => (m.At, m.Kg, m.Expiry)).ToList())).ToList());
    }

    /// <summary>What is left at an instant.</summary>
    public List<FeedLeft> At(DateTimeOffset now) => feeds.Select(f => Left(f.Feed, f.Moves.TakeWhile(m => m.At <= now), now)).ToList();

    // In order of time, so that a feeding takes from what lay in the store that day: first expired goes out first.
    private static FeedLeft Left(FeedKind feed, IEnumerable<(DateTimeOffset At, double Kg, DateOnly Expiry)> moves, DateTimeOffset now)
    {
        var lots = new PriorityQueue<double, DateOnly>();
        double left = 0, week = 0;
        foreach (var (at, kg, expiry) in moves)
        {
            left += kg;
            if (kg > 0)
                lots.Enqueue(kg, expiry);
            else
                Take(lots, -kg);
            week += kg < 0 && at > now.AddDays(-7) ? -kg : 0;
        }
        return new(feed.Id, feed.Name, left, week / 7, lots.TryPeek(out _, out var next) && next != DateOnly.MaxValue ? next : null);
    }

    private static void Take(PriorityQueue<double, DateOnly> lots, double kg)
    {
        while (kg > 0 && lots.TryDequeue(out var lot, out var expiry))
        {
            if (lot > kg)
                lots.Enqueue(lot - kg, expiry);
            kg -= lot;
        }
    }
}
