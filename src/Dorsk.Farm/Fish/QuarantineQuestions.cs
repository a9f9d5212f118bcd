using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Fish;

/// <summary>Batches that are held apart.</summary>
internal static class QuarantineQuestions
{
    /// <summary>All that are held, by batch and pond.</summary>
    public static List<Quarantine> Held(SqliteConnection c, AsOf asOf, FarmZone zone) =>
        FishFacts
            .Quarantine.Sound(c, asOf)
            .GroupBy(x => (x.Fact.BatchId, x.Fact.PondId))
            .Select(g => Quarantine.Of(g.Select(x => (x.At, x.Fact)), zone))
            .OfType<Quarantine>()
            .ToList();

    /// <summary>One batch in one pond; null when it is not held.</summary>
    public static Quarantine? Of(SqliteConnection c, AsOf asOf, FarmZone zone, long batch, long pond) =>
        Held(c, asOf, zone).Find(q => q.BatchId == batch && q.PondId == pond);
}
