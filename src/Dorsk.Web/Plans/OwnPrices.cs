using Dorsk.Core.Units;
using Dorsk.Web.Workbench;

namespace Dorsk.Web.Plans;

/// <summary>Prices that the farm wrote down itself, as they would be typed; empty where it wrote none.</summary>
internal static class OwnPrices
{
    /// <summary>What a fingerling of the last priced delivery to this pond cost.</summary>
    public static string Fingerling(BenchStart s) =>
        s.Pond?.Batches.Select(b => b.Delivery).LastOrDefault(d => d is { Price: not null, Alive: > 0 }) is { } d
            ? s.Here.Typed(d.Price!.Value / d.Alive, Measures.Price)
            : "";

    /// <summary>The kind of feed of the store that is fed to grown fish: the one with the largest pellet that has a price.</summary>
    public static string FeedKg(BenchStart s) =>
        s.Here.Feeds.Where(f => f.PriceMinorPerKg is not null).MaxBy(f => f.PelletMm) is { } feed
            ? s.Here.Typed(feed.PriceMinorPerKg!.Value / 100.0, Measures.MassPrice)
            : "";

    /// <summary>What the farm pays for a kWh.</summary>
    public static string KWh(BenchStart s) =>
        s.Here.Farm?.KWhPrice is { } price ? s.Here.Typed(price, Measures.EnergyPrice) : "";
}
