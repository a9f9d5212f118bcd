using Dorsk.Core.Feeding;
using Dorsk.Core.Time;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Feed;

/// <summary>What people decided about a pond's rations and saw at its meals.</summary>
/// <param name="School">Its school.</param>
/// <param name="Overruled">What was wanted instead of the plan, by batch and day, with the reason and who.</param>
/// <param name="Scored">Days whose meals were watched, oldest first.</param>
public sealed record PondRations(
    RationSchool School,
    IReadOnlyDictionary<(long Batch, DateOnly Day), (double Kg, string Reason, string By)> Overruled,
    IReadOnlyList<ScoredDay> Scored
)
{
    /// <summary>Nothing was ever decided or seen.</summary>
    public static readonly PondRations None = new(
        RationSchool.ExpectedGain,
        new Dictionary<(long, DateOnly), (double, string, string)>(),
        []
    );
}

/// <summary>Rations as people decided them.</summary>
internal static class RationQuestions
{
    // Meals that were watched speak for so long.
    private const long WatchedMs = 60 * 86_400_000L;

    /// <summary>The pond's feeder as last weighed, with its line; null when it is fed by hand.</summary>
    public static (long Line, FeederKept Kept)? FeederOf(SqliteConnection c, AsOf asOf, long pond) =>
        FeedFacts.Feeder.All(c, asOf, "t.pond = $pond", ("pond", pond)) is [.., { Fact.Gone: false } last]
            ? (last.Line, last.Fact)
            : null;

    public static PondRations Of(SqliteConnection c, AsOf asOf, long pond, FarmZone zone)
    {
        var schools = Sqlite.Rows(
            c,
            $"SELECT s.school FROM ration_school s CROSS JOIN log l USING (line) WHERE s.pond = $pond AND {Lines.Count} ORDER BY l.happened DESC, l.line DESC LIMIT 1",
            r => r.Word<RationSchool>(0),
            Lines.With(asOf, ("pond", pond))
        );
        var wanted = Sqlite.Rows(
            c,
            $"SELECT o.batch, o.day, o.kg, o.reason, l.author FROM ration_overruled o CROSS JOIN log l USING (line) WHERE o.pond = $pond AND {Lines.Count} ORDER BY l.line",
            r => (Key: (r.GetInt64(0), r.Day(1)), Kg: r.MaybeReal(2), Reason: r.GetString(3), By: r.GetString(4)),
            Lines.With(asOf, ("pond", pond))
        );
        var watched = Sqlite
            .Rows(
                c,
                $"""
                SELECT l.happened, f.mass_kg - f.left_kg, f.score, f.minutes, f.left_kg / f.mass_kg FROM log l CROSS JOIN feeding f USING (line)
                WHERE l.pond = $pond AND (f.score IS NOT NULL OR f.left_kg > 0) AND {Lines.Count}
                  AND l.happened > (SELECT max(n.happened) FROM log n WHERE n.pond = $pond AND n.happened <= $upto) - {WatchedMs}
                ORDER BY l.happened
                """,
                r =>
                    (
                        Day: zone.DayOf(r.Instant(0)),
                        Kg: r.GetDouble(1),
                        Score: FeedResponse.Shown(r.IsDBNull(2) ? null : r.GetInt32(2), r.MaybeReal(3), r.GetDouble(4))
                    ),
                Lines.With(asOf, ("pond", pond))
            )
            .Where(w => w.Score is not null)
            .Select(w => (w.Day, w.Kg, w.Score!.Value))
            .ToList();
        return Rations(schools, wanted, watched);
    }

    private static PondRations Rations(
        List<RationSchool> schools,
        List<((long, DateOnly) Key, double? Kg, string Reason, string By)> wanted,
        List<(DateOnly Day, double Kg, int Score)> watched
    ) =>
        new(
            schools.Count > 0 ? schools[0] : RationSchool.ExpectedGain,
            wanted
                .GroupBy(w => w.Key)
                .Select(g => g.Last())
                .Where(w => w.Kg is not null)
                .ToDictionary(w => w.Key, w => (w.Kg!.Value, w.Reason, w.By)),
            [
                .. watched
                    .GroupBy(w => w.Day)
                    .Select(g => new ScoredDay(
                        g.Key,
                        g.Sum(w => w.Kg),
                        (int)Math.Round(g.Average(w => w.Score), MidpointRounding.AwayFromZero)
                    )),
            ]
        );
}
