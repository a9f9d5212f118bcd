using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>Gain of one fish in one day: temperature, ration and low-oxygen mornings, under the species' greatest daily gain.</summary>
public static class DailyGain
{
    /// <summary>Gain at full ration, g per day: the W^(1/3) law over one day at f(T), held at the species' cap, which fish that grow faster pass by as much.</summary>
    /// <param name="meanG">Weight, g.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="species">The species.</param>
    /// <param name="rateFactor">This pond's rate against the species' figure.</param>
    public static double FullG(double meanG, double tempC, FishSpecies species, double rateFactor = 1) =>
        Math.Min(
            rateFactor * species.GrowthCapGPerDay,
            (
                GrowthLaws.After(meanG, rateFactor * species.GrowthG13PerDay, TemperatureResponse.F(tempC, species))
                - meanG
            ) * SizeFactor(meanG, species)
        );

    // Where the farm says that its fish slow down sooner, or later, than the cube-root law: the same at the middle weight.
    private static double SizeFactor(double meanG, FishSpecies species) =>
        species.GrowthPower == FishSpecies.CubeRootPower
            ? 1
            : Math.Pow(meanG / species.MiddleG, species.GrowthPower - FishSpecies.CubeRootPower);

    /// <summary>Share of the full gain at a ration share s: (s − m)/(1 − m) with m the maintenance share; below it fish lose weight.</summary>
    /// <param name="rationShare">Share of the full ration, 0 to 1.</param>
    public static double RationShare(double rationShare) =>
        (Math.Clamp(rationShare, 0, 1) - StandingSettings.MaintenanceShare) / (1 - StandingSettings.MaintenanceShare);

    /// <summary>
    /// Gain of a day as fed, g. In ponds natural food at least keeps the weight; in tanks hungry fish lose, but never more than
    /// fasting fish do, 0.3 % of their weight a day (judged): the growth law alone would shrink them to nothing in weeks.
    /// </summary>
    /// <param name="fullG">Gain at full ration, g.</param>
    /// <param name="meanG">Weight, g.</param>
    /// <param name="rationShare">Share of the full ration, 0 to 1.</param>
    /// <param name="oxygenFactor">Factor of a low-oxygen morning, 0 to 1.</param>
    /// <param name="inTank">Whether there is no natural food.</param>
    public static double FedG(double fullG, double meanG, double rationShare, double oxygenFactor, bool inTank)
    {
        var gain = fullG * RationShare(rationShare);
        return gain >= 0 ? gain * oxygenFactor
            : inTank ? Math.Max(gain, -0.003 * meanG)
            : 0;
    }

    /// <summary>Factor of a low-oxygen morning: 1 at watch or above, 0.5 at act, 0.1 at lethal, straight between (Torrans 2008; judged).</summary>
    /// <param name="dawnLowMgL">Lowest oxygen of the morning, mg/L; null when it was not read.</param>
    /// <param name="limits">Limits of the fish.</param>
    /// <param name="lethalMgL">Oxygen that kills, mg/L.</param>
    public static double OxygenFactor(double? dawnLowMgL, WaterLimits limits, double lethalMgL)
    {
        if (dawnLowMgL is not { } low || low >= limits.DoWatchMgL)
            return 1;
        return low >= limits.DoActMgL
            ? 0.5 + (0.5 * (low - limits.DoActMgL) / (limits.DoWatchMgL - limits.DoActMgL))
            : 0.1 + (0.4 * Math.Max(0, low - lethalMgL) / Math.Max(0.01, limits.DoActMgL - lethalMgL));
    }

    /// <summary>Feed per gain at a weight, by stage of the species.</summary>
    /// <param name="species">The species.</param>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    public static double Fcr(FishSpecies species, double meanG) =>
        WaterLimits.StageOf(species, meanG) switch
        {
            LifeStage.Fry => species.FcrFry,
            LifeStage.Fingerling => species.FcrFingerling,
            _ => species.FcrGrowOut,
        };
}
