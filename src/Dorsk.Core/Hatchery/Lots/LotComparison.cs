using Dorsk.Core.Judging;

namespace Dorsk.Core.Hatchery;

/// <summary>Lots of one treatment.</summary>
/// <param name="Treatment">The treatment.</param>
/// <param name="Lots">Lots.</param>
/// <param name="Survival">Mean survival, percent, with its 95 % interval.</param>
public sealed record TreatmentMean(string Treatment, int Lots, Interval Survival);

/// <summary>Survival by treatment: age at stocking, density, feed.</summary>
/// <param name="Means">Treatments, the best first.</param>
/// <param name="Words">What can be said of the first two.</param>
public sealed record LotComparison(IReadOnlyList<TreatmentMean> Means, string Words)
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Mean of the lots in logarithms; interval by their spread (Student's t), or by the doubt of the counts where that is larger or a treatment has one lot. A difference is seen when its own interval keeps to one side of none";

    private const double Level = 0.95,
        LoneSigma = 0.35;

    /// <summary>Compares lots; null with fewer than two treatments.</summary>
    /// <param name="lots">Treatment and survival of each lot, percent with its interval; above 0.</param>
    public static LotComparison? Of(IEnumerable<(string Treatment, Interval Survival)> lots)
    {
        var groups = lots.Where(l => l.Survival.Value > 0 && l.Treatment.Length > 0)
            .GroupBy(l => l.Treatment)
            .Select(g => (g.Key, Logs: g.Select(l => (Math.Log(l.Survival.Value), Half(l.Survival))).ToList()))
            .Select(g =>
                (g.Key, g.Logs.Count, Mean: g.Logs.Average(x => x.Item1), Se: Se(g.Logs), Df: g.Logs.Count - 1)
            )
            .OrderByDescending(g => g.Mean)
            .ToList();
        if (groups.Count < 2)
            return null;
        var means = groups.Select(g => new TreatmentMean(g.Key, g.Count, Around(g.Mean, g.Se * T(g.Df)))).ToList();
        var (a, b) = (groups[0], groups[1]);
        var half = Math.Sqrt((a.Se * a.Se) + (b.Se * b.Se)) * T(a.Df + b.Df);
        return new(
            means,
            a.Mean - b.Mean > half
                ? $"{a.Key} lives better than {b.Key}"
                : $"no difference can be seen between {a.Key} and {b.Key}: more lots are wanted"
        );
    }

    private const double DimLux = 100,
        BrightLux = 500;

    /// <summary>The light a lot stood in, as a treatment; empty where nobody read it.</summary>
    /// <param name="luxRead">Light readings, lux.</param>
    public static string LightOf(IReadOnlyCollection<double> luxRead) =>
        luxRead.DefaultIfEmpty(double.NaN).Average() switch
        {
            double.NaN => "",
            < DimLux => "dim light, under 100 lux",
            <= BrightLux => "100 to 500 lux",
            _ => "bright light, over 500 lux",
        };

    // A treatment with one lot: lots differ by a third among themselves (starting value).
    private static double Se(List<(double Log, double Half)> logs)
    {
        var counts = Math.Sqrt(logs.Sum(x => x.Half * x.Half)) / logs.Count / 1.96;
        if (logs.Count < 2)
            return Math.Max(counts, LoneSigma);
        var mean = logs.Average(x => x.Log);
        var spread = Math.Sqrt(logs.Sum(x => (x.Log - mean) * (x.Log - mean)) / (logs.Count - 1) / logs.Count);
        return Math.Max(counts, spread);
    }

    private static double Half(Interval i) => Math.Log(i.High / i.Value);

    private static double T(int degrees) => degrees < 1 ? 1.96 : SampleStatistics.T(Level, degrees);

    private static Interval Around(double mean, double half) =>
        new(Math.Exp(mean), Math.Exp(mean - half), Math.Exp(mean + half), Level);
}
