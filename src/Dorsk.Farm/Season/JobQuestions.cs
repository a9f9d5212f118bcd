using Dorsk.Core.Season;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Season;

/// <summary>Jobs that people closed.</summary>
internal static class JobQuestions
{
    /// <summary>Jobs closed by hand since an instant, by key; standing ones however long ago, as they may be a year apart.</summary>
    public static Dictionary<string, ClosedJob> Closed(SqliteConnection c, AsOf asOf, DateTimeOffset since) =>
        Sqlite
            .Sound(
                c,
                $"SELECT j.key, l.line, j.outcome, j.reason, l.happened, l.author FROM job_closed j CROSS JOIN log l USING (line) WHERE (l.happened >= $since OR j.key LIKE '{DutyKept.JobName}:%') AND {Lines.Count} ORDER BY l.line",
                r =>
                    (
                        Key: r.GetString(0),
                        Job: new ClosedJob(
                            r.GetInt64(1),
                            r.Word<JobOutcome>(2),
                            r.GetString(3),
                            new(r.Instant(4), r.GetString(5))
                        )
                    ),
                Lines.With(asOf, ("since", since))
            )
            .GroupBy(j => j.Key)
            .ToDictionary(g => g.Key, g => g.Last().Job);
}
