namespace Dorsk.Core.Hatchery;

/// <summary>The way in which a species is spawned and its eggs are held.</summary>
/// <param name="Name">In words.</param>
/// <param name="Vessel">What eggs are held in.</param>
/// <param name="EggsPerVessel">Eggs a vessel holds: one trough of ten baskets, one jar, one tank; 0 where they stay with the parent.</param>
/// <param name="Nests">Females that share a nest; 0 where there are no nests.</param>
/// <param name="Steps">What is done, in order.</param>
public sealed record BroodWay(
    string Name,
    string Vessel,
    double EggsPerVessel,
    double Nests,
    IReadOnlyList<string> Steps
)
{
    /// <summary>Where the figures come from.</summary>
    public const string Source =
        "Ways by the table of eggs; two egg masses a basket and eight to ten baskets a trough, 100,000 to 300,000 small eggs a jar: starting values of the trade";

    private static readonly BroodWay Troughs =
            new(
                "nests in ponds, egg masses in troughs",
                "troughs",
                280_000,
                1.5,
                [
                    "set nests before the breeders, or two weeks before the water settles",
                    "look into nests every second day, daily at the peak",
                    "lift egg masses whole, keep them in shade and still water on the way",
                ]
            ),
        Jars =
            new(
                "strip and hatch in jars",
                "jars",
                150_000,
                0,
                [
                    "hormone only by a licensed person, who writes it down",
                    "strip, fertilise, free of stickiness where they stick",
                    "jars turned by the flow, gently",
                ]
            ),
        Tanks =
            new(
                "spawn in tanks, eggs that float",
                "tanks",
                500_000,
                0,
                [
                    "ripe breeders into a clean tank; hormone only by a licensed person",
                    "keep eggs apart from parents and their slime: into a larger clean tank if the first is small",
                    "gentle upwelling",
                ]
            ),
        Mouths =
            new(
                "mouth brooders, eggs and fry taken from mouths",
                "jars",
                30_000,
                0,
                ["take from mouths every 5 to 10 days", "sort by stage, tumble in jars"]
            ),
        Mats =
            new(
                "sticky eggs on mats",
                "troughs",
                100_000,
                0,
                [
                    "mats into the spawning pond on the evening before",
                    "mats with eggs into troughs at once: ripe parents eat them",
                ]
            ),
        Trays =
            new(
                "strip, eggs on trays in the dark",
                "trays",
                10_000,
                0,
                ["strip and fertilise dry", "do not move them until they are eyed", "in the dark, water from above"]
            ),
        Carried =
            new(
                "carried by the female until they hatch",
                "tanks",
                0,
                0,
                ["berried females into tanks of their own", "larvae or young are taken when they leave her"]
            );

    /// <summary>The way of a species, by how the table says its eggs are held.</summary>
    /// <param name="table">Its row.</param>
    public static BroodWay Of(EggTable table)
    {
        var said = Ways.FirstOrDefault(w =>
            w.Words.Any(word => table.Method.Contains(word, StringComparison.OrdinalIgnoreCase))
        );
        return said.Way ?? Jars;
    }

    // Looked for in this order: the words of the table.
    private static readonly (string[] Words, BroodWay Way)[] Ways =
    [
        (["carried"], Carried),
        (["mouth"], Mouths),
        (["trays"], Trays),
        (["masses"], Troughs),
        (["mats", "ribbons", "sticky"], Mats),
        (["pelagic", "tank", "hapa"], Tanks),
    ];

    /// <summary>Vessels for so many eggs, whole; 0 where they stay with the parent.</summary>
    /// <param name="eggs">Eggs; 0 or more.</param>
    public int VesselsFor(double eggs) => EggsPerVessel > 0 ? (int)Math.Ceiling(eggs / EggsPerVessel) : 0;

    /// <summary>Baskets for the egg masses of the females that spawn, one mass of each; 0 where eggs are not laid in masses.</summary>
    /// <param name="spawning">Females that spawn; 0 or more.</param>
    public int BasketsFor(int spawning) => this == Troughs ? EggRoom.BasketsFor(spawning) : 0;

    /// <summary>Vessels in words: 1 tank, 3 tanks.</summary>
    /// <param name="n">How many.</param>
    /// <param name="hand">How figures are printed.</param>
    public string Say(int n, Units.Hand hand) => $"{hand.Count(n)} {(n == 1 ? Vessel.TrimEnd('s') : Vessel)}";

    /// <summary>Nests for so many females, whole; 0 where there are none.</summary>
    /// <param name="females">Females; 0 or more.</param>
    public int NestsFor(int females) => Nests > 0 ? (int)Math.Ceiling(females / Nests) : 0;
}
