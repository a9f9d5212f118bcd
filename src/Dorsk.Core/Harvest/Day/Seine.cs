namespace Dorsk.Core.Harvest;

/// <summary>Size of a seine by the pond it is pulled through.</summary>
public static class Seine
{
    /// <summary>Where the rules come from.</summary>
    public const string Source = "Rules of the trade: length 1.5 × width, height 1.5 × depth; extension leaflets";

    /// <summary>Length by the widest place of the pond.</summary>
    public const double LengthOfWidth = 1.5;

    /// <summary>Height by the deepest water on the day.</summary>
    public const double HeightOfDepth = 1.5;

    private const double HandWidthM = 30,
        HandAreaM2 = 4000;

    /// <summary>Length, m.</summary>
    /// <param name="widthM">Widest place that is pulled, m; above 0.</param>
    /// <param name="factor">Length by width.</param>
    public static double LengthM(double widthM, double factor = LengthOfWidth) => widthM * factor;

    /// <summary>Height, m.</summary>
    /// <param name="depthM">Deepest water, m; above 0.</param>
    /// <param name="factor">Height by depth.</param>
    public static double HeightM(double depthM, double factor = HeightOfDepth) => depthM * factor;

    /// <summary>A net that lies in a half circle across the pond, m.</summary>
    /// <param name="widthM">Widest place that is pulled, m; above 0.</param>
    public static double SemicircleM(double widthM) => Math.PI * widthM / 2;

    /// <summary>Whether people pull it; else vehicles on both banks.</summary>
    /// <param name="widthM">Width, m.</param>
    /// <param name="areaM2">Area, m².</param>
    public static bool ByHand(double widthM, double areaM2) => widthM <= HandWidthM && areaM2 <= HandAreaM2;
}
