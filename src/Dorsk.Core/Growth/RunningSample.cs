using Dorsk.Core.Judging;

namespace Dorsk.Core.Growth;

/// <summary>A bar of the size picture.</summary>
/// <param name="FromG">From this weight on, g.</param>
/// <param name="ToG">Up to this, g.</param>
/// <param name="Fish">Fish in it.</param>
public readonly record struct SizeBar(double FromG, double ToG, int Fish);

/// <summary>
/// A sample as it is taken: mean with its interval after every fish or cast, and whether it is good enough to stop. Stopping as
/// soon as an interval happens to be narrow would stop on lucky fish, so a least number is weighed first.
/// </summary>
/// <param name="Mean">Mean so far, or null before the first.</param>
/// <param name="WantedPct">Wanted half-width, percent of the mean.</param>
/// <param name="GoodEnough">Whether weighing may stop.</param>
/// <param name="More">Fish (or casts) that are still wanted, as it looks now; null before it can be told.</param>
public sealed record RunningSample(SampleMean? Mean, double WantedPct, bool GoodEnough, int? More)
{
    /// <summary>Fewest single fish and fewest casts before a sample may stop.</summary>
    public const int FewestFish = 25,
        FewestCasts = 4;

    /// <summary>Half-width of the 95 % interval, percent of the mean; null while one piece alone cannot tell.</summary>
    public double? HalfPct => Mean is { Range: { } r } m ? 100 * (r.High - m.Mean) / m.Mean : null;

    /// <summary>A sample of single fish so far.</summary>
    /// <param name="weightsG">Weights, g.</param>
    /// <param name="wantedPct">Wanted half-width, percent, above 0.</param>
    public static RunningSample OfFish(IReadOnlyList<double> weightsG, double wantedPct)
    {
        if (weightsG.Count == 0)
            return new(null, wantedPct, false, null);
        var mean = SampleStatistics.Individual(weightsG);
        var wanted = mean.CvPct is > 0 and var cv
            ? Math.Max(FewestFish, SampleStatistics.FishFor(cv, wantedPct))
            : FewestFish;
        return Judged(mean, wantedPct, FewestFish, wanted);
    }

    /// <summary>A sample of casts so far.</summary>
    /// <param name="casts">Count and mass, g, of each.</param>
    /// <param name="wantedPct">Wanted half-width, percent, above 0.</param>
    public static RunningSample OfCasts(IReadOnlyList<(int Count, double MassG)> casts, double wantedPct)
    {
        if (casts.Count == 0)
            return new(null, wantedPct, false, null);
        var mean = SampleStatistics.Bulk(casts);
        // Between casts the standard error times √k is the spread of one cast.
        var wanted = mean.StandardError is > 0 and var se
            ? Math.Max(FewestCasts, SampleStatistics.FishFor(100 * se * Math.Sqrt(casts.Count) / mean.Mean, wantedPct))
            : FewestCasts;
        return Judged(mean, wantedPct, FewestCasts, wanted);
    }

    private static RunningSample Judged(SampleMean mean, double wantedPct, int fewest, int wanted)
    {
        var running = new RunningSample(mean, wantedPct, false, null);
        var good = mean.Pieces >= fewest && running.HalfPct <= wantedPct;
        return running with
        {
            GoodEnough = good,
            More =
                good ? 0
                : mean.Pieces < 2 ? null
                : Math.Max(1, wanted - mean.Pieces),
        };
    }

    /// <summary>The size picture: bars of one round width over all weights.</summary>
    /// <param name="weightsG">Weights, g, above 0.</param>
    public static IReadOnlyList<SizeBar> Sizes(IReadOnlyList<double> weightsG)
    {
        if (weightsG.Count < 2 || weightsG.Max() <= weightsG.Min())
            return [];
        var raw = (weightsG.Max() - weightsG.Min()) / 8;
        var ten = Math.Pow(10, Math.Floor(Math.Log10(raw)));
        var width =
            ten
            * (raw / ten) switch
            {
                <= 1 => 1,
                <= 2 => 2,
                <= 5 => 5,
                _ => 10,
            };
        var first = Math.Floor(weightsG.Min() / width);
        var last = Math.Floor(weightsG.Max() / width);
        return
        [
            .. Enumerable
                .Range(0, (int)(last - first) + 1)
                .Select(i => new SizeBar(
                    (first + i) * width,
                    (first + i + 1) * width,
                    weightsG.Count(w => Math.Floor(w / width) == first + i)
                )),
        ];
    }

    /// <summary>Share of fish over a weight, 0 to 1, when sizes scatter about the mean as a log-normal.</summary>
    /// <param name="meanG">Mean weight, g.</param>
    /// <param name="cvPct">Spread between fish, percent.</param>
    /// <param name="overG">The weight, g.</param>
    public static double ShareOver(double meanG, double cvPct, double overG)
    {
        var variance = Math.Log(1 + (cvPct * cvPct / 10_000));
        return variance <= 0
            ? (meanG >= overG ? 1 : 0)
            : 1
                - MathNet.Numerics.Distributions.Normal.CDF(
                    Math.Log(meanG) - (variance / 2),
                    Math.Sqrt(variance),
                    Math.Log(overG)
                );
    }

    /// <summary>Fulton's condition factor 100·W/L³ with W in g and L in cm (total length).</summary>
    /// <param name="weightG">Weight, g.</param>
    /// <param name="lengthM">Total length, m, above 0.</param>
    public static double Condition(double weightG, double lengthM) => 100 * weightG / Math.Pow(100 * lengthM, 3);
}
