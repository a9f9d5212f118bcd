using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Fish;

/// <summary>Buyers, prices, and what became of harvested fish.</summary>
internal static class SaleBook
{
    public static readonly FactTable<BuyerDescribed> Buyer = new FactTable<BuyerDescribed>("buyer", "buyer", Reach.Farm)
        .Itself("buyer", b => b.BuyerId)
        .Column("name", b => b.Name)
        .Column("kind", b => b.Kind)
        .Column("dropped", b => b.Dropped)
        .ReadBy(r => new(r.Long("buyer"), r.Text("name"), r.Word<BuyerKind>("kind"), r.Yes("dropped")))
        .CheckedBy((_, b) => b.Check());

    public static readonly FactTable<PriceListed> Price = new FactTable<PriceListed>(
        "price_listed",
        "price",
        Reach.Farm
    )
        .Column("buyer", p => p.BuyerId)
        .Species("species", p => p.SpeciesKey)
        .Column("form", p => p.Form)
        .Column("from_g", p => p.FromG)
        .Column("minor_per_kg", p => p.MinorPerKg)
        .ReadBy(r =>
            new(
                r.MaybeLong("buyer"),
                r.Text("species"),
                r.Word<FishForm>("form"),
                r.Real("from_g"),
                r.MaybeLong("minor_per_kg")
            )
        )
        .CheckedBy((_, p) => p.Check());

    public static readonly FactTable<FishSold> Sold = new FactTable<FishSold>("fish_sold", "sale")
        .Pond("pond", s => s.PondId)
        .Column("harvest", s => s.HarvestLine)
        .Column("use", s => s.Use)
        .Column("buyer", s => s.BuyerId)
        .Column("form", s => s.Form)
        .Column("gross_kg", s => s.GrossKg)
        .Column("crates", s => s.Crates)
        .Column("tare_kg", s => s.TareKg)
        .Column("yield", s => s.Yield)
        .Column("minor_per_kg", s => s.MinorPerKg)
        .Column("discount_pct", s => s.DiscountPct)
        .Column("temp_c", s => s.TempC)
        .Column("note", s => s.Note)
        .Column("fish_order", s => s.OrderId)
        .ReadBy(SoldOf)
        .CheckedBy((desk, s) => s.Check(SaleQuestions.LotFor(desk, s), desk.Happened, desk.Hand));

    public static readonly FactTable<FishOrdered> Order = new FactTable<FishOrdered>("fish_order", "order", Reach.Farm)
        .Itself("fish_order", o => o.OrderId)
        .Column("buyer", o => o.BuyerId)
        .Species("species", o => o.SpeciesKey)
        .Column("form", o => o.Form)
        .Column("from_g", o => o.FromG)
        .Column("kg", o => o.Kg)
        .Column("due", o => o.Due)
        .Column("dropped", o => o.Dropped)
        .Column("note", o => o.Note)
        .Column("count", o => o.Count)
        .Column("customer_m2", o => o.CustomerM2)
        .ReadBy(r =>
            new(
                r.Long("fish_order"),
                r.Long("buyer"),
                r.Text("species"),
                r.Word<FishForm>("form"),
                r.Real("from_g"),
                r.Real("kg"),
                r.Day("due"),
                r.Yes("dropped"),
                r.Text("note")
            )
            {
                Count = r.MaybeInt("count"),
                CustomerM2 = r.MaybeReal("customer_m2"),
            }
        )
        .CheckedBy(
            (desk, o) =>
                o.Check(
                    SaleQuestions.Buyers(desk.Connection, desk.AsOf.Known).Exists(b => b.BuyerId == o.BuyerId),
                    desk.Today,
                    o.CustomerM2 is > 0 and { } m2 && FishSpecies.Find(o.SpeciesKey) is { } species
                        ? CustomerPond.Of(species, m2, aerated: false)?.High
                        : null,
                    desk.Hand
                )
        );

    public static IReadOnlyList<FactKind> Kinds { get; } = [Buyer, Price, Sold, Order];

    /// <summary>Objections to taking back, or lowering, a harvest of which fish were sold.</summary>
    /// <param name="desk">The desk.</param>
    /// <param name="line">Line of the harvest.</param>
    /// <param name="leavesKg">Live weight that the harvest keeps, kg; 0 when it is taken back.</param>
    public static IEnumerable<Remark> Sales(Desk desk, long line, double leavesKg)
    {
        var lot = SaleQuestions.NumberOf(desk.Connection, line);
        var sold = Sold.Sound(desk.Connection, desk.AsOf.Known, "t.harvest = $harvest", ("harvest", lot));
        if (sold.Count > 0 && sold.Sum(s => s.Fact.LiveKg) > leavesKg + 0.05)
            yield return Remark.Refuse(
                "Mass",
                $"Fish of this harvest are sold or used in line {string.Join(", ", sold.Select(s => s.Line).Take(5))} of the log: {Core.Units.QuantityText.Write(sold.Sum(s => s.Fact.LiveKg), Core.Units.Measures.Mass, desk.Hand)} live weight. Correct those first."
            );
    }

    private static FishSold SoldOf(FactRow r) =>
        new(
            r.Long("pond"),
            r.Long("harvest"),
            r.Word<LotUse>("use"),
            r.MaybeLong("buyer"),
            r.Word<FishForm>("form"),
            r.Real("gross_kg"),
            r.Int("crates"),
            r.Real("tare_kg")
        )
        {
            Yield = r.Real("yield"),
            MinorPerKg = r.MaybeLong("minor_per_kg"),
            DiscountPct = r.Real("discount_pct"),
            TempC = r.MaybeReal("temp_c"),
            Note = r.Text("note"),
            OrderId = r.MaybeLong("fish_order"),
        };
}
