using Dorsk.Core.Acclimate;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>Deliveries and acclimations.</summary>
internal static class ReceivingQuestions
{
    private const string Received = "f.pond, f.species, f.seller, f.lot, f.source, f.count, f.mean_g, f.dead, f.lively, f.even, f.sound, f.papers, f.price, f.verdict, f.note";

    /// <summary>Deliveries for a pond, oldest first.</summary>
    public static List<(long Line, DateTimeOffset At, FishReceived Fact)> Deliveries(SqliteConnection c, AsOf asOf, long pond) => Sqlite.Rows(c,
        $"SELECT l.line, l.happened, {Received} FROM fish_received f CROSS JOIN log l USING (line) WHERE f.pond = $pond AND {Lines.Count} ORDER BY l.happened, l.line", r => (r.GetInt64(0), r.Instant(1), Delivery(r, 2)), Lines.With(asOf, ("pond", pond)));

    public static FishReceived? DeliveryOf(SqliteConnection c, long line) => Sqlite.One(c, $"SELECT {Received} FROM fish_received f WHERE f.line = $line", r => Delivery(r, 0), ("line", line));

    /// <summary>Acclimations, all or of a pond, the newest first.</summary>
    public static List<AccRun> Runs(SqliteConnection c, AsOf asOf, Hand hand, long? pond) => Sqlite.Rows(c,
        $"SELECT l.line, l.happened, a.pond, a.species, a.mean_g, a.fish, a.origin, a.hours_in_bag, a.school FROM acclimation a CROSS JOIN log l USING (line) WHERE ($pond IS NULL OR a.pond = $pond) AND {Lines.Count} ORDER BY l.happened DESC, l.line DESC",
        r => (Line: r.GetInt64(0), At: r.Instant(1), Begun: new AcclimationBegun(r.GetInt64(2), r.GetString(3), r.GetDouble(4), r.GetInt32(5), r.GetString(6), None, [], r.GetDouble(7), r.Word<AccSchool>(8))), Lines.With(asOf, ("pond", pond)))
        .Select(x => Run(c, asOf, hand, x.Line, x.At, x.Begun)).ToList();

    /// <summary>One acclimation; null when there is none of that line, or it was taken back.</summary>
    public static AccRun? Run(SqliteConnection c, AsOf asOf, Hand hand, long line) => Runs(c, asOf, hand, null).Find(r => r.RunId == line);

    private static readonly AccWater None = new(0, 7, 0, null, null, null);

    private static AccRun Run(SqliteConnection c, AsOf asOf, Hand hand, long line, DateTimeOffset at, AcclimationBegun begun)
    {
        var waters = Sqlite.Rows(c, "SELECT temp_c, ph, salinity, tan, oxygen, alkalinity FROM acclimation_water WHERE line = $line ORDER BY n", r => new AccWater(r.GetDouble(0), r.GetDouble(1), r.GetDouble(2), r.MaybeReal(3), r.MaybeReal(4), r.MaybeReal(5)), ("line", line));
        begun = begun with { Bag = waters[0], Places = waters.Skip(1).ToList() };
        var notes = Sqlite.Rows(c, $"SELECT l.line, l.happened, l.author, n.run, n.pond, n.event, n.step, n.temp_c, n.ph, n.salinity, n.oxygen, n.count, n.text FROM acclimation_note n CROSS JOIN log l USING (line) WHERE n.run = $run AND {Lines.Count} ORDER BY l.happened, l.line",
            r => new AccLine(r.GetInt64(0), r.Instant(1), r.GetString(2), new(r.GetInt64(3), r.GetInt64(4), r.Word<AccEvent>(5), r.GetString(6), r.MaybeReal(7), r.MaybeReal(8), r.MaybeReal(9), r.MaybeReal(10), (int?)r.MaybeLong(11), r.GetString(12))), Lines.With(asOf, ("run", line)));
        return new(line, at, begun, AcclimationPlan.For(new(FishSpecies.Of(begun.SpeciesKey), begun.MeanG, begun.Bag, begun.Places, begun.HoursInBag, begun.School, hand)), notes);
    }

    private static FishReceived Delivery(SqliteDataReader r, int i) => new(r.GetInt64(i), r.GetString(i + 1), r.GetString(i + 2), r.GetString(i + 3), r.Word<SeedSource>(i + 4), r.GetInt32(i + 5), r.GetDouble(i + 6), r.GetInt32(i + 7), r.GetBoolean(i + 8), r.GetBoolean(i + 9), r.GetBoolean(i + 10), r.GetBoolean(i + 11), r.MaybeReal(i + 12), r.Word<DeliveryVerdict>(i + 13), r.GetString(i + 14));
}
