using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Fish and where they stand: stockings, losses, moves, samples, harvests, and their postings.</summary>
internal sealed class FishBook : IBook
{
    public bool Keeps(Fact fact) => fact is FishFact or FishSampled or QuarantineNoted;

    public long? PondOf(Fact fact) => fact switch { FishFact f => f.PondId, QuarantineNoted f => f.PondId, _ => ((FishSampled)fact).PondId };

    public IEnumerable<Remark> Check(Desk desk, Fact fact)
    {
        if (fact is FishStocked stocked)
            return StockRules.Check(stocked, FishQuestions.DeclaredReady(desk.Connection, desk.AsOf, stocked.PondId), NotMet(desk, stocked), desk.Hand).Concat(Swallows(desk, Core.Species.FishSpecies.Find(stocked.SpeciesKey), stocked.MeanG, stocked.PondId, 0, "MeanWeight"));
        var pond = PondOf(fact)!.Value;
        if (Batch(desk, fact, pond) is not { } batch)
            return [Remark.Refuse("Batch", "Choose a batch that was stocked in this pond.")];
        return fact switch
        {
            FishLost f => StockRules.Check(f, batch, desk.Happened),
            FishMoved f => StockRules.Check(f, batch, desk.Happened, desk.Hand).Concat(Mixes(desk, f)).Concat(Swallows(desk, Core.Species.FishSpecies.Find(batch.SpeciesKey), f.MeanG, f.ToPondId, f.BatchId, "ToPond")),
            FishRecounted f => StockRules.Check(f, batch, desk.Happened),
            QuarantineNoted f => f.Check(QuarantineQuestions.Of(desk.Connection, desk.AsOf, desk.Zone, f.BatchId, f.PondId), desk.Zone.DayOf(desk.Happened)),
            FishSampled f => StockRules.Check(f, batch, desk.Happened, Expected(desk, f.BatchId, pond), desk.Hand),
            FishHarvested f => StockRules.Check(f, batch, desk.Happened, Expected(desk, f.BatchId, pond), desk.Hand),
            _ => throw new NotSupportedException($"No rule for {fact.GetType().Name}."),
        };
    }

    public void Write(Desk desk, Fact fact)
    {
        var c = desk.Connection;
        var stands = fact is FishStocked or FishSampled or QuarantineNoted ? 0 : Batch(desk, fact, PondOf(fact)!.Value)!.Stands;
        switch (fact)
        {
            case FishStocked f:
                var batch = desk.Corrects is { } old ? Sqlite.Number(c, "SELECT batch FROM stocking WHERE line = $line", ("line", old)) : desk.Line;
                Sqlite.Run(c, "INSERT INTO stocking VALUES ($line, $batch, $pond, $species, $origin, $count, $g, $basis, $reason, $target)",
                    ("line", desk.Line), ("batch", batch), ("pond", f.PondId), ("species", f.SpeciesKey), ("origin", f.Origin.Trim()), ("count", f.Count), ("g", f.MeanG), ("basis", f.Basis), ("reason", f.NotReadyReason.Trim()), ("target", f.TargetG));
                Post(desk, Posted.Of(f, batch));
                break;
            case FishLost f:
                Sqlite.Run(c, "INSERT INTO loss VALUES ($line, $pond, $batch, $count, $to, $cause)", ("line", desk.Line), ("pond", f.PondId), ("batch", f.BatchId), ("count", f.Count), ("to", f.To), ("cause", f.Cause.Trim()));
                Post(desk, Posted.Of(f, stands));
                break;
            case FishMoved f:
                Sqlite.Run(c, "INSERT INTO move VALUES ($line, $pond, $to, $batch, $count, $g, $basis)", ("line", desk.Line), ("pond", f.PondId), ("to", f.ToPondId), ("batch", f.BatchId), ("count", f.Count), ("g", f.MeanG), ("basis", f.Basis));
                Post(desk, Posted.Of(f, stands));
                break;
            case FishRecounted f:
                Sqlite.Run(c, "INSERT INTO recount VALUES ($line, $pond, $batch, $count, $basis, $reason)", ("line", desk.Line), ("pond", f.PondId), ("batch", f.BatchId), ("count", f.Count), ("basis", f.Basis), ("reason", f.Reason.Trim()));
                Post(desk, Posted.Of(f, stands));
                break;
            case QuarantineNoted f:
                Sqlite.Run(c, "INSERT INTO quarantine VALUES ($line, $pond, $batch, $event, $days, $calm, $text)", ("line", desk.Line), ("pond", f.PondId), ("batch", f.BatchId), ("event", f.Event), ("days", f.Days), ("calm", f.Calm), ("text", f.Text.Trim()));
                break;
            case FishHarvested f:
                Sqlite.Run(c, "INSERT INTO harvest VALUES ($line, $pond, $batch, $count, $kg, $basis, $to, $final, $reason)", ("line", desk.Line), ("pond", f.PondId), ("batch", f.BatchId), ("count", f.Count), ("kg", f.MassKg), ("basis", f.Basis), ("to", f.To), ("final", f.Final), ("reason", f.DifferenceReason.Trim()));
                Post(desk, Posted.Of(f, stands));
                break;
            case FishSampled f:
                Sqlite.Run(c, "INSERT INTO sample VALUES ($line, $pond, $batch, $single)", ("line", desk.Line), ("pond", f.PondId), ("batch", f.BatchId), ("single", f.Single));
                foreach (var (w, n) in f.Weighings.Select((w, n) => (w, n)))
                    Sqlite.Run(c, "INSERT INTO weighing VALUES ($line, $n, $count, $g, $length)", ("line", desk.Line), ("n", n), ("count", w.Count), ("g", w.MassG), ("length", f.LengthsM.ElementAtOrDefault(n)));
                foreach (var mark in f.Marks.Where(m => m.Fish > 0))
                    Sqlite.Run(c, "INSERT INTO sample_mark VALUES ($line, $mark, $fish)", ("line", desk.Line), ("mark", mark.Mark), ("fish", mark.Fish));
                break;
        }
    }

