using Dorsk.Core.Judging;

namespace Dorsk.Core.Health;

/// <summary>What a product is. Kinds are kept apart: a herb is no antibiotic and a killer of algae no medicine.</summary>
public enum ProductKind
{
    /// <summary>Kills bacteria in fish.</summary>
    Antibiotic,

    /// <summary>Against parasites or fungus.</summary>
    Parasite,

    /// <summary>Oxidiser or disinfectant.</summary>
    Disinfectant,

    /// <summary>Salt.</summary>
    Salt,

    /// <summary>Kills algae or weed.</summary>
    Algaecide,

    /// <summary>Living bacteria.</summary>
    Probiotic,

    /// <summary>Brewed or ground plants.</summary>
    Plant,

    /// <summary>Vaccine.</summary>
    Vaccine,

    /// <summary>Kills insects, snails or other pests, or lies on the water as a film of oil.</summary>
    Pesticide,
}

/// <summary>The active matter, as far as a bar hangs on it.</summary>
public enum ActiveMatter
{
    /// <summary>Another one.</summary>
    Other,

    /// <summary>Copper.</summary>
    Copper,

    /// <summary>Formalin.</summary>
    Formalin,

    /// <summary>Potassium permanganate.</summary>
    Permanganate,

    /// <summary>Hydrogen peroxide or peracetic acid.</summary>
    Peroxide,

    /// <summary>Chlorine.</summary>
    Chlorine,
}

/// <summary>What the label's dose is given by.</summary>
public enum DoseBasis
{
    /// <summary>Milligrams in a litre of water.</summary>
    WaterMgL,

    /// <summary>Grams on a square metre of pond.</summary>
    AreaGM2,

    /// <summary>Milligrams for a kilogram of fish a day, in feed.</summary>
    FeedMgKg,

    /// <summary>International units for a kilogram of fish a day, in feed.</summary>
    FeedIuKg,
}

