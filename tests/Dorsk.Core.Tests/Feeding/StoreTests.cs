using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Species;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Feeding;

/// <summary>The store's books, what is wanted ahead, and changes of feed.</summary>
public class StoreTests
{
    private static readonly DateTimeOffset T0 = new(2026, 9, 1, 8, 0, 0, TimeSpan.Zero);
    private static readonly DateOnly Day0 = new(2026, 9, 1);
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");

    [Property(MaxTest = 300)]
    public Property No_store_is_negative_and_every_kg_has_a_name(PositiveInt seed)
    {
        var random = new Random(seed.Get);
        var moves = Enumerable
            .Range(0, 60)
            .Select(i => new StoreMove(
                T0.AddHours(i),
                (StoreMoveKind)random.Next(4),
                random.Next(0, 300),
                random.Next(3) == 0 ? "L" + random.Next(4) : "",
                random.Next(2) == 0 ? Day0.AddDays(random.Next(200)) : null
            ))
            .ToList();
        var ledger = StoreLedger.Of(moves, T0.AddYears(1));
        double Sum(StoreMoveKind kind) => moves.Where(m => m.Kind == kind).Sum(m => m.Kg);
        var books =
            Sum(StoreMoveKind.In)
            - Sum(StoreMoveKind.Fed)
            - Sum(StoreMoveKind.Taken)
            + ledger.Differences.Sum(d => d.Kg);
        return (
            ledger.Lots.All(l => l.LeftKg > 0 && l.LeftKg <= l.ReceivedKg + 1e-9)
            && Math.Abs(books - ledger.LeftKg) < 1e-6
            && ledger
                .Lots.Zip(ledger.Lots.Skip(1))
                .All(p => (p.First.Expiry ?? DateOnly.MaxValue) <= (p.Second.Expiry ?? DateOnly.MaxValue))
        ).ToProperty();
    }

    [Fact]
    public void What_expires_first_goes_first_and_more_than_there_is_gets_a_name()
    {
        List<StoreMove> moves =
        [
            new(T0, StoreMoveKind.In, 100, "A", Day0.AddDays(90), 210),
            new(T0.AddHours(1), StoreMoveKind.In, 50, "B", Day0.AddDays(30), 230),
            new(T0.AddHours(2), StoreMoveKind.Fed, 60),
        ];
        var ledger = StoreLedger.Of(moves, T0.AddDays(1));
        Assert.Equal(("A", 90.0), (ledger.Lots[0].Lot, ledger.Lots[0].LeftKg));
        Assert.Equal(90 * 210, ledger.ValueMinor(null));
        var over = StoreLedger.Of([.. moves, new(T0.AddHours(3), StoreMoveKind.Fed, 130)], T0.AddDays(1));
        Assert.Equal(
            (0.0, 40.0, StoreLedger.BeyondBooks),
            (over.LeftKg, over.Differences[0].Kg, over.Differences[0].Name)
        );
        var counted = StoreLedger.Of(
            [.. moves, new(T0.AddHours(3), StoreMoveKind.Counted, 82, Words: "rats")],
            T0.AddDays(1)
        );
        Assert.Equal(
            (82.0, -8.0, "rats"),
            (counted.LeftKg, Math.Round(counted.Differences[0].Kg, 6), counted.Differences[0].Name)
        );
        Assert.Single(new StoreCounted(1, 82, "").Check(90));
        Assert.Empty(new StoreCounted(1, 90.2, "").Check(90));
    }

    [Fact]
    public void An_order_is_placed_in_time_and_in_whole_bags()
    {
        var demand = new KindDemand(Day0, [.. Enumerable.Repeat(10.0, 120)]);
        // 205 kg last 20 days; on day 20 (the 21st) they do not: less 6 for the road and 4 to be safe.
        var order = OrderProposal.Of(demand, 205, null, 25);
        Assert.Equal(
            (Day0.AddDays(20), Day0.AddDays(10), 300.0),
            (order.RunsOut!.Value, order.OrderBy!.Value, order.Kg)
        );
        Assert.Equal(325, OrderProposal.Of(new(Day0, [.. Enumerable.Repeat(10.3, 120)]), 205, null, 25).Kg);
        Assert.Null(OrderProposal.Of(demand, 5000, null, 25).OrderBy);
    }

    [Fact]
    public void Feed_ahead_is_the_gain_by_feed_per_gain_and_changes_by_quarters()
    {
        var ahead = Enumerable
            .Range(0, 200)
            .Select(i => new WeightAhead(Day0.AddDays(i), new Dorsk.Core.Judging.Interval(10 + (0.5 * i), 0, 0, 0.8)))
            .ToList();
        var wanted = FeedAhead.Of(ahead, _ => 1000, Perch, _ => 25, Day0.AddDays(150));
        Assert.Equal(150, wanted.Count);
        Assert.All(wanted.Where(w => w.MeanG is > 60 and < 150), w =>
            Assert.Equal(0.5 * DailyGain.Fcr(Perch, w.MeanG), w.Kg, 6)
        );
        (long, double)[] kinds = [(1, 1), (2, 2), (3, 4)];
        var changes = FeedChange.Ahead(Perch, wanted, kinds);
        Assert.NotEmpty(changes);
        foreach (var c in changes)
        {
            Assert.Equal([25, 50, 75, 100], c.Steps.Select(s => s.NewPct));
            Assert.Equal(6, c.Done.DayNumber - c.Steps[0].From.DayNumber);
            Assert.Equal(50, c.NewPctOn(c.Steps[0].From.AddDays(3)));
            Assert.Null(c.NewPctOn(c.Done));
            // Six days' feed, half of it on the whole old and half new by quarters: 0.75, 0.75, 0.5, 0.5, 0.25, 0.25 of old.
            Assert.Equal(
                wanted.Where(w => w.Day >= c.Steps[0].From && w.Day < c.Done).Sum(w => w.Kg),
                c.OldKg + c.NewKg,
                6
            );
        }
        // All that is wanted is parted over the kinds, none twice.
        var byKind = FeedAhead.ByKind([(Perch, wanted)], kinds, Day0, 150);
        Assert.Equal(wanted.Sum(w => w.Kg), byKind.Values.Sum(k => k.Kg.Sum()), 6);
    }

    [Fact]
    public void Weaning_goes_by_quarters_to_dry_feed()
    {
        var first = FirstFeeds.For(Perch)!;
        Assert.Equal((25.0, (7, 14)), (first.WeanFromMm, first.WeanDays!.Value));
        var steps = first.Steps(Day0);
        Assert.Equal([0, 25, 50, 75, 100], steps.Select(s => s.DryPct));
        Assert.Equal(Day0.AddDays(14), steps[^1].Day);
    }
}
