using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>One's own recipe.</summary>
internal sealed class OwnMixCalculator : ICalculator
{
    private const int Slots = 6;

    // To be typed over.
    private static readonly (string Name, string Share, double? Price)[] Examples =
    [
        ("fish meal 65", "25", 2.4),
        ("full-fat soybean, heated", "30", 0.9),
        ("wheat", "45", 0.42),
    ];

    private static readonly IReadOnlyList<(string, string)> Options =
    [
        ("", "none"),
        .. Ingredient.Names.Select(n => (n, n)),
    ];

    public string Key => "own-mix";

    public string Title => "Own feed recipe";

    public string Lead => "how much of each ingredient, protein and cost of a recipe of your own";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("kg", "To be mixed", Measures.Mass, 100),
            s.Quantity("protein", "Protein wanted", Measures.Share, "32").WithHint("as on a label, at 10 % water"),
            .. Enumerable.Range(0, Slots).SelectMany(i => Part(s, i)),
        ];

    private static IEnumerable<SlipField> Part(BenchStart s, int i)
    {
        var (name, share, price) = i < Examples.Length ? Examples[i] : ("", "", null);
        yield return new("i" + i, $"Ingredient {i + 1}", FieldKind.Choice, name, Options: Options);
        yield return new(
            "s" + i,
            "its share",
            FieldKind.Quantity,
            share,
            Measures.Share,
            i == 0 ? "as it lies there" : ""
        );
        yield return s.Quantity("p" + i, "price", Measures.MassPrice, price);
    }

    public Worked? Work(BenchForm f)
    {
        var (kg, wanted) = (f.Q("kg", Measures.Mass, 0.01, 1e6), f.Q("protein", Measures.Share, 1, 80));
        var parts = Enumerable.Range(0, Slots).Select(i => Read(f, i)).OfType<(Ingredient, double, double)>().ToList();
        if (f.Sound && parts.Count == 0)
            f.Form.Refuse("i0", "Choose at least one ingredient with its share.");
        return f.Sound ? Answer(f, parts, OwnMix.Of(parts, kg), wanted) : null;
    }

    private static (Ingredient, double, double)? Read(BenchForm f, int i)
    {
        var name = f.Form.Choice("i" + i, [.. Options.Select(o => (o.Item1, o.Item1))], "ingredient", "");
        return name.Length == 0
            ? null
            : (
                Ingredient.Of(name, false),
                f.Q("s" + i, Measures.Share, 0.1, 100),
                f.MaybeQ("p" + i, Measures.MassPrice, 0, 1000) ?? 0
            );
    }

    private static Worked Answer(
        BenchForm f,
        List<(Ingredient Of, double Share, double PriceKg)> parts,
        OwnMix mix,
        double wanted
    )
    {
        var sum = parts.Sum(p => p.Share);
        var why = Grounds.Of(
            "Contents of the table by the shares, at label dryness (10 % water); shares that do not sum to 100 are scaled.",
            FeedMix.Source,
            new Input("shares as typed", sum, Measures.Share, "their sum"),
            new Input("dry matter of the mix", mix.DryPct, Measures.Share, "worked out")
        );
        string P(double v) => f.Here.Figure(v, 1) + " %";
        return new(
            [
                new("Protein", P(mix.Holds.ProteinPct), why, Main: true),
                new("Fat, fibre, ash", $"{P(mix.Holds.FatPct)}, {P(mix.Holds.FibrePct)}, {P(mix.Holds.AshPct)}", why),
                new("Digestible energy", f.Say(mix.Holds.EnergyMJKg, Measures.FeedEnergy), why),
                new("Cost", f.Here.PerMass(mix.CostPerKg), why),
            ],
            Math.Abs(sum - 100) > 0.5 ? $"The shares sum to {P(sum)}: they were scaled to 100." : "",
            Judged(f, mix.Holds.ProteinPct, wanted),
            [
                .. parts
                    .Where(p => p.Of.Caution.Length > 0)
                    .Select(p => $"{Pages.Words.Sentence(p.Of.Name)}: {p.Of.Caution}."),
                $"Cook it through, let it cool under {f.Say(30, Measures.Temperature)}, feed it within a day; what smells sour is thrown away.",
            ],
            [
                ["ingredient", "to weigh"],
                .. parts.Select((p, i) => new[] { p.Of.Name, f.Say(mix.Kg[i], Measures.Mass) }),
            ]
        );
    }

    private static Judgement Judged(BenchForm f, double has, double wanted) =>
        has >= wanted - 0.5
            ? new(Status.Steady, $"as much protein as wanted, {f.Here.Figure(wanted, 0)} %")
            : new(
                Status.Watch,
                $"{f.Here.Figure(wanted - has, 1)} points of protein short: more of what is rich in it, or the least-cost mix"
            );
}

/// <summary>Two ways of feeding side by side.</summary>
internal sealed class FeedPlansCalculator : ICalculator
{
    public string Key => "feed-plans";

    public string Title => "Two feeds compared";

