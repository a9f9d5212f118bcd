using Dorsk.Core.Hatchery;
using Dorsk.Core.Stock;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Fish;

/// <summary>Vessels of the hatchery, lots of eggs, larvae and fry, and what happens to them.</summary>
internal static class LotBook
{
    public static readonly FactTable<VesselDescribed> Vessel = new FactTable<VesselDescribed>(
        "vessel",
        "vessel",
        Reach.Pages
    )
        .Itself("vessel", v => v.VesselId)
        .Column("kind", v => v.Kind)
        .Column("name", v => v.Name)
        .Column("water_m3", v => v.WaterM3)
        .Column("flow_m3_h", v => v.FlowM3H)
        .Pond("pond", v => v.PondId)
        .Column("before", v => v.Before)
        .Column("gone", v => v.Gone)
        .Column("depth_m", v => v.DepthM)
        .Column("spacing_m", v => v.SpacingM)
        .Column("to_centre", v => v.MouthToCentre)
        .Column("along", v => v.Spot?.Along)
        .Column("across", v => v.Spot?.Across)
        .Column("baskets", v => v.Baskets)
        .ReadBy(VesselOf)
        .CheckedBy((desk, v) => v.Check(HatchQuestions.NameTaken(desk, v)))
        .VoidedBy((desk, v, _) => HatchQuestions.VesselInUse(desk, v.VesselId));

    public static readonly FactTable<EggsTaken> Eggs = new FactTable<EggsTaken>("eggs", "eggs taken", Reach.Pages)
        .Itself("lot", e => e.LotId)
        .Species("species", e => e.SpeciesKey)
        .Column("vessel", e => e.VesselId)
        .Column("nest", e => e.NestId)
        .Column("parents", e => e.From)
        .Column("count", e => e.Count)
        .Column("basis", e => e.Basis)
        .Column("colour", e => e.Colour)
        .Column("broken", e => e.Broken)
        .Column("fertile_pct", e => e.FertilePct)
        .Column("from_c", e => e.FromC)
        .Column("trough_c", e => e.TroughC)
        .Column("tempered_min", e => e.TemperedMin)
        .Column("treatment", e => e.Treatment)
        .Column("masses", e => e.Masses)
        .Column("with_parents", e => e.WithParents)
        .ReadBy(EggsOf)
        .CheckedBy((desk, e) => e.Check(HatchQuestions.Vessel(desk, e.VesselId), desk.Hand))
        .VoidedBy((desk, e, line) => HatchQuestions.LotInUse(desk, e.LotId, line));

    public static readonly FactTable<LotLooked> Looked = new FactTable<LotLooked>(
        "lot_look",
        "look at a lot",
        Reach.Pages
    )
        .Column("lot", l => l.LotId)
        .Column("temp_c", l => l.TempC)
        .Column("oxygen", l => l.DoMgL)
        .Column("ph", l => l.Ph)
        .Column("seen", l => l.Seen)
        .Column("colour", l => l.Colour)
        .Column("fungus_pct", l => l.FungusPct)
        .Column("deformed", l => l.DeformedOf20)
        .Column("siphoned", l => l.Siphoned)
        .Column("changed_pct", l => l.ChangedPct)
        .Column("behaviour", l => l.Behaviour)
        .Column("light_lux", l => l.LightLux)
        .Column("given", l => l.Given)
        .Column("mixing", l => l.Mixing)
        .ReadBy(LookOf)
        .CheckedBy((desk, l) => l.Check(HatchQuestions.Before(desk, l.LotId) is not null));

    public static readonly FactTable<LotCounted> Counted = new FactTable<LotCounted>(
        "lot_count",
        "lot counted",
        Reach.Pages
    )
        .Column("lot", l => l.LotId)
        .Column("stage", l => l.Stage)
        .Column("count", l => l.Count)
        .Column("basis", l => l.Basis)
        .Column("reason", l => l.Reason)
        .Column("within_pct", l => l.PlusMinusPct)
        .ReadBy(r =>
            new(r.Long("lot"), r.Word<LotStage>("stage"), r.Int("count"), r.Word<CountBasis>("basis"), r.Text("reason"))
            {
                PlusMinusPct = r.MaybeReal("within_pct"),
            }
        )
        .CheckedBy((desk, l) => l.Check(HatchQuestions.Before(desk, l.LotId), desk.Hand));

    public static readonly FactTable<LotMoved> Moved = new FactTable<LotMoved>("lot_move", "lot moved", Reach.Pages)
        .Itself("lot", m => m.LotId)
        .Column("from_lot", m => m.FromLotId)
        .Column("vessel", m => m.VesselId)
        .Column("count", m => m.Count)
        .Column("from_c", m => m.FromC)
        .Column("to_c", m => m.ToC)
        .Column("treatment", m => m.Treatment)
        .ReadBy(r =>
            new(r.Long("lot"), r.Long("from_lot"), r.Long("vessel"), r.MaybeInt("count"))
            {
                FromC = r.Real("from_c"),
                ToC = r.Real("to_c"),
                Treatment = r.Text("treatment"),
            }
        )
        .CheckedBy(
            (desk, m) =>
                m.Check(HatchQuestions.Before(desk, m.FromLotId), HatchQuestions.Vessel(desk, m.VesselId), desk.Hand)
        )
        .VoidedBy((desk, m, line) => m.Count is null ? [] : HatchQuestions.LotInUse(desk, m.LotId, line));

