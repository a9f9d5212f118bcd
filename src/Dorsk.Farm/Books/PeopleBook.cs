using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>People and their roles.</summary>
internal sealed class PeopleBook : IBook
{
    public bool Keeps(Fact fact) => fact is PersonNamed;

    public long? PondOf(Fact fact) => null;

    public IEnumerable<Remark> Check(Desk desk, Fact fact)
    {
        var person = (PersonNamed)fact;
        return PeopleRules.Check(person, PeopleQuestions.All(desk.Connection, desk.AsOf.Known).Where(p => p.PersonId != person.PersonId).ToList());
    }

    public void Write(Desk desk, Fact fact)
    {
        var p = (PersonNamed)fact;
        Sqlite.Run(desk.Connection, "INSERT INTO person(line, name, role, person) VALUES ($line, $name, $role, $person)",
            ("line", desk.Line), ("name", p.Name.Trim()), ("role", p.Role), ("person", p.PersonId > 0 ? p.PersonId : null));
    }
}