/// <summary>A product as its label describes it. The label rules: Dorsk only does its arithmetic.</summary>
/// <param name="ProductId">Its number; 0 for a new one.</param>
/// <param name="Name">Name on the pack.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Active">The active matter in words.</param>
/// <param name="Matter">The same, as far as a bar hangs on it.</param>
/// <param name="Strength">Active matter in the product: a share above 0 to 1, or units a gram for <see cref="DoseBasis.FeedIuKg"/>.</param>
/// <param name="Basis">What the dose is given by.</param>
/// <param name="DoseLow">Least dose of the label, of active matter, in the unit of the basis.</param>
/// <param name="DoseHigh">Highest dose of the label.</param>
public sealed record ProductDescribed(
    long ProductId,
    string Name,
    ProductKind Kind,
    string Active,
    ActiveMatter Matter,
    double Strength,
    DoseBasis Basis,
    double DoseLow,
    double DoseHigh
) : Fact
{
    /// <summary>Minutes of a bath; null where it stays in the water or is fed.</summary>
    public double? BathMinutes { get; init; }

    /// <summary>Days it is fed; null where it is not.</summary>
    public int? FeedDays { get; init; }

    /// <summary>Days after the last dose in which no fish leave; 0 for none.</summary>
    public int WithdrawalDays { get; init; }

    /// <summary>Degree-days after the last dose, °C × days; 0 for none.</summary>
    public double WithdrawalDegreeDays { get; init; }

    /// <summary>Whether the law asks for a vet's prescription.</summary>
    public bool NeedsVet { get; init; }

    /// <summary>What one pack holds, g; null where nobody said.</summary>
    public double? PackG { get; init; }

    /// <summary>Weight of a millilitre, g; null for what is no liquid.</summary>
    public double? DensityGMl { get; init; }

    /// <summary>How it is dissolved and where it goes, by its label.</summary>
    public string How { get; init; } = "";

    /// <summary>No longer used.</summary>
    public bool Dropped { get; init; }

    /// <summary>Whether it goes into the water.</summary>
    public bool GoesIntoWater => Basis is DoseBasis.WaterMgL or DoseBasis.AreaGM2;

    /// <summary>Whether it is given against disease: first the water, then this.</summary>
    public bool IsMedicine =>
        Kind is ProductKind.Antibiotic or ProductKind.Parasite or ProductKind.Disinfectant or ProductKind.Plant;

    /// <summary>Whether it takes oxygen from the water: by itself, or by what it kills.</summary>
    public bool TakesOxygen =>
        GoesIntoWater
        && (
            Kind is ProductKind.Algaecide or ProductKind.Pesticide
            || Matter is ActiveMatter.Copper or ActiveMatter.Formalin or ActiveMatter.Permanganate
        );

    /// <summary>Whether the water's own demand must be tested before it is dosed.</summary>
    public bool IsOxidiser =>
        GoesIntoWater && Matter is ActiveMatter.Permanganate or ActiveMatter.Peroxide or ActiveMatter.Chlorine;

    private const double MostDose = 100_000;
    private const int LongestDays = 200;

    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Name.Trim().Length is 0 or > 60)
            yield return Remark.Refuse("Name", "1 to 60 letters, as on the pack.");
        if (Active.Trim().Length is 0 or > 60)
            yield return Remark.Refuse("Active", "1 to 60 letters: the active matter, as on the label.");
        if (Basis == DoseBasis.FeedIuKg ? Strength is not (> 0 and <= 1e9) : Strength is not (> 0 and <= 1))
            yield return Remark.Refuse(
                "Strength",
                Basis == DoseBasis.FeedIuKg
                    ? "Units in a gram, as on the label: above 0."
                    : "Above 0, up to 100 %. Where the label gives the dose of the product itself, type 100."
            );
        if (DoseLow is not (> 0 and <= MostDose))
            yield return Remark.Refuse("DoseLow", "Above 0, as on the label.");
        if (!(DoseHigh >= DoseLow && DoseHigh <= MostDose))
            yield return Remark.Refuse(
                "DoseHigh",
                "Not under the least dose; where the label gives one figure, type it in both."
            );
        foreach (var remark in Times())
            yield return remark;
    }

    private IEnumerable<Remark> Times()
    {
        if (BathMinutes is { } minutes && (minutes is not (>= 0.5 and <= 2880) || !GoesIntoWater))
            yield return Remark.Refuse(
                "Minutes",
                "Half a minute to two days, for what goes into the water; else leave it empty."
            );
        var isFed = !GoesIntoWater;
        if (isFed != FeedDays is not null || FeedDays is < 1 or > LongestDays)
            yield return Remark.Refuse(
                "FeedDays",
                isFed ? $"1 to {LongestDays} days, as on the label." : "Only for what is fed; leave it empty."
            );
        if (WithdrawalDays is < 0 or > 1000)
            yield return Remark.Refuse("WithdrawalDays", "0 to 1,000 days, as on the label.");
        if (WithdrawalDegreeDays is not (>= 0 and <= 10_000))
            yield return Remark.Refuse("WithdrawalDegreeDays", h =>
                $"{Limit.Range(0, 10_000, Units.Measures.DegreeDays, h)}, as on the label."
            );
        if (PackG is not (null or (> 0 and <= 1e7)))
            yield return Remark.Refuse("Pack", "What one pack holds: above 0.");
        if (DensityGMl is not (null or (>= 0.5 and <= 3)))
            yield return Remark.Refuse("Density", "0.5 to 3 times that of water, as on the label.");
        if (How.Length > 300)
            yield return Remark.Refuse("How", "At most 300 letters.");
        if (Kind == ProductKind.Antibiotic && !NeedsVet)
            yield return Remark.Ask(
                "NeedsVet",
                "Antibiotics need a vet's prescription in most countries. Is it truly sold without one where you farm?"
            );
    }
}
