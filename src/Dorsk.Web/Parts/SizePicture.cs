using System.Globalization;
using Dorsk.Core.Harvest;

namespace Dorsk.Web.Parts;

/// <summary>Fish of a pond by weight as bars, with the marks of the classes that are sold.</summary>
public sealed class SizePicture
{
    /// <summary>Size of the drawing.</summary>
    public const int Width = 640,
        Height = 150;

    private const int Bars = 32,
        Left = 6,
        Floor = 124,
        Top = 14;

    private readonly double fromG,
        toG;

    /// <summary>Draws a spread.</summary>
    /// <param name="spread">The fish; at least one.</param>
    /// <param name="marksG">Weights to mark, g.</param>
    public SizePicture(SizeSpread spread, IEnumerable<double> marksG)
    {
        (fromG, toG) = (spread.WeightAtG(0.998), spread.WeightAtG(0.002));
        var step = (toG - fromG) / Bars;
        var counts = Enumerable
            .Range(0, Bars)
            .Select(i => spread.Over(fromG + (i * step)).Count - spread.Over(fromG + ((i + 1) * step)).Count)
            .ToList();
        var most = counts.Max();
        Shown =
        [
            .. counts.Select(
                (n, i) =>
                {
                    var h = most > 0 ? (Floor - Top) * n / most : 0;
                    return (
                        N(X(fromG + (i * step)) + 1),
                        N(Floor - h),
                        N(((Width - (2.0 * Left)) / Bars) - 2),
                        N(h),
                        fromG + ((i + 0.5) * step)
                    );
                }
            ),
        ];
        Marks = [.. marksG.Where(g => g > fromG && g < toG).Select(g => (N(X(g)), g))];
        Ends = (fromG, toG);
    }

    /// <summary>Of each bar: where it stands, its top, width and height, and the weight in its middle, g.</summary>
    public IReadOnlyList<(string X, string Y, string W, string H, double G)> Shown { get; }

    /// <summary>Weights that are marked, with where they stand.</summary>
    public IReadOnlyList<(string X, double G)> Marks { get; }

    /// <summary>Weights at both ends, g.</summary>
    public (double FromG, double ToG) Ends { get; }

    private double X(double g) => Left + ((Width - (2 * Left)) * (g - fromG) / (toG - fromG));

    private static string N(double value) => value.ToString("0.#", CultureInfo.InvariantCulture);
}
