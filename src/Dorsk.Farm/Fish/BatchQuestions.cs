using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Fish;

/// <summary>Gathers what happened to each batch in a pond.</summary>
internal static class BatchQuestions
{
    private static readonly string NewLinesOfBatches = string.Join(
        " UNION ",
        FishFacts.Kinds.Select(k => $"SELECT batch FROM {k.Table} WHERE line > $after")
    );

    public static List<BatchStory> In(
        SqliteConnection c,
        AsOf asOf,
        long pond,
        FarmZone zone,
        Func<string, FishSpecies> species
    ) => FishQuestions.Standing(c, asOf, pond).ConvertAll(b => Story(c, asOf, pond, zone, b, species(b.SpeciesKey)));

    /// <summary>The same after more lines: batches that none of them is of stay as they were read before.</summary>
    /// <param name="c">The data file.</param>
    /// <param name="asOf">As of two times.</param>
    /// <param name="pond">The pond.</param>
    /// <param name="zone">The farm's clock.</param>
    /// <param name="species">Species as they are known.</param>
    /// <param name="before">Batches as they were read before.</param>
    /// <param name="afterLine">The newest line then.</param>
    public static List<BatchStory> Renewed(
        SqliteConnection c,
        AsOf asOf,
        long pond,
        FarmZone zone,
        Func<string, FishSpecies> species,
        IReadOnlyList<BatchStory> before,
        long afterLine
    )
    {
        var moved = Sqlite.Rows(c, NewLinesOfBatches, r => r.GetInt64(0), ("after", afterLine)).ToHashSet();
        var known = before.Where(b => !moved.Contains(b.Id)).ToDictionary(b => b.Id);
        return FishQuestions
            .Standing(c, asOf, pond)
            .ConvertAll(b => known.GetValueOrDefault(b.Id) ?? Story(c, asOf, pond, zone, b, species(b.SpeciesKey)));
    }

    private static BatchStory Story(
        SqliteConnection c,
        AsOf asOf,
        long pond,
        FarmZone zone,
        BatchOnBooks books,
        FishSpecies species
    )
    {
        (string, object?)[] here = [("pond", pond), ("batch", books.Id)];
        const string Here = "t.batch = $batch AND t.pond = $pond";
        var stocked = FishFacts.Stocked.All(c, asOf, "t.batch = $batch", ("batch", books.Id))
            is [.., { Fact: var fact }]
            ? fact
            : throw new InvalidOperationException($"Batch {books.Id} has postings but no stocking.");
        var losses = FishFacts.Lost.All(c, asOf, Here, here);
        var guesses = FishFacts.Guessed.All(c, asOf, Here, here);
        var samples = FishFacts.Sampled.All(c, asOf, Here, here);
        var found = losses.ToDictionary(x => x.Line, x => x.Fact.FoundShare);
        var history = CountHistory.Of(FishQuestions.Movements(c, asOf, books.Id), pond, zone.DayOf, line =>
            found.GetValueOrDefault(line)
        ) ?? throw new InvalidOperationException($"Batch {books.Id} never came into this pond.");
        return new()
        {
            Id = books.Id,
            Species = species,
            Origin = stocked.Origin,
            Delivery = stocked.DeliveryId is { } number ? ReceivingQuestions.Delivery(c, asOf.Known, number) : null,
            History = history.With(guesses.Select(g => (zone.DayOf(g.At), g.Fact.LowShare, g.Fact.HighShare))),
            TargetG = stocked.TargetG ?? species.MarketLowG,
            Samples = samples.ConvertAll(s => new BatchSample(s.Line, s.At, s.Fact.Single, MeanOf(s.Fact))),
            Harvests = FishFacts.Harvested.All(c, asOf, Here, here).ConvertAll(x => (x.Line, x.At, x.Fact)),
            Losses = losses.ConvertAll(x => (x.Line, x.At, x.Fact)),
            Guesses = guesses.ConvertAll(g => (g.Line, g.At, g.Fact)),
            Stands = books.Stands,
            EmptiedAt = books.EmptiedAt,
            NotReadyReason = stocked.NotReadyReason,
            Lengths = [.. samples.SelectMany(s => Measured(s.Fact))],
            Marks = samples
                .SelectMany(s => s.Fact.Marks.Select(m => (s.Line, Mark: m)))
                .ToLookup(m => m.Line, m => m.Mark),
        };
    }

    private static SampleMean MeanOf(FishSampled sample) =>
        sample.Single
            ? SampleStatistics.Individual(sample.Weighings.Select(w => w.MassG).ToList())
            : SampleStatistics.Bulk(sample.Weighings);

    private static IEnumerable<(double LengthM, double MassG)> Measured(FishSampled sample) =>
        sample
            .Weighings.Zip(sample.LengthsM)
            .Where(w => w is { First.Count: 1, Second: not null })
            .Select(w => (w.Second!.Value, w.First.MassG));
}
