using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>
/// A pond of any outline with banks of one slope all round. Drawn in by s its water has the area A − P·s + K·s² (K: sum over the corners of
/// tan(turn/2)), exact while no side vanishes; a rectangle drawn so is the rectangle entered as lengths.
/// </summary>
/// <param name="Outline">Outline of the full water about its middle.</param>
/// <param name="DepthM">Depth when full, m.</param>
/// <param name="Slope">Bank slope, horizontal per vertical, 0 for upright walls.</param>
public sealed record OutlinePond(Outline Outline, double DepthM, double Slope) : PondShape
{
    private readonly (double Area, double Bank, double Corners) law = (
        Outline.AreaM2,
        Outline.PerimeterM,
        Outline.CornerSum
    );

    /// <inheritdoc/>
    public override double FullDepthM => DepthM;

    /// <inheritdoc/>
    public override IReadOnlyList<(double EastM, double NorthM)> CornersM => Outline.CornersM;

    /// <inheritdoc/>
    public override double AreaM2(double levelM)
    {
        var s = Slope * (DepthM - Held(levelM));
        return law.Area - (law.Bank * s) + (law.Corners * s * s);
    }

    /// <inheritdoc/>
    public override double VolumeM3(double levelM) => Above(0) - Above(Held(levelM));

    /// <summary>What stands against building this body.</summary>
    public IEnumerable<Remark> Check()
    {
        foreach (var remark in Outline.Check("Corners").Concat(Messages.Depth(DepthM)).Concat(Messages.Slope(Slope)))
            yield return remark;
        if (Slope is not (> 0 and <= 6) || DepthM is not > 0 || Outline.Check("Corners").Any())
            yield break;
        var run = Slope * DepthM;
        if (Outline.ShortestSideDrawnIn(run) < 0 || Outline.DrawnIn(run).Crossing() is not null)
            yield return Remark.Refuse(
                "Slope",
                FormattableString.Invariant(
                    $"At slope {Slope:0.##} the banks of this outline meet before {DepthM:0.##} m of depth: each runs out {run:0.#} m. Give a smaller slope or depth, or describe the pond by its mean depth."
                )
            );
    }

    // Water between a level and the brim, m³.
    private double Above(double levelM)
    {
        var h = DepthM - levelM;
        return (law.Area * h) - (law.Bank * Slope * h * h / 2) + (law.Corners * Slope * Slope * h * h * h / 3);
    }
}
