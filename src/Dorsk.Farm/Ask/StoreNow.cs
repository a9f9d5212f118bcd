using Dorsk.Core.Feeding;
using Dorsk.Core.Species;

namespace Dorsk.Farm.Ask;

/// <summary>One kind in the store with what is wanted of it.</summary>
/// <param name="Left">What is left.</param>
/// <param name="Demand">Wanted day by day; null for other inputs than feed.</param>
/// <param name="Order">When to order and how much; null for other inputs.</param>
public sealed record StoreRow(FeedLeft Left, KindDemand? Demand, OrderProposal? Order)
{
    /// <summary>Days looked ahead.</summary>
    public const int AheadDays = 180;

    /// <summary>The store against the feed that all ponds will want.</summary>
    public static IReadOnlyList<StoreRow> Of(IReadOnlyList<FeedLeft> store, IReadOnlyList<PondNow> ponds, DateOnly today)
    {
        var kinds = store.Where(s => s.Kind.Kind == StoreKind.Feed).Select(s => (s.FeedId, s.Kind.PelletMm)).ToList();
        var demand = FeedAhead.ByKind(ponds.SelectMany(p => p.Batches).Select(b => (b.Batch.Species, b.Feed)), kinds, today, AheadDays);
        return [.. store.Select(s => demand.TryGetValue(s.FeedId, out var d) ? new StoreRow(s, d, OrderProposal.Of(d, s.LeftKg, s.Kind.LeadDays, s.Kind.BagKg)) : new StoreRow(s, null, null))];
    }
}
