using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Tests.Fish;

/// <summary>A net day at the door: begun through the gate, baskets once, closed into the ledger, and nothing counted twice after.</summary>
public class NetDayTests
{
    private static DateTimeOffset Day(double day) => TestFarm.Start.AddDays(day);

    private static (TestFarm Farm, long Batch, long Net) Begun()
    {
        var farm = new TestFarm();
        farm.Clock.Now = Day(60);
        var batch = farm.Stock(meanG: 400);
        var net = farm.Must(new NetDayBegun(0, farm.PondId, batch, 30, 0, 350, 420, 400, ""), Day(20));
        return (farm, batch, net);
    }

    private static BasketWeighed Basket(TestFarm farm, long net, double gross, NetFate fate = NetFate.OnIce) =>
        new(net, farm.PondId, 1, fate, gross, 2);

    private static int InPond(TestFarm farm, long batch) =>
        farm.Movements(batch)
            .SelectMany(m => m.Postings)
            .Where(p => p.Account == Account.Pond && p.PondId == farm.PondId)
            .Sum(p => p.Count);

    private static Entry Close(TestFarm farm, long batch, long net, double kg, int count) =>
        new(
            Guid.NewGuid(),
            "Manager",
            [
                new(
                    Day(20.2),
                    new FishHarvested(farm.PondId, batch, count, kg, CountBasis.ByWeight, Account.Harvested, false, ""),
                    "",
                    null
                ),
                new(Day(20.2), new NetDayClosed(net, farm.PondId, false, ""), "", null),
            ],
            []
        );

    [Fact]
    public void A_basket_sent_twice_stands_once_and_a_closed_one_stays()
    {
        var (farm, batch, net) = Begun();
        using var keep = farm;
        var first = farm.Must(Basket(farm, net, 18), Day(20.01));
        farm.Must(Basket(farm, net, 22), Day(20.02));
        var id = Guid.NewGuid();
        Entry Twice() => new(id, "hand", [new(Day(20.03), Basket(farm, net, 20), "", null)], []);
        Assert.True(farm.Door.Enter(Twice()).Accepted);
        Assert.True(farm.Door.Enter(Twice()).Accepted);
        var tally = Assert.Single(farm.Questions.Story("P1")!.Net.Open);
        Assert.Equal(54, tally.Taken.Kg, 9);
        Assert.Equal(135, tally.Taken.Count, 9);
        // Nothing is in the ledger before the close.
        var before = InPond(farm, batch);
        Assert.True(farm.Door.Enter(Close(farm, batch, net, tally.Taken.Kg, 135)).Accepted);
        Assert.Equal(before - 135, InPond(farm, batch));
        Assert.Empty(farm.Questions.Story("P1")!.Net.Open);
        var refused = farm.Try(null, Day(20.3), first);
        Assert.Contains(refused.Remarks, r => r.Text.Contains("stands in the ledger", StringComparison.Ordinal));
        // Closed once more there is nothing to close.
        Assert.False(farm.Door.Enter(Close(farm, batch, net, 54, 135)).Accepted);
    }

    [Fact]
    public void A_basket_after_the_close_waits_and_the_close_opens_only_when_the_ledger_is_free_of_it()
    {
        var (farm, batch, net) = Begun();
        using var keep = farm;
        farm.Must(Basket(farm, net, 18), Day(20.01));
        var receipt = farm.Door.Enter(Close(farm, batch, net, 16, 40));
        Assert.True(receipt.Accepted);
        var (harvest, close) = (receipt.Lines[0], receipt.Lines[1]);
        // A phone that had no signal comes back: its basket was weighed before the close.
        farm.Must(Basket(farm, net, 12), Day(20.02));
        var open = Assert.Single(farm.Questions.Story("P1")!.Net.Open);
        Assert.Equal(10, open.Sum(open.Waiting).Kg, 9);
        var corrected = farm.Try(new NetDayClosed(net, farm.PondId, false, "windy"), Day(20.2), close);
        Assert.Contains(corrected.Remarks, r => r.Text.Contains("after this close", StringComparison.Ordinal));
        var refused = farm.Try(null, Day(21), close);
        Assert.Contains(refused.Remarks, r => r.Text.Contains($"line {harvest}", StringComparison.Ordinal));
        Assert.True(farm.Try(null, Day(21), harvest).Accepted);
        Assert.True(farm.Try(null, Day(21.1), close).Accepted);
        Assert.Equal(2, Assert.Single(farm.Questions.Story("P1")!.Net.Open).Waiting.Count);
    }

