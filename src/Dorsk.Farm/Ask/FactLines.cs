using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>Reads the fact of one line back, voided or not, so that a slip can correct it.</summary>
internal static class FactLines
{
    public static Fact? Of(SqliteConnection c, LogRow row) => row.Kind switch
    {
        nameof(PondBuilt) => Pond(c, row.Line),
        nameof(AeratorsFitted) => Aerators(c, row.Line),
        nameof(PondWorked) => Sqlite.One(c, "SELECT pond, work, text, amount_kg FROM pond_work WHERE line = $line", r => new PondWorked(r.GetInt64(0), r.Word<PondWork>(1), r.GetString(2), r.MaybeReal(3)), ("line", row.Line)),
        nameof(EquipmentFitted) => Sqlite.One(c, "SELECT pond FROM equipment_fitted WHERE line = $line", r => new EquipmentFitted(r.GetInt64(0), FarmQuestions.EquipmentRows(c, row.Line)), ("line", row.Line)),
        nameof(PondArchived) => Sqlite.One(c, "SELECT pond, archived, reason FROM pond_archived WHERE line = $line", r => new PondArchived(r.GetInt64(0), r.GetBoolean(1), r.GetString(2)), ("line", row.Line)),
        nameof(Core.Prepare.PreparationPlanned) => PrepareQuestions.Of(c, row.Line),
        nameof(InstrumentKept) => InstrumentQuestions.Of(c, row.Line),
        nameof(Core.Plans.StockingPlanKept) => StockingPlanQuestions.Of(c, row.Line),
        nameof(Core.Plans.HarvestPlanned) => SeasonPlanQuestions.HarvestOf(c, row.Line),
        nameof(Core.Plans.CyclePlanned) => SeasonPlanQuestions.CycleOf(c, row.Line),
        nameof(FeederKept) => RationQuestions.FeederOfLine(c, row.Line),
        nameof(FishMoved) => Sqlite.One(c, "SELECT pond, to_pond, batch, count, mean_g, basis FROM move WHERE line = $line", r => new FishMoved(r.GetInt64(0), r.GetInt64(1), r.GetInt64(2), r.GetInt32(3), r.GetDouble(4), r.Word<CountBasis>(5)), ("line", row.Line)),
        nameof(FishRecounted) => Sqlite.One(c, "SELECT pond, batch, count, basis, reason FROM recount WHERE line = $line", r => new FishRecounted(r.GetInt64(0), r.GetInt64(1), r.GetInt32(2), r.Word<CountBasis>(3), r.GetString(4)), ("line", row.Line)),
        nameof(LandmarkDrawn) => PlanQuestions.LandmarkOf(c, row.Line),
        nameof(Core.Air.AirControlSet) or nameof(Core.Air.AeratorSwitched) or nameof(Core.Air.AeratorServiced) or nameof(Core.Air.AeratorTested) => AirQuestions.Line(c, row.Kind, row.Line),
        nameof(DeviceKept) => DeviceQuestions.Of(c, row.Line),
        nameof(QuarantineNoted) => QuarantineQuestions.Line(c, row.Line),
        nameof(FishReceived) => ReceivingQuestions.DeliveryOf(c, row.Line),
        nameof(Core.Season.DutyKept) => DutyQuestions.Of(c, row.Line),
        nameof(ReadingTaken) => Reading(c, row),
        nameof(FeedNamed) => FarmQuestions.Goods(c, AsOf.Now(DateTimeOffset.MaxValue)).Find(k => k.Line == row.Line) is { } k ? new FeedNamed(k.Id, k.Name, k.PelletMm, k.ProteinPct, k.PriceMinorPerKg) { Kind = k.Kind, FatPct = k.FatPct, EnergyMJKg = k.EnergyMJKg, Floats = k.Floats, BagKg = k.BagKg, LeadDays = k.LeadDays } : null,
        nameof(FeedReceived) => Sqlite.One(c, "SELECT feed, lot, mass_kg, expiry, price_minor_per_kg, freight_minor FROM feed_received WHERE line = $line", r => new FeedReceived(r.GetInt64(0), r.GetString(1), r.GetDouble(2), r.MaybeDay(3)) { PriceMinorPerKg = r.MaybeLong(4), FreightMinor = r.GetInt64(5) }, ("line", row.Line)),
        nameof(StoreTaken) => Sqlite.One(c, "SELECT feed, lot, mass_kg, cause, text FROM store_taken WHERE line = $line", r => new StoreTaken(r.GetInt64(0), r.GetString(1), r.GetDouble(2), r.Word<StoreCause>(3), r.GetString(4)), ("line", row.Line)),
        nameof(StoreCounted) => Sqlite.One(c, "SELECT feed, mass_kg, reason FROM store_counted WHERE line = $line", r => new StoreCounted(r.GetInt64(0), r.GetDouble(1), r.GetString(2)), ("line", row.Line)),
        nameof(FeedingGiven) => Sqlite.One(c, "SELECT pond, feed, mass_kg, score, minutes, left_kg FROM feeding WHERE line = $line", r => new FeedingGiven(r.GetInt64(0), r.GetInt64(1), r.GetDouble(2), (int?)r.MaybeLong(3), r.MaybeReal(4), r.GetDouble(5)), ("line", row.Line)),
        nameof(FishStocked) => Sqlite.One(c, "SELECT pond, species, origin, count, mean_g, basis, not_ready_reason, target_g FROM stocking WHERE line = $line",
            r => new FishStocked(r.GetInt64(0), r.GetString(1), r.GetString(2), r.GetInt32(3), r.GetDouble(4), r.Word<CountBasis>(5), r.GetString(6), r.MaybeReal(7)), ("line", row.Line)),
        nameof(FishLost) => Sqlite.One(c, "SELECT pond, batch, count, account, cause FROM loss WHERE line = $line", r => new FishLost(r.GetInt64(0), r.GetInt64(1), r.GetInt32(2), r.Word<Account>(3), r.GetString(4)), ("line", row.Line)),
        nameof(FishHarvested) => Sqlite.One(c, "SELECT pond, batch, count, mass_kg, basis, account, final, difference_reason FROM harvest WHERE line = $line",
            r => new FishHarvested(r.GetInt64(0), r.GetInt64(1), r.GetInt32(2), r.GetDouble(3), r.Word<CountBasis>(4), r.Word<Account>(5), r.GetBoolean(6), r.GetString(7)), ("line", row.Line)),
        nameof(FishSampled) => Sample(c, row.Line),
        _ => null,
    };

