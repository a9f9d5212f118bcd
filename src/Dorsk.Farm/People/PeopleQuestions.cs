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

    /// <summary>Who works alone and is to be heard again, by when.</summary>
    public static IReadOnlyList<OutAlone> Alone(SqliteConnection c, AsOf asOf, DateTimeOffset now) =>
        OutAlone.Of(
            PeopleFacts
                .Lone.Sound(c, asOf, "l.happened >= $since", ("since", now.AddDays(-2)))
                .Select(l => (l.Line, l.At, l.Fact)),
            now
        );
}
