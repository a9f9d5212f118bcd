using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>Gathers what happened to each batch in a pond.</summary>
internal static class BatchQuestions
{
    public static List<BatchStory> In(SqliteConnection c, AsOf asOf, long pond, FarmZone zone, Func<string, FishSpecies> species)
    {
        return FishQuestions.Standing(c, asOf, pond).Select(b => Story(c, asOf, pond, zone, b, species(b.SpeciesKey))).ToList();
    }

    private static BatchStory Story(SqliteConnection c, AsOf asOf, long pond, FarmZone zone, BatchOnBooks books, FishSpecies species)
    {
        var arguments = Lines.With(asOf, ("pond", pond), ("batch", books.Id));
        var stocked = Sqlite.One(c, $"SELECT s.pond, s.species, s.origin, s.count, s.mean_g, s.basis, s.not_ready_reason, s.target_g FROM stocking s CROSS JOIN log l USING (line) WHERE s.batch = $batch AND {Lines.Count}",
            r => new FishStocked(r.GetInt64(0), r.GetString(1), r.GetString(2), r.GetInt32(3), r.GetDouble(4), r.Word<CountBasis>(5), r.GetString(6), r.MaybeReal(7)), arguments)
            ?? throw new InvalidOperationException($"Batch {books.Id} has postings but no stocking.");
        var moves = Sqlite.Rows(c, $"SELECT l.happened, m.pond, m.to_pond, m.count, m.mean_g, m.basis FROM move m CROSS JOIN log l USING (line) WHERE m.batch = $batch AND (m.pond = $pond OR m.to_pond = $pond) AND {Lines.Count} ORDER BY l.happened, l.line",
            r => (At: r.Instant(0), Fact: new FishMoved(r.GetInt64(1), r.GetInt64(2), books.Id, r.GetInt32(3), r.GetDouble(4), r.Word<CountBasis>(5))), arguments);
        var losses = Sqlite.Rows(c, $"SELECT l.line, l.happened, x.count, x.account, x.cause FROM loss x CROSS JOIN log l USING (line) WHERE x.batch = $batch AND x.pond = $pond AND {Lines.Count} ORDER BY l.happened, l.line",
            r => (Line: r.GetInt64(0), At: r.Instant(1), Fact: new FishLost(pond, books.Id, r.GetInt32(2), r.Word<Account>(3), r.GetString(4))), arguments);
        var harvests = Sqlite.Rows(c, $"SELECT l.line, l.happened, h.count, h.mass_kg, h.basis, h.account, h.final, h.difference_reason FROM harvest h CROSS JOIN log l USING (line) WHERE h.batch = $batch AND h.pond = $pond AND {Lines.Count} ORDER BY l.happened, l.line",
            r => (Line: r.GetInt64(0), At: r.Instant(1), Fact: new FishHarvested(pond, books.Id, r.GetInt32(2), r.GetDouble(3), r.Word<CountBasis>(4), r.Word<Account>(5), r.GetBoolean(6), r.GetString(7))), arguments);
        var here = stocked.PondId == pond;
        // A batch that was moved in starts here with the first move; later moves in are changes of its count.
        var firstMove = here ? null : moves.Where(m => m.Fact.ToPondId == pond).Select(m => m.Fact).FirstOrDefault();
        var recounts = Sqlite.Rows(c, $"SELECT l.happened, x.count, x.basis FROM recount x CROSS JOIN log l USING (line) WHERE x.batch = $batch AND x.pond = $pond AND {Lines.Count} ORDER BY l.happened, l.line",
            r => new CountChange(zone.DayOf(r.Instant(0)), r.GetInt32(1), false, null) { CountedOneByOne = r.Word<CountBasis>(2) == CountBasis.Counted }, arguments);
        var weighed = Weighed(c, arguments);
        List<CountChange> changes = [.. Changes(zone, pond, moves.Where(m => m.Fact != firstMove), losses, harvests).Concat(recounts).OrderBy(x => x.Day)];
        return new(books.Id, species, stocked.Origin, books.Stocked, firstMove?.Count ?? stocked.Count, firstMove?.MeanG ?? stocked.MeanG,
            (firstMove?.Basis ?? stocked.Basis) == CountBasis.Counted, stocked.TargetG ?? species.MarketLowG,
            changes, Samples(weighed), harvests, losses, books.Stands, books.ClosedAt, stocked.NotReadyReason) { Lengths = [.. weighed.Where(w => w is { Count: 1, LengthM: not null }).Select(w => (w.LengthM!.Value, w.MassG))], Marks = Sqlite.Rows(c, "SELECT k.line, k.mark, k.fish FROM sample_mark k JOIN sample s USING (line) WHERE s.batch = $batch AND s.pond = $pond", r => (r.GetInt64(0), new MarkCount(r.Word<HealthMark>(1), r.GetInt32(2))), ("batch", books.Id), ("pond", pond)).ToLookup(m => m.Item1, m => m.Item2) };
    }

    private static List<CountChange> Changes(FarmZone zone, long pond, IEnumerable<(DateTimeOffset At, FishMoved Fact)> moves,
        IEnumerable<(long Line, DateTimeOffset At, FishLost Fact)> losses, IEnumerable<(long Line, DateTimeOffset At, FishHarvested Fact)> harvests) =>
        [.. moves.Select(m => new CountChange(zone.DayOf(m.At), m.Fact.ToPondId == pond ? m.Fact.Count : -m.Fact.Count, false, m.Fact.MeanG))
            .Concat(losses.Select(x => new CountChange(zone.DayOf(x.At), -x.Fact.Count, x.Fact.To == Account.Dead, null)))
            .Concat(harvests.Select(h => new CountChange(zone.DayOf(h.At), -h.Fact.Count, false, h.Fact.MassKg * 1000 / h.Fact.Count)))
            .OrderBy(x => x.Day)];

    private static List<(long Line, DateTimeOffset At, bool Single, int Count, double MassG, double? LengthM)> Weighed(SqliteConnection c, (string, object?)[] arguments) => Sqlite.Rows(c,
        $"SELECT l.line, l.happened, s.single, w.count, w.mass_g, w.length_m FROM sample s CROSS JOIN log l USING (line) JOIN weighing w USING (line) WHERE s.batch = $batch AND s.pond = $pond AND {Lines.Count} ORDER BY l.happened, l.line, w.n",
        r => (r.GetInt64(0), r.Instant(1), r.GetBoolean(2), r.GetInt32(3), r.GetDouble(4), r.MaybeReal(5)), arguments);

    private static List<(long, DateTimeOffset, bool, SampleMean)> Samples(List<(long Line, DateTimeOffset At, bool Single, int Count, double MassG, double? LengthM)> weighed) => weighed.GroupBy(r => (r.Line, r.At, r.Single))
        .Select(g => (g.Key.Line, g.Key.At, g.Key.Single, g.Key.Single ? SampleStatistics.Individual(g.Select(w => w.MassG).ToList()) : SampleStatistics.Bulk(g.Select(w => (w.Count, w.MassG)).ToList()))).ToList();
}
