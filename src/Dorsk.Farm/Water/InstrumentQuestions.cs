using Dorsk.Core.Water;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Water;

/// <summary>The farm's instruments.</summary>
internal static class InstrumentQuestions
{
    /// <summary>Each instrument as last written, with its line, by name.</summary>
    public static List<(long Line, InstrumentKept Kept)> All(SqliteConnection c, AsOf asOf) =>
        [
            .. WaterFacts
                .Instrument.Newest(c, asOf, i => i.InstrumentId)
                .Select(i => (i.Line, i.Fact))
                .OrderBy(i => i.Fact.Name, StringComparer.OrdinalIgnoreCase),
        ];
}
