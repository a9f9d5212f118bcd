using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Farm.Facts;
using Dorsk.Farm.People;

namespace Dorsk.Farm.Fish;

/// <summary>What the books look up before the rules of the core judge a line about fish.</summary>
internal static class FishChecks
{
    public static IEnumerable<Remark> Stocked(Desk desk, FishStocked f)
    {
        if (!f.TakenOver && desk.PondAt(f.PondId)?.Hold is { } hold)
            return [OnHold("Count", hold)];
        var declared = FishQuestions.DeclaredReady(desk.Connection, desk.AsOf, f.PondId);
        var species = FishSpecies.Find(f.SpeciesKey);
        var pond = species is null ? null : desk.PondAt(f.PondId);
        // A pond that holds fish already is no pond being made ready: the gate is for the first of a cycle.
        var notMet = pond is { HasFish: false } && !f.TakenOver ? pond.NotMet(species!, desk.Happened) : [];
        var arrival = new Arrival(f.MeanG, f.Count, "Count")
        {
            TargetG = f.TargetG,
            // Fish that stand there already are asked about, not refused.
            ReasonField = f.TakenOver ? null : "NotReadyReason",
            Reason = f.NotReadyReason,
        };
        return StockRules
            .Check(f, declared, notMet, desk.Hand)
            .Concat(JoinsHeld(desk, f))
            .Concat(DeliveryChecks.Stocked(desk, f))
            .Concat(HatchQuestions.Stocked(desk, f))
            .Concat(pond is null ? [] : arrival.Into(pond, species!, desk))
            .Concat(Swallows(desk, species, f.MeanG, f.PondId, 0, "MeanWeight"));
    }

    public static IEnumerable<Remark> Moved(Desk desk, FishMoved f, BatchOnBooks batch)
    {
        var species = FishSpecies.Find(batch.SpeciesKey);
        var pond = species is null || f.ToPondId == f.PondId ? null : desk.PondAt(f.ToPondId);
        return StockRules
            .Check(f, batch, desk.Happened, desk.Hand)
            .Concat(Leaving(desk, f.PondId, desk.Today, "ToPond", f.ToPondId))
            .Concat(Tired(desk, f.PondId, f.BatchId, "Count"))
            .Concat(Mixes(desk, f))
            .Concat(pond is null ? [] : new Arrival(f.MeanG, f.Count, "ToPond").Into(pond, species!, desk))
            .Concat(pond is null or { HasFish: true } ? [] : Gate(pond, species!, desk))
            .Concat(Swallows(desk, species, f.MeanG, f.ToPondId, f.BatchId, "ToPond"));
    }

    // Moving fish into an empty pond passes the same gate as stocking it.
    private static IEnumerable<Remark> Gate(IPondAsKnown pond, FishSpecies species, Desk desk)
    {
        var notMet = pond.NotMet(species, desk.Happened);
        if (notMet.Count > 0)
            yield return Remark.Ask(
                "ToPond",
                $"{pond.Pond.Code} does not pass the gate: {string.Join("; ", notMet)}. Are they moved there all the same?"
            );
    }

    public static IEnumerable<Remark> Quarantined(Desk desk, QuarantineNoted f) =>
        f.Check(HeldIn(desk, f.PondId), desk.Today);

    /// <summary>Held fish leave for the plate only, and that is asked; alive they carry on what they have.</summary>
    public static IEnumerable<Remark> Harvested(Desk desk, FishHarvested f)
    {
        foreach (var remark in Leaving(desk, f.PondId, desk.Today, "To"))
            yield return remark;
        foreach (var line in NotMetAtHarvest(desk, f))
            yield return Remark.Ask("To", $"{line.Name}: {line.Reason}. {line.Do} Are they taken out all the same?");
        if (HeldIn(desk, f.PondId).Of(f.BatchId) is not { } held)
            yield break;
        yield return f.To == Account.Harvested
            ? Remark.Ask(
                "To",
                $"This batch is held apart until {Hand.Day(held.Until)}. Harvest and eat them all the same? Not while a medicine's waiting time runs."
            )
            : Remark.Refuse(
                "To",
                $"This batch is held apart until {Hand.Day(held.Until)}: alive they leave the farm only once they have passed, or were let go before their time with a reason (quarantine slip)."
            );
    }

    /// <summary>What stands against fish leaving a pond on a day: a hold, and a withdrawal that nobody can pass.</summary>
    /// <param name="desk">The desk.</param>
    /// <param name="pond">The pond.</param>
    /// <param name="day">The day they are to leave.</param>
    /// <param name="field">Field of the remark.</param>
    /// <param name="to">The pond they go to; null: off the farm.</param>
    public static IEnumerable<Remark> Leaving(Desk desk, long pond, DateOnly day, string field, long? to = null)
    {
        if (desk.PondAt(pond) is not { } from)
            yield break;
        if (from.Hold is { } hold)
            yield return OnHold(field, hold);
        if (to is { } other && desk.PondAt(other)?.Hold is { } there)
            yield return OnHold(field, there);
        if (from.WithdrawalOn(day) is not { } withdrawal)
            yield break;
        // Into a pond that is held as long they carry nothing that is not held there.
        if (to is { } pondTo && desk.PondAt(pondTo)?.WithdrawalOn(day)?.Until >= withdrawal.Until)
            yield break;
        yield return Remark.Refuse(
            field,
            $"{from.Pond.Code}: {withdrawal.Words(desk.Hand)}. Residues are in these fish: no harvest, no sale, no move to other fish before. Nobody can pass it, only wait."
        );
    }

