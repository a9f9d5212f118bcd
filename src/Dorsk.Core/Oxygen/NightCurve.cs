using System.Collections.Concurrent;
using Dorsk.Core.Time;
using Dorsk.Core.Water;

namespace Dorsk.Core.Oxygen;

/// <summary>
/// Oxygen through a night in ten-minute steps, each exact for its own constant terms: respiration, light, surface and aerators.
/// Gross photosynthesis follows the light that enters the water and over a whole day gives back what respiration takes, as in a pond that is
/// neither gaining nor losing day by day.
/// </summary>
public static class NightCurve
{
    private static readonly TimeSpan Step = TimeSpan.FromMinutes(10);

    /// <summary>One step: level after = Keep × level + Add − respiration × Take.</summary>
    private readonly record struct Move(DateTimeOffset To, double Keep, double Add, double Take);

    /// <summary>Oxygen from a reading to an instant, mg/L, held at nought.</summary>
    /// <param name="water">The water of that night.</param>
    /// <param name="respirationMgLH">All respiration together, mg/L/h.</param>
    /// <param name="start">The reading to start from.</param>
    /// <param name="until">Last instant.</param>
    public static IReadOnlyList<Timed> Run(
        NightWater water,
        double respirationMgLH,
        Timed start,
        DateTimeOffset until
    ) => Run(water, [respirationMgLH], start, until)[0];

    /// <summary>The same for several respirations in the same water.</summary>
    /// <param name="water">The water of that night.</param>
    /// <param name="respirationsMgLH">All respiration together, mg/L/h.</param>
    /// <param name="start">The reading to start from.</param>
    /// <param name="until">Last instant.</param>
    /// <param name="step">Length of a step; ten minutes unless said otherwise.</param>
    public static IReadOnlyList<IReadOnlyList<Timed>> Run(
        NightWater water,
        IReadOnlyList<double> respirationsMgLH,
        Timed start,
        DateTimeOffset until,
        TimeSpan? step = null
    )
    {
        var each = step ?? Step;
        var moves = new List<Move>((int)Math.Max(1, Math.Ceiling((until - start.At) / each)));
        moves.AddRange(Moves(water, start.At, until, each));
        return respirationsMgLH
            .Select(respiration =>
            {
                var points = new List<Timed>(moves.Count + 1) { start };
                var level = start.Si;
                foreach (var m in moves)
                    points.Add(new(m.To, level = Math.Max(0, (m.Keep * level) + m.Add - (respiration * m.Take))));
                return (IReadOnlyList<Timed>)points;
            })
            .ToList();
    }

    /// <summary>The respiration, mg/L/h, that leads from one reading to another; null when none between 0 and 6 does.</summary>
    /// <remarks>Every step is straight in the level and in the respiration, so the end is too: one run gives the line. Not held at nought, so that it stays straight.</remarks>
    public static double? RespirationBetween(NightWater water, Timed start, Timed end)
    {
        const double least = -0.5,
            most = 6;
        var way = Between(water, start, end.At);
        var respiration = (way.StillMgL - end.Si) / way.TakenH;
        return respiration is >= least and <= most ? Math.Max(0, respiration) : null;
    }

    /// <summary>How oxygen hangs on respiration from a reading to an instant: level = StillMgL − respiration × TakenH, not held at nought.</summary>
    /// <param name="water">The water of that night.</param>
    /// <param name="start">The reading.</param>
    /// <param name="until">The instant.</param>
    public static (double StillMgL, double TakenH) Between(NightWater water, Timed start, DateTimeOffset until)
    {
        double still = start.Si,
            taken = 0;
        foreach (var m in Moves(water, start.At, until, Step))
            (still, taken) = ((m.Keep * still) + m.Add, (m.Keep * taken) + m.Take);
        return (still, taken);
    }

    private static IEnumerable<Move> Moves(
        NightWater water,
        DateTimeOffset from,
        DateTimeOffset until,
        TimeSpan longest
    )
    {
        var light = MeanLight(water.Place, from);
        for (var at = from; at < until; )
        {
            var step = until - at < longest ? until - at : longest;
            var middle = at + (step / 2);
            var (rate, towards) = water.PullAt(middle);
            var (keep, perLoss) = ConstantDecline.Over(rate, step.TotalHours);
            var dark = light > 0 ? 1 - (Entering(SunTimes.SineElevation(water.Place, middle)) / light) : 1;
            at += step;
            yield return new(at, keep, (1 - keep) * towards, dark * perLoss * water.UseAt(middle));
        }
    }

    // The same few days are asked for again and again, by every pond.
    private static readonly ConcurrentDictionary<(Place, DateTime), double> MeanLights = new();

    // Mean of the sun's height over the 24 hours of a day, night hours as nought.
    private static double MeanLight(Place place, DateTimeOffset around) =>
        MeanLights.GetOrAdd((place, around.UtcDateTime.Date), key =>
        {
            var midnight = new DateTimeOffset(key.Item2, TimeSpan.Zero);
            return Enumerable
                .Range(0, 48)
                .Average(i => Entering(SunTimes.SineElevation(place, midnight.AddMinutes(i * 30))));
        });

    // Direct light that enters still water: a low sun is thrown back, 35 % at 10° and 58 % at 5° (Fresnel's law for unpolarised light, refraction 1.333).
    private static double Entering(double sine)
    {
        if (sine <= 0)
            return 0;
        const double refraction = 1.333;
        var into = Math.Sqrt(1 - ((1 - (sine * sine)) / (refraction * refraction)));
        var across = (sine - (refraction * into)) / (sine + (refraction * into));
        var along = (into - (refraction * sine)) / (into + (refraction * sine));
        return sine * (1 - (((across * across) + (along * along)) / 2));
    }
}
