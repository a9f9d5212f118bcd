using Dorsk.Core.Judging;
using Dorsk.Core.Prepare;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Fish;

namespace Dorsk.Farm.Prepare;

/// <summary>Plans of making a pond ready.</summary>
internal static class PrepareFacts
{
    public static readonly FactTable<PreparationPlanned> Planned = new FactTable<PreparationPlanned>(
        "preparation",
        "preparation"
    )
        .Pond("pond", p => p.PondId)
        .Column("stock_on", p => p.StockOn)
        .Species("species", p => p.SpeciesKey)
        .Column("dry_days", p => p.DryDays)
        .Column("lime", p => p.Lime)
        .Column("mud_ph", p => p.MudPh)
        .Column("texture", p => p.Texture)
        .Column("alkalinity_mg_l", p => p.AlkalinityMgL)
        .Column("lime_value_pct", p => p.LimeValuePct)
        .Column("pests", p => p.Pests)
        .Column("poison_g_m3", p => p.PoisonGM3)
        .Column("poison_days", p => p.PoisonDays)
        .Column("fertiliser", p => p.Fertiliser)
        .Column("cover", p => p.Cover)
        .Column("bag_kg", p => p.Prices.BagKg)
        .Column("lime_bag", p => p.Prices.LimeBag)
        .Column("fertiliser_bag", p => p.Prices.FertiliserBag)
        .Column("meal_bag", p => p.Prices.MealBag)
        .Column("kwh", p => p.Prices.KWh)
        .Column("own_note", p => p.Own.Note)
        .Column("own_lime_kg_ha", p => p.Own.LimeKgHa)
        .Column("own_manure_kg_ha", p => p.Own.ManureKgHa)
        .Column("own_meal_kg_ha", p => p.Own.MealKgHa)
        .Column("own_n_kg_ha", p => p.Own.NitrogenKgHa)
        .Column("own_p2o5_kg_ha", p => p.Own.PhosphateKgHa)
        .Column("dose_every_days", p => p.Own.DoseEveryDays)
        .Column("manure_days", p => p.Own.ManureDays)
        .Column("lime_days", p => p.Own.LimeDays)
        .Column("fill_stages", p => p.Own.Stages)
        .Column("start_pool", p => p.Own.StartPool)
        .ReadBy(r =>
            new(
                r.Long("pond"),
                r.MaybeDay("stock_on"),
                r.Text("species"),
                r.Int("dry_days"),
                r.Word<LimeSchool>("lime"),
                r.MaybeReal("mud_ph"),
                r.Word<SoilTexture>("texture"),
                r.MaybeReal("alkalinity_mg_l"),
                r.Real("lime_value_pct"),
                r.Word<PestSchool>("pests"),
                r.MaybeReal("poison_g_m3"),
                r.Int("poison_days"),
                r.Word<FertiliserSchool>("fertiliser"),
                r.Yes("cover"),
                new(
                    r.Real("bag_kg"),
                    r.MaybeReal("lime_bag"),
                    r.MaybeReal("fertiliser_bag"),
                    r.MaybeReal("meal_bag"),
                    r.MaybeReal("kwh")
                )
            )
            {
                Own = new(
                    r.Text("own_note"),
                    r.MaybeReal("own_lime_kg_ha"),
                    r.MaybeReal("own_manure_kg_ha"),
                    r.MaybeReal("own_meal_kg_ha"),
                    r.MaybeReal("own_n_kg_ha"),
                    r.MaybeReal("own_p2o5_kg_ha"),
                    r.MaybeInt("dose_every_days"),
                    r.MaybeInt("manure_days"),
                    r.MaybeInt("lime_days"),
                    r.Int("fill_stages"),
                    r.Yes("start_pool")
                ),
            }
        )
        .CheckedBy(Check);

    public static IReadOnlyList<FactKind> Kinds { get; } = [Planned];

    private static IEnumerable<Remark> Check(Desk desk, PreparationPlanned plan)
    {
        foreach (var remark in plan.Check(desk.Today))
            yield return remark;
        var stands = FishQuestions.Standing(desk.Connection, desk.AsOf.Known, plan.PondId).Sum(b => (long)b.Stands);
        if (stands > 0)
            yield return Remark.Refuse(
                "",
                $"{desk.Hand.Count(stands)} fish stand in this pond on the books. It is prepared once they are out."
            );
    }
}
