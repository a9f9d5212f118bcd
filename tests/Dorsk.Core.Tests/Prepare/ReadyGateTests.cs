using Dorsk.Core.Judging;
using Dorsk.Core.Prepare;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;

namespace Dorsk.Core.Tests.Prepare;

public class ReadyGateTests
{
    private static readonly GateQuestion Good = new(1.4, 1.5, [5.2, 5.6], 25, [7.4, 8.3], 0.01, null, true, true, false)
    {
        WatchMgL = 4,
        HeldWater = true,
    };

    private static GateQuestion Found(string rule) =>
        Good with
        {
            Against = [new(rule, Status.Watch, "outside") { Why = Grounds.Of("", "") }],
        };

    private static GateLine Line(GateQuestion q, string name) =>
        ReadyGate.For(q, Hand.Metric).Single(l => l.Name == name);

    [Fact]
    public void A_pond_that_was_looked_at_and_is_well_passes() =>
        Assert.All(ReadyGate.For(Good, Hand.Metric), l => Assert.Equal((Condition.Met, ""), (l.State, l.Do)));

    [Fact]
    public void Nothing_known_is_not_ready_and_not_against_and_says_what_to_do()
    {
        var lines = ReadyGate.For(
            new(null, 1.5, [], null, [], null, null, false, false, false) { WatchMgL = 4 },
            Hand.Metric
        );
        Assert.DoesNotContain(lines, l => l.State == Condition.NotMet);
        Assert.All(lines.Where(l => l.State == Condition.Unknown), l => Assert.True(l.Do.Length > 10));
        Assert.Equal(8, lines.Count(l => l.State == Condition.Unknown));
    }

    [Fact]
    public void Weed_that_was_opened_or_under_which_two_mornings_were_good_does_not_stand_against_fish()
    {
        Assert.DoesNotContain(ReadyGate.For(Good, Hand.Metric), l => l.Name == "weed cover");
        foreach (var cover in new double[] { 0, 30, 40, 50 })
            Assert.Equal(Condition.Met, Line(Good with { CoverPct = cover }, "weed cover").State);
        foreach (var lows in new double[][] { [], [5.2], [5.2, 3.9] })
            Assert.Equal(Condition.NotMet, Line(Good with { CoverPct = 40, DawnLows = lows }, "weed cover").State);
        Assert.Contains(
            "aerate for a week",
            Line(Good with { CoverPct = 51 }, "weed cover").Do,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Each_condition_fails_by_its_own_figure()
    {
        (GateQuestion Q, string Name)[] bad =
        [
            (Good with { LevelM = 0.62 }, "water"),
            (Good with { DawnLows = [5.5, 3.8] }, "dawn oxygen"),
            (Found(PondVerdict.Temperature), "temperature"),
            (Found(PondVerdict.Ph), "pH"),
            (Found(PondVerdict.Nh3), "ammonia"),
            (Good with { Ph = [7.2, 9.1] }, "pH"),
            (Good with { Ph = [6.9, 8.5] }, "pH"),
            (Good with { DaysSinceLime = 3 }, "lime"),
            (Good with { Poisoned = true }, "poison gone"),
            (Good with { FoodSecchiM = (true, 0.9) }, "natural food"),
            (Good with { FoodSecchiM = (true, 0.15) }, "natural food"),
            (Good with { FoodSecchiM = (true, 0.15), FoodSeen = true }, "natural food"),
            (Good with { OpenSteps = ["Fill"] }, "preparation"),
            (Good with { CoverPct = 55 }, "weed cover"),
        ];
        foreach (var (q, name) in bad)
        {
            Assert.Equal(Condition.NotMet, Line(q, name).State);
            Assert.Single(ReadyGate.For(q, Hand.Metric), l => l.State != Condition.Met);
        }
        Assert.Equal(Condition.Unknown, Line(Good with { DawnLows = [5.5] }, "dawn oxygen").State);
        Assert.Equal(
            Condition.Met,
            Line(Good with { FoodSecchiM = (true, 0.9), FoodSeen = true }, "natural food").State
        );
        Assert.Equal(Condition.Met, Line(Good with { DaysSinceLime = 7 }, "lime").State);
        Assert.DoesNotContain(ReadyGate.For(Good with { ByVolume = true, Screens = false }, Hand.Metric), l =>
            l.Name is "screens" or "wild fish"
        );
    }
}
