using Dorsk.Core.Plans;
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
        Forms = [.. Enum.GetValues<SoldAs>().Select(v => (v.ToString(), v.Word()))],
        Grades = [("0", "not at all"), ("1", "a little"), ("2", "much"), ("3", "most of all")];
    private const string LeftOut = "empty: left out of the costs";
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
                "Stocking date",
                s.Here.Today.AddDays(30).ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)
            ),
            s.Words("months", "Water by month, January first")
                .WithHint("twelve figures; empty: own readings, or a guess by latitude"),
            .. Enumerable.Range(1, 2).SelectMany(i => Candidate(s, i)),
            s.Heading("Money"),
            s.Quantity("wanted", "Fish wanted per year", Measures.Mass, 2000),
            s.Quantity("pfeed", "Price of feed", Measures.MassPrice, OwnPrices.FeedKg(s)).WithHint(LeftOut),
            s.Quantity("pkwh", "A kWh costs", Measures.Price, OwnPrices.KWh(s)).WithHint(LeftOut),
            s.Quantity("pother", "Other costs of a cycle", Measures.Price).WithHint(LeftOut),
            s.Quantity("capital", "Such a water costs to build", Measures.Price).WithHint(LeftOut),
            s.Quantity("family", "A family needs per year", Measures.Price)
                .WithHint("empty: no size of farm is named for it"),
            s.Quantity("business", "A business, with wages and interest", Measures.Price),
            s.Yes("allyear", "Buyers want fish all year"),
            s.Quantity("psalt", "Price of salt", Measures.MassPrice).WithHint(LeftOut),
            s.Choice("brine", "Drained salt water may go somewhere", "Unknown", Asked),
            s.Quantity("pproc", "Gutting, cutting and packing", Measures.MassPrice).WithHint(LeftOut),
            s.Quantity("ppromo", "Making a new fish known, a year", Measures.Price).WithHint(LeftOut),
            s.Heading("What counts to you"),
            .. Weights.Select(w => s.Choice(w.Name, w.Label, w.Initial, Grades)),
            s.Fold(""),
            .. Enumerable.Range(3, Most - 2).SelectMany(i => Candidate(s, i)),
        ];

    /// <summary>Reads the form; null with remarks when it cannot be.</summary>
    public static (IReadOnlyList<SpeciesWeighed> All, OwnWeights Weights)? Read(BenchForm f, PondStory? pond)
    {
        var water = StockingForm.Water(f, pond);
        var (on, months) = (f.Form.Day("on"), StockingForm.Months(f));
        var candidates = Enumerable.Range(1, Most).Select(i => One(f, i)).OfType<SpeciesCandidate>().ToList();
        if (f.Sound && candidates.Count == 0)
            f.Form.Refuse("s1", "Choose at least one fish.");
        var site = Site(f, water, on, StockingForm.Year(f, months, pond));
        var weights = OwnWeights(f);
        return f.Sound ? ([.. candidates.Select(c => SpeciesWeighed.Of(c, site))], weights) : null;
    }

    private static SpeciesSite Site(BenchForm f, PlanWater water, DateOnly on, Func<DateOnly, double> tempC)
    {
        var missing = new List<string>();
        double Or(string name, Measure measure, string what)
        {
            if (f.Form.Empty(name) && what.Length > 0)
                missing.Add(what);
            return f.MaybeQ(name, measure, 0, 1e9) ?? 0;
        }
        for (var i = 1; i <= Most; i++)
            if (!f.Form.Empty($"s{i}"))
                Or($"pf{i}", Measures.Price, $"fingerlings of fish {i}");
        return new SpeciesSite(
            water,
            on,
            tempC,
            Or("pfeed", Measures.MassPrice, "feed"),
            Or("pkwh", Measures.Price, "power"),
            Or("pother", Measures.Price, "other costs of a cycle"),
            Or("capital", Measures.Price, ""),
            f.Q("wanted", Measures.Mass, 1, 1e8),
            Or("family", Measures.Price, ""),
            Or("business", Measures.Price, ""),
            f.Form.Yes("allyear"),
            f.Here.Hand
        )
        {
            SaltKg = Or("psalt", Measures.MassPrice, ""),
            BrineOut = Asked1(f, "brine"),
            ProcessingKg = Or("pproc", Measures.MassPrice, "gutting and packing"),
            PromotionYear = Or("ppromo", Measures.Price, ""),
            NotSaid = missing,
        };
    }

    private static OwnWeights OwnWeights(BenchForm f)
    {
        int W(string name) =>
            f.Form.Choice(
                name,
                Grades
                    .Select(g => (g.Item1, int.Parse(g.Item1, System.Globalization.CultureInfo.InvariantCulture)))
                    .ToList(),
                "weight",
                0
            );
        return new(W("wgrowth"), W("wmargin"), W("wsafe"), W("warea"), W("wwork"), W("wsure"));
    }

    private static IEnumerable<SlipField> Candidate(BenchStart s, int i) =>
        [
            new("", $"Fish {i}", FieldKind.Heading),
            s.Fish($"s{i}", "Fish", First[i - 1], "none"),
            s.Quantity($"lo{i}", "Farm-gate price, low", Measures.MassPrice)
                .WithHint("empty: what it leaves is not judged"),
            s.Quantity($"hi{i}", "Farm-gate price, high", Measures.MassPrice),
            s.Quantity($"pf{i}", "A fingerling costs", Measures.Price, i == 1 ? OwnPrices.Fingerling(s) : "")
                .WithHint(LeftOut),
            new($"seed{i}", "Fingerlings to be had, in season", FieldKind.Choice, "Unknown", Options: Asked),
            new($"feed{i}", "Suitable feed within reach", FieldKind.Choice, "Unknown", Options: Asked),
            new($"buy{i}", "Local buyers", FieldKind.Choice, "Unknown", Options: Asked),
            new($"may{i}", "Permit", FieldKind.Choice, "Unknown", Options: Asked),
            new($"form{i}", "Sold as", FieldKind.Choice, nameof(SoldAs.Live), Options: Forms),
            s.Quantity($"imp{i}", "Price of imported fish in that form", Measures.MassPrice),
            new($"known{i}", "Buyers here know it", FieldKind.Choice, "Unknown", Options: Asked),
        ];

    private static SpeciesCandidate? One(BenchForm f, int i)
    {
        if (f.Form.Empty($"s{i}"))
            return null;
        var species = f.Form.Fish($"s{i}");
        Had H(string name) => Asked1(f, name + i);
        var (said, saidHigh) = (
            f.MaybeQ($"lo{i}", Measures.MassPrice, 0, 1e8),
            f.MaybeQ($"hi{i}", Measures.MassPrice, 0, 1e8)
        );
        // One of the two stands for both.
        var (low, high) = (said ?? saidHigh ?? 0, saidHigh ?? said ?? 0);
        if (high < low)
            f.Form.Refuse($"hi{i}", "The price of a good week is no less than that of a bad one.");
        return new(
            species,
            low,
            high,
            f.MaybeQ($"pf{i}", Measures.Price, 0, 1e7) ?? 0,
            H("seed"),
            H("feed"),
            H("buy"),
            H("may"),
            Form(f, i),
            f.MaybeQ($"imp{i}", Measures.MassPrice, 0, 1e5),
            H("known")
        )
        {
            IsPriceSaid = said is not null || saidHigh is not null,
        };
    }

    private static SoldAs Form(BenchForm f, int i) =>
        f.Form.Choice(
            $"form{i}",
            Enum.GetValues<SoldAs>().Select(v => (v.ToString(), v)).ToList(),
            "form",
            SoldAs.Live
        );

    private static Had Asked1(BenchForm f, string name) =>
        f.Form.Choice(name, Asked.Select(a => (a.Item1, Enum.Parse<Had>(a.Item1))).ToList(), "answer", Had.Unknown);
}
