using Dorsk.Core.Species;

namespace Dorsk.Core.Stock;

/// <summary>What slips through the net a sample came from.</summary>
public static class SampleNet
{
    /// <summary>A mean under so many times the weight that slips through is lifted by it.</summary>
    public const double Near = 2;

    // Pulled open, a mesh is about one and a half times as wide as knot to knot; a body is about a tenth as thick as long.
    private const double Open = 1.5,
        MostG = 20_000;

    /// <summary>Weight under which fish slip through a mesh, g; null for a mesh that holds none of this size.</summary>
    /// <param name="species">The species.</param>
    /// <param name="meshMm">Mesh, knot to knot, mm; above 0.</param>
    public static double? Slipped(FishSpecies species, double meshMm)
    {
        var lengthCm = Open * meshMm / BodyLength.ThicknessOfLength / 10;
        var g = BodyLength.WeightG(species, lengthCm);
        return g is > 0 and <= MostG ? g : null;
    }

    /// <summary>The widest mesh, knot to knot, mm, that fish of a weight do not slip through.</summary>
    /// <param name="species">The species.</param>
    /// <param name="weightG">Weight, g; above 0.</param>
    public static double WidestMm(FishSpecies species, double weightG) => BodyLength.HeldByMm(species, weightG) / Open;
}
