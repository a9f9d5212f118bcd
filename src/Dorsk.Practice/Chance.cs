namespace Dorsk.Practice;

/// <summary>Seeded chance: the same seed tells the same story.</summary>
internal sealed class Chance
{
    private readonly Random? random;

    /// <param name="seed">Any number.</param>
    public Chance(int seed) => random = new(seed);

    private Chance() { }

    /// <summary>No chance at all: every draw is the mean.</summary>
    public static Chance Still { get; } = new();

    public double Uniform() => random?.NextDouble() ?? 0.5;

    /// <summary>Standard normal (Box and Muller 1958).</summary>
    public double Normal() =>
        random is null
            ? 0
            : Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());

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
