using Dorsk.Core.Harvest;
using Dorsk.Core.Ponds;

namespace Dorsk.Practice;

/// <summary>Trade of the story: buyers, prices, a taste test that failed and its re-test, what became of the harvests.</summary>
public sealed partial class DemoFarm
{
    private static readonly DateOnly TradeFrom = new(2025, 12, 1);

    private static readonly (string Name, BuyerKind Kind)[] BuyersOfStory =
    [
        ("Reedmouth plant", BuyerKind.Plant),
        ("Saturday market", BuyerKind.Market),
    ];

    private static IEnumerable<Told> TradeOf(DateOnly day)
    {
        if (day == TradeFrom)
            return BuyersAndPrices(day);
        // The last crop of P6 tasted of earth after its bloom, and was clean ten days later.
        var crop = DemoScript.Batches.Last(b => b.Pond == "P6" && b.Out is not null);
        if (day == crop.Out!.Value.AddDays(-14))
            return [Tasted(day, PondWork.TasteFailed, "earthy, two of three tasters; the bloom")];
        return day == crop.Out.Value.AddDays(-4) ? [Tasted(day, PondWork.TastePassed, "clean, three tasters")] : [];
    }

    private static IEnumerable<Told> BuyersAndPrices(DateOnly day) =>
        BuyersOfStory
            .Select(b =>
                By(
                    day,
                    9,
                    30,
                    "Manager",
                    "buyer " + b.Name,
                    _ => new BuyerDescribed(0, b.Name, b.Kind, false),
                    "buyer " + b.Name
                )
            )
            .Concat(
                new[]
                {
                    (FishForm.WholeOnIce, 0.0, 980L),
                    (FishForm.WholeOnIce, 500, 1180),
                    (FishForm.Gutted, 0, 1350),
                }.Select(p =>
                    By(day, 9, 40, "Manager", "price", _ => new PriceListed(
                        null,
                        "silver_perch",
                        p.Item1,
                        p.Item2,
                        p.Item3
                    ))
                )
            );

    private static Told Tasted(DateOnly day, PondWork work, string words) =>
        By(day, 10, 0, "Manager", $"P6 {words}", k => new PondWorked(k.Pond("P6"), work, words, null));

    // Crates of 20 kg weighed with their tare: most to the plant, some to the market, a little eaten at home.
    private static IEnumerable<Told> SalesOf(DateOnly day, DemoBatch batch, double kg)
    {
        if (day < TradeFrom)
            yield break;
        var market = Math.Min(60, Math.Floor(0.1 * kg / 20) * 20);
        var plant = Math.Floor((kg - market - 12) / 20) * 20;
        if (plant <= 0)
            yield break;
        Told Sale(int hour, LotUse use, string? buyer, double net, long? price) =>
            By(day, hour, 0, "Manager", $"{batch.Pond} {use} {net:0} kg", k => new FishSold(
                k.Pond(batch.Pond),
                k.Of["harvest " + batch.Name],
                use,
                buyer is null ? null : k.Of["buyer " + buyer],
                FishForm.WholeOnIce,
                net + (1.8 * Math.Ceiling(net / 20)),
                (int)Math.Ceiling(net / 20),
                1.8
            )
            {
                MinorPerKg = price,
                TempC = use == LotUse.Sold ? 1.5 : null,
            });
        yield return Sale(10, LotUse.Sold, "Reedmouth plant", plant, 1180);
        if (market > 0)
            yield return Sale(12, LotUse.Sold, "Saturday market", market, 1250);
        yield return Sale(13, LotUse.OwnUse, null, 6, null);
        if (Math.Round(kg - plant - market - 6, 1) is > 0 and var rest)
            yield return Sale(17, LotUse.Spoiled, null, rest, null);
    }
}
