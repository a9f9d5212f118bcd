using Dorsk.Core.People;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.People;

/// <summary>Fish doctors and advisers, and what they said.</summary>
internal static class AdviserBook
{
    public static readonly FactTable<AdviserDescribed> Advisers = new FactTable<AdviserDescribed>(
        "adviser",
        "adviser",
        Reach.Pages
    )
        .Itself("adviser", a => a.AdviserId)
        .Column("name", a => a.Name)
        .Column("kind", a => a.Kind)
        .Column("phone", a => a.Phone)
        .Column("about", a => a.About)
        .Column("dropped", a => a.Dropped)
        .ReadBy(r =>
            new(
                r.Long("adviser"),
                r.Text("name"),
                r.Word<AdviserKind>("kind"),
                r.Text("phone"),
                r.Text("about"),
                r.Yes("dropped")
            )
        )
        .CheckedBy(
            (desk, a) =>
                a.Check(
                    Known(desk.Connection, desk.AsOf.Known)
                        .Where(x => x.AdviserId != a.AdviserId && x.AdviserId != desk.Line)
                        .Select(x => x.Name)
                )
        );

    public static readonly FactTable<AdviceKept> Advice = new FactTable<AdviceKept>("advice", "advice")
        .Pond("pond", a => a.PondId)
        .Batch("batch", a => a.BatchId)
        .Column("adviser", a => a.AdviserId)
        .Column("text", a => a.Text)
        .ReadBy(r => new(r.Long("pond"), r.Long("batch"), r.Long("adviser"), r.Text("text")))
        .CheckedBy(
            (desk, a) => a.Check(Known(desk.Connection, desk.AsOf.Known).Exists(x => x.AdviserId == a.AdviserId))
        );

    public static IReadOnlyList<FactKind> Kinds { get; } = [Advisers, Advice];

    /// <summary>Those in the book as last described, by name.</summary>
    public static List<AdviserDescribed> Known(SqliteConnection c, AsOf asOf) =>
        [
            .. Advisers
                .Newest(c, asOf, a => a.AdviserId)
                .Select(a => a.Fact)
                .OrderBy(a => a.Name, StringComparer.OrdinalIgnoreCase),
        ];
}
