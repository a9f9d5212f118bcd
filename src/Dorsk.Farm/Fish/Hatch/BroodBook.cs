using Dorsk.Core.Hatchery;
using Dorsk.Core.Species;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Fish;

/// <summary>The register of breeders, inspections, nests looked into, forage, and plans of the hatchery.</summary>
internal static class BroodBook
{
    public static readonly FactTable<BroodDescribed> Described = new FactTable<BroodDescribed>(
        "brood",
        "breeders",
        Reach.Pages
    )
        .Itself("brood", b => b.BroodId)
        .Pond("pond", b => b.PondId)
        .Column("tag", b => b.Tag)
        .Column("count", b => b.Count)
        .Column("sex", b => b.Sex)
        .Column("sure", b => b.Sure)
        .Column("origin", b => b.Origin)
        .Column("strain", b => b.Strain)
        .Column("hatch_year", b => b.HatchYear)
        .Column("mean_kg", b => b.MeanKg)
        .Column("signs", b => b.Signs)
        .Column("retired", b => b.Retired)
        .Column("hormone", b => b.Hormone)
        .Column("photo", b => b.Photo)
        .ReadBy(r =>
            new(
                r.Long("brood"),
                r.Long("pond"),
                r.Text("tag"),
                r.Int("count"),
                r.Word<BroodSex>("sex"),
                r.Word<SexSure>("sure"),
                r.Word<BroodOrigin>("origin"),
                r.Text("strain"),
                r.MaybeInt("hatch_year"),
                r.Real("mean_kg")
            )
            {
                Signs = r.Text("signs"),
                Retired = r.Yes("retired"),
                Hormone = r.Text("hormone"),
                Photo = r.Text("photo"),
            }
        )
        .CheckedBy((desk, b) => b.Check(HatchQuestions.TagTaken(desk, b), desk.Today));

    public static readonly FactTable<BroodInspected> Inspected = new FactTable<BroodInspected>(
        "brood_look",
        "breeders looked over",
        Reach.Pages
    )
        .Column("brood", b => b.BroodId)
        .Pond("pond", b => b.PondId)
        .Column("thin", b => b.Thin)
        .Column("sores", b => b.Sores)
        .Column("skin", b => b.SkinParasites)
        .Column("gills", b => b.GillParasites)
        .Column("weight_kg", b => b.WeightKg)
        .ReadBy(r =>
            new(
                r.Long("brood"),
                r.Long("pond"),
                r.Yes("thin"),
                r.Yes("sores"),
                r.Yes("skin"),
                r.Yes("gills"),
                r.MaybeReal("weight_kg")
            )
        )
        .CheckedBy((desk, b) => b.Check(HatchQuestions.Breeders(desk).Exists(k => k.BroodId == b.BroodId)));

    public static readonly FactTable<NestChecked> Nest = new FactTable<NestChecked>(
        "nest_look",
        "nest looked into",
        Reach.Pages
    )
        .Column("vessel", n => n.VesselId)
        .Pond("pond", n => n.PondId)
        .Column("seen", n => n.Seen)
        .ReadBy(r => new(r.Long("vessel"), r.Long("pond"), r.Word<NestSeen>("seen")))
        .CheckedBy(
            (desk, n) =>
                n.Check(HatchQuestions.Vessel(desk, n.VesselId), HatchQuestions.PairSeen(desk, n), desk.Happened)
        );

    public static readonly FactTable<ForageGiven> Forage = new FactTable<ForageGiven>(
        "forage",
        "forage given",
        Reach.Pages
    )
        .Pond("pond", f => f.PondId)
        .Column("kind", f => f.Kind)
        .Column("source", f => f.Source)
        .Column("kg", f => f.Kg)
        .Column("state", f => f.State)
        .ReadBy(r => new(r.Long("pond"), r.Text("kind"), r.Text("source"), r.Real("kg"), r.Word<ForageState>("state")))
        .CheckedBy((desk, f) => f.Check(HatchQuestions.NeverRaw(desk.Connection, desk.AsOf.Known)));

    public static readonly FactTable<ForageRule> Rule = new FactTable<ForageRule>(
        "forage_rule",
        "rule on raw food",
        Reach.Pages
    )
        .Column("never", f => f.Never)
        .ReadBy(r => new(r.Yes("never")));

    public static readonly FactTable<HatchPlanned> Plan = new FactTable<HatchPlanned>(
        "hatch_plan",
        "hatchery plan",
        Reach.Pages
    )
        .Itself("plan", p => p.PlanId)
        .Species("species", p => p.SpeciesKey)
        .Column("dropped", p => p.Dropped)
        .Column("wanted", p => p.Asked.Fingerlings)
        .Column("wanted_on", p => p.Asked.On)
        .Column("length_mm", p => p.Asked.LengthMm)
        .Column("female_kg", p => p.Asked.FemaleKg)
        .Column("females", p => p.Asked.Sexes.Females)
        .Column("males", p => p.Asked.Sexes.Males)
        .Column("spawn_low", p => p.Asked.Spawning.Low)
        .Column("spawn_high", p => p.Asked.Spawning.High)
        .Column("hatch_low", p => p.Asked.Hatching.Low)
        .Column("hatch_high", p => p.Asked.Hatching.High)
        .Column("feed_low", p => p.Asked.Feeding.Low)
        .Column("feed_high", p => p.Asked.Feeding.High)
        .Column("nursery_low", p => p.Asked.Nursery.Low)
        .Column("nursery_high", p => p.Asked.Nursery.High)
        .Column("water_c", p => p.Asked.WaterC)
        .ReadBy(PlanOf)
        .CheckedBy(
            (desk, p) => p.Check(FishSpecies.Find(p.SpeciesKey) is { } fish ? EggTable.For(fish) : null, desk.Hand)
        );

    public static IReadOnlyList<FactKind> Kinds { get; } = [Described, Inspected, Nest, Forage, Rule, Plan];

    private static HatchPlanned PlanOf(FactRow r)
    {
        ShareRange Share(string name) => new(r.Real(name + "_low"), r.Real(name + "_high"));
        return new(
            r.Long("plan"),
            r.Text("species"),
            new(
                r.Int("wanted"),
                r.Day("wanted_on"),
                r.Real("length_mm"),
                r.Real("female_kg"),
                (r.Int("females"), r.Int("males")),
                Share("spawn"),
                Share("hatch"),
                Share("feed"),
                Share("nursery"),
                r.Real("water_c")
            ),
            r.Yes("dropped")
        );
    }
}
