using Dorsk.Core.Species;

namespace Dorsk.Core.Water;

/// <summary>In which band solids settled in a cone are wanted: under it floc cleans little, over it gills clog and oxygen goes.</summary>
/// <param name="LowMlL">Lower end, mL/L.</param>
/// <param name="HighMlL">Upper end, mL/L.</param>
public sealed record FlocBand(double LowMlL, double HighMlL)
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Floc volumes in tanks of shrimp, tilapia and other fish (Hargreaves 2013); starting values";

    private static readonly FlocBand ShrimpNursery = new(2, 10),
        Shrimp = new(10, 15),
        Tilapia = new(25, 50),
        Fish = new(10, 15);

    /// <summary>The band of a species and stage.</summary>
    public static FlocBand For(FishSpecies species, LifeStage stage) =>
        species.AtTheFloor ? (stage == LifeStage.Growing ? Shrimp : ShrimpNursery)
        : species.BaseKey.Contains("tilapia", StringComparison.Ordinal) ? Tilapia
        : Fish;
}
