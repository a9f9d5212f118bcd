using Dorsk.Core.Species;

namespace Dorsk.Core.Oxygen;

/// <summary>
/// What fish, plankton and mud take. Fish: Boyd, Romaire &amp; Johnston 1978 (Transactions of the American Fisheries Society 107);
/// under 5 g the power law W^0.82 (Schroeder 1975) scaled to meet it. Plankton by night from Secchi depth: the Auburn equation of
/// Boyd and Romaire 1978. Mud: Schroeder 1975 and others, 61 mg/m²/h.
/// </summary>
public static class Respiration
{
    private const double HoldAboveG = 797.5; // the quadratic term turns here and would rise again
    private const double PowerLawBelowG = 5;

    /// <summary>Oxygen use of mud, g/m²/h at 20 °C and above; a setting.</summary>
    public const double MudGM2H = 0.061;

    /// <summary>Oxygen use of fish, mg O₂ per g and hour, as the equation gives it for channel catfish.</summary>
    /// <param name="meanG">Weight, g; held at 797.5 above.</param>
    /// <param name="tempC">Temperature, °C; made for 15–33.</param>
    public static double FishEquation(double meanG, double tempC)
    {
        var w = Math.Min(meanG, HoldAboveG);
        return Math.Pow(
            10,
            -0.999
                - (0.000957 * w)
                + (0.0000006 * w * w)
                + (0.0327 * tempC)
                - (0.0000087 * tempC * tempC)
                + (0.0000003 * tempC * tempC * tempC)
        );
    }

    /// <summary>Oxygen use of a species, mg O₂ per g and hour; small fish by the power law.</summary>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="species">The species.</param>
    public static double Fish(double meanG, double tempC, FishSpecies species) =>
        species.RespirationFactor
        * (
            meanG >= PowerLawBelowG
                ? FishEquation(meanG, tempC)
                : FishEquation(PowerLawBelowG, tempC) * Math.Pow(meanG / PowerLawBelowG, 0.82 - 1)
        );

    /// <summary>Oxygen use of plankton, mg/L/h, never below 0, as the equation gives it.</summary>
    /// <param name="secchiCm">Secchi depth, cm; made for 20–80.</param>
    /// <param name="tempC">Temperature, °C; made for 20–32.</param>
    public static double PlanktonEquation(double secchiCm, double tempC) =>
        Math.Max(
            0,
            -1.133
                + (0.00381 * secchiCm)
                + (0.0000145 * secchiCm * secchiCm)
                + (0.0812 * tempC)
                - (0.000749 * tempC * tempC)
                - (0.000349 * secchiCm * tempC)
        );

    /// <summary>Oxygen use of plankton in any pond, mg/L/h: the equation held to its range, below 20 °C its 20 °C value by Q₁₀ 2, never quite nought.</summary>
    /// <param name="secchiCm">Secchi depth, cm; above 0.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    public static double Plankton(double secchiCm, double tempC)
    {
        var secchi = Math.Clamp(secchiCm, 20, 80);
        var held = Math.Max(0.01, PlanktonEquation(secchi, Math.Clamp(tempC, 20, 32)));
        return tempC >= 20 ? held : held * Math.Pow(2, (tempC - 20) / 10);
    }

    /// <summary>Whether a Secchi depth and temperature lie where the plankton equation was made.</summary>
    /// <param name="secchiCm">Secchi depth, cm; above 0.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    public static bool PlanktonInRange(double secchiCm, double tempC) =>
        secchiCm is >= 20 and <= 80 && tempC is >= 20 and <= 32;
}
