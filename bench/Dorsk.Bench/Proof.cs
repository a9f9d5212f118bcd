using System.Text;

namespace Dorsk.Bench;

/// <summary>The page of proof: what must hold, what came out, and how it was got.</summary>
internal static class Proof
{
    public static string Text(IReadOnlyList<JudgedRange> ranges)
    {
        var text = new StringBuilder(
            """
            # Are the numbers true?

            Made by `script/bench judge`; give it first seeds to draw other ponds: `script/bench judge 40000 50000`.
            Ponds, weather, people and their mistakes are drawn by the fixed recipe in `src/Dorsk.Practice/ScoredRecipe.cs`: hidden plankton, mud and fish of each pond's own
            (plankton's use differs by a third), cloud that lasts for days, nights between dead calm and fresh, hand readings with an SD of 0.2 mg/L on a meter that drifts.
            The simulator shares no equation with the forecaster. Each night is asked at its dusk, each batch on one random day, with nothing known that came later,
            through the same code that answers the farm's pages. The oracle knows the pond's true state and parameters at dusk, and of the weather and of
            the plankton's mood only the mean: nobody on the bank can do better.
            A night is announced when the running forecast (four hours before dusk from the morning's reading, at dusk, and where somebody read at ten) says so two hours before the hour
            in which the act level is passed; nights that are under it at dusk already pass nothing and are left out. False ones are nights that never passed.


            """
        );
        foreach (var range in ranges)
            One(text, range);
        Worst(text, ranges);
        return text.ToString();
    }

    private static readonly double[] Thresholds = [0.01, 0.02, 0.05, 0.10, 0.15, 0.20, 0.30, 0.50];

    public static bool Holds(IReadOnlyList<JudgedRange> ranges) =>
        ranges.All(r =>
        {
            var (chosen, standing) = (Score.Of(r, Judge.Chosen), Score.Standing(r));
            return chosen.ErrorMgL <= 0.7 * chosen.NaiveMgL
                && chosen.ErrorMgL <= 1.3 * chosen.OracleMgL
                && Math.Abs(chosen.BiasMgL) <= 0.15
                && Score.Shown(r).Share >= 0.95
                && chosen.Coverage is >= 0.74 and <= 0.86
                // People of this recipe count and weigh better than most farms, which none can know of itself.
                && standing.Coverage >= 0.85
                && Score.Crossing(r) is >= 0.15 and <= 0.30
                && Score.Of(r, Judge.LikeLast).ErrorMgL >= 0.9;
        });

    private static void One(StringBuilder text, JudgedRange range)
    {
        var s = Score.Standing(range);
        text.Append(
            FormattableString.Invariant($"## Seeds {range.FirstSeed} to {range.FirstSeed + range.Ponds - 1}\n\n")
        );
        text.Append(
            FormattableString.Invariant(
                $"{range.Nights.Count} nights of {range.Ponds} ponds; {100 * Score.Crossing(range):0} % pass under the act level.\n\n"
            )
        );
        text.Append(
            "| dawn low by | nights | bias mg/L | error mg/L | inside 8-in-10 | by best naive | by oracle |\n|---|--:|--:|--:|--:|--:|--:|\n"
        );
        foreach (var w in Score.Ways(range))
            text.Append(
                FormattableString.Invariant(
                    $"| {w.Way} | {w.Nights} | {w.BiasMgL:+0.00;-0.00} | {w.ErrorMgL:0.00} | {(w.Coverage is { } c ? FormattableString.Invariant($"{100 * c:0.0} %") : "")} | {w.ErrorMgL / w.NaiveMgL:0.00} | {w.ErrorMgL / w.OracleMgL:0.00} |\n"
                )
            );
        text.Append("\n| announced from a chance of |");
        foreach (var t in Thresholds)
            text.Append(FormattableString.Invariant($" {100 * t:0} % |"));
        text.Append(
            " as shown: Watch or Act now |\n|---|"
                + string.Concat(Thresholds.Select(_ => "--:|"))
                + "--:|\n| crossed, announced 2 h before |"
        );
        foreach (var t in Thresholds)
            text.Append(FormattableString.Invariant($" {100 * Score.Announced(range, t).Share:0.0} % |"));
        text.Append(FormattableString.Invariant($" {100 * Score.Shown(range).Share:0.0} % |"));
        text.Append("\n| false for each true one |");
        foreach (var t in Thresholds)
            text.Append(FormattableString.Invariant($" {Score.Announced(range, t).FalsePerTrue:0.00} |"));
        text.Append(FormattableString.Invariant($" {Score.Shown(range).FalsePerTrue:0.00} |"));
        text.Append('\n');
        text.Append(
            FormattableString.Invariant(
                $"\nBiomass of {s.Batches} batches, one random day each: {100 * s.Coverage:0.0} % inside the 9-in-10 interval; half of them within {100 * s.Error:0.0} % (bias {100 * s.Bias:+0.0;-0.0} %). Stocked less found dead × last sample: within {100 * s.NaiveError:0.0} %.\n\n"
            )
        );
    }

    private static void Worst(StringBuilder text, IReadOnlyList<JudgedRange> ranges)
    {
        var chosen = ranges.Select(r => Score.Of(r, Judge.Chosen)).ToList();
        text.Append("## What must hold, at the worst range\n\n| | wanted | came |\n|---|---|---|\n");
        text.Append(
            FormattableString.Invariant(
                $"| error by the best naive way | at most 0.7 | {chosen.Max(c => c.ErrorMgL / c.NaiveMgL):0.00} |\n"
            )
        );
        text.Append(
            FormattableString.Invariant(
                $"| error by the oracle | at most 1.3 | {chosen.Max(c => c.ErrorMgL / c.OracleMgL):0.00} |\n"
            )
        );
        text.Append(
            FormattableString.Invariant(
                $"| bias | within ±0.15 mg/L | {chosen.Min(c => c.BiasMgL):+0.00;-0.00} to {chosen.Max(c => c.BiasMgL):+0.00;-0.00} |\n"
            )
        );
        text.Append(
            FormattableString.Invariant(
                $"| nights that crossed, shown as Watch or Act now 2 h before | at least 95 % | {100 * ranges.Min(r => Score.Shown(r).Share):0.0} to {100 * ranges.Max(r => Score.Shown(r).Share):0.0} % |\n"
            )
        );
        text.Append(
            FormattableString.Invariant(
                $"| inside the 80 % interval | 74 to 86 % | {100 * chosen.Min(c => c.Coverage):0.0} to {100 * chosen.Max(c => c.Coverage):0.0} % |\n"
            )
        );
        text.Append(
            FormattableString.Invariant(
                $"| biomass inside the 90 % interval | 85 to 95 % | {100 * ranges.Min(r => Score.Standing(r).Coverage):0.0} to {100 * ranges.Max(r => Score.Standing(r).Coverage):0.0} % |\n"
            )
        );
        text.Append(
            FormattableString.Invariant(
                $"| nights that cross the act level | 15 to 30 % | {100 * ranges.Min(Score.Crossing):0} to {100 * ranges.Max(Score.Crossing):0} % |\n"
            )
        );
        text.Append(
            FormattableString.Invariant(
                $"| “like last night” errs | at least 0.9 mg/L | {ranges.Min(r => Score.Of(r, Judge.LikeLast).ErrorMgL):0.00} |\n"
            )
        );
    }
}