    private static PondBuilt? Pond(SqliteConnection c, long line) => Sqlite.One(c, "SELECT pond, code, name, kind, shape, length_m, width_m, diameter_m, depth_m, slope, use, outline, mean_depth_m, depth_table, fish_share, paddle_m3_h FROM pond WHERE line = $line", r => new PondBuilt(FarmQuestions.PondRow(r)), ("line", line));

    private static AeratorsFitted? Aerators(SqliteConnection c, long line) => Sqlite.One(c, "SELECT pond FROM aerators_fitted WHERE line = $line", r => new AeratorsFitted(r.GetInt64(0), FarmQuestions.AeratorRows(c, line)), ("line", line));

    private static ReadingTaken Reading(SqliteConnection c, LogRow row) => new(row.PondId, Sqlite.Rows(c, "SELECT parameter, value, depth_m, instrument, low, high FROM reading WHERE line = $line ORDER BY n",
        r => new Value(Parameter.ByKey(r.GetString(0)), r.GetDouble(1), r.MaybeReal(2), r.GetString(3)) { Step = r.MaybeReal(4) is { } low ? (low, r.GetDouble(5)) : null }, ("line", row.Line)));

    private static FishSampled? Sample(SqliteConnection c, long line)
    {
        var weighings = Sqlite.Rows(c, "SELECT count, mass_g, length_m FROM weighing WHERE line = $line ORDER BY n", w => (Count: w.GetInt32(0), MassG: w.GetDouble(1), LengthM: w.MaybeReal(2)), ("line", line));
        var marks = Sqlite.Rows(c, "SELECT mark, fish FROM sample_mark WHERE line = $line", m => new MarkCount(m.Word<HealthMark>(0), m.GetInt32(1)), ("line", line));
        return Sqlite.One(c, "SELECT pond, batch, single FROM sample WHERE line = $line", r => new FishSampled(r.GetInt64(0), r.GetInt64(1), r.GetBoolean(2), [.. weighings.Select(w => (w.Count, w.MassG))])
        {
            LengthsM = weighings.Exists(w => w.LengthM is not null) ? [.. weighings.Select(w => w.LengthM)] : [], Marks = marks,
        }, ("line", line));
    }
}
