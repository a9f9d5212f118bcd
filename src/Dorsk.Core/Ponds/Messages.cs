using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>What the pond slip says when a figure cannot be.</summary>
internal static class Messages
{
    public static IEnumerable<Remark> Sides(double lengthM, double widthM)
    {
        if (lengthM is not (>= 1 and <= 2000))
            yield return Remark.Refuse(
                "Length",
                FormattableString.Invariant(
                    $"A length of {lengthM:0.##} m is outside 1 to 2,000 m. Check the figure and its unit."
                )
            );
        if (widthM is not (>= 1 and <= 2000))
            yield return Remark.Refuse(
                "Width",
                FormattableString.Invariant(
                    $"A width of {widthM:0.##} m is outside 1 to 2,000 m. Check the figure and its unit."
                )
            );
    }

    public static IEnumerable<Remark> Slope(double slope)
    {
        if (slope is not (>= 0 and <= 6))
            yield return Remark.Refuse(
                "Slope",
                FormattableString.Invariant(
                    $"A bank slope of {slope:0.##} is outside 0 to 6 across for 1 down. Type how far the bank runs out for each metre of depth."
                )
            );
    }

    public static IEnumerable<Remark> Depth(double depthM)
    {
        if (depthM is not (>= 0.2 and <= 10))
            yield return Remark.Refuse(
                "Depth",
                FormattableString.Invariant(
                    $"A depth of {depthM:0.##} m is outside 0.2 to 10 m. Check the figure and its unit."
                )
            );
    }
}
