using System.Globalization;
using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Farm.Ask;

namespace Dorsk.Web.Slips;

/// <summary>Words of sales.</summary>
public static class SaleWords
{
    /// <summary>Forms in words.</summary>
    public static readonly IReadOnlyList<(string Key, FishForm Form, string Word)> Forms =
    [
        ("Live", FishForm.Live, "live"),
        ("WholeOnIce", FishForm.WholeOnIce, "whole on ice"),
        ("Gutted", FishForm.Gutted, "gutted"),
        ("Fillet", FishForm.Fillet, "fillet"),
        ("Frozen", FishForm.Frozen, "frozen, whole"),
        ("Peeled", FishForm.Peeled, "peeled tails"),
    ];

    /// <summary>Kinds of buyers in words.</summary>
    public static readonly IReadOnlyList<(string Key, BuyerKind Kind, string Word)> Kinds =
    [
        ("Plant", BuyerKind.Plant, "processing plant"),
        ("Trader", BuyerKind.Trader, "trader"),
        ("Shop", BuyerKind.Shop, "shop or restaurant"),
        ("Market", BuyerKind.Market, "market stall or farm gate"),
        ("Live", BuyerKind.Live, "live fish, restocking"),
        ("Export", BuyerKind.Export, "export"),
    ];

    /// <summary>A form in words.</summary>
    public static string Of(FishForm form) => Forms.First(f => f.Form == form).Word;

    /// <summary>A kind of buyer in words.</summary>
    public static string Of(BuyerKind kind) => Kinds.First(k => k.Kind == kind).Word;

    /// <summary>What became of fish, in words.</summary>
    public static string Of(LotUse use) =>
        use switch
        {
            LotUse.Sold => "sold",
            LotUse.OwnUse => "own use",
            _ => "spoiled",
        };
}

/// <summary>A buyer.</summary>
internal sealed class BuyerSlip : ISlip
{
    public string Key => "buyer";

    public Permission Needs => Permission.Manage;

    public string Title => "Buyer";

    public string Button => "Save";

    public bool OfPond => false;

    public string FactKind => nameof(BuyerDescribed);

    public string Section => "";

    public string After => "/lots";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<BuyerDescribed>();
        return
        [
            c.Words("Name", "Name", old?.Name ?? ""),
            c.Choice(
                "Kind",
                "Kind",
                (old?.Kind ?? BuyerKind.Plant).ToString(),
                [.. SaleWords.Kinds.Select(k => (k.Key, k.Word))]
            ),
            c.Yes("Dropped", "Buys no more", old?.Dropped == true ? "true" : ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new BuyerDescribed(
            c.Old<BuyerDescribed>()?.BuyerId ?? 0,
            form.Text("Name"),
            form.Choice("Kind", [.. SaleWords.Kinds.Select(k => (k.Key, k.Kind))], "kind", BuyerKind.Plant),
            form.Yes("Dropped")
        );
        return new(c.Corrects?.Row.Happened ?? c.Here.Now, [fact], $"buyer {fact.Name}", []);
    }
}

/// <summary>A price from a day on.</summary>
internal sealed class PriceSlip : ISlip
{
    public string Key => "price";

    public Permission Needs => Permission.Manage;

    public string Title => "Price";

    public string Button => "Save";

    public bool OfPond => false;

    public string FactKind => nameof(PriceListed);

    public string Section => "";

