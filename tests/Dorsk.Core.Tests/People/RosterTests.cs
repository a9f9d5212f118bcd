using Dorsk.Core.Judging;
using Dorsk.Core.People;

namespace Dorsk.Core.Tests.People;

/// <summary>Rosters of net days and nights.</summary>
public class RosterTests
{
    private static readonly DateOnly Today = new(2027, 1, 21);

    private static readonly PersonNamed[] People =
    [
        new("Ada", Role.Manager, 1),
        new("Bo", Role.PondHand, 2),
        new("Cy", Role.NightWatch, 3),
        new("Vi", Role.Viewer, 4),
    ];

    private static RosterSet Net(params (string Role, long Person)[] places) =>
        new(RosterKind.NetDay, 8, Today.AddDays(5), [.. places.Select(p => new RosterPlace(p.Role, p.Person))]);

    private static RosterSet Night(int inDays, params (string Role, long Person)[] places) =>
        new(RosterKind.Night, null, Today.AddDays(inDays), [.. places.Select(p => new RosterPlace(p.Role, p.Person))]);

    private static (Objection Kind, string Field)[] Of(RosterSet roster, RosterKnown? known = null) =>
        [.. roster.Check(known ?? new(People, [], []), Today).Select(r => (r.Kind, r.Field))];

    [Fact]
    public void Nobody_stands_in_two_places_and_who_watched_is_asked_about_at_the_net()
    {
        Assert.Empty(Of(Net(("leader", 1), ("tally", 1), ("end1", 2))));
        Assert.Equal([(Objection.Refuse, "end2")], Of(Net(("end1", 2), ("end2", 2))));
        Assert.Equal([(Objection.Refuse, "tally")], Of(Net(("tally", 4))));
        Assert.Equal([(Objection.Refuse, "")], Of(Net()));
        Assert.Equal([(Objection.Refuse, "")], Of(Net(("cook", 1))));
        Assert.Equal([(Objection.Refuse, "call")], Of(Night(1, ("watch1", 3), ("call", 3))));
        Assert.Empty(Of(Night(1, ("watch1", 3), ("watch2", 3), ("call", 1))));
        Assert.Empty(Of(Night(-1, ("watch1", 3), ("call", 1))));
        Assert.Equal([(Objection.Refuse, "Day")], Of(Night(-2, ("watch1", 3), ("call", 1))));
        // The night before the net, on either roster; who only sleeps by the phone is not tired.
        RosterKnown With(RosterSet other) => new(People, [], [other]);
        Assert.Equal([(Objection.Ask, "end1")], Of(Net(("end1", 3)), With(Night(4, ("watch1", 3), ("call", 2)))));
        Assert.Empty(Of(Net(("end1", 3)), With(Night(5, ("watch1", 3), ("call", 2)))));
        Assert.Empty(Of(Net(("end1", 2)), With(Night(4, ("watch1", 3), ("call", 2)))));
        Assert.Equal([(Objection.Ask, "watch1")], Of(Night(4, ("watch1", 2), ("call", 1)), With(Net(("end1", 2)))));
        Assert.Equal([(Objection.Ask, "end1")], Of(Net(("end1", 2)), With(Net(("boat", 2)) with { PondId = 9 })));
    }

    [Fact]
    public void Who_is_not_signed_for_a_place_is_asked_about_once_the_farm_signs_for_tasks()
    {
        TaskSigned[] signed = [new(2, "seine", TaskStep.Alone, 1), new(3, "seine", TaskStep.UnderEyes, 1)];
        var known = new RosterKnown(People, signed, []);
        Assert.Empty(Of(Net(("end1", 2), ("leader", 1), ("tally", 3)), known));
        Assert.Equal([(Objection.Ask, "end2")], Of(Net(("end1", 2), ("end2", 3)), known));
        Assert.Equal(
            ["end2", "line", "pump", "tally"],
            RosterFinding.Open(Net(("leader", 1), ("end1", 2))).Select(r => r.Key)
        );
    }

    [Fact]
    public void The_dark_hours_are_shared_evenly_and_leave_no_gap()
    {
        var (sunset, sunrise) = (new DateTime(2027, 1, 21, 19, 2, 0), new DateTime(2027, 1, 22, 5, 17, 0));
        for (var n = 1; n <= 4; n++)
        {
            var watches = NightWatches.Of(
                Night(0, [.. Enumerable.Range(1, n).Select(i => ($"watch{i}", 3L)), ("call", 1)]),
                sunset,
                sunrise
            );
            Assert.Equal(n, watches.Count);
            Assert.Equal((sunset, sunrise), (watches[0].From, watches[^1].To));
            Assert.All(watches.Zip(watches.Skip(1)), w => Assert.Equal(w.First.To, w.Second.From));
            Assert.All(watches, w => Assert.InRange((w.To - w.From).TotalMinutes, (615.0 / n) - 15, (615.0 / n) + 15));
        }
        Assert.Empty(NightWatches.Of(Night(0, ("call", 1)), sunset, sunrise));
    }
}