    /// <summary>Objections to a sample: a pond on hold has a net of its own, and tired fish wait.</summary>
    public static IEnumerable<Remark> Sampled(Desk desk, FishSampled f)
    {
        if (desk.IsFresh && desk.PondAt(f.PondId)?.Hold is { } hold)
            yield return Remark.Ask(
                "Weighings",
                $"This pond is on hold since {Hand.Day(hold.From)}. Was it sampled with a net of its own that goes to no other pond?"
            );
        foreach (var remark in Tired(desk, f.PondId, f.BatchId, "Weighings"))
            yield return remark;
    }

    private static IEnumerable<Remark> Tired(Desk desk, long pond, long batch, string field)
    {
        if (
            desk.IsFresh
            && desk.PondAt(pond)?.ConditionOf(batch, desk.Happened).AgainstHandling(desk.Hand) is { } against
        )
            yield return Remark.Ask(field, $"{against} Are they handled now all the same?");
    }

    private static Remark OnHold(string field, PondHold hold) =>
        Remark.Refuse(
            field,
            $"On hold since {Hand.Day(hold.From)} ({hold.Why}): no fish in or out. A hold slip ends it, with the reason."
        );

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
        desk.PondAt(pond)?.ExpectedG(batch, desk.Today);

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
        if (HeldIn(desk, f.PondId).Of(f.BatchId) is { } held)
            yield return Remark.Refuse(
                "ToPond",
                $"This batch is held apart until {Hand.Day(held.Until)}, and other fish stand there. Let it pass, or let it go before its time with a reason (quarantine slip), then move it."
            );
        else if (HeldIn(desk, f.ToPondId).Held.Any(q => there.Exists(b => b.Id == q.BatchId)))
            yield return Remark.Refuse(
                "ToPond",
                "Fish are held apart there. Choose another pond, or end their quarantine first."
            );
    }

    // All in on one day, all out together: whoever comes later would make the first ones' wait worth nothing.
    private static IEnumerable<Remark> JoinsHeld(Desk desk, FishStocked f)
    {
        if (HeldIn(desk, f.PondId).Held.Where(q => q.From < desk.Today).MaxBy(q => q.Until) is { } held)
            yield return Remark.Refuse(
                "Count",
                $"Fish are held apart here since {Hand.Day(held.From)}, until {Hand.Day(held.Until)}. New fish go into another unit, or wait until these have passed (quarantine slip)."
            );
    }

    // Quarantine has its own word below; what was taken out days ago is recorded as it was.
    // While a net day is open its conditions were asked when it began.
    private static IEnumerable<GateLine> NotMetAtHarvest(Desk desk, FishHarvested f) =>
        desk.IsFresh && desk.PondAt(f.PondId) is { } pond && !NetQuestions.IsOpen(desk, f.PondId, f.BatchId)
            ? pond.HarvestGate(f.BatchId, desk.Happened, f.To)
                .Where(l => l.State != Condition.Met && l.Name is not ("quarantine" or "withdrawal" or "hold"))
            : [];

    /// <summary>A net that goes in passes the gate of a harvest; what is not met, or not arranged, wants a reason that is kept. A withdrawal and a hold nobody passes.</summary>
    public static IEnumerable<Remark> NetGoesIn(Desk desk, NetDayBegun n)
    {
        foreach (var remark in Leaving(desk, n.PondId, desk.Today, "Batch"))
            yield return remark;
        if (HeldIn(desk, n.PondId).Of(n.BatchId) is { } held)
            yield return Remark.Ask(
                "Batch",
                $"This batch is held apart until {Hand.Day(held.Until)}: only for the plate, and not while a medicine's waiting time runs. Does the net go in?"
            );
        if (!desk.IsFresh || n.Reason.Length > 0 || desk.PondAt(n.PondId) is not { } pond)
            yield break;
        var said = NetQuestions.Of(desk.Connection, desk.AsOf.Known, n.PondId).Arranged;
        var roster = RosterBook.NetDay(desk.Connection, desk.AsOf.Known, n.PondId, desk.Today);
        var open = pond.HarvestGate(n.BatchId, desk.Happened, Account.Harvested)
            .Where(l => l.Name is not ("quarantine" or "withdrawal" or "hold"))
            .Concat(HarvestArranged.Gate(said, desk.Today, Account.Harvested, drains: false, roster))
            .Where(l => l.State != Condition.Met)
            .ToList();
        if (open.Count > 0)
            yield return Remark.Refuse(
                "Reason",
                $"{string.Join("; ", open.Select(l => $"{l.Name}: {l.Reason}"))}. Put it right, or write why the net goes in all the same."
            );
    }

    private static HeldWater HeldIn(Desk desk, long pond) =>
        QuarantineQuestions.Of(desk.Connection, desk.AsOf, desk.Zone, pond);

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
}
