namespace Dorsk.Core.Plans;

/// <summary>Water that a current carries through a cage.</summary>
public static class CageFlow
{
    /// <summary>Share of the current outside that passes a clean net (starting value; a fouled net lets half of that through).</summary>
    public const double ThroughNet = 0.5;

    /// <summary>Flow through a square cage, m³/h: the side it turns to the current times the current behind the net.</summary>
    /// <param name="areaM2">Its surface, m².</param>
    /// <param name="volumeM3">Its water, m³.</param>
    /// <param name="currentMs">Current outside, m/s.</param>
    public static double M3H(double areaM2, double volumeM3, double currentMs) =>
        Math.Sqrt(areaM2) * (volumeM3 / areaM2) * currentMs * ThroughNet * 3600;
}
