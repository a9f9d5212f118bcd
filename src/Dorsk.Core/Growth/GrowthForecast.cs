using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>Weight ahead of today.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="MeanG">Mean weight, g, with its 80 % interval.</param>
public sealed record WeightAhead(DateOnly Day, Interval MeanG);

/// <summary>When a batch reaches a weight: likely day with the 80 % interval of days. A null end lies beyond the horizon.</summary>
/// <param name="TargetG">The weight, g.</param>
/// <param name="Likely">Day on which the middle line reaches it, or null.</param>
/// <param name="Earliest">Day on which the upper line reaches it, or null.</param>
/// <param name="Latest">Day on which the lower line reaches it, or null.</param>
public sealed record TargetDate(double TargetG, DateOnly? Likely, DateOnly? Earliest, DateOnly? Latest);

/// <summary>Runs the growth law ahead at full ration on the yearly temperature curve, with the doubt of weight and rate growing.</summary>
public static class GrowthForecast
{
    /// <summary>Level of growth and date intervals.</summary>
    public const double Level = 0.80;

    /// <summary>Weights for a number of days after a standing.</summary>
    /// <param name="from">The standing to go on from.</param>
    /// <param name="species">The species.</param>
    /// <param name="temperatureC">Expected temperature of a day, °C.</param>
    /// <param name="days">How far, days; 1 to 730.</param>
    public static IReadOnlyList<WeightAhead> Run(Standing from, FishSpecies species, Func<DateOnly, double> temperatureC, int days)
    {
        var ahead = new List<WeightAhead>(days + 1);
        var state = from.State;
        var z = SampleStatistics.Z(Level);
        for (var i = 0; i <= days; i++)
        {
            var day = from.Day.AddDays(i);
            var sd = Math.Sqrt(state.Vw);
            ahead.Add(new(day, new(state.MeanG, state.MeanG * Math.Exp(-z * sd), state.MeanG * Math.Exp(z * sd), Level)));
            state = state.NextDay(DailyGain.FullG(state.MeanG, temperatureC(day), species, Math.Exp(state.LogRate)));
        }
        return ahead;
    }

    /// <summary>The dates on which a forecast reaches a weight.</summary>
    public static TargetDate DateOf(double targetG, IReadOnlyList<WeightAhead> ahead)
    {
        DateOnly? First(Func<Interval, double> line) => ahead.FirstOrDefault(a => line(a.MeanG) >= targetG)?.Day;
        return new(targetG, First(i => i.Value), First(i => i.High), First(i => i.Low));
    }
}
