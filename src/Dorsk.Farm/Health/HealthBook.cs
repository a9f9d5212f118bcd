using Dorsk.Core.Health;
using Dorsk.Core.Stock;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Health;

/// <summary>Products, treatments and baths, investigations, holds, hunters.</summary>
internal static class HealthBook
{
    public static readonly FactTable<ProductDescribed> Product = new FactTable<ProductDescribed>(
        "product",
        "product",
        Reach.Farm
    )
        .Itself("product", p => p.ProductId)
        .Column("name", p => p.Name)
        .Column("kind", p => p.Kind)
        .Column("active", p => p.Active)
        .Column("matter", p => p.Matter)
        .Column("strength", p => p.Strength)
        .Column("basis", p => p.Basis)
        .Column("dose_low", p => p.DoseLow)
        .Column("dose_high", p => p.DoseHigh)
        .Column("bath_minutes", p => p.BathMinutes)
        .Column("feed_days", p => p.FeedDays)
        .Column("withdrawal_days", p => p.WithdrawalDays)
        .Column("withdrawal_degree_days", p => p.WithdrawalDegreeDays)
        .Column("needs_vet", p => p.NeedsVet)
        .Column("pack_g", p => p.PackG)
        .Column("density_g_ml", p => p.DensityGMl)
        .Column("how", p => p.How)
        .Column("dropped", p => p.Dropped)
        .ReadBy(ProductOf)
        .CheckedBy((_, p) => p.Check());

    public static readonly FactTable<TreatmentGiven> Treatment = new FactTable<TreatmentGiven>("treatment", "treatment")
        .Pond("pond", t => t.PondId)
        .Column("product", t => t.ProductId)
        .Column("amount_g", t => t.AmountG)
        .Column("days", t => t.Days)
        .Column("reason", t => t.Reason)
        .Column("vet", t => t.Vet)
        .Column("passed_reason", t => t.PassedReason)
        .Column("demand_mg_l", t => t.DemandMgL)
        .ReadBy(r =>
            new(r.Long("pond"), r.Long("product"), r.Real("amount_g"), r.Int("days"), r.Text("reason"), r.Text("vet"))
            {
                PassedReason = r.Text("passed_reason"),
                DemandMgL = r.MaybeReal("demand_mg_l"),
            }
        )
        .CheckedBy(HealthChecks.Treated);

    public static readonly FactTable<BathNoted> Bath = new FactTable<BathNoted>("bath_note", "bath step")
        .Column("treatment", b => b.TreatmentId)
        .Pond("pond", b => b.PondId)
        .Column("event", b => b.Event)
        .Column("oxygen", b => b.DoMgL)
        .Column("text", b => b.Text)
        .ReadBy(r =>
            new(r.Long("treatment"), r.Long("pond"), r.Word<BathEvent>("event"), r.MaybeReal("oxygen"), r.Text("text"))
        )
        .CheckedBy(HealthChecks.Bathed);

    public static readonly FactTable<HealthLook> Look = new FactTable<HealthLook>("health_look", "investigation")
        .Itself("look", l => l.LookId)
        .Pond("pond", l => l.PondId)
        .Column("note", l => l.Note)
        .Column("cause", l => l.Cause)
        .Column("vet", l => l.Vet)
        .Rows("health_sign", l => l.Signs, ("sign", s => s.Sign), ("seen", s => s.Seen))
        .ReadBy(r =>
            new(
                r.Long("look"),
                r.Long("pond"),
                r.Rows("health_sign", s => (s.Text("sign"), s.Yes("seen"))),
                r.Text("note"),
                r.Text("cause"),
                r.Text("vet")
            )
        )
        .CheckedBy(HealthChecks.Looked);

    public static readonly FactTable<PondHeld> Hold = new FactTable<PondHeld>("pond_hold", "hold")
        .Pond("pond", h => h.PondId)
        .Column("begins", h => h.Begins)
        .Column("why", h => h.Why)
        .ReadBy(r => new(r.Long("pond"), r.Yes("begins"), r.Text("why")))
        .CheckedBy((desk, h) => h.Check(HealthQuestions.HoldOf(desk.Connection, desk.AsOf, desk.Zone, h.PondId)));

    public static readonly FactTable<HunterSeen> Hunter = new FactTable<HunterSeen>("hunter_seen", "predator")
        .Pond("pond", h => h.PondId)
        .Column("kind", h => h.Kind)
        .Column("count", h => h.Count)
        .Column("place", h => h.Place)
        .Column("done", h => h.Done)
        .ReadBy(r => new(r.Long("pond"), r.Text("kind"), r.Int("count"), r.Text("place"), r.Text("done")))
        .CheckedBy((_, h) => h.Check());

    public static readonly FactTable<BarrierChecked> Barrier = new FactTable<BarrierChecked>("barrier_check", "barrier")
        .Pond("pond", b => b.PondId)
        .Column("kind", b => b.Kind)
        .Column("work", b => b.Work)
        .Column("cost_minor", b => b.CostMinor)
        .Column("note", b => b.Note)
        .ReadBy(r =>
            new(r.Long("pond"), r.Text("kind"), r.Word<BarrierWork>("work"), r.MaybeLong("cost_minor"), r.Text("note"))
        )
        .CheckedBy(HealthChecks.Barred);

    public static IReadOnlyList<FactKind> Kinds { get; } = [Product, Treatment, Bath, Look, Hold, Hunter, Barrier];

    private static ProductDescribed ProductOf(FactRow r) =>
        new(
            r.Long("product"),
            r.Text("name"),
            r.Word<ProductKind>("kind"),
            r.Text("active"),
            r.Word<ActiveMatter>("matter"),
            r.Real("strength"),
            r.Word<DoseBasis>("basis"),
            r.Real("dose_low"),
            r.Real("dose_high")
        )
        {
            BathMinutes = r.MaybeReal("bath_minutes"),
            FeedDays = r.MaybeInt("feed_days"),
            WithdrawalDays = r.Int("withdrawal_days"),
            WithdrawalDegreeDays = r.Real("withdrawal_degree_days"),
            NeedsVet = r.Yes("needs_vet"),
            PackG = r.MaybeReal("pack_g"),
            DensityGMl = r.MaybeReal("density_g_ml"),
            How = r.Text("how"),
            Dropped = r.Yes("dropped"),
        };
}
