namespace Dorsk.Practice;

/// <summary>The truth about a batch: fish swim here that nobody has counted.</summary>
/// <param name="count">Fish that were really put in.</param>
/// <param name="meanG">Their mean weight, g.</param>
/// <param name="growth">Growth coefficient of this batch, g^(1/3) per day in its best water.</param>
/// <param name="bestC">Its best temperature, °C.</param>
/// <param name="deathPerDay">Share that dies each day, found or not.</param>
public sealed class SimulatedFish(double count, double meanG, double growth, double bestC, double deathPerDay)
{
    private const double WarmWidthC = 9.5;
    private const double Upkeep = 0.18;
    private double dead;

    /// <summary>Living fish.</summary>
    public double Count { get; private set; } = count;

    /// <summary>Their mean weight, g.</summary>
    public double MeanG { get; private set; } = meanG;

    /// <summary>Biomass, kg.</summary>
    public double Kg => Count * MeanG / 1000;

    /// <summary>Appetite at a temperature, share of body weight a day (by a farmer's eye, falling with size).</summary>
    public double AppetiteShare(double tempC) => Math.Min(0.12, 0.085 * Math.Pow(MeanG, -0.27)) * Warm(tempC);

    /// <summary>One day: eats, grows, dies. Returns the dead of the day.</summary>
    internal int Day(double tempC, double fedKg, double dawnLowMgL, double unseenShare, Chance chance)
    {
        var wanted = AppetiteShare(tempC) * Kg;
        var share = wanted > 0 ? Math.Min(1.1, fedKg / wanted) : 0;
        var breath = Math.Clamp((dawnLowMgL - 0.8) / 3, 0.05, 1);
        MeanG += growth * Math.Pow(MeanG, 0.66) * Warm(tempC) * (((share * (1 + Upkeep)) - Upkeep) * breath);
        var choking =
            dawnLowMgL < 1.2 ? 0.02 * (1.2 - dawnLowMgL)
            : dawnLowMgL < 2 ? 0.0003
            : 0;
        dead += Count * (deathPerDay + choking);
        var today = Math.Min((int)Count, chance.Poisson(dead));
        dead = 0;
        Count = Math.Max(0, Count - today - (Count * unseenShare));
        return today;
    }

    /// <summary>Oxygen these fish use, g/h; more in the hours after a meal.</summary>
    internal double OxygenGH(double tempC, double sinceMealH, double appetite) =>
        appetite
        * Count
        * 0.62e-3
        * Math.Pow(MeanG, 0.8)
        * Math.Exp(0.068 * (tempC - 20))
        * (sinceMealH is > 0 and < 7 ? 1.35 : 1);

    /// <summary>Fish taken out.</summary>
    public void Take(double fish) => Count = Math.Max(0, Count - fish);

    private double Warm(double tempC) => Math.Exp(-Math.Pow((tempC - bestC) / WarmWidthC, 2)) * (tempC < 11 ? 0 : 1);
}