    [Fact]
    public void One_net_at_a_time_and_none_taken_back_that_has_baskets()
    {
        var (farm, batch, net) = Begun();
        using var keep = farm;
        var second = farm.Try(new NetDayBegun(0, farm.PondId, batch, 30, 0, 1, 2, 400, ""), Day(20.1));
        Assert.Contains(second.Remarks, r => r.Text.Contains("Close that tally first", StringComparison.Ordinal));
        farm.Must(Basket(farm, net, 18), Day(20.01));
        Assert.Contains(farm.Try(null, Day(20.2), net).Remarks, r =>
            r.Text.Contains("1 baskets were weighed", StringComparison.Ordinal)
        );
        Assert.False(farm.Try(Basket(farm, net + 1, 18), Day(20.1)).Accepted);
    }

    [Fact]
    public void The_net_passes_the_gate_of_a_harvest_and_what_is_not_arranged_is_asked()
    {
        using var farm = new TestFarm();
        farm.Clock.Now = Day(20.001);
        var batch = farm.Stock(meanG: 400);
        var day = new NetDayBegun(0, farm.PondId, batch, 30, 0, 350, 420, 400, "");
        List<string> Asked() =>
            [.. farm.Door.Enter(Entry.Of(Guid.NewGuid(), "hand", Day(20), day, "")).Remarks.Select(r => r.Text)];
        Assert.Contains(Asked(), t => t.Contains("taste:", StringComparison.Ordinal));
        Assert.Contains(Asked(), t => t.Contains("truck: nobody wrote it down", StringComparison.Ordinal));
        var on = farm.Questions.Story("P1")!.Zone.DayOf(Day(20));
        foreach (var thing in Enum.GetValues<Arranged>())
            farm.Must(new HarvestArranged(farm.PondId, on, thing, ArrangedState.Booked, "x"), Day(19.9));
        Assert.DoesNotContain(Asked(), t => t.Contains("nobody wrote it down", StringComparison.Ordinal));
        // What is left of the gate is passed with a reason, which is kept.
        Assert.Contains(Asked(), t => t.Contains("taste:", StringComparison.Ordinal));
        Assert.True(farm.Try(day with { Reason = "the buyer tasted them" }, Day(20)).Accepted);
    }

