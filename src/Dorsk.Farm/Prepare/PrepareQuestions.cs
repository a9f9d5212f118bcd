using Dorsk.Core.Prepare;
using Dorsk.Core.Season;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Prepare;

/// <summary>The last plan of a pond, with its line and instant, and the steps that people left out.</summary>
/// <param name="Line">Log line of the plan.</param>
/// <param name="At">When it was made.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Left">Steps left out: key, when, why.</param>
public sealed record PreparationLine(
    long Line,
    DateTimeOffset At,
    PreparationPlanned Plan,
    IReadOnlyList<(string Key, DateTimeOffset At, string Reason)> Left
);

/// <summary>Plans of making ponds ready.</summary>
internal static class PrepareQuestions
{
    public static PreparationLine? Last(SqliteConnection c, AsOf asOf, long pond)
    {
        var last = PrepareFacts.Planned.All(c, asOf, "t.pond = $pond", ("pond", pond)) is [.., var newest]
            ? new PreparationLine(newest.Line, newest.At, newest.Fact, [])
            : null;
        return last is null
            ? null
            : last with
            {
                Left = Sqlite.Rows(
                    c,
                    $"SELECT j.key, l.happened, j.reason FROM job_closed j CROSS JOIN log l USING (line) WHERE j.pond = $pond AND j.outcome = '{nameof(JobOutcome.Skipped)}' AND j.key GLOB $like AND {Lines.Count}",
                    r => (PrepStep.OfJob(r.GetString(0)), r.Instant(1), r.GetString(2)),
                    Lines.With(
                        asOf,
                        ("pond", pond),
                        ("like", FormattableString.Invariant($"{PrepStep.JobPrefix}*:*:{last.Line}"))
                    )
                ),
            };
    }
}
