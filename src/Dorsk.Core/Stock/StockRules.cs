using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Stock;

/// <summary>A batch as the books know it.</summary>
/// <param name="Id">Number of the batch.</param>
/// <param name="SpeciesKey">Species.</param>
/// <param name="Stocked">When it was stocked.</param>
/// <param name="Stands">Fish in the pond on the books at the time in question.</param>
/// <param name="ClosedAt">When its final harvest was, or null.</param>
public sealed record BatchOnBooks(
    long Id,
    string SpeciesKey,
    DateTimeOffset Stocked,
    int Stands,
    DateTimeOffset? ClosedAt
)
{
    /// <summary>When the last of them left on the books, by a final harvest, a move, or as losses; null while some stand.</summary>
    public DateTimeOffset? EmptiedAt { get; init; }
}

/// <summary>What is said about movements and samples of fish that cannot be, or look wrong.</summary>
public static class StockRules
{
    /// <summary>Words of the question about many fish lost in one day.</summary>
    public const string HeavyLoss = "is a heavy loss";

    /// <summary>No movement is of more fish.</summary>
    public const int MostFish = 10_000_000;

    /// <summary>The most fish lost in one day that are not asked about.</summary>
    /// <param name="stands">Fish on the books.</param>
    public static double UsualLoss(int stands) => Math.Max(5, 0.2 * stands);

    /// <summary>Objections to a stocking.</summary>
    /// <param name="f">The stocking.</param>
    /// <param name="declaredReady">Whether the pond was declared ready.</param>
    /// <param name="notMet">Conditions of the ready-to-stock gate that are not met, in words; those nobody looked at do not stand against it.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IEnumerable<Remark> Check(FishStocked f, bool declaredReady, IReadOnlyList<string> notMet, Hand hand)
    {
        if (FishSpecies.Find(f.SpeciesKey) is not { } species)
        {
            yield return Remark.Refuse("Species", "Choose a species from the list.");
            yield break;
        }
        if (f.Count is < 1 or > MostFish)
            yield return Remark.Refuse(
                "Count",
                $"{hand.Count(f.Count)} fish cannot be stocked. Takes 1 to {hand.Count(MostFish)}."
            );
        if (f.MeanG is not (> 0 and <= 20_000))
            yield return Remark.Refuse(
                "MeanWeight",
                $"{G(f.MeanG, hand)} is not a weight of fish to stock. Takes more than 0, up to {G(20_000, hand)}."
            );
        else if (f.MeanG > species.MarketLowG)
            yield return Remark.Ask(
                "MeanWeight",
                $"{G(f.MeanG, hand)} is already market size of {species.Name.ToLowerInvariant()} ({G(species.MarketLowG, hand)}). Are these broodfish, or is the unit another?"
            );
        if (f.TargetG is { } target && target <= f.MeanG)
            yield return Remark.Refuse("Target", "The target weight must be above the weight at stocking.");
        // Nobody chose the day for fish that were there before.
        if (f.TakenOver || !string.IsNullOrWhiteSpace(f.NotReadyReason))
            yield break;
        if (notMet.Count > 0)
            yield return Remark.Refuse(
                "NotReadyReason",
                $"The pond does not pass the gate: {string.Join("; ", notMet)}. Put it right, or say in a few words why it is stocked all the same; the reason is kept."
            );
        else if (!declaredReady)
            yield return Remark.Refuse(
                "NotReadyReason",
                "This pond was not declared ready. Say in a few words why it is stocked all the same; the reason is kept."
            );
    }

    /// <summary>Objections to a loss.</summary>
    /// <param name="f">The loss.</param>
    /// <param name="batch">The batch on the books.</param>
    /// <param name="happened">When.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IEnumerable<Remark> Check(FishLost f, BatchOnBooks batch, DateTimeOffset happened, Hand hand)
    {
        if (f.FoundShare is { } share && !(share is >= 0.01 and <= 1))
            yield return Remark.Refuse(
                "FoundShare",
                "The share of the dead that was found: 1 to 100 %, or empty for the few found on a day."
            );
        if (f.To is not (Account.Dead or Account.Eaten or Account.Escaped))
            yield return Remark.Refuse("To", "Say whether they were found dead, eaten or escaped.");
        foreach (var remark in Count(f.Count, hand).Concat(InTime(batch, happened)))
            yield return remark;
        if (f.Count > batch.Stands && f.Count <= MostFish)
            yield return Remark.Ask(
                "Count",
                $"{hand.Count(f.Count)} is more than the {hand.Count(batch.Stands)} on the books. If saved, the difference of {hand.Count(f.Count - batch.Stands)} comes from unexplained. Is it meant?"
            );
        else if (batch.Stands > 0 && f.Count > UsualLoss(batch.Stands))
            yield return Remark.Ask(
                "Count",
                $"{hand.Count(f.Count)} of {hand.Count(batch.Stands)} fish in one day {HeavyLoss}.{(f.To == Account.Dead && f.FoundShare is null ? " Say below what share of the dead was found: without it, more are taken to lie unfound." : "")} Is it meant?"
            );
    }

