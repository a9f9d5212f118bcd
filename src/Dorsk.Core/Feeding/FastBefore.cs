using System.Globalization;
using Dorsk.Core.Species;

namespace Dorsk.Core.Feeding;

/// <summary>Hours without feed before fish are fished, moved or taken on the road: a full gut fouls water and flesh and takes oxygen.</summary>
public static class FastBefore
{
    // A day's work with fish begins in the cool of the morning; how deep the cold is that asks for the long fast, °C.
    private const int FishedAtHour = 6,
        MorningMealHour = 7,
        AfternoonMealHour = 16;
    private const double ColdC = 12;

    private static readonly Dictionary<string, (double StartH, string Source)> Rows = Csv.Embedded(
            "quarantine_and_fast.csv"
        )
        .Where(r => r["item"].StartsWith("fast,", StringComparison.Ordinal))
        .ToDictionary(
            r => r["item"]["fast, ".Length..],
            r => (double.Parse(r["start"], CultureInfo.InvariantCulture), r["source"])
        );

    /// <summary>Whether it moults: shrimp, prawn, crayfish.</summary>
    public static bool IsCrustacean(FishSpecies species) =>
        species.LimitGroup.EndsWith("shrimp", StringComparison.Ordinal)
        || species.LimitGroup.EndsWith("prawn", StringComparison.Ordinal)
        || species.LimitGroup == "redclaw";

    /// <summary>Hours, with their source.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="meanG">Their weight, g.</param>
    /// <param name="tempC">Water, °C; in cold water the gut empties slowly.</param>
    public static (double Hours, string Source) Of(FishSpecies species, double meanG, double tempC)
    {
        if (IsCrustacean(species))
            return Rows["shrimp and prawn"];
        if (meanG < 100)
            return Rows[
                meanG < 0.02 ? "larvae"
                : meanG < 1 ? "fry under 1 g"
                : "fingerlings"
            ];
        return Rows[tempC >= ColdC ? "market warm water" : "market cold under 12 C"];
    }

    /// <summary>The hour of the last meal before fish are fished, by the farm's clock.</summary>
    /// <param name="fishedOn">Farm day the fish are fished, in the cool of the morning.</param>
    /// <param name="hours">Hours of the fast.</param>
    public static DateTime LastMealBy(DateOnly fishedOn, double hours) =>
        fishedOn.ToDateTime(new(FishedAtHour, 0)).AddHours(-hours);

    /// <summary>Whether a meal falls into the fast.</summary>
    /// <param name="day">Farm day of the meal.</param>
    /// <param name="meal">Which.</param>
    /// <param name="fishedOn">Farm day the fish are fished.</param>
    /// <param name="hours">Hours of the fast.</param>
    public static bool Holds(DateOnly day, Meal meal, DateOnly fishedOn, double hours)
    {
        var left =
            ((fishedOn.DayNumber - day.DayNumber) * 24)
            + FishedAtHour
            - (meal == Meal.Morning ? MorningMealHour : AfternoonMealHour);
        // On the day itself nothing is given before it is done; what stays is fed on the next.
        return fishedOn == day || (left >= 0 && left < hours);
    }
}
