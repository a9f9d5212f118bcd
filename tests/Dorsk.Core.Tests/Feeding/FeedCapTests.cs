using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Feeding;

/// <summary>What a still pond takes of feed, whatever breathes in it; and a leak test in a pond that fills.</summary>
public class FeedCapTests
{
    [Theory]
    [InlineData("silver_perch", 0, 35, "dawn oxygen")]
    [InlineData("african_catfish", 0, 140, "dawn oxygen")]
    [InlineData("african_catfish", 4, 170, "nitrogen")]
    [InlineData("african_catfish", 8, 170, "nitrogen")]
    [InlineData("channel_catfish", 4, 110, "oxygen then nitrogen")]
    public void Nitrogen_binds_fish_that_breathe_air_too(string species, double kwHa, double kgHa, string by)
    {
        var cap = FeedCap.For(kwHa, FishSpecies.Of(species));
        Assert.Equal((kgHa, by), (cap.KgHaDay, cap.LimitedBy));
    }

    [Fact]
    public void A_pond_that_fills_is_no_leak_test()
    {
        var rising = LeakTest.Of(-0.03, 0.005, 0.01, 5, 4000);
        Assert.Equal((Status.Watch, 0.0), (rising.Verdict(Hand.Metric).Status, rising.M3Day));
        Assert.Contains("7.0\u2009mm a day came in", rising.Verdict(Hand.Metric).Reason, StringComparison.Ordinal);
        Assert.Equal(Status.Steady, LeakTest.Of(0.01, 0, 0.012, 5, 4000).Verdict(Hand.Metric).Status);
    }
}
