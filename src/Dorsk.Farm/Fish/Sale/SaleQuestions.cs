using Dorsk.Core.Harvest;
using Dorsk.Core.Stock;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Fish;

/// <summary>A harvest with what became of its fish.</summary>
/// <param name="Line">Number of the lot: the first line of its harvest in the log.</param>
/// <param name="At">When they were taken out.</param>
/// <param name="By">Who wrote it.</param>
/// <param name="Harvest">The harvest.</param>
/// <param name="Sales">What was sold, used or thrown away, in order of time.</param>
public sealed record HarvestLot(
    long Line,
    DateTimeOffset At,
    string By,
    FishHarvested Harvest,
    IReadOnlyList<(long Line, DateTimeOffset At, string By, FishSold Fact)> Sales
)
{
    /// <summary>Live weight not yet sold, used or thrown away, kg.</summary>
    public double LeftKg => Math.Max(0, Harvest.MassKg - Sales.Sum(s => s.Fact.LiveKg));
}

/// <summary>What the log knows of buyers, prices and sales.</summary>
internal static class SaleQuestions
{
    /// <summary>Buyers as last described, by name.</summary>
    public static List<BuyerDescribed> Buyers(SqliteConnection c, AsOf asOf) =>
        [
            .. SaleBook
                .Buyer.Newest(c, asOf, b => b.BuyerId)
                .Select(b => b.Fact)
                .OrderBy(b => b.Name, StringComparer.OrdinalIgnoreCase),
        ];

    /// <summary>Prices, in order of time.</summary>
    public static List<PriceListed> Prices(SqliteConnection c, AsOf asOf) =>
        SaleBook.Price.Sound(c, asOf).ConvertAll(p => p.Fact);

    /// <summary>Orders as last described, with what was delivered of each, as sold, kg.</summary>
    public static List<(long Line, FishOrdered Order, double DeliveredKg)> Orders(SqliteConnection c, AsOf asOf)
    {
        var delivered = SaleBook
            .Sold.Sound(c, asOf, "t.fish_order IS NOT NULL")
            .Where(s => s.Fact.Use == LotUse.Sold)
            .ToLookup(s => s.Fact.OrderId, s => s.Fact.NetKg);
        return SaleBook
            .Order.Newest(c, asOf, o => o.OrderId)
            .ConvertAll(o => (o.Line, o.Fact, delivered[o.Fact.OrderId].Sum()));
    }

    /// <summary>Harvests, of one pond or of all, with their sales; those moved off the farm are no lots.</summary>
    public static List<HarvestLot> Lots(SqliteConnection c, AsOf asOf, long? pond)
    {
        var where = pond is null ? "" : "t.pond = $pond";
        (string, object?)[] of = pond is { } id ? [("pond", id)] : [];
        var sold = SaleBook.Sold.Sound(c, asOf, where, of).ToLookup(s => s.Fact.HarvestLine);
        return
        [
            .. FishFacts
                .Harvested.Sound(c, asOf, where, of)
                .Where(h => h.Fact.To != Account.MovedOff)
                .Select(h =>
                {
                    var number = NumberOf(c, h.Line);
                    return new HarvestLot(
                        number,
                        h.At,
                        h.Author,
                        h.Fact,
                        [.. sold[number].Select(s => (s.Line, s.At, s.Author, s.Fact))]
                    );
                }),
        ];
    }

    /// <summary>Number of a lot: the first line of its harvest, which stays on labels when the harvest is corrected.</summary>
    public static long NumberOf(SqliteConnection c, long line) =>
        Sqlite
            .Rows(
                c,
                """
                WITH RECURSIVE older(line, voids) AS (
                  SELECT line, voids FROM log WHERE line = $line
                  UNION ALL SELECT log.line, log.voids FROM older CROSS JOIN log ON log.line = older.voids
                )
                SELECT min(line) FROM older
                """,
                r => r.GetInt64(0),
                ("line", line)
            )
            .First();

    /// <summary>The lot of a sale without the sale itself; null when there is none.</summary>
    public static LotLeft? LotFor(Desk desk, FishSold sale)
    {
        var lot = Lots(desk.Connection, desk.AsOf.Known, sale.PondId).Find(l => l.Line == sale.HarvestLine);
        if (lot is null || desk.PondAt(sale.PondId) is not { } pond)
            return null;
        var others = lot.Sales.Where(s => s.Line != desk.Corrects && s.Line != desk.Line).Sum(s => s.Fact.LiveKg);
        return new(
            lot.Harvest,
            lot.At,
            Math.Max(0, lot.Harvest.MassKg - others),
            pond.TastedFor(lot.Harvest.BatchId, lot.At),
            Residue(desk, lot)
        );
    }

    // Fish take their residues along: every pond in which the batch stood is asked.
    private static string? Residue(Desk desk, HarvestLot lot) =>
        FishQuestions
            .Movements(desk.Connection, desk.AsOf.Known, lot.Harvest.BatchId)
            .SelectMany(m => m.Postings)
            .Where(p => p is { Account: Account.Pond, PondId: not null })
            .Select(p => p.PondId!.Value)
            .Distinct()
            .Select(p => desk.PondAt(p)?.WithdrawalOfTaken(lot.Harvest.BatchId, lot.At))
            .OfType<Core.Health.Withdrawal>()
            .MaxBy(w => w.Until)
            ?.Words(desk.Hand);
}
