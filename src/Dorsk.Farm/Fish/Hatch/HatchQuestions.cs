using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Fish;

/// <summary>What the log knows of the hatchery.</summary>
internal static class HatchQuestions
{
    /// <summary>Vessels as last described, with the line of each, by name.</summary>
    public static List<(long Line, VesselDescribed Vessel)> Vessels(SqliteConnection c, AsOf asOf) =>
        [
            .. LotBook
                .Vessel.Newest(c, asOf, v => v.VesselId)
                .Select(v => (v.Line, v.Fact))
                .OrderBy(v => v.Fact.Name, StringComparer.OrdinalIgnoreCase),
        ];

    /// <summary>The books of eggs, larvae and fry.</summary>
    public static LotLedger Ledger(SqliteConnection c, AsOf asOf, params long?[] without)
    {
        var written = new List<(long, DateTimeOffset, object)>();
        void Add<T>(FactTable<T> table, string where = "")
            where T : Fact =>
            written.AddRange(
                table
                    .Sound(c, asOf, where)
                    .Where(f => !without.Contains(f.Line))
                    .Select(f => (f.Line, f.At, (object)f.Fact))
            );
        Add(LotBook.Eggs);
        Add(LotBook.Counted);
        Add(LotBook.Moved);
        Add(LotBook.Left);
        Add(FishFacts.Stocked, "t.hatch_lot IS NOT NULL");
        return LotLedger.Settle(written);
    }

    /// <summary>Every lot as it is known at an instant.</summary>
    /// <param name="c">The connection.</param>
    /// <param name="asOf">As of two times.</param>
    /// <param name="species">Species as they are known.</param>
    /// <param name="now">The instant.</param>
    /// <param name="onlyStanding">Only lots that still hold animals: the looks and meals of the years before are not read.</param>
    public static HatchStory Story(
        SqliteConnection c,
        AsOf asOf,
        Func<string, FishSpecies> species,
        DateTimeOffset now,
        bool onlyStanding = false
    )
    {
        var ledger = Ledger(c, asOf);
        List<LotStanding> lots = [.. ledger.Lots.Where(l => !onlyStanding || l.Count > 0)];
        var wanted = onlyStanding
            ? $"t.lot IN ({string.Join(',', lots.SelectMany(l => Line(ledger, l)).Distinct())})"
            : "";
        var vessels = Vessels(c, asOf);
        var looks = LotBook.Looked.Sound(c, asOf, wanted).ToLookup(l => l.Fact.LotId);
        var fed = LotBook.Fed.Sound(c, asOf, wanted).ToLookup(f => f.Fact.LotId);
        var feeders = LotBook.Feeder.Sound(c, asOf, wanted).ToLookup(f => f.Fact.LotId);
        LotState? State(LotStanding lot)
        {
            var fish = species(lot.Taken.SpeciesKey);
            var line = Line(ledger, lot);
            return EggTable.For(fish) is not { } table
                ? null
                : new(
                    lot,
                    fish,
                    table,
                    vessels.FirstOrDefault(v => v.Vessel.VesselId == lot.VesselId).Vessel,
                    [.. line.SelectMany(id => looks[id]).OrderBy(l => l.At).Select(l => (l.At, l.Fact))],
                    [.. line.SelectMany(id => fed[id]).OrderBy(f => f.At).Select(f => (f.At, f.Fact))],
                    Hatched(ledger, line),
                    now
                )
                {
                    Feeders = [.. feeders[lot.LotId].Select(f => (f.At, f.Fact))],
                };
        }
        return new(
            ledger,
            [.. lots.Select(State).OfType<LotState>()],
            vessels,
            Plans(c, asOf),
            [.. BroodBook.Nest.Sound(c, asOf).Select(n => (n.At, n.Fact))]
        );
    }

    // A part of a lot goes on with what was seen of the whole before.
    private static List<long> Line(LotLedger ledger, LotStanding lot)
    {
        List<long> line = [lot.LotId];
        for (var at = lot; at.ParentId is { } id && ledger.Lot(id) is { } parent; at = parent)
            line.Add(id);
        return line;
    }

