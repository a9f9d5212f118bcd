using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
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
        (PestSchool.DryAndScreen, "drying and screens only"),
        (PestSchool.Poison, "a licensed fish poison by its label"),
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

    public string Button => "Keep this plan";

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
        string Si(double? si, Measure m) => Lines.Plain(c, si, m);
        IEnumerable<SlipField> all =
        [
            .. Lines.When(c),
            new(
                "StockOn",
                "Fish are to come on",
                FieldKind.Day,
                old?.StockOn?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "",
                Hint: "counted back from this day; empty: forward from today"
            ),
            new(
                "Species",
                "Which fish",
                FieldKind.Choice,
                old?.SpeciesKey ?? story.LikelySpecies.Key,
                Options: FishSpecies.All.Select(s => (s.Key, s.Name)).ToList()
            ),
            new("", "Bottom", FieldKind.Heading),
            new(
                "DryDays",
                "Days to dry",
                FieldKind.Whole,
                (old?.DryDays ?? 10).ToString(CultureInfo.InvariantCulture),
                Hint: "5 to 14, until it cracks; a week at least for nurseries; 0: not dried"
            ),
            new(
                "Lime",
                "Lime",
                FieldKind.Choice,
                (old?.Lime ?? LimeSchool.ByAlkalinity).ToString(),
                Options: Limes.Select(l => (l.School.ToString(), l.Word)).ToList()
            ),
            new(
                "MudPh",
                "pH of the mud",
                FieldKind.Quantity,
                Si(old?.MudPh, Measures.Ph),
                Measures.Ph,
                "for lime by soil: dried mud stirred into as much distilled water"
            ),
            new(
                "Texture",
                "The mud is",
                FieldKind.Choice,
                (old?.Texture ?? SoilTexture.HeavyLoamOrClay).ToString(),
                Options: Enum.GetValues<SoilTexture>().Select(t => (t.ToString(), LimeNeed.Words(t))).ToList()
            ),
            new(
                "Alkalinity",
                "Alkalinity of the water",
                FieldKind.Quantity,
                Si(old?.AlkalinityMgL ?? story.LastOf(Parameter.Alkalinity)?.Si, Measures.CoarseConcentration),
                Measures.CoarseConcentration,
                "for lime by alkalinity"
            ),
            new(
                "LimeValue",
                "Neutralising value with fineness",
                FieldKind.Quantity,
                Si(old?.LimeValuePct ?? 90, Measures.Share),
                Measures.Share,
                "of the bag; over 2 mm counts nothing, 0.25 to 2 mm half"
            ),
            new("", "Pests and food", FieldKind.Heading),
            new(
                "Pests",
                "Against wild fish",
                FieldKind.Choice,
                (old?.Pests ?? PestSchool.DryAndScreen).ToString(),
                Options: Pests.Select(p => (p.School.ToString(), p.Word)).ToList()
            ),
            new(
                "PoisonGM3",
                "Its label says, g/m³",
                FieldKind.Quantity,
                Si(old?.PoisonGM3, Measures.Plain),
                Measures.Plain with
                {
                    Decimals = 1,
                    UsDecimals = 1,
                },
                "grams in a cubic metre; only with a poison"
            ),
            new(
                "PoisonDays",
                "and days to wait",
                FieldKind.Whole,
                (old?.PoisonDays ?? 10).ToString(CultureInfo.InvariantCulture)
            ),
            new(
                "Fertiliser",
                "Fertiliser",
                FieldKind.Choice,
                (old?.Fertiliser ?? FertiliserSchool.None).ToString(),
                Options: Foods.Select(f => (f.School.ToString(), f.Word)).ToList()
            ),
            new("Cover", "Floating plants cover the water as feed", FieldKind.Yes, old?.Cover == true ? "true" : ""),
            new("", "Your prices", FieldKind.Heading),
            new("BagKg", "A bag holds", FieldKind.Quantity, Si(old?.Prices.BagKg ?? 25, Measures.Mass), Measures.Mass),
            new(
                "LimeBag",
                "A bag of lime costs",
                FieldKind.Quantity,
                Si(old?.Prices.LimeBag, Measures.Price),
                Measures.Price,
                "empty: not priced"
            ),
            new(
                "FertiliserBag",
                "A bag of fertiliser costs",
                FieldKind.Quantity,
                Si(old?.Prices.FertiliserBag, Measures.Price),
                Measures.Price
            ),
            new(
                "MealBag",
                "A bag of meal costs",
                FieldKind.Quantity,
                Si(old?.Prices.MealBag, Measures.Price),
                Measures.Price
            ),
            new(
                "KWh",
                "A kWh costs",
                FieldKind.Quantity,
                Si(old?.Prices.KWh, Measures.Price),
                Measures.Price,
                "filling is priced with the pond's own pump, from its equipment"
            ),
        ];
        // Liners, tanks and nets have no bottom to dry or lime.
        string[] ofSoil =
        [
            "DryDays",
            "Lime",
            "MudPh",
            "Texture",
            "Alkalinity",
            "LimeValue",
            "Pests",
            "PoisonGM3",
            "PoisonDays",
            "Fertiliser",
            "Cover",
            "BagKg",
            "LimeBag",
            "FertiliserBag",
            "MealBag",
        ];
        return all.Where(f => soil || (!ofSoil.Contains(f.Name) && f.Label is not ("Bottom" or "Pests and food")))
            .ToList();
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var soil = c.Story!.Pond.Kind is PondKind.Earthen or PondKind.Split;
        var happened = form.When();
        DateOnly? stockOn = form.Empty("StockOn") ? null : form.Day("StockOn");
        var species = form.Choice(
            "Species",
            FishSpecies.All.Select(s => (s.Key, s.Key)).ToList(),
            "species",
            FishSpecies.All[0].Key
        );
        T Pick<T>(string field, (T Item, string Word)[] options, string what)
            where T : struct, Enum =>
            soil
                ? form.Choice(field, options.Select(o => (o.Item.ToString(), o.Item)).ToList(), what, options[0].Item)
                : options[0].Item;
        double? Maybe(string field, Measure m) => soil ? form.MaybeQuantity(field, m) : null;
        var prices = new PreparationPrices(
            soil ? form.Quantity("BagKg", Measures.Mass) : 25,
            Maybe("LimeBag", Measures.Price),
            Maybe("FertiliserBag", Measures.Price),
            Maybe("MealBag", Measures.Price),
            form.MaybeQuantity("KWh", Measures.Price)
        );
        var plan = new PreparationPlanned(
            c.PondId,
            stockOn,
            species,
            soil ? form.Whole("DryDays", "days") : 0,
            Pick("Lime", Limes, "lime"),
            Maybe("MudPh", Measures.Ph),
            Pick("Texture", Enum.GetValues<SoilTexture>().Select(t => (t, "")).ToArray(), "texture"),
            Maybe("Alkalinity", Measures.CoarseConcentration),
            soil ? form.Quantity("LimeValue", Measures.Share) : 100,
            Pick("Pests", Pests, "way"),
            Maybe("PoisonGM3", Measures.Plain),
            soil ? form.Whole("PoisonDays", "days") : 1,
            Pick("Fertiliser", Foods, "fertiliser"),
            soil && form.Yes("Cover"),
            prices
        );
        return new(
            happened,
            [plan],
            $"{c.Story.Pond.Code} preparation{(stockOn is { } d ? $", fish on {d:yyyy-MM-dd}" : "")}",
            Worked(form, c, plan, happened)
        );
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
            .. dated
                .Shopping.Where(s => s.Amount is not null && !s.IsEnergy)
                .Select(s => new Computed(s.Product, c.Here.Say(s.Amount!.Value, Measures.Mass))),
        ];
    }
}
