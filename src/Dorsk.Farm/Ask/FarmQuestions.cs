using Dorsk.Core.Feeding;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>A kind of feed in the store.</summary>
/// <param name="Id">Number.</param>
/// <param name="Name">Name.</param>
/// <param name="PelletMm">Pellet, mm.</param>
/// <param name="ProteinPct">Protein, percent.</param>
public sealed record FeedKind(long Id, string Name, double PelletMm, double ProteinPct)
{
    /// <summary>Price per kg, minor units, or null.</summary>
    public long? PriceMinorPerKg { get; init; }

    /// <summary>Feed or another input.</summary>
    public Core.Feeding.StoreKind Kind { get; init; }

    /// <summary>Fat, percent, or null.</summary>
    public double? FatPct { get; init; }

    /// <summary>Digestible energy, MJ/kg, or null.</summary>
    public double? EnergyMJKg { get; init; }

    /// <summary>Whether it floats, or null.</summary>
    public bool? Floats { get; init; }

    /// <summary>A bag, kg, or null.</summary>
    public double? BagKg { get; init; }

    /// <summary>From order to delivery, days, or null.</summary>
    public double? LeadDays { get; init; }

    /// <summary>The log line that last named it.</summary>
    public long Line { get; init; }
}

/// <summary>Aerators as they were from an instant on.</summary>
internal sealed record AeratorsFrom(DateTimeOffset From, IReadOnlyList<Aerator> Aerators);

/// <summary>The farm itself: its description, ponds, aerators, feed kinds.</summary>
internal static class FarmQuestions
{
    public static FarmDescribed? Farm(SqliteConnection c, AsOf asOf) => Sqlite.One(c,
        $"SELECT f.name, place_name, latitude, longitude, altitude_m, zone, units, decimal_sign, currency, kwh_price FROM farm f CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened DESC, l.line DESC LIMIT 1",
        r => new FarmDescribed(r.GetString(0), r.GetString(1), new(r.GetDouble(2), r.GetDouble(3)), r.GetDouble(4), r.GetString(5), new(r.Word<UnitSystem>(6), r.Word<DecimalSign>(7)), r.GetString(8), r.MaybeReal(9)),
        Lines.With(asOf));

    public static List<Pond> Ponds(SqliteConnection c, AsOf asOf) => Sqlite.Sound(c,
        $"""
        SELECT p.pond, code, name, p.kind, shape, length_m, width_m, diameter_m, depth_m, slope, use, outline, mean_depth_m, depth_table, fish_share, paddle_m3_h FROM pond p CROSS JOIN log l USING (line)
        WHERE {Lines.Count} AND l.line = (SELECT max(l2.line) FROM pond p2 CROSS JOIN log l2 USING (line) WHERE p2.pond = p.pond
          AND l2.entered <= $known AND NOT EXISTS (SELECT 1 FROM log v2 WHERE v2.voids = l2.line AND v2.entered <= $known))
        ORDER BY p.pond
        """,
        PondRow, Lines.With(asOf));

    /// <summary>Columns pond, code, name, kind, shape, length, width, diameter, depth, slope, use, outline, mean depth, depth table, fish share, paddle.</summary>
    public static Pond PondRow(SqliteDataReader r) => new(r.GetInt64(0), r.GetString(1), r.GetString(2), r.Word<PondKind>(3), r.GetString(4) switch
    {
        nameof(RoundTank) => new RoundTank(r.GetDouble(7), r.GetDouble(8)),
        nameof(OutlinePond) => new OutlinePond(new(Pairs.Read(r.GetString(11))), r.GetDouble(8), r.GetDouble(9)),
        nameof(MeanDepthPond) => new MeanDepthPond(new(Pairs.Read(r.GetString(11))), r.GetDouble(12), r.GetDouble(8)),
        nameof(TablePond) => new TablePond(new(Pairs.Read(r.GetString(11))), Pairs.Read(r.GetString(13))),
        _ => new SlopedRectangle(r.GetDouble(5), r.GetDouble(6), r.GetDouble(8), r.GetDouble(9)),
    }, r.GetString(10), r.MaybeReal(14) is { } share ? new(share, r.GetDouble(15)) : null);

    /// <summary>Ponds in use: those that are laid up stand aside.</summary>
    public static List<Pond> InUse(SqliteConnection c, AsOf asOf)
    {
        var archived = Archived(c, asOf);
        return Ponds(c, asOf).Where(p => !archived.ContainsKey(p.Id)).ToList();
    }

