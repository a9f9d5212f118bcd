using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>When eggs hatch and fry feed, by the temperature of their trough.</summary>
internal sealed class EggClockCalculator : ICalculator
{
    public string Key => "egg-clock";

    public string Title => "Egg clock";

    public string Lead => "eyed, hatch, swim-up and first feed of an egg lot, by its temperatures";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Fish("species", "Eggs of", s.Pond?.LikelySpecies.Key ?? "silver_perch"),
            s.Day("day", "Taken on", s.Here.Today),
            s.Hour("hour", "At", "08:00"),
            s.Quantity("temp", "Water since then, average", Measures.Temperature, s.Last(Parameter.Temperature) ?? 25),
            s.Quantity("now", "Water now", Measures.Temperature).WithHint("empty: as the average"),
            s.Quantity(
                    "eyed",
                    "Eyes were seen after so many hours",
                    Measures.Plain with
                    {
                        Decimals = 1,
                        UsDecimals = 1,
                    }
                )
                .WithHint("empty: not yet; it narrows the range"),
        ];

    public Worked? Work(BenchForm f)
    {
        var species = f.Form.Fish("species");
        var day = f.Form.Day("day");
        if (!SlipForm.TryHour(f.Form.Text("hour"), out var hour))
            f.Form.Refuse("hour", "An hour as 06:30, from 00:00 to 23:59.");
        var temp = f.Q("temp", Measures.Temperature, 1, 40);
        var now = f.MaybeQ("now", Measures.Temperature, 1, 40) ?? temp;
        var eyed = f.MaybeQ("eyed", Measures.Plain, 0.5, 3000);
        if (!f.Sound)
            return null;
        if (EggTable.For(species) is not { } table)
        {
            f.Form.Refuse("species", "The tables know nothing of these eggs.");
            return null;
        }
        var taken = f.Here.Zone.At(day, hour);
        if (taken > f.Here.Now || taken < f.Here.Now.AddDays(-120))
        {
            f.Form.Refuse("day", "An hour of the last 120 days: the clock goes by what has passed.");
            return null;
        }
        var lot = new EggLot(table, taken, [(taken, temp), (f.Here.Now.AddMinutes(-1), now)], f.Here.Now)
        {
            EyedSeen = eyed is { } h && taken.AddHours(h) < f.Here.Now ? taken.AddHours(h) : null,
        };
        return Told(f, table, new EggClock(lot), now);
    }

    private static Worked Told(BenchForm f, EggTable table, EggClock clock, double nowC)
    {
        var why = Grounds.Of(
            "Degree-days above the base since they were taken; the water of the last day carried on. What females and water make of it widens the range; that they have not hatched, and eyes that were seen, narrow it.",
            $"{EggClock.Source}; {table.Source}",
            new Input("base", table.BaseC, Measures.Temperature, "table of eggs"),
            new Input("wanted", clock.WantedDegreeDays, Measures.DegreeDays, "table of eggs, this lot"),
            new Input("so far", clock.DegreeDays, Measures.DegreeDays, "worked out")
        );
        string At(DateTimeOffset at) => $"{f.Here.Day(f.Here.Zone.DayOf(at))}, {f.Here.Zone.LocalAt(at):HH:mm}";
        string Likely(EggHour h) => At(h.At);
        string Range(EggHour h) => h.Earliest == h.Latest ? "it has happened" : $"{At(h.Earliest)} to {At(h.Latest)}";
        string When(EggHour h) => h.Earliest == h.Latest ? At(h.At) : $"{At(h.At)} ({Range(h)})";
        EggHour Of(EggStage stage) => clock.Hours.First(h => h.Stage == stage);
        return new(
            [
                new("First hatch", Likely(Of(EggStage.Hatching)), why, Main: true),
                new("First hatch, 80 % range", Range(Of(EggStage.Hatching)), why),
                new("Expected now", HatchWords.Of(clock.Expected), why),
                new("Eyed", When(Of(EggStage.Eyed)), why),
                new("All hatched", When(Of(EggStage.SacFry)), why),
                new("Swim up", When(Of(EggStage.SwimUp)), why),
                new("First feed", When(Of(EggStage.FirstFeed)), why),
                new(
                    "Hours to hatch at this water, the other school",
                    $"{f.Here.Count(Math.Round(table.HoursByHours(nowC)))} h; by degree-days {f.Here.Count(Math.Round(Math.Min(99_999, table.HoursAt(nowC))))} h",
                    why
                ),
            ],
            $"Held {table.Method}; {f.Here.Range(table.Band.LowC, table.Band.HighC, Measures.Temperature)}, oxygen {f.Say(table.LeastMgL, Measures.Oxygen)} at least, pH {f.Here.Figure(table.HighestPh, 1)} at most. Troughs, air and feeders ready the day before the early end.",
            EggClock.Band(table, nowC)
        );
    }
}

/// <summary>Words of the hatchery.</summary>
internal static class HatchWords
{
    public static string Of(EggStage stage) =>
        stage switch
        {
            EggStage.Fresh => "fresh, cleaving",
            EggStage.Embryo => "body shows, no eyes yet",
            EggStage.Eyed => "eyed",
            EggStage.Hatching => "hatching",
            EggStage.SacFry => "sac fry",
            EggStage.SwimUp => "swim up",
            _ => "take feed",
        };
}

