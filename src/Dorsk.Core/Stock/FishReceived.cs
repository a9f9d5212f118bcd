using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Stock;

/// <summary>What is done with a delivery.</summary>
public enum DeliveryVerdict
{
    /// <summary>Taken.</summary>
    Accepted,

    /// <summary>Taken with a note to the seller.</summary>
    AcceptedWithNote,

    /// <summary>Sent back.</summary>
    Refused,
}

/// <summary>Where fry come from.</summary>
public enum SeedSource
{
    /// <summary>A hatchery with papers.</summary>
    Hatchery,

    /// <summary>Own stock, seen every day.</summary>
    OwnFarm,

    /// <summary>Gathered in the wild.</summary>
    Wild,

    /// <summary>A dealer, from several farms.</summary>
    Dealer,
}

/// <summary>How far fish had grown when they were bought.</summary>
public enum SeedStage
{
    /// <summary>Nobody said.</summary>
    Unsaid,

    /// <summary>Post-larvae, counted in days.</summary>
    PostLarvae,

    /// <summary>Fry: feeding, not yet of fingerling size.</summary>
    Fry,

    /// <summary>Fingerlings or advanced juveniles.</summary>
    Fingerling,

    /// <summary>Larger fish, to be grown on.</summary>
    Larger,
}

/// <summary>What kind of stock it is: body shape and breeding follow from it.</summary>
public enum StockType
{
    /// <summary>Nobody said.</summary>
    Unsaid,

    /// <summary>A bred line.</summary>
    Improved,

    /// <summary>A cross of two species or lines.</summary>
    Hybrid,

    /// <summary>Wild, or of wild parents.</summary>
    Wild,
}

/// <summary>What follows from the kind of stock.</summary>
public static class StockTypes
{
    /// <summary>In words; empty when nobody said.</summary>
    /// <param name="type">The kind.</param>
    public static string Word(this StockType type) =>
        type switch
        {
            StockType.Improved => "improved line",
            StockType.Hybrid => "hybrid",
            StockType.Wild => "wild stock",
            _ => "",
        };

    /// <summary>What it means for grading and spawning; empty when nobody said.</summary>
    /// <param name="type">The kind.</param>
    public static string Means(this StockType type) =>
        type switch
        {
            StockType.Improved =>
                "even growth; keep it apart from other lines, and replace brood fish from the breeder",
            StockType.Hybrid =>
                "body shape lies between the parents: set grading bars by your own fish; do not breed from them",
            StockType.Wild => "uneven sizes: grade early and often; young may not spawn in ponds",
            _ => "",
        };
}