    private static DateTimeOffset? Hatched(LotLedger ledger, List<long> line) =>
        ledger
            .Movements.Where(m => m.Fact is LotCounted { Stage: >= LotStage.Larvae } f && line.Contains(f.LotId))
            .Select(m => (DateTimeOffset?)m.At)
            .FirstOrDefault();

    /// <summary>Plans of the hatchery as last written, with the line of each.</summary>
    public static List<(long Line, HatchPlanned Plan)> Plans(SqliteConnection c, AsOf asOf) =>
        [
            .. BroodBook
                .Plan.Newest(c, asOf, p => p.PlanId)
                .Where(p => !p.Fact.Dropped)
                .Select(p => (p.Line, p.Fact))
                .OrderBy(p => p.Fact.Asked.On),
        ];

    /// <summary>The register as last written, with the line of each and the last inspection.</summary>
    public static List<(long Line, BroodDescribed Fish, (DateTimeOffset At, BroodInspected Look)? Seen)> Register(
        SqliteConnection c,
        AsOf asOf
    )
    {
        var looks = BroodBook.Inspected.Sound(c, asOf).ToLookup(l => l.Fact.BroodId);
        return
        [
            .. BroodBook
                .Described.Newest(c, asOf, b => b.BroodId)
                .OrderBy(b => b.Fact.Tag, StringComparer.OrdinalIgnoreCase)
                .Select(b =>
                    (
                        b.Line,
                        b.Fact,
                        looks[b.Fact.BroodId].LastOrDefault() is { Line: > 0 } seen
                            ? ((DateTimeOffset, BroodInspected)?)(seen.At, seen.Fact)
                            : null
                    )
                ),
        ];
    }

    /// <summary>Forage given, in order of time.</summary>
    public static List<(DateTimeOffset At, ForageGiven Fact)> Forage(SqliteConnection c, AsOf asOf) =>
        BroodBook.Forage.Sound(c, asOf).ConvertAll(f => (f.At, f.Fact));

    /// <summary>Target of each pond of fry as last written.</summary>
    public static Dictionary<long, FryTarget> Targets(SqliteConnection c, AsOf asOf) =>
        LotBook.Target.Sound(c, asOf).GroupBy(t => t.Fact.PondId).ToDictionary(g => g.Key, g => g.Last().Fact);

    /// <summary>Trials for open water, the newest first.</summary>
    public static List<(long Line, DateTimeOffset At, ReleaseTrial Fact)> Releases(SqliteConnection c, AsOf asOf) =>
        [.. LotBook.Release.Sound(c, asOf).Select(t => (t.Line, t.At, t.Fact)).Reverse()];

    /// <summary>Whether the farm has set that live and raw food is never given.</summary>
    public static bool NeverRaw(SqliteConnection c, AsOf asOf) =>
        BroodBook.Rule.Sound(c, asOf) is [.., var last] && last.Fact.Never;

    /// <summary>A lot just before the line is written; null when there is none by then.</summary>
    public static LotStanding? Before(Desk desk, long lot) =>
        Ledger(desk.Connection, desk.AsOf, desk.Line, desk.Corrects).Lot(lot);

    /// <summary>Objections to fry stocked from an own lot.</summary>
    public static IEnumerable<Remark> Stocked(Desk desk, FishStocked f)
    {
        if (f.HatchLotId is not { } id)
            yield break;
        if (Before(desk, id) is not { } lot)
            yield return Remark.Refuse("HatchLot", "There was no such lot at that hour. Choose one of the list.");
        else if (lot.Taken.SpeciesKey != f.SpeciesKey)
            yield return Remark.Refuse("HatchLot", "That lot is another fish.");
        else if (lot.Stage == LotStage.Eggs)
            yield return Remark.Refuse("HatchLot", "They are eggs on the books. Count the larvae first.");
        else if (f.Count > lot.Count)
            yield return Remark.Ask(
                "Count",
                $"The lot has {desk.Hand.Count(lot.Count)} on the books, fewer than that. One of the counts is wrong. Save it with the difference named?"
            );
    }

