using Dorsk.Core.Feeding;
using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Harvest;

/// <summary>Windows, ways, arrangements, orders and what closed cycles teach; each checked by hand.</summary>
public class HarvestWaysTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");

    [Fact]
    public void Live_fish_are_taken_cooler_than_fish_for_ice_and_every_species_has_its_windows()
    {
        foreach (var species in FishSpecies.All)
        {
            HarvestWindow Of(HarvestPurpose p) => HarvestWindow.Of(species, p);
            Assert.True(Of(HarvestPurpose.Live).HighC < Of(HarvestPurpose.Ice).HighC, species.Key);
            Assert.True(Of(HarvestPurpose.Live).LowC < Of(HarvestPurpose.Fingerlings).LowC, species.Key);
            Assert.All(Enum.GetValues<HarvestPurpose>(), p => Assert.True(Of(p).LowC < Of(p).HighC, species.Key));
        }
        var window = new HarvestWindow(12, 22);
        var spans = window.Spans(
            Enumerable.Range(0, 10).Select(i => (new DateOnly(2027, 4, 1).AddDays(i), i is 3 or 9 ? 25.0 : 20))
        );
        Assert.Equal(
            [
                (new DateOnly(2027, 4, 1), new DateOnly(2027, 4, 3)),
                (new DateOnly(2027, 4, 5), new DateOnly(2027, 4, 9)),
            ],
            spans
        );
    }

    [Fact]
    public void Habits_name_species_of_the_tables() =>
        Assert.All(CatchHabit.Known, key => Assert.NotNull(FishSpecies.Find(key)));

    [Fact]
    public void Cool_water_by_hand_and_by_small_steps()
    {
        Assert.Equal(0, CoolWater.M3(60, 22, 24, 18));
        Assert.Null(CoolWater.M3(60, 28, 24, 24));
        var m3 = CoolWater.M3(60, 28, 24, 18)!.Value;
        var (temp, step) = (28.0, m3 / 100_000);
        for (var i = 0; i < 100_000; i++)
            temp += step / 60 * (18 - temp);
        Assert.Equal(24, temp, 3);
    }

    [Fact]
    public void A_pump_needs_power_by_flow_and_lift_and_the_three_ways_cost_by_hand()
    {
        var pump = new PumpHarvest(2000, 50, 120, 3, 15, 5, 0.3);
        Assert.Equal(40, pump.WaterM3);
        Assert.Equal(40.0 / 120, pump.Hours, 9);
        Assert.Equal(2, pump.Refills);
        Assert.Equal(1.33 * 9.81 * 120 / 3600 * 3 / 0.4, pump.NeedsKW, 9);
        Assert.Equal(pump.SupplyKW, (pump with { LiftM = pump.HighestTableM }).NeedsKW, 9);
        Assert.Equal(3, new PumpHarvest(1, 1, 1, 1, 1, 1, PumpHarvest.MostDropM).SpeedMS, 9);
        var (hours, wages, damage, all) = new HarvestWay("seine", 800, 10, 50, 5).For(2000, 30, 12, 20);
        Assert.Equal((2.5, 750.0, 240.0, 1040.0), (hours, wages, damage, all));
    }

    [Fact]
    public void A_tank_is_drained_lifted_or_crowded()
    {
        var all = new TankHarvest(20, 400, 400, true, true);
        Assert.Equal(TankWay.Drain, all.Way);
        Assert.Equal(TankWay.Crowd, (all with { TakenKg = 100 }).Way);
        Assert.Equal(TankWay.LiftNet, (all with { Kg = 150, TakenKg = 100 }).Way);
        Assert.Equal(TankWay.Crowd, (all with { BasinBelow = false }).Way);
        Assert.Equal(400 / 150.0, all.CrowdedM3, 9);
        Assert.Null(NetAir.Minutes(all.Crowd(Perch, 500, 26, null, 3)));
        Assert.InRange(NetAir.Minutes(all.Crowd(Perch, 500, 26, 7, 3))!.Value, 0.5, 10);
    }

    [Fact]
    public void A_customers_pond_of_92_9_square_metres_bears_464_at_five_a_square_metre()
    {
        Assert.Equal(464, CustomerPond.Of(Perch, 92.9, false, 5)!.Usual);
        var bears = CustomerPond.Of(Perch, 1000, false)!;
        Assert.True(bears.Low <= bears.Usual && bears.Usual <= bears.High);
        Assert.Equal((int)Math.Floor(bears.School.Number.Usual * 1000), bears.Usual);
        var order = new FishOrdered(0, 1, "silver_perch", FishForm.Live, 20, 12, new(2027, 1, 30), false, "")
        {
            Count = 600,
            CustomerM2 = 92.9,
        };
        List<Remark> Check(int? bears) => [.. order.Check(true, new(2027, 1, 21), bears, Hand.Metric)];
        Assert.Contains("bears 464", Assert.Single(Check(464)).Text, StringComparison.Ordinal);
        Assert.Empty(Check(600));
        Assert.Empty(Check(null));
        Assert.Contains(order.Check(false, new(2027, 1, 21), null, Hand.Metric), r => r.Field == "Buyer");
    }

    [Fact]
    public void What_is_arranged_stands_in_the_gate_for_its_purpose_near_its_day()
    {
        var on = new DateOnly(2027, 1, 26);
        HarvestArranged Said(Arranged thing, ArrangedState state, int day = 0) =>
            new(1, on.AddDays(day), thing, state, "Reedmouth");
        HarvestArranged[] said =
        [
            Said(Arranged.Buyer, ArrangedState.NotYet),
            Said(Arranged.Buyer, ArrangedState.Booked),
            Said(Arranged.Truck, ArrangedState.FellThrough),
            Said(Arranged.Crew, ArrangedState.Booked, -20),
        ];
        // A roster of that day says who the crew is, whatever was booked: whole, or with places that nobody takes.
        Condition Crew(params string[] roles) =>
            HarvestArranged
                .Gate(
                    said,
                    on,
                    Account.Harvested,
                    drains: true,
                    new(RosterKind.NetDay, 1, on, [.. roles.Select(r => new RosterPlace(r, 1))])
                )
                .Single(l => l.Name == "crew")
                .State;
        Assert.Equal(Condition.NotMet, Crew("leader", "end1", "end2", "tally"));
        Assert.Equal(Condition.Met, Crew([.. RosterRole.AtNet.Where(r => r.Must).Select(r => r.Key)]));
        var gate = HarvestArranged.Gate(said, on, Account.Harvested, drains: true);
        Condition StateOf(string name) => gate.Single(l => l.Name == name).State;
        Assert.Equal(
            ["buyer", "truck", "ice and crates", "permit for drained water", "crew"],
            gate.Select(l => l.Name)
        );
        Assert.Equal(Condition.Met, StateOf("buyer"));
        Assert.Equal(Condition.NotMet, StateOf("truck"));
        // Three weeks earlier somebody booked a crew for another day.
        Assert.Equal(Condition.Unknown, StateOf("crew"));
        Assert.All(gate.Where(l => l.State != Condition.Met), l => Assert.NotEmpty(l.Do));
        Assert.Contains(
            "hauling",
            HarvestArranged.Gate(said, on, Account.SoldAlive, false)[2].Name,
            StringComparison.Ordinal
        );
    }

    private static FishOrdered Order(
        long id,
        double kg,
        int day,
        double fromG = 0,
        FishForm form = FishForm.WholeOnIce
    ) => new(id, 1, "silver_perch", form, fromG, kg, new DateOnly(2027, 2, 1).AddDays(day), false, "");

    [Fact]
    public void Orders_are_served_in_order_of_their_days_from_what_is_there()
    {
        FishAvailable[] there =
        [
            new(new(2027, 1, 20), "silver_perch", 600, 100),
            new(new(2027, 2, 10), "silver_perch", 450, 500),
            new(new(2027, 1, 20), "jade_perch", 600, 900),
        ];
        var queue = OrderQueue.Of(
            [(Order(1, 300, 20), 0), (Order(2, 80, 1, 500), 0), (Order(3, 50, 2, 500), 0), (Order(4, 40, 3), 40)],
            there
        );
        Assert.Equal([2, 3, 1], queue.Select(q => q.Order.OrderId));
        Assert.Equal(0, queue[0].ShortKg);
        // Twenty are left of the heavy ones: the rest never comes.
        Assert.Equal(30, queue[1].ShortKg, 9);
        Assert.Null(queue[1].CoveredOn);
        Assert.Equal((0, new DateOnly(2027, 2, 10)), (queue[2].ShortKg, queue[2].CoveredOn));
        // Gutted fish take more live weight: 87 kg are a hundred alive.
        var gutted = Assert.Single(OrderQueue.Of([(Order(1, 87, 1, 500, FishForm.Gutted), 0)], there));
        Assert.Equal(0, gutted.ShortKg, 9);
    }

    [Fact]
    public void No_order_takes_fish_twice()
    {
        var random = new Random(7);
        for (var round = 0; round < 200; round++)
        {
            var there = Enumerable
                .Range(0, 4)
                .Select(_ => new FishAvailable(
                    new DateOnly(2027, 2, 1).AddDays(random.Next(30)),
                    "silver_perch",
                    random.Next(300, 800),
                    random.Next(10, 400)
                ))
                .ToList();
            var queue = OrderQueue.Of(
                Enumerable
                    .Range(1, 6)
                    .Select(i => (Order(i, random.Next(10, 300), random.Next(30), random.Next(0, 700)), 0.0)),
                there
            );
            Assert.True(queue.Sum(q => q.CoveredKg) <= there.Sum(a => a.LiveKg) + 1e-6);
            Assert.All(queue, q => Assert.InRange(q.ShortKg, 0, q.OpenKg));
        }
    }

    [Fact]
    public void Closed_cycles_teach_the_next_with_an_interval_that_holds_four_of_five()
    {
        static CycleFigures Cycle(double survival, double fcr, bool closed = true) =>
            new(
                "P1",
                1,
                "",
                default,
                100,
                closed,
                false,
                1,
                20,
                survival,
                500,
                fcr,
                null,
                25,
                1,
                0,
                0,
                [],
                Grounds.Of("", "")
            );
        var one = Learned.Of([Cycle(0.8, 2)], 1.6);
        Assert.Equal(0.8, one.FeedRatio!.Value.Mean, 9);
        Assert.Equal((2, 2, 1), (one.Fcr!.Value.Low, one.Fcr.Value.High, one.Fcr.Value.Cycles));
        Assert.Null(Learned.Of([Cycle(0.8, 2, false)], 1.6).Fcr);
        var random = new Random(3);
        double Draw() => 1.8 + (0.2 * MathNet.Numerics.Distributions.Normal.Sample(random, 0, 1));
        var held = 0;
        for (var i = 0; i < 2000; i++)
        {
            var fcr = Learned.Of([.. Enumerable.Range(0, 4).Select(_ => Cycle(0.8, Draw()))], 1.6).Fcr!.Value;
            held += Draw() is var next && next >= fcr.Low && next <= fcr.High ? 1 : 0;
        }
        Assert.InRange(held / 2000.0, 0.77, 0.83);
    }

    [Fact]
    public void A_lot_of_feed_is_given_out_between_its_first_and_its_last_meal()
    {
        static DateTimeOffset Day(int d) => new(2027, 1, d, 8, 0, 0, TimeSpan.Zero);
        StoreMove[] moves =
        [
            new(Day(1), StoreMoveKind.In, 100, "A", new(2027, 6, 1)),
            new(Day(2), StoreMoveKind.In, 100, "B", new(2027, 7, 1)),
            new(Day(3), StoreMoveKind.Fed, 60),
            new(Day(4), StoreMoveKind.Fed, 60),
            new(Day(5), StoreMoveKind.In, 50, "C", new(2027, 5, 1)),
            new(Day(6), StoreMoveKind.Fed, 30),
            new(Day(7), StoreMoveKind.Counted, 60),
        ];
        Assert.Equal(
            [("A", Day(3), Day(4)), ("B", Day(4), Day(7)), ("C", Day(6), Day(7))],
            StoreLedger.GivenOut(moves).OrderBy(g => g.Lot)
        );
    }
}
