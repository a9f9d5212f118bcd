using Dorsk.Core.Health;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Health;

/// <summary>What the log knows of the health of ponds.</summary>
internal static class HealthQuestions
{
    /// <summary>All of one pond.</summary>
    public static PondHealth Of(SqliteConnection c, AsOf asOf, FarmZone zone, long pond)
    {
        const string Here = "t.pond = $pond";
        (string, object?)[] here = [("pond", pond)];
        var treatments = HealthBook.Treatment.Sound(c, asOf, Here, here);
        var hunters = HealthBook.Hunter.Sound(c, asOf, Here, here);
        return new(
            treatments.Count == 0 ? [] : Treatments(c, asOf, treatments, pond),
            Looks(c, asOf, pond),
            HoldOf(c, asOf, zone, pond),
            hunters.ConvertAll(h => (h.Line, h.At, h.Fact)),
            HealthBook.Barrier.Sound(c, asOf, Here, here).ConvertAll(b => (b.At, b.Fact))
        );
    }

    /// <summary>The hold that a pond is on; null for none.</summary>
    public static PondHold? HoldOf(SqliteConnection c, AsOf asOf, FarmZone zone, long pond) =>
        HealthBook.Hold.Sound(c, asOf, "t.pond = $pond", ("pond", pond)) is [.., { Fact.Begins: true } last]
            ? new(zone.DayOf(last.At), last.Author, last.Fact.Why)
            : null;

    /// <summary>Products as last described, in order of their first line.</summary>
    public static List<(long Line, ProductDescribed Product)> Products(SqliteConnection c, AsOf asOf) =>
        [
            .. HealthBook
                .Product.Newest(c, asOf, p => p.ProductId)
                .OrderBy(x => x.Fact.Name, StringComparer.Ordinal)
                .Select(x => (x.Line, x.Fact)),
        ];

    /// <summary>A product as it was described up to then; null where there is none of that number.</summary>
    public static ProductDescribed? Product(SqliteConnection c, AsOf asOf, long id) =>
        HealthBook.Product.All(c, asOf, "t.product = $id", ("id", id)) is [.., { Fact: var last }] ? last : null;

    /// <summary>A treatment by its line; null when there is none, or it was taken back.</summary>
    public static TreatmentLine? Treatment(SqliteConnection c, AsOf asOf, long line)
    {
        var found = HealthBook.Treatment.All(c, asOf, "t.line = $line", ("line", line));
        return found.Count == 0 ? null : Treatments(c, asOf, found, found[0].Fact.PondId).Find(t => t.Line == line);
    }

    /// <summary>An investigation by its number; null when there is none.</summary>
    public static LookLine? Look(SqliteConnection c, AsOf asOf, long id) =>
        HealthBook.Look.All(c, asOf, "t.look = $id", ("id", id)) is { Count: > 0 } lines ? Line(lines) : null;

    private static List<LookLine> Looks(SqliteConnection c, AsOf asOf, long pond) =>
        [
            .. HealthBook
                .Look.Sound(c, asOf, "t.pond = $pond", ("pond", pond))
                .GroupBy(l => l.Fact.LookId)
                .Select(g => Line([.. g])),
        ];

    private static LookLine Line(List<Facts.FactLine<HealthLook>> lines) =>
        new(lines[^1].Line, lines[0].At, lines[^1].At, lines[^1].Author, lines[^1].Fact);

    // The label as it stood when the fish were treated: a new one changes no old withdrawal.
    private static List<TreatmentLine> Treatments(
        SqliteConnection c,
        AsOf asOf,
        List<Facts.FactLine<TreatmentGiven>> given,
        long pond
    )
    {
        var baths = HealthBook.Bath.Sound(c, asOf, "t.pond = $pond", ("pond", pond)).ToLookup(b => b.Fact.TreatmentId);
        var found = new List<TreatmentLine>();
        foreach (var t in given)
            if (
                (
                    Product(c, asOf.Known with { HappenedUpTo = t.At }, t.Fact.ProductId)
                    ?? Product(c, asOf.Known, t.Fact.ProductId)
                ) is
                { } product
            )
                found.Add(
                    new(
                        t.Line,
                        t.At,
                        t.Author,
                        t.Fact,
                        product,
                        [.. baths[t.Line].Select(b => (b.At, b.Author, b.Fact))]
                    )
                );
        return found;
    }
}
