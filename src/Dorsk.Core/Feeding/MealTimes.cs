namespace Dorsk.Core.Feeding;

/// <summary>A meal with its hour.</summary>
/// <param name="At">Hour of the farm's clock.</param>
/// <param name="Kg">Feed, kg.</param>
/// <param name="Half">The half of the day it belongs to.</param>
public readonly record struct MealAt(TimeOnly At, double Kg, Meal Half);

/// <summary>Parts a day's ration over meals by the hours that suit the fish: from after the dawn low to well before dusk, around the clock for fry, at the warmest in cold water.</summary>
public static class MealTimes
{
    /// <summary>Most meals a day: one every five minutes.</summary>
    public const int Most = 288;

    private static readonly TimeOnly Usual = new(7, 0),
        Noon = new(12, 0),
        Midday = new(12, 30),
        Latest = new(16, 0);

    // Oxygen rises an hour after the sun; what is eaten late takes oxygen at night.
    private static readonly TimeSpan AfterSunrise = TimeSpan.FromHours(1),
        BeforeSunset = TimeSpan.FromHours(2),
        Dusk = TimeSpan.FromMinutes(45);

    /// <summary>Meals of a plan; what restrictions hold of a half of the day is held in each of its meals.</summary>
    /// <param name="plan">The ration.</param>
    /// <param name="meals">How many, 1 to 288; a single meal is given when fish are warm and the night's oxygen is forecast, unless the table says another hour.</param>
    public static IReadOnlyList<MealAt> Of(RationPlan plan, int meals)
    {
        meals = Math.Clamp(meals, 1, Most);
        var (morning, afternoon) = (plan.Meals[0].Kg, plan.Meals[1].Kg);
        var hours = Hours(plan.Rhythm?.Hours ?? "", meals, plan.Sun);
        if (meals == 1)
            return [new(hours[0], morning + afternoon, hours[0] < Noon ? Meal.Morning : Meal.Afternoon)];
        var before = Math.Clamp(hours.Count(h => h < Noon), 1, meals - 1);
        return
        [
            .. hours.Select(
                (h, i) =>
                    i < before
                        ? new MealAt(h, morning / before, Meal.Morning)
                        : new MealAt(h, afternoon / (meals - before), Meal.Afternoon)
            ),
        ];
    }

    // The words are the table's: day and night, early morning, midday, afternoon, dusk, light hours.
    private static List<TimeOnly> Hours(string words, int meals, (TimeOnly Rise, TimeOnly Set) sun)
    {
        bool Says(string word) => words.Contains(word, StringComparison.Ordinal);
        var first = Later(Usual, sun.Rise.Add(AfterSunrise));
        var last = Earlier(Latest, sun.Set.Add(-BeforeSunset));
        if (Says("day and night"))
            return Spread(TimeOnly.MinValue, meals, TimeSpan.FromHours(24) / meals);
        if (meals == 1)
            return [OnlyMeal(words, first, last, sun.Set)];
        if (Says("dusk"))
            last = sun.Set.Add(-Dusk);
        else if (Says("light hours"))
            last = sun.Set.Add(-BeforeSunset);
        if (last <= first)
            last = first.Add(TimeSpan.FromHours(1));
        return Spread(first, meals, (last - first) / (meals - 1));
    }

    private static TimeOnly OnlyMeal(string words, TimeOnly first, TimeOnly last, TimeOnly sunset)
    {
        if (
            words.Contains("early morning", StringComparison.Ordinal)
            || words.Contains("cool morning", StringComparison.Ordinal)
        )
            return first;
        if (words.Contains("midday", StringComparison.Ordinal))
            return Midday;
        return words == "dusk" ? sunset.Add(-Dusk) : last;
    }

    private static List<TimeOnly> Spread(TimeOnly first, int meals, TimeSpan step) =>
        [.. Enumerable.Range(0, meals).Select(i => first.Add(step * i))];

    private static TimeOnly Later(TimeOnly a, TimeOnly b) => a > b ? a : b;

    private static TimeOnly Earlier(TimeOnly a, TimeOnly b) => a < b ? a : b;
}
