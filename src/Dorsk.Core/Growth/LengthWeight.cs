using Dorsk.Core.Judging;

namespace Dorsk.Core.Growth;

/// <summary>Weight by length of a farm's own fish: W = a·L^b by least squares in logarithms, with the scatter of single fish about it.</summary>
/// <param name="A">Weight at 1 cm, g.</param>
/// <param name="B">Power of the length; about 3 where fish keep their shape.</param>
/// <param name="Fish">Pairs it rests on.</param>
/// <param name="ScatterLog">SD of a single fish about the line, in logs.</param>
/// <param name="MeanLogCm">Mean of the log lengths.</param>
/// <param name="SpreadLogCm">Sum of squares of the log lengths about their mean.</param>
public sealed record LengthWeight(double A, double B, int Fish, double ScatterLog, double MeanLogCm, double SpreadLogCm)
{
    /// <summary>Where the method comes from.</summary>
    public const string Source = "Ricker 1975; Froese 2006";

    /// <summary>Fewer pairs tell no power.</summary>
    public const int Fewest = 5;

    /// <summary>Fits it; null with fewer than five fish or all of one length.</summary>
    /// <param name="pairs">Length, cm, and weight, g, of fish; both above 0.</param>
    public static LengthWeight? Fit(IReadOnlyList<(double Cm, double G)> pairs)
    {
        if (pairs.Count < Fewest)
            return null;
        var logs = pairs.Select(p => (X: Math.Log(p.Cm), Y: Math.Log(p.G))).ToList();
        var (mx, my) = (logs.Average(p => p.X), logs.Average(p => p.Y));
        var sxx = logs.Sum(p => (p.X - mx) * (p.X - mx));
        if (sxx < 1e-6)
            return null;
        var b = logs.Sum(p => (p.X - mx) * (p.Y - my)) / sxx;
        var rest = logs.Sum(p => Math.Pow(p.Y - my - (b * (p.X - mx)), 2));
        return new(Math.Exp(my - (b * mx)), b, pairs.Count, Math.Sqrt(rest / (pairs.Count - 2)), mx, sxx);
    }

    /// <summary>Weight of a fish of a length, g, with the interval in which a single fish falls.</summary>
    public Interval WeightG(double cm, double level = 0.8)
    {
        var x = Math.Log(cm);
        var g = A * Math.Pow(cm, B);
        var wide = Math.Exp(
            SampleStatistics.T(level, Fish - 2)
                * ScatterLog
                * Math.Sqrt(1 + (1.0 / Fish) + (Math.Pow(x - MeanLogCm, 2) / SpreadLogCm))
        );
        return new(g, g / wide, g * wide, level);
    }

    /// <summary>Length at which a fish weighs so much, cm.</summary>
    public double LengthCm(double meanG) => Math.Pow(meanG / A, 1 / B);
}