    /// <summary>Objections to a harvest.</summary>
    /// <param name="f">The harvest.</param>
    /// <param name="batch">The batch on the books.</param>
    /// <param name="happened">When.</param>
    /// <param name="expectedG">Estimated mean weight, g, or null.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IEnumerable<Remark> Check(
        FishHarvested f,
        BatchOnBooks batch,
        DateTimeOffset happened,
        double? expectedG,
        Hand hand
    )
    {
        if (f.To is not (Account.Harvested or Account.SoldAlive or Account.MovedOff))
            yield return Remark.Refuse("To", "Say whether they were harvested, sold alive or moved off the farm.");
        foreach (var remark in Count(f.Count, hand).Concat(InTime(batch, happened)))
            yield return remark;
        if (f.MassKg is not (> 0 and <= 1_000_000))
            yield return Remark.Refuse(
                "Mass",
                $"{Kg(f.MassKg, hand)} cannot be a catch. Takes more than 0, up to {Kg(1_000_000, hand)}."
            );
        else if (
            expectedG is { } expected
            && f.Count > 0
            && (f.MassKg * 1000 / f.Count > 2 * expected || f.MassKg * 1000 / f.Count < expected / 2)
        )
            yield return Remark.Ask(
                "Mass",
                $"That makes {G(f.MassKg * 1000 / f.Count, hand)} a fish; about {G(expected, hand)} was expected. Are count and mass right?"
            );
        if (f.Count > batch.Stands && f.Count <= MostFish)
        {
            yield return Remark.Ask(
                "Count",
                $"{hand.Count(f.Count)} is more than the {hand.Count(batch.Stands)} on the books. Kept, the surplus of {hand.Count(f.Count - batch.Stands)} comes from unexplained: a short count at stocking is the usual cause. Is it meant?"
            );
            if (string.IsNullOrWhiteSpace(f.DifferenceReason))
                yield return Remark.Refuse(
                    "DifferenceReason",
                    "Say in a few words where the surplus comes from; the books keep it."
                );
        }
        else if (f.Final && f.Count < batch.Stands && f.Count > 0 && string.IsNullOrWhiteSpace(f.DifferenceReason))
            yield return Remark.Refuse(
                "DifferenceReason",
                $"{hand.Count(batch.Stands - f.Count)} fish on the books are not in the catch. Give the difference a name (birds, dead not found, short count): the books close with it."
            );
    }

    /// <summary>Objections to a move between ponds.</summary>
    public static IEnumerable<Remark> Check(FishMoved f, BatchOnBooks batch, DateTimeOffset happened, Hand hand)
    {
        if (f.ToPondId == f.PondId)
            yield return Remark.Refuse("ToPond", "Choose another pond than the one they stand in.");
        foreach (var remark in Count(f.Count, hand).Concat(InTime(batch, happened)))
            yield return remark;
        if (f.MeanG is not (> 0 and <= 20_000))
            yield return Remark.Refuse(
                "MeanWeight",
                $"{G(f.MeanG, hand)} is not a weight of fish. Takes more than 0, up to {G(20_000, hand)}."
            );
        if (f.Count > batch.Stands && f.Count <= MostFish)
            yield return Remark.Ask(
                "Count",
                $"{hand.Count(f.Count)} is more than the {hand.Count(batch.Stands)} on the books. Kept, the surplus comes from unexplained. Is it meant?"
            );
    }

    /// <summary>Objections to a count of all.</summary>
    /// <param name="f">The count.</param>
    /// <param name="batch">The batch on the books.</param>
    /// <param name="happened">When.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IEnumerable<Remark> Check(FishRecounted f, BatchOnBooks batch, DateTimeOffset happened, Hand hand)
    {
        foreach (var remark in InTime(batch, happened))
            yield return remark;
        if (f.Count is < 0 or > MostFish)
            yield return Remark.Refuse("Count", $"0 to {hand.Count(MostFish)} fish.");
        else if (f.Count != batch.Stands && string.IsNullOrWhiteSpace(f.Reason))
            yield return Remark.Refuse(
                "Reason",
                $"{hand.Count(batch.Stands)} are on the books, {hand.Count(f.Count)} counted. Give the difference a name: birds, deaths not found, a short count at stocking."
            );
        else if (Math.Abs(f.Count - batch.Stands) > Math.Max(10, 0.3 * batch.Stands))
            yield return Remark.Ask(
                "Count",
                $"{hand.Count(f.Count)} counted, {hand.Count(batch.Stands)} on the books: far apart. Were all fish of this batch counted?"
            );
        if (f.Reason.Length > 300)
            yield return Remark.Refuse("Reason", "At most 300 letters.");
    }

    /// <summary>Objections to a sample.</summary>
    /// <param name="f">The sample.</param>
    /// <param name="batch">The batch on the books.</param>
    /// <param name="happened">When.</param>
    /// <param name="expectedG">Estimated mean weight, g, or null.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IEnumerable<Remark> Check(
        FishSampled f,
        BatchOnBooks batch,
        DateTimeOffset happened,
        double? expectedG,
        Hand hand
    )
    {
        foreach (var remark in InTime(batch, happened))
            yield return remark;
        if (f.Weighings.Count == 0 || f.Weighings.Any(w => w.Count < 1))
        {
            yield return Remark.Refuse(
                "Weighings",
                "A sample of 0 fish tells nothing. Give at least one seine sample with its count and mass."
            );
            yield break;
        }
        if (
            f.Weighings.Any(w => w.MassG is not (> 0 and <= 5_000_000))
            || f.Weighings.Sum(w => (long)w.Count) > 100_000
        )
        {
            yield return Remark.Refuse(
                "Weighings",
                $"Each mass must be above 0, up to {Kg(5_000, hand)}, and all samples together up to 100,000 fish."
            );
            yield break;
        }
        if (f.LengthsM.Any(l => l is { } m && m is not (> 0.002 and < 3)))
            yield return Remark.Refuse("Weighings", h =>
                $"A length of {Limit.Range(0.002, 3, Measures.ShortLength, h)}."
            );
        if (f.Marks.Any(m => m.Fish < 0 || m.Fish > f.Weighings.Sum(w => w.Count)))
            yield return Remark.Refuse(
                "Marks",
                $"Marks are counted on the fish weighed: 0 to {hand.Count(f.Weighings.Sum(w => w.Count))} each."
            );
        if (f.Weighings.Sum(w => w.Count) > batch.Stands)
            yield return Remark.Ask(
                "Weighings",
                $"{hand.Count(f.Weighings.Sum(w => w.Count))} fish weighed, {hand.Count(batch.Stands)} on the books. Is it meant?"
            );
        var mean = f.Weighings.Sum(w => w.MassG) / f.Weighings.Sum(w => w.Count);
        if (expectedG is { } expected && (mean > 1.6 * expected || mean < expected / 1.6))
            yield return Remark.Ask(
                "Weighings",
                $"{G(mean, hand)} a fish; about {G(expected, hand)} was expected. Are counts, masses and their unit right?"
            );
    }

    private static string G(double g, Hand hand) => QuantityText.Write(g, Measures.FishWeight, hand);

    private static string Kg(double kg, Hand hand) => QuantityText.Write(kg, Measures.Mass, hand);

    private static IEnumerable<Remark> Count(int count, Hand hand)
    {
        if (count is < 1 or > MostFish)
            yield return Remark.Refuse("Count", $"{hand.Count(count)} fish is outside 1 to {hand.Count(MostFish)}.");
    }

    private static IEnumerable<Remark> InTime(BatchOnBooks batch, DateTimeOffset happened)
    {
        if (happened < batch.Stocked)
            yield return Remark.Refuse(
                "When",
                "This is before the batch was stocked. Choose a later date, or correct the stocking first."
            );
        if (batch.ClosedAt is { } closed && happened > closed)
            yield return Remark.Refuse(
                "When",
                "This batch was closed by its final harvest before that. Correct the final harvest first if fish were left."
            );
    }
}
