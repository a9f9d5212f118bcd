using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Own fry against bought ones.</summary>
internal sealed class MakeOrBuyCalculator : ICalculator
{
    public string Key => "make-or-buy";

    public string Title => "Own or bought fry";

    public string Lead => "cost of a surviving fingerling, raised from own breeders or bought";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Whole("low", "Own fingerlings, when all goes badly", "20000"),
            s.Whole("high", "Own fingerlings, when all goes well", "80000"),
            s.Quantity("breeders", "Breeders and their feed cost a season", Measures.Price, "1500"),
            s.Quantity("feed", "Feed and live food of the fry", Measures.Price, "900"),
            s.Quantity("hours", "Work, all hours", Measures.Price, "4200"),
            s.Quantity("power", "Power, heat, repairs", Measures.Price, "600"),
            s.Quantity("price", "A bought one costs", Measures.Price, "0.35"),
            s.Quantity("arrive", "Of bought ones, live through carriage and quarantine", Measures.Share, "90"),
        ];

    public Worked? Work(BenchForm f)
    {
        var gives = (
            Low: f.Whole("low", "fingerlings", 1, 100_000_000),
            High: f.Whole("high", "fingerlings", 1, 100_000_000)
        );
        var cost = new[] { "breeders", "feed", "hours", "power" }.Sum(k => f.Q(k, Measures.Price, 0, 10_000_000));
        var price = f.Q("price", Measures.Price, 0, 100_000);
        var arrive = f.Q("arrive", Measures.Share, 1, 100);
        if (f.Sound && gives.High < gives.Low)
            f.Form.Refuse("high", "At least as many as when all goes badly.");
        if (!f.Sound)
            return null;
        var r = MakeOrBuy.Of(gives, cost, price, arrive / 100);
        string Money(double v) => $"{f.Here.Figure(v, 3)} {f.Here.Farm?.Currency}".TrimEnd();
        var why = Grounds.Of(
            "All costs of a season over the fingerlings it gives; the price over the share that lives.",
            "Your own figures; those that stand here at first are made up",
            new Input("costs of a season", cost, Measures.Price, "typed")
        );
        return new(
            [
                new("An own fingerling costs", $"{Money(r.Own.Low)} to {Money(r.Own.High)}", why, Main: true),
                new("A bought one that lives costs", Money(r.Bought), why),
            ],
            "Own fry bring no disease in and come on your day; bought ones come with papers, quarantine and one day's work.",
            r.Judgement
        );
    }
}

/// <summary>How many fry a water holds.</summary>
internal sealed class FryPlacesCalculator : ICalculator
{
    private static readonly (FryWater Water, string Word)[] Waters =
    [
        (FryWater.Pool, "shallow pool"),
        (FryWater.Tank, "tank with flow and air"),
        (FryWater.Pond, "nursery pond, by volume"),
    ];

    public string Key => "fry-places";

    public string Title => "Fry a water holds";

    public string Lead => "by size class, in a tank, a shallow pool or a pond; a hatch split over waters";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Fish("species", "Fish", s.Pond?.LikelySpecies.Key ?? "silver_perch"),
            s.Choice("water", "Kind of water", FryWater.Pool, HatchWord.Options(Waters)),
            s.Quantity("weight", "Average weight", Measures.FishWeight, "0.03"),
            s.Quantity("first", "First water", Measures.SmallVolume, 2.5),
            s.Quantity("second", "Second water", Measures.SmallVolume).WithHint("empty: none"),
            s.Quantity("third", "Third water", Measures.SmallVolume),
            s.Whole("fry", "Fry to place", "9000"),
        ];

    public Worked? Work(BenchForm f)
    {
        var species = f.Form.Fish("species");
        var water = HatchWord.Read(f.Form, "water", Waters, "kind of water");
        var grams = f.Q("weight", Measures.FishWeight, 0.0001, 100);
        double?[] typed =
        [
            f.Q("first", Measures.SmallVolume, 0.001, 100_000),
            f.MaybeQ("second", Measures.SmallVolume, 0.001, 100_000),
            f.MaybeQ("third", Measures.SmallVolume, 0.001, 100_000),
        ];
        var fry = f.Whole("fry", "fry", 0, 1_000_000_000);
        if (!f.Sound)
            return null;
        var volumes = typed.OfType<double>().ToList();
        var holds = FryPlaces.Of(species, water, volumes.Sum(), grams);
        var parts = FryTank.Split(fry, volumes);
        var why = Grounds.Of(
            "Volume by fry a litre of that size class and kind of water.",
            FryPlaces.Source,
            new Input("water", volumes.Sum(), Measures.SmallVolume, "typed"),
            new Input("average weight", grams, Measures.FishWeight, "typed")
        );
        return new(
            [
                new("They hold", $"{f.Here.Count(holds.Low)} to {f.Here.Count(holds.High)}", why, Main: true),
                new("Split by volume", string.Join(", ", parts.Select(p => f.Here.Count(p))), why),
            ],
            "The upper figure is for experts, at their own risk. Never carry a figure of one kind of water to another.",
            fry > holds.High
                    ? new(
                        Status.ActNow,
                        $"{f.Here.Count(fry - holds.High)} too many even for experts: more water, or send some on"
                    )
                : fry > holds.Low ? new(Status.Watch, "more than usual: watch oxygen and behaviour, split them soon")
                : new(Status.Steady, "there is room")
        );
    }
}

