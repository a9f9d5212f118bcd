using Dorsk.Core.Oxygen;
using Dorsk.Farm.Log;
using Dorsk.Farm.Water;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Estimates;

/// <summary>The forecasts of one pond and what became of them.</summary>
/// <param name="Code">Pond code.</param>
/// <param name="Nights">Nights with the forecast that was shown and the outcome, oldest first.</param>
/// <param name="ByMethod">The same for the first forecast of each method, shown or not.</param>
public sealed record PondProof(
    string Code,
    IReadOnlyList<NightOutcome> Nights,
    IReadOnlyDictionary<DeclineMethod, IReadOnlyList<NightOutcome>> ByMethod
);

/// <summary>Forecasts held against the mornings that came.</summary>
internal static class NightProof
{
    /// <summary>The first forecast of each night beside the morning that came.</summary>
    public static PondProof Of(SqliteConnection c, AsOf asOf, PondFacts story)
    {
        var issued = ForecastQuestions.Issued(c, asOf, story.Pond.Id, DateOnly.MinValue);
        IReadOnlyList<NightOutcome> Outcomes(IEnumerable<ForecastIssued> of) =>
            [
                .. of.GroupBy(f => f.Night)
                    .OrderBy(g => g.Key.Evening)
                    .Select(g => (g.Key, First: g.First(), Came: story.DawnReadOn(g.Key.Evening.AddDays(1))))
                    .Where(n => n.Came is not null)
                    .Select(n => new NightOutcome(n.Key, n.First, n.Came!.Value)),
            ];
        return new(
            story.Pond.Code,
            Outcomes(issued.Where(f => f.Shown)),
            issued.GroupBy(f => f.Method).ToDictionary(g => g.Key, g => Outcomes(g))
        );
    }
}
