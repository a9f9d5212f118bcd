using Dorsk.Core.Growth;
using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Harvest;

/// <summary>Hold them or sell them: by hand, and when a price is missing.</summary>
public class WaitingTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");
    private static readonly DateOnly First = new(2027, 1, 26);
    private static readonly List<WeightAhead> Ahead =
    [
        .. Enumerable.Range(0, 60).Select(i => new WeightAhead(First.AddDays(i), new(400 + (2 * i), 350, 450, 0.8))),
    ];

    private static IReadOnlyList<WaitRow> Rows(
        Func<double, double?> price,
        double? feed,
        int reach = 60,
        double capacityKg = 5000
    ) =>
        Waiting.Of(
            Perch,
            (false, capacityKg),
            First,
            SizeSpread.Of(1000, 400, 20),
            [.. Ahead.Take(reach)],
            price,
            feed
        );

    [Fact]
    public void Money_is_added_up_by_hand()
    {
        var rows = Rows(g => g >= 420 ? 1200 : 1000, 150);
        Assert.Equal([0, 14, 28, 56], rows.Select(r => r.On.DayNumber - First.DayNumber));
        var count = 1000 * Math.Exp(-StandingEstimate.UnseenDailyShare(Perch, false) * 14);
        Assert.Equal(428, rows[1].MeanG);
        Assert.Equal(count * 0.428, rows[1].Kg, 6);
        var feedKg = 0.028 * (1000 + count) / 2 * DailyGain.Fcr(Perch, 428);
        Assert.Equal(feedKg, rows[1].FeedKg, 6);
        Assert.Equal((1200 * count * 0.428) - (1000 * 400) - (150 * feedKg), rows[1].GainMinor!.Value, 3);
        Assert.Equal((0, 0), (rows[0].GainMinor, rows[0].FeedKg));
        Assert.True(rows[1].MarketShare > rows[0].MarketShare);
    }

    [Fact]
    public void It_says_wait_sell_or_what_is_missing()
    {
        Assert.Contains("23 Mar", Waiting.Judge(Rows(_ => 1000, 100), Hand.Metric).Reason, StringComparison.Ordinal);
        Assert.Contains(
            "sell on the first",
            Waiting.Judge(Rows(_ => 300, 400), Hand.Metric).Reason,
            StringComparison.Ordinal
        );
        Assert.Equal(Status.Unknown, Waiting.Judge(Rows(_ => null, 100), Hand.Metric).Status);
        Assert.Equal(Status.Unknown, Waiting.Judge(Rows(_ => 1000, null), Hand.Metric).Status);
        Assert.Contains(
            "no further",
            Waiting.Judge(Rows(_ => 1000, 100, 10), Hand.Metric).Reason,
            StringComparison.Ordinal
        );
    }

    [Theory]
    // 400 kg stand: 427 in a fortnight, 454 in four weeks.
    [InlineData(440, "9 Feb", Status.Steady)]
    [InlineData(410, "does not carry more", Status.Watch)]
    [InlineData(300, "carries no more than stands", Status.Watch)]
    public void Money_of_a_load_that_the_pond_does_not_carry_is_no_reason_to_wait(
        double capacityKg,
        string said,
        Status status
    )
    {
        var judged = Waiting.Judge(Rows(_ => 1000, 100, capacityKg: capacityKg), Hand.Metric);
        Assert.Contains(said, judged.Reason, StringComparison.Ordinal);
        Assert.Equal(status, judged.Status);
    }
}
