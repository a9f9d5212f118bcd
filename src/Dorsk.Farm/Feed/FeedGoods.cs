using Dorsk.Core.Feeding;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Feed;

/// <summary>A kind of feed in the store.</summary>
/// <param name="Id">Number.</param>
/// <param name="Name">Name.</param>
/// <param name="PelletMm">Pellet, mm.</param>
/// <param name="ProteinPct">Protein, percent.</param>
public sealed record FeedKind(long Id, string Name, double PelletMm, double ProteinPct)
{
    /// <summary>Price per kg, minor units, or null.</summary>
    public long? PriceMinorPerKg { get; init; }

    /// <summary>Feed or another input.</summary>
    public Core.Feeding.StoreKind Kind { get; init; }

    /// <summary>Last day of its permit, where it is a restricted feed.</summary>
    public DateOnly? PermitTo { get; init; }

    /// <summary>The feed that replaces it then.</summary>
    public long? FallbackId { get; init; }

    /// <summary>Fat, percent, or null.</summary>
    public double? FatPct { get; init; }

    /// <summary>Digestible energy, MJ/kg, or null.</summary>
    public double? EnergyMJKg { get; init; }

    /// <summary>Whether it floats, or null.</summary>
    public bool? Floats { get; init; }

    /// <summary>A bag, kg, or null.</summary>
    public double? BagKg { get; init; }

    /// <summary>From order to delivery, days, or null.</summary>
    public double? LeadDays { get; init; }

    /// <summary>The log line that last named it.</summary>
    public long Line { get; init; }
}

/// <summary>What the store holds kinds of.</summary>
internal static class FeedGoods
{
    /// <summary>Kinds of feed.</summary>
    public static List<FeedKind> Feeds(SqliteConnection c, AsOf asOf) =>
        Goods(c, asOf).FindAll(k => k.Kind == Core.Feeding.StoreKind.Feed);

    /// <summary>Everything that the store holds kinds of, as last named, feed first.</summary>
    public static List<FeedKind> Goods(SqliteConnection c, AsOf asOf) =>
        [
            .. FeedFacts
                .Named.Newest(c, asOf, k => k.FeedId)
                .Select(KindOf)
                .OrderBy(k => k.Kind)
                .ThenBy(k => k.PelletMm)
                .ThenBy(k => k.Name, StringComparer.Ordinal),
        ];

    private static FeedKind KindOf(FactLine<FeedNamed> named)
    {
        var f = named.Fact;
        return new(f.FeedId, f.Name, f.PelletMm, f.ProteinPct)
        {
            PriceMinorPerKg = f.PriceMinorPerKg,
            Kind = f.Kind,
            FatPct = f.FatPct,
            EnergyMJKg = f.EnergyMJKg,
            Floats = f.Floats,
            BagKg = f.BagKg,
            LeadDays = f.LeadDays,
            PermitTo = f.PermitTo,
            FallbackId = f.FallbackId,
            Line = named.Line,
        };
    }
}
