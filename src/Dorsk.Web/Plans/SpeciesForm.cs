using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Farm.Estimates;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;

namespace Dorsk.Web.Plans;

/// <summary>Lines of the species comparer: the site, own weights, and up to four fish.</summary>
public static class SpeciesForm
{
    /// <summary>Fish side by side.</summary>
    public const int Most = 4;

    private static readonly string[] First = ["silver_perch", "jade_perch", "nile_tilapia", ""];
    private static readonly (string, string)[] Asked = [("Unknown", "not asked yet"), ("Yes", "yes"), ("No", "no")],
        Grades = [("0", "not at all"), ("1", "a little"), ("2", "much"), ("3", "most of all")];
    private static readonly (string Name, string Label, string Initial)[] Weights =
    [
        ("wgrowth", "Soon at market", "1"),
        ("wmargin", "What it leaves", "2"),
        ("wsafe", "What it leaves in a bad year", "3"),
        ("warea", "Little water", "1"),
        ("wwork", "Little handwork", "1"),
        ("wsure", "Sure supply and market", "2"),
    ];

    /// <summary>The lines.</summary>
    public static IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Heading("The water"),
            .. StockingForm.WaterFields(
                s,
                s.Pond is null ? RearingSystem.Earthen : RearingSystems.Of(s.Pond.Pond.Kind)
            ),
            s.Day(
                "on",
                "They would come on",
                s.Here.Today.AddDays(30).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)
            ),
            s.Words("months", "Water by month, January first")
                .WithHint("twelve figures; empty: own readings, or a guess by latitude"),
            .. Enumerable.Range(1, 2).SelectMany(Candidate),
            s.Heading("Money"),
            s.Quantity("wanted", "Fish wanted in a year", Measures.Mass, 2000),
            s.Quantity("pfeed", "A kilogram of feed costs", Measures.Price, "1.6"),
            s.Quantity("pkwh", "A kWh costs", Measures.Price, "0.34"),
            s.Quantity("pother", "Other costs of a cycle", Measures.Price, "3000"),
            s.Quantity("capital", "Such a water costs to build", Measures.Price, "20000"),
            s.Quantity("family", "A family needs in a year", Measures.Price, "40000"),
            s.Quantity("business", "A business, with wages and interest", Measures.Price, "150000"),
            s.Yes("allyear", "Buyers want fish all year"),
            s.Heading("What counts to you"),
            .. Weights.Select(w => s.Choice(w.Name, w.Label, w.Initial, Grades)),
            s.Fold(""),
            .. Enumerable.Range(3, Most - 2).SelectMany(Candidate),
        ];

    /// <summary>Reads the form; null with remarks when it cannot be.</summary>
    public static (IReadOnlyList<SpeciesWeighed> All, OwnWeights Weights)? Read(BenchForm f, PondStory? pond)
    {
        var water = StockingForm.Water(f, pond);
        var (on, months) = (f.Form.Day("on"), StockingForm.Months(f));
        var candidates = Enumerable.Range(1, Most).Select(i => One(f, i)).OfType<SpeciesCandidate>().ToList();
        if (f.Sound && candidates.Count == 0)
            f.Form.Refuse("s1", "Choose at least one fish.");
        double P(string name) => f.Q(name, Measures.Price, 0, 1e9);
        var site = new SpeciesSite(
            water,
            on,
            StockingForm.Year(f, months, pond),
            P("pfeed"),
            P("pkwh"),
            P("pother"),
            P("capital"),
            f.Q("wanted", Measures.Mass, 1, 1e8),
            P("family"),
            P("business"),
            f.Form.Yes("allyear"),
            f.Here.Hand
        );
        int W(string name) =>
            f.Form.Choice(
                name,
                Grades
                    .Select(g => (g.Item1, int.Parse(g.Item1, System.Globalization.CultureInfo.InvariantCulture)))
                    .ToList(),
                "weight",
                0
            );
        var weights = new OwnWeights(W("wgrowth"), W("wmargin"), W("wsafe"), W("warea"), W("wwork"), W("wsure"));
        return f.Sound ? ([.. candidates.Select(c => SpeciesWeighed.Of(c, site))], weights) : null;
    }

    private static IEnumerable<SlipField> Candidate(int i) =>
        [
            new("", $"Fish {i}", FieldKind.Heading),
            new(
                $"s{i}",
                "Fish",
                FieldKind.Choice,
                First[i - 1],
                Options: [("", "none"), .. FishSpecies.All.Select(x => (x.Key, x.Name))]
            ),
            new($"lo{i}", "A kilogram brings, in a bad week", FieldKind.Quantity, "9", Measures.Price),
            new($"hi{i}", "A kilogram brings, in a good one", FieldKind.Quantity, "15", Measures.Price),
            new($"pf{i}", "A fingerling costs", FieldKind.Quantity, "0.35", Measures.Price),
            new($"seed{i}", "Fingerlings to be had, in season", FieldKind.Choice, "Unknown", Options: Asked),
            new($"feed{i}", "Suitable feed within reach", FieldKind.Choice, "Unknown", Options: Asked),
            new($"buy{i}", "Local buyers", FieldKind.Choice, "Unknown", Options: Asked),
            new($"may{i}", "Permit", FieldKind.Choice, "Unknown", Options: Asked),
        ];

    private static SpeciesCandidate? One(BenchForm f, int i)
    {
        if (f.Form.Empty($"s{i}"))
            return null;
        var species = f.Form.Choice(
            $"s{i}",
            FishSpecies.All.Select(x => (x.Key, x)).ToList(),
            "fish",
            FishSpecies.All[0]
        );
        double P(string name) => f.Q(name + i, Measures.Price, 0, 1e5);
        Had H(string name) =>
            f.Form.Choice(
                name + i,
                Asked.Select(a => (a.Item1, Enum.Parse<Had>(a.Item1))).ToList(),
                "answer",
                Had.Unknown
            );
        var (low, high) = (P("lo"), P("hi"));
        if (high < low)
            f.Form.Refuse($"hi{i}", "The price of a good week is no less than that of a bad one.");
        return new(species, low, high, P("pf"), H("seed"), H("feed"), H("buy"), H("may"));
    }
}
