using Dorsk.Core.Judging;

namespace Dorsk.Core.Growth;

/// <summary>Gain of a week against what the plan gains at the same weight and season.</summary>
/// <param name="TargetG">Planned gain of one fish in a week, g.</param>
/// <param name="ActualG">Gain of one fish in a week over the last span, g.</param>
/// <param name="Judgement">In a sentence.</param>
public sealed record WeeklyGain(double TargetG, double ActualG, Judgement Judgement)
{
    private const double Behind = 0.8;

    /// <summary>Compares the last span with the plan of the same days.</summary>
    /// <param name="planned">Planned weights by day, g, in order; holding both days.</param>
    /// <param name="from">First day of the span.</param>
    /// <param name="to">Last day of the span, after the first.</param>
    /// <param name="gainedG">Gain of one fish in the span, g.</param>
    /// <returns>Null where the plan does not hold the days.</returns>
    public static WeeklyGain? Of(
        IReadOnlyList<(DateOnly Day, double MeanG)> planned,
        DateOnly from,
        DateOnly to,
        double gainedG
    )
    {
        var weeks = (to.DayNumber - from.DayNumber) / 7.0;
        if (weeks <= 0 || planned.Count == 0 || from < planned[0].Day || to > planned[^1].Day)
            return null;
        double At(DateOnly day) => planned[day.DayNumber - planned[0].Day.DayNumber].MeanG;
        var (target, actual) = ((At(to) - At(from)) / weeks, gainedG / weeks);
        return new(
            target,
            actual,
            actual < Behind * target
                ? new(Status.Watch, "gains less than planned: water first, then feed, then the count")
                : new(Status.Steady, "gains as planned or more")
        );
    }
}
