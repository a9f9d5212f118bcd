using Dorsk.Core.Ponds;

namespace Dorsk.Core.Harvest;

/// <summary>The width of a pond across which a net is pulled.</summary>
public static class PondWidth
{
    /// <summary>The narrower side of the box around its corners, m; of a pond without corners the side of a square of its area.</summary>
    /// <param name="shape">The pond.</param>
    public static double Of(PondShape shape)
    {
        var corners = shape.CornersM;
        if (corners.Count < 3)
            return Math.Sqrt(shape.FullAreaM2);
        var east = corners.Max(c => c.EastM) - corners.Min(c => c.EastM);
        var north = corners.Max(c => c.NorthM) - corners.Min(c => c.NorthM);
        return Math.Min(east, north);
    }
}