/// <summary>Where half-grown fish go.</summary>
internal sealed class HalfGrownCalculator : ICalculator
{
    public string Key => "half-grown";

    public string Title => "Half-grown fish";

    public string Lead => "kept in tanks on dry feed, or sent on, by the places that are free";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Fish("species", "Fish", s.Pond?.LikelySpecies.Key ?? "silver_perch"),
            s.Whole("fish", "Fish from the pond", "30000"),
            s.Quantity("weight", "Average weight", Measures.FishWeight, "0.5"),
            s.Quantity("tanks", "Tanks that are free, their water", Measures.SmallVolume, 4),
            s.Quantity("low", "Survival of weaning, low", Measures.Share, "50"),
            s.Quantity("high", "Survival of weaning, high", Measures.Share, "70"),
        ];

    public Worked? Work(BenchForm f)
    {
        var species = f.Form.Fish("species");
        var fish = f.Whole("fish", "fish", 1, 1_000_000_000);
        var grams = f.Q("weight", Measures.FishWeight, 0.01, 100);
        var m3 = f.Q("tanks", Measures.SmallVolume, 0, 100_000);
        var (low, high) = (f.Q("low", Measures.Share, 1, 100), f.Q("high", Measures.Share, 1, 100));
        if (f.Sound && high < low)
            f.Form.Refuse("high", "At least the low end.");
        if (!f.Sound)
            return null;
        var places = FryPlaces.Of(species, FryWater.Tank, m3, grams);
        var (kept, sent) = FryReady.HalfGrown(fish, places.Low);
        var first = Core.Feeding.FirstFeeds.For(species);
        var why = Grounds.Of(
            "Places are the water of the tanks by fish a litre of that size; the rest goes on.",
            $"{FryPlaces.Source}; {first?.Source}",
            new Input("water", m3, Measures.SmallVolume, "typed"),
            new Input("average weight", grams, Measures.FishWeight, "typed")
        );
        return new(
            [
                new("Kept in tanks", f.Here.Count(kept), why, Main: true),
                new("Stocked out or sold", f.Here.Count(sent), why),
                new(
                    "Of those kept, live to dry feed",
                    $"{f.Here.Count(Math.Floor(kept * low / 100))} to {f.Here.Count(Math.Floor(kept * high / 100))}",
                    why
                ),
            ],
            first is { SurvivalPct.Low: > 0 } t
                ? $"The tables know {f.Here.Figure(t.SurvivalPct.Low, 0)} to {f.Here.Figure(t.SurvivalPct.High, 0)} % of weaning for this fish."
                : "The tables know no weaning of this fish."
        );
    }
}

/// <summary>What weaning costs.</summary>
internal sealed class WeaningCostCalculator : ICalculator
{
    public string Key => "weaning-cost";

    public string Title => "Cost of weaning";

