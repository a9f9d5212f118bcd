namespace Dorsk.Core.Stock;

/// <summary>One delivery as far as it says something of its seller.</summary>
/// <param name="Seller">Who sold them.</param>
/// <param name="Count">Fish paid for.</param>
/// <param name="Lost">Dead on arrival and lost while they were brought over.</param>
/// <param name="Hours">Hours from packing to opening, or null.</param>
/// <param name="ApartC">How far the bags' temperature was from the pond's, °C, or null.</param>
/// <param name="ApartPh">The same of pH, or null.</param>
/// <param name="ApartPpt">The same of salinity, ppt, or null.</param>
public sealed record HatcheryDelivery(
    string Seller,
    int Count,
    int Lost,
    double? Hours,
    double? ApartC,
    double? ApartPh,
    double? ApartPpt
);

/// <summary>What the farm's own deliveries say of a hatchery: losses, the road, and whether its water is like the ponds'.</summary>
/// <param name="Seller">Who.</param>
/// <param name="Deliveries">How many.</param>
/// <param name="LostPct">Lost on arrival and while brought over, percent.</param>
/// <param name="Hours">Usual hours of transport, or null.</param>
/// <param name="ApartC">Usual difference of temperature, °C, or null.</param>
/// <param name="ApartPh">Usual difference of pH, or null.</param>
/// <param name="ApartPpt">Usual difference of salinity, ppt, or null.</param>
public sealed record HatcheryRecord(
    string Seller,
    int Deliveries,
    double LostPct,
    double? Hours,
    double? ApartC,
    double? ApartPh,
    double? ApartPpt
)
{
    /// <summary>How they are ranked.</summary>
    public const string Ranked =
        "Fewest lost first; among those within one per cent the shortest road, then the water most like the pond's";

    private const double SamePct = 1;

    /// <summary>Sellers, the one to prefer first.</summary>
    public static IReadOnlyList<HatcheryRecord> Rank(IEnumerable<HatcheryDelivery> deliveries) =>
        [
            .. deliveries
                .Where(d => d.Seller.Trim().Length > 0 && d.Count > 0)
                .GroupBy(d => d.Seller.Trim().ToUpperInvariant())
                .Select(Of)
                .OrderBy(r => Math.Floor(r.LostPct / SamePct))
                .ThenBy(r => r.Hours ?? double.MaxValue)
                .ThenBy(r => (r.ApartC ?? 0) + (r.ApartPh ?? 0) + (r.ApartPpt ?? 0)),
        ];

    private static HatcheryRecord Of(IGrouping<string, HatcheryDelivery> g)
    {
        double? Mean(Func<HatcheryDelivery, double?> of) =>
            g.Select(of).OfType<double>().ToList() is { Count: > 0 } known ? known.Average() : null;
        return new(
            g.First().Seller.Trim(),
            g.Count(),
            100.0 * g.Sum(d => d.Lost) / g.Sum(d => d.Count),
            Mean(d => d.Hours),
            Mean(d => d.ApartC),
            Mean(d => d.ApartPh),
            Mean(d => d.ApartPpt)
        );
    }
}