/// <summary>A delivery looked over on arrival, before any fish is let go.</summary>
/// <param name="PondId">The pond they are for.</param>
/// <param name="SpeciesKey">The fish.</param>
/// <param name="Seller">Who sold them.</param>
/// <param name="Lot">Their batch, tank or strain as the seller names it; may be empty.</param>
/// <param name="Source">Where they come from.</param>
/// <param name="Count">Delivered, as the seller says.</param>
/// <param name="MeanG">Weight, g.</param>
/// <param name="Dead">Dead on arrival.</param>
/// <param name="Lively">Whether they swim against the current and flee.</param>
/// <param name="Even">Whether they are of one size.</param>
/// <param name="Sound">Whether fins, skin and gills are sound.</param>
/// <param name="Papers">Whether origin and health papers came along.</param>
/// <param name="Price">Paid for all, in the farm's currency, or null.</param>
/// <param name="Verdict">What is done with them.</param>
/// <param name="Note">In words; may be empty.</param>
public sealed record FishReceived(
    long PondId,
    string SpeciesKey,
    string Seller,
    string Lot,
    SeedSource Source,
    int Count,
    double MeanG,
    int Dead,
    bool Lively,
    bool Even,
    bool Sound,
    bool Papers,
    double? Price,
    DeliveryVerdict Verdict,
    string Note
) : Fact
{
    /// <summary>Number of the delivery; 0 while it is new. It stays when the line is corrected.</summary>
    public long DeliveryId { get; init; }

    /// <summary>How far they had grown.</summary>
    public SeedStage Stage { get; init; }

    /// <summary>Kind of stock.</summary>
    public StockType Type { get; init; }

    /// <summary>Days since they became post-larvae, 1 to 60, or null.</summary>
    public int? StageDay { get; init; }

    /// <summary>Usual length, m, or null where they were not measured.</summary>
    public double? LengthM { get; init; }

    /// <summary>Bags they came in, or null.</summary>
    public int? Bags { get; init; }

    /// <summary>Bags that were slack or leaked, or null.</summary>
    public int? SlackBags { get; init; }

    /// <summary>Whether the water they came in smelt foul.</summary>
    public bool FoulWater { get; init; }

    /// <summary>Minutes they stood in basins on the way from the seine, or null.</summary>
    public int? BasinMinutes { get; init; }

    /// <summary>Whether those basins were aerated.</summary>
    public bool BasinAir { get; init; }

    /// <summary>How many came alive.</summary>
    public int Alive => Count - Dead;

    /// <summary>Seller and lot as the batch carries them on.</summary>
    public string Origin => Lot.Length > 0 ? $"{Seller}, lot {Lot}" : Seller;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(Hand hand)
    {
        if (FishSpecies.Find(SpeciesKey) is null)
            yield return Remark.Refuse("Species", "Choose a species from the list.");
        if (Count is < 1 or > StockRules.MostFish)
            yield return Remark.Refuse("Count", "1 to 10,000,000 fish.");
        if (MeanG is not (> 0 and <= 20_000))
            yield return Remark.Refuse("MeanWeight", h => $"Above 0, up to {Limit.Of(20, Measures.Mass, h)}.");
        if (Dead < 0 || Dead > Count)
            yield return Remark.Refuse("Dead", "0 up to the number delivered.");
        if (string.IsNullOrWhiteSpace(Seller) || Seller.Length > 80)
            yield return Remark.Refuse(
                "Seller",
                "Who sold or gave them, in 1 to 80 letters: every fish is traced back to its source."
            );
        if (Lot.Length > 80)
            yield return Remark.Refuse("Lot", "At most 80 letters.");
        if (Note.Length > 300)
            yield return Remark.Refuse("Note", "At most 300 letters.");
        if (Price is < 0 or > 1e9)
            yield return Remark.Refuse("Price", "0 or more.");
        if (Verdict != DeliveryVerdict.Accepted && string.IsNullOrWhiteSpace(Note))
            yield return NoteMissing();
        if (
            Verdict != DeliveryVerdict.Refused
            && DeliveryLook.Against(this, hand) is [{ Status: Status.ActNow } worst, ..]
        )
            yield return Remark.Ask("Verdict", $"{worst.Reason}. Are they taken all the same?");
        foreach (var remark in HowTheyCame())
            yield return remark;
    }

    private IEnumerable<Remark> HowTheyCame()
    {
        if (StageDay is not null && Stage != SeedStage.PostLarvae)
            yield return Remark.Refuse("StageDay", "Days are of post-larvae: choose that stage, or leave this empty.");
        else if (StageDay is not (null or (>= 1 and <= 60)))
            yield return Remark.Refuse("StageDay", "1 to 60 days, or empty.");
        if (LengthM is not (null or (>= 0.002 and <= 1)))
            yield return Remark.Refuse("Length", h => $"{Limit.Range(0.002, 1, Measures.ShortLength, h)}, or empty.");
        if (Bags is not (null or (>= 1 and <= 100_000)))
            yield return Remark.Refuse("Bags", "1 to 100,000 bags, or empty.");
        if (SlackBags is { } slack && (slack < 0 || slack > (Bags ?? 0)))
            yield return Remark.Refuse("SlackBags", "0 up to the number of bags.");
        if (BasinMinutes is not (null or (>= 0 and <= 1440)))
            yield return Remark.Refuse("BasinMinutes", "0 to 1,440 minutes, or empty.");
    }

    private Remark NoteMissing() =>
        Remark.Refuse(
            "Note",
            Verdict == DeliveryVerdict.Refused
                ? "Say why they are sent back: the seller will ask."
                : "Write the note to the seller."
        );
}
