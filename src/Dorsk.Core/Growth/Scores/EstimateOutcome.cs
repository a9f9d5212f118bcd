using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Growth;

/// <summary>What an estimate was of.</summary>
public enum EstimateOf
{
    /// <summary>Mean weight, held against a sample.</summary>
    MeanWeight,

    /// <summary>Number of fish, held against a count of all or the harvest that emptied the pond.</summary>
    Number,

    /// <summary>Day of a weight, told at one sample and held against the next.</summary>
    DateOfWeight,
}

/// <summary>An estimate as it stood before a sample, a count or a harvest, beside what came.</summary>
/// <param name="Of">What it was of.</param>
/// <param name="Day">Farm day on which it was weighed or counted.</param>
/// <param name="Said">What was estimated with its interval: g, fish, or days from the sample before.</param>
/// <param name="Paper">What paper would have said: the last sample as it stands; the books; the cube root of weight straight through the last two weighings.</param>
/// <param name="Came">What was weighed or counted, or how many days it took.</param>
public sealed record EstimateOutcome(EstimateOf Of, DateOnly Day, Interval Said, double Paper, double Came)
{
    /// <summary>Estimated less came: as a share of what came, for dates in days.</summary>
    public double Error => Off(Said.Value);

    /// <summary>The same of the way of paper.</summary>
    public double PaperError => Off(Paper);

    /// <summary>Whether it came inside the interval.</summary>
    public bool Inside => Said.Holds(Came);

    private double Off(double said) => Of == EstimateOf.DateOfWeight ? said - Came : (said / Came) - 1;

    /// <summary>Days until a weight by the cube root of weight, straight through the last two weighings; null where it does not rise.</summary>
    /// <param name="before">The weighing before the last: days ago from the last, and g.</param>
    /// <param name="lastG">The last weighing, g.</param>
    /// <param name="targetG">The weight that is asked for, g.</param>
    public static double? DaysByCubeRoot((double DaysAgo, double MeanG) before, double lastG, double targetG)
    {
        var perDay = (Math.Cbrt(lastG) - Math.Cbrt(before.MeanG)) / before.DaysAgo;
        return perDay > 0 ? (Math.Cbrt(targetG) - Math.Cbrt(lastG)) / perDay : null;
    }
}

/// <summary>How estimates of one kind came out.</summary>
/// <param name="Asked">How many could be held against something.</param>
/// <param name="Bias">Median of estimated less came: a share, for dates days.</param>
/// <param name="Error">Median of its size.</param>
/// <param name="PaperError">The same of the way of paper.</param>
/// <param name="Inside">How many came inside the interval.</param>
/// <param name="Level">Share that should.</param>
public sealed record EstimateScore(int Asked, double Bias, double Error, double PaperError, int Inside, double Level)
{
    /// <summary>Adds outcomes of one kind up; null without any.</summary>
    public static EstimateScore? Of(IReadOnlyList<EstimateOutcome> outcomes) =>
        outcomes.Count == 0
            ? null
            : new(
                outcomes.Count,
                Median(outcomes.Select(o => o.Error)),
                Median(outcomes.Select(o => Math.Abs(o.Error))),
                Median(outcomes.Select(o => Math.Abs(o.PaperError))),
                outcomes.Count(o => o.Inside),
                outcomes[0].Said.Level
            );

    /// <summary>Grounds of such a score.</summary>
    /// <param name="of">What it is of.</param>
    public Grounds Why(EstimateOf of) =>
        Grounds.Of(
            of switch
            {
                EstimateOf.MeanWeight =>
                    "Before each sample stands an estimate of the mean weight, made from what had happened by then; it is held against the sample. A sample errs too, so that even a perfect estimate would part from it. Paper: the last sample as it stands.",
                EstimateOf.Number =>
                    "Before all fish are counted, and before the harvest that empties a pond, stands an estimate of their number. Paper: the number on the books.",
                _ =>
                    "At each sample from the second on the day of the next sample's weight is told; it is held against the day on which that weight was weighed. Paper: the cube root of weight, straight through the last two weighings.",
            },
            "Facts of the log up to the day before; median of the errors",
            new Input("scored", Asked, Measures.Plain, "samples, counts and harvests"),
            new Input(
                "inside their interval",
                Inside,
                Measures.Plain,
                FormattableString.Invariant($"should be {100 * Level:0} %")
            )
        );

    private static double Median(IEnumerable<double> values)
    {
        var sorted = values.Order().ToList();
        var middle = sorted.Count / 2;
        return sorted.Count % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    }
}
