using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Estimates;

/// <summary>A pond story from facts that stand in no file: the same estimates and forecasts for simulated ponds, so that they can be scored against a truth.</summary>
public static class ToldStory
{
    /// <summary>Gathers the facts of one pond with one batch.</summary>
    /// <param name="farm">The farm.</param>
    /// <param name="pond">The pond.</param>
    /// <param name="aerators">Aerators with their timers, fitted from the first day.</param>
    /// <param name="told">Facts with their instants, in order; the first stocks the batch.</param>
    public static PondStory Of(
        FarmDescribed farm,
        Pond pond,
        IReadOnlyList<Aerator> aerators,
        IReadOnlyList<(DateTimeOffset At, Fact Fact)> told
    )
    {
        var zone = FarmZone.Find(farm.ZoneId) ?? FarmZone.Utc;
        ReadingBook Readings(long? of) =>
            ReadingBook.Of(
                told.Where(t => t.Fact is ReadingTaken r && r.PondId == of)
                    .SelectMany(t => ((ReadingTaken)t.Fact).Values.Select(v => (v.Parameter, new Timed(t.At, v.Si))))
            );
        var read = Readings(pond.Id);
        return new(
            new()
            {
                Farm = farm,
                Zone = zone,
                Pond = pond,
                ByHand = read,
                AllReadings = read,
                Weather = Readings(null),
                Fittings =
                [
                    new(told[0].At.AddDays(-1), aerators),
                    .. Facts<AeratorsFitted>(told).Select(f => new AeratorsFrom(f.At, f.Fact.Aerators)),
                ],
                Feedings =
                [
                    .. Facts<FeedingGiven>(told).Select((f, i) => new Fed(i, f.At, f.Fact.FeedId, f.Fact.MassKg)),
                ],
                Batches = [Batch(zone, told)],
            }
        );
    }

    private static BatchStory Batch(FarmZone zone, IReadOnlyList<(DateTimeOffset At, Fact Fact)> told)
    {
        var (at, stocked) = Facts<FishStocked>(told).First();
        var species = FishSpecies.Of(stocked.SpeciesKey);
        var losses = Facts<FishLost>(told).Select((l, i) => (Line: (long)i, l.At, l.Fact)).ToList();
        var changes = LossesAsChanges(zone, losses);
        return new()
        {
            Id = 1,
            Species = species,
            Origin = stocked.Origin,
            History = new(at, stocked.Count, stocked.MeanG, stocked.Basis == CountBasis.Counted, changes),
            TargetG = stocked.TargetG ?? species.MarketLowG,
            Samples =
            [
                .. Facts<FishSampled>(told)
                    .Select((s, i) => new BatchSample(i, s.At, s.Fact.Single, SampleStatistics.Bulk(s.Fact.Weighings))),
            ],
            Harvests = [],
            Losses = losses,
            Stands = stocked.Count + changes.Sum(c => c.Count),
            EmptiedAt = null,
            NotReadyReason = stocked.NotReadyReason,
        };
    }

    private static List<CountChange> LossesAsChanges(
        FarmZone zone,
        List<(long Line, DateTimeOffset At, FishLost Fact)> losses
    ) =>
        losses.ConvertAll(l => new CountChange(zone.DayOf(l.At), -l.Fact.Count, l.Fact.To == Account.Dead, null)
        {
            FoundShare = l.Fact.FoundShare,
        });

    private static IEnumerable<(DateTimeOffset At, T Fact)> Facts<T>(IEnumerable<(DateTimeOffset At, Fact Fact)> told)
        where T : Fact => told.Where(t => t.Fact is T).Select(t => (t.At, (T)t.Fact));
}
