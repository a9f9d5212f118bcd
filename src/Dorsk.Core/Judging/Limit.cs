using System.Globalization;
using Dorsk.Core.Units;

namespace Dorsk.Core.Judging;

/// <summary>Limits of what can be typed, in the farm's units: at most three figures, because a limit is never finer than that.</summary>
public static class Limit
{
    private const int Figures = 3;

    /// <summary>One limit with its unit: 10 m, or 32.8 ft.</summary>
    /// <param name="si">The limit, SI.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="hand">The farm's units.</param>
    public static string Of(double si, Measure measure, Hand hand)
    {
        var unit = measure.In(hand);
        return $"{Text(unit.FromSi(si), hand)} {unit.Symbol}".TrimEnd();
    }

    /// <summary>Both limits with their unit once: 0.2 to 10 m.</summary>
    /// <param name="lowSi">The lower limit, SI.</param>
    /// <param name="highSi">The upper limit, SI.</param>
    /// <param name="measure">The quantity.</param>
    /// <param name="hand">The farm's units.</param>
    public static string Range(double lowSi, double highSi, Measure measure, Hand hand) =>
        $"{Text(measure.In(hand).FromSi(lowSi), hand)} to {Of(highSi, measure, hand)}";

    private static string Text(double value, Hand hand)
    {
        var rounded = double.Parse(
            value.ToString("G" + Figures.ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture),
            CultureInfo.InvariantCulture
        );
        var decimals = Enumerable.Range(0, 6).First(d => d == 5 || Math.Round(rounded, d) == rounded);
        return hand.Figure(rounded, decimals);
    }
}
