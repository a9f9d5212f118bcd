using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>
/// Belief about a batch's growth: log weight, log of its rate against the species' figure, and how much better or worse than the
/// species' temperature curve it does in water warmer and colder than best. Means and covariance of an extended Kalman filter; the
/// species' figures are the prior, samples move away from them as far as they must.
/// </summary>
public sealed class WeightState
{
    private const int N = 4;
    private readonly double[] mean;
    private readonly double[] cov;

    private WeightState(double[] mean, double[] cov) => (this.mean, this.cov) = (mean, cov);

    /// <summary>The belief at stocking.</summary>
    /// <param name="meanG">Mean weight at stocking, g.</param>
    /// <param name="habit">What their appetite says of their temperature curve, or null.</param>
    internal static WeightState Stocked(double meanG, Habit? habit)
    {
        var cov = new double[N * N];
        double[] sd =
        [
            StandingSettings.StockedWeightSd,
            StandingSettings.RateSd,
            habit?.WarmSd ?? StandingSettings.FlankSd,
            habit?.ColdSd ?? StandingSettings.FlankSd,
        ];
        for (var i = 0; i < N; i++)
            cov[(i * N) + i] = sd[i] * sd[i];
        return new([Math.Log(meanG), 0, habit?.Warm ?? 0, habit?.Cold ?? 0], cov);
    }

    /// <summary>Median weight, g.</summary>
    public double MeanG => Math.Exp(mean[0]);

    /// <summary>SD of the log weight.</summary>
    public double SdLogG => Math.Sqrt(cov[0]);

    /// <summary>The rate against the species' figure at its best temperature.</summary>
    public double RateFactor => Math.Exp(mean[1]);

    /// <summary>The rate against the species' figure in water of a temperature.</summary>
    public double RateAt(double tempC, FishSpecies species)
    {
        var (warm, cold) = TemperatureResponse.Flanks(tempC, species);
        return Math.Exp(mean[1] + (warm * mean[2]) + (cold * mean[3]));
    }

    /// <summary>One day on, linearised for the covariance: gain over weight falls with W^(−1/3) and rises with the rate.</summary>
    /// <param name="gainG">Gain of one fish at this weight and rate on that day, g; may be negative.</param>
    /// <param name="tempC">Water temperature of the day, °C.</param>
    /// <param name="species">The species.</param>
    /// <param name="rateSdPerDay">What the rate wanders in a day, in logs.</param>
    public WeightState NextDay(
        double gainG,
        double tempC,
        FishSpecies species,
        double rateSdPerDay = StandingSettings.RateSdPerDay
    )
    {
        var relative = gainG / MeanG;
        var (warm, cold) = TemperatureResponse.Flanks(tempC, species);
        ReadOnlySpan<double> row = [1 - (relative / 3), relative, relative * warm, relative * cold];
        var next = new double[N * N];
        cov.AsSpan().CopyTo(next);
        var first = 0.0;
        for (var j = 0; j < N; j++)
        {
            var sum = 0.0;
            for (var k = 0; k < N; k++)
                sum += row[k] * cov[(k * N) + j];
            first += sum * row[j];
            if (j > 0)
                next[j] = next[j * N] = sum;
        }
        next[0] = first + (StandingSettings.ProcessSdPerDay * StandingSettings.ProcessSdPerDay);
        next[N + 1] += rateSdPerDay * rateSdPerDay;
        return new([Math.Log(Math.Max(1e-6, MeanG + gainG)), mean[1], mean[2], mean[3]], next);
    }

    /// <summary>Learns from a sample.</summary>
    /// <param name="sampleG">Sampled mean, g.</param>
    /// <param name="relativeSd">Its error as a share.</param>
    public WeightState Learn(double sampleG, double relativeSd)
    {
        var surprise = Math.Log(sampleG) - mean[0];
        var total = cov[0] + (relativeSd * relativeSd);
        var (m, p) = ((double[])mean.Clone(), (double[])cov.Clone());
        for (var i = 0; i < N; i++)
        {
            m[i] += cov[i * N] / total * surprise;
            for (var j = 0; j < N; j++)
                p[(i * N) + j] -= cov[i * N] * cov[j] / total;
        }
        return new(m, p);
    }
}
