using Dorsk.Core.Ponds;

namespace Dorsk.Core.Tests.Ponds;

public class ConstructionTests
{
    [Fact]
    public void A_pond_dug_for_a_volume_holds_it_and_moves_more_earth_with_flatter_banks()
    {
        var chance = new Random(8);
        for (var i = 0; i < 500; i++)
        {
            var (volume, depth, free) = (
                chance.Next(200, 20_000),
                0.5 + (2 * chance.NextDouble()),
                chance.NextDouble()
            );
            foreach (var soil in Enum.GetValues<BankSoil>())
            {
                var (hand, machine) = (
                    EarthWork.For(volume, depth, free, EarthWork.Slope(soil, false)),
                    EarthWork.For(volume, depth, free, EarthWork.Slope(soil, true))
                );
                foreach (
                    var (e, z) in new[] { (hand, EarthWork.Slope(soil, false)), (machine, EarthWork.Slope(soil, true)) }
                )
                    if (e is not null)
                        Assert.Equal(
                            volume,
                            new SlopedRectangle(e.LengthM, e.WidthM, depth, z).FullVolumeM3,
                            volume * 1e-9
                        );
                if (hand is not null && machine is not null)
                    Assert.True(
                        machine.LandM2 > hand.LandM2 && machine.DugM3 >= hand.DugM3 - 1e-6 && hand.DugM3 >= volume
                    );
            }
        }
        // Walls by hand: 600 m³, 1 m deep, 20 × 30; with 0.5 m over the water 900 m³.
        var walls = EarthWork.For(600, 1, 0.5, 0)!;
        Assert.Equal((30, 20, 900, 600), (walls.LengthM, walls.WidthM, walls.DugM3, walls.LandM2), (a, b) =>
            Math.Abs(a.Item1 - b.Item1)
                + Math.Abs(a.Item2 - b.Item2)
                + Math.Abs(a.Item3 - b.Item3)
                + Math.Abs(a.Item4 - b.Item4)
            < 1e-6
        );
        Assert.Null(EarthWork.For(5, 2, 0.5, 3));
    }

    [Fact]
    public void A_sheet_covers_floor_and_walls_and_a_quotation_leaves_out_what_is_not_there()
    {
        var chance = new Random(4);
        var prices = new Quotation.Prices(4, 6, 20, 10, 260, 1, 100, 50, 10, 30, 2, 40);
        for (var i = 0; i < 300; i++)
            foreach (var kind in Enum.GetValues<BuildKind>())
            {
                var body = new BuildBody(
                    kind,
                    8 + (40 * chance.NextDouble()),
                    8 + (20 * chance.NextDouble()),
                    0.4 + chance.NextDouble(),
                    2 * chance.NextDouble(),
                    chance.NextDouble()
                );
                Assert.Empty(body.Check());
                var wet =
                    kind is BuildKind.Lined ? body.Water.FullAreaM2
                    : kind is BuildKind.RoundFrame or BuildKind.LongFrame ? body.Water.FullAreaM2 + body.WallM2
                    : 0;
                Assert.True(wet == 0 ? body.LinerM2 == 0 : body.LinerM2 > wet, $"{body}: {body.LinerM2} for {wet}");
                var quote = Quotation.For(body, prices, 0.1);
                Assert.Equal(quote.Lines.Sum(l => l.Amount * l.Each) * 1.1, quote.Total, 6);
                Assert.All(quote.Lines, l => Assert.True(l.Amount > 0));
                Assert.Equal(
                    kind is BuildKind.Earthen or BuildKind.Lined,
                    quote.Lines.Any(l => l.What == "earth to move")
                );
                Assert.Equal(kind is BuildKind.Concrete, quote.Lines.Any(l => l.What == "concrete"));
            }
    }

    [Fact]
    public void Costs_by_hand_and_a_liner_that_does_not_last()
    {
        // 1,000 to build, 12 cycles, liners of 400 for 4 cycles (three of them), 100 back in the end, 50 a cycle: 2,700 in all, 225 a cycle, 0.45 a kg of 500.
        var tank = new BuildChoice(1000, 12, 400, 4, -100, 50, 500, 20);
        Assert.Equal(
            (3, 2700.0, 225.0, 0.45, 70.0),
            (tank.Liners, tank.Whole, tank.PerCycle, tank.PerKg, tank.FirstPerM3)
        );
        // Lasting 3 cycles: four liners; 5: still three, the last half used.
        Assert.Equal((4, 3), ((tank with { LinerCycles = 3 }).Liners, (tank with { LinerCycles = 5 }).Liners));
        // 0.5 left a kg: 200 a cycle; 1,400 first, another 400 after the fourth and the eighth: -1,000 after 4, -600 after 8, nought after 11.
        Assert.Equal(11, tank.PaysBackAfter(0.5));
        Assert.Equal(2, (tank with { Liner = 0 }).PaysBackAfter(1.2));
        Assert.Null(tank.PaysBackAfter(0.2));
    }
}
