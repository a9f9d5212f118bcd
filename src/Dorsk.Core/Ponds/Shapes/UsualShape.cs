namespace Dorsk.Core.Ponds;

/// <summary>The body of a pond of which little is known: what is usual for its kind.</summary>
public static class UsualShape
{
    private const double EarthenSlope = 2,
        LongByWide = 2;

    /// <summary>How far a bank runs out for each metre of depth: 2 for ponds dug in earth, 0 for walls and nets. Trade practice (Boyd and Tucker 1998: 2 to 3 in stable clay).</summary>
    /// <param name="kind">Kind of pond.</param>
    public static double Slope(PondKind kind) =>
        kind is PondKind.Earthen or PondKind.Lined or PondKind.Split ? EarthenSlope : 0;

    /// <summary>A body of a known surface: a tank is taken as round, all else as twice as long as wide.</summary>
    /// <param name="kind">Kind of pond.</param>
    /// <param name="areaM2">Water surface when full, m²; above 0.</param>
    /// <param name="depthM">Depth when full, m.</param>
    /// <param name="slope">Bank slope, across for 1 down.</param>
    public static PondShape OfArea(PondKind kind, double areaM2, double depthM, double slope)
    {
        var widthM = Math.Sqrt(areaM2 / LongByWide);
        return kind == PondKind.Tank
            ? new RoundTank(2 * Math.Sqrt(areaM2 / Math.PI), depthM)
            : new SlopedRectangle(LongByWide * widthM, widthM, depthM, slope);
    }
}
