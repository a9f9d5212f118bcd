using Dorsk.Core.Season;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Season;

/// <summary>The farm's recurring tasks.</summary>
internal static class DutyQuestions
{
    /// <summary>Each recurring task as last written, with its line, by hour.</summary>
    public static List<(long Line, DutyKept Kept)> All(SqliteConnection c, AsOf asOf) =>
        [
            .. JobFacts
                .Duty.Newest(c, asOf, d => d.DutyId)
                .Select(d => (d.Line, d.Fact))
                .OrderBy(d => d.Fact.At)
                .ThenBy(d => d.Fact.What, StringComparer.Ordinal),
        ];
}
