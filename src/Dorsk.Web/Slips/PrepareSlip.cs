using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Web.Slips;

/// <summary>How a pond is to be made ready.</summary>
internal sealed class PrepareSlip : ISlip
{
    private static readonly (LimeSchool School, string Word)[] Limes =
    [
        (LimeSchool.None, "none"),
        (LimeSchool.BySoil, "limestone, by pH of the mud"),
        (LimeSchool.ByAlkalinity, "limestone, by alkalinity of the water"),
        (LimeSchool.Disinfect, "quick lime, against germs and pests"),
    ];
    private static readonly (PestSchool School, string Word)[] Pests =
    [
        (PestSchool.DryAndScreen, "1, mildest: drying and screens only"),
        (PestSchool.LimedPuddles, "2: quick lime into puddles that do not dry"),
        (PestSchool.PlantRoot, "3: a licensed plant root, soaked, collected, flushed"),
        (PestSchool.Poison, "4, harshest: another licensed fish poison by its label"),
    ];
    private static readonly (FertiliserSchool School, string Word)[] Foods =
    [
        (FertiliserSchool.None, "none: fish are fed"),
        (FertiliserSchool.Mineral, "mineral, weekly"),
        (FertiliserSchool.Meal, "meal, weekly: fry ponds"),
        (FertiliserSchool.Mixed, "meal once, then mineral weekly"),
        (FertiliserSchool.Manure, "poultry manure on the dry floor, then mineral weekly"),
    ];

    public string Key => "prepare";

    public string Title => "Preparation";

    public string Button => "Save this plan";

    public bool OfPond => true;

    public string FactKind => nameof(PreparationPlanned);

    public string Section => "prepare";

    public Permission Needs => Permission.Manage;

    public string Caution =>
        "Lime is caustic, poisons kill more than fish: labels, local rules and licensed people come first. Where drained water goes is a matter of local rules too.";

