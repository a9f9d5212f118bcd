using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>A round tank with upright walls and a flat floor: V = π/4·D²·h.</summary>
/// <param name="DiameterM">Inner diameter, m.</param>
/// <param name="DepthM">Depth when full, m.</param>
public sealed record RoundTank(double DiameterM, double DepthM) : PondShape
{
    /// <inheritdoc/>
    public override double FullDepthM => DepthM;

    /// <inheritdoc/>
    public override IReadOnlyList<(double EastM, double NorthM)> CornersM => [];

    /// <inheritdoc/>
    public override double AreaM2(double levelM) => Math.PI / 4 * DiameterM * DiameterM;

    /// <inheritdoc/>
    public override double VolumeM3(double levelM) => AreaM2(levelM) * Held(levelM);

    /// <summary>What stands against building this body, field by field.</summary>
    /// <param name="diameterM">Diameter, m.</param>
    /// <param name="depthM">Depth, m.</param>
    public static IEnumerable<Remark> Check(double diameterM, double depthM)
    {
        if (diameterM is not (>= 0.3 and <= 100))
            yield return Remark.Refuse("Diameter", h => Messages.Outside("A diameter", diameterM, 0.3, 100, h));
        foreach (var remark in Messages.Depth(depthM))
            yield return remark;
    }
}
