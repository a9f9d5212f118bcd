using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Harvest;

/// <summary>Baskets of a net day: what is refused and asked, sums by fate and pull, ice, what is left, the close.</summary>
public class NetTallyTests
{
    private static readonly DateTimeOffset Began = new(2027, 1, 26, 5, 0, 0, TimeSpan.Zero);
    private static readonly NetDayBegun Day = new(1, 7, 3, 30, 0, 1640, 1910, 500, "");

    private static BasketWeighed Basket(double gross, NetFate fate = NetFate.OnIce, int pull = 1, int? count = null) =>
        new(1, 7, pull, fate, gross, 2) { Count = count };

    private static NetTally Tally(
        IEnumerable<BasketWeighed> baskets,
        IEnumerable<(int Minute, NetNoted Noted)>? notes = null,
        params long[] closes
    ) =>
        new(
            Began,
            Day,
            [.. baskets.Select((b, i) => new BasketLine(10 + i, Began.AddMinutes(i), "hand", b))],
            [.. (notes ?? []).Select(n => (Began.AddMinutes(n.Minute), n.Noted))],
            closes
        );

    private static NetNoted Noted(NetEvent what, int pull = 1, double? mgL = null, string missed = "") =>
        new(1, 7, what, pull, mgL, null, missed);

    private static List<Remark> Of(BasketWeighed basket, params double[] before) =>
        [.. basket.Check((Began, Day), before, Began.AddMinutes(30), Hand.Metric)];

    [Fact]
    public void A_basket_three_times_its_neighbours_is_asked_and_a_tare_above_the_gross_refused()
    {
        Assert.Empty(Of(Basket(18), 15, 16, 17));
        // Exactly three times their median is not more than three times.
        Assert.Empty(Of(Basket(50), 15, 16, 17));
        Assert.Contains(Of(Basket(50.1), 15, 16, 17), r => r is { Kind: Objection.Ask, Field: "Gross" });
        Assert.Contains(Of(Basket(7.2), 15, 16, 17), r => r is { Kind: Objection.Ask, Field: "Gross" });
        // Two baskets say nothing yet.
        Assert.Empty(Of(Basket(180), 15, 16));
        Assert.Contains(Of(Basket(2)), r => r is { Kind: Objection.Refuse, Field: "Tare" });
        Assert.Contains(Of(Basket(1.5)), r => r is { Kind: Objection.Refuse, Field: "Tare" });
        Assert.Contains(Of(Basket(0)), r => r is { Kind: Objection.Refuse, Field: "Gross" });
        Assert.Contains(Of(Basket(double.NaN)), r => r is { Kind: Objection.Refuse, Field: "Gross" });
        Assert.Contains(Of(Basket(18) with { Pull = 0 }), r => r is { Kind: Objection.Refuse, Field: "Pull" });
        Assert.Contains(Of(Basket(18, count: 0)), r => r is { Kind: Objection.Refuse, Field: "Count" });
        // 16 kg of 8 fish are 2 kg each, where 500 g were expected.
        Assert.Contains(Of(Basket(18, count: 8)), r => r is { Kind: Objection.Ask, Field: "Count" });
        Assert.Empty(Of(Basket(18, count: 32)));
    }

    [Fact]
    public void No_basket_without_its_net_day_and_none_before_it()
    {
        Assert.Contains(Basket(18).Check(null, [], Began, Hand.Metric), r =>
            r is { Kind: Objection.Refuse, Field: "Net" }
        );
        Assert.Contains((Basket(18) with { PondId = 8 }).Check((Began, Day), [], Began, Hand.Metric), r =>
            r is { Kind: Objection.Refuse, Field: "Net" }
        );
        Assert.Contains(Basket(18).Check((Began, Day), [], Began.AddMinutes(-11), Hand.Metric), r =>
            r is { Kind: Objection.Refuse, Field: "Hour" }
        );
    }

