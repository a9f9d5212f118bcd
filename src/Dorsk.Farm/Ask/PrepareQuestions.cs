using System.Globalization;
using Dorsk.Core.Prepare;
using Dorsk.Core.Season;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>The last plan of a pond, with its line and instant, and the steps that people left out.</summary>
/// <param name="Line">Log line of the plan.</param>
/// <param name="At">When it was made.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Left">Steps left out: key, when, why.</param>
public sealed record PreparationLine(long Line, DateTimeOffset At, PreparationPlanned Plan, IReadOnlyList<(string Key, DateTimeOffset At, string Reason)> Left);

/// <summary>Plans of making ponds ready.</summary>
internal static class PrepareQuestions
{
    private const string Columns = "pond, stock_on, species, dry_days, lime, mud_ph, texture, alkalinity_mg_l, lime_value_pct, pests, poison_g_m3, poison_days, fertiliser, cover, bag_kg, lime_bag, fertiliser_bag, meal_bag, kwh";

    public static PreparationPlanned? Of(SqliteConnection c, long line) => Sqlite.One(c, $"SELECT {Columns} FROM preparation WHERE line = $line", r => Read(r, 0), ("line", line));

    public static PreparationLine? Last(SqliteConnection c, AsOf asOf, long pond)
    {
        var last = Sqlite.One(c, $"SELECT p.line, l.happened, p.{Columns} FROM preparation p CROSS JOIN log l USING (line) WHERE p.pond = $pond AND {Lines.Count} ORDER BY l.happened DESC, l.line DESC LIMIT 1",
            r => new PreparationLine(r.GetInt64(0), r.Instant(1), Read(r, 2), []), Lines.With(asOf, ("pond", pond)));
        return last is null ? null : last with
        {
            Left = Sqlite.Rows(c, $"SELECT j.key, l.happened, j.reason FROM job_closed j CROSS JOIN log l USING (line) WHERE j.pond = $pond AND j.outcome = '{nameof(JobOutcome.Skipped)}' AND j.key GLOB $like AND {Lines.Count}",
                r => (PrepStep.OfJob(r.GetString(0)), r.Instant(1), r.GetString(2)), Lines.With(asOf, ("pond", pond), ("like", FormattableString.Invariant($"{PrepStep.JobPrefix}*:*:{last.Line}")))),
        };
    }

    private static PreparationPlanned Read(SqliteDataReader r, int i) => new(r.GetInt64(i), r.MaybeDay(i + 1), r.GetString(i + 2), r.GetInt32(i + 3),
        r.Word<LimeSchool>(i + 4), r.MaybeReal(i + 5), r.Word<SoilTexture>(i + 6), r.MaybeReal(i + 7), r.GetDouble(i + 8), r.Word<PestSchool>(i + 9), r.MaybeReal(i + 10), r.GetInt32(i + 11), r.Word<FertiliserSchool>(i + 12), r.GetBoolean(i + 13),
        new(r.GetDouble(i + 14), r.MaybeReal(i + 15), r.MaybeReal(i + 16), r.MaybeReal(i + 17), r.MaybeReal(i + 18)));
}