    /// <summary>Ponds that are laid up, with the reason.</summary>
    public static Dictionary<long, string> Archived(SqliteConnection c, AsOf asOf) => Sqlite.Rows(c,
        $"SELECT a.pond, a.archived, a.reason FROM pond_archived a CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line", r => (Pond: r.GetInt64(0), Yes: r.GetBoolean(1), Reason: r.GetString(2)), Lines.With(asOf))
        .GroupBy(a => a.Pond).Select(g => g.Last()).Where(a => a.Yes).ToDictionary(a => a.Pond, a => a.Reason);

    /// <summary>Equipment of a pond beside its aerators.</summary>
    public static List<Equipment> Equipment(SqliteConnection c, AsOf asOf, long pond)
    {
        var line = Sqlite.Number(c, $"SELECT f.line FROM equipment_fitted f CROSS JOIN log l USING (line) WHERE f.pond = $pond AND {Lines.Count} ORDER BY l.happened DESC, l.line DESC LIMIT 1", Lines.With(asOf, ("pond", pond)));
        return EquipmentRows(c, line);
    }

    public static List<Equipment> EquipmentRows(SqliteConnection c, long line) => Sqlite.Rows(c, "SELECT kind, name, power_kw, flow_m3_h, mesh_mm, thickness_um, uv, laid, life_cycles FROM equipment WHERE line = $line ORDER BY n",
        r => new Equipment(r.Word<EquipmentKind>(0), r.GetString(1), r.MaybeReal(2), r.MaybeReal(3), r.MaybeReal(4), r.MaybeReal(5), r.GetBoolean(6), r.MaybeDay(7), (int?)r.MaybeLong(8)), ("line", line));

    public static List<Aerator> AeratorRows(SqliteConnection c, long line) => Sqlite.Rows(c, "SELECT code, kind, shaft_kw, on_minute, off_minute FROM aerator WHERE line = $line ORDER BY n",
        r => new Aerator(r.GetString(0), AeratorKind.Find(r.GetString(1)) ?? throw new InvalidOperationException($"No kind of aerator {r.GetString(1)} in the tables."), r.GetDouble(2), Hour(r.MaybeLong(3)), Hour(r.MaybeLong(4))), ("line", line));

    public static Pond? Pond(SqliteConnection c, AsOf asOf, long pond) => Ponds(c, asOf).FirstOrDefault(p => p.Id == pond);

    public static List<FeedKind> Feeds(SqliteConnection c, AsOf asOf) => Goods(c, asOf).FindAll(k => k.Kind == Core.Feeding.StoreKind.Feed);

    /// <summary>Everything that the store holds kinds of, as last named, feed first.</summary>
    public static List<FeedKind> Goods(SqliteConnection c, AsOf asOf) => Sqlite.Sound(c,
        $"SELECT f.feed, f.name, f.pellet_mm, f.protein_pct, f.price_minor_per_kg, f.kind, f.fat_pct, f.energy_mj_kg, f.floats, f.bag_kg, f.lead_days, f.line FROM feed f CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY f.line",
        r => new FeedKind(r.GetInt64(0), r.GetString(1), r.GetDouble(2), r.GetDouble(3)) { PriceMinorPerKg = r.MaybeLong(4), Kind = r.Word<Core.Feeding.StoreKind>(5), FatPct = r.MaybeReal(6), EnergyMJKg = r.MaybeReal(7), Floats = r.MaybeLong(8) is { } f ? f == 1 : null, BagKg = r.MaybeReal(9), LeadDays = r.MaybeReal(10), Line = r.GetInt64(11) }, Lines.With(asOf))
        .GroupBy(k => k.Id).Select(g => g.Last()).OrderBy(k => k.Kind).ThenBy(k => k.PelletMm).ThenBy(k => k.Name, StringComparer.Ordinal).ToList();

    /// <summary>All fittings of aerators of a pond in order of time.</summary>
    public static List<AeratorsFrom> Aerators(SqliteConnection c, AsOf asOf, long pond)
    {
        var fittings = Sqlite.Rows(c, $"SELECT f.line, l.happened FROM aerators_fitted f CROSS JOIN log l USING (line) WHERE f.pond = $pond AND {Lines.Count} ORDER BY l.happened, l.line",
            r => (Line: r.GetInt64(0), From: r.Instant(1)), Lines.With(asOf, ("pond", pond)));
        return fittings.Select(f => new AeratorsFrom(f.From, AeratorRows(c, f.Line))).ToList();
    }

    private static TimeOnly? Hour(long? minute) => minute is { } m ? TimeOnly.MinValue.AddMinutes(m) : null;
}
