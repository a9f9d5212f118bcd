using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>How many fish, without counting all of them.</summary>
internal sealed class CountCalculator : ICalculator
{
    private static readonly Measure Millilitres = new(
        "volume",
        new Unit("mL", 1, 0),
        new Unit("mL", 1, 0),
        1,
        1,
        new Unit("L", 1000, 0)
    );

    private static readonly Measure Litres = new(
        "volume",
        new Unit("L", 1000, 0),
        new Unit("L", 1000, 0),
        2,
        2,
        new Unit("mL", 1, 0)
    );

    public string Key => "count";

    public string Title => "Count fingerlings";

    public string Lead =>
        "by weight, by displaced water, or by one bag of many: the number with its range, and whether more samples are worth it";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice(
                "way",
                "Counted",
                "weight",
                [("weight", "by weight"), ("volume", "by displaced water"), ("bags", "one bag or a few of many")]
            ),
            s.Words("counts", "Fish in each sample", "102 96 110").WithHint("with blanks between"),
            s.Words("amounts", "Weight, or water displaced, of each", "255 238 279").WithHint("g or mL; not for bags"),
            s.Quantity("mass", "All of them weigh", Measures.Mass, 12.5).WithHint("for counting by weight"),
            s.Quantity("volume", "All of them displace", Litres).WithHint("for counting by water"),
            s.Whole("bags", "Bags in all").WithHint("for counting by bags"),
            s.Quantity("within", "Wanted within", Measures.Share, "5").WithHint("half of the range"),
            s.Whole("earlier", "Counted earlier").WithHint("at stocking or by the seller; empty: not asked"),
            s.Whole("wanted", "Wanted number").WithHint("how much to weigh or pour for so many; empty: not asked"),
        ];

    public Worked? Work(BenchForm f)
    {
        var way = f.Form.Choice("way", [("weight", "weight"), ("volume", "volume"), ("bags", "bags")], "way", "weight");
        var counts = BenchLists.Wholes(f, "counts");
        var within = f.Q("within", Measures.Share, 0.1, 100);
        int? earlier = f.Form.Empty("earlier") ? null : f.Whole("earlier", "fish", 1, StockRules.MostFish);
        int? wanted = f.Form.Empty("wanted") ? null : f.Whole("wanted", "fish", 1, StockRules.MostFish);
        var number = way == "bags" ? ByBags(f, counts) : ByAmount(f, counts, way == "weight");
        return number is null ? null : Say(f, number, way, within, (earlier, wanted));
    }

    private static FishNumber? ByBags(BenchForm f, List<int> counts)
    {
        var bags = f.Whole("bags", "bags", 1, 100_000);
        if (f.Sound && bags < counts.Count)
            f.Form.Refuse("bags", $"{counts.Count} bags were counted: at least so many there are.");
        return f.Sound ? FishCounting.ByBags(counts, bags) : null;
    }

    private static FishNumber? ByAmount(BenchForm f, List<int> counts, bool byWeight)
    {
        var amounts = BenchLists.Amounts(f, "amounts", byWeight ? Measures.FishWeight : Millilitres, 200);
        var whole = byWeight ? f.Q("mass", Measures.Mass, 0, 1e6) * 1000 : f.Q("volume", Litres, 0, 1e9);
        if (f.Sound && amounts.Count != counts.Count)
            f.Form.Refuse(
                "amounts",
                $"{counts.Count} samples were counted, {amounts.Count} {(byWeight ? "weighed" : "measured")}. Give one for each."
            );
        if (f.Sound && counts.Contains(0))
            f.Form.Refuse("counts", "A sample of no fish tells nothing. Leave it empty.");
        return f.Sound ? FishCounting.ByAmount([.. counts.Zip(amounts)], whole) : null;
    }

    private static Grounds Because(FishNumber n, string way)
    {
        var (method, each) = way switch
        {
            "bags" => ("Bags by the mean of those that were counted; the counted ones are no guess.", "fish a bag"),
            "weight" => ("The whole by the mean of one fish over all samples together.", "one fish, g"),
            _ => ("The whole by the mean of one fish over all samples together.", "one fish, mL"),
        };
        return Grounds.Of(
            method,
            "Ratio estimator (Cochran 1977), Student's t; 95 %, estimated in logs so that it never reaches below nought",
            new Input("samples", n.Samples, Measures.Plain, "typed"),
            new Input(each, n.Each, Measures.Plain with { Decimals = 3, UsDecimals = 3 }, "their mean")
        );
    }

    private static Worked Say(BenchForm f, FishNumber n, string way, double within, (int? Earlier, int? Wanted) than)
    {
        var why = Because(n, way);
        List<Figure> figures = [new("Fish", f.Here.Count(Math.Round(n.Fish)), why, Main: true)];
        if (n.Range is { } r)
            figures.Add(
                new(
                    "95 % interval",
                    $"{f.Here.Count(Math.Round(r.Low))} to {f.Here.Count(Math.Round(r.High))}, ± {f.Here.Figure(n.PlusMinusPct ?? 0, 1)} %",
                    why
                )
            );
        if (way != "bags")
            figures.Add(
                new(
                    way == "weight" ? "One fish" : "Fish a millilitre",
                    way == "weight"
                        ? f.Say(n.Each, Measures.FishWeight with { Decimals = 2 })
                        : f.Here.Figure(1 / n.Each, 2),
                    why
                )
            );
        figures.AddRange(Than(f, n, way, than, why));
        var tooMany = than.Earlier is { } e && (n.Range?.Low ?? n.Fish) > e;
        return Answer(f, n, within, figures, tooMany);
    }

    // For a wanted number, and against an earlier count.
    private static IEnumerable<Figure> Than(
        BenchForm f,
        FishNumber n,
        string way,
        (int? Earlier, int? Wanted) than,
        Grounds why
    )
    {
        if (than.Wanted is { } wanted && way != "bags")
            yield return new(
                $"For {f.Here.Count(wanted)} fish",
                way == "weight" ? f.Say(wanted * n.Each / 1000, Measures.Mass) : f.Say(wanted * n.Each, Millilitres),
                why
            );
        if (than.Earlier is { } before)
            yield return new("Of those counted earlier", f.Here.Figure(100 * n.Fish / before, 1) + " %", why);
    }

    private static Worked Answer(BenchForm f, FishNumber n, double within, List<Figure> figures, bool tooMany) =>
        new(
            figures,
            MoreSamples(f, FishCounting.MoreFor(n, within), within),
            tooMany
                ? new(
                    Status.Watch,
                    "More than were counted earlier: fish do not multiply. The earlier count was short, or this one double; look at both"
                )
                : null,
            ["Keep small fish wet, in shade and few at a time; weigh water and vessel first."]
        );

    private static string MoreSamples(BenchForm f, int? more, double within) =>
        more switch
        {
            null => "One sample alone cannot tell how far it is out: take two more at least, from other places.",
            0 => $"Known within {f.Here.Figure(within, 0)} %: more samples add little.",
            >= 1000 => "These samples differ too much: look at the scales, and mix the fish before taking each.",
            _ =>
                $"About {more} more {(more == 1 ? "sample" : "samples")} until it is known within {f.Here.Figure(within, 0)} %.",
        };
}

