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
        .CheckedBy(
            (desk, w) =>
                w.Minutes > 0 ? w.Check().Concat(Training.Alone(SignedTasks(desk), Everybody(desk), w.Who)) : w.Check()
        );

    public static readonly FactTable<TaskSigned> Signed = new FactTable<TaskSigned>(
        "task_signed",
        "task signed",
        Reach.Pages
    )
        .Column("person", t => t.PersonId)
        .Column("task", t => t.Task)
        .Column("step", t => t.Step)
        .Column("teacher", t => t.TeacherId)
        .ReadBy(r => new(r.Long("person"), r.Text("task"), r.Word<TaskStep>("step"), r.MaybeLong("teacher")))
        .CheckedBy((desk, t) => t.Check(SignedTasks(desk), Everybody(desk)));

    public static readonly FactTable<CastPractised> Casts = new FactTable<CastPractised>(
        "cast_practice",
        "net practice",
        Reach.Pages
    )
        .Column("person", c => c.PersonId)
        .Column("throws", c => c.Throws)
        .Column("opened", c => c.Opened)
        .ReadBy(r => new(r.Long("person"), r.Int("throws"), r.Int("opened")))
        .CheckedBy((desk, c) => c.Check(Everybody(desk)));

    public static IReadOnlyList<FactKind> Kinds { get; } = [Named, Lone, Signed, Casts];

    // Without the line that is being written.
    internal static List<TaskSigned> SignedTasks(Desk desk) =>
        [
            .. Signed
                .Sound(desk.Connection, desk.AsOf.Known)
                .Where(s => s.Line != desk.Line && s.Line != desk.Corrects)
                .Select(s => s.Fact),
        ];

    // Roles were written with a space once; who was first named has no number of their own.
    private static PersonNamed PersonOf(FactRow r) =>
        new(
            r.Text("name"),
            Enum.Parse<Role>(r.Text("role").Replace(" ", "", StringComparison.Ordinal), ignoreCase: true),
            r.MaybeLong("person") ?? r.Line
        );

    private static List<PersonNamed> Everybody(Desk desk) => PeopleQuestions.All(desk.Connection, desk.AsOf.Known);
}
