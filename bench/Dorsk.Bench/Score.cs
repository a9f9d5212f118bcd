namespace Dorsk.Bench;

/// <summary>How one way did over a range of nights.</summary>
/// <param name="Way">Its name.</param>
/// <param name="Nights">Nights on which it could speak.</param>
/// <param name="BiasMgL">Mean of said less came, mg/L.</param>
/// <param name="ErrorMgL">Mean absolute error, mg/L.</param>
/// <param name="Coverage">Share of nights inside its 80 % interval, or null.</param>
/// <param name="OracleMgL">Mean absolute error of the oracle on the same nights, mg/L.</param>
/// <param name="NaiveMgL">Mean absolute error of the better naive way on the same nights, mg/L.</param>
public sealed record WayScore(
    string Way,
    int Nights,
    double BiasMgL,
    double ErrorMgL,
    double? Coverage,
    double OracleMgL,
    double NaiveMgL
);

/// <summary>How the standing estimate did over a range of batches.</summary>
/// <param name="Batches">Batches, each on one random day.</param>
/// <param name="Coverage">Share inside the 90 % interval.</param>
/// <param name="Bias">Median of estimate by truth, less 1.</param>
/// <param name="Error">Median absolute error as a share.</param>
/// <param name="NaiveError">The same for stocked less found dead × last sample.</param>
public sealed record StandingScore(int Batches, double Coverage, double Bias, double Error, double NaiveError);

/// <summary>Adds judged nights and batches up.</summary>
public static class Score
{
    /// <summary>All ways that spoke, in the order in which they first did.</summary>
    public static IReadOnlyList<WayScore> Ways(JudgedRange range) =>
        range.Nights.SelectMany(n => n.Ways).Select(w => w.Way).Distinct().Select(way => Of(range, way)).ToList();

    /// <summary>One way.</summary>
    public static WayScore Of(JudgedRange range, string way)
    {
        var nights = range
            .Nights.Where(n => n.Ways.Any(w => w.Way == way))
            .Select(n => (n.TrueLowMgL, Night: n, Said: n.Ways.First(w => w.Way == way)))
            .ToList();
        double Error(string other) =>
            nights.Average(n => Math.Abs(n.Night.Ways.First(w => w.Way == other).MgL - n.TrueLowMgL));
        var banded = nights.Where(n => n.Said.Band is not null).ToList();
        return new(
            way,
            nights.Count,
            nights.Average(n => n.Said.MgL - n.TrueLowMgL),
            Error(way),
            banded.Count == 0 ? null : (double)banded.Count(n => n.Said.Band!.Value.Holds(n.TrueLowMgL)) / banded.Count,
            Error(Judge.Oracle),
            Math.Min(Error(Judge.LikeLast), Error(Judge.MeanOfThree))
        );
    }

    /// <summary>Share of nights that pass under the act level.</summary>
    public static double Crossing(JudgedRange range) =>
        (double)range.Nights.Count(n => n.TrueLowMgL < n.ActMgL) / range.Nights.Count;

    /// <summary>Announcements at a threshold: share of the nights that crossed which were announced two hours before, and false announcements for each true one.</summary>
    public static (double Share, double FalsePerTrue) Announced(JudgedRange range, double chance) =>
        Announced(range, n => n.Announced(chance, Ahead));

    /// <summary>The same for the board's own Watch or Act now.</summary>
    public static (double Share, double FalsePerTrue) Shown(JudgedRange range) => Announced(range, n => n.Shown(Ahead));

    private const double Ahead = 2;

    private static (double Share, double FalsePerTrue) Announced(JudgedRange range, Func<JudgedNight, bool> said)
    {
        var crossed = range.Nights.Where(n => n.HoursToCrossing is not null && !n.UnderAtDusk).ToList();
        var hits = crossed.Count(said);
        return (
            (double)hits / crossed.Count,
            (double)range.Nights.Count(n => n.HoursToCrossing is null && said(n)) / Math.Max(1, hits)
        );
    }

    /// <summary>The standing estimate.</summary>
    public static StandingScore Standing(JudgedRange range)
    {
        var alive = range.Batches.Where(b => b.TrueKg > 0).ToList();
        double Median(IEnumerable<double> values) => values.Order().ElementAt(alive.Count / 2);
        return new(
            range.Batches.Count,
            (double)range.Batches.Count(b => b.Estimate.Holds(b.TrueKg)) / range.Batches.Count,
            Median(alive.Select(b => (b.Estimate.Value / b.TrueKg) - 1)),
            Median(alive.Select(b => Math.Abs((b.Estimate.Value / b.TrueKg) - 1))),
            Median(alive.Select(b => Math.Abs((b.NaiveKg / b.TrueKg) - 1)))
        );
    }
}