/// <summary>From the fingerlings wanted back to the breeders.</summary>
internal sealed class HatcheryPlanCalculator : ICalculator
{
    public string Key => "hatchery-plan";

    public string Title => "Hatchery plan";

    public string Lead => "from the fingerlings wanted back to fry, eggs, females, males, nursery and dates";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Fish("species", "Fish", s.Pond?.LikelySpecies.Key ?? "silver_perch"),
            s.Whole("wanted", "Fingerlings wanted", "20000"),
            s.Day("on", "Wanted on", s.Here.Today.AddDays(180)),
            s.Quantity("length", "Of a length of", Measures.ShortLength, 0.04),
            s.Quantity("female", "A female weighs", Measures.Mass, 1.5),
            s.Whole("females", "Females that stand together", "3"),
            s.Whole("males", "With so many males", "2"),
            s.Quantity("temp", "Hatchery water", Measures.Temperature, 25),
            s.Heading("Each stage, low and high"),
            .. Range(s, "spawn", "Females that spawn", 50, 80),
            .. Range(s, "hatch", "Hatch rate", 40, 80),
            .. Range(s, "feed", "Survival to first feed", 50, 80),
            .. Range(s, "nurse", "Survival in the nursery", 40, 70),
        ];

    private static SlipField[] Range(BenchStart s, string key, string label, double low, double high) =>
        [
            s.Quantity(key + "low", $"{label}, low", Measures.Share, s.Plain(low, Measures.Share)),
            s.Quantity(key + "high", $"{label}, high", Measures.Share, s.Plain(high, Measures.Share)),
        ];

    public Worked? Work(BenchForm f)
    {
        var species = f.Form.Fish("species");
        var asked = new HatchAsked(
            f.Whole("wanted", "fingerlings", 1, 100_000_000),
            f.Form.Day("on"),
            1000 * f.Q("length", Measures.ShortLength, 0.008, 0.3),
            f.Q("female", Measures.Mass, 0.01, 100),
            (f.Whole("females", "females", 1, 100), f.Whole("males", "males", 1, 100)),
            Read(f, "spawn"),
            Read(f, "hatch"),
            Read(f, "feed"),
            Read(f, "nurse"),
            f.Q("temp", Measures.Temperature, 1, 40)
        );
        if (!f.Sound)
            return null;
        if (EggTable.For(species) is not { } table)
            f.Form.Refuse("species", "The tables know nothing of these eggs.");
        else if (double.IsInfinity(table.HoursAt(asked.WaterC)))
            f.Form.Refuse("temp", $"Nothing develops at {f.Say(table.BaseC, Measures.Temperature)} and below.");
        else
            return Told(f, species, table, asked);
        return null;
    }

    private static ShareRange Read(BenchForm f, string key)
    {
        var (low, high) = (f.Q(key + "low", Measures.Share, 1, 100), f.Q(key + "high", Measures.Share, 1, 100));
        if (f.Sound && high < low)
            f.Form.Refuse(key + "high", "The high end is at least the low end.");
        return new(low / 100, high / 100);
    }

    private static Worked Told(BenchForm f, FishSpecies species, EggTable table, HatchAsked asked)
    {
        var plan = BackPlan.Of(asked, table, NurseryDensity.For(species));
        var why = Grounds.Of(
            "Every stage by its low end, from the fingerlings back; run forward again with the low and the high ends.",
            $"{BackPlan.Source}; {table.Source}",
            new Input("fingerlings", asked.Fingerlings, Measures.Plain, "wanted"),
            new Input("eggs of a kg of female, low", table.EggsPerKg.Low, Measures.Plain, "table of eggs"),
            new Input("hatchery water", asked.WaterC, Measures.Temperature, "typed")
        );
        return new(
            [
                new(
                    "Breeders to hold",
                    $"{f.Here.Count(plan.Females)} females ({f.Say(plan.FemalesKg(asked), Measures.Mass)}) and {f.Here.Count(plan.Males)} males, in two waters at least",
                    why,
                    Main: true
                ),
                new("Females that must spawn", f.Here.Count(plan.SpawningFemales), why),
                new("Eggs", f.Here.Count(plan.Eggs), why),
                new("Larvae to hatch", f.Here.Count(plan.Larvae), why),
                new("Fry to stock", f.Here.Count(plan.Fry), why),
                new(
                    "Nursery ponds",
                    plan.NurseryM2 is { } area
                        ? $"{f.Say(area.Usual, Measures.Area)} ({f.Say(area.Least, Measures.Area)} to {f.Say(area.Most, Measures.Area)})"
                        : "no density in the tables: tanks, or your own",
                    why
                ),
                new(
                    "Fingerlings it gives",
                    $"{f.Here.Count(plan.Fertile.Low)} when all goes badly, {f.Here.Count(plan.Fertile.High)} when all goes well",
                    why
                ),
            ],
            $"Held {table.Method}. Females that are starved or crowded to save money give fewer and smaller eggs; wild-caught ones spawn unreliably and bring disease.",
            EggClock.Band(table, asked.WaterC),
            Table:
            [
                ["day", "what"],
                .. plan.Days.Select(d => new[] { f.Here.Day(d.On), d.What }),
            ]
        );
    }
}
