using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Fish;

/// <summary>What ties a batch to the delivery it came with.</summary>
internal static class DeliveryChecks
{
    public static IEnumerable<Remark> Received(Desk desk, FishReceived f)
    {
        foreach (var remark in f.Check(desk.Hand))
            yield return remark;
        if (f.Verdict != DeliveryVerdict.Refused || f.DeliveryId == 0)
            yield break;
        if (ReceivingQuestions.StockedFrom(desk.Connection, desk.AsOf.Known, f.DeliveryId) is [var stocked, ..])
            yield return Remark.Refuse("Verdict", Named(stocked.Line));
    }

    public static IEnumerable<Remark> Voided(Desk desk, FishReceived f, long line)
    {
        if (ReceivingQuestions.Delivery(desk.Connection, desk.AsOf.Known, f.DeliveryId) is not null)
            yield break;
        if (ReceivingQuestions.StockedFrom(desk.Connection, desk.AsOf.Known, f.DeliveryId) is [var stocked, ..])
            yield return Remark.Refuse("", Named(stocked.Line));
    }

    /// <summary>What stands against stocking fish of a delivery here.</summary>
    public static IEnumerable<Remark> Stocked(Desk desk, FishStocked f)
    {
        if (f.DeliveryId is not { } number)
            yield break;
        if (ReceivingQuestions.Delivery(desk.Connection, desk.AsOf.Known, number) is not { } delivery)
        {
            yield return Remark.Refuse("Delivery", "Choose a delivery from the list, or none.");
            yield break;
        }
        if (delivery.Verdict == DeliveryVerdict.Refused)
            yield return Remark.Refuse("Delivery", "This delivery was refused: its fish were sent back.");
        if (delivery.SpeciesKey != f.SpeciesKey)
            yield return Remark.Refuse(
                "Delivery",
                $"This delivery is of {FishSpecies.Of(delivery.SpeciesKey).Name.ToLowerInvariant()}. Choose the species or the delivery anew."
            );
        var before = ReceivingQuestions
            .StockedFrom(desk.Connection, desk.AsOf.Known, number)
            .Where(s => s.Line != desk.Line)
            .Sum(s => s.Fact.Count);
        if (f.Count > 0 && before + f.Count > delivery.Alive)
            yield return Remark.Ask(
                "Count",
                $"{desk.Hand.Count(delivery.Alive)} came alive{(before > 0 ? $", {desk.Hand.Count(before)} of them are stocked already" : "")}. Were there more than the seller said?"
            );
        foreach (var remark in Meets(desk, f, delivery))
            yield return remark;
    }

    // Bought fish meet no others on the day they come: what they carry shows later.
    private static IEnumerable<Remark> Meets(Desk desk, FishStocked f, FishReceived delivery)
    {
        if (delivery.Source == SeedSource.OwnFarm || desk.PondAt(f.PondId) is not { HasFish: true } pond)
            yield break;
        // Why isolation was left out is kept with the batch.
        if (!string.IsNullOrWhiteSpace(f.NotReadyReason))
            yield break;
        var (days, _) = DeliveryLook.HoldApart(delivery, pond.WaterC ?? Quarantine.UsualWaterC);
        yield return Remark.Refuse(
            "NotReadyReason",
            $"Fish stand here already, and these were not held apart (usual: {days} days). Whatever they carry, all will have. Choose another unit for the isolation, or write here why it is left out: it is kept with the batch."
        );
    }

    private static string Named(long line) =>
        $"Line {line} of the log stocked fish of this delivery. Take that line back first, or correct the delivery's figures instead.";
}
