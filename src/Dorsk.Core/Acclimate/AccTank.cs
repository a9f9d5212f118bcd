using Dorsk.Core.Water;

namespace Dorsk.Core.Acclimate;

/// <summary>The tank in which fish are brought over by the hour: its size, the salt or fresh water that makes it like the bags, and the feed meanwhile.</summary>
/// <param name="LeastM3">Water the fish want at the end, m³.</param>
/// <param name="HalfM3">Water in it before they come: half, at the salinity of the bags.</param>
/// <param name="SaltKg">Salt that brings the half from the pond's salinity to the bags', kg; 0 where the pond is saltier.</param>
/// <param name="FreshM3">Fresh water in the half where the pond is saltier than the bags, m³; 0 else.</param>
/// <param name="MealKg">Feed of one meal, kg; 0 for fish that wait.</param>
/// <param name="MealHours">Hours after the beginning at which they are fed.</param>
public sealed record AccTank(
    double LeastM3,
    double HalfM3,
    double SaltKg,
    double FreshM3,
    double MealKg,
    IReadOnlyList<double> MealHours
)
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Trade practice in acclimation tanks: 10 kg/m³ with oxygen, fry and postlarvae fed every two hours at a tenth of their weight a day; starting values";

    private const double LoadKgM3 = 10,
        LeastLitresM3 = 0.2,
        FedShareADay = 0.10,
        EveryHours = 2,
        FedUnderG = 1;

    /// <summary>What fits these fish.</summary>
    /// <param name="q">The fish and the waters.</param>
    /// <param name="fish">How many.</param>
    /// <param name="hours">Hours of the bringing-over.</param>
    public static AccTank For(AccQuestion q, int fish, double hours)
    {
        var kg = fish * q.MeanG / 1000;
        var least = Math.Max(LeastLitresM3, kg / LoadKgM3);
        var half = least / 2;
        var (bag, pond) = (q.Bag.SalinityPpt, q.Pond.SalinityPpt);
        var fed = q.MeanG < FedUnderG && hours >= EveryHours;
        return new(
            least,
            half,
            SaltBalance.SaltKg(half, pond, bag, 1),
            pond > bag ? half * (pond - bag) / pond : 0,
            fed ? kg * FedShareADay * EveryHours / 24 : 0,
            fed ? [.. Enumerable.Range(1, (int)(hours / EveryHours)).Select(i => i * EveryHours)] : []
        );
    }
}
