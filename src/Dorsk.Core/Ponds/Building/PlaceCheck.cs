using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>One answer to a question about a place.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Words">As it is chosen.</param>
/// <param name="Status">What it means for the plan.</param>
/// <param name="Says">Reason when it is good, else what to do.</param>
public sealed record PlaceAnswer(string Key, string Words, Status Status, string Says);

/// <summary>How one point of a place stands.</summary>
/// <param name="Name">Point.</param>
/// <param name="Judgement">How it stands, with the answer given.</param>
/// <param name="Do">Why it is good, or what to do.</param>
public sealed record PlacePoint(string Name, Judgement Judgement, string Do);

/// <summary>A question about a place before anything is built or bought.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">What it is about.</param>
/// <param name="Gate">Whether nothing goes on without it.</param>
/// <param name="Of">For which bodies of water; null for all.</param>
/// <param name="Answers">Answers to choose from; not known is always one more.</param>
public sealed record PlaceQuestion(
    string Key,
    string Name,
    bool Gate,
    IReadOnlyList<PondKind>? Of,
    IReadOnlyList<PlaceAnswer> Answers
);

/// <summary>Whether a place and its water can carry a pond: what to look at before building or buying anything.</summary>
public static class PlaceCheck
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Usual practice of laying out ponds and tanks; the size band is a starting value, judged";

    // A pond one family nets and feeds by hand, ha.
    private const double EasyLowHa = 0.05,
        EasyHighHa = 0.4,
        LargeHa = 2;
    private static readonly PondKind[] Ponds = [PondKind.Earthen, PondKind.Lined, PondKind.Split],
        Sheets = [PondKind.Lined, PondKind.Tank],
        Built = [PondKind.Tank, PondKind.Raceway],
        Caged = [PondKind.Cage, PondKind.Hapa];

    /// <summary>All questions, water first.</summary>
    public static readonly IReadOnlyList<PlaceQuestion> Questions =
    [
        new(
            "dry",
            "water in the driest month",
            true,
            null,
            [
                Yes("enough, measured", "it carries filling, leaks and what the sun takes"),
                Maybe("enough, they say", "Measure it in the driest month: a bucket and a watch at the source."),
                No(
                    "not enough",
                    "No plan stands on water that fails. Store water, want a smaller pond, or look for another place."
                ),
            ]
        ),
        new(
            "source",
            "where the water comes from",
            false,
            null,
            [
                Yes(
                    "well or spring",
                    "no wild fish; often without oxygen and with iron or gas: let it fall through air first"
                ),
                Maybe(
                    "river or creek",
                    "It brings wild fish, silt, disease and what others spray: screen it, settle it, and be able to shut it."
                ),
                Maybe(
                    "lake or dam",
                    "It brings wild fish and blooms; the deep water has no oxygen: draw near the surface through a screen."
                ),
                Maybe(
                    "tide",
                    "It brings larvae of pests and disease; salt changes with rain: fill on chosen tides through a fine screen, settle, then use."
                ),
                Maybe("town water", "Chlorine or chloramine kills: treat it, and test for chlorine before fish."),
            ]
        ),
        new(
            "tested",
            "tests of the source",
            true,
            null,
            [
                Yes(
                    "tested, within limits",
                    "oxygen, pH, alkalinity, hardness, salinity, ammonia, iron, and what neighbours use"
                ),
                Maybe(
                    "not tested",
                    "Test it before you build or buy: oxygen, pH, alkalinity, hardness, salinity, ammonia, iron, gas, and what neighbours spray."
                ),
                No(
                    "something outside its limits",
                    "Work out what it costs to put right every time the pond is filled, before building."
                ),
            ]
        ),
        new(
            "second",
            "a second source",
            false,
            null,
            [
                Yes("there, and tested", "one pump may fail"),
                Maybe("none", "Register a second well or source and test it: a pump fails when it is needed most."),
            ]
        ),
        new(
            "livefeed",
            "live feed",
            false,
            null,
            [
                Yes("none, or dry feed only", "nothing alive comes in but the fish"),
                Yes("from an own culture, started clean", "brine shrimp and rotifers from cysts bring little"),
                No(
                    "caught in ponds or rivers",
                    "It brings parasites and disease straight to the fry: culture it, or freeze or rinse it as a vet advises."
                ),
            ]
        ),
        new(
            "floor",
            "the floor",
            false,
            Ponds,
            [
                Yes(
                    "falls evenly to a catch basin at the drain",
                    "it drains fully and the last fish come to one place"
                ),
                Maybe(
                    "falls, without a basin",
                    "Dig a catch basin at the lowest point: the last fish are lost in mud without one."
                ),
                No(
                    "flat, or does not drain fully",
                    "Level it so that it falls evenly to the drain, 2 to 5 in 1,000; puddles keep wild fish and disease for the next cycle."
                ),
            ]
        ),
        new(
            "soil",
            "the soil",
            false,
            [PondKind.Earthen, PondKind.Split],
            [
                Yes("holds water, tried", "clay enough, tried in a pit filled overnight"),
                Maybe(
                    "not tried",
                    "Dig a pit, fill it in the evening, look in the morning, fill it again: half gone the second time says it leaks."
                ),
                No("sandy or stony", "Line it, or bring clay and roll it in: pumping into sand never ends."),
            ]
        ),
        new(
            "runoff",
            "foul run-off and floods",
            false,
            null,
            [
                Yes("kept out by a bank or ditch", "rain from yards and fields passes by"),
                Maybe(
                    "may come in",
                    "A bank or ditch above it, and a crest over the highest flood anybody remembers: floods take the fish along."
                ),
            ]
        ),
        new(
            "truck",
            "a truck in wet weather",
            false,
            null,
            [
                Yes("reaches it, with room all round", "fingerlings, feed and harvest go by road"),
                Maybe(
                    "only when dry",
                    "Gravel a way in before the first load: harvest days cannot wait for dry ground."
                ),
                No(
                    "cannot reach it",
                    "Carrying fish by hand costs fish: make a way in, or choose a place near the road."
                ),
            ]
        ),
        new(
            "power",
            "power by night",
            false,
            null,
            [
                Yes("there, with a stand-by", "air before dawn is what saves fish"),
                Maybe(
                    "there, no stand-by",
                    "A generator that starts under load, tried every month; crowded water has minutes."
                ),
                Maybe("none", "Stock what lives without air."),
            ]
        ),
        new(
            "liner",
            "colour of the liner",
            false,
            Sheets,
            [
                Yes("light, or shaded", "it stays cooler"),
                Maybe("dark, in a cool place", "It warms the water: welcome in spring, watch it in summer."),
                No(
                    "dark, in a hot place",
                    "A dark liner takes up heat by day and holds it by night: take a light one, deeper water or shade."
                ),
            ]
        ),
        new(
            "base",
            "the base",
            false,
            Built,
            [
                Yes("level, and in the price", "a full tank weighs a tonne each cubic metre"),
                No(
                    "not level yet",
                    "Level or concrete it before the frame stands, and put it in the price: a leaning tank bursts."
                ),
            ]
        ),
        new(
            "fence",
            "children, animals, blades",
            false,
            null,
            [
                Yes("kept out", "fence, lid, and something to hold on to"),
                No(
                    "can reach it",
                    "Fence it, with steps or a rope to climb out: people drown in ponds; soft walls are cut."
                ),
            ]
        ),
        new(
            "shade",
            "shade for what is kept",
            false,
            null,
            [
                Yes("eggs, fry or trout, shaded", "bright sun harms eggs and fry, and warms cold-water fish"),
                Maybe(
                    "eggs, fry or trout, open",
                    "Shade or cover for eggs, fry and trout; crayfish and catfish want hides."
                ),
                Yes("grown warm-water fish, open", "they need none; light feeds the bloom they live by"),
            ]
        ),
        new(
            "building",
            "the building, if indoors",
            false,
            Built,
            [
                Yes("sound, insulated, aired", "wet air rots roofs and wiring"),
                Maybe(
                    "no insulation",
                    "Work out the heating before you buy: warm water under a cold roof costs more than the feed."
                ),
                No(
                    "not inspected for the load and the damp",
                    "A builder looks at floor, roof and wiring first: water weighs a tonne each cubic metre, and wet air eats wiring."
                ),
            ]
        ),
        new(
            "cage",
            "a cage in open water",
            false,
            Caged,
            [
                Yes("sheltered, deep, with a permit", "no pumping; two metres of moving water under the net"),
                Maybe(
                    "little sight of the fish",
                    "Plan lift nets, cameras or divers: in a land tank you pay for pumping and see every fish; here it is the other way round."
                ),
                No(
                    "shallow, or no permit",
                    "Droppings under a net in shallow water take its oxygen; and the water is not yours: ask first."
                ),
            ]
        ),
        new(
            "permit",
            "permits",
            true,
            null,
            [
                Yes("granted", "water, earth work, species, effluent"),
                Maybe(
                    "asked for",
                    "Do not buy fish before they are granted: water, dams, species that are not native, effluent."
                ),
                Maybe("not asked", "Ask before digging: water, dams, species that are not native, effluent."),
            ]
        ),
        new(
            "out",
            "where the water goes",
            false,
            null,
            [
                Yes("settled, or onto land", "the last quarter carries the mud"),
                Maybe(
                    "straight out",
                    "Settle the last quarter, or spread it on land; salt water needs a place of its own, and a permit."
                ),
            ]
        ),
    ];

    /// <summary>The questions for a body of water.</summary>
    public static IEnumerable<PlaceQuestion> For(PondKind kind) =>
        Questions.Where(q => q.Of is null || q.Of.Contains(kind));

    /// <summary>How a place stands: a point for each question, and for the planned size.</summary>
    /// <param name="kind">Body of water.</param>
    /// <param name="areaHa">Planned area, ha, or null.</param>
    /// <param name="answers">Key of the answer by the key of its question.</param>
    public static IReadOnlyList<PlacePoint> Weigh(
        PondKind kind,
        double? areaHa,
        IReadOnlyDictionary<string, string> answers
    )
    {
        var points = For(kind)
            .Select(q =>
                q.Answers.FirstOrDefault(a => a.Key == answers.GetValueOrDefault(q.Key)) is { } a
                    ? new PlacePoint(q.Name, new(a.Status, a.Words), a.Says)
                    : new PlacePoint(q.Name, new(Status.Unknown, "not known"), "Find out before you build.")
            )
            .ToList();
        if (Ponds.Contains(kind) && areaHa is { } ha)
            points.Add(SizeOf(ha));
        return points;
    }

    /// <summary>Points without which nothing goes on, that are not well.</summary>
    public static IReadOnlyList<PlacePoint> Gates(IReadOnlyList<PlacePoint> points) =>
        [.. points.Where(p => p.Judgement.Status != Status.Steady && Questions.Any(q => q.Gate && q.Name == p.Name))];

    private static PlaceAnswer Yes(string words, string says) => new(words, words, Status.Steady, says);

    private static PlaceAnswer Maybe(string words, string says) => new(words, words, Status.Watch, says);

    private static PlaceAnswer No(string words, string says) => new(words, words, Status.ActNow, says);

    private static PlacePoint SizeOf(double ha)
    {
        var (status, words, says) = ha switch
        {
            < EasyLowHa => (
                Status.Watch,
                "smaller than is worth the banks",
                "Under 0.05 ha (an eighth of an acre) the banks cost more than the water: good for fry or a trial."
            ),
            <= EasyHighHa => (
                Status.Steady,
                "easy to net, feed and air by hand",
                "0.05 to 0.4 ha (an eighth of an acre to one acre)"
            ),
            <= LargeHa => (
                Status.Watch,
                "large for hand work",
                "Above 0.4 ha a seine needs a vehicle and feed a blower; two smaller ponds share the risk."
            ),
            _ => (Status.ActNow, "very large", "Above 2 ha one bad night is a whole year: divide it."),
        };
        return new("planned size", new(status, words), says);
    }
}
