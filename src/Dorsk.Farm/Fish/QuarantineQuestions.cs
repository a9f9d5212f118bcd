using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Fish;

/// <summary>Batches that are held apart.</summary>
internal static class QuarantineQuestions
{
    /// <summary>All that are held, by batch and by each pond that some of it stands in.</summary>
    public static List<Quarantine> Held(SqliteConnection c, AsOf asOf, FarmZone zone) =>
        FishFacts
            .Quarantine.Sound(c, asOf)
            .GroupBy(x => x.Fact.BatchId)
            .SelectMany(g => Quarantine.Follow(g.Select(x => (x.At, x.Fact)), Moves(c, asOf, g.Key), zone))
            .Where(q => FishQuestions.Standing(c, asOf, q.PondId).Exists(b => b.Id == q.BatchId && b.Stands > 0))
            .ToList();

    /// <summary>The water of one pond, as its quarantine sees it.</summary>
    public static HeldWater Of(SqliteConnection c, AsOf asOf, FarmZone zone, long pond)
    {
        var held = Held(c, asOf, zone).FindAll(q => q.PondId == pond);
        if (held.Count == 0)
            return HeldWater.None;
        var marks = FishFacts
            .Sampled.All(c, asOf, "t.pond = $pond", ("pond", pond))
            .SelectMany(s => s.Fact.Marks.Select(m => (zone.DayOf(s.At), m)));
        return new(held, [.. marks]);
    }

    private const int DaysToBegin = 7;

    /// <summary>Batches bought in the last week that stand where they were stocked and were never held apart.</summary>
    /// <param name="c">The connection.</param>
    /// <param name="asOf">As of two times.</param>
    /// <param name="zone">The farm's clock.</param>
    /// <param name="now">Now.</param>
    /// <param name="waterC">Temperature of a pond's water, °C, or null.</param>
    public static List<LotToHold> NotHeld(
        SqliteConnection c,
        AsOf asOf,
        FarmZone zone,
        DateTimeOffset now,
        Func<long, double?> waterC
    )
    {
        var bought = FishFacts.Stocked.Sound(
            c,
            asOf,
            "t.delivery IS NOT NULL AND l.happened >= $since",
            ("since", now.AddDays(-DaysToBegin))
        );
        var lots = new List<LotToHold>();
        foreach (var line in bought)
        {
            var batch = Sqlite.Number(c, "SELECT batch FROM stocking WHERE line = $line", ("line", line.Line));
            if (
                ReceivingQuestions.Delivery(c, asOf, line.Fact.DeliveryId!.Value) is not { } delivery
                || delivery.Source == SeedSource.OwnFarm
                || FishFacts.Quarantine.Sound(c, asOf, "t.batch = $batch", ("batch", batch)).Count > 0
            )
                continue;
            var (days, _) = DeliveryLook.HoldApart(delivery, waterC(line.Fact.PondId) ?? Quarantine.UsualWaterC);
            lots.Add(new(line.Fact.PondId, batch, zone.DayOf(line.At), delivery.Origin, days));
        }
        return lots;
    }

    private static IEnumerable<(DateTimeOffset At, FishMoved Fact)> Moves(SqliteConnection c, AsOf asOf, long batch) =>
        FishFacts.Moved.All(c, asOf, "t.batch = $batch", ("batch", batch)).Select(x => (x.At, x.Fact));
}
