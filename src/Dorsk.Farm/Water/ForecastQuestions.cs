using Dorsk.Core.Oxygen;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Water;

/// <summary>Forecasts as they were told.</summary>
internal static class ForecastQuestions
{
    /// <summary>Forecasts of a pond in the order in which they were told.</summary>
    public static List<ForecastIssued> Issued(SqliteConnection c, AsOf asOf, long pond, DateOnly since) =>
        [
            .. WaterFacts
                .Forecast.All(c, asOf, "t.pond = $pond AND t.night >= $since", ("pond", pond), ("since", since))
                .OrderBy(f => f.Line)
                .Select(f => f.Fact),
        ];
}