    [Fact]
    public void Sums_are_by_fate_and_fish_by_counted_baskets_of_the_same_fate()
    {
        var tally = Tally([
            Basket(18, count: 40),
            Basket(22),
            Basket(12, NetFate.Returned, count: 50),
            Basket(7, NetFate.Dead),
            Basket(18, NetFate.Alive, 2),
        ]);
        Assert.Equal(36, tally.Of(NetFate.OnIce).Kg, 9);
        // 16 kg were 40 fish: 400 g each, so 20 kg are 50 more.
        Assert.Equal(90, tally.Of(NetFate.OnIce).Count, 9);
        Assert.Equal(50, tally.Of(NetFate.Returned).Count, 9);
        // Nobody counted the dead or the live ones: by the mean of all counted, 26 kg of 90 fish.
        Assert.Equal(5000 / (26_000.0 / 90), tally.Of(NetFate.Dead).Count, 9);
        Assert.Equal(36 + 5 + 16, tally.Taken.Kg, 9);
        Assert.Equal(2, tally.PullNow);
        Assert.Equal(tally.Sum(tally.Baskets).Kg, Enum.GetValues<NetFate>().Sum(f => tally.Of(f).Kg), 9);
        Assert.Equal(tally.Taken.Kg, tally.Pulls.Sum(p => p.Taken.Kg), 9);
    }

    [Fact]
    public void Without_a_counted_basket_fish_go_by_what_was_expected() =>
        Assert.Equal(32, Tally([Basket(18)]).Taken.Count, 9);

    [Fact]
    public void Minutes_to_ice_are_from_the_scale_and_the_oldest_waits_until_the_close()
    {
        var notes = new[] { (1, Noted(NetEvent.Iced)) };
        var tally = Tally([Basket(18), Basket(18), Basket(18, NetFate.Alive), Basket(18)], notes);
        var ice = tally.Ice(Began.AddMinutes(60));
        Assert.Equal(1, ice.LongestMin);
        Assert.Equal(0.5, ice.MeanMin);
        Assert.Equal(Began.AddMinutes(3), ice.WaitsSince);
        Assert.Null(Tally([Basket(18)], null, 99).Ice(Began.AddHours(2)).WaitsSince);
    }

    [Fact]
    public void Falling_pulls_tell_what_is_left_and_a_pull_with_a_miss_tells_nothing()
    {
        // 600, 240 and 96 fish of 500 g: each takes three fifths of what is there, 64 are left.
        BasketWeighed[] pulls = [Basket(302), Basket(122, pull: 2), Basket(50, pull: 3)];
        var left = Tally(pulls);
        Assert.InRange(left.Left.Left!.Value.Value, 50, 80);
        Assert.InRange(left.NextPull!.Value.Value, 28, 50);
        var missed = Tally(pulls, [(5, Noted(NetEvent.PullDone, 2, missed: NetNoted.Ways[1]))]);
        Assert.Null(missed.Left.Left);
        Assert.Contains("pull 2", missed.Left.WhyNot, StringComparison.Ordinal);
        Assert.Null(missed.NextPull);
        Assert.Contains(missed.Pulls, p => p.Missed == NetNoted.Ways[1]);
    }

    [Fact]
    public void Baskets_after_the_close_are_not_in_the_ledger_yet()
    {
        BasketWeighed[] baskets = [Basket(18), Basket(18), Basket(18)];
        Assert.True(Tally(baskets).IsOpen);
        Assert.False(Tally(baskets, null, 13).IsOpen);
        var late = Tally(baskets, null, 11);
        Assert.True(late.IsOpen);
        Assert.Equal(12, Assert.Single(late.Waiting).Line);
        Assert.Contains(new NetDayClosed(1, 7, false, "").Check(Day, 0), r =>
            r.Text.Contains("closed already", StringComparison.Ordinal)
        );
        Assert.Empty(new NetDayClosed(1, 7, false, "").Check(Day, 1));
    }

    [Fact]
    public void The_crowd_is_there_from_its_reading_to_the_end_of_the_pull()
    {
        var read = (2, Noted(NetEvent.Read, mgL: 5));
        Assert.Null(Tally([], [read]).Crowd(Began));
        Assert.Equal(5, Tally([], [read]).Crowd(Began.AddMinutes(9))!.Value.Noted.DoMgL);
        Assert.Null(Tally([], [read, (5, Noted(NetEvent.PullDone))]).Crowd(Began.AddMinutes(9)));
        Assert.Null(Tally([], [read], 99).Crowd(Began.AddMinutes(9)));
        Assert.Null(Tally([], [read]).Crowd(Began.AddHours(3)));
    }

    [Fact]
    public void Damage_is_judged_by_how_many_of_twenty()
    {
        Status? Of20(int? n) =>
            new NetDayClosed(1, 7, false, "") { DamagedOf20 = n }
                .Damage
                ?.Status;
        Assert.Null(Of20(null));
        Assert.Equal(
            [Status.Steady, Status.Steady, Status.Watch, Status.ActNow],
            new[] { 0, 1, 2, 5 }.Select(n => Of20(n)!.Value)
        );
    }
}
