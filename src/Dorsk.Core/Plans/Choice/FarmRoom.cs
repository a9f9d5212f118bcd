namespace Dorsk.Core.Plans;

/// <summary>Water and floor for a planned tonnage: in ponds by area, in tanks by volume, in stacked trays counted by tier.</summary>
/// <param name="StandingKg">Fish that stand at once when they are fullest, kg.</param>
/// <param name="WaterM2">Surface of water, all tiers together, m².</param>
/// <param name="WaterM3">Water, m³.</param>
/// <param name="FloorM2">Floor or land with aisles and banks, m².</param>
public sealed record FarmRoom(double StandingKg, double WaterM2, double WaterM3, double FloorM2)
{
    /// <summary>How it is worked out.</summary>
    public const string Source =
        "Kilograms of a year over the harvests of a year stand at once; over the load they bear gives water. Each tier counts its water once and the floor only once; aisles, banks and filters are a share of the floor";

    /// <summary>Works it out.</summary>
    /// <param name="kgYear">Fish planned for a year, kg; above 0.</param>
    /// <param name="harvests">Harvests per year from the same water; above 0.</param>
    /// <param name="loadKg">Fish that the water carries, kg per m² (by area) or kg per m³ (by volume); above 0.</param>
    /// <param name="byVolume">Whether the load is by volume.</param>
    /// <param name="depthM">Depth of water of a pond, tank or tray, m; above 0.</param>
    /// <param name="tiers">Trays over one another; 1 for ponds and tanks.</param>
    /// <param name="otherShare">Share of the floor that is no water: aisles, banks, filters; 0 to below 1.</param>
    public static FarmRoom Of(
        double kgYear,
        double harvests,
        double loadKg,
        bool byVolume,
        double depthM,
        int tiers,
        double otherShare
    )
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(tiers, 1);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(loadKg);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(harvests);
        var standing = kgYear / harvests;
        var m2 = byVolume ? standing / loadKg / depthM : standing / loadKg;
        return new(standing, m2, m2 * depthM, m2 / tiers / (1 - otherShare));
    }
}
