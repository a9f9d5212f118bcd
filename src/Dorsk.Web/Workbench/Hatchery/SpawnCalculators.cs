using Dorsk.Core.Feeding;
using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>The way of spawning by number, work and skill.</summary>
internal sealed class SpawnWayCalculator : ICalculator
{
    private static readonly (SpawnSkill Skill, string Word)[] Skills =
    [
        (SpawnSkill.Beginner, "never spawned fish"),
        (SpawnSkill.Practised, "some seasons of fry"),
        (SpawnSkill.Expert, "sexes, strips and hatches by hand"),
    ];

    public string Key => "spawning-way";

    public string Title => "Way of spawning";

    public string Lead => "pairs in pens, a nursery pond, or eggs carried to a hatchery: by number, work and skill";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Whole("wanted", "Fingerlings wanted a season", "20000"),
            s.Whole("hours", "Hours of work a day in the season", "3"),
            s.Choice("skill", "Skill that is there", SpawnSkill.Practised, HatchWord.Options(Skills)),
        ];

    public Worked? Work(BenchForm f)
    {
        var wanted = f.Whole("wanted", "fingerlings", 1, 100_000_000);
        var hours = f.Whole("hours", "hours", 0, 240);
        var skill = HatchWord.Read(f.Form, "skill", Skills, "skill");
        if (!f.Sound)
            return null;
        var best = SpawnWay.Best(wanted, hours, skill);
        var why = Grounds.Of(
            "Each way by the fingerlings it gives a season, the work it takes and the skill; of those that serve, the one with least work.",
            SpawnWay.Source,
            new Input("fingerlings wanted", wanted, Measures.Plain, "typed")
        );
        return new(
            [
                new(
                    "Choose",
                    best?.Name ?? "none of them: buy fry, or find hands and somebody who has done it",
                    why,
                    Main: true
                ),
                .. SpawnWay.All.Select(w => new Figure(
                    Pages.Words.Sentence(w.Name),
                    w.Judge(wanted, hours, skill, f.Here.Hand).Reason,
                    why
                )),
            ],
            string.Join(" ", SpawnWay.All.Select(w => $"{Pages.Words.Sentence(w.Name)}: {w.Note}."))
        );
    }
}

/// <summary>Troughs, baskets and flow for egg masses.</summary>
internal sealed class TroughCalculator : ICalculator
{
    public string Key => "troughs";

    public string Title => "Troughs and baskets";

    public string Lead => "baskets, troughs and flow for so many egg masses";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Whole("masses", "Egg masses at a time", "24"),
            s.Whole("baskets", "Baskets a trough holds", "8"),
            s.Quantity("water", "Water in a trough", Measures.SmallVolume, 0.4),
            s.Quantity("flow", "Flow through a trough now", Measures.Flow, 0.6),
        ];

    public Worked? Work(BenchForm f)
    {
        var masses = f.Whole("masses", "egg masses", 1, 10_000);
        var each = f.Whole("baskets", "baskets", 1, 100);
        var water = f.Q("water", Measures.SmallVolume, 0.001, 1000);
        var flow = f.Q("flow", Measures.Flow, 0, 10_000);
        if (!f.Sound)
            return null;
        var troughs = EggRoom.TroughsFor(masses, each);
        var (least, most) = EggRoom.FlowM3H(water);
        var why = Grounds.Of(
            "Two egg masses a basket at most; the flow brings as much water as stands in the trough within 30 to 60 minutes.",
            EggRoom.Source,
            new Input("egg masses", masses, Measures.Plain, "typed"),
            new Input("water in a trough", water, Measures.SmallVolume, "typed")
        );
        return new(
            [
                new("Baskets", f.Here.Count(EggRoom.BasketsFor(masses)), why, Main: true),
                new("Troughs", f.Here.Count(troughs), why),
                new("Flow a trough", f.Here.Range(least, most, Measures.Flow), why),
                new("Flow of all", f.Here.Range(troughs * least, troughs * most, Measures.Flow), why),
                new(
                    "Turned over now in",
                    flow > 0 ? $"{f.Here.Count(Math.Round(60 * water / flow))} minutes" : "it stands still",
                    why
                ),
            ],
            "Paddles or an air stone under every basket: a mass that hangs in still water smothers inside.",
            flow < least ? new(Status.ActNow, "too little flow: the masses run short of oxygen")
                : flow > most
                    ? new(Status.Watch, "more flow than it takes: eggs may be knocked about, and heat is lost")
                : new(Status.Steady, "turned over as it should be")
        );
    }
}

/// <summary>A change of feed over days.</summary>
internal sealed class FeedChangeCalculator : ICalculator
{
    public string Key => "feed-change";

    public string Title => "Change of feed";

    public string Lead => "the new feed mixed in over days you choose, with the mass of each";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Day("from", "First day of mixing", s.Here.Today.AddDays(1)),
            s.Whole("days", "Days until it stands alone", "6"),
            s.Quantity("feed", "Feed of a day", Measures.Mass, "2"),
        ];

    public Worked? Work(BenchForm f)
    {
        var from = f.Form.Day("from");
        var days = f.Whole("days", "days", 3, 30);
        var feed = f.Q("feed", Measures.Mass, 0.001, 100_000);
        if (!f.Sound)
            return null;
        var steps = FeedChange.StepsOf(from, days);
        var each = Enumerable
            .Range(0, days)
            .Select(i => (Day: from.AddDays(i), Pct: steps.Last(x => x.From <= from.AddDays(i)).NewPct))
            .ToList();
        var ofNew = each.Sum(x => feed * x.Pct / 100);
        var why = Grounds.Of(
            "25, 50 and 75 % of the new feed in equal stretches, then all of it.",
            "The trade takes three to seven days; starting value",
            new Input("feed of a day", feed, Measures.Mass, "typed")
        );
        return new(
            [
                new("New feed alone from", f.Here.Day(steps[^1].From), why, Main: true),
                new("New feed for the change", f.Say(ofNew, Measures.Mass), why),
                new("Old feed for the change", f.Say((feed * days) - ofNew, Measures.Mass), why),
            ],
            "When they leave the new feed, stay a step longer; fry that miss meals turn on each other.",
            Table:
            [
                ["day", "new feed", "of it", "old feed"],
                .. each.Select(x =>
                    new[]
                    {
                        f.Here.Day(x.Day),
                        $"{x.Pct} %",
                        f.Say(feed * x.Pct / 100, Measures.Mass),
                        f.Say(feed * (100 - x.Pct) / 100, Measures.Mass),
                    }
                ),
            ]
        );
    }
}
