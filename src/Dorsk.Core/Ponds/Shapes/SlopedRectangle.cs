using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>
/// A rectangular pond with banks of one slope. Prismoidal rule V = d/6 (A_top + 4 A_mid + A_bottom), exact for this body:
/// A(h) = (Lb + 2zh)(Wb + 2zh), V(h) = Lb·Wb·h + z·h²(Lb + Wb) + 4/3·z²·h³.
/// </summary>
/// <param name="LengthM">Length of the water when full, m.</param>
/// <param name="WidthM">Width of the water when full, m.</param>
/// <param name="DepthM">Depth when full, m.</param>
/// <param name="Slope">Bank slope, horizontal per vertical, 0 for upright walls.</param>
public sealed record SlopedRectangle(double LengthM, double WidthM, double DepthM, double Slope) : PondShape
{
    private double BottomLengthM => LengthM - (2 * Slope * DepthM);

    private double BottomWidthM => WidthM - (2 * Slope * DepthM);

    /// <inheritdoc/>
    public override double FullDepthM => DepthM;

    /// <inheritdoc/>
    public override IReadOnlyList<(double EastM, double NorthM)> CornersM =>
        [
            (-LengthM / 2, -WidthM / 2),
            (LengthM / 2, -WidthM / 2),
            (LengthM / 2, WidthM / 2),
            (-LengthM / 2, WidthM / 2),
        ];

    /// <inheritdoc/>
    public override double AreaM2(double levelM)
    {
        var h = Held(levelM);
        return (BottomLengthM + (2 * Slope * h)) * (BottomWidthM + (2 * Slope * h));
    }

    /// <inheritdoc/>
    public override double VolumeM3(double levelM)
    {
        var h = Held(levelM);
        return (BottomLengthM * BottomWidthM * h)
            + (Slope * h * h * (BottomLengthM + BottomWidthM))
            + (4.0 / 3 * Slope * Slope * h * h * h);
    }

    /// <summary>What stands against building this body, field by field; empty when it can be built.</summary>
    /// <param name="lengthM">Length, m.</param>
    /// <param name="widthM">Width, m.</param>
    /// <param name="depthM">Depth, m.</param>
    /// <param name="slope">Across for 1 down.</param>
    public static IEnumerable<Remark> Check(double lengthM, double widthM, double depthM, double slope)
    {
        foreach (
            var remark in Messages.Sides(lengthM, widthM).Concat(Messages.Depth(depthM)).Concat(Messages.Slope(slope))
        )
            yield return remark;
        if (slope is >= 0 and <= 6 && 2 * slope * depthM > Math.Min(lengthM, widthM) && depthM > 0)
            yield return Remark.Refuse(
                "Slope",
                FormattableString.Invariant(
                    $"At slope {slope:0.##} the banks meet before {depthM:0.##} m of depth. A pond {Math.Min(lengthM, widthM):0.#} m wide takes at most slope {Math.Min(lengthM, widthM) / (2 * depthM):0.##}."
                )
            );
    }
}
