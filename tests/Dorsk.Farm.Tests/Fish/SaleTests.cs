using Dorsk.Core.Harvest;
using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;
using Dorsk.Farm.Tests.Facts;

namespace Dorsk.Farm.Tests.Fish;

/// <summary>Sales take no more than was harvested, hold what was sold against a harvest that is taken back, and are traced both ways.</summary>
public class SaleTests
{
    private static DateTimeOffset Day(double day) => TestFarm.Start.AddDays(day);

    private static (TestFarm Farm, long Batch, long Lot, long Buyer) Sold()
    {
        var farm = new TestFarm();
        farm.Clock.Now = Day(60);
        var batch = farm.Stock(meanG: 400);
        farm.Must(new PondWorked(farm.PondId, PondWork.TastePassed, "clean", null), Day(18));
        var lot = farm.Must(
            new FishHarvested(farm.PondId, batch, 200, 90, CountBasis.Counted, Account.Harvested, false, ""),
            Day(20)
        );
        var buyer = farm.Must(new BuyerDescribed(0, "Plant at the river", BuyerKind.Plant, false), Day(19));
        return (farm, batch, lot, buyer);
    }

    private static FishSold Sale(TestFarm farm, long lot, long? buyer, double grossKg) =>
        new(farm.PondId, lot, LotUse.Sold, buyer, FishForm.WholeOnIce, grossKg, 2, 1.5)
        {
            MinorPerKg = 1400,
            TempC = 1,
        };

    [Fact]
    public void A_sale_takes_no_more_than_was_harvested_and_not_sold()
    {
        var (farm, _, lot, buyer) = Sold();
        using var keep = farm;
        farm.Must(Sale(farm, lot, buyer, 43), Day(20.2));
        Assert.Equal(50, Assert.Single(farm.Questions.Lots()).Lot.LeftKg, 6);
        // Gutted at 80 % of the live weight, 40 kg are 50 kg of live fish: just what is left, and not a kilogram more.
        var gutted = Sale(farm, lot, buyer, 43) with { Form = FishForm.Gutted, Yield = 0.8 };
        Assert.False(farm.Try(gutted with { GrossKg = 44 }, Day(20.3)).Accepted);
        farm.Must(gutted, Day(20.3));
        Assert.Equal(0, Assert.Single(farm.Questions.Lots()).Lot.LeftKg, 6);
        var spoiled = Sale(farm, lot, null, 3.2) with { Use = LotUse.Spoiled, MinorPerKg = null };
        Assert.False(farm.Try(spoiled, Day(20.4)).Accepted);
        Assert.Equal([56_000, 56_000], farm.Questions.Lots()[0].Lot.Sales.Select(s => s.Fact.MoneyMinor!.Value));
    }

    [Theory]
    [InlineData("tare", "weigh")]
    [InlineData("nobody", "Choose who buys")]
    [InlineData("elsewhere", "Choose a harvest of this pond")]
    [InlineData("early", "before they were taken out")]
    [InlineData("yield", "10 to 100 %")]
    [InlineData("discount", "0 to 100 %")]
    public void What_cannot_be_is_refused_in_words(string what, string told)
    {
        var (farm, _, lot, buyer) = Sold();
        using var keep = farm;
        var sale = Sale(farm, lot, buyer, 43);
        var tried = what switch
        {
            "tare" => farm.Try(sale with { TareKg = 22 }, Day(21)),
            "nobody" => farm.Try(sale with { BuyerId = null }, Day(21)),
            "elsewhere" => farm.Try(sale with { HarvestLine = buyer }, Day(21)),
            "early" => farm.Try(sale, Day(19.5)),
            "yield" => farm.Try(sale with { Yield = 0 }, Day(21)),
            _ => farm.Try(sale with { DiscountPct = 120 }, Day(21)),
        };
        Assert.False(tried.Accepted);
        Assert.Contains(tried.Remarks, r => r.Text.Contains(told, StringComparison.OrdinalIgnoreCase));
    }

    [Fact]
    public void A_harvest_that_was_sold_is_not_taken_back_and_keeps_its_number_when_corrected()
    {
        var (farm, batch, lot, buyer) = Sold();
        using var keep = farm;
        var sale = farm.Must(Sale(farm, lot, buyer, 43), Day(20.2));
        var back = farm.Door.Enter(new Entry(Guid.NewGuid(), "Manager", [new(Day(30), null, "", lot)], []));
        Assert.False(back.Accepted);
        Assert.Contains(back.Remarks, r => r.Text.Contains($"line {sale}", StringComparison.Ordinal));
        Receipt Corrected(double kg) =>
            farm.Door.Enter(
                new Entry(
                    Guid.NewGuid(),
                    "Manager",
                    [
                        new(
                            Day(20),
                            new FishHarvested(
                                farm.PondId,
                                batch,
                                190,
                                kg,
                                CountBasis.Counted,
                                Account.Harvested,
                                false,
                                ""
                            ),
                            "corrected",
                            lot
                        ),
                    ],
                    []
                )
            );
        Assert.Contains(Corrected(30).Remarks, r => r.Text.Contains("are sold or used", StringComparison.Ordinal));
        var corrected = Corrected(85);
        Assert.True(corrected.Accepted, string.Join("; ", corrected.Remarks.Select(r => r.Text)));
        var now = Assert.Single(farm.Questions.Lots()).Lot;
        Assert.Equal(lot, now.Line);
        Assert.Equal(45, now.LeftKg, 6);
    }

