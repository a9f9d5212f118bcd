using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Fish;

/// <summary>What the books look up before the rules of the core judge a line about fish.</summary>
internal static class FishChecks
{
    public static IEnumerable<Remark> Stocked(Desk desk, FishStocked f)
    {
        var declared = FishQuestions.DeclaredReady(desk.Connection, desk.AsOf, f.PondId);
        var species = FishSpecies.Find(f.SpeciesKey);
        var story = Questions.Load(desk.Connection, desk.AsOf, f.PondId);
        return StockRules
            .Check(f, declared, NotMet(desk, f, species, story), desk.Hand)
            .Concat(
                species is null || story is null
                    ? []
                    : Arrive(
                        desk,
                        story,
                        species,
                        f.MeanG,
                        f.Count,
                        f.TargetG,
                        "Count",
                        "NotReadyReason",
                        f.NotReadyReason
                    )
            )
            .Concat(Swallows(desk, species, f.MeanG, f.PondId, 0, "MeanWeight"));
    }

    public static IEnumerable<Remark> Moved(Desk desk, FishMoved f, BatchOnBooks batch)
    {
        var species = FishSpecies.Find(batch.SpeciesKey);
        var story = f.ToPondId == f.PondId ? null : Questions.Load(desk.Connection, desk.AsOf, f.ToPondId);
        return StockRules
            .Check(f, batch, desk.Happened, desk.Hand)
            .Concat(Mixes(desk, f))
            .Concat(
                species is null || story is null
                    ? []
                    : Arrive(desk, story, species, f.MeanG, f.Count, null, "ToPond", null, "")
            )
            .Concat(species is null || story is null || story.Standing.Any() ? [] : Gate(story, species, desk))
            .Concat(Swallows(desk, species, f.MeanG, f.ToPondId, f.BatchId, "ToPond"));
    }

    // Moving fish into an empty pond passes the same gate as stocking it.
    private static IEnumerable<Remark> Gate(PondStory story, FishSpecies species, Desk desk)
    {
        var notMet = story
            .Readiness.GateFor(species, desk.Happened)
            .Where(l => l.State == Condition.NotMet)
            .Select(l => $"{l.Name} {l.Reason}")
            .ToList();
        if (notMet.Count > 0)
            yield return Remark.Ask(
                "ToPond",
                $"{story.Pond.Code} does not pass the gate: {string.Join("; ", notMet)}. Are they moved there all the same?"
            );
    }

    /// <summary>What the verdict says of fish that come into a pond: of its water, and of how many there will be.</summary>
    private static IEnumerable<Remark> Arrive(
        Desk desk,
        PondStory story,
        FishSpecies species,
        double meanG,
        int count,
        double? targetG,
        string field,
        string? reasonField,
        string reason
    )
    {
        if (meanG is not (> 0 and <= 20_000) || count is < 1 or > StockRules.MostFish)
            yield break;
        var said = !string.IsNullOrWhiteSpace(reason);
        var fish = new Core.Verdict.FishHere(species, WaterLimits.StageOf(species, meanG), meanG, count);
        var own = story.KnownSpecies(species.Key);
        // In nurseries fish are moved on before they are grown; who says a target means to grow them here.
        var grown = targetG
            ?? (story.Pond.Use == "grow-out" && fish.Stage == LifeStage.Growing ? own.MarketLowG : null);
        if (
            Core.Verdict.StockingLoad.Of(
                fish,
                grown,
                story.CapacityKg(own),
                story.Stock.BiomassKgOn(desk.Today),
                story.Pond.ByVolume ? null : story.Pond.Shape.FullAreaM2,
                desk.Hand
            ) is
            { } load
        )
        {
            if (load.Judgement.Status == Status.ActNow && reasonField is not null && !said)
                yield return Remark.Refuse(
                    field,
                    $"{load.Judgement.Reason} Meant all the same? Say why below; the reason is kept."
                );
            else if (!said)
                yield return Remark.Ask(field, $"{load.Judgement.Reason} Is it meant?");
        }
        // An empty pond is held against the whole gate; one with fish against what its water is like now.
        if (!story.Standing.Any())
            yield break;
        foreach (var finding in story.Water.AgainstArrivals(desk.Happened, own, meanG, 0))
        {
            if (finding.Status == Status.ActNow && reasonField is not null && !said)
                yield return Remark.Refuse(
                    reasonField,
                    $"{char.ToUpperInvariant(finding.Reason[0])}{finding.Reason[1..]}. {finding.Do} Or say in a few words why they go in all the same; the reason is kept."
                );
            else if (!said)
                yield return Remark.Ask(field, $"{story.Pond.Code}: {finding.Reason}. Do they go in all the same?");
        }
    }

    public static IEnumerable<Remark> Quarantined(Desk desk, QuarantineNoted f) =>
        f.Check(QuarantineQuestions.Of(desk.Connection, desk.AsOf, desk.Zone, f.BatchId, f.PondId), desk.Today);

