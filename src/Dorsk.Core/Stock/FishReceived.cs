using Dorsk.Core.Judging;
using Dorsk.Core.Species;

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
    // Judged: more dead than this on arrival tell of a bad road or sick fish.
    private const double UsualDeadShare = 0.01,
        HeavyDeadShare = 0.05;

    /// <summary>What speaks against taking them, the worst first.</summary>
    public IReadOnlyList<Judgement> Against
    {
        get
        {
            var found = new List<Judgement>();
            var share = Count > 0 ? (double)Dead / Count : 0;
            if (share > HeavyDeadShare)
                found.Add(
                    new(
                        Status.ActNow,
                        FormattableString.Invariant(
                            $"{100 * share:0.#} % dead on arrival: refuse, or hold apart and ask a vet"
                        )
                    )
                );
            else if (share > UsualDeadShare)
                found.Add(
                    new(
                        Status.Watch,
                        FormattableString.Invariant(
                            $"{100 * share:0.#} % dead on arrival: written to the seller, and counted again after two days"
                        )
                    )
                );
            if (!Lively)
                found.Add(
                    new(
                        Status.ActNow,
                        "They hang, gasp or turn: look at oxygen and temperature of the bag first; sick fish are not let in"
                    )
                );
            if (!Sound)
                found.Add(
                    new(
                        Status.ActNow,
                        "Fins, skin or gills are not sound: hold apart, ask a vet before they meet other fish"
                    )
                );
            if (!Papers)
                found.Add(new(Status.Watch, "No papers: origin and health cannot be shown to a buyer or an inspector"));
            if (!Even)
                found.Add(
                    new(
                        Status.Watch,
                        "Of several sizes: grade before stocking, the large ones eat or outgrow the small"
                    )
                );
            if (Source == SeedSource.Wild)
                found.Add(
                    new(
                        Status.Watch,
                        "Gathered in the wild: disease, other species, and a permit; hold apart for longer"
                    )
                );
            else if (Source == SeedSource.Dealer)
                found.Add(new(Status.Watch, "From several farms: whatever one of them had; hold apart for longer"));
            return [.. found.OrderByDescending(f => f.Status)];
        }
    }

    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        if (FishSpecies.Find(SpeciesKey) is null)
            yield return Remark.Refuse("Species", "Choose a species from the list.");
        if (Count is < 1 or > StockRules.MostFish)
            yield return Remark.Refuse("Count", "1 to 10,000,000 fish.");
        if (MeanG is not (> 0 and <= 20_000))
            yield return Remark.Refuse("MeanWeight", "Above 0, up to 20 kg.");
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
        if (Verdict == DeliveryVerdict.Accepted && Against.Count > 0 && Against[0].Status == Status.ActNow)
            yield return Remark.Ask("Verdict", $"{Against[0].Reason}. Are they taken all the same?");
    }

    private Remark NoteMissing() =>
        Remark.Refuse(
            "Note",
            Verdict == DeliveryVerdict.Refused
                ? "Say why they are sent back: the seller will ask."
                : "Write the note to the seller."
        );
}
