using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>How well the people of a farm know spawning.</summary>
public enum SpawnSkill
{
    /// <summary>Never spawned fish.</summary>
    Beginner,

    /// <summary>Has raised some seasons of fry.</summary>
    Practised,

    /// <summary>Sexes, strips and hatches by hand.</summary>
    Expert,
}

/// <summary>A way of spawning that a farm can choose.</summary>
/// <param name="Name">In words.</param>
/// <param name="Fingerlings">Fingerlings a season for which it serves: least, most.</param>
/// <param name="Hours">Hours of work a day in the season: always, and for each 10,000 fingerlings.</param>
/// <param name="Skill">Skill it takes.</param>
/// <param name="Note">What speaks for it and against it.</param>
public sealed record SpawnWay(
    string Name,
    (int Least, int Most) Fingerlings,
    (double Always, double Each) Hours,
    SpawnSkill Skill,
    string Note
)
{
    /// <summary>Where the figures come from.</summary>
    public const string Source =
        "Ways of spawning by number wanted, labour and skill: starting values of the trade, confidence low";

    private const double Each = 10_000;

    /// <summary>The ways, the simplest first.</summary>
    public static IReadOnlyList<SpawnWay> All { get; } =
    [
        new(
            "natural spawning in a nursery pond",
            (500, 30_000),
            (0.5, 0.2),
            SpawnSkill.Beginner,
            "least work; parents and insects eat eggs and fry, and nobody knows the number before the harvest"
        ),
        new(
            "chosen pairs in pens or aquaria",
            (500, 50_000),
            (1.5, 1),
            SpawnSkill.Practised,
            "parents are known and eggs are seen; every pair wants its place and its look each day"
        ),
        new(
            "pond spawning, eggs carried to a hatchery",
            (20_000, 50_000_000),
            (4, 0.4),
            SpawnSkill.Practised,
            "most fry of a female, all of one age; somebody is there round the clock from eggs to first feed"
        ),
    ];

    /// <summary>Hours of work a day in the season.</summary>
    /// <param name="wanted">Fingerlings wanted; 1 or more.</param>
    public double HoursADay(int wanted) => Hours.Always + (Hours.Each * wanted / Each);

    /// <summary>Whether it serves: the worst of number, work and skill.</summary>
    /// <param name="wanted">Fingerlings wanted; 1 or more.</param>
    /// <param name="hoursADay">Hours a day that there are; 0 or more.</param>
    /// <param name="skill">Skill that is there.</param>
    /// <param name="hand">How figures are printed.</param>
    public Judgement Judge(int wanted, double hoursADay, SpawnSkill skill, Hand hand)
    {
        if (wanted > Fingerlings.Most)
            return new(
                Status.ActNow,
                $"gives {hand.Count(Fingerlings.Most)} a season at most, {hand.Count(wanted)} are wanted"
            );
        if (skill < Skill)
            return new(Status.ActNow, "takes somebody who has raised fry before");
        var hours = HoursADay(wanted);
        if (hours > hoursADay)
            return new(
                Status.ActNow,
                $"takes {hand.Figure(hours, 1)} hours a day, {hand.Figure(hoursADay, 1)} are there"
            );
        return wanted < Fingerlings.Least
            ? new(Status.Watch, $"pays from {hand.Count(Fingerlings.Least)} fingerlings on")
            : new(Status.Steady, $"serves, with {hand.Figure(hours, 1)} hours a day");
    }

    /// <summary>Of the ways that serve, the one with least work; null where none does.</summary>
    /// <param name="wanted">Fingerlings wanted; 1 or more.</param>
    /// <param name="hoursADay">Hours a day that there are.</param>
    /// <param name="skill">Skill that is there.</param>
    public static SpawnWay? Best(int wanted, double hoursADay, SpawnSkill skill) =>
        All.Where(w => w.Judge(wanted, hoursADay, skill, Hand.Metric).Status < Status.ActNow)
            .OrderBy(w => w.Judge(wanted, hoursADay, skill, Hand.Metric).Status)
            .ThenBy(w => w.HoursADay(wanted))
            .FirstOrDefault();
}