    public string Lead => "weaning feed and the switch to cheaper feed, per fish that lives";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Whole("fish", "Fish at the begin", "20000"),
            s.Quantity("live", "Live to the end", Measures.Share, "60"),
            s.Quantity("from", "Weight at the begin", Measures.FishWeight, "0.3"),
            s.Quantity("earlier", "An earlier switch, at", Measures.FishWeight, "1"),
            s.Quantity("switch", "Switch to the cheaper feed at", Measures.FishWeight, "2"),
            s.Quantity("to", "Weight at the end", Measures.FishWeight, "5"),
            s.Quantity("wean", "Weaning feed costs", Measures.MassPrice, s.Plain(9, Measures.MassPrice)),
            s.Quantity("weanfcr", "Its feed conversion ratio (FCR)", Measures.Factor, "1.2"),
            s.Quantity("later", "The cheaper feed costs", Measures.MassPrice, s.Plain(3, Measures.MassPrice)),
            s.Quantity("laterfcr", "Its FCR", Measures.Factor, "1.3"),
        ];

    public Worked? Work(BenchForm f)
    {
        double G(string key) => f.Q(key, Measures.FishWeight, 0.001, 1000);
        double Price(string key) => f.Q(key, Measures.MassPrice, 0, 100_000);
        double Fcr(string key) => f.Q(key, Measures.Factor, 0.3, 10);
        var fish = f.Whole("fish", "fish", 1, 1_000_000_000);
        var live = f.Q("live", Measures.Share, 1, 100);
        var w = (From: G("from"), Switch: G("switch"), Earlier: G("earlier"), To: G("to"));
        var (wean, later) = ((Price("wean"), Fcr("weanfcr")), (Price("later"), Fcr("laterfcr")));
        if (f.Sound && !(w.From <= w.Earlier && w.Earlier <= w.Switch && w.Switch <= w.To))
            f.Form.Refuse("switch", "Weights rise: begin, earlier switch, switch, end.");
        if (!f.Sound)
            return null;
        var cost = WeaningCost.Of(fish, live / 100, w, wean, later);
        string Money(double v, int decimals) => $"{f.Here.Figure(v, decimals)} {f.Here.Farm?.Currency}".TrimEnd();
        var why = Grounds.Of(
            "Gain by FCR by price, of both feeds; those that die have eaten half of theirs.",
            "Your own figures; prices that stand here at first are made up",
            new Input("fish", fish, Measures.Plain, "typed")
        );
        return new(
            [
                new("Feed of a fish that lives", Money(cost.PerFish, 3), why, Main: true),
                new("Feed of all", Money(cost.All, 0), why),
                new("The earlier switch saves", Money(cost.SavedByEarlier, 0), why),
            ],
            "An earlier switch saves feed and may cost fish: small mouths cannot take the coarser feed."
        );
    }
}

/// <summary>Whether fish are large enough to be marked.</summary>
internal sealed class MarkingCalculator : ICalculator
{
    public string Key => "marking";

    public string Title => "Marking fish";

    public string Lead => "whether they bear a mark, and what a mark-and-return tells";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("weight", "Average weight", Measures.FishWeight, "12"),
            s.Quantity("least", "Least weight on this farm", Measures.FishWeight, FryReady.LeastMarkG),
            s.Whole("marked", "Marked and put back", "200"),
            s.Whole("caught", "Caught later", "150"),
            s.Whole("again", "Marked among them", "12"),
        ];

    public Worked? Work(BenchForm f)
    {
        var grams = f.Q("weight", Measures.FishWeight, 0.001, 100_000);
        var least = f.Q("least", Measures.FishWeight, FryReady.LeastMarkG, 100_000);
        var marked = f.Whole("marked", "fish", 1, 1_000_000);
        var caught = f.Whole("caught", "fish", 1, 1_000_000);
        var again = f.Whole("again", "fish", 0, 1_000_000);
        if (f.Sound && grams < least)
            f.Form.Refuse(
                "weight",
                $"Too small to be marked: {f.Say(least, Measures.FishWeight)} at least, smaller ones die of it. Wait until they have grown."
            );
        if (f.Sound && (again > caught || again > marked))
            f.Form.Refuse("again", "At most as many as were marked, and as were caught.");
        if (!f.Sound)
            return null;
        var mark = MarkReturn.Of(marked, caught, again);
        var why = Grounds.Of(
            "Marked and caught, each one more, over those marked again, one more, less one.",
            MarkReturn.Source
        );
        return new(
            [
                new("Fish in the water", f.Here.Count(Math.Round(mark.Fish)), why, Main: true),
                new(
                    "95 % between",
                    $"{f.Here.Count(Math.Round(mark.Low))} and {f.Here.Count(Math.Round(mark.High))}",
                    why
                ),
                new("Came back", $"{f.Here.Figure(100.0 * again / marked, 1)} % of those marked", why),
            ],
            "Numb them as the vet says, wet hands, quick; keep marked ones a day in a net before they go back. Fish raised on pellets take live prey within about a day."
        );
    }
}
