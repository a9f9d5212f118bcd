using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Ponds;

/// <summary>
/// A pond known by its outline and its mean depth. Between floor and brim its area is taken to grow as a power of the level,
/// A(h) = A·(h/D)^m with m = D/mean − 1, so that the full pond holds exactly area × mean depth. Where mean and full depth are one, walls are upright.
/// </summary>
/// <param name="Outline">Outline of the full water about its middle.</param>
/// <param name="MeanDepth">Volume by area when full, m.</param>
/// <param name="DepthM">Depth at the staff gauge when full, m; not less than the mean.</param>
public sealed record MeanDepthPond(Outline Outline, double MeanDepth, double DepthM) : PondShape
{
    private readonly double areaM2 = Outline.AreaM2;

    private double Power => (DepthM / MeanDepth) - 1;

    /// <inheritdoc/>
    public override double FullDepthM => DepthM;

    /// <inheritdoc/>
    public override IReadOnlyList<(double EastM, double NorthM)> CornersM => Outline.CornersM;

    /// <inheritdoc/>
    public override double AreaM2(double levelM) => areaM2 * Math.Pow(Held(levelM) / DepthM, Power);

    /// <inheritdoc/>
    public override double VolumeM3(double levelM) => areaM2 * MeanDepth * Math.Pow(Held(levelM) / DepthM, Power + 1);

    /// <summary>What stands against this body.</summary>
    public IEnumerable<Remark> Check()
    {
        foreach (var remark in Outline.Check("Corners").Concat(Messages.Depth(DepthM)))
            yield return remark;
        if (MeanDepth is not (>= 0.05 and <= 10) || MeanDepth > DepthM)
            yield return Remark.Refuse("MeanDepth", h =>
                $"A mean depth of {Limit.Of(MeanDepth, Measures.Length, h)} must lie between {Limit.Of(0.05, Measures.Length, h)} and the full depth of {Limit.Of(DepthM, Measures.Length, h)}."
            );
    }
}
