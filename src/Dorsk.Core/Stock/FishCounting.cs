using Dorsk.Core.Judging;

namespace Dorsk.Core.Stock;

/// <summary>A number of fish that was not counted one by one.</summary>
/// <param name="Fish">The likely number.</param>
/// <param name="Range">Its 95 % interval; null when one sample alone cannot tell.</param>
/// <param name="Each">Mean of one fish (g or mL), or fish a bag.</param>
/// <param name="Samples">Samples it rests on.</param>
/// <param name="RelativeError">Standard error by the mean; null with one sample.</param>
public sealed record FishNumber(double Fish, Interval? Range, double Each, int Samples, double? RelativeError)
{
    /// <summary>Half of the interval, percent of the number; null with one sample.</summary>
    public double? PlusMinusPct => Range is { } r && Fish > 0 ? 100 * (r.High - r.Low) / 2 / Fish : null;
}

/// <summary>Counting small fish by weight, by displaced volume, or by one bag of many (ratio estimator, Cochran 1977; Student's t).</summary>
public static class FishCounting
{
    private const double Level = 0.95;

    /// <summary>By weight or by displaced volume: the whole amount over the mean of one fish.</summary>
    /// <param name="samples">Fish counted and their amount, g or mL; at least one, each above nought.</param>
    /// <param name="whole">The whole amount in the same unit; 0 or more.</param>
    public static FishNumber ByAmount(IReadOnlyList<(int Count, double Amount)> samples, double whole)
    {
        var mean = SampleStatistics.Bulk(samples, Level);
        var relative = mean.StandardError / mean.Mean;
        return With(whole / mean.Mean, mean.Mean, samples.Count, relative);
    }

    /// <summary>By throws of a net: what a throw catches by the area it closes, over the pond's.</summary>
    /// <param name="caught">Fish of each throw; at least one throw.</param>
    /// <param name="netM2">Area a throw closes, m².</param>
    /// <param name="pondM2">Area of the pond, m².</param>
    /// <param name="heldShare">Share of the fish under the net that it holds, above 0 to 1.</param>
    public static FishNumber ByThrows(IReadOnlyList<int> caught, double netM2, double pondM2, double heldShare)
    {
        var (k, mean) = (caught.Count, caught.Average());
        double? relative =
            k < 2 || mean <= 0 ? null : Math.Sqrt(caught.Sum(c => (c - mean) * (c - mean)) / (k - 1) / k) / mean;
        return With(mean / (netM2 * heldShare) * pondM2, mean, k, relative);
    }

    /// <summary>One bag or a few of many: bags by their mean, the counted ones being no guess.</summary>
    /// <param name="counted">Fish in each bag that was counted; at least one.</param>
    /// <param name="bags">Bags in all; no fewer than were counted.</param>
    public static FishNumber ByBags(IReadOnlyList<int> counted, int bags)
    {
        ArgumentOutOfRangeException.ThrowIfLessThan(bags, counted.Count);
        var (k, mean) = (counted.Count, counted.Average());
        double? relative =
            k == bags ? 0
            : k < 2 || mean <= 0 ? null
            : Math.Sqrt(counted.Sum(c => (c - mean) * (c - mean)) / (k - 1) / k * (1 - ((double)k / bags))) / mean;
        return With(bags * mean, mean, k, relative);
    }

    /// <summary>More samples like these until the number is known within a share; 0 when it is already, null with one sample alone.</summary>
    /// <param name="number">What is known so far.</param>
    /// <param name="withinPct">Wanted half of the interval, percent; above 0.</param>
    public static int? MoreFor(FishNumber number, double withinPct)
    {
        if (number.RelativeError is not { } se)
            return null;
        // One sample alone spreads by se·√k; t shrinks as samples come in.
        var spread = se * Math.Sqrt(number.Samples);
        for (var n = number.Samples; n < number.Samples + 1000; n++)
            if (100 * SampleStatistics.T(Level, n - 1) * spread / Math.Sqrt(n) <= withinPct)
                return n - number.Samples;
        return 1000;
    }

    // In logs, so that few samples of much spread never reach below nought.
    private static FishNumber With(double fish, double each, int samples, double? relative) =>
        new(fish, relative is { } se ? Within(fish, samples, se) : null, each, samples, relative);

    private static Interval? Within(double fish, int samples, double se)
    {
        if (se == 0)
            return new(fish, fish, fish, Level);
        var factor = Math.Exp(SampleStatistics.T(Level, samples - 1) * se);
        return double.IsFinite(factor) ? new Interval(fish, fish / factor, fish * factor, Level) : null;
    }
}