/// <summary>Live transport, in bags or in a tank.</summary>
internal sealed class RoadCalculator : ICalculator
{
    public string Key => "road";

    public string Title => "Live transport";

    public string Lead => "bags or tank: how many fish, what the water comes to, the latest safe arrival";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice("by", "Carried in", "bags", [("bags", "closed bags with oxygen"), ("tank", "an aerated tank")]),
            s.Fish("species", "Fish", s.Pond?.LikelySpecies.Key ?? "silver_perch"),
            s.Quantity("weight", "Weight of one", Measures.FishWeight, 1),
            s.Whole("fish", "How many", "4000"),
            s.Quantity(
                    "water",
                    "Water, all bags or the tank",
                    Measures.Volume,
                    s.Plain(0.2, Measures.Volume with { Decimals = 2 })
                )
                .WithHint("such as 200 L"),
            s.Quantity("share", "Share of a bag that is water", Measures.Share, "28").WithHint("the rest is oxygen"),
            s.Quantity("temp", "Temperature in transport", Measures.Temperature, 20),
            s.Quantity("alkalinity", "Alkalinity of its water", Measures.CoarseConcentration, "80"),
            s.Quantity("hours", "Hours, packed to opened", Measures.Plain with { Decimals = 1, UsDecimals = 1 }, "8"),
            s.Hour("leave", "Packed at", "05:00"),
            s.Quantity(
                    "pondtemp",
                    "Water of the pond they go to",
                    Measures.Temperature,
                    s.Last(Dorsk.Core.Water.Parameter.Temperature) is { } t ? s.Plain(t, Measures.Temperature) : ""
                )
                .WithHint("may be empty"),
        ];

    public Worked? Work(BenchForm f)
    {
        var bags = f.Form.Choice("by", [("bags", true), ("tank", false)], "way", true);
        var species = f.Form.Fish("species");
        var (g, fish, m3) = (
            f.Q("weight", Measures.FishWeight, 0.0005, 10_000),
            f.Whole("fish", "fish", 1, StockRules.MostFish),
            f.Q("water", Measures.Volume, 0.0005, 100)
        );
        var (share, temp, alkalinity) = (
            f.Q("share", Measures.Share, 5, 95) / 100,
            f.Q("temp", Measures.Temperature, 1, 35),
            f.Q("alkalinity", Measures.CoarseConcentration, 5, 500)
        );
        var hours = f.Q("hours", Measures.Plain, 0.25, 72);
        if (!SlipForm.TryHour(f.Form.Text("leave"), out var leave))
            f.Form.Refuse("leave", "An hour from 00:00 to 23:59, such as 5:00.");
        if (!f.Sound)
            return null;
        var litres = m3 * 1000;
        var worked = bags
            ? Bags(f, species, new(g, fish / litres, share, temp, alkalinity, 0), hours, leave)
            : Tank(f, species, g, fish, litres, temp, hours);
        return worked is null ? null : WithPond(f, worked, temp);
    }

    // Haul water slightly cooler than the pond: warmer, or much cooler, is said.
    private static Worked WithPond(BenchForm f, Worked worked, double roadC)
    {
        if (f.MaybeQ("pondtemp", Measures.Temperature, 0, 42) is not { } pondC)
            return worked;
        var away = f.Say(Math.Abs(roadC - pondC), Measures.TemperatureStep);
        var words =
            roadC > pondC
                ? $"The road is {away} warmer than the pond: cool the water on the way with ice in closed bags, a degree or two under the pond."
            : pondC - roadC > MostCoolerC
                ? $"The road is {away} cooler than the pond: they are brought over slowly on arrival, or the water is let warm on the way."
            : $"The road is {away} cooler than the pond, as it should be.";
        return worked with { Words = worked.Words + " " + words };
    }

    private const double MostCoolerC = 4;

    private static Worked Bags(BenchForm f, FishSpecies species, BagRide ride, double hours, TimeOnly leave)
    {
        var (end, safe, last) = (ride.After(hours), ride.Lasts(BagRide.Co2WatchMgL), ride.Lasts(BagRide.Co2MostMgL));
        var why = Because(ride);
        string At(double h) =>
            h > 72
                ? "more than three days"
                : $"{leave.AddHours(h, out var days):HH:mm}{(days > 0 ? $", {days} {(days == 1 ? "day" : "days")} later" : "")} ({f.Here.Figure(h, 1)} h)";
        List<Figure> figures =
        [
            new("Latest safe arrival", At(safe.Hours), why, Main: true),
            new("Lost after", At(last.Hours) + (last.ByOxygen ? ", oxygen" : ", carbon dioxide"), why),
            GasFigure(f, end, why),
            new(
                "On opening: total ammonia, pH",
                $"{f.Say(end.TanMgL, Measures.Concentration)}, {f.Here.Figure(end.Ph, 1)}",
                why
            ),
            new("Fish a litre for this road", f.Here.Figure(ride.PerLFor(hours, BagRide.Co2WatchMgL), 0), why),
        ];
        if (HaulLoad.Bag(species, ride.MeanG, hours, ride.TempC) is { } row)
            figures.Add(OfTable(f, row, hours));
        return new(
            figures,
            $"Fast them {Fast(ride.MeanG)}. Bags tight and blown up, two deep, cool, in shade, lying flat, not stacked high; dark on the way.",
            JudgeRoad(f, hours, safe.Hours, last.Hours),
            Cautions(ride.MeanG)
        );
    }

    private static Figure GasFigure(BenchForm f, BagState end, Grounds why) =>
        new(
            "On opening: carbon dioxide, oxygen left",
            $"{f.Say(end.Co2MgL, Measures.CoarseConcentration)}, {f.Here.Figure(end.OxygenLeftPct, 0)} %",
            why
        );

    private static Figure OfTable(BenchForm f, (double PerL, HaulLoad Row) t, double hours) =>
        new(
            "The trade's table says",
            f.Here.Figure(t.PerL, 0) + " a litre",
            Grounds.Of(
                $"The row of {t.Row.FishG:0.###} g at {t.Row.RefC:0} °C, turned to this weight, these hours and this temperature. {t.Row.Note}".Trim(),
                t.Row.Source,
                new Input("hours", hours, Measures.Plain, "typed")
            )
        );

    private static Judgement JudgeRoad(BenchForm f, double hours, double safeHours, double lastHours)
    {
        if (hours > lastHours)
            return new(
                Status.ActNow,
                $"They do not live through {f.Here.Figure(hours, 1)} hours: fewer a litre, cooler, or a shorter road"
            );
        return hours > safeHours
            ? new(Status.Watch, "They suffer on such a road: fewer a litre, or cooler")
            : new(Status.Steady, "They arrive within the limit");
    }

    private static Grounds Because(BagRide ride) =>
        Grounds
            .Of(
                "Fasted fish use up oxygen and give off carbon dioxide and ammonia. Carbon dioxide, shared between water and gas, binds first; it keeps pH low, and so ammonia harmless until the bag is opened.",
                BagRide.Source,
                new Input("fish a litre", ride.PerL, Measures.Plain with { Decimals = 1, UsDecimals = 1 }, "typed"),
                new Input("oxygen used, each hour", ride.OxygenMgLH, Measures.Oxygen, "worked out"),
                new Input("temperature", ride.TempC, Measures.Temperature, "typed")
            )
            .Limited(
                $"{BagRide.Co2WatchMgL:0} mg/L of carbon dioxide is borne, {BagRide.Co2MostMgL:0} is the end; a fifth of the oxygen stays in reserve."
            );

    private static Worked? Tank(
        BenchForm f,
        FishSpecies species,
        double g,
        int fish,
        double litres,
        double temp,
        double hours
    )
    {
        if (HaulLoad.Tank(species, g, hours, temp) is not { } t)
        {
            f.Form.Refuse(
                "species",
                $"The tables have no tank load for {species.Name.ToLowerInvariant()}. Carry a trial load, or ask the hatchery."
            );
            return null;
        }
        var kg = fish * g / 1000;
        var why = Grounds.Of(
            $"The row nearest in size ({t.Row.FishG:0.##} g at {t.Row.RefC:0} °C), by hours and temperature: times {t.Row.Factor:0.##} for {t.Row.PerC:0.#} °C more. It is what experts reach with oxygen and a second supply; begin with half.{(t.Row.Note.Length > 0 ? " " + t.Row.Note + "." : "")}",
            t.Row.Source,
            new Input("hours", hours, Measures.Plain, "typed"),
            new Input("temperature", temp, Measures.Temperature, "typed")
        );
        var load = kg / litres;
        return new(
            [
                new("Fish together", f.Say(kg, Measures.Mass), why, Main: true),
                new("Load", f.Here.Figure(load, 3) + " kg a litre", why),
                new(
                    "Experts carry up to",
                    $"{f.Here.Figure(t.Load, 3)} kg a litre, {f.Here.Count(Math.Floor(t.Load * litres * 1000 / g))} fish",
                    why
                ),
                .. t.Row.SaltGL is { } salt
                    ?
                    [
                        new Figure(
                            "Salt in the tank",
                            $"{f.Say(salt.Low * litres / 1000, Measures.Mass)} to {f.Say(salt.High * litres / 1000, Measures.Mass)}",
                            why
                        ),
                    ]
                    : Array.Empty<Figure>(),
                new("To begin with, half", f.Here.Count(Math.Floor(t.Load / 2 * litres * 1000 / g)) + " fish", why),
            ],
            $"Fast them {Fast(g)}. Haul water a little cooler than the pond they go to, oxygen running before they go in{(t.Row.Note.StartsWith("salt", StringComparison.Ordinal) ? ", " + t.Row.Note.Split(';')[0] : "")}.",
            t.Row.MaxC is { } max && temp > max
                ? new(
                    Status.ActNow,
                    $"Warmer than {f.Say(max, Measures.Temperature)}: cool the water, or drive by night"
                )
                : JudgeLoad(load / t.Load),
            Cautions(g)
        );
    }

    // By the share of what experts carry.
    private static Judgement JudgeLoad(double share) =>
        share switch
        {
            > 1 => new(Status.ActNow, "More than even experts carry on such a road"),
            > 0.5 => new(
                Status.Watch,
                "More than half of what experts carry: only with a second supply of oxygen and somebody who knows the tank"
            ),
            _ => new(Status.Steady, "A load to begin with"),
        };

    private static string Fast(double g) =>
        HaulLoad.FastH(g) is var (low, high) && low == 0
            ? "not at all, or a few hours: larvae and cannibals turn on each other"
            : $"{HaulLoad.FastH(g).Low:0} to {HaulLoad.FastH(g).High:0} hours before";

    private static List<string> Cautions(double g) =>
        [
            "Oxygen bottles: chained, no oil, no flame, windows open; carbon dioxide gathers in closed cars.",
            .. g > 20 ? ["Heavy vessels: two people, or a lift."] : Array.Empty<string>(),
        ];
}
