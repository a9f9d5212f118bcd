namespace Dorsk.Practice;

/// <summary>Seeded chance: the same seed tells the same story.</summary>
/// <param name="seed">Any number.</param>
internal sealed class Chance(int seed)
{
    private readonly Random random = new(seed);

    public double Uniform() => random.NextDouble();

    /// <summary>Standard normal (Box and Muller 1958).</summary>
    public double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());

    /// <summary>Poisson by products (Knuth), for small means.</summary>
    public int Poisson(double mean)
    {
        if (mean > 30)
            return (int)Math.Max(0, Math.Round(mean + (Math.Sqrt(mean) * Normal())));
        var limit = Math.Exp(-mean);
        var count = 0;
        for (var product = Uniform(); product > limit; product *= Uniform())
            count++;
        return count;
    }
}