    /// <summary>The rules for a batch that was stocked in the pond; a remark when it never was.</summary>
    public static IEnumerable<Remark> OfBatch(
        Desk desk,
        long pond,
        long batch,
        Func<BatchOnBooks, IEnumerable<Remark>> rules
    ) =>
        Batch(desk, pond, batch) is { } found
            ? rules(found)
            : [Remark.Refuse("Batch", "Choose a batch that was stocked in this pond.")];

    /// <summary>Fish of the batch in the pond on the books.</summary>
    public static int Stands(Desk desk, long pond, long batch) => Batch(desk, pond, batch)!.Stands;

    /// <summary>Mean weight that the estimate expects on that day, g, or null.</summary>
    public static double? ExpectedG(Desk desk, long batch, long pond) =>
        Questions.Load(desk.Connection, desk.AsOf, pond)?.Stock.On(batch, desk.Today)?.MeanG.Value;

    /// <summary>
    /// What stands against the ledger as a whole once an entry is in: a pond that would hold fewer than no fish, or closed
    /// books that no longer close. Names the lines in the way.
    /// </summary>
    /// <exception cref="InvalidOperationException">Postings of a batch do not sum to nought.</exception>
    public static IEnumerable<Remark> Whole(Desk desk, IEnumerable<long> batches)
    {
        var everything = desk.AsOf.Known;
        foreach (var batch in batches)
        {
            var movements = FishQuestions.Movements(desk.Connection, everything, batch);
            if (!Ledger.Balances(movements.SelectMany(m => m.Postings)))
                throw new InvalidOperationException($"Postings of batch {batch} do not sum to nought.");
            if (Ledger.FirstShort(movements) is { } shortAt)
            {
                var later = movements
                    .Where(m => m.Happened >= shortAt.Happened && m.Line != desk.Line)
                    .Select(m => m.Line)
                    .Order()
                    .Take(5);
                yield return Remark.Refuse(
                    "Count",
                    $"Later entries need these fish: line {string.Join(", ", later)} of the log would take out more than stands. Correct those first."
                );
            }
            else if (FishQuestions.OpenAgain(desk.Connection, everything, batch) is { } closing)
                yield return Remark.Refuse(
                    "Count",
                    $"The final harvest in line {closing} of the log closed these books. Correct that harvest first, then this."
                );
        }
    }

    private static BatchOnBooks? Batch(Desk desk, long pond, long batch) =>
        FishQuestions.Standing(desk.Connection, desk.AsOf, pond).Find(b => b.Id == batch)
        ?? FishQuestions.Standing(desk.Connection, desk.AsOf.Known, pond).Find(b => b.Id == batch);

    // Held fish meet no others before they have passed; nor do others come in to them.
    private static IEnumerable<Remark> Mixes(Desk desk, FishMoved f)
    {
        var there = FishQuestions
            .Standing(desk.Connection, desk.AsOf.Known, f.ToPondId)
            .FindAll(b => b.Stands > 0 && b.Id != f.BatchId);
        if (there.Count == 0)
            yield break;
        if (QuarantineQuestions.Of(desk.Connection, desk.AsOf, desk.Zone, f.BatchId, f.PondId) is { } held)
            yield return Remark.Refuse(
                "ToPond",
                $"This batch is held apart until {Hand.Day(held.Until)}, and other fish stand there. Let it pass, or let it go before its time with a reason (quarantine slip), then move it."
            );
        else if (
            QuarantineQuestions
                .Held(desk.Connection, desk.AsOf, desk.Zone)
                .Exists(q => q.PondId == f.ToPondId && there.Exists(b => b.Id == q.BatchId))
        )
            yield return Remark.Refuse(
                "ToPond",
                "Fish are held apart there. Choose another pond, or end their quarantine first."
            );
    }

    // Fish that can swallow those that stand there, or be swallowed by them, are asked about before they meet.
    private static IEnumerable<Remark> Swallows(
        Desk desk,
        FishSpecies? species,
        double meanG,
        long pond,
        long batch,
        string field
    )
    {
        if (species is null || meanG is not (> 0 and <= 20_000))
            yield break;
        foreach (
            var other in FishQuestions
                .Standing(desk.Connection, desk.AsOf, pond)
                .Where(b => b.Stands > 0 && b.Id != batch)
        )
        {
            if (ExpectedG(desk, other.Id, pond) is not (> 0 and var otherG))
                continue;
            var verdict = Gape.Weigh(species, meanG, FishSpecies.Of(other.SpeciesKey), otherG, desk.Hand);
            if (verdict.Status == Status.ActNow)
                yield return Remark.Ask(
                    field,
                    $"{char.ToUpperInvariant(verdict.Reason[0])}{verdict.Reason[1..]}. Are they put together all the same?"
                );
        }
    }

    // A pond that holds fish already is no pond being made ready: the gate is for the first of a cycle.
    private static List<string> NotMet(Desk desk, FishStocked f, FishSpecies? species, PondStory? story) =>
        species is null || story is null || story.Standing.Any()
            ? []
            : story
                .Readiness.GateFor(species, desk.Happened)
                .Where(l => l.State == Condition.NotMet)
                .Select(l => $"{l.Name} {l.Reason}")
                .ToList();
}
