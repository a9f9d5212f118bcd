using Dorsk.Core.Plans;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Season;

/// <summary>The farm's stocking plans.</summary>
internal static class StockingPlanQuestions
{
    /// <summary>Each plan as last written and not given up, the newest first.</summary>
    public static List<(long Line, StockingPlanKept Kept)> All(SqliteConnection c, AsOf asOf) =>
        [
            .. SeasonFacts
                .Plan.Newest(c, asOf, p => p.PlanId)
                .Where(p => !p.Fact.Dropped)
                .OrderByDescending(p => p.Line)
                .Select(p => (p.Line, p.Fact)),
        ];
}
