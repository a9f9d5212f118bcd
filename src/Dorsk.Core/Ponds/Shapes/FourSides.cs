using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>Area of a four-sided pond from what was walked round it, with how far it may be out.</summary>
public static class FourSides
{
    /// <summary>Share by which a taped side may be out, two standard deviations.</summary>
    public const double TapeShare = 0.01;

    /// <summary>Share by which a paced side may be out, two standard deviations; a judged figure.</summary>
    public const double PaceShare = 0.05;

    /// <summary>Where it comes from.</summary>
    public const string Source = "Geometry (Heron, Brahmagupta); how far sides may be out is judged";

    // Corners within 15° of square: the area is at least cos 15° of the largest; the middle of the two is taken.
    private const double OffSquare = 0.9659;

    /// <summary>Works it out; null when such sides do not close.</summary>
    /// <param name="sidesM">The four sides in order round the bank, m.</param>
    /// <param name="diagonalM">From corner 1 (between side 4 and side 1) to corner 3, m; null when it could not be walked.</param>
    /// <param name="share">Share by which each length may be out.</param>
    public static Interval? Of(IReadOnlyList<double> sidesM, double? diagonalM, double share)
    {
        var half = sidesM.Sum() / 2;
        if (sidesM.Max() >= half)
            return null;
        if (diagonalM is { } d)
        {
            var (one, two) = (Heron(sidesM[0], sidesM[1], d), Heron(sidesM[2], sidesM[3], d));
            return one is null || two is null ? null : Around(one.Value + two.Value, share, 0);
        }
        var most = Math.Sqrt(sidesM.Aggregate(1.0, (product, s) => product * (half - s)));
        return Around(most * (1 + OffSquare) / 2, share, (1 - OffSquare) / 2);
    }

    // A length that is out by a share puts an area out by twice that share, and the corners add theirs.
    private static Interval Around(double area, double share, double corners) =>
        new(area, area * (1 - (2 * share) - corners), area * (1 + (2 * share) + corners), 0.95);

    private static double? Heron(double a, double b, double c)
    {
        var s = (a + b + c) / 2;
        var under = s * (s - a) * (s - b) * (s - c);
        return under > 0 ? Math.Sqrt(under) : null;
    }
}
