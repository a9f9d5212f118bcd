using Dorsk.Core.People;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>People as last named.</summary>
internal static class PeopleQuestions
{
    public static List<PersonNamed> All(SqliteConnection c, AsOf asOf) => Sqlite.Sound(c,
        $"SELECT p.name, p.role, coalesce(p.person, p.line) FROM person p CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.line",
        r => new PersonNamed(r.GetString(0), Enum.Parse<Role>(r.GetString(1).Replace(" ", "", StringComparison.Ordinal), ignoreCase: true), r.GetInt64(2)), Lines.With(asOf))
        .GroupBy(p => p.PersonId).Select(g => g.Last()).OrderBy(p => p.PersonId).ToList();
}
