using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>A high pH brought down by exchange on days.</summary>
internal sealed class PhExchangeCalculator : ICalculator
{
    public string Key => "ph-exchange";

    public string Title => "Exchange against a high pH";

    public string Lead => "part exchanges on days: water each time, pH after it, and when to stop";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("volume", "Water volume", Measures.Volume, s.VolumeM3 ?? 1000),
            s.Quantity("share", "Share each time", Measures.Share, 20),
            s.Whole("every", "Every", "1").WithHint("days"),
            s.Quantity("stop", "Stop at an afternoon pH of", Measures.Ph, 9),
            s.Heading("The pond in the afternoon"),
            .. Water(
                s,
                "1",
                (
                    s.Last(Parameter.Ph) ?? 9.6,
                    s.Last(Parameter.Alkalinity) ?? 60,
                    s.Last(Parameter.Temperature) ?? 28,
                    s.Last(Parameter.Salinity) ?? 0
                )
            ),
            s.Heading("The new water"),
            .. Water(s, "2", (7.4, 80, 24, 0)),
        ];

    private static IEnumerable<SlipField> Water(
        BenchStart s,
        string n,
        (double Ph, double Alk, double C, double Ppt) w
    ) =>
        [
            s.Quantity("ph" + n, "pH", Measures.Ph, w.Ph),
            s.Quantity("alk" + n, "Alkalinity", Measures.CoarseConcentration, w.Alk),
            s.Quantity("temp" + n, "Temperature", Measures.Temperature, w.C),
            s.Quantity("sal" + n, "Salinity", Measures.Salinity, w.Ppt),
        ];

    public Worked? Work(BenchForm f)
    {
        var (volume, share, every) = (
            f.Q("volume", Measures.Volume, 0.001, 1e7),
            f.Q("share", Measures.Share, 1, 60) / 100,
            f.Whole("every", "days", 1, 14)
        );
        var stop = f.Q("stop", Measures.Ph, 6, 10.5);
        var (old, fresh) = (Read(f, "1"), Read(f, "2"));
        if (!f.Sound)
            return null;
        return Answer(f, (volume, share, every), old, stop, PhExchange.Until(volume, share, every, old, fresh, stop));
    }

    private static (double Ph, double Alk, double C, double Ppt) Read(BenchForm f, string n) =>
        (
            f.Q("ph" + n, Measures.Ph, 4, 11.5),
            f.Q("alk" + n, Measures.CoarseConcentration, 1, 1000),
            f.Q("temp" + n, Measures.Temperature, 0, 45),
            f.Q("sal" + n, Measures.Salinity, 0, 60)
        );

    private static Worked Answer(
        BenchForm f,
        (double M3, double Share, int Every) plan,
        (double Ph, double Alk, double C, double Ppt) old,
        double stop,
        IReadOnlyList<PhStep>? steps
    )
    {
        var why = Grounds.Of(
            "Each time a share of mixed water goes out and new water comes in; alkalinity and carbon of the mix give its pH.",
            PhExchange.Source,
            new Input("pH now", old.Ph, Measures.Ph, "typed"),
            new Input("alkalinity now", old.Alk, Measures.CoarseConcentration, "typed")
        );
        return steps is null ? NotReached(why) : Reached(f, plan, stop, steps, why);
    }

    private static Worked NotReached(Grounds why) =>
        new(
            [new("Times", "not reached", why, Main: true)],
            "This new water does not bring it there: another source, shade against the bloom, or carbon dioxide.",
            new(Status.ActNow, "the new water is too high itself, or too little is changed"),
            Cautions
        );

    private static Worked Reached(
        BenchForm f,
        (double M3, double Share, int Every) plan,
        double stop,
        IReadOnlyList<PhStep> steps,
        Grounds why
    ) =>
        new(
            [
                new("Times", f.Here.Count(steps.Count), why, Main: true),
                new("Each time", f.Say(plan.Share * plan.M3, Measures.Volume), why),
                new("In all", f.Say(steps.Count == 0 ? 0 : steps[^1].TotalM3, Measures.Volume), why),
            ],
            steps.Count == 0
                ? "Nothing is changed; read it again tomorrow afternoon."
                : $"Stop when the afternoon reading is {f.Here.Figure(stop, 1)} or less, or after {f.Here.Count(steps.Count)} times.",
            steps.Count == 0 ? new Judgement(Status.Steady, "it is there already") : null,
            Cautions,
            steps.Count == 0 ? null : Days(f, plan.Share * plan.M3, steps)
        );

    private static readonly string[] Cautions =
    [
        "The bloom raises pH again every afternoon: read it each afternoon before the next exchange. No ammonium fertiliser, no lime.",
        "A drop of more than half a unit at once harms fry: smaller shares.",
    ];

    private static List<string[]> Days(BenchForm f, double m3, IReadOnlyList<PhStep> steps) =>
        [
            ["day", "water", "so far", "old water left", "pH"],
            .. steps.Select(s =>
                new[]
                {
                    f.Here.Day(f.Here.Today.AddDays(s.Day)),
                    f.Say(m3, Measures.Volume),
                    f.Say(s.TotalM3, Measures.Volume),
                    $"{f.Here.Figure(100 * s.OldLeft, 0)} %",
                    f.Here.Figure(s.Ph, 2),
                }
            ),
        ];
}