    public static readonly FactTable<LotLeft> Left = new FactTable<LotLeft>("lot_left", "left a lot", Reach.Pages)
        .Column("lot", l => l.LotId)
        .Column("count", l => l.Count)
        .Column("exit", l => l.To)
        .Column("whereto", l => l.Where)
        .ReadBy(r => new(r.Long("lot"), r.Int("count"), r.Word<LotExit>("exit"), r.Text("whereto")))
        .CheckedBy((desk, l) => l.Check(HatchQuestions.Before(desk, l.LotId), desk.Hand));

    public static readonly FactTable<FryFed> Fed = new FactTable<FryFed>("fry_feed", "fry fed", Reach.Pages)
        .Column("lot", f => f.LotId)
        .Column("feed", f => f.Feed)
        .Column("grams", f => f.Grams)
        .Column("score", f => f.Score)
        .Column("place", f => f.Where)
        .Column("form", f => f.Form)
        .Column("protein_pct", f => f.ProteinPct)
        .ReadBy(r =>
            new(r.Long("lot"), r.Text("feed"), r.Real("grams"), r.MaybeInt("score"), r.Text("place"))
            {
                Form = r.Word<FryFeedForm>("form"),
                ProteinPct = r.MaybeReal("protein_pct"),
            }
        )
        .CheckedBy((desk, f) => f.Check(HatchQuestions.Before(desk, f.LotId)));

    public static readonly FactTable<FryFeederSet> Feeder = new FactTable<FryFeederSet>(
        "fry_feeder",
        "feeder of fry",
        Reach.Pages
    )
        .Column("lot", f => f.LotId)
        .Column("every_min", f => f.EveryMin)
        .Column("dose_g", f => f.DoseG)
        .Column("weighed_g", f => f.WeighedG)
        .ReadBy(r => new(r.Long("lot"), r.Int("every_min"), r.Real("dose_g"), r.MaybeReal("weighed_g")))
        .CheckedBy((desk, f) => f.Check(HatchQuestions.Before(desk, f.LotId), desk.Hand));

    public static readonly FactTable<FryTarget> Target = new FactTable<FryTarget>(
        "fry_target",
        "target of fry",
        Reach.Pages
    )
        .Pond("pond", f => f.PondId)
        .Column("target_on", f => f.On)
        .Column("weight_g", f => f.WeightG)
        .ReadBy(r => new(r.Long("pond"), r.Day("target_on"), r.Real("weight_g")))
        .CheckedBy((desk, f) => f.Check(desk.Today));

    public static readonly FactTable<ReleaseTrial> Release = new FactTable<ReleaseTrial>(
        "release_trial",
        "trial for open water",
        Reach.Pages
    )
        .Species("species", f => f.SpeciesKey)
        .Column("water", f => f.Water)
        .Column("tried", f => f.Tried)
        .Column("took", f => f.Took)
        .Column("hours", f => f.Hours)
        .Column("marked", f => f.Marked)
        .Column("caught", f => f.Caught)
        .Column("again", f => f.Again)
        .ReadBy(r =>
            new(
                r.Text("species"),
                r.Text("water"),
                r.Int("tried"),
                r.Int("took"),
                r.Real("hours"),
                r.Int("marked"),
                r.Int("caught"),
                r.Int("again")
            )
        )
        .CheckedBy((_, f) => f.Check());

    public static IReadOnlyList<FactKind> Kinds { get; } =
    [Vessel, Eggs, Looked, Counted, Moved, Left, Fed, Feeder, Target, Release];

    private static VesselDescribed VesselOf(FactRow r) =>
        new(
            r.Long("vessel"),
            r.Word<VesselKind>("kind"),
            r.Text("name"),
            r.Real("water_m3"),
            r.Real("flow_m3_h"),
            r.MaybeLong("pond"),
            r.Word<HeldBefore>("before"),
            r.Yes("gone")
        )
        {
            DepthM = r.Real("depth_m"),
            SpacingM = r.MaybeReal("spacing_m"),
            MouthToCentre = r.Yes("to_centre"),
            Baskets = r.Int("baskets"),
            Spot = r.MaybeReal("along") is { } along ? (along, r.Real("across")) : null,
        };

    private static EggsTaken EggsOf(FactRow r) =>
        new(
            r.Long("lot"),
            r.Text("species"),
            r.Long("vessel"),
            r.MaybeLong("nest"),
            r.Text("parents"),
            r.Int("count"),
            r.Word<CountBasis>("basis"),
            r.Word<EggColour>("colour"),
            r.Yes("broken")
        )
        {
            FertilePct = r.MaybeReal("fertile_pct"),
            FromC = r.MaybeReal("from_c"),
            TroughC = r.Real("trough_c"),
            TemperedMin = r.Real("tempered_min"),
            Masses = r.MaybeInt("masses"),
            WithParents = r.Yes("with_parents"),
            Treatment = r.Text("treatment"),
        };

    private static LotLooked LookOf(FactRow r) =>
        new(
            r.Long("lot"),
            r.MaybeReal("temp_c"),
            r.MaybeReal("oxygen"),
            r.MaybeReal("ph"),
            r.MaybeText("seen") is null ? null : r.Word<EggStage>("seen"),
            r.Word<EggColour>("colour"),
            r.MaybeReal("fungus_pct"),
            r.MaybeInt("deformed")
        )
        {
            Siphoned = r.Yes("siphoned"),
            ChangedPct = r.MaybeReal("changed_pct"),
            Behaviour = r.Word<FryBehaviour>("behaviour"),
            Mixing = r.Word<TroughMixing>("mixing"),
            LightLux = r.MaybeReal("light_lux"),
            Given = r.Text("given"),
        };
}