    public string After => "/lots";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<PriceListed>();
        return
        [
            .. Lines.When(c),
            Buyers.Field(c, old?.BuyerId, "all buyers"),
            c.Fish("Species", "Fish", old?.SpeciesKey ?? c.Here.AllSpecies[0].Key),
            c.Choice(
                "Form",
                "Form",
                (old?.Form ?? FishForm.WholeOnIce).ToString(),
                [.. SaleWords.Forms.Select(f => (f.Key, f.Word))]
            ),
            c.Quantity("From", "From an average weight of", Measures.FishWeight, old?.FromG ?? 0)
                .WithHint("0: all sizes"),
            c.Whole("CountPer", $"Or at most so many a {Measures.Mass.In(c.Here.Hand).Symbol}", "")
                .WithHint("prices by count: 40 a unit of mass is read as its average weight"),
            c.Quantity("Price", "Price", Measures.MassPrice, old?.MinorPerKg / 100.0)
                .WithHint("as it is weighed when sold; empty: no longer offered"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var species = form.Fish("Species");
        var fact = new PriceListed(
            Buyers.Read(form, c),
            species.Key,
            form.Choice("Form", [.. SaleWords.Forms.Select(f => (f.Key, f.Form))], "form", FishForm.WholeOnIce),
            FromG(form),
            StoreLines.Minor(form, "Price", Measures.MassPrice, 1e6, "0 to 1,000,000, or empty.")
        );
        return new(
            form.When(),
            [fact],
            $"price {species.Name.ToLowerInvariant()} {SaleWords.Of(fact.Form)}",
            fact.FromG > 0 ? [new("From an average weight of", form.Here.Say(fact.FromG, Measures.FishWeight))] : []
        );
    }

    // Shrimp and fingerlings are priced by how many make a unit of mass: the count is turned into its mean weight.
    private static double FromG(SlipForm form)
    {
        if (form.MaybeWhole("CountPer", "fish") is not { } count)
            return form.MaybeQuantity("From", Measures.FishWeight) ?? 0;
        if (count is < 1 or > 1_000_000)
            form.Refuse("CountPer", "1 to 1,000,000, or empty.");
        return 1000 * Measures.Mass.In(form.Here.Hand).ToSi(1) / Math.Max(1, count);
    }
}

/// <summary>The line that chooses a buyer.</summary>
internal static class Buyers
{
    public static SlipField Field(SlipContext c, long? buyer, string none) =>
        c.Choice(
            "Buyer",
            "Buyer",
            Number(buyer),
            [
                ("", none),
                .. c
                    .Questions.Buyers()
                    .Where(b => !b.Dropped || b.BuyerId == buyer)
                    .Select(b => (Number(b.BuyerId), b.Name)),
            ]
        );

    public static long? Read(SlipForm form, SlipContext c) =>
        form.Choice(
            "Buyer",
            [("", (long?)null), .. c.Questions.Buyers().Select(b => (Number(b.BuyerId), (long?)b.BuyerId))],
            "buyer",
            null
        );

    private static string Number(long? id) => id?.ToString(CultureInfo.InvariantCulture) ?? "";
}

/// <summary>Fish of a harvest sold, used or thrown away.</summary>
internal sealed class SaleSlip : ISlip
{
    private static readonly (string, LotUse)[] Uses =
    [
        ("Sold", LotUse.Sold),
        ("OwnUse", LotUse.OwnUse),
        ("Spoiled", LotUse.Spoiled),
    ];

    public string Key => "sale";

    public Permission Needs => Permission.Manage;

    public string Title => "Sale";

    public string Button => "Save this sale";

    public bool OfPond => true;

    public string FactKind => nameof(FishSold);

    public string Section => "harvest";

    public string Caution =>
        "Fish stay on ice from water to buyer: keep the time and the temperature. Crates over 25 kg: two people.";

