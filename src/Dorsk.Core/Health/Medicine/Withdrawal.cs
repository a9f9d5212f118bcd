using Dorsk.Core.Units;

namespace Dorsk.Core.Health;

/// <summary>The time after a treatment in which no fish leave a pond for food: nobody can pass it, only wait.</summary>
/// <param name="Product">Name of the product.</param>
/// <param name="LastDay">Day of the last dose.</param>
/// <param name="Until">First day on which they may leave.</param>
/// <param name="DegreeDaysWanted">Degree-days of the label, 0 where it counts days.</param>
/// <param name="DegreeDaysSoFar">Degree-days from the last dose to the day it was asked on.</param>
public sealed record Withdrawal(
    string Product,
    DateOnly LastDay,
    DateOnly Until,
    double DegreeDaysWanted,
    double DegreeDaysSoFar
)
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Label: days, or the sum of daily mean temperatures over 0 °C after the day of the last dose; recorded, and ahead as in the season";

    // Water at nought adds nothing: such a time never ends by itself.
    private const int Longest = 3 * 366;

    /// <summary>The withdrawal of a treatment; null where its label has none.</summary>
    /// <param name="product">The product.</param>
    /// <param name="given">The treatment.</param>
    /// <param name="firstDay">Farm day of the first dose.</param>
    /// <param name="today">Farm day on which it is asked.</param>
    /// <param name="temperatureC">Mean temperature of the water on a day, °C, recorded or ahead.</param>
    public static Withdrawal? Of(
        ProductDescribed product,
        TreatmentGiven given,
        DateOnly firstDay,
        DateOnly today,
        Func<DateOnly, double> temperatureC
    )
    {
        if (product is { WithdrawalDays: 0, WithdrawalDegreeDays: 0 })
            return null;
        var last = firstDay.AddDays(given.Days - 1);
        var byDays = last.AddDays(product.WithdrawalDays + 1);
        var (byDegrees, soFar) = ByDegrees(product.WithdrawalDegreeDays, last, today, temperatureC);
        return new(product.Name, last, byDays > byDegrees ? byDays : byDegrees, product.WithdrawalDegreeDays, soFar);
    }

    /// <summary>Whether no fish may leave on a day.</summary>
    public bool HoldsOn(DateOnly day, DateOnly firstDay) => day >= firstDay && day < Until;

    /// <summary>It in words.</summary>
    /// <param name="hand">How figures are printed.</param>
    public string Words(Hand hand) =>
        $"withdrawal of {Product} until {Hand.Day(Until)}"
        + (
            DegreeDaysWanted > 0
                ? $", {QuantityText.Figure(DegreeDaysSoFar, Measures.DegreeDays, hand)} of {QuantityText.Write(DegreeDaysWanted, Measures.DegreeDays, hand)} so far"
                : ""
        );

    private static (DateOnly Until, double SoFar) ByDegrees(
        double wanted,
        DateOnly last,
        DateOnly today,
        Func<DateOnly, double> temperatureC
    )
    {
        var (sum, soFar) = (0.0, 0.0);
        var day = last;
        for (var i = 0; i < Longest && sum < wanted; i++)
        {
            day = day.AddDays(1);
            sum += Math.Max(0, temperatureC(day));
            if (day <= today)
                soFar = sum;
        }
        return (day.AddDays(1), Math.Min(soFar, wanted));
    }
}
