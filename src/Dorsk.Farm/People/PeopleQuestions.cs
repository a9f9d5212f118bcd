using Dorsk.Core.People;
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
}
