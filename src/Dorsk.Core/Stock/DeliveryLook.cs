using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Stock;

/// <summary>A bought batch that waits for its quarantine to begin.</summary>
/// <param name="PondId">Where it stands.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="Came">The farm day it was stocked.</param>
/// <param name="From">Seller and lot.</param>
/// <param name="Days">Usual days of isolation.</param>
public sealed record LotToHold(long PondId, long BatchId, DateOnly Came, string From, int Days);

/// <summary>What a look over a delivery says of it: health, dead, size, bags, the way and the papers.</summary>
public static class DeliveryLook
{
    // Judged: more dead than this on arrival tell of a bad road or sick fish.
    private const double UsualDeadShare = 0.01,
        HeavyDeadShare = 0.05,
        ManySlackShare = 0.1;

    // Judged: crowded in a basin without air, fry use up its oxygen in some minutes.
    private const int MinutesWithoutAir = 5,
        MinutesWithAir = 30;

    /// <summary>What speaks against taking them, the worst first.</summary>
    /// <param name="f">The delivery.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IReadOnlyList<Judgement> Against(FishReceived f, Hand hand)
    {
        Judgement?[] found = [Dead(f, hand), .. Health(f), Slack(f), Water(f), Basins(f), Size(f, hand), Source(f)];
        return [.. found.OfType<Judgement>().OrderByDescending(j => j.Status)];
    }

    /// <summary>Days to hold them apart, with the source of the figure.</summary>
    /// <param name="f">The delivery.</param>
    /// <param name="tempC">Water, °C.</param>
    public static (int Days, string Source) HoldApart(FishReceived f, double tempC) =>
        Quarantine.UsualDays(FishSpecies.Of(f.SpeciesKey), tempC, f.Source);

    private static Judgement? Dead(FishReceived f, Hand hand)
    {
        var share = f.Count > 0 ? (double)f.Dead / f.Count : 0;
        if (share > HeavyDeadShare)
            return new(
                Status.ActNow,
                $"{hand.Short(100 * share, 1)} % dead on arrival: refuse, or hold apart and ask a vet"
            );
        return share > UsualDeadShare
            ? new(
                Status.Watch,
                $"{hand.Short(100 * share, 1)} % dead on arrival: tell the seller in writing, and count again after two days"
            )
            : null;
    }

    private static IEnumerable<Judgement?> Health(FishReceived f) =>
        [
            f.Lively
                ? null
                : new(
                    Status.ActNow,
                    "They hang, gasp or turn: measure oxygen and temperature of the bag first; sick fish are not let in"
                ),
            f.Sound
                ? null
                : new(
                    Status.ActNow,
                    "Fins, skin or gills are not sound: hold apart, ask a vet before they meet other fish"
                ),
            f.Even
                ? null
                : new(Status.Watch, "Of several sizes: grade before stocking, the large ones eat or outgrow the small"),
            f.Papers
                ? null
                : new(Status.Watch, "No papers: origin and health cannot be shown to a buyer or an inspector"),
        ];

    private static Judgement? Slack(FishReceived f)
    {
        if (f is not { Bags: > 0 and var bags, SlackBags: > 0 and var slack })
            return null;
        var many = (double)slack / bags > ManySlackShare;
        return new(
            many ? Status.ActNow : Status.Watch,
            FormattableString.Invariant(
                $"{slack} of {bags} bags slack: their oxygen leaked out; open these first, measure oxygen, count their dead"
            )
        );
    }

    private static Judgement? Water(FishReceived f) =>
        f.FoulWater
            ? new(
                Status.Watch,
                "The water they came in smells foul: measure its ammonia, pour none of it into the pond, let them go soon"
            )
            : null;

    private static Judgement? Basins(FishReceived f)
    {
        if (f.BasinMinutes is not { } minutes || minutes <= (f.BasinAir ? MinutesWithAir : MinutesWithoutAir))
            return null;
        return new(
            f.BasinAir ? Status.Watch : Status.ActNow,
            FormattableString.Invariant(
                $"{minutes} minutes in basins {(f.BasinAir ? "with" : "without")} air after the seine: expect losses over two days; aerate basins and carry fewer at a time"
            )
        );
    }

    // Who is bought too small needs a nursery first, and dies more often.
    private static Judgement? Size(FishReceived f, Hand hand)
    {
        if (FishSpecies.Find(f.SpeciesKey) is not { } species || !(f.MeanG > 0))
            return null;
        string G(double g) => QuantityText.Write(g, Measures.FishWeight, hand);
        if (f.MeanG < species.FirstFeedFryG)
            return new(
                Status.ActNow,
                $"{G(f.MeanG)} is lighter than fry that have begun to feed ({G(species.FirstFeedFryG)}): they belong in a hatchery"
            );
        if (f.MeanG < species.FingerlingLowG)
            return new(
                Status.Watch,
                $"Of fry size (fingerlings of the species weigh from {G(species.FingerlingLowG)}): nurse them first, safe from hunters; about {hand.Count(species.SurvivalFryPct)} % usually live to fingerling size"
            );
        return f.Stage is SeedStage.Larger && f.MeanG < species.FingerlingHighG
            ? new(
                Status.Watch,
                $"Sold as larger fish, of fingerling weight (up to {G(species.FingerlingHighG)}): weigh three samples before you pay"
            )
            : null;
    }

    private static Judgement? Source(FishReceived f) =>
        f.Source switch
        {
            SeedSource.Wild => new(
                Status.Watch,
                "Gathered in the wild: disease, other species, and a permit; hold apart for longer"
            ),
            SeedSource.Dealer => new(
                Status.Watch,
                "From several farms: whatever one of them had; hold apart for longer"
            ),
            _ => null,
        };
}
