using Dorsk.Core.People;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.People;

/// <summary>Rosters of net days and nights.</summary>
internal static class RosterBook
{
    public static readonly FactTable<RosterSet> Rosters = new FactTable<RosterSet>("roster", "roster", Reach.Pages)
        .Column("kind", r => r.Kind)
        .Pond("pond", r => r.PondId)
        .Column("day", r => r.Day)
        .Rows("roster_place", r => r.Places, ("role", p => p.Role), ("person", p => p.PersonId))
        .ReadBy(r =>
            new(
                r.Word<RosterKind>("kind"),
                r.MaybeLong("pond"),
                r.Day("day"),
                r.Rows("roster_place", x => new RosterPlace(x.Text("role"), x.Long("person")))
            )
        )
        .CheckedBy((desk, r) => r.Check(KnownAt(desk), desk.Today));

    public static IReadOnlyList<FactKind> Kinds { get; } = [Rosters];

    /// <summary>Rosters as they stand: the newest of each pond and day, with its line.</summary>
    public static List<(long Line, RosterSet Roster)> Standing(SqliteConnection c, AsOf asOf, long? without = null) =>
        [
            .. Rosters
                .Sound(c, asOf)
                .Where(r => r.Line != without)
                .GroupBy(r => (r.Fact.Kind, r.Fact.PondId, r.Fact.Day))
                .Select(g => g.MaxBy(r => r.Line))
                .Select(r => (r.Line, r.Fact)),
        ];

    /// <summary>The roster of a pond's net day; null where none stands.</summary>
    public static RosterSet? NetDay(SqliteConnection c, AsOf asOf, long pondId, DateOnly day) =>
        Standing(c, asOf).Select(r => r.Roster).FirstOrDefault(r => r.PondId == pondId && r.Day == day);

    private static RosterKnown KnownAt(Desk desk) =>
        new(
            PeopleQuestions.All(desk.Connection, desk.AsOf.Known),
            PeopleFacts.SignedTasks(desk),
            [
                .. Standing(desk.Connection, desk.AsOf.Known, desk.Line)
                    .Where(r => r.Line != desk.Corrects)
                    .Select(r => r.Roster),
            ]
        );
}
