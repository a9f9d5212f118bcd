using Dorsk.Core.People;

namespace Dorsk.Practice;

/// <summary>People of the story: whom the farm asks, what was said, who takes which place.</summary>
public sealed partial class DemoFarm
{
    private static readonly DateOnly BookFrom = new(2026, 12, 2),
        AskedOn = new(2027, 1, 15),
        RosteredOn = new(2027, 1, 20);

    private static IEnumerable<Told> PeopleOf(DateOnly day)
    {
        if (day == BookFrom)
            return
            [
                Adviser(day, 10, "Creekside fish health", AdviserKind.FishDoctor, "555 0142", "an hour by road; ponds"),
                Adviser(day, 12, "Hill district extension", AdviserKind.Adviser, "555 0117", "water, feed, pond plans"),
            ];
        if (day == AskedOn)
            return
            [
                By(day, 16, 20, "Manager", "P5 advice", k => new AdviceKept(
                    k.Pond("P5"),
                    k.Batch("P5b"),
                    k.Of["adviser Creekside fish health"],
                    "look at gills of ten fish each week, no dose before the ammonia is down"
                )),
            ];
        return day == RosteredOn ? Rosters(day) : [];
    }

    private static IEnumerable<Told> Rosters(DateOnly day)
    {
        yield return By(day, 17, 0, "Manager", "roster of the net day", k => new RosterSet(
            RosterKind.NetDay,
            k.Pond("P1"),
            new(2027, 1, 26),
            [
                new("leader", k.Of["person Manager"]),
                new("end1", k.Of["person Pond hand"]),
                new("end2", k.Of["person Night watch"]),
                new("tally", k.Of["person Manager"]),
            ]
        ));
        yield return By(day, 17, 10, "Manager", "roster of the night", k => new RosterSet(
            RosterKind.Night,
            null,
            day.AddDays(1),
            [
                new("watch1", k.Of["person Pond hand"]),
                new("watch2", k.Of["person Night watch"]),
                new("call", k.Of["person Manager"]),
            ]
        ));
    }

    private static Told Adviser(DateOnly day, int minute, string name, AdviserKind kind, string phone, string about) =>
        By(
            day,
            9,
            minute,
            "Manager",
            "adviser " + name,
            _ => new AdviserDescribed(0, name, kind, phone, about, false),
            "adviser " + name
        );
}
