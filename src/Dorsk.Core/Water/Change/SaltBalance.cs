namespace Dorsk.Core.Water;

/// <summary>Salt in a body of water: how much raises its salinity, how much new water lowers it. Mass balance; ppt is taken as kg/m³.</summary>
public static class SaltBalance
{
    /// <summary>Salt that raises a salinity, kg.</summary>
    /// <param name="volumeM3">Water, m³; above 0.</param>
    /// <param name="nowPpt">Salinity now, ppt; 0 to 60.</param>
    /// <param name="wantedPpt">Wanted, ppt; not below <paramref name="nowPpt"/>.</param>
    /// <param name="purity">Share of the product that is salt, above 0 to 1.</param>
    public static double SaltKg(double volumeM3, double nowPpt, double wantedPpt, double purity) =>
        volumeM3 * Math.Max(0, wantedPpt - nowPpt) / purity;

    /// <summary>Water to add without letting any out, m³; null when this water cannot reach it.</summary>
    /// <param name="volumeM3">Water now, m³.</param>
    /// <param name="nowPpt">Salinity now, ppt.</param>
    /// <param name="wantedPpt">Wanted, ppt.</param>
    /// <param name="newPpt">Of the water that is added, ppt.</param>
    public static double? ToAddM3(double volumeM3, double nowPpt, double wantedPpt, double newPpt)
    {
        var m3 = volumeM3 * (nowPpt - wantedPpt) / (wantedPpt - newPpt);
        return double.IsFinite(m3) && m3 >= 0 ? m3 : null;
    }
}
