namespace Dorsk.Core.Water;

/// <summary>Something that raises alkalinity, with how much of it water with fish bears in a day.</summary>
/// <param name="Name">Plain name.</param>
/// <param name="Formula">Formula.</param>
/// <param name="GPerM3PerMgL">Pure product for 1 mg/L as CaCO₃, g/m³: molar mass by equivalents, by 50.043.</param>
/// <param name="StepGM3">Largest daily step with fish in the water, g/m³; null when it is safe in any step, 0 when it is never given over fish.</param>
/// <param name="Caution">The usual caution.</param>
/// <param name="Note">What it does besides.</param>
public sealed record AlkalinityProduct(
    string Name,
    string Formula,
    double GPerM3PerMgL,
    double? StepGM3,
    string Caution,
    string Note
)
{
    private const double CaCO3Equivalent = 50.043;

    /// <summary>Where factors and steps come from.</summary>
    public const string Source =
        "Stoichiometry; steps after Boyd and Tucker 1998, Timmons and Ebeling 2010; starting values";

    /// <summary>All of them. The step of hydrated lime is the 50 kg/ha of the trade in a metre of water.</summary>
    public static readonly IReadOnlyList<AlkalinityProduct> All =
    [
        new(
            "sodium bicarbonate",
            "NaHCO3",
            84.006 / CaCO3Equivalent,
            50,
            "Dissolve it first.",
            "Quick; raises pH to about 8.3 at most."
        ),
        new(
            "sodium carbonate (soda ash)",
            "Na2CO3",
            105.988 / 2 / CaCO3Equivalent,
            20,
            "Burns eyes: goggles.",
            "Raises pH: read it each half hour."
        ),
        new(
            "agricultural limestone",
            "CaCO3",
            1,
            null,
            "Dust mask.",
            "Dissolves over 2 to 4 weeks, and only to about pH 8.3."
        ),
        new(
            "hydrated (slaked) lime",
            "Ca(OH)2",
            74.092 / 2 / CaCO3Equivalent,
            5,
            "Burns eyes and lungs: goggles, mask, gloves, upwind. Follow the label.",
            "At dawn only, with alkalinity over 50 mg/L and TAN under 1 mg/L: it makes ammonia poisonous at once."
        ),
        new(
            "burnt (quick) lime",
            "CaO",
            56.077 / 2 / CaCO3Equivalent,
            0,
            "Burns skin and eyes, boils with water: goggles, gloves, upwind. Follow the label.",
            "For an empty bottom, never over fish."
        ),
    ];

    /// <summary>A product by formula, or null.</summary>
    public static AlkalinityProduct? Find(string formula) => All.FirstOrDefault(p => p.Formula == formula);
}