    public string? CannotStart(SlipContext c) =>
        c.Corrects is null && Lots(c, null).Count == 0
            ? "Nothing that was harvested here is left to sell. Record the harvest first."
            : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<FishSold>();
        var lots = Lots(c, old);
        var form = old?.Form
            ?? (
                lots is [var first, ..] && first.Lot.Harvest.To == Account.SoldAlive
                    ? FishForm.Live
                    : FishForm.WholeOnIce
            );
        return
        [
            .. Lines.When(c),
            c.Choice(
                "Lot",
                "Harvest",
                old is null
                    ? lots is [var newest, ..]
                        ? Number(newest)
                        : ""
                    : old.HarvestLine.ToString(CultureInfo.InvariantCulture),
                [.. lots.Select(l => (Number(l), $"{l.Code}, {c.Here.Say(l.Lot.LeftKg, Measures.Mass)} left"))]
            ),
            c.Choice(
                "Use",
                "What became of them",
                (old?.Use ?? LotUse.Sold).ToString(),
                [("Sold", "sold"), ("OwnUse", "own use"), ("Spoiled", "spoiled, thrown away")]
            ),
            Buyers.Field(c, old?.BuyerId, "nobody"),
            OrderField(c, old?.OrderId),
            c.Choice("Form", "Form", form.ToString(), [.. SaleWords.Forms.Select(f => (f.Key, f.Word))]),
            .. Weighed(c, old, form),
        ];
    }

    // Orders that wait; the one it delivers already stays in the list.
    private static IEnumerable<FishOrdered> Open(SlipContext c, long? old) =>
        c
            .Questions.Orders()
            .Where(o => (!o.Order.Dropped && o.DeliveredKg < o.Order.Kg) || o.Order.OrderId == old)
            .Select(o => o.Order)
            .OrderBy(o => o.Due);

    private static string OrderKey(FishOrdered order) => order.OrderId.ToString(CultureInfo.InvariantCulture);

    private static SlipField OrderField(SlipContext c, long? old)
    {
        var names = c.Questions.Buyers().ToDictionary(b => b.BuyerId, b => b.Name);
        return c.Choice(
            "Order",
            "Delivers the order",
            old?.ToString(CultureInfo.InvariantCulture) ?? "",
            [
                ("", "none"),
                .. Open(c, old)
                    .Select(o =>
                        (
                            OrderKey(o),
                            $"{names.GetValueOrDefault(o.BuyerId, "")}, {c.Here.Say(o.Kg, Measures.Mass)}, {c.Here.Day(o.Due)}"
                        )
                    ),
            ]
        );
    }

    private static IEnumerable<SlipField> Weighed(SlipContext c, FishSold? old, FishForm form) =>
        [
            c.Quantity("Gross", "Weighed, with crates", Measures.Mass, old?.GrossKg),
            c.Whole("Crates", "Crates", old?.Crates ?? 0),
            c.Quantity("Tare", "One empty crate", Measures.Mass, old?.TareKg ?? 0),
            c.Quantity("Yield", "Of the live weight", Measures.Share, 100 * (old?.Yield ?? PriceList.UsualYield(form)))
                .WithHint("gutted about 87 %, fillet about 38 %: type your own"),
            c.Quantity("Price", "Price", Measures.MassPrice, old?.MinorPerKg / 100.0)
                .WithHint("empty: by the price list"),
            c.Quantity("Discount", "Discount", Measures.Share, old?.DiscountPct ?? 0),
            c.Quantity("Temp", "Temperature of the fish", Measures.Temperature, old?.TempC),
            c.Words("Note", "Remark", old?.Note ?? ""),
        ];

