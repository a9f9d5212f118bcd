using MathNet.Numerics.Distributions;

namespace Dorsk.Core.Judging;

/// <summary>A mean from a sample of fish, with how far it can be trusted.</summary>
/// <param name="Count">Fish weighed.</param>
/// <param name="Pieces">Independent pieces: single fish or casts.</param>
/// <param name="Mean">Mean weight, g.</param>
/// <param name="StandardError">Standard error of the mean, g; null when one piece alone cannot tell.</param>
/// <param name="Sd">Standard deviation between fish, g; null for bulk casts, which do not show it.</param>
/// <param name="Range">Interval of the mean; null when one piece alone cannot tell.</param>
public sealed record SampleMean(int Count, int Pieces, double Mean, double? StandardError, double? Sd, Interval? Range)
{
    /// <summary>Coefficient of variation between fish, percent; null for bulk casts.</summary>
    public double? CvPct => Sd / Mean * 100;
}

/// <summary>Means and ranges of samples (Cochran 1977, Sampling Techniques; Student's t).</summary>
public static class SampleStatistics
{
    /// <summary>Single fish: mean, SD with n − 1, and t-interval.</summary>
    /// <param name="weightsG">Weights, g, at least one, each above zero.</param>
    /// <param name="level">Confidence, 0 to 1; 0.95 for samples.</param>
    public static SampleMean Individual(IReadOnlyList<double> weightsG, double level = 0.95)
    {
        ArgumentOutOfRangeException.ThrowIfZero(weightsG.Count);
        var n = weightsG.Count;
        var mean = weightsG.Average();
        if (n == 1)
            return new(1, 1, mean, null, null, null);
        var sd = Math.Sqrt(weightsG.Sum(w => (w - mean) * (w - mean)) / (n - 1));
        var se = sd / Math.Sqrt(n);
        return new(n, n, mean, se, sd, Around(mean, se, n - 1, level));
    }

    /// <summary>Bulk casts: ratio estimator Σm/Σn with its standard error from the spread between casts.</summary>
    /// <param name="casts">Count and mass (g) of each cast; counts above zero.</param>
    /// <param name="level">Confidence, 0 to 1.</param>
    public static SampleMean Bulk(IReadOnlyList<(int Count, double MassG)> casts, double level = 0.95)
    {
        ArgumentOutOfRangeException.ThrowIfZero(casts.Count);
        var k = casts.Count;
        var fish = casts.Sum(c => c.Count);
        var mean = casts.Sum(c => c.MassG) / fish;
        if (k == 1)
            return new(fish, 1, mean, null, null, null);
        var meanCount = (double)fish / k;
        var spread = casts.Sum(c => Math.Pow(c.MassG - (mean * c.Count), 2));
        var se = Math.Sqrt(spread / (k * (k - 1.0))) / meanCount;
        return new(fish, k, mean, se, null, Around(mean, se, k - 1, level));
    }

    /// <summary>Fish to weigh for a wanted half-width of the mean (smallest n with t·CV/√n within it).</summary>
    /// <param name="cvPct">Expected spread between fish, percent.</param>
    /// <param name="errorPct">Wanted half-width, percent of the mean, above zero.</param>
    /// <param name="level">Confidence, 0 to 1.</param>
    public static int FishFor(double cvPct, double errorPct, double level = 0.95)
    {
        // t shrinks towards z, so the normal size is a floor to start from.
        var n = Math.Max(2, FishForNormal(cvPct, errorPct, level));
        while (n > 2 && T(level, n - 2) * cvPct / Math.Sqrt(n - 1) <= errorPct)
            n--;
        while (T(level, n - 1) * cvPct / Math.Sqrt(n) > errorPct)
            n++;
        return n;
    }

    /// <summary>The same with the normal quantile, ⌈(z·CV/E)²⌉.</summary>
    /// <param name="cvPct">Coefficient of variation of the weights, percent.</param>
    /// <param name="errorPct">Error that is borne, percent of the mean.</param>
    /// <param name="level">Level of confidence, above 0 and under 1.</param>
    public static int FishForNormal(double cvPct, double errorPct, double level = 0.95) =>
        (int)Math.Ceiling(Math.Pow(Z(level) * cvPct / errorPct, 2));

    /// <summary>Two-sided Student quantile.</summary>
    /// <param name="level">Level of confidence, above 0 and under 1.</param>
    /// <param name="degrees">Degrees of freedom, 1 or more.</param>
    public static double T(double level, int degrees) =>
        Students.GetOrAdd((level, degrees), static k => StudentT.InvCDF(0, 1, k.Degrees, (1 + k.Level) / 2));

    /// <summary>Two-sided normal quantile.</summary>
    /// <param name="level">Level of confidence, above 0 and under 1.</param>
    public static double Z(double level) => Quantiles.GetOrAdd(level, static l => Normal.InvCDF(0, 1, (1 + l) / 2));

    // The same few levels are asked for on every day of every estimate.
    private static readonly System.Collections.Concurrent.ConcurrentDictionary<double, double> Quantiles = new();

    // One for each size of a sample.
    private static readonly System.Collections.Concurrent.ConcurrentDictionary<
        (double Level, int Degrees),
        double
    > Students = new();

    private static Interval Around(double mean, double se, int degrees, double level)
    {
        var half = T(level, degrees) * se;
        return new(mean, mean - half, mean + half, level);
    }
}
