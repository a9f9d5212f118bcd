namespace Dorsk.Core.Feeding;

/// <summary>A meal with its hour.</summary>
/// <param name="At">Hour of the farm's clock.</param>
/// <param name="Kg">Feed, kg.</param>
/// <param name="Half">The half of the day it belongs to.</param>
public readonly record struct MealAt(TimeOnly At, double Kg, Meal Half);

/// <summary>Parts a day's ration over meals at fixed hours, from after the dawn reading to well before dusk.</summary>
public static class MealTimes
{
    private static readonly TimeOnly First = new(7, 0),
        Last = new(16, 0),
        Noon = new(12, 0);

    /// <summary>Meals of a plan; what brakes held of a half of the day is held in each of its meals.</summary>
    /// <param name="plan">The ration.</param>
    /// <param name="meals">How many, 1 to 24; a single meal is given in the afternoon, when fish are warm and the night's oxygen is forecast.</param>
    public static IReadOnlyList<MealAt> Of(RationPlan plan, int meals)
    {
        meals = Math.Clamp(meals, 1, 24);
        var (morning, afternoon) = (plan.Meals[0].Kg, plan.Meals[1].Kg);
        if (meals == 1)
            return [new(Last, morning + afternoon, Meal.Afternoon)];
        var step = (Last - First) / (meals - 1);
        var hours = Enumerable.Range(0, meals).Select(i => First.Add(step * i)).ToList();
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
}
