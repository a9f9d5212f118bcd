using Dorsk.Core.Feeding;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

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

/// <summary>Aerators as they were from an instant on.</summary>
internal sealed record AeratorsFrom(DateTimeOffset From, IReadOnlyList<Aerator> Aerators);

/// <summary>The farm itself: its description, ponds, aerators, feed kinds.</summary>
internal static class FarmQuestions
{
    public static FarmDescribed? Farm(SqliteConnection c, AsOf asOf) =>
        FarmFacts.Described.All(c, asOf) is [.., var last] ? last.Fact : null;

    /// <summary>The farm's clock; UTC before the farm is described.</summary>
    public static FarmZone Zone(SqliteConnection c) =>
        FarmZone.Find(Farm(c, AsOf.Now(DateTimeOffset.MaxValue))?.ZoneId ?? "") ?? FarmZone.Utc;

    /// <summary>Each pond as described for the latest day, by number: mending an old description does not undo a later one.</summary>
    public static List<Pond> Ponds(SqliteConnection c, AsOf asOf) =>
        [.. FarmFacts.Built.Newest(c, asOf, b => b.Pond.Id).Select(b => b.Fact.Pond).OrderBy(p => p.Id)];

    /// <summary>Ponds in use: those that are laid up stand aside.</summary>
    public static List<Pond> InUse(SqliteConnection c, AsOf asOf)
    {
        var archived = Archived(c, asOf);
        return Ponds(c, asOf).Where(p => !archived.ContainsKey(p.Id)).ToList();
    }

    /// <summary>Ponds that are laid up, with the reason.</summary>
    public static Dictionary<long, string> Archived(SqliteConnection c, AsOf asOf) =>
        FarmFacts
            .Archived.All(c, asOf)
            .GroupBy(a => a.Fact.PondId)
            .Select(g => g.Last().Fact)
            .Where(a => a.Archived)
            .ToDictionary(a => a.PondId, a => a.Reason);

    /// <summary>Equipment of a pond beside its aerators.</summary>
    public static IReadOnlyList<Equipment> Equipment(SqliteConnection c, AsOf asOf, long pond) =>
        FarmFacts.Equipment.All(c, asOf, "t.pond = $pond", ("pond", pond)) is [.., var last] ? last.Fact.Items : [];

    public static Pond? Pond(SqliteConnection c, AsOf asOf, long pond) =>
        Ponds(c, asOf).FirstOrDefault(p => p.Id == pond);

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

    /// <summary>All fittings of aerators of a pond in order of time.</summary>
    public static List<AeratorsFrom> Aerators(SqliteConnection c, AsOf asOf, long pond) =>
        FarmFacts
            .Aerators.All(c, asOf, "t.pond = $pond", ("pond", pond))
            .ConvertAll(f => new AeratorsFrom(f.At, f.Fact.Aerators));

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
            Line = named.Line,
        };
    }
}
