using Dorsk.Core.Judging;
using Dorsk.Core.Machines;
using Dorsk.Core.Time;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Machines;

/// <summary>Equipment that fish live by, its spares and its tests.</summary>
internal static class VitalBook
{
    public static readonly FactTable<VitalKept> Kept = new FactTable<VitalKept>("vital", "equipment")
        .Itself("vital", v => v.VitalId)
        .Column("kind", v => v.Kind)
        .Column("name", v => v.Name)
        .Pond("pond", v => v.PondId)
        .Column("every_days", v => v.EveryDays)
        .Column("spares", v => v.Spares)
        .Column("spare_where", v => v.SpareWhere)
        .Column("gone", v => v.Gone)
        .ReadBy(r =>
            new(
                r.Long("vital"),
                r.Text("kind"),
                r.Text("name"),
                r.MaybeLong("pond"),
                r.Int("every_days"),
                r.Int("spares"),
                r.Text("spare_where"),
                r.Yes("gone")
            )
        )
        .CheckedBy((_, v) => v.Check())
        .VoidedBy(StillTested);

    public static readonly FactTable<VitalChecked> Checked = new FactTable<VitalChecked>(
        "vital_checked",
        "equipment test"
    )
        .Column("vital", v => v.VitalId)
        .Pond("pond", v => v.PondId)
        .Column("figure", v => v.Figure)
        .Column("passed", v => v.Passed)
        .Column("text", v => v.Text)
        .ReadBy(r => new(r.Long("vital"), r.MaybeLong("pond"), r.MaybeReal("figure"), r.Yes("passed"), r.Text("text")))
        .CheckedBy((desk, v) => v.Check(Find(desk, v.VitalId), desk.Hand));

    public static IReadOnlyList<FactKind> Kinds { get; } = [Kept, Checked];

    /// <summary>Each piece the farm has, with its last test, by name.</summary>
    public static List<VitalState> All(SqliteConnection c, AsOf asOf, FarmZone zone)
    {
        var last = Checked.All(c, asOf).GroupBy(x => x.Fact.VitalId).ToDictionary(g => g.Key, g => g.Last());
        return
        [
            .. Kept.Newest(c, asOf, v => v.VitalId)
                .Where(v => !v.Fact.Gone)
                .Select(v => new VitalState(
                    v.Line,
                    v.Fact,
                    last.TryGetValue(v.Fact.VitalId, out var test) ? (zone.DayOf(test.At), test.Fact) : null
                ))
                .OrderBy(v => v.Kept.Name, StringComparer.OrdinalIgnoreCase),
        ];
    }

    private static VitalKept? Find(Desk desk, long number) =>
        Kept.Newest(desk.Connection, desk.AsOf.Known, v => v.VitalId)
            .Where(v => v.Fact.VitalId == number)
            .Select(v => v.Fact)
            .FirstOrDefault();

    private static IEnumerable<Remark> StillTested(Desk desk, VitalKept v, long line)
    {
        if (Find(desk, v.VitalId) is not null)
            yield break;
        if (Checked.All(desk.Connection, desk.AsOf.Known, "t.vital = $vital", ("vital", v.VitalId)) is [var test, ..])
            yield return Remark.Refuse(
                "",
                $"Line {test.Line} of the log is a test of it. Tick that the farm has it no longer instead."
            );
    }
}
