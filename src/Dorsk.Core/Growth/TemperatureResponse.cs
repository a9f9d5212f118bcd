using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>The beta response of growth to temperature (Yan &amp; Hunt 1999, Annals of Botany 84): 1 at the best temperature, 0 at and outside the ends.</summary>
public static class TemperatureResponse
{
    /// <summary>f(T), 0 to 1.</summary>
    /// <param name="tempC">Temperature, °C.</param>
    /// <param name="minC">No growth at or below.</param>
    /// <param name="optC">Best growth.</param>
    /// <param name="maxC">No growth at or above.</param>
    public static double F(double tempC, double minC, double optC, double maxC) =>
        tempC <= minC || tempC >= maxC
            ? 0
            : (maxC - tempC) / (maxC - optC) * Math.Pow((tempC - minC) / (optC - minC), (optC - minC) / (maxC - optC));

    /// <summary>f(T) for a species.</summary>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="species">The species.</param>
    public static double F(double tempC, FishSpecies species) =>
        F(tempC, species.GrowthMinC, species.GrowthOptC, species.GrowthMaxC);

    /// <summary>How far a temperature lies from the best towards the warm and the cold end of growth, 0 to 1 each.</summary>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="species">The species.</param>
    public static (double Warm, double Cold) Flanks(double tempC, FishSpecies species) =>
        (
            Math.Clamp((tempC - species.GrowthOptC) / (species.GrowthMaxC - species.GrowthOptC), 0, 1),
            Math.Clamp((species.GrowthOptC - tempC) / (species.GrowthOptC - species.GrowthMinC), 0, 1)
        );
}