    public Filled Read(SlipForm form, SlipContext c)
    {
        var lots = Lots(c, c.Old<FishSold>());
        var lot = form.Choice("Lot", [.. lots.Select(l => (Number(l), (LotNow?)l))], "harvest", null);
        var fact = new FishSold(
            c.PondId,
            lot?.Lot.Line ?? 0,
            form.Choice("Use", Uses, "use", LotUse.Sold),
            Buyers.Read(form, c),
            form.Choice("Form", [.. SaleWords.Forms.Select(f => (f.Key, f.Form))], "form", FishForm.WholeOnIce),
            form.Quantity("Gross", Measures.Mass),
            form.MaybeWhole("Crates", "crates") ?? 0,
            form.MaybeQuantity("Tare", Measures.Mass) ?? 0
        )
        {
            Yield = (form.MaybeQuantity("Yield", Measures.Share) ?? 100) / 100,
            MinorPerKg = StoreLines.Minor(form, "Price", Measures.MassPrice, 1e6, "0 to 1,000,000, or empty."),
            DiscountPct = form.MaybeQuantity("Discount", Measures.Share) ?? 0,
            TempC = form.MaybeQuantity("Temp", Measures.Temperature),
            Note = form.Text("Note"),
            OrderId = form.Choice(
                "Order",
                [
                    ("", (long?)null),
                    .. Open(c, c.Old<FishSold>()?.OrderId).Select(o => (OrderKey(o), (long?)o.OrderId)),
                ],
                "order",
                null
            ),
        };
        var priced = lot is null || fact.Use != LotUse.Sold ? fact with { MinorPerKg = null } : Priced(fact, lot, c);
        return new(
            form.When(),
            [fact.Use == LotUse.Sold ? priced : priced with { BuyerId = null }],
            $"{c.Story!.Pond.Code} {SaleWords.Of(fact.Use)} {form.Text("Gross")}",
            lot is null || !(fact.NetKg > 0) || fact.Yield <= 0 ? [] : [.. Told(priced, lot, form, c)]
        );
    }

    private static FishSold Priced(FishSold sale, LotNow lot, SlipContext c) =>
        sale.MinorPerKg is null
        && lot.Story.Batches.FirstOrDefault(b => b.Id == lot.Lot.Harvest.BatchId) is { } batch
        && PriceList.For(
            c.Questions.Prices(),
            sale.BuyerId,
            batch.Species.Key,
            sale.Form,
            1000 * lot.Lot.Harvest.MassKg / Math.Max(1, lot.Lot.Harvest.Count)
        )
            is { } listed
            ? sale with
            {
                MinorPerKg = listed.MinorPerKg,
            }
            : sale;

    private static IEnumerable<Computed> Told(FishSold sale, LotNow lot, SlipForm form, SlipContext c)
    {
        var g = 1000 * lot.Lot.Harvest.MassKg / Math.Max(1, lot.Lot.Harvest.Count);
        yield return new("Without crates", c.Here.Say(sale.NetKg, Measures.Mass));
        yield return new(
            "Live weight it takes",
            $"{c.Here.Say(sale.LiveKg, Measures.Mass)}, about {c.Here.Count(Math.Round(1000 * sale.LiveKg / g))} fish of {c.Here.Say(g, Measures.FishWeight)}"
        );
        if (form.When() is var at && at >= lot.Lot.At)
            yield return new("Since they left the water", $"{c.Here.Figure((at - lot.Lot.At).TotalHours, 1)} h");
        if (sale.MoneyMinor is { } money)
            yield return new(
                "Money",
                $"{c.Here.Figure(money / 100.0, 2)} {c.Here.Farm!.Currency} at {c.Here.PerMass(sale.MinorPerKg!.Value / 100.0)}"
            );
        if (Cost(lot, c) is not { } cost)
            yield break;
        var under = sale.UnderFeedCost(100 * cost);
        yield return new(
            "Feed in them cost",
            under > 0
                ? $"{c.Here.PerMass(cost / sale.Yield)}: the price is {c.Here.PerMass(under / 100)} under that"
                : c.Here.PerMass(cost / sale.Yield)
        );
    }

    private static double? Cost(LotNow lot, SlipContext c)
    {
        var priceOf = c.Questions.FeedPrices();
        return c
            .Questions.Cycles(lot.Story, c.Here.Now)
            .Where(n => n.Batch.Id == lot.Lot.Harvest.BatchId)
            .Select(n => lot.Story.Cycles.Of(n.Batch, n.Result, c.Here.Today, priceOf)?.FeedCostPerKg)
            .FirstOrDefault();
    }

    private static List<LotNow> Lots(SlipContext c, FishSold? old) =>
        [.. c.Questions.Lots(c.Story!).Where(l => l.Lot.LeftKg > 0.05 || l.Lot.Line == old?.HarvestLine)];

    private static string Number(LotNow lot) => lot.Lot.Line.ToString(CultureInfo.InvariantCulture);
}