    [Fact]
    public void Fish_taken_out_inside_a_withdrawal_written_down_late_are_sold_by_nobody()
    {
        var (farm, _, lot, buyer) = Sold();
        using var keep = farm;
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Temperature, 25)]), Day(15));
        var product = farm.Must(FactFarm.Labelled("Premix", 10) with { WithdrawalDays = 20 }, Day(12));
        farm.Must(new TreatmentGiven(farm.PondId, product, 50_000, 1, "made up", ""), Day(15));
        var tried = farm.Try(Sale(farm, lot, buyer, 43), Day(21));
        Assert.Contains(tried.Remarks, r =>
            r.Kind == Objection.Refuse && r.Text.Contains("nobody can pass", StringComparison.Ordinal)
        );
        farm.Must(Sale(farm, lot, null, 43) with { Use = LotUse.Spoiled, MinorPerKg = null }, Day(21));
        // From the treatment to the lot, and from the lot to the treatment.
        Assert.Contains(farm.Questions.Trace(lot)!.Stays.SelectMany(s => s.Treatments), t =>
            t.Product.Name == "Premix"
        );
    }

    [Fact]
    public void Residues_go_along_into_the_next_pond()
    {
        var (farm, batch, _, buyer) = Sold();
        using var keep = farm;
        var other = farm.Must(
            new PondBuilt(new Pond(0, "P2", "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            Day(0)
        );
        farm.Must(new FishMoved(farm.PondId, other, batch, 300, 400, CountBasis.Counted), Day(24));
        var lot = farm.Must(
            new FishHarvested(other, batch, 100, 42, CountBasis.Counted, Account.Harvested, false, ""),
            Day(26)
        );
        // Written down late: by then they had been moved, taken out of the second pond, and nobody knew.
        var product = farm.Must(FactFarm.Labelled("Premix", 10) with { WithdrawalDays = 20 }, Day(12));
        farm.Must(new TreatmentGiven(farm.PondId, product, 50_000, 1, "made up", ""), Day(22));
        var tried = farm.Try(Sale(farm, lot, buyer, 23) with { PondId = other }, Day(27));
        Assert.Contains(tried.Remarks, r =>
            r.Kind == Objection.Refuse && r.Text.Contains("withdrawal of Premix", StringComparison.Ordinal)
        );
        Assert.Contains(farm.Questions.Trace(lot)!.Stays, s => s is { Pond: "P1", Held: not null });
    }

    [Fact]
    public void Every_kilogram_sold_leads_to_stockings_whose_numbers_add_up()
    {
        using var farm = new TestFarm();
        farm.Clock.Now = Day(80);
        var chance = new Random(11);
        var other = farm.Must(
            new PondBuilt(new Pond(0, "P2", "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            Day(0)
        );
        var batch = farm.Stock(count: 3000, meanG: 300);
        farm.Must(new FishMoved(farm.PondId, other, batch, 1000, 300, CountBasis.Counted), Day(10));
        var buyer = farm.Must(new BuyerDescribed(0, "Trader", BuyerKind.Trader, false), Day(10));
        for (var i = 0; i < 12; i++)
        {
            var pond = chance.Next(2) == 0 ? farm.PondId : other;
            var count = 20 + chance.Next(40);
            var lot = farm.Must(
                new FishHarvested(pond, batch, count, count * 0.3, CountBasis.Counted, Account.Harvested, false, ""),
                Day(20 + i)
            );
            for (var left = count * 0.3; left > 3; left -= 3)
                farm.Must(
                    new FishSold(pond, lot, LotUse.Sold, buyer, FishForm.WholeOnIce, 3, 0, 0) { MinorPerKg = 1500 },
                    Day(20.5 + i)
                );
        }
        var lots = farm.Questions.Lots();
        Assert.Equal(12, lots.Count);
        foreach (var lot in lots)
        {
            var trace = farm.Questions.Trace(lot.Lot.Line)!;
            Assert.Equal(3000, trace.Origins.Sum(o => o.Count));
            Assert.InRange(lot.Lot.Sales.Sum(s => s.Fact.LiveKg), 0.1, lot.Lot.Harvest.MassKg + 1e-6);
            // Fish taken from the second pond stood in the first before.
            Assert.Contains(trace.Stays, s => s.Pond == lot.Story.Pond.Code);
            Assert.Equal("P1", trace.Stays[0].Pond);
        }
        Assert.True(lots.Sum(l => l.Lot.Harvest.Count) <= 3000);
    }
}
