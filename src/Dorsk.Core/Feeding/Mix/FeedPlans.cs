namespace Dorsk.Core.Feeding;

/// <summary>A way of feeding, as money.</summary>
/// <param name="PriceKg">Price of a kg of feed; for a feed of one's own, of what goes into it.</param>
/// <param name="MakingKg">What making a kg costs beside that.</param>
/// <param name="Fcr">Feed conversion ratio with it.</param>
public sealed record FeedPlan(double PriceKg, double MakingKg, double Fcr)
{
    /// <summary>Cost of feed in a kg of fish gained.</summary>
    public double CostPerKgFish => (PriceKg + MakingKg) * Fcr;

    /// <summary>The conversion at which this feed costs as much as another.</summary>
    /// <param name="other">The other.</param>
    public double EvenFcr(FeedPlan other) => other.CostPerKgFish / (PriceKg + MakingKg);
}

/// <summary>Hand or machine.</summary>
/// <param name="HandYear">Labour of feeding by hand in a year.</param>
/// <param name="MachineYear">Machine in a year: its share of the price, power and upkeep, and the meals that somebody still watches.</param>
public sealed record FeederChoice(double HandYear, double MachineYear)
{
    private const double DaysOfYear = 365,
        WatchedMeals = 2 / 7.0,
        UpkeepShare = 0.1;

    /// <summary>Weighs it.</summary>
    /// <param name="minutesMeal">Minutes of one meal by hand, walking with it.</param>
    /// <param name="mealsDay">Meals a day.</param>
    /// <param name="wageHour">Wage of an hour.</param>
    /// <param name="machine">Price of the machine.</param>
    /// <param name="years">Years it lasts.</param>
    /// <param name="powerYear">Power per year.</param>
    public static FeederChoice Of(
        double minutesMeal,
        double mealsDay,
        double wageHour,
        double machine,
        double years,
        double powerYear
    )
    {
        var meal = minutesMeal / 60 * wageHour;
        return new(
            meal * mealsDay * DaysOfYear,
            (machine / years) + (UpkeepShare * machine) + powerYear + (meal * WatchedMeals * DaysOfYear)
        );
    }
}

/// <summary>How much feed a filter cleans after.</summary>
public static class FilterFeed
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "TAN 0.144 × protein × feed without exchange (Ebeling and others 2006); filter rates are starting values";

    private const double TanOfProtein = 0.144;

    /// <summary>Greatest feed a day, kg: what the filter takes of ammonia by what a kg of feed gives.</summary>
    /// <param name="areaM2">Surface of its media, m².</param>
    /// <param name="gM2Day">Ammonia nitrogen that a m² takes in a day, g.</param>
    /// <param name="proteinPct">Protein of the feed, percent; above 0.</param>
    public static double MostKgDay(double areaM2, double gM2Day, double proteinPct) =>
        areaM2 * gM2Day / 1000 / (TanOfProtein * proteinPct / 100);
}