    public string Lead => "cost of feed in the fish, with the making of one's own counted in";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("fish", "Fish to be grown per year", Measures.Mass, 5000),
            .. new[] { ("a", "First feed", 1.6, 0.0, "1.5"), ("b", "Second feed", 0.85, 0.2, "2.2") }.SelectMany(x =>
                new[]
                {
                    s.Heading(x.Item2),
                    s.Quantity("price" + x.Item1, "Price", Measures.MassPrice, x.Item3)
                        .WithHint("of one's own feed: what goes in"),
                    s.Quantity("making" + x.Item1, "Making it", Measures.MassPrice, x.Item4)
                        .WithHint("labour, power, wear; 0 for bought feed"),
                    s.Quantity("fcr" + x.Item1, "Feed conversion ratio (FCR)", Measures.Factor, x.Item5),
                }
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        var fish = f.Q("fish", Measures.Mass, 0.1, 1e9);
        FeedPlan Read(string x) =>
            new(
                f.Q("price" + x, Measures.MassPrice, 0.001, 1000),
                f.Q("making" + x, Measures.MassPrice, 0, 1000),
                f.Q("fcr" + x, Measures.Factor, 0.3, 20)
            );
        var (a, b) = (Read("a"), Read("b"));
        if (!f.Sound)
            return null;
        return Answer(f, fish, a, b);
    }

    private static Worked Answer(BenchForm f, double fish, FeedPlan a, FeedPlan b)
    {
        var why = Grounds.Of(
            "Price and making of the feed by the feed conversion ratio.",
            "Arithmetic on typed prices",
            new Input("first, feed in the fish", a.CostPerKgFish, Measures.MassPrice, "worked out"),
            new Input("second, feed in the fish", b.CostPerKgFish, Measures.MassPrice, "worked out")
        );
        var first = a.CostPerKgFish <= b.CostPerKgFish;
        var saved = Math.Abs(a.CostPerKgFish - b.CostPerKgFish);
        return new(
            [
                new("The cheaper one", first ? "the first" : "the second", why, Main: true),
                new(
                    "Feed cost of the fish, first and second",
                    $"{f.Here.PerMass(a.CostPerKgFish)} and {f.Here.PerMass(b.CostPerKgFish)}",
                    why
                ),
                new("Saved per year", $"{f.Here.Count(Math.Round(saved * fish))} {f.Here.Farm?.Currency}", why),
            ],
            $"The second feed breaks even at an FCR of {f.Here.Figure(b.EvenFcr(a), 2)}: try it in one pond and weigh, before all ponds eat it."
        );
    }
}

/// <summary>Hand or machine.</summary>
internal sealed class FeederCalculator : ICalculator
{
    public string Key => "feeder-choice";

    public string Title => "Hand or machine";

    public string Lead => "labour of feeding by hand against a feeder, with the meals that somebody still watches";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("minutes", "One meal by hand, minutes", Measures.Plain, 20).WithHint("with the walk"),
            s.Whole("meals", "Meals a day", 3),
            s.Quantity("wage", "Wage of an hour", Measures.Price, "18"),
            s.Quantity("machine", "The feeder costs", Measures.Price, "1800"),
            s.Quantity("years", "Years it lasts", Measures.Plain, 6),
            s.Quantity("power", "Power per year", Measures.Price, "40"),
        ];

    public Worked? Work(BenchForm f)
    {
        var (minutes, meals, wage) = (
            f.Q("minutes", Measures.Plain, 0.1, 600),
            f.Whole("meals", "meals", 1, 48),
            f.Q("wage", Measures.Price, 0, 10_000)
        );
        var (machine, years, power) = (
            f.Q("machine", Measures.Price, 0, 1e7),
            f.Q("years", Measures.Plain, 0.5, 40),
            f.Q("power", Measures.Price, 0, 1e6)
        );
        if (!f.Sound)
            return null;
        var choice = FeederChoice.Of(minutes, meals, wage, machine, years, power);
        return Answer(f, choice);
    }

    private static Worked Answer(BenchForm f, FeederChoice choice)
    {
        var why = Grounds.Of(
            "Labour of all meals against a share of the machine's price, a tenth of it for upkeep, power, and two meals a week that somebody watches.",
            "Arithmetic on typed figures; upkeep and watching are starting values",
            new Input("by hand, a year", choice.HandYear, Measures.Price, "worked out"),
            new Input("by machine, a year", choice.MachineYear, Measures.Price, "worked out")
        );
        var byHand = choice.HandYear <= choice.MachineYear;
        string M(double v) => $"{f.Here.Count(Math.Round(v))} {f.Here.Farm?.Currency}";
        return new(
            [
                new("Cheaper", byHand ? "by hand" : "by machine", why, Main: true),
                new("By hand, a year", M(choice.HandYear), why),
                new("By machine, a year", M(choice.MachineYear), why),
            ],
            "A machine sees no appetite: a job asks for a watched meal every few days. Fry that eat around the clock want one whatever it costs."
        );
    }
}