    [Fact]
    public void Air_in_the_net_rings_in_the_verdict_of_the_pond()
    {
        var (farm, batch, net) = Begun();
        using var keep = farm;
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 6), new(Parameter.Temperature, 26)]), Day(20));
        farm.Must(new NetNoted(net, farm.PondId, NetEvent.Read, 1, 4, 400, ""), Day(20.01));
        var found = farm.Questions.Story("P1")!.NowAt(Day(20.012)).Verdict.Findings.First(f => f.Rule == "net");
        Assert.Equal(Status.ActNow, found.Status);
        Assert.True(found.Rings);
        farm.Must(new NetNoted(net, farm.PondId, NetEvent.PullDone, 1, null, null, ""), Day(20.015));
        Assert.DoesNotContain(farm.Questions.Story("P1")!.NowAt(Day(20.016)).Verdict.Findings, f => f.Rule == "net");
    }

    [Fact]
    public void A_lot_leads_to_the_lots_of_its_feed_and_an_order_to_what_was_delivered()
    {
        using var farm = new TestFarm();
        farm.Clock.Now = Day(60);
        var batch = farm.Stock(meanG: 400);
        var feed = farm.Must(new Core.Feeding.FeedNamed(0, "grower", 4, 35, 150), Day(0));
        farm.Must(new Core.Feeding.FeedReceived(feed, "L1", 30, new DateOnly(2029, 1, 1)), Day(2));
        farm.Must(new Core.Feeding.FeedReceived(feed, "L2", 30, new DateOnly(2029, 2, 1)), Day(3));
        farm.Must(new Core.Feeding.FeedReceived(feed, "L3", 30, new DateOnly(2029, 3, 1)), Day(4));
        foreach (var day in new[] { 5, 6, 7 })
            farm.Must(new Core.Feeding.FeedingGiven(farm.PondId, feed, 12), Day(day));
        var lot = farm.Must(
            new FishHarvested(farm.PondId, batch, 200, 90, CountBasis.Counted, Account.Harvested, false, ""),
            Day(20)
        );
        var fed = Assert.Single(Assert.Single(farm.Questions.Trace(lot)!.Stays).Feeds);
        // 36 kg: all of the first lot and some of the second.
        Assert.Equal(["L1", "L2"], fed.Lots);
        var buyer = farm.Must(new BuyerDescribed(0, "Plant", BuyerKind.Plant, false), Day(10));
        var order = farm.Must(
            new FishOrdered(
                0,
                buyer,
                "silver_perch",
                FishForm.WholeOnIce,
                300,
                60,
                DateOnly.FromDateTime(Day(21).UtcDateTime),
                false,
                ""
            ),
            Day(12)
        );
        farm.Must(
            new FishSold(farm.PondId, lot, LotUse.Sold, buyer, FishForm.WholeOnIce, 25, 0, 0)
            {
                OrderId = order,
                MinorPerKg = 900,
            },
            Day(20.5)
        );
        var (_, _, delivered) = Assert.Single(farm.Questions.Orders());
        Assert.Equal(25, delivered, 9);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public void Over_any_baskets_voids_and_closes_no_fish_comes_or_goes(int seed)
    {
        var (farm, batch, net) = Begun();
        using var keep = farm;
        var aside = farm.Must(
            new Core.Ponds.PondBuilt(
                new(0, "B9", "", Core.Ponds.PondKind.Earthen, new Core.Ponds.SlopedRectangle(20, 10, 1.2, 2), "brood")
            ),
            Day(1)
        );
        var random = new Random(seed);
        var (before, closed) = (InPond(farm, batch), (Kg: 0.0, Fish: 0.0));
        List<long> open = [];
        for (var i = 0; i < 60; i++)
        {
            var at = Day(20.01 + (i * 0.001));
            if (open.Count > 2 && random.Next(8) == 0)
            {
                var line = open[random.Next(open.Count)];
                Assert.True(farm.Try(null, at, line).Accepted);
                open.Remove(line);
            }
            else if (open.Count > 0 && random.Next(12) == 0)
            {
                var taken = CloseAll(farm, net, aside, at);
                closed = (closed.Kg + taken.Kg, closed.Fish + taken.Count);
                open.Clear();
            }
            else
                open.Add(
                    farm.Must(
                        new BasketWeighed(net, farm.PondId, 1, (NetFate)random.Next(6), 4 + random.Next(3), 2)
                        {
                            Count = random.Next(3) == 0 ? 5 + random.Next(6) : null,
                        },
                        at
                    )
                );
        }
        var postings = farm.Movements(batch).SelectMany(m => m.Postings).ToList();
        Assert.Equal(0, postings.Sum(p => p.Count));
        int At(long pond) => postings.Where(p => p.Account == Account.Pond && p.PondId == pond).Sum(p => p.Count);
        double Kg(params Account[] to) => postings.Where(p => to.Contains(p.Account)).Sum(p => p.MassG) / 1000;
        // Whole fish for each way of each close: half a fish of rounding at most.
        Assert.Equal(closed.Fish, before - At(farm.PondId), 20.0);
        var asideKg = postings.Where(p => p.Account == Account.Pond && p.PondId == aside).Sum(p => p.MassG) / 1000;
        var dead = farm.Questions.NetDay(net)!.Of(NetFate.Dead).Kg;
        Assert.InRange(
            Kg(Account.Harvested, Account.SoldAlive, Account.MovedOff) + asideKg,
            closed.Kg - dead - 1e-6,
            closed.Kg + 1e-6
        );
    }

    private static NetSum CloseAll(TestFarm farm, long net, long aside, DateTimeOffset at)
    {
        var tally = farm.Questions.NetDay(net)!;
        var facts = NetClose.Facts(tally, aside, "birds", new NetDayClosed(net, farm.PondId, false, ""));
        var entry = new Entry(Guid.NewGuid(), "Manager", [.. facts.Select(f => new NewLine(at, f, "", null))], []);
        var receipt = farm.Door.Enter(entry);
        if (!receipt.Accepted)
            receipt = farm.Door.Enter(entry with { Meant = [.. receipt.Remarks.Select(r => r.Text)] });
        Assert.True(receipt.Accepted, string.Join(" ", receipt.Remarks.Select(r => r.Text)));
        return tally.Sum(tally.Waiting.Where(b => b.Weighed.Fate != NetFate.Returned));
    }
}
