namespace Dorsk.Web.Find;

/// <summary>Terms of the trade in plain words, for whoever meets one for the first time.</summary>
public static class Terms
{
    /// <summary>Term, what it means, and the page on which it is worked with; by the alphabet.</summary>
    public static IReadOnlyList<(string Term, string Means, string Address)> All { get; } =
    [
        (
            "Acclimation",
            "bringing fish slowly from one water to another, by temperature, salt and pH",
            "/workbench/mixing"
        ),
        ("Aerator", "a machine that brings air into water: paddlewheel, blower, pump", "/oxygen/aerators"),
        (
            "Alkalinity",
            "how much acid water can take up before its pH falls, in mg/L of calcium carbonate; lime raises it",
            "/workbench/alkalinity"
        ),
        ("Batch", "fish of one delivery that are counted, fed and sold together", "/fish"),
        ("Biomass", "mass of all fish in a pond: number by mean weight", "/ponds"),
        ("Break-even price", "price at which a sale just pays what the fish have cost", "/plans"),
        ("Broodstock", "grown fish that are kept to spawn", "/hatchery/broodstock"),
        ("Carrying capacity", "the most fish that a pond feeds and keeps in oxygen, in mass", "/plans/stocking"),
        ("Degree-days", "temperature above a base, added up day by day: eggs and medicines run on it", "/hatchery"),
        ("Dissolved oxygen", "oxygen in the water that fish breathe, in mg/L; lowest at dawn", "/oxygen"),
        ("Dressed weight", "mass of a fish without its guts, or as it is sold", "/lots"),
        ("Effluent", "water that leaves the farm; permits say what it may carry", "/workbench"),
        ("Feed conversion ratio (FCR)", "mass of feed for each mass of fish gained; lower is better", "/feed"),
        ("Fingerling", "a young fish of about a finger's length, ready to be stocked", "/plans/order"),
        ("Fry", "fish that have just begun to feed", "/hatchery"),
        (
            "Hardness",
            "calcium and magnesium in water, in mg/L of calcium carbonate; shells and eggs need it",
            "/workbench"
        ),
        ("Nitrite", "what ammonia becomes on its way to nitrate; it chokes fish where chloride is low", "/workbench"),
        (
            "pH",
            "how acid or alkaline water is, from 0 to 14; it rises by day and falls by night in green water",
            "/workbench"
        ),
        (
            "Post-larva",
            "a shrimp or prawn after its last larval stage, counted in days: PL12 is twelve days",
            "/plans/order"
        ),
        ("Quarantine", "new fish held apart until they have shown that they are healthy", "/health"),
        ("Ration", "feed of a day, by weight of the fish, temperature and oxygen", "/feed"),
        ("Sac fry", "hatched fish that still live on their yolk", "/hatchery"),
        ("Salinity", "salt in water, in parts of a thousand", "/workbench"),
        (
            "Secchi depth",
            "depth at which a black and white disk is just lost to sight: how much plankton there is",
            "/workbench"
        ),
        ("Seine", "a long net that is drawn through a pond between its lead line and its floats", "/harvest"),
        ("Specific growth rate (SGR)", "growth as percent of the weight a day", "/plans"),
        ("Stocking density", "fish for each surface or volume of water at stocking", "/plans/stocking"),
        ("Survival", "share of the fish stocked that are still alive", "/fish"),
        ("TAN", "total ammonia as nitrogen, both forms together; a test kit reads it", "/workbench/ammonia"),
        ("Tempering", "bringing fish or eggs over to another temperature by small steps", "/workbench/mixing"),
        ("Turnover", "time in which the flow brings as much water as stands in a pond or tank", "/workbench/exchange"),
        (
            "Un-ionised ammonia",
            "the form of ammonia that harms; it grows with pH and temperature",
            "/workbench/ammonia"
        ),
        ("Weaning", "changing young fish from live food to dry feed", "/feed/changes"),
        (
            "Withdrawal period",
            "days after a treatment in which fish are not sold for food, as the label says",
            "/health"
        ),
    ];

    /// <summary>Terms in which a word stands; all for an empty one.</summary>
    /// <param name="word">What was typed.</param>
    public static IEnumerable<(string Term, string Means, string Address)> Find(string word) =>
        All.Where(t => t.Term.Contains(word.Trim(), StringComparison.OrdinalIgnoreCase));
}