/// <summary>Feed by what the filter cleans after.</summary>
internal sealed class FilterCalculator : ICalculator
{
    public string Key => "filter-feed";

    public string Title => "Feed by the filter";

    public string Lead => "the greatest feed a day that a biofilter cleans after";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity(
                "media",
                "Media in the filter",
                Measures.Volume,
                s.Plain(0.5, Measures.Volume with { Decimals = 2 })
            ),
            s.Quantity("surface", "Surface by its volume", Measures.SpecificSurface, 500)
                .WithHint($"from its maker: {s.Here.Range(150, 900, Measures.SpecificSurface)}"),
            s.Quantity("rate", "Ammonia it takes a day, as N", Measures.NitrogenRate, 0.3)
                .WithHint(
                    $"{s.Here.Say(0.1, Measures.NitrogenRate)} cold or new, {s.Here.Say(0.3, Measures.NitrogenRate)} warm and run in, {s.Here.Say(0.5, Measures.NitrogenRate)} at best"
                ),
            s.Quantity("protein", "Protein of the feed", Measures.Share, "40"),
            s.Quantity(
                "ration",
                "Ration of the day",
                Measures.Mass,
                s.Pond?.NowAt(s.Here.Now).RationKg is > 0 and var kg ? kg : 3
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        var (media, surface, rate) = (
            f.Q("media", Measures.Volume, 0.001, 1e5),
            f.Q("surface", Measures.SpecificSurface, 10, 5000),
            f.Q("rate", Measures.NitrogenRate, 0.01, 2)
        );
        var (protein, ration) = (f.Q("protein", Measures.Share, 5, 70), f.Q("ration", Measures.Mass, 0, 1e5));
        if (!f.Sound)
            return null;
        var most = FilterFeed.MostKgDay(media * surface, rate, protein);
        return Answer(f, most, media * surface, protein, ration);
    }

    private static Worked Answer(BenchForm f, double most, double surfaceM2, double protein, double ration)
    {
        var why = Grounds.Of(
            "Surface of the media by what a square metre takes of ammonia in a day, by the ammonia of the feed.",
            FilterFeed.Source,
            new Input("surface", surfaceM2, Measures.Area.BySquare!, "worked out"),
            new Input("protein", protein, Measures.Share, "typed")
        );
        return new(
            [
                new("Greatest feed a day", f.Say(most, Measures.Mass), why, Main: true),
                new("Of it the ration takes", f.Here.Figure(100 * ration / most, 0) + " %", why),
            ],
            "A filter that stood still, was washed hot or saw a medicine begins anew: feed a tenth, and raise it as ammonia and nitrite stay low.",
            ration <= most
                ? new(Status.Steady, $"the ration {f.Say(ration, Measures.Mass)} is within it")
                : new(
                    Status.ActNow,
                    $"the ration is {f.Say(ration - most, Measures.Mass)} more than the filter takes: feed less, or more media; read ammonia and nitrite every day"
                )
        );
    }
}

/// <summary>Which scale for which feed.</summary>
internal sealed class ScaleCalculator : ICalculator
{
    public string Key => "scale";

    public string Title => "A scale fine enough";

    public string Lead => "how far a meal may be out on a scale, and what that costs with dear feed";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("meal", "One meal", Measures.FishWeight, 40),
            s.Quantity("step", "Step of the scale", Measures.FishWeight, 5),
            s.Quantity("price", "Price of the feed", Measures.MassPrice, 45),
            s.Whole("meals", "Meals in the season", 600),
        ];

    public Worked? Work(BenchForm f)
    {
        var (meal, step) = (f.Q("meal", Measures.FishWeight, 0.01, 1e6), f.Q("step", Measures.FishWeight, 0.001, 1e5));
        var (price, meals) = (f.Q("price", Measures.MassPrice, 0, 1e5), f.Whole("meals", "meals", 1, 1_000_000));
        if (!f.Sound)
            return null;
        return Answer(f, meal, step, price, meals);
    }

    private static Worked Answer(BenchForm f, double meal, double step, double price, int meals)
    {
        // Rounded up to a step it is half a step too much on average.
        var pct = 100 * step / 2 / meal;
        var wasted = step / 2 / 1000 * meals;
        var why = Grounds.Of(
            "A hand that never gives too little is half a step of the scale over, on average.",
            "Arithmetic on typed figures",
            new Input("half a step", step / 2, Measures.FishWeight, "worked out")
        );
        return new(
            [
                new("A meal is out by", $"{f.Here.Figure(pct, 1)} %", why, Main: true),
                new("Feed over in the season", f.Say(wasted, Measures.Mass), why),
                new("It costs", $"{f.Here.Figure(wasted * price, 0)} {f.Here.Farm?.Currency}", why),
            ],
            $"For 2 % take a scale that shows {f.Say(0.04 * meal, Measures.FishWeight)} or less.",
            pct <= 2
                ? new(Status.Steady, "fine enough")
                : new(Status.Watch, "too coarse for such meals: a finer scale, or several meals weighed together")
        );
    }
}