    public static VesselDescribed? Vessel(Desk desk, long id) =>
        Vessels(desk.Connection, desk.AsOf.Known).Find(v => v.Vessel.VesselId == id).Vessel;

    public static bool NameTaken(Desk desk, VesselDescribed vessel) =>
        Vessels(desk.Connection, desk.AsOf.Known)
            .Exists(v =>
                v.Line != desk.Corrects
                && v.Vessel.VesselId != vessel.VesselId
                && v.Vessel.Name.Equals(vessel.Name, StringComparison.OrdinalIgnoreCase)
            );

    public static List<BroodDescribed> Breeders(Desk desk) =>
        BroodBook.Described.Newest(desk.Connection, desk.AsOf.Known, b => b.BroodId).ConvertAll(b => b.Fact);

    public static bool TagTaken(Desk desk, BroodDescribed brood) =>
        Breeders(desk)
            .Exists(b => b.BroodId != brood.BroodId && b.Tag.Equals(brood.Tag, StringComparison.OrdinalIgnoreCase));

    /// <summary>When a pair was last seen in a nest; null when never.</summary>
    public static DateTimeOffset? PairSeen(Desk desk, NestChecked nest) =>
        BroodBook
            .Nest.Sound(desk.Connection, desk.AsOf, "t.vessel = $vessel", ("vessel", nest.VesselId))
            .Where(n => n.Line != desk.Line && n.Line != desk.Corrects && n.Fact.Seen == NestSeen.Pair)
            .Select(n => (DateTimeOffset?)n.At)
            .LastOrDefault();

    /// <summary>Objections to taking back a lot that something was written for.</summary>
    public static IEnumerable<Remark> LotInUse(Desk desk, long lot, long line)
    {
        (string, string)[] tables =
        [
            ("lot_look", "lot"),
            ("lot_count", "lot"),
            ("lot_move", "from_lot"),
            ("lot_left", "lot"),
            ("fry_feed", "lot"),
            ("fry_feeder", "lot"),
            ("stocking", "hatch_lot"),
        ];
        var lines = tables
            .SelectMany(t => Lines(desk.Connection, t.Item1, t.Item2, lot))
            .Where(l => l != line)
            .ToList();
        if (lines.Count > 0)
            yield return Remark.Refuse(
                "",
                $"Later lines stand on this lot: {string.Join(", ", lines.Order().Take(6))} of the log. Take those back first."
            );
    }

    /// <summary>Objections to taking back a vessel that a lot stands in.</summary>
    public static IEnumerable<Remark> VesselInUse(Desk desk, long vessel)
    {
        if (
            Lines(desk.Connection, "eggs", "vessel", vessel)
                .Concat(Lines(desk.Connection, "lot_move", "vessel", vessel))
                .Any()
        )
            yield return Remark.Refuse("", "Lots were put into this vessel. Describe it as no longer used instead.");
    }

    private static List<long> Lines(SqliteConnection c, string table, string column, long number) =>
        Sqlite.Rows(
            c,
            $"""
            SELECT t.line FROM {table} t CROSS JOIN log l USING (line) WHERE t.{column} = $number
              AND NOT EXISTS (SELECT 1 FROM log v WHERE v.voids = l.line)
            """,
            r => r.GetInt64(0),
            ("number", number)
        );
}

/// <summary>The hatchery as it is known at an instant.</summary>
/// <param name="Ledger">Its books.</param>
/// <param name="Lots">Every lot, in order of its taking.</param>
/// <param name="Vessels">Vessels with the line of each.</param>
/// <param name="Plans">Plans with the line of each.</param>
/// <param name="NestLooks">Nests looked into, in order of time.</param>
public sealed record HatchStory(
    LotLedger Ledger,
    IReadOnlyList<LotState> Lots,
    IReadOnlyList<(long Line, VesselDescribed Vessel)> Vessels,
    IReadOnlyList<(long Line, HatchPlanned Plan)> Plans,
    IReadOnlyList<(DateTimeOffset At, NestChecked Fact)> NestLooks
)
{
    /// <summary>Lots that still hold animals.</summary>
    public IEnumerable<LotState> Standing => Lots.Where(l => l.Lot.Count > 0);
}
