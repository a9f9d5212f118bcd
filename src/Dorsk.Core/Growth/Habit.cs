using Dorsk.Core.Species;
using MathNet.Numerics.LinearAlgebra;

namespace Dorsk.Core.Growth;

/// <summary>
/// What a batch is used to eat, learned from its own days: a level against the species' growth, and how its appetite bears water
/// warmer and colder than best. Fish that are fed by eye tell their temperature curve at every meal, long before samples can.
/// </summary>
/// <param name="Level">Log of feed per W^0.7 and f(T).</param>
/// <param name="Warm">Log by which appetite is better (or worse) than the species' curve at the warm end.</param>
/// <param name="Cold">The same at the cold end.</param>
/// <param name="WarmSd">SD of <paramref name="Warm"/>.</param>
/// <param name="ColdSd">SD of <paramref name="Cold"/>.</param>
internal sealed record Habit(double Level, double Warm, double Cold, double WarmSd, double ColdSd)
{
    // Appetite rises with this power of the weight (Jobling 1994); feed of single days scatters by so much, days hang together.
    private const double Power = 0.7,
        DaySd = 0.3;
    private const int FewestDays = 21;

    /// <summary>Feed of a usual day, g a fish.</summary>
    public double FeedG(double meanG, double tempC, FishSpecies species)
    {
        var (warm, cold) = TemperatureResponse.Flanks(tempC, species);
        return Shape(meanG, tempC, species) * Math.Exp(Level + (warm * Warm) + (cold * Cold));
    }

    /// <summary>How appetite goes with weight and, by the species' curve, with temperature.</summary>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="species">The species.</param>
    public static double Shape(double meanG, double tempC, FishSpecies species) =>
        TemperatureResponse.F(tempC, species) * Math.Pow(meanG, Power);

    /// <summary>Learns from days on which fish were fed and nothing held the feed; null when there are too few.</summary>
    /// <param name="days">Feed, g a fish; weight, g; water, °C.</param>
    /// <param name="species">The species.</param>
    public static Habit? Learn(IReadOnlyList<(double FedG, double MeanG, double TempC)> days, FishSpecies species)
    {
        var usable = days.Where(d => d.FedG > 0 && TemperatureResponse.F(d.TempC, species) > 0.05).ToList();
        if (usable.Count < FewestDays)
            return null;
        var prior = StandingSettings.FlankSd;
        var (a, b) = (new double[9], new double[3]);
        (a[0], a[4], a[8]) = (1e-6, 1 / (prior * prior), 1 / (prior * prior));
        foreach (var d in usable)
        {
            var (warm, cold) = TemperatureResponse.Flanks(d.TempC, species);
            ReadOnlySpan<double> row = [1, warm, cold];
            var said = Math.Log(d.FedG / Shape(d.MeanG, d.TempC, species)) / (DaySd * DaySd);
            for (var i = 0; i < 3; i++)
            {
                b[i] += row[i] * said;
                for (var k = 0; k < 3; k++)
                    a[(3 * i) + k] += row[i] * row[k] / (DaySd * DaySd);
            }
        }
        var inverse = Matrix<double>.Build.Dense(3, 3, a).Inverse();
        var fit = inverse * Vector<double>.Build.Dense(b);
        return new(fit[0], fit[1], fit[2], Math.Sqrt(inverse[1, 1]), Math.Sqrt(inverse[2, 2]));
    }
}
