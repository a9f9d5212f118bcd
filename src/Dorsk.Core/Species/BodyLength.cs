namespace Dorsk.Core.Species;

/// <summary>Length of a fish from its weight and back, by Fulton's condition factor; and the opening it slips through.</summary>
public static class BodyLength
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Length by Fulton's condition factor K = 100 W/L³, K of the species table (1.2 where it has none); a body is about a tenth as thick as it is long, so a tenth of the length is the widest safe opening; judged";

    /// <summary>Thickness of a body by its length.</summary>
    public const double ThicknessOfLength = 0.1;

    private const double UsualK = 1.2;

    /// <summary>Total length, cm.</summary>
    /// <param name="species">The species.</param>
    /// <param name="weightG">Weight, g; above 0.</param>
    public static double Cm(FishSpecies species, double weightG) => Math.Cbrt(100 * weightG / K(species));

    /// <summary>Weight, g.</summary>
    /// <param name="species">The species.</param>
    /// <param name="lengthCm">Total length, cm; above 0.</param>
    public static double WeightG(FishSpecies species, double lengthCm) => K(species) * Math.Pow(lengthCm, 3) / 100;

    /// <summary>The widest opening of a mesh or screen that holds a fish, mm.</summary>
    /// <param name="species">The species.</param>
    /// <param name="weightG">Weight, g; above 0.</param>
    public static double HeldByMm(FishSpecies species, double weightG) => 10 * ThicknessOfLength * Cm(species, weightG);

    private static double K(FishSpecies species) =>
        SpeciesTable.Figure(species, "condition_k_tl") is > 0 and var k ? k : UsualK;
}
