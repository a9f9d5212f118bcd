using Dorsk.Core.Feeding;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Feed;

/// <summary>Feed that was given.</summary>
internal static class FeedQuestions
{
    /// <summary>Feedings of a pond that were entered after a line, in order of time.</summary>
    public static List<Fed> New(SqliteConnection c, AsOf asOf, long pond, long afterLine) =>
        Sqlite.Rows(
            c,
            $"""
            SELECT l.line, l.happened, f.feed, f.mass_kg - f.left_kg, l.author
            FROM log l CROSS JOIN feeding f USING (line)
            WHERE {Lines.OfPond(afterLine, nameof(FeedingGiven))} AND {Lines.Count} ORDER BY l.happened, l.line
            """,
            r => new Fed(r.GetInt64(0), r.Instant(1), r.GetInt64(2), r.GetDouble(3)) { By = r.GetString(4) },
            Lines.With(asOf, ("pond", pond), ("after", afterLine))
        );
}
