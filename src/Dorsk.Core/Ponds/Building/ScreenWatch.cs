namespace Dorsk.Core.Ponds;

/// <summary>How often a screen is looked at while a pond drains.</summary>
public static class ScreenWatch
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Water through half of the screen (the rest is wire): slow water lets leaves lie, fast water presses fish and weed on; a blocked screen bursts. Minutes judged";

    private const double OpenShare = 0.5,
        SlowMs = 0.1,
        FastMs = 0.3;

    /// <summary>Speed of the water in the screen, m/s.</summary>
    /// <param name="flowM3H">Flow, m³/h.</param>
    /// <param name="screenM2">Screen, m²; above 0.</param>
    public static double SpeedMs(double flowM3H, double screenM2) => flowM3H / 3600 / (screenM2 * OpenShare);

    /// <summary>Minutes between looks; 0: somebody stays at it.</summary>
    /// <param name="speedMs">Speed of the water in it, m/s.</param>
    /// <param name="fouls">Whether leaves, weed or fish are in the water.</param>
    public static int EveryMin(double speedMs, bool fouls) =>
        (
            speedMs < SlowMs ? 60
            : speedMs < FastMs ? 20
            : 0
        ) / (fouls ? 2 : 1);
}

/// <summary>Covered against open pools by the work of cleaning them.</summary>
/// <param name="OpenHoursYear">Hours a year, open.</param>
/// <param name="CoveredHoursYear">Hours a year, covered.</param>
/// <param name="SavedYear">Money a year that a cover leaves, its own cost paid; below 0 when it costs more.</param>
public sealed record PoolCover(double OpenHoursYear, double CoveredHoursYear, double SavedYear)
{
    /// <summary>Works it out.</summary>
    /// <param name="minutes">Minutes of one cleaning.</param>
    /// <param name="openEveryDays">Days between cleanings, open; above 0.</param>
    /// <param name="coveredEveryDays">Days between cleanings, covered; above 0.</param>
    /// <param name="hourCost">An hour of work costs.</param>
    /// <param name="coverCost">The cover costs.</param>
    /// <param name="coverYears">It lasts, years; above 0.</param>
    public static PoolCover Of(
        double minutes,
        double openEveryDays,
        double coveredEveryDays,
        double hourCost,
        double coverCost,
        double coverYears
    )
    {
        double Hours(double every) => 365.25 / every * minutes / 60;
        var (open, covered) = (Hours(openEveryDays), Hours(coveredEveryDays));
        return new(open, covered, ((open - covered) * hourCost) - (coverCost / coverYears));
    }
}