/// <summary>Feed that rots in a tank: siphon, change a part, or pump out and refill.</summary>
internal sealed class RottenFeedCalculator : ICalculator
{
    public string Key => "rotten-feed";

    public string Title => "Feed has rotted";

    public string Lead => "what it brings, how much water to change, and where the fish wait";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. BenchFish.Fields(s, "silver_perch", 50),
            s.Quantity("volume", "Water volume", Measures.Volume, s.VolumeM3 ?? 20),
            s.Quantity("feed", "Feed that lies and rots", Measures.Mass, 2),
            s.Quantity("protein", "Protein of it", Measures.Share, "40"),
            s.Quantity("tan", "Total ammonia now, as N", Measures.Concentration, s.Last(Parameter.Tan) ?? 0.5),
            s.Quantity("temp", "Temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 27),
            s.Quantity("ph", "pH", Measures.Ph, s.Last(Parameter.Ph) ?? 7.6),
            s.Quantity("sal", "Salinity", Measures.Salinity, s.Last(Parameter.Salinity) ?? 0),
            s.Heading("Where the fish wait if it is pumped out"),
            s.Quantity(
                "fish",
                "Fish in it",
                Measures.Mass,
                s.Pond?.NowAt(s.Here.Now).BiomassKg is > 0 and var kg ? kg : 100
            ),
            s.Quantity("wait", "Water they wait in", Measures.Volume).WithHint("a tank or net with air"),
        ];

    public Worked? Work(BenchForm f)
    {
        var (species, _) = BenchFish.Read(f);
        var (volume, feed) = (f.Q("volume", Measures.Volume, 0.01, 1e6), f.Q("feed", Measures.Mass, 0, 1e5));
        var (protein, tan) = (f.Q("protein", Measures.Share, 5, 80), f.Q("tan", Measures.Concentration, 0, 200));
        var water = (
            f.Q("temp", Measures.Temperature, 0, 45),
            f.Q("ph", Measures.Ph, 4, 11),
            f.Q("sal", Measures.Salinity, 0, 60)
        );
        var (fishKg, wait) = (f.Q("fish", Measures.Mass, 0, 1e6), f.MaybeQ("wait", Measures.Volume, 0.001, 1e6) ?? 0);
        if (!f.Sound)
            return null;
        var x = RottenFeed.Of(volume, feed, protein, tan, water, f.Limits.Nh3PeakMgL);
        var refill = x.Judgement.Status == Status.ActNow;
        return Answer(
            f,
            x,
            volume,
            refill ? RottenFeed.Waits(fishKg, wait, species.CapacityTankKgM3) : null,
            f.Limits.Source
        );
    }

