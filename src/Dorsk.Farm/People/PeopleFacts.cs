using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Safety;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.People;

/// <summary>People and their roles.</summary>
internal static class PeopleFacts
{
    public static readonly FactTable<PersonNamed> Named = new FactTable<PersonNamed>("person", "person", Reach.Farm)
        .Column("name", p => p.Name)
        .Column("role", p => p.Role)
        .Itself("person", p => p.PersonId)
        .ReadBy(PersonOf)
        .CheckedBy((desk, p) => PeopleRules.Check(p, [.. Everybody(desk).Where(other => other.PersonId != p.PersonId)]))
        .VoidedBy(
            (desk, _, _) =>
                Everybody(desk).Any(p => p.Role == Role.Manager)
                    ? []
                    : [Remark.Refuse("", "Nobody would be left who may manage the farm. Name another Manager first.")]
        );

    public static readonly FactTable<LoneWork> Lone = new FactTable<LoneWork>("lone_work", "check-in", Reach.Pages)
        .Column("who", w => w.Who)
        .Column("minutes", w => w.Minutes)
        .Column("place", w => w.Place)
        .ReadBy(r => new(r.Text("who"), r.Int("minutes"), r.Text("place")))
        .CheckedBy((_, w) => w.Check());

    public static IReadOnlyList<FactKind> Kinds { get; } = [Named, Lone];

    // Roles were written with a space once; who was first named has no number of their own.
    private static PersonNamed PersonOf(FactRow r) =>
        new(
            r.Text("name"),
            Enum.Parse<Role>(r.Text("role").Replace(" ", "", StringComparison.Ordinal), ignoreCase: true),
            r.MaybeLong("person") ?? r.Line
        );

    private static List<PersonNamed> Everybody(Desk desk) => PeopleQuestions.All(desk.Connection, desk.AsOf.Known);
}
