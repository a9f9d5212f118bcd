using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Feeding;

/// <summary>What floc or plankton may give of the diet.</summary>
/// <param name="Pct">Share of the ration that may come from the water, percent.</param>
/// <param name="Why">Grounds.</param>
public sealed record NaturalFood(double Pct, Grounds Why)
{
    // Starting values: what trials let off the feed of animals that graze.
    private const double FlocPct = 15,
        BloomPct = 10,
        GoodBloomLowM = 0.20,
        GoodBloomHighM = 0.45;

    private static readonly string[] Graze =
    [
        "tilapia",
        "silver_carp",
        "rohu",
        "milkfish",
        "shrimp",
        "prawn",
        "tambaqui",
    ];

    /// <summary>The share; null for fish that do not graze, and where neither floc nor bloom was read well.</summary>
    /// <param name="species">The species.</param>
    /// <param name="stage">Its stage.</param>
    /// <param name="solidsMlL">Settled solids, mL/L, or null.</param>
    /// <param name="secchiM">Secchi depth of a pond, m, or null.</param>
    public static NaturalFood? For(FishSpecies species, LifeStage stage, double? solidsMlL, double? secchiM)
    {
        if (!Array.Exists(Graze, g => species.BaseKey.Contains(g, StringComparison.Ordinal)))
            return null;
        var band = FlocBand.For(species, stage);
        if (solidsMlL is { } solids && solids >= band.LowMlL && solids <= band.HighMlL)
            return new(FlocPct, Because("settled solids", solids, Measures.Settled));
        return secchiM is >= GoodBloomLowM and <= GoodBloomHighM
            ? new(BloomPct, Because("Secchi depth", secchiM.Value, Measures.ShortLength))
            : null;
    }

    private static Grounds Because(string what, double si, Measure measure) =>
        Grounds.Of(
            "Animals that graze take a part of their diet from floc in its band, or from a good bloom. Give so much less for a week, watch growth and FCR, and go back if they fall.",
            "Trials with floc and green water (Hargreaves 2013; Boyd and Tucker 1998); starting values",
            new Input(what, si, measure, "last reading")
        );
}