    private static Worked Answer(BenchForm f, RottenFeed x, double volume, Judgement? waits, string limits)
    {
        var why = Grounds
            .Of(
                "The nitrogen of the feed as ammonia on top of what is there; un-ionised at this pH and warmth, against the act level of these fish.",
                RottenFeed.Source,
                new Input("total ammonia then", x.TanMgL, Measures.Concentration, "worked out"),
                new Input("oxygen that rotting takes", x.OxygenMgL, Measures.Oxygen, "worked out")
            )
            .Limited(limits);
        return new(
            Figures(f, x, volume, waits, why),
            "No feed until ammonia has fallen; then half of what was eaten before.",
            waits is { Status: Status.ActNow } ? waits : x.Judgement,
            [
                "Air on full before anything is stirred up: rotten feed gives off gas. New water within a degree or two of the old.",
            ]
        );
    }

    private static List<Figure> Figures(BenchForm f, RottenFeed x, double volume, Judgement? waits, Grounds why) =>
        [
            new(
                "Water to change",
                $"{f.Here.Figure(100 * x.ShareToChange, 0)} %, {f.Say(x.ShareToChange * volume, Measures.Volume)}",
                why,
                Main: true
            ),
            new(
                "Un-ionised ammonia then, as N",
                f.Say(x.Nh3MgL, Measures.Concentration with { Decimals = 3, UsDecimals = 3 }),
                why
            ),
            new("Oxygen that rotting takes", f.Say(x.OxygenMgL, Measures.Oxygen), why),
            .. waits is null ? [] : new[] { new Figure("The fish", waits.Reason, why) },
        ];
}

/// <summary>Covered against open pools.</summary>
internal sealed class PoolCoverCalculator : ICalculator
{
    public string Key => "pool-cover";

    public string Title => "Covered or open pool";

    public string Lead => "hours of cleaning and money, with a cover and without";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("minutes", "One cleaning takes, minutes", Measures.Plain, "25"),
            s.Quantity("open", "Open: cleaned every", Measures.Factor, s.Here.Typed(2.0, 1))
                .WithHint("days; leaves, algae, birds"),
            s.Quantity("covered", "Covered: every", Measures.Factor, s.Here.Typed(4.0, 1)).WithHint("days"),
            s.Quantity("hour", "An hour of work costs", Measures.Price, "25"),
            s.Quantity("cover", "The cover costs", Measures.Price, "600"),
            s.Quantity("years", "and lasts, years", Measures.Factor, s.Here.Typed(5.0, 1)),
        ];

    public Worked? Work(BenchForm f)
    {
        var (minutes, open, covered) = (
            f.Q("minutes", Measures.Plain, 1, 600),
            f.Q("open", Measures.Factor, 0.2, 60),
            f.Q("covered", Measures.Factor, 0.2, 120)
        );
        var (hour, cover, years) = (
            f.Q("hour", Measures.Price, 0, 10_000),
            f.Q("cover", Measures.Price, 0, 1e6),
            f.Q("years", Measures.Factor, 0.2, 40)
        );
        if (!f.Sound)
            return null;
        var x = PoolCover.Of(minutes, open, covered, hour, cover, years);
        var why = Grounds.Of(
            "Cleanings of a year by their minutes, against the cover's price over its years.",
            "Arithmetic on typed figures",
            new Input("an hour", hour, Measures.Price, "typed")
        );
        string M(double v) => $"{f.Here.Count(Math.Round(v))} {f.Here.Farm?.Currency}";
        return new(
            [
                new("Net saving of a cover per year", M(x.SavedYear), why, Main: true),
                new("Cleaning, open", $"{f.Here.Figure(x.OpenHoursYear, 0)} h a year", why),
                new("Cleaning, covered", $"{f.Here.Figure(x.CoveredHoursYear, 0)} h a year", why),
            ],
            "A cover also keeps out birds, rain and sun; fish are seen less under it.",
            x.SavedYear >= 0
                ? new(Status.Steady, "the cover pays by the cleaning alone")
                : new(Status.Watch, "the cover costs more than the cleaning it saves"),
            ["A cover bears no person: lash it so that nobody steps on it, and snow or rain runs off."]
        );
    }
}
