using Dorsk.Core.People;
using Dorsk.Core.Safety;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.People;

/// <summary>People as last named.</summary>
internal static class PeopleQuestions
{
    public static List<PersonNamed> All(SqliteConnection c, AsOf asOf) =>
        [
            .. PeopleFacts
                .Named.Sound(c, asOf)
                .GroupBy(p => p.Fact.PersonId)
                .Select(g => g.MaxBy(p => p.Line).Fact)
                .OrderBy(p => p.PersonId),
        ];

    // The last line of each name, however old: years of check-ins are not read to find those who are out.
    private const string LastOfEach = $"""
        t.line IN (SELECT line FROM (
            SELECT s.line, row_number() OVER (PARTITION BY lower(trim(s.who)) ORDER BY l.happened DESC, l.line DESC) AS n
            FROM lone_work s CROSS JOIN log l USING (line) WHERE {Lines.Count}) WHERE n = 1)
        """;

    /// <summary>Who works alone and is to be heard again, by when.</summary>
    public static IReadOnlyList<OutAlone> Alone(SqliteConnection c, AsOf asOf, DateTimeOffset now) =>
        OutAlone.Of(PeopleFacts.Lone.Sound(c, asOf, LastOfEach).Select(l => (l.Line, l.At, l.Fact)), now);
}
