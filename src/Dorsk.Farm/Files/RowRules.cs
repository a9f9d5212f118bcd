using System.Globalization;
using Dorsk.Core.Acclimate;
using Dorsk.Core.Air;
using Dorsk.Core.Alarms;
using Dorsk.Core.Feeding;
using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Season;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Files;

/// <summary>
/// What a cell of a fact's table may hold, whoever wrote it: an import, an older program, or a failing disk. What a page could not read,
/// or could only turn into nonsense, is wrong here. Words come from the same types that the readers use.
/// </summary>
public static class RowRules
{
    // No mass, length, count or price of a farm comes near it; beyond, sums lose their sense.
    private const double Largest = 1e12;
    private static readonly DateTimeOffset Earliest = new(2000, 1, 1, 0, 0, 0, TimeSpan.Zero),
        Latest = new(2200, 1, 1, 0, 0, 0, TimeSpan.Zero);

    private static readonly HashSet<string> Instants =
    [
        "log.happened",
        "log.entered",
        "entry.entered",
        "forecast_issued.low_at",
        "forecast_issued.start_at",
        "aerator_switched.until",
        "kill_written.began",
        "probe_value.at",
        "probe_roll.low_at",
        "probe_roll.start",
    ];

    private static readonly HashSet<string> Days =
    [
        "feed_received.expiry",
        "forecast_issued.night",
        "preparation.stock_on",
        "cycle_planned.stock_on",
        "cycle_planned.harvest_on",
        "harvest_planned.day",
        "equipment.laid",
        "instrument.calibrated",
        "duty.first_day",
        "duty.last_day",
        "feeder.weighed_on",
        "ration_overruled.day",
        "loss_guessed.began",
    ];

    private static readonly HashSet<string> Hours = ["duty.at_hour", "call_list.quiet_from", "call_list.quiet_to"];

    private static readonly HashSet<string> NeverNegative =
    [
        "stocking.count",
        "stocking.mean_g",
        "loss.count",
        "move.count",
        "move.mean_g",
        "harvest.count",
        "harvest.mass_kg",
        "weighing.count",
        "weighing.mass_g",
        "feeding.mass_kg",
        "feed_received.mass_kg",
        "recount.count",
        "kill_written.lost",
        "loss_guessed.low_share",
        "loss_guessed.high_share",
        "treatment.amount_g",
        "hunter_seen.count",
        "aerator.shaft_kw",
        "pond.depth_m",
    ];

    private static readonly HashSet<string> Kinds = [.. FactKinds.All.Select(k => k.Name), LogLines.TakenBack];

    private static readonly string[] Shapes =
    [
        nameof(RoundTank),
        nameof(OutlinePond),
        nameof(MeanDepthPond),
        nameof(TablePond),
        nameof(SlopedRectangle),
    ];

    private static readonly Dictionary<string, Type> Words = new()
    {
        ["farm.units"] = typeof(UnitSystem),
        ["farm.decimal_sign"] = typeof(DecimalSign),
        ["pond.kind"] = typeof(PondKind),
        ["pond_work.work"] = typeof(PondWork),
        ["equipment.kind"] = typeof(EquipmentKind),
        ["mark.kind"] = typeof(MarkKind),
        ["instrument.kind"] = typeof(InstrumentKind),
        ["device.use"] = typeof(DeviceUse),
        ["feed.kind"] = typeof(StoreKind),
        ["store_taken.cause"] = typeof(StoreCause),
        ["feeder.dose"] = typeof(FeederDose),
        ["ration_school.school"] = typeof(RationSchool),
        ["stocking.basis"] = typeof(CountBasis),
        ["posting.account"] = typeof(Account),
        ["posting.basis"] = typeof(CountBasis),
        ["loss.account"] = typeof(Account),
        ["move.basis"] = typeof(CountBasis),
        ["recount.basis"] = typeof(CountBasis),
        ["harvest.basis"] = typeof(CountBasis),
        ["harvest.account"] = typeof(Account),
        ["sample_mark.mark"] = typeof(HealthMark),
        ["quarantine.event"] = typeof(QuarantineEvent),
        ["fish_received.source"] = typeof(SeedSource),
        ["fish_received.verdict"] = typeof(DeliveryVerdict),
        ["fish_received.stage"] = typeof(SeedStage),
        ["acclimation.school"] = typeof(AccSchool),
        ["acclimation_note.event"] = typeof(AccEvent),
        ["job_closed.outcome"] = typeof(JobOutcome),
        ["duty.who"] = typeof(Role),
        ["limit_set.stage"] = typeof(LifeStage),
        ["forecast_issued.method"] = typeof(DeclineMethod),
        ["preparation.lime"] = typeof(LimeSchool),
        ["preparation.texture"] = typeof(SoilTexture),
        ["preparation.pests"] = typeof(PestSchool),
        ["preparation.fertiliser"] = typeof(FertiliserSchool),
        ["alarm_raised.cause"] = typeof(AlarmCause),
        ["alarm_raised.level"] = typeof(Status),
        ["alarm_told.level"] = typeof(Status),
        ["aerator_switched.wanted"] = typeof(AirOrder),
        ["product.kind"] = typeof(ProductKind),
        ["product.matter"] = typeof(ActiveMatter),
        ["product.basis"] = typeof(DoseBasis),
        ["bath_note.event"] = typeof(BathEvent),
    };

