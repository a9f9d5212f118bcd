namespace Dorsk.Core.Oxygen;

/// <summary>
/// Weights of a straight sum that start from those usual everywhere and move with each miss to those of one pond: Bayesian linear
/// regression, updated one night at a time, with the squared misses kept for the doubt.
/// </summary>
internal sealed class LearnedWeights
{
    private readonly double[] mean;
    private readonly double[,] doubt;
    private double squares;

    /// <param name="usual">Weights before anything was seen.</param>
    /// <param name="firmness">How many units of squared evidence move a weight half the way.</param>
    public LearnedWeights(IReadOnlyList<double> usual, double firmness)
    {
        mean = [.. usual];
        doubt = new double[mean.Length, mean.Length];
        for (var i = 0; i < mean.Length; i++)
            doubt[i, i] = 1 / firmness;
    }

    /// <summary>Nights learned from.</summary>
    public int Nights { get; private set; }

    /// <summary>The sum by the weights as they stand.</summary>
    public double Of(IReadOnlyList<double> signs) => signs.Zip(mean, (s, m) => s * m).Sum();

    /// <summary>Doubt of such a sum that comes from the weights, as a share of one night's variance.</summary>
    public double DoubtOf(IReadOnlyList<double> signs) => signs.Zip(Spread(signs), (s, d) => s * d).Sum();

    /// <summary>Takes in what came.</summary>
    /// <param name="signs">What was known before.</param>
    /// <param name="came">What came.</param>
    public void Learn(IReadOnlyList<double> signs, double came)
    {
        var spread = Spread(signs);
        var total = 1 + DoubtOf(signs);
        var miss = came - Of(signs);
        squares += miss * miss / total;
        Nights++;
        for (var i = 0; i < mean.Length; i++)
        {
            mean[i] += spread[i] / total * miss;
            for (var j = 0; j < mean.Length; j++)
                doubt[i, j] -= spread[i] * spread[j] / total;
        }
    }

    /// <summary>SD of one night: what is usual everywhere counts as some nights beside this pond's own misses.</summary>
    /// <param name="usualSd">SD that is usual everywhere.</param>
    /// <param name="asNights">As how many nights it counts.</param>
    public double SdOf(double usualSd, double asNights) =>
        Math.Sqrt(((asNights * usualSd * usualSd) + squares) / (asNights + Nights));

    private double[] Spread(IReadOnlyList<double> signs)
    {
        var spread = new double[mean.Length];
        for (var i = 0; i < mean.Length; i++)
        for (var j = 0; j < mean.Length; j++)
            spread[i] += doubt[i, j] * signs[j];
        return spread;
    }
}