    /// <summary>
    /// What stands against the ledger as a whole once an entry is in: a pond that would hold fewer than no fish, or closed
    /// books that no longer close. Names the lines in the way.
    /// </summary>
    public static IEnumerable<Remark> CheckWhole(Desk desk, IEnumerable<long> batches)
    {
        var everything = desk.AsOf.Known;
        foreach (var batch in batches)
        {
            var movements = FishQuestions.Movements(desk.Connection, everything, batch);
            if (!Ledger.Balances(movements.SelectMany(m => m.Postings)))
                throw new InvalidOperationException($"Postings of batch {batch} do not sum to nought.");
            if (Ledger.FirstShort(movements) is { } shortAt)
            {
                var later = movements.Where(m => m.Happened >= shortAt.Happened && m.Line != desk.Line).Select(m => m.Line).Order().Take(5);
                yield return Remark.Refuse("Count", $"Later entries need these fish: line {string.Join(", ", later)} of the log would take out more than stands. Correct those first.");
            }
            else if (FishQuestions.OpenAgain(desk.Connection, everything, batch) is { } closing)
                yield return Remark.Refuse("Count", $"The final harvest in line {closing} of the log closed these books. Correct that harvest first, then this.");
        }
    }

    private static BatchOnBooks? Batch(Desk desk, Fact fact, long pond)
    {
        var id = fact switch { FishLost f => f.BatchId, FishMoved f => f.BatchId, FishRecounted f => f.BatchId, QuarantineNoted f => f.BatchId, FishHarvested f => f.BatchId, FishSampled f => f.BatchId, _ => 0 };
        return FishQuestions.Standing(desk.Connection, desk.AsOf, pond).FirstOrDefault(b => b.Id == id)
            ?? FishQuestions.Standing(desk.Connection, desk.AsOf.Known, pond).FirstOrDefault(b => b.Id == id);
    }

    // Held fish meet no others before they have passed; nor do others come in to them.
    private static IEnumerable<Remark> Mixes(Desk desk, FishMoved f)
    {
        var there = FishQuestions.Standing(desk.Connection, desk.AsOf.Known, f.ToPondId).Where(b => b.Stands > 0 && b.Id != f.BatchId).ToList();
        if (there.Count == 0)
            yield break;
        if (QuarantineQuestions.Of(desk.Connection, desk.AsOf, desk.Zone, f.BatchId, f.PondId) is { } held)
            yield return Remark.Refuse("ToPond", FormattableString.Invariant($"This batch is held apart until {held.Until:d MMM yyyy}, and other fish stand there. Let it pass, or let it go before its time with a reason (quarantine slip), then move it."));
        else if (QuarantineQuestions.Held(desk.Connection, desk.AsOf, desk.Zone).Exists(q => q.PondId == f.ToPondId && there.Exists(b => b.Id == q.BatchId)))
            yield return Remark.Refuse("ToPond", "Fish are held apart there. Choose another pond, or end their quarantine first.");
    }

    // Fish that can swallow those that stand there, or be swallowed by them, are asked about before they meet.
    private static IEnumerable<Remark> Swallows(Desk desk, Core.Species.FishSpecies? species, double meanG, long pond, long batch, string field) =>
        species is null || meanG is not (> 0 and <= 20_000) ? [] : FishQuestions.Standing(desk.Connection, desk.AsOf, pond).Where(b => b.Stands > 0 && b.Id != batch)
            .Select(b => (b, G: Expected(desk, b.Id, pond))).Where(x => x.G is > 0).Select(x => Core.Plans.Gape.Weigh(species, meanG, Core.Species.FishSpecies.Of(x.b.SpeciesKey), x.G!.Value, desk.Hand)).Where(j => j.Status == Status.ActNow)
            .Select(j => Remark.Ask(field, $"{char.ToUpperInvariant(j.Reason[0])}{j.Reason[1..]}. Are they put together all the same?"));

    // A pond that holds fish already is no pond being made ready: the gate is for the first of a cycle.
    private static List<string> NotMet(Desk desk, FishStocked f) =>
        Core.Species.FishSpecies.Find(f.SpeciesKey) is { } species && PondStory.Load(desk.Connection, desk.AsOf, f.PondId) is { } story && !story.Standing.Any()
            ? story.ReadyFor(species, desk.Happened).Where(l => l.State == Core.Prepare.Condition.NotMet).Select(l => $"{l.Name} {l.Reason}").ToList() : [];

    private static double? Expected(Desk desk, long batch, long pond) =>
        PondStory.Load(desk.Connection, desk.AsOf, pond) is { } story ? story.StandingOn(batch, desk.Zone.DayOf(desk.Happened))?.MeanG.Value : null;

    private static void Post(Desk desk, IReadOnlyList<Posting> postings)
    {
        foreach (var (p, n) in postings.Select((p, n) => (p, n)))
            Sqlite.Run(desk.Connection, "INSERT INTO posting VALUES ($line, $n, $batch, $account, $pond, $count, $g, $basis)",
                ("line", desk.Line), ("n", n), ("batch", p.BatchId), ("account", p.Account), ("pond", p.PondId), ("count", p.Count), ("g", p.MassG), ("basis", p.Basis));
    }
}
