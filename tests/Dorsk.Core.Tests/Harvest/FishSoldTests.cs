using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Harvest;

/// <summary>Weights, money and questions of a sale, and which price of the list holds.</summary>
public class FishSoldTests
{
    private static readonly DateTimeOffset Taken = new(2027, 1, 20, 6, 0, 0, TimeSpan.Zero);
    private static readonly LotLeft Lot = new(
        new(1, 2, 500, 250, CountBasis.Counted, Account.Harvested, true, ""),
        Taken,
        100,
        new(2027, 1, 18),
        null
    );

    private static readonly FishSold Sale = new(1, 9, LotUse.Sold, 4, FishForm.Gutted, 46, 4, 1.5)
    {
        Yield = 0.8,
        MinorPerKg = 1500,
        DiscountPct = 10,
        TempC = 2,
    };

    private static List<Remark> Of(FishSold sale, LotLeft? lot = null) =>
        [.. sale.Check(lot ?? Lot, Taken.AddHours(5), Hand.Metric)];

    [Fact]
    public void Weights_and_money_by_hand()
    {
        // 46 kg less four crates of 1.5: 40 kg; 50 kg alive; 40 × 15.00 less a tenth: 540.00.
        Assert.Equal((40, 50, 54_000L), (Sale.NetKg, Sale.LiveKg, Sale.MoneyMinor!.Value));
        Assert.Empty(Of(Sale));
        // Feed of 11.20 a kilogram alive is 14.00 a kilogram gutted: the price after discount, 13.50, lies half under it.
        Assert.Equal(50, Sale.UnderFeedCost(1120), 6);
        Assert.Equal(0, Sale.UnderFeedCost(1000), 6);
        Assert.Equal(0, (Sale with { MinorPerKg = null }).UnderFeedCost(5000));
    }

    [Fact]
    public void What_is_doubtful_is_asked_and_what_hurts_is_refused()
    {
        bool Asks(FishSold s, string word, LotLeft? lot = null) =>
            Of(s, lot).Any(r => r.Kind == Objection.Ask && r.Text.Contains(word, StringComparison.Ordinal));
        bool Refuses(FishSold s, string word, LotLeft? lot = null) =>
            Of(s, lot).Any(r => r.Kind == Objection.Refuse && r.Text.Contains(word, StringComparison.Ordinal));
        Assert.True(Asks(Sale with { TempC = 9 }, "too warm"));
        Assert.True(Asks(Sale with { MinorPerKg = null }, "No price"));
        Assert.True(Asks(Sale, "No taste test", Lot with { TasteOn = null }));
        Assert.True(Asks(Sale, "sold dead", Lot with { Harvest = Lot.Harvest with { To = Account.SoldAlive } }));
        Assert.True(Refuses(Sale with { GrossKg = 87 }, "are not sold yet"));
        Assert.True(
            Refuses(Sale, "nobody can pass it", Lot with { Residue = "withdrawal of Premix until 3 Feb 2027" })
        );
        // What is thrown away is neither tasted nor held back.
        Assert.Empty(
            Of(
                Sale with
                {
                    Use = LotUse.Spoiled,
                    BuyerId = null,
                    MinorPerKg = null,
                },
                Lot with
                {
                    Residue = "withdrawal",
                    TasteOn = null,
                }
            )
        );
    }

    [Fact]
    public void The_buyers_own_price_comes_first_then_the_largest_size_that_is_reached_then_the_newest()
    {
        PriceListed P(long? buyer, double fromG, long? price, FishForm form = FishForm.WholeOnIce) =>
            new(buyer, "silver_perch", form, fromG, price);
        List<PriceListed> list =
        [
            P(null, 0, 900),
            P(null, 500, 1100),
            P(7, 0, 1000),
            P(null, 0, 950),
            P(null, 800, 1500),
        ];
        long? For(long? buyer, double meanG, FishForm form = FishForm.WholeOnIce) =>
            PriceList.For(list, buyer, "silver_perch", form, meanG)?.MinorPerKg;
        Assert.Equal(950, For(null, 450));
        Assert.Equal(1100, For(null, 500));
        Assert.Equal(1500, For(3, 900));
        Assert.Equal(1000, For(7, 900));
        Assert.Null(For(null, 450, FishForm.Fillet));
        list.Add(P(null, 500, null));
        Assert.Equal(950, For(null, 600));
    }
}
