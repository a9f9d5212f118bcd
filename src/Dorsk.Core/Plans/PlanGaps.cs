namespace Dorsk.Core.Plans;

/// <summary>What a cycle needs beside pond, seed and feed.</summary>
public enum PlanNeed
{
    /// <summary>A permit, where one is wanted.</summary>
    Permit,

    /// <summary>Something to read oxygen with.</summary>
    OxygenMeter,

    /// <summary>Air for a bad night.</summary>
    Air,

    /// <summary>Somebody who is called, and a way to call.</summary>
    CallList,

    /// <summary>A second pair of hands.</summary>
    SecondPerson,

    /// <summary>Money for labour and the rest of the cycle.</summary>
    Labour,

    /// <summary>Money for the feed.</summary>
    FeedMoney,

    /// <summary>A buyer.</summary>
    Buyer,

    /// <summary>What the fish are sold for.</summary>
    SalePrice,

    /// <summary>A fish doctor or adviser who can be asked.</summary>
    Adviser,

    /// <summary>A pond that is being made ready.</summary>
    Preparation,
}

/// <summary>What stands on the farm for a plan.</summary>
/// <param name="KnowsAuthority">The authority that gives permits is in the book.</param>
/// <param name="HasMeter">An instrument reads oxygen.</param>
/// <param name="Called">People on the call list.</param>
/// <param name="People">People who may write.</param>
/// <param name="Buyers">Buyers in the book.</param>
/// <param name="Advisers">Fish doctors and advisers in the book.</param>
/// <param name="IsPrepared">The pond's preparation is planned, or it holds fish; null where the plan is for no pond of the farm.</param>
public sealed record PlanMeans(
    bool KnowsAuthority,
    bool HasMeter,
    int Called,
    int People,
    int Buyers,
    int Advisers,
    bool? IsPrepared
);

/// <summary>One thing that a new plan still lacks.</summary>
/// <param name="Need">What.</param>
/// <param name="Says">Why it matters for this plan, with the figure.</param>
public sealed record PlanGap(PlanNeed Need, string Says)
{
    /// <summary>Everything that a plan still lacks, in the order in which a cycle needs it.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="means">What stands on the farm.</param>
    public static IReadOnlyList<PlanGap> Of(StockingAnswer plan, PlanMeans means)
    {
        var hand = plan.Question.Hand;
        var prices = plan.Question.Prices;
        (bool Missing, PlanNeed Need, string Says)[] all =
        [
            (
                !means.KnowsAuthority,
                PlanNeed.Permit,
                "no authority is in the book: ask which permits this place and this fish want"
            ),
            (means.IsPrepared == false, PlanNeed.Preparation, "the pond's preparation is not planned"),
            (
                !means.HasMeter,
                PlanNeed.OxygenMeter,
                "no instrument here reads oxygen: most fish die at night of want of it"
            ),
            (
                plan.Question.Water.ShaftKW <= 0 && plan.Question.Water.FlowM3H <= 0,
                PlanNeed.Air,
                "no aerator is planned: a dead bloom or a run of dark days has no answer here"
            ),
            (
                means.Called < 2,
                PlanNeed.CallList,
                $"{hand.Count(means.Called)} on the call list: two who can be called at night"
            ),
            (
                means.People < 2,
                PlanNeed.SecondPerson,
                "one person alone: who reads the ponds when they are ill, who stands by in the water"
            ),
            (
                prices.OtherCycle <= 0,
                PlanNeed.Labour,
                $"labour, water and the rest cost nothing in this plan; it asks somebody {hand.Count(plan.Season.Length)} days, every day"
            ),
            (
                prices.FeedKg <= 0,
                PlanNeed.FeedMoney,
                $"no price of feed: {QuantityWord(plan, hand)} are the largest bill of the cycle"
            ),
            (
                !prices.IsSalePriceSaid || prices.FishKg <= 0,
                PlanNeed.SalePrice,
                "no price of the fish: nobody can tell whether it pays"
            ),
            (means.Buyers == 0, PlanNeed.Buyer, $"no buyer is in the book for {hand.Count(plan.Harvested)} fish"),
            (
                means.Advisers == 0,
                PlanNeed.Adviser,
                "no fish doctor or adviser is in the book: find them before the first sick fish"
            ),
        ];
        return [.. all.Where(x => x.Missing).Select(x => new PlanGap(x.Need, x.Says))];
    }

    private static string QuantityWord(StockingAnswer plan, Units.Hand hand) =>
        Units.QuantityText.Write(plan.FeedKg, Units.Measures.Mass, hand);
}