    /// <summary>What is wrong with a cell, in words; null when nothing is.</summary>
    /// <param name="table">Table.</param>
    /// <param name="column">Column.</param>
    /// <param name="cell">Its value as SQLite holds it; null where it is empty.</param>
    /// <param name="row">Other cells of its row by column.</param>
    public static string? Wrong(string table, string column, object? cell, Func<string, object?> row)
    {
        var place = table + "." + column;
        return cell switch
        {
            null => null,
            double figure => Figure(place, figure, row),
            long whole => Whole(place, whole),
            string text => Text(place, column, text),
            _ => "a kind of value that no fact has",
        };
    }

    private static string? Figure(string place, double figure, Func<string, object?> row)
    {
        if (!double.IsFinite(figure) || Math.Abs(figure) > Largest)
            return "no figure that a farm can have";
        if (place is "farm.latitude" && Math.Abs(figure) > 66)
            return "a latitude lies between -66 and 66 degrees";
        if (NeverNegative.Contains(place) && figure < 0)
            return "it cannot be negative";
        return
            place is "reading.value" or "probe_value.value"
            && row("parameter") is string key
            && Parameter.Find(key) is { } parameter
            && (figure < parameter.HardLow || figure > parameter.HardHigh)
            ? string.Create(
                CultureInfo.InvariantCulture,
                $"{parameter.Name} lies between {parameter.HardLow:0.###} and {parameter.HardHigh:0.###} (SI)"
            )
            : null;
    }

    private static string? Whole(string place, long whole)
    {
        if (Instants.Contains(place))
            return whole < Earliest.ToUnixTimeMilliseconds() || whole > Latest.ToUnixTimeMilliseconds()
                ? "an instant lies between the years 2000 and 2200"
                : null;
        if (NeverNegative.Contains(place) && whole < 0)
            return "it cannot be negative";
        return Math.Abs((double)whole) > Largest ? "no figure that a farm can have" : null;
    }

    private static string? Text(string place, string column, string text)
    {
        if (Words.TryGetValue(place, out var words))
            return Enum.GetNames(words).Contains(text)
                ? null
                : $"one of {string.Join(", ", Enum.GetNames(words).Take(12))}";
        if (Days.Contains(place))
            return DateOnly.TryParseExact(text, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out _)
                ? null
                : "a day is written like 2027-01-21";
        if (Hours.Contains(place))
            return TimeOnly.TryParseExact(text, "HH:mm", CultureInfo.InvariantCulture, DateTimeStyles.None, out _)
                ? null
                : "an hour is written like 06:30";
        return WordRule(place, column, text);
    }

    private static string? WordRule(string place, string column, string text) =>
        place switch
        {
            "log.kind" => Kinds.Contains(text) ? null : "no kind of fact that this build knows",
            "aerator.kind" => AeratorKind.Find(text) is null ? "no kind of aerator that this build knows" : null,
            "pond.shape" => Shapes.Contains(text) ? null : "no shape that this build knows",
            "farm.zone" => FarmZone.Find(text) is null ? "no time zone that this machine knows" : null,
            "person.role" => Enum.TryParse<Role>(text.Replace(" ", "", StringComparison.Ordinal), true, out _)
                ? null
                : "no role",
            "instrument.measures" => text.Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .All(k => Parameter.Find(k) is not null)
                ? null
                : "a parameter that this build does not know",
            _ when column == "parameter" => Parameter.Find(text) is null ? "no parameter that this build knows" : null,
            _ when column == "species" && text.Length > 0 => FishSpecies.Find(text) is null
                ? "no species that this build knows"
                : null,
            _ => null,
        };
}
