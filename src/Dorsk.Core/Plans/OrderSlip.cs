using Dorsk.Core.Judging;
using Dorsk.Core.Prepare;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Plans;

/// <summary>How ordered fish travel.</summary>
/// <param name="Hours">Hours from packing to opening, above 0.</param>
/// <param name="TempC">Water in the bags, °C.</param>
/// <param name="BagL">Water in a bag, litres.</param>
/// <param name="WaterShare">Share of a bag that is water; the rest is oxygen.</param>
/// <param name="SaltGL">Salt in the transport water, g/L; 0: none.</param>
/// <param name="FeedBagKg">What a bag of the feed holds, kg; above 0.</param>
public sealed record OrderRoad(
    double Hours,
    double TempC,
    double BagL,
    double WaterShare,
    double SaltGL,
    double FeedBagKg
);

/// <summary>One line of an order.</summary>
/// <param name="What">What.</param>
/// <param name="Number">Number of pieces, or null.</param>
/// <param name="Piece">What is counted, for one; empty for fish.</param>
/// <param name="MassKg">Mass, kg, or null.</param>
/// <param name="NeededOn">Day by which it is wanted on the farm.</param>
/// <param name="Note">What to mind.</param>
/// <param name="Why">Its grounds.</param>
public sealed record OrderLine(
    string What,
    int? Number,
    string Piece,
    double? MassKg,
    DateOnly NeededOn,
    string Note,
    Grounds Why
);

/// <summary>What a plan asks to be bought: fingerlings, bags and salt of the road, feed by size, and what the pond's preparation takes; with days.</summary>
/// <param name="Plan">The plan.</param>
/// <param name="Road">How they travel.</param>
/// <param name="Lines">The order.</param>
/// <param name="PackedBy">Fish in a bag.</param>
/// <param name="Judgement">How such bags arrive.</param>
public sealed record OrderSlip(
    StockingAnswer Plan,
    OrderRoad Road,
    IReadOnlyList<OrderLine> Lines,
    int PackedBy,
    Judgement Judgement
)
{
    // Alkalinity of hatchery water where nobody said; feed is on the farm some days before its first meal.
    private const double AlkalinityMgL = 80;
    private const int FeedAheadDays = 7;

    /// <summary>Writes an order.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="road">The road.</param>
    /// <param name="preparation">What the preparation still needs, with the day of its first step; empty without a plan.</param>
    public static OrderSlip Of(
        StockingAnswer plan,
        OrderRoad road,
        IReadOnlyList<(Supply Supply, DateOnly NeededOn)> preparation
    )
    {
        var q = plan.Question;
        // What a litre carries so that carbon dioxide stays within what they bear at the end of the road.
        var perL = new BagRide(q.FromG, 1, road.WaterShare, road.TempC, AlkalinityMgL, road.SaltGL).PerLFor(
            road.Hours,
            BagRide.Co2WatchMgL
        );
        var each = (int)Math.Min(1e7, Math.Floor(perL * road.BagL));
        List<OrderLine> lines =
        [
            Fingerlings(plan),
            .. each == 0 ? [] : ForTheRoad(plan, road, each, perL),
            .. PlanFeeds.Of(plan).Select(f => Feed(f, road.FeedBagKg, q)),
            .. preparation.Where(p => !p.Supply.IsEnergy).Select(p => ForThePond(p.Supply, p.NeededOn)),
        ];
        return new(plan, road, lines, each, Arriving(each));
    }

    private static Judgement Arriving(int each) =>
        each == 0
            ? new(
                Status.ActNow,
                "Not one fish lives through such a road in such a bag: a shorter road, cooler water, or a tank with oxygen"
            )
            : new(Status.Steady, FormattableString.Invariant($"{each:N0} in a bag arrive within what they bear"));

    private static OrderLine Fingerlings(StockingAnswer plan)
    {
        var q = plan.Question;
        return new(
            $"{q.Species.Name}, fingerlings",
            plan.Stock,
            "",
            plan.Stock * q.FromG / 1000,
            q.StockOn,
            "papers of origin and health; one size; fasted before the road",
            Grounds.Of(
                "The stocking plan.",
                plan.Binding.Name,
                new Input("survival", q.SurvivalPct, Measures.Share, "typed"),
                new Input("weight of one", q.FromG, Measures.FishWeight, "typed")
            )
        );
    }

    // Bags, and the salt in their water.
    private static IEnumerable<OrderLine> ForTheRoad(StockingAnswer plan, OrderRoad road, int each, double perL)
    {
        var on = plan.Question.StockOn;
        var bags = (int)Math.Ceiling((double)plan.Stock / each);
        var why = Grounds.Of(
            "So many to a litre that carbon dioxide stays under what they bear when the bags are opened.",
            BagRide.Source,
            new Input("hours, packed to opened", road.Hours, Measures.Plain, "typed"),
            new Input("transport water", road.TempC, Measures.Temperature, "typed"),
            new Input("water in a bag", road.BagL / 1000, Measures.Volume, "typed"),
            new Input("fish a litre", perL, Measures.Plain, "worked out")
        );
        var fill = FormattableString.Invariant($"no more than {each:N0} in each; tight, blown up, in shade");
        yield return new("Bags with oxygen, packed by the seller", bags, "bag", null, on, fill, why);
        if (road.SaltGL > 0)
            yield return new(
                "Salt for the transport water",
                null,
                "",
                road.SaltGL * bags * road.BagL / 1000,
                on,
                "plain salt without additives; only for fish that bear it",
                why
            );
    }

    private static OrderLine Feed(
        (Feeding.FeedSize Size, double Kg, DateOnly From) feed,
        double bagKg,
        StockingQuestion q
    )
    {
        var (size, kg, from) = feed;
        var pellet = QuantityText.Range(size.SizeMm.Low / 1000, size.SizeMm.High / 1000, Measures.Pellet, q.Hand);
        return new(
            $"Feed, {size.Form}, {pellet}",
            (int)Math.Ceiling(Math.Round(kg / bagKg, 6)),
            "bag",
            kg,
            Later(q.StockOn.AddDays(-1), from.AddDays(-FeedAheadDays)),
            FormattableString.Invariant(
                $"{size.ProteinPct.Low:0} to {size.ProteinPct.High:0} % protein; bags of {QuantityText.Write(bagKg, Measures.Mass, q.Hand)}; buy what keeps for two to three months"
            ),
            Grounds.Of(
                "Feed of the simulated season while the fish are of this size.",
                size.Source,
                new Input("from", size.FromG, Measures.FishWeight, "table of feeds by size"),
                new Input("to", size.ToG, Measures.FishWeight, "table of feeds by size")
            )
        );
    }

    private static OrderLine ForThePond(Supply supply, DateOnly on) =>
        new(
            char.ToUpperInvariant(supply.Product[0]) + supply.Product[1..],
            supply.Bags,
            "bag",
            supply.Amount,
            on,
            "for making the pond ready",
            supply.Why
        );

    private static DateOnly Later(DateOnly a, DateOnly b) => a > b ? a : b;
}
