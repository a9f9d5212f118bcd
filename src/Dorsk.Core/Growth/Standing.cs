using Dorsk.Core.Judging;

namespace Dorsk.Core.Growth;

/// <summary>What stands of a batch on a day.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="Count">Fish, with its 90 % interval.</param>
/// <param name="MeanG">Mean weight, g, with its 90 % interval.</param>
/// <param name="BiomassKg">Biomass, kg, with its 90 % interval.</param>
/// <param name="FullGainG">Gain of one fish on that day at full ration, g.</param>
/// <param name="RateFactor">This pond's growth rate against the species' figure, learned from samples.</param>
/// <param name="State">The filter behind it, to go on from.</param>
public sealed record Standing(DateOnly Day, Interval Count, Interval MeanG, Interval BiomassKg, double FullGainG, double RateFactor, WeightState State);

/// <summary>Belief about log weight and log growth rate: means and covariance.</summary>
/// <param name="LogG">Mean of ln W (g).</param>
/// <param name="LogRate">Mean of the log of this pond's rate against the species.</param>
/// <param name="Vw">Variance of ln W.</param>
/// <param name="Vr">Variance of the log rate.</param>
/// <param name="Cov">Their covariance.</param>
public readonly record struct WeightState(double LogG, double LogRate, double Vw, double Vr, double Cov)
{
    /// <summary>Median weight, g.</summary>
    public double MeanG => Math.Exp(LogG);

    /// <summary>One day on: W^(1/3) law at rate e^(LogRate)·G·f, linearised for the covariance.</summary>
    /// <param name="gainG">Gain of one fish at this weight and rate on that day, g; may be negative.</param>
    public WeightState NextDay(double gainG)
    {
        var relative = gainG / MeanG;
        // d(ln W')/d(ln W) = 1 − r/3 because gain/W falls with W^(−1/3); d(ln W')/d(ln rate) = r.
        double a = 1 - (relative / 3), b = relative;
        var vw = (a * a * Vw) + (2 * a * b * Cov) + (b * b * Vr) + Sq(StandingSettings.ProcessSdPerDay);
        var cov = (a * Cov) + (b * Vr);
        return new(Math.Log(Math.Max(1e-6, MeanG + gainG)), LogRate, vw, Vr + Sq(StandingSettings.RateSdPerDay), cov);
    }

    /// <summary>Learns from a sample.</summary>
    /// <param name="sampleG">Sampled mean, g.</param>
    /// <param name="relativeSd">Its error as a share.</param>
    public WeightState Learn(double sampleG, double relativeSd)
    {
        var surprise = Math.Log(sampleG) - LogG;
        var total = Vw + Sq(relativeSd);
        double kw = Vw / total, kr = Cov / total;
        return new(LogG + (kw * surprise), LogRate + (kr * surprise), (1 - kw) * Vw, Vr - (kr * Cov), (1 - kw) * Cov);
    }

    private static double Sq(double x) => x * x;
}
