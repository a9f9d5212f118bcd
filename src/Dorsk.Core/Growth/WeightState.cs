using Dorsk.Core.Species;

namespace Dorsk.Core.Growth;

/// <summary>
/// Belief about a batch's growth: log weight, log of its rate against the species' figure, how much better or worse than the
/// species' temperature curve it does in water warmer and colder than best, by how much the nets of this pond read heavy or
/// light, and how the rate goes with size. Means and covariance of an extended Kalman filter; the species' figures are the prior, samples move away from them as far
/// as they must.
/// </summary>
public sealed class WeightState
{
    private const int N = 6,
        Net = 4,
        Size = 5;
    private readonly double[] mean;
    private readonly double[] cov;
    private readonly double startLogG;

    // How far samples fell from what was expected, squared and in the SDs expected: their sum, and how many spoke.
    private readonly (double Squares, int Samples) surprises;

    // The expectation of the settings counts as so many samples.
    private const double Expected = 2;

    private WeightState(double[] mean, double[] cov, double startLogG, (double Squares, int Samples) surprises) =>
        (this.mean, this.cov, this.startLogG, this.surprises) = (mean, cov, startLogG, surprises);

    /// <summary>What samples of this batch surprise by, against what is expected, 0.4 to 2: under 1 where it keeps to its line.</summary>
    public double Steadiness =>
        Math.Clamp(Math.Sqrt((Expected + surprises.Squares) / (Expected + surprises.Samples)), 0.4, 2);

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
            StandingSettings.NetBiasSd,
            StandingSettings.SizeSlopeSd,
        ];
        for (var i = 0; i < N; i++)
            cov[(i * N) + i] = sd[i] * sd[i];
        return new(
            [
                Math.Log(meanG),
                StandingSettings.RateMean,
                habit?.Warm ?? 0,
                habit?.Cold ?? 0,
                0,
                StandingSettings.SizeSlope,
            ],
            cov,
            Math.Log(meanG),
            default
        );
    }

    /// <summary>Median weight, g.</summary>
    public double MeanG => Math.Exp(mean[0]);

    /// <summary>SD of the log weight.</summary>
    public double SdLogG => Math.Sqrt(cov[0]);

    /// <summary>The rate against the species' figure at its best temperature.</summary>
    public double RateFactor => Math.Exp(mean[1] + (Grown * mean[Size]));

    // How much they have grown since they came, in logs: the rate at stocking and what size does to it are told apart by it.
    private double Grown => mean[0] - startLogG;

    /// <summary>The rate against the species' figure in water of a temperature.</summary>
    public double RateAt(double tempC, FishSpecies species)
    {
        var (warm, cold) = TemperatureResponse.Flanks(tempC, species);
        return Math.Exp(mean[1] + (warm * mean[2]) + (cold * mean[3]) + (Grown * mean[Size]));
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
        var row = Slopes(gainG / MeanG, tempC, species);
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
        return new([Math.Log(Math.Max(1e-6, MeanG + gainG)), .. mean[1..]], next, startLogG, surprises);
    }

    // What each part of the belief does to tomorrow's log weight.
    private double[] Slopes(double relative, double tempC, FishSpecies species)
    {
        var (warm, cold) = TemperatureResponse.Flanks(tempC, species);
        return
        [
            1 + (relative * (species.GrowthPower - 1 + mean[Size])),
            relative,
            relative * warm,
            relative * cold,
            0,
            relative * Grown,
        ];
    }

    /// <summary>The mean of those that stand moved because others went or came: their rate stays what it was.</summary>
    /// <param name="by">Shift of the log mean, and its SD.</param>
    public WeightState Shifted((double Shift, double Sd) by)
    {
        if (by.Shift == 0)
            return this;
        var next = (double[])cov.Clone();
        next[0] += by.Sd * by.Sd;
        return new([mean[0] + by.Shift, .. mean[1..]], next, startLogG + by.Shift, surprises);
    }

    /// <summary>Learns from a sample.</summary>
    /// <param name="sampleG">Sampled mean, g.</param>
    /// <param name="relativeSd">Its error as a share.</param>
    public WeightState Learn(double sampleG, double relativeSd)
    {
        // A net shows the weight and its own habit together.
        var surprise = Math.Log(sampleG) - mean[0] - mean[Net];
        Span<double> with = stackalloc double[N];
        for (var i = 0; i < N; i++)
            with[i] = cov[i * N] + cov[(i * N) + Net];
        var total = with[0] + with[Net] + (relativeSd * relativeSd);
        var (m, p) = ((double[])mean.Clone(), (double[])cov.Clone());
        for (var i = 0; i < N; i++)
        {
            m[i] += with[i] / total * surprise;
            for (var j = 0; j < N; j++)
                p[(i * N) + j] -= with[i] * with[j] / total;
        }
        return new(m, p, startLogG, (surprises.Squares + (surprise * surprise / total), surprises.Samples + 1));
    }
}
