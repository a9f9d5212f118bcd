using Dorsk.Core.Feeding;
using Dorsk.Core.Season;

namespace Dorsk.Farm.Feed;

/// <summary>One kind in the store with what is wanted of it.</summary>
/// <param name="Left">What is left.</param>
/// <param name="Demand">Wanted day by day; null for other inputs than feed.</param>
/// <param name="Order">When to order and how much; null for other inputs.</param>
public sealed record StoreRow(FeedLeft Left, KindDemand? Demand, OrderProposal? Order)
{
    /// <summary>The store against the feed that the season will want.</summary>
    public static IReadOnlyList<StoreRow> Of(IReadOnlyList<FeedLeft> store, SeasonAhead season) =>
        [
            .. store.Select(s =>
                season.Demand.TryGetValue(s.FeedId, out var d)
                    ? new StoreRow(s, d, OrderProposal.Of(d, s.LeftKg, s.Kind.LeadDays, s.Kind.BagKg))
                    : new StoreRow(s, null, null)
            ),
        ];
}
