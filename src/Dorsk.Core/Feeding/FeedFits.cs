using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Feeding;

/// <summary>Whether a kind of feed suits fish of a weight: too large they cannot swallow it, too poor they do not grow, too fine it is lost in the water.</summary>
public static class FeedFits
{
    // A bag's label and a cast's mean are not exact: what is asked about is plainly outside.
    private const double FarOver = 1.3,
        FarUnder = 0.5,
        ProteinSlackPct = 3;

    /// <summary>What stands against giving it; null when it suits, or no table knows the species.</summary>
    /// <param name="species">The species, with the farm's own table where it has one.</param>
    /// <param name="meanG">Mean weight, g, above 0.</param>
    /// <param name="name">Name of the feed.</param>
    /// <param name="pelletMm">Its size, mm; 0 for powder.</param>
    /// <param name="proteinPct">Its protein, percent.</param>
    /// <param name="hand">How figures are printed.</param>
    public static string? Against(
        FishSpecies species,
        double meanG,
        string name,
        double pelletMm,
        double proteinPct,
        Hand hand
    )
    {
        if (!(meanG > 0) || FeedSize.At(species, meanG) is not { } wants)
            return null;
        string Mm(double mm) => QuantityText.Write(mm / 1000, Measures.Pellet, hand);
        var fish = $"{species.Name.ToLowerInvariant()} of {QuantityText.Write(meanG, Measures.FishWeight, hand)}";
        var size = $"{Mm(wants.SizeMm.Low)} to {Mm(wants.SizeMm.High)}";
        if (pelletMm > FarOver * wants.SizeMm.High)
            return $"{name} ({Mm(pelletMm)}) is too large for {fish}: they take {size}.";
        if (pelletMm < FarUnder * wants.SizeMm.Low)
            return $"{name} ({Mm(pelletMm)}) is too fine for {fish}: they take {size}; fines are lost and foul the water.";
        return proteinPct < wants.ProteinPct.Low - ProteinSlackPct
            ? $"{name} has {hand.Short(proteinPct, 1)} % protein; {fish} need {hand.Short(wants.ProteinPct.Low, 1)} to {hand.Short(wants.ProteinPct.High, 1)} %."
            : null;
    }
}
