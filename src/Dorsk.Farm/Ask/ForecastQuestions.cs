using System.Globalization;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Time;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>The forecasts of one pond and what became of them.</summary>
/// <param name="Code">Pond code.</param>
/// <param name="Nights">Nights with the forecast that was shown and the outcome, oldest first.</param>
/// <param name="ByMethod">The same for the first forecast of each method, shown or not.</param>
public sealed record PondProof(string Code, IReadOnlyList<NightOutcome> Nights, IReadOnlyDictionary<DeclineMethod, IReadOnlyList<NightOutcome>> ByMethod);

/// <summary>Forecasts as they were told.</summary>
internal static class ForecastQuestions
{
    /// <summary>Forecasts of a pond in the order in which they were told.</summary>
    public static List<ForecastIssued> Issued(SqliteConnection c, AsOf asOf, long pond, DateOnly since) => Sqlite.Rows(c,
        $"SELECT f.night, f.method, f.low, f.low_80, f.high_80, f.low_at, f.chance_under_act, f.start_at, f.shown FROM forecast_issued f CROSS JOIN log l USING (line) WHERE f.pond = $pond AND f.night >= $since AND {Lines.Count} ORDER BY l.line",
        r => new ForecastIssued(pond, new(r.Day(0)), r.Word<DeclineMethod>(1),
            new(r.GetDouble(2), r.GetDouble(3), r.GetDouble(4), TonightForecast.Level), r.Instant(5), r.GetDouble(6), r.Instant(7), r.GetBoolean(8)), Lines.With(asOf, ("pond", pond), ("since", since)));

    /// <summary>The first forecast of each night beside the morning that came.</summary>
    public static PondProof Proof(SqliteConnection c, AsOf asOf, PondStory story)
    {
        var issued = Issued(c, asOf, story.Pond.Id, DateOnly.MinValue);
        IReadOnlyList<NightOutcome> Outcomes(IEnumerable<ForecastIssued> of) => [.. of.GroupBy(f => f.Night).OrderBy(g => g.Key.Evening)
            .Select(g => (g.Key, First: g.First(), Came: story.DawnReadOn(g.Key.Evening.AddDays(1)))).Where(n => n.Came is not null).Select(n => new NightOutcome(n.Key, n.First, n.Came!.Value))];
        return new(story.Pond.Code, Outcomes(issued.Where(f => f.Shown)), issued.GroupBy(f => f.Method).ToDictionary(g => g.Key, g => Outcomes(g)));
    }
}
