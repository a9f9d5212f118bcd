using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>How the water of a trough moves through the baskets.</summary>
public enum TroughMixing
{
    /// <summary>Nobody looked.</summary>
    NotSeen,

    /// <summary>Every basket is moved gently.</summary>
    Even,

    /// <summary>Water stands still in a corner or under a basket.</summary>
    StillCorner,

    /// <summary>Paddles or air too slow everywhere.</summary>
    TooSlow,

    /// <summary>So strong that eggs are knocked about.</summary>
    TooStrong,
}

/// <summary>Room of eggs: baskets and troughs, eggs by the litre, mixing, parents.</summary>
public static class EggRoom
{
    /// <summary>Where the figures come from.</summary>
    public const string Source =
        "One to two egg masses a basket, eight to ten baskets a trough, the water turned over in 30 to 60 minutes; eggs a litre by the kind of vessel (starting values of the trade)";

    /// <summary>Egg masses that a basket holds at most.</summary>
    public const int MassesABasket = 2;

    /// <summary>Minutes in which a trough is turned over, wanted.</summary>
    public static readonly (double Low, double High) TurnoverMin = (30, 60);

    private const double JarPerLitre = 5_000,
        TankPerLitre = 1_000,
        PoolPerLitre = 200;

    /// <summary>Baskets for so many egg masses, whole.</summary>
    /// <param name="masses">Egg masses; 0 or more.</param>
    public static int BasketsFor(int masses) => (masses + MassesABasket - 1) / MassesABasket;

    /// <summary>Troughs for so many egg masses, whole.</summary>
    /// <param name="masses">Egg masses; 0 or more.</param>
    /// <param name="basketsATrough">Baskets a trough holds; above 0.</param>
    public static int TroughsFor(int masses, int basketsATrough) =>
        (BasketsFor(masses) + basketsATrough - 1) / basketsATrough;

    /// <summary>Flow through a trough, m³/h: to turn it over in 60 and in 30 minutes.</summary>
    /// <param name="waterM3">Water in the trough, m³; above 0.</param>
    public static (double Least, double Most) FlowM3H(double waterM3) =>
        (60 * waterM3 / TurnoverMin.High, 60 * waterM3 / TurnoverMin.Low);

    /// <summary>Most eggs a litre of a vessel holds; null for troughs, that hold masses in baskets, and for nests.</summary>
    /// <param name="kind">The kind of vessel.</param>
    public static double? MostPerLitre(VesselKind kind) =>
        kind switch
        {
            VesselKind.Jar => JarPerLitre,
            VesselKind.Tank => TankPerLitre,
            VesselKind.Pool => PoolPerLitre,
            _ => null,
        };

    /// <summary>Findings on the room of a lot of eggs.</summary>
    /// <param name="lot">The lot, still eggs.</param>
    /// <param name="vessel">Where it stands.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IEnumerable<Judgement> Of(LotStanding lot, VesselDescribed vessel, Hand hand)
    {
        if (lot.Taken.WithParents && lot.VesselId == lot.Taken.VesselId)
            yield return new(
                Status.ActNow,
                "still with their parents: they eat eggs, and their slime fouls the water. Move the eggs into clean water now"
            );
        if (vessel.Baskets > 0 && lot.Taken.Masses is { } masses && masses > MassesABasket * vessel.Baskets)
            yield return new(
                Status.Watch,
                $"{hand.Count(masses)} egg masses in {hand.Count(vessel.Baskets)} baskets: {MassesABasket} a basket at most, {hand.Count(BasketsFor(masses))} baskets wanted"
            );
        if (
            MostPerLitre(vessel.Kind) is { } most
            && vessel.WaterM3 > 0
            && lot.Count / vessel.WaterM3 / 1000 is var stands
            && stands > most
        )
            yield return new(
                Status.ActNow,
                $"{QuantityText.Write(1000 * stands, Measures.FryPerVolume, hand)} of eggs, {QuantityText.Write(1000 * most, Measures.FryPerVolume, hand)} at most: move them to a larger clean one"
            );
    }

    /// <summary>What the mixing means; null where nobody looked.</summary>
    /// <param name="mixing">How the water moves.</param>
    public static Judgement? Means(TroughMixing mixing) =>
        mixing switch
        {
            TroughMixing.Even => new(Status.Steady, "every basket is moved gently"),
            TroughMixing.StillCorner => new(
                Status.ActNow,
                "water stands still under a basket: eggs smother there. An air stone under it, or turn the paddle"
            ),
            TroughMixing.TooSlow => new(
                Status.ActNow,
                "paddles or air too slow: masses get no oxygen inside. Faster, about 30 turns a minute"
            ),
            TroughMixing.TooStrong => new(Status.Watch, "eggs are knocked about: slower, until the masses just sway"),
            _ => null,
        };
}
