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

/// <summary>Runs the growth law ahead on the yearly temperature curve, fed as of late or as somebody asks, with the doubt of weight and rate growing.</summary>
public static class GrowthForecast
{
    /// <summary>Level of growth and date intervals.</summary>
    public const double Level = 0.80;

    /// <summary>Weights for a number of days after a standing.</summary>
    /// <param name="from">The standing to go on from.</param>
    /// <param name="species">The species.</param>
    /// <param name="temperatureC">Expected temperature of a day, °C.</param>
    /// <param name="days">How far, days; 1 to 730.</param>
    /// <param name="share">Share of the full gain they will make, 0 to 1; null: as of late.</param>
    public static IReadOnlyList<WeightAhead> Run(
        Standing from,
        FishSpecies species,
        Func<DateOnly, double> temperatureC,
        int days,
        double? share = null
    )
    {
        var ahead = new List<WeightAhead>(days + 1);
        var state = from.State;
        var held = from.Held.Solve();
        var wander = Math.Sqrt(
            Math.Pow(StandingSettings.RateSdPerDayAhead * state.Steadiness, 2)
                + Math.Pow(StandingSettings.UnsteadyShare * from.Held.Unsteady, 2)
        );
        for (var i = 0; i <= days; i++)
        {
            var day = from.Day.AddDays(i);
            ahead.Add(new(day, StandingSettings.Around(state.MeanG, state.SdLogG, Level)));
            var tempC = temperatureC(day);
            state = state.NextDay(
                DailyGain.FullG(state.MeanG, tempC, species, state.RateAt(tempC, species))
                    * (share ?? held(tempC, from.Count.Value * state.MeanG / 1000)),
                tempC,
                species,
                wander
            );
        }
        return ahead;
    }

    /// <summary>Weights of fish that are to come: at the planned ration, which the expected rate holds already, with the doubt of the species' own figures.</summary>
    /// <param name="species">The species.</param>
    /// <param name="meanG">Weight when they come, g.</param>
    /// <param name="from">The day they come.</param>
    /// <param name="temperatureC">Expected temperature of a day, °C.</param>
    /// <param name="days">How far, days; 1 to 730.</param>
    public static IReadOnlyList<WeightAhead> Planned(
        FishSpecies species,
        double meanG,
        DateOnly from,
        Func<DateOnly, double> temperatureC,
        int days
    ) =>
        Run(
            new(from, default, default, default, 0, 1, WeightState.Stocked(meanG, null)),
            species,
            temperatureC,
            days,
            1
        );

    /// <summary>The dates on which a forecast reaches a weight.</summary>
    /// <param name="targetG">The weight, g.</param>
    /// <param name="ahead">The forecast, day by day.</param>
    public static TargetDate DateOf(double targetG, IReadOnlyList<WeightAhead> ahead)
    {
        DateOnly? First(Func<Interval, double> line) => ahead.FirstOrDefault(a => line(a.MeanG) >= targetG)?.Day;
        return new(targetG, First(i => i.Value), First(i => i.High), First(i => i.Low));
    }
}
