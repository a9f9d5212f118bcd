using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Harvest;

/// <summary>Air in a crowded net, and what is left after falling pulls.</summary>
public class NetDayTests
{
    private static readonly CrowdedNet Net = new(FishSpecies.Of("silver_perch"), 500, 600, 30, 26, 6.5, 3, 0, 7);

    [Fact]
    public void Minutes_agree_with_a_tight_integration()
    {
        var told = 0;
        foreach (var kg in new[] { 100.0, 600, 2000 })
        foreach (var flow in new[] { 0.0, 20, 60, 150 })
        foreach (var temp in new[] { 12.0, 26 })
        {
            var net = Net with { Kg = kg, FlowM3H = flow, TempC = temp };
            var minutes = NetAir.Minutes(net)!.Value;
            var (now, sec) = (net.DoMgL!.Value, 0);
            while (now > net.ActMgL && sec < 24 * 3600)
            {
                now += ((flow * (net.FlowMgL - now)) - NetAir.TakesGH(net)) / net.WaterM3 / 3600;
                sec++;
            }
            if (sec == 24 * 3600)
                Assert.True(minutes > 20 * 60, $"{kg} {flow} {temp}: {minutes}");
            else
            {
                Assert.Equal(sec / 60.0, minutes, 1.0);
                told++;
            }
        }
        Assert.True(told > 12);
    }

    [Fact]
    public void Twice_the_fish_halve_the_minutes_and_a_flow_is_found_that_lasts_an_hour()
    {
        Assert.Equal(NetAir.Minutes(Net)!.Value / 2, NetAir.Minutes(Net with { Kg = 1200 })!.Value, 9);
        var flow = NetAir.FlowFor(Net, 60)!.Value;
        Assert.Equal(60, NetAir.Minutes(Net with { FlowM3H = flow })!.Value, 0.01);
        Assert.Equal(0, NetAir.FlowFor(Net with { Kg = 10 }, 60));
        Assert.Null(NetAir.FlowFor(Net with { FlowMgL = 1 }, 600));
    }

    [Fact]
    public void A_net_whose_oxygen_nobody_read_is_never_called_safe()
    {
        var unread = Net with { DoMgL = null };
        Assert.Null(NetAir.Minutes(unread));
        Assert.Null(NetAir.FlowFor(unread, 60));
        Assert.Equal(Status.Unknown, NetAir.Judge(unread, 20, Hand.Metric).Status);
        Assert.Equal(0, NetAir.Minutes(Net with { DoMgL = 2.9 }));
        Assert.Equal(Status.ActNow, NetAir.Judge(Net with { DoMgL = 2.9 }, 20, Hand.Metric).Status);
        Assert.Equal(Status.ActNow, NetAir.Judge(Net, 60, Hand.Metric).Status);
        Assert.Equal(Status.Steady, NetAir.Judge(Net with { Kg = 30 }, 20, Hand.Metric).Status);
    }

    [Fact]
    public void Five_hundred_simulated_harvests_hold_the_truth_and_say_when_they_cannot_tell()
    {
        var dice = new Random(20270121);
        var (inside, told) = (0, 0);
        while (told < 500)
        {
            var (there, share) = (dice.Next(300, 4000), 0.3 + (0.5 * dice.NextDouble()));
            var were = there;
            var pulls = Pulls(dice, ref there, share);
            if (RemovalEstimate.Of(pulls).Were is not { } estimate)
                continue;
            told++;
            if (estimate.Low <= were && were <= estimate.High)
                inside++;
        }
        Assert.InRange(inside, 430, 470);
        // Nets that miss most fish tell nothing, and say so.
        var silent = Enumerable
            .Range(0, 200)
            .Count(_ =>
            {
                var there = dice.Next(300, 4000);
                return RemovalEstimate.Of(Pulls(dice, ref there, 0.02 + (0.1 * dice.NextDouble()))).Were is null;
            });
        Assert.True(silent >= 180, $"{silent} of 200");
        Assert.Contains("do not fall", RemovalEstimate.Of([100, 120, 110]).WhyNot);
        Assert.Contains("one pull", RemovalEstimate.Of([500]).WhyNot);
        // Half of what is there each time: 1,000 fish, 125 left.
        var half = RemovalEstimate.Of([500, 250, 125]);
        Assert.InRange(half.Were!.Value.Value, 990, 1010);
        Assert.Equal(half.Were.Value.Value - 875, half.Left!.Value.Value);
    }

    private static List<int> Pulls(Random dice, ref int there, double share)
    {
        List<int> pulls = [];
        for (var pull = 0; pull < 3; pull++)
        {
            var caught = 0;
            for (var i = 0; i < there; i++)
                if (dice.NextDouble() < share)
                    caught++;
            there -= caught;
            pulls.Add(caught);
        }
        return pulls;
    }
}
