using System.Globalization;
using Dorsk.Core.Species;
using MathNet.Numerics.Distributions;

namespace Dorsk.Core.Harvest;

/// <summary>What holds fish back by their size.</summary>
public enum GraderKind
{
    /// <summary>Bars: a fish passes when it is thinner than the gap.</summary>
    Bars,

    /// <summary>Square mesh: a fish passes when its girth is less than the mesh is around.</summary>
    Mesh,
}

/// <summary>Proportions of a body, as far as bars and meshes meet it.</summary>
/// <param name="ThicknessOfLength">Greatest thickness by total length.</param>
/// <param name="DepthOfLength">Greatest depth by total length.</param>
/// <param name="Source">Where they come from, with how sure they are.</param>
public sealed record BodyShape(double ThicknessOfLength, double DepthOfLength, string Source)
{
    // Fish of one weight differ in thickness by some percent, three times that in weight.
    private const double SpreadLog = 0.1;

    private static readonly BodyShape Usual = new(0.13, 0.27, "a usual shape; confidence low");

    private static readonly Dictionary<string, BodyShape> Shapes = Csv.Embedded("body_shapes.csv")
        .SelectMany(r =>
            r["species"]
                .Split(' ')
                .Select(s =>
                    (
                        s,
                        new BodyShape(
                            double.Parse(r["thickness_of_length"], CultureInfo.InvariantCulture),
                            double.Parse(r["depth_of_length"], CultureInfo.InvariantCulture),
                            $"{r["source"]}; confidence {r["confidence"]}"
                        )
                    )
                )
        )
        .ToDictionary(x => x.s, x => x.Item2);

    /// <summary>The shape of a species; a usual one where the table has none.</summary>
    public static BodyShape Of(FishSpecies species) => Shapes.GetValueOrDefault(species.Key, Usual);

    /// <summary>The gap that half the fish of a weight pass, mm: between bars, or the side of a square mesh knot to knot.</summary>
    /// <param name="species">The species.</param>
    /// <param name="weightG">Weight, g; above 0.</param>
    /// <param name="kind">Bars or mesh.</param>
    public static double GapMm(FishSpecies species, double weightG, GraderKind kind) =>
        10 * Of(species).GapOfLength(kind) * BodyLength.Cm(species, weightG);

    /// <summary>The weight of which half the fish pass a gap, g.</summary>
    /// <param name="species">The species.</param>
    /// <param name="gapMm">Gap, mm; above 0.</param>
    /// <param name="kind">Bars or mesh.</param>
    public static double WeightG(FishSpecies species, double gapMm, GraderKind kind) =>
        BodyLength.WeightG(species, gapMm / (10 * Of(species).GapOfLength(kind)));

    /// <summary>Share of the fish of a weight that a gap holds back, 0 to 1.</summary>
    /// <param name="species">The species.</param>
    /// <param name="weightG">Weight, g; above 0.</param>
    /// <param name="gapMm">Gap, mm; above 0.</param>
    /// <param name="kind">Bars or mesh.</param>
    public static double Held(FishSpecies species, double weightG, double gapMm, GraderKind kind) =>
        Normal.CDF(0, SpreadLog, Math.Log(weightG / WeightG(species, gapMm, kind)));

    // The girth of an ellipse of that depth and thickness, around a mesh of four sides.
    private double GapOfLength(GraderKind kind) =>
        kind == GraderKind.Bars
            ? ThicknessOfLength
            : Math.PI * Math.Sqrt(((ThicknessOfLength * ThicknessOfLength) + (DepthOfLength * DepthOfLength)) / 8) / 2;
}
