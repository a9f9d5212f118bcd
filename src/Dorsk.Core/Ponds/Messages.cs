using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Ponds;

/// <summary>What the pond slip says when a figure cannot be.</summary>
internal static class Messages
{
    public static string Outside(string what, double m, double lowM, double highM, Hand hand) =>
        $"{what} of {(double.IsFinite(m) ? Limit.Of(m, Measures.Length, hand) : "this kind")} is outside {Limit.Range(lowM, highM, Measures.Length, hand)}. Check the figure and its unit.";

    public static IEnumerable<Remark> Sides(double lengthM, double widthM)
    {
        if (lengthM is not (>= 1 and <= 2000))
            yield return Remark.Refuse("Length", h => Outside("A length", lengthM, 1, 2000, h));
        if (widthM is not (>= 1 and <= 2000))
            yield return Remark.Refuse("Width", h => Outside("A width", widthM, 1, 2000, h));
    }

    public static IEnumerable<Remark> Slope(double slope)
    {
        if (slope is not (>= 0 and <= 6))
            yield return Remark.Refuse(
                "Slope",
                FormattableString.Invariant(
                    $"A bank slope of {slope:0.##} is outside 0 to 6 across for 1 down. Type how far the bank runs out for each unit of depth."
                )
            );
    }

    public static IEnumerable<Remark> Depth(double depthM)
    {
        if (depthM is not (>= 0.2 and <= 10))
            yield return Remark.Refuse("Depth", h => Outside("A depth", depthM, 0.2, 10, h));
    }
}
