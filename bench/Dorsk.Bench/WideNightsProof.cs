using System.Text;
using Dorsk.Core.Oxygen;
using Dorsk.Practice;

namespace Dorsk.Bench;

/// <summary>How the dawn low came out over nights of a wide world.</summary>
/// <param name="Nights">Nights asked.</param>
/// <param name="Silent">Nights without an answer.</param>
/// <param name="ErrorMgL">Mean absolute error of the forecast, mg/L.</param>
/// <param name="BiasMgL">Mean of forecast less what came, mg/L.</param>
/// <param name="Inside">Share inside the 80 % interval.</param>
/// <param name="PaperMgL">Mean absolute errors of like last night, mean of three and the straight line, mg/L.</param>
public sealed record WideNightsScore(
    int Nights,
    int Silent,
    double ErrorMgL,
    double BiasMgL,
    double Inside,
    (double LikeLast, double OfThree, double Line) PaperMgL
)
{
    /// <summary>Error by the best way of paper.</summary>
    public double ByBest => ErrorMgL / Math.Min(PaperMgL.LikeLast, Math.Min(PaperMgL.OfThree, PaperMgL.Line));

    /// <summary>Adds nights up; only those that were answered are scored.</summary>
    public static WideNightsScore Of(IReadOnlyList<WideNightScore> nights)
    {
        var told = nights.Where(n => n.Forecast is not null).ToList();
        double Error(Func<WideNightScore, double> said) => told.Average(n => Math.Abs(said(n) - n.CameMgL));
        return new(
            nights.Count,
            nights.Count - told.Count,
            Error(n => n.Forecast!.Low.Value),
            told.Average(n => n.Forecast!.Low.Value - n.CameMgL),
            told.Average(n => n.Forecast!.Low.Holds(n.CameMgL) ? 1.0 : 0),
            (Error(n => n.LikeLastMgL), Error(n => n.MeanOfThreeMgL), Error(n => n.RegressionMgL))
        );
    }

    /// <summary>Of the nights under the act level after a morning above it: share announced, and share of such announcements that were false.</summary>
    /// <param name="nights">The nights.</param>
    /// <param name="chance">Announced from this chance on.</param>
    public static (double Announced, double False) FirstLows(IReadOnlyList<WideNightScore> nights, double chance)
    {
        var after = nights.Where(n => n.IsFirstLow && n.AtDuskMgL >= n.ActMgL).ToList();
        bool Said(WideNightScore n) => n.Forecast?.ChanceUnderAct >= chance;
        bool Came(WideNightScore n) => n.CameMgL < n.ActMgL;
        return (
            (double)after.Count(n => Came(n) && Said(n)) / Math.Max(1, after.Count(Came)),
            (double)after.Count(n => !Came(n) && Said(n)) / Math.Max(1, after.Count(Said))
        );
    }
}

/// <summary>Writes the tables of the nights of a wide world.</summary>
internal static class WideNightsProof
{
    private const int Fifths = 5;

    public static string Run(WideWorld world, int firstSeed, int ponds)
    {
        var nights = WideNightsJudge.Run(world, firstSeed, ponds);
        var text = new StringBuilder();
        void Line(FormattableString line) => text.Append(FormattableString.Invariant(line)).Append('\n');
        Line(
            $"| {world} world, {ponds} ponds from seed {firstSeed} | nights | silent | error mg/L | bias | inside | like last | mean of three | line | by the best |"
        );
        Line($"|---|--:|--:|--:|--:|--:|--:|--:|--:|--:|");
        void Row(string name, IEnumerable<WideNightScore> of)
        {
            List<WideNightScore> some = [.. of];
            if (some.Count == 0)
                return;
            var s = WideNightsScore.Of(some);
            Line(
                $"| {name} | {s.Nights} | {s.Silent} | {s.ErrorMgL:0.00} | {s.BiasMgL:+0.00;-0.00} | {100 * s.Inside:0} % | {s.PaperMgL.LikeLast:0.00} | {s.PaperMgL.OfThree:0.00} | {s.PaperMgL.Line:0.00} | {s.ByBest:0.00} |"
            );
        }
        Row("all", nights);
        Row("read at dusk", nights.Where(n => n.IsDuskRead));
        Row("not read at dusk", nights.Where(n => !n.IsDuskRead));
        foreach (var method in Enum.GetValues<DeclineMethod>())
            Row("by " + method, nights.Where(n => n.Forecast?.Method == method));
        var byDusk = nights.OrderBy(n => n.AtDuskMgL).ToList();
        for (var i = 0; i < Fifths; i++)
            Row(
                $"fifth {i + 1} of the evening\u2019s oxygen",
                byDusk.Skip(i * byDusk.Count / Fifths).Take(byDusk.Count / Fifths)
            );
        Line($"");
        Line($"| announced from a chance of | 10 % | 20 % | 30 % | 40 % | 45 % | 50 % |");
        Line($"|---|--:|--:|--:|--:|--:|--:|");
        double[] chances = [0.1, 0.2, 0.3, 0.4, 0.45, 0.5];
        var found = chances.Select(c => WideNightsScore.FirstLows(nights, c)).ToList();
        Line($"| under the act level after a morning above it, announced | {Shares(found.Select(f => f.Announced))} |");
        Line($"| of such announcements false | {Shares(found.Select(f => f.False))} |");
        var crossings = nights.Select(n => n.CrossingErrorH).OfType<double>().Select(Math.Abs).Order().ToList();
        if (crossings.Count > 0)
            Line(
                $"\nHalf of {crossings.Count} crossings where a probe hangs within {60 * crossings[crossings.Count / 2]:0} minutes."
            );
        return text.ToString();
    }

    private static string Shares(IEnumerable<double> shares) =>
        string.Join(" | ", shares.Select(s => FormattableString.Invariant($"{100 * s:0} %")));
}
