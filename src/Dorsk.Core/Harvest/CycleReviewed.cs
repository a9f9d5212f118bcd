using Dorsk.Core.Judging;

namespace Dorsk.Core.Harvest;

/// <summary>What people say of a cycle once it is closed; kept for the next plan of the pond.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="Surprise">What surprised us.</param>
/// <param name="Change">What to change.</param>
public sealed record CycleReviewed(long PondId, long BatchId, string Surprise, string Change) : Fact
{
    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="stood">Whether the batch stood in the pond.</param>
    public IEnumerable<Remark> Check(bool stood)
    {
        if (!stood)
            yield return Remark.Refuse("Batch", "Choose a batch that stood in this pond.");
        if (Surprise.Trim().Length + Change.Trim().Length == 0)
            yield return Remark.Refuse("Change", "Write what surprised you, or what to change.");
        if (Surprise.Length > 400)
            yield return Remark.Refuse("Surprise", "At most 400 letters.");
        if (Change.Length > 400)
            yield return Remark.Refuse("Change", "At most 400 letters.");
    }
}

/// <summary>A figure learned from closed cycles.</summary>
/// <param name="Mean">Mean of the cycles.</param>
/// <param name="Low">Low end: of the next cycle by those before, 80 %; the one cycle itself where there is one.</param>
/// <param name="High">High end.</param>
/// <param name="Cycles">How many cycles it rests on.</param>
public readonly record struct LearnedFigure(double Mean, double Low, double High, int Cycles);

/// <summary>What closed cycles of one fish teach the next plan.</summary>
/// <param name="Survival">Survival, share of the fish stocked.</param>
/// <param name="Fcr">Feed conversion ratio.</param>
/// <param name="FeedRatio">Gain that was found by the gain that the feed and the table's conversion foretold.</param>
public sealed record Learned(LearnedFigure? Survival, LearnedFigure? Fcr, LearnedFigure? FeedRatio)
{
    /// <summary>Where the interval comes from.</summary>
    public const string Source =
        "Next value of a normal sample: Student's t with its spread widened by one value more (80 %); one cycle alone has no interval";

    private const double Level = 0.8;

    /// <summary>Learns from closed cycles.</summary>
    /// <param name="cycles">The cycles.</param>
    /// <param name="tableFcr">Conversion of the species table; above 0.</param>
    public static Learned Of(IReadOnlyList<CycleFigures> cycles, double tableFcr)
    {
        var closed = cycles.Where(c => c.Closed).ToList();
        var fcr = closed.Select(c => c.Fcr).OfType<double>().Where(f => f > 0).ToList();
        return new(
            Figure([.. closed.Select(c => Math.Min(1, c.SurvivalShare))], 0, 1),
            Figure(fcr, 0.1, double.PositiveInfinity),
            Figure([.. fcr.Select(f => tableFcr / f)], 0, double.PositiveInfinity)
        );
    }

    private static LearnedFigure? Figure(List<double> values, double least, double most)
    {
        if (values.Count == 0)
            return null;
        var mean = values.Average();
        if (values.Count == 1)
            return new(mean, mean, mean, 1);
        var n = values.Count;
        var sd = Math.Sqrt(values.Sum(v => (v - mean) * (v - mean)) / (n - 1));
        var half =
            MathNet.Numerics.Distributions.StudentT.InvCDF(0, 1, n - 1, (1 + Level) / 2)
            * sd
            * Math.Sqrt(1 + (1.0 / n));
        return new(mean, Math.Max(least, mean - half), Math.Min(most, mean + half), n);
    }
}
