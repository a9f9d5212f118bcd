using Dorsk.Core.Time;
using Dorsk.Core.Water;

namespace Dorsk.Core.Oxygen;

/// <summary>
/// Oxygen through a night in ten-minute steps, each exact for its own constant terms: respiration, light, surface and aerators.
/// Gross photosynthesis follows the sun's height and over a whole day gives back what respiration takes, as in a pond that is
/// neither gaining nor losing day by day.
/// </summary>
public static class NightCurve
{
    private static readonly TimeSpan Step = TimeSpan.FromMinutes(10);

    /// <summary>Oxygen from a reading to an instant, mg/L, held at nought.</summary>
    /// <param name="water">The water of that night.</param>
    /// <param name="respirationMgLH">All respiration together, mg/L/h.</param>
    /// <param name="start">The reading to start from.</param>
    /// <param name="until">Last instant.</param>
    public static IReadOnlyList<Timed> Run(NightWater water, double respirationMgLH, Timed start, DateTimeOffset until)
    {
        var points = new List<Timed> { start };
        var light = MeanLight(water.Place, start.At);
        var (at, level) = (start.At, start.Si);
        while (at < until)
        {
            var step = until - at < Step ? until - at : Step;
            level = Math.Max(0, After(water, respirationMgLH, light, at, level, step));
            at += step;
            points.Add(new(at, level));
        }
        return points;
    }

    /// <summary>The respiration, mg/L/h, that leads from one reading to another; null when none between 0 and 6 does.</summary>
    /// <remarks>Every step is straight in the level and in the respiration, so the end is too: two runs give the line.</remarks>
    public static double? RespirationBetween(NightWater water, Timed start, Timed end)
    {
        const double least = -0.5, most = 6;
        var still = Unheld(water, 0, start, end.At);
        var perMgLH = still - Unheld(water, 1, start, end.At);
        var respiration = (still - end.Si) / perMgLH;
        return respiration is >= least and <= most ? Math.Max(0, respiration) : null;
    }

    // Not held at nought, so that the end stays straight in the respiration.
    private static double Unheld(NightWater water, double respiration, Timed start, DateTimeOffset until)
    {
        var light = MeanLight(water.Place, start.At);
        var (at, level) = (start.At, start.Si);
        while (at < until)
        {
            var step = until - at < Step ? until - at : Step;
            level = After(water, respiration, light, at, level, step);
            at += step;
        }
        return level;
    }

    private static double After(NightWater water, double respiration, double meanLight, DateTimeOffset at, double level, TimeSpan step)
    {
        var middle = at + (step / 2);
        var sun = Math.Max(0, SunTimes.SineElevation(water.Place, middle));
        var (rate, towards) = water.PullAt(middle);
        var loss = respiration * (1 - (meanLight > 0 ? sun / meanLight : 0));
        return new ConstantDecline(loss, rate, towards).After(level, step.TotalHours);
    }

    // Mean of the sun's height over the 24 hours around, night hours as nought.
    private static double MeanLight(Place place, DateTimeOffset around) =>
        Enumerable.Range(0, 96).Average(i => Math.Max(0, SunTimes.SineElevation(place, around.AddMinutes((i - 48) * 15))));
}