    public string? CannotStart(SlipContext c) =>
        c.Corrects is null && c.Story!.Standing.Any()
            ? "Fish stand in this pond. It is prepared once they are out."
            : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<PreparationPlanned>() ?? c.Story!.Readiness.PreparationAt(c.Here.Now)?.Line.Plan;
        var story = c.Story!;
        var soil = story.Pond.Kind is PondKind.Earthen or PondKind.Split;
        // Liners, tanks and nets have no bottom to dry or lime.
        return
        [
            .. Lines.When(c),
            c.Day("StockOn", "Stocking date", old?.StockOn)
                .WithHint("counted back from this day; empty: forward from today"),
            c.Fish("Species", "Which fish", old?.SpeciesKey ?? story.LikelySpecies.Key),
            .. soil ? Bottom(c, old) : [],
            .. soil ? PestsAndFood(c, old) : [],
            .. soil ? OwnFigures(c, old?.Own ?? OwnPrep.None) : [],
            .. Costs(c, old, soil),
        ];
    }

    private static IEnumerable<SlipField> Bottom(SlipContext c, PreparationPlanned? old) =>
        [
            c.Heading("Bottom"),
            c.Whole("DryDays", "Days to dry", old?.DryDays ?? 10)
                .WithHint("5 to 14, until it cracks; two weeks for nurseries; 0: not dried"),
            c.Choice(
                "Lime",
                "Lime",
                old?.Lime ?? LimeSchool.ByAlkalinity,
                Limes.Select(l => (l.School.ToString(), l.Word)).ToList()
            ),
            c.Quantity("MudPh", "pH of the mud", Measures.Ph, old?.MudPh)
                .WithHint("for lime by soil: dried mud stirred into as much distilled water"),
            c.Choice(
                "Texture",
                "The mud is",
                old?.Texture ?? SoilTexture.HeavyLoamOrClay,
                Enum.GetValues<SoilTexture>().Select(t => (t.ToString(), LimeNeed.Words(t))).ToList()
            ),
            c.Quantity(
                    "Alkalinity",
                    "Alkalinity of the water",
                    Measures.CoarseConcentration,
                    old?.AlkalinityMgL ?? c.Story!.LastOf(Parameter.Alkalinity)?.Si
                )
                .WithHint("for lime by alkalinity"),
            c.Quantity("LimeValue", "Neutralising value with fineness", Measures.Share, old?.LimeValuePct ?? 90)
                .WithHint(
                    $"of the bag; grains over {c.Here.Say(0.002, Measures.Pellet)} count nothing, those to {c.Here.Say(0.00025, Measures.Pellet with { Decimals = 2 })} half"
                ),
        ];

    private static IEnumerable<SlipField> PestsAndFood(SlipContext c, PreparationPlanned? old) =>
        [
            c.Heading("Pests and food"),
            c.Choice(
                "Pests",
                "Against wild fish",
                old?.Pests ?? PestSchool.DryAndScreen,
                Pests.Select(p => (p.School.ToString(), p.Word)).ToList()
            ),
            c.Quantity("PoisonGM3", "Its label says", Measures.Oxygen, old?.PoisonGM3)
                .WithHint(
                    c.Here.Hand.System == UnitSystem.Us
                        ? "only with a poison or a root"
                        : "mg/L, which is grams in a cubic metre; only with a poison or a root"
                ),
            c.Whole("PoisonDays", "and days to wait", old?.PoisonDays ?? 10),
            c.Choice(
                "Fertiliser",
                "Fertiliser",
                old?.Fertiliser ?? FertiliserSchool.None,
                Foods.Select(f => (f.School.ToString(), f.Word)).ToList()
            ),
            c.Yes("Cover", "Floating plants cover the water as feed", old?.Cover == true ? "true" : ""),
        ];

    private static IEnumerable<SlipField> OwnFigures(SlipContext c, OwnPrep own) =>
        [
            c.Heading("Filling"),
            c.Whole("Stages", "Levels it is filled in", own.Stages)
                .WithHint("1: at once; 3 for fry, as their food grows"),
            c.Yes("StartPool", "A shallow starting pool for tiny fry", own.StartPool ? "true" : ""),
            c.Heading("Your own rule"),
            c.Words("OwnNote", "Whose rule it is", own.Note)
                .WithHint("what is typed below stands in place of the trade's figures; empty lines keep them"),
            c.Quantity("OwnLime", "Lime", Measures.AreaLoad, own.LimeKgHa),
            c.Quantity("OwnManure", "Manure", Measures.AreaLoad, own.ManureKgHa),
            c.Quantity("OwnMeal", "Meal, at first", Measures.AreaLoad, own.MealKgHa),
            c.Quantity("OwnN", "Nitrogen a dose", Measures.AreaLoad, own.NitrogenKgHa),
            c.Quantity("OwnP", "Phosphate a dose, P₂O₅", Measures.AreaLoad, own.PhosphateKgHa),
            Whole(c, "OwnDoseDays", "Days between doses", own.DoseEveryDays),
            Whole(c, "OwnManureDays", "Days from manure to water", own.ManureDays)
                .WithHint("7 is usual; some wait 2 or 3"),
            Whole(c, "OwnLimeDays", "Days from lime to fish", own.LimeDays),
        ];

    private static SlipField Whole(SlipContext c, string name, string label, int? days) =>
        c.Whole(name, label, days?.ToString(System.Globalization.CultureInfo.InvariantCulture) ?? "");

    private static OwnPrep ReadOwn(SlipForm form)
    {
        int? Days(string field) => form.Empty(field) ? null : form.Whole(field, "days");
        double? KgHa(string field) => form.MaybeQuantity(field, Measures.AreaLoad);
        return new(
            form.Text("OwnNote"),
            KgHa("OwnLime"),
            KgHa("OwnManure"),
            KgHa("OwnMeal"),
            KgHa("OwnN"),
            KgHa("OwnP"),
            Days("OwnDoseDays"),
            Days("OwnManureDays"),
            Days("OwnLimeDays"),
            form.Whole("Stages", "levels"),
            form.Yes("StartPool")
        );
    }

    private static IEnumerable<SlipField> Costs(SlipContext c, PreparationPlanned? old, bool soil)
    {
        yield return c.Heading("Your prices");
        if (soil)
            foreach (var field in Bags(c, old))
                yield return field;
        yield return c.Quantity("KWh", "A kWh costs", Measures.Price, old?.Prices.KWh)
            .WithHint("filling is priced with the pond's own pump, from its equipment");
    }

    private static IEnumerable<SlipField> Bags(SlipContext c, PreparationPlanned? old) =>
        [
            c.Quantity("BagKg", "A bag holds", Measures.Mass, old?.Prices.BagKg ?? 25),
            c.Quantity("LimeBag", "A bag of lime costs", Measures.Price, old?.Prices.LimeBag)
                .WithHint("empty: not priced"),
            c.Quantity("FertiliserBag", "A bag of fertiliser costs", Measures.Price, old?.Prices.FertiliserBag),
            c.Quantity("MealBag", "A bag of meal costs", Measures.Price, old?.Prices.MealBag),
        ];

    public Filled Read(SlipForm form, SlipContext c)
    {
        var soil = c.Story!.Pond.Kind is PondKind.Earthen or PondKind.Split;
        var happened = form.When();
        DateOnly? stockOn = form.Empty("StockOn") ? null : form.Day("StockOn");
        var species = form.Fish("Species").Key;
        var plan = ReadPlan(form, c.PondId, stockOn, species, soil);
        return new(
            happened,
            [plan],
            $"{c.Story.Pond.Code} preparation{(stockOn is { } d ? $", fish on {d:yyyy-MM-dd}" : "")}",
            Worked(form, c, plan, happened)
        );
    }

    private static PreparationPlanned ReadPlan(SlipForm form, long pondId, DateOnly? stockOn, string species, bool soil)
    {
        T Pick<T>(string field, (T Item, string Word)[] options, string what)
            where T : struct, Enum =>
            soil
                ? form.Choice(field, options.Select(o => (o.Item.ToString(), o.Item)).ToList(), what, options[0].Item)
                : options[0].Item;
        double? Maybe(string field, Measure m) => soil ? form.MaybeQuantity(field, m) : null;
        return new PreparationPlanned(
            pondId,
            stockOn,
            species,
            soil ? form.Whole("DryDays", "days") : 0,
            Pick("Lime", Limes, "lime"),
            Maybe("MudPh", Measures.Ph),
            Pick("Texture", Enum.GetValues<SoilTexture>().Select(t => (t, "")).ToArray(), "texture"),
            Maybe("Alkalinity", Measures.CoarseConcentration),
            soil ? form.Quantity("LimeValue", Measures.Share) : 100,
            Pick("Pests", Pests, "way"),
            Maybe("PoisonGM3", Measures.Oxygen),
            soil ? form.Whole("PoisonDays", "days") : 1,
            Pick("Fertiliser", Foods, "fertiliser"),
            soil && form.Yes("Cover"),
            ReadPrices(form, soil)
        )
        {
            Own = soil ? ReadOwn(form) : OwnPrep.None,
        };
    }

    private static PreparationPrices ReadPrices(SlipForm form, bool soil)
    {
        double? Maybe(string field) => soil ? form.MaybeQuantity(field, Measures.Price) : null;
        return new(
            soil ? form.Quantity("BagKg", Measures.Mass) : 25,
            Maybe("LimeBag"),
            Maybe("FertiliserBag"),
            Maybe("MealBag"),
            form.MaybeQuantity("KWh", Measures.Price)
        );
    }

    // Drying is a matter of use: both dates are shown, so that nobody takes one for the other.
    private static IEnumerable<Computed> FillDates(SlipContext c, PreparationPlanned plan, DateOnly day)
    {
        DateOnly First(int dryDays) =>
            PrepPlan
                .Of(
                    PrepSteps.For(plan with { DryDays = dryDays, StockOn = null }, c.Story!.PrepPond),
                    day,
                    null,
                    new Dictionary<string, StepDone>(),
                    day
                )
                .Steps.First(s => s.Step.Key == "filling")
                .Day;
        yield return new("First water, grow-out (a week of drying)", c.Here.Day(First(7)));
        yield return new("First water, nursery (two weeks)", c.Here.Day(First(14)));
    }

    private static List<Computed> Worked(SlipForm form, SlipContext c, PreparationPlanned plan, DateTimeOffset happened)
    {
        var day = c.Here.Zone.DayOf(happened);
        if (form.Remarks.Count > 0 || plan.Check(day).Any(r => r.Kind == Core.Judging.Objection.Refuse))
            return [];
        var dated = PrepPlan.Of(
            PrepSteps.For(plan, c.Story!.PrepPond),
            day,
            plan.StockOn,
            new Dictionary<string, StepDone>(),
            day
        );
        return
        [
            new("First step", $"{c.Here.Day(dated.Steps[0].Day)}: {dated.Steps[0].Step.What.ToLowerInvariant()}"),
            new(
                "Fish can come",
                c.Here.Day(dated.StockOn)
                    + (
                        dated.SlipsDays > 0
                            ? $", {dated.SlipsDays} days after the wanted day: there is not time enough"
                            : ""
                    )
            ),
            .. Takes(c, dated),
            .. c.Story!.PrepPond.Earthen ? FillDates(c, plan, day) : [],
        ];
    }

    private static IEnumerable<Computed> Takes(SlipContext c, PrepPlan dated) =>
        dated
            .Shopping.Where(s => s.Amount is not null && !s.IsEnergy)
            .Select(s => new Computed(
                s.Product,
                c.Here.Say(s.Amount!.Value, Measures.Mass)
                    + (s.Range is { } r ? $" ({c.Here.Range(r.Low, r.High, Measures.Mass)})" : "")
            ));
}
