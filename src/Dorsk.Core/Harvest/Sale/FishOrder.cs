using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Harvest;

/// <summary>An order of a buyer, as last described.</summary>
/// <param name="OrderId">Number given by the books; 0 for a new one.</param>
/// <param name="BuyerId">Who ordered.</param>
/// <param name="SpeciesKey">The fish.</param>
/// <param name="Form">How they are wanted.</param>
/// <param name="FromG">Least mean weight wanted, g; 0 for any.</param>
/// <param name="Kg">Mass wanted, as it is sold, kg; above 0.</param>
/// <param name="Due">Farm day on which they are wanted.</param>
/// <param name="Dropped">Whether it was called off.</param>
/// <param name="Note">Remark; may be empty.</param>
public sealed record FishOrdered(
    long OrderId,
    long BuyerId,
    string SpeciesKey,
    FishForm Form,
    double FromG,
    double Kg,
    DateOnly Due,
    bool Dropped,
    string Note
) : Fact
{
    /// <summary>Fish wanted, where they are ordered by number: fingerlings; null where by mass.</summary>
    public int? Count { get; init; }

    /// <summary>Surface of the customer's pond, m², for fish that are stocked again; null where it is not known.</summary>
    public double? CustomerM2 { get; init; }

    private const double MostKg = 1_000_000,
        LargestG = 20_000;
    private const int FurthestDays = 730;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="isBuyer">Whether there is such a buyer.</param>
    /// <param name="today">Farm day on which it is written.</param>
    /// <param name="bears">Fish that the customer's pond bears; null where that is not known.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(bool isBuyer, DateOnly today, int? bears, Hand hand)
    {
        if (Count is < 1 or > 10_000_000)
            yield return Remark.Refuse("Count", "1 to 10,000,000 fish, or empty.");
        if (CustomerM2 is not (null or (> 0 and <= 10_000_000)))
            yield return Remark.Refuse("Area", h =>
                $"{Limit.Range(0, 10_000_000, Measures.Area, h)}, above 0, or empty."
            );
        if (Count > bears)
            yield return Remark.Ask(
                "Count",
                $"Their pond of {QuantityText.Write(CustomerM2!.Value, Measures.Area, hand)} bears {hand.Count(bears.Value)} of these; {hand.Count(Count.Value)} are ordered. Did you tell them?"
            );
        if (!isBuyer)
            yield return Remark.Refuse("Buyer", "Choose who ordered, or describe the buyer first.");
        if (Kg is not (> 0 and <= MostKg))
            yield return Remark.Refuse("Mass", h => $"{Limit.Range(0, MostKg, Measures.Mass, h)}, above 0.");
        if (FromG is not (>= 0 and <= LargestG))
            yield return Remark.Refuse("From", h => $"{Limit.Range(0, LargestG, Measures.FishWeight, h)}.");
        if (Due < today.AddDays(-FurthestDays) || Due > today.AddDays(FurthestDays))
            yield return Remark.Refuse("Due", "A day at most two years from today.");
        if (Note.Length > 200)
            yield return Remark.Refuse("Note", "At most 200 letters.");
    }
}

/// <summary>Fish that will be there to be sold from a day on.</summary>
/// <param name="From">Farm day from which they are there.</param>
/// <param name="SpeciesKey">The fish.</param>
/// <param name="MeanG">Mean weight, g.</param>
/// <param name="LiveKg">Live weight, kg.</param>
public sealed record FishAvailable(DateOnly From, string SpeciesKey, double MeanG, double LiveKg);

/// <summary>An order in the queue.</summary>
/// <param name="Order">The order.</param>
/// <param name="OpenKg">What of it was not delivered yet, as sold, kg.</param>
/// <param name="CoveredKg">What is there for it on its day, as sold, kg.</param>
/// <param name="CoveredOn">First day on which all of it is there; null where the season does not bring it.</param>
public sealed record QueuedOrder(FishOrdered Order, double OpenKg, double CoveredKg, DateOnly? CoveredOn)
{
    /// <summary>What is short on its day, as sold, kg.</summary>
    public double ShortKg => Math.Max(0, OpenKg - CoveredKg);
}

/// <summary>Orders against what the season will have: whoever is due first is served first, from the smallest fish that are large enough.</summary>
public static class OrderQueue
{
    private const double RestKg = 0.05;

    /// <summary>Serves them in order of their days.</summary>
    /// <param name="orders">Orders with what was delivered of each, as sold, kg.</param>
    /// <param name="available">What is there and will be.</param>
    public static IReadOnlyList<QueuedOrder> Of(
        IEnumerable<(FishOrdered Order, double DeliveredKg)> orders,
        IEnumerable<FishAvailable> available
    )
    {
        var left = available.OrderBy(a => a.From).Select(a => (a, Kg: a.LiveKg)).ToArray();
        var queue = new List<QueuedOrder>();
        foreach (
            var (order, delivered) in orders
                .Where(o => !o.Order.Dropped && o.Order.Kg - o.DeliveredKg > RestKg)
                .OrderBy(o => o.Order.Due)
                .ThenBy(o => o.Order.OrderId)
        )
            queue.Add(Serve(order, order.Kg - delivered, left));
        return queue;
    }

    private static QueuedOrder Serve(FishOrdered order, double openKg, (FishAvailable Lot, double Kg)[] left)
    {
        var yield = PriceList.UsualYield(order.Form);
        var (want, onDay) = (openKg / yield, 0.0);
        DateOnly? on = null;
        var fit = Enumerable
            .Range(0, left.Length)
            .Where(i => left[i].Lot.SpeciesKey == order.SpeciesKey && left[i].Lot.MeanG >= order.FromG)
            .OrderBy(i => left[i].Lot.From > order.Due)
            .ThenBy(i => left[i].Lot.From > order.Due ? left[i].Lot.From.DayNumber : 0)
            .ThenBy(i => left[i].Lot.MeanG);
        foreach (var i in fit.ToList())
        {
            var takes = Math.Min(want, left[i].Kg);
            if (takes <= 0)
                continue;
            left[i].Kg -= takes;
            want -= takes;
            on = on is { } known && known > left[i].Lot.From ? known : left[i].Lot.From;
            if (left[i].Lot.From <= order.Due)
                onDay += takes;
        }
        return new(order, openKg, onDay * yield, want <= RestKg ? on : null);
    }
}
