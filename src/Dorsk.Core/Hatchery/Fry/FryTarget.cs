using Dorsk.Core.Judging;
using Dorsk.Core.Plans;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>Weight that the fry of a pond are to have on a day.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="On">Farm day.</param>
/// <param name="WeightG">Mean weight, g; above 0.</param>
public sealed record FryTarget(long PondId, DateOnly On, double WeightG) : Fact
{
    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="today">The farm day of the line.</param>
    public IEnumerable<Remark> Check(DateOnly today)
    {
        if (On <= today || On > today.AddDays(400))
            yield return Remark.Refuse("On", "A day of the next 400.");
        if (WeightG is not (> 0.001 and <= 1000))
            yield return Remark.Refuse("Weight", h => $"{Limit.Range(0.001, 1000, Measures.FishWeight, h)}.");
    }
}

/// <summary>Fry against the weight they are to have on a day.</summary>
/// <param name="On">The day.</param>
/// <param name="WeightG">The weight, g.</param>
/// <param name="ExpectedG">What they should weigh today, g.</param>
/// <param name="ReachedOn">Day on which they come to it as they have grown so far; null where they hardly grow.</param>
/// <param name="Judgement">How they stand.</param>
public sealed record FryPace(DateOnly On, double WeightG, double ExpectedG, DateOnly? ReachedOn, Judgement Judgement)
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Fry grow by a steady share a day: weights in logarithms on a straight line from the stocking to the target; by the target of the farm, else length and days of the nursery table";

    private const double Behind = 0.8,
        FarBehind = 0.6;
    private const double MostDays = 400,
        LeastDays = 1;

    /// <summary>Holds them against the target; null where neither the farm nor the table has one, or the weight at stocking is not known.</summary>
    /// <param name="s">The pond.</param>
    /// <param name="target">The farm's own; null for the table's.</param>
    /// <param name="nursery">How fry stand; null where the table has none.</param>
    /// <param name="hand">How figures are printed.</param>
    public static FryPace? Of(FryPondState s, FryTarget? target, NurseryDensity? nursery, Hand hand)
    {
        var goal =
            target is { } t ? (t.On, t.WeightG)
            : nursery is not null ? (s.StockedOn.AddDays((int)nursery.Days.To), nursery.WeightG(nursery.AtMm))
            : ((DateOnly On, double WeightG)?)null;
        if (goal is not { } g || !(s.StartG > 0) || g.WeightG <= s.StartG || g.On <= s.StockedOn)
            return null;
        var share = Math.Clamp((double)s.Day / (g.On.DayNumber - s.StockedOn.DayNumber), 0, 1);
        var expected = s.StartG * Math.Pow(g.WeightG / s.StartG, share);
        var perDay = s.Day >= LeastDays ? Math.Log(s.MeanG / s.StartG) / s.Day : 0;
        var days =
            s.MeanG >= g.WeightG ? 0
            : perDay > 0 ? Math.Log(g.WeightG / s.MeanG) / perDay
            : double.PositiveInfinity;
        DateOnly? reached = days <= MostDays ? s.Today.AddDays((int)Math.Ceiling(days)) : null;
        return new(g.On, g.WeightG, expected, reached, Judge(s, expected, reached, g.On, hand));
    }

    private static Judgement Judge(FryPondState s, double expected, DateOnly? reached, DateOnly on, Hand hand)
    {
        var words =
            $"{QuantityText.Write(s.MeanG, Measures.FishWeight, hand)}, due today {QuantityText.Write(expected, Measures.FishWeight, hand)}";
        var late = reached is { } day ? day.DayNumber - on.DayNumber : (int?)null;
        var when =
            late is not { } n ? "as they grow they do not come to it"
            : n > 0 ? $"as they grow they come to it {hand.Count(n)} days late"
            : "in time";
        return (s.MeanG / expected) switch
        {
            < FarBehind => new(Status.ActNow, $"{words}: far behind, {when}. Look at plankton, number and water"),
            < Behind => new(Status.Watch, $"{words}: behind, {when}"),
            _ => new(late > 0 ? Status.Watch : Status.Steady, $"{words}: {when}"),
        };
    }
}
