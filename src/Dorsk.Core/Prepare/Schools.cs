using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Prepare;

/// <summary>Whether lime goes on the bottom, and by what it is sized.</summary>
public enum LimeSchool
{
    /// <summary>None.</summary>
    None,

    /// <summary>By pH and texture of the mud.</summary>
    BySoil,

    /// <summary>By alkalinity of the water.</summary>
    ByAlkalinity,

    /// <summary>Quick lime against germs and pests.</summary>
    Disinfect,
}

/// <summary>What is done against wild fish and pests, from mild to harsh.</summary>
public enum PestSchool
{
    /// <summary>Drying and screens only.</summary>
    DryAndScreen,

    /// <summary>Quick lime into the puddles that do not dry.</summary>
    LimedPuddles,

    /// <summary>A licensed plant root: soaked overnight, sprayed, collected, flushed.</summary>
    PlantRoot,

    /// <summary>A licensed fish poison by its label, then a test with a few fish.</summary>
    Poison,
}

/// <summary>What feeds the water before fish come.</summary>
public enum FertiliserSchool
{
    /// <summary>Nothing: fish are fed.</summary>
    None,

    /// <summary>Mineral fertiliser, weekly.</summary>
    Mineral,

    /// <summary>Meal for animal plankton in fry ponds, weekly.</summary>
    Meal,

    /// <summary>Meal once at filling, mineral weekly.</summary>
    Mixed,

    /// <summary>Dry poultry manure on the dry floor, a wait, then water; mineral weekly.</summary>
    Manure,
}

/// <summary>How a pond is to be made ready: schools, figures and the farm's own prices. Its day is the day of its line.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="StockOn">Day fish come, counted back from; null: forward from the first day.</param>
/// <param name="SpeciesKey">Species that comes.</param>
/// <param name="DryDays">Days the bottom dries; 0: it is not dried.</param>
/// <param name="Lime">Lime school.</param>
/// <param name="MudPh">pH of the mud, for lime by soil.</param>
/// <param name="Texture">Its texture.</param>
/// <param name="AlkalinityMgL">Alkalinity, mg/L, for lime by alkalinity.</param>
/// <param name="LimeValuePct">Neutralising value times fineness, percent.</param>
/// <param name="Pests">Pest school.</param>
/// <param name="PoisonGM3">Poison by its label, g/m³; null: the label says.</param>
/// <param name="PoisonDays">Days to wait after it by its label.</param>
/// <param name="Fertiliser">Fertiliser school.</param>
/// <param name="Cover">Whether floating plants cover the water as feed and are opened before fish come.</param>
/// <param name="Prices">The farm's own prices.</param>
public sealed record PreparationPlanned(
    long PondId,
    DateOnly? StockOn,
    string SpeciesKey,
    int DryDays,
    LimeSchool Lime,
    double? MudPh,
    SoilTexture Texture,
    double? AlkalinityMgL,
    double LimeValuePct,
    PestSchool Pests,
    double? PoisonGM3,
    int PoisonDays,
    FertiliserSchool Fertiliser,
    bool Cover,
    PreparationPrices Prices
) : Fact
{
    /// <summary>The farm's own figures.</summary>
    public OwnPrep Own { get; init; } = OwnPrep.None;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="plannedOn">Farm day of the plan.</param>
    public IEnumerable<Remark> Check(DateOnly plannedOn)
    {
        foreach (var remark in Bounds(plannedOn))
            yield return remark;
        if (MudPh < LimeNeed.AcidSulphatePh && DryDays > 0)
            yield return Remark.Ask(
                "DryDays",
                "Mud under pH 4 is likely an acid-sulphate soil: dried, it turns to acid. Flush and lime it wet, by test; 0 days is the safe choice. Is drying meant?"
            );
        foreach (var remark in Own.Check())
            yield return remark;
        if (Pests == PestSchool.LimedPuddles && Lime == LimeSchool.Disinfect)
            yield return Remark.Ask(
                "Pests",
                "Quick lime over the whole floor is in the puddles too. Is a second round meant?"
            );
        if (!Prices.Sound)
            yield return Remark.Refuse("BagKg", h =>
                $"Bags of {Limit.Range(0.1, 2000, Measures.Mass, h)}; prices from 0 up."
            );
    }

    private IEnumerable<Remark> Bounds(DateOnly plannedOn)
    {
        if (StockOn is { } day && (day <= plannedOn || day > plannedOn.AddDays(730)))
            yield return Remark.Refuse(
                "StockOn",
                "Fish come after the plan is made, and within two years of it. Choose another day, or leave it empty to count forward."
            );
        if (DryDays is < 0 or > 120)
            yield return Remark.Refuse("DryDays", "0 to 120 days; 5 to 14 is usual.");
        if (Lime == LimeSchool.BySoil && MudPh is not (>= 2 and <= 10))
            yield return Remark.Refuse(
                "MudPh",
                "Lime by soil needs the pH of the mud, 2 to 10: dried mud in as much distilled water."
            );
        if (Lime == LimeSchool.ByAlkalinity && AlkalinityMgL is not (>= 0 and <= 800))
            yield return Remark.Refuse(
                "Alkalinity",
                "Lime by alkalinity needs the alkalinity of the water, 0 to 800 mg/L as CaCO₃."
            );
        if (LimeValuePct is not (>= 10 and <= 180))
            yield return Remark.Refuse(
                "LimeValue",
                "10 to 180 % of pure fine limestone; the bag says the neutralising value."
            );
        if (PoisonGM3 is <= 0 or > 1000)
            yield return Remark.Refuse("PoisonGM3", "Over 0 and up to 1,000 g/m³, by the label; or empty.");
        if (PoisonDays is < 1 or > 90)
            yield return Remark.Refuse("PoisonDays", "1 to 90 days; the label says how long.");
    }
}

/// <summary>The farm's own prices, in its currency; null where nobody typed one.</summary>
/// <param name="BagKg">A bag of lime or fertiliser, kg.</param>
/// <param name="LimeBag">A bag of lime.</param>
/// <param name="FertiliserBag">A bag of fertiliser, of either kind.</param>
/// <param name="MealBag">A bag of meal.</param>
/// <param name="KWh">A kilowatt-hour.</param>
public sealed record PreparationPrices(
    double BagKg,
    double? LimeBag,
    double? FertiliserBag,
    double? MealBag,
    double? KWh
)
{
    /// <summary>Whether all are within bounds.</summary>
    public bool Sound =>
        BagKg is >= 0.1 and <= 2000
        && new[] { LimeBag, FertiliserBag, MealBag, KWh }.All(p => p is null or (>= 0 and <= 1e7));
}
