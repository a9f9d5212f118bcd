using System.Text;
using Dorsk.Practice;

namespace Dorsk.Bench;

/// <summary>The page of proof for growth: the day of a wanted weight, and what the witnesses of the number can see.</summary>
internal static class GrowthProof
{
    private const int Batches = 200;
    private static readonly double[] Taken = [0, 0.10, 0.15, 0.20, 0.30, 0.40, 0.50];

    /// <summary>Writes the page and says whether what must hold does.</summary>
    public static (string Text, bool Holds) Run(int firstSeed)
    {
        var text = new StringBuilder(
            FormattableString.Invariant(
                $"""
                # How well is growth told, and what can feed and samples see?

                Made by `script/bench growth` ({Batches} batches from seed {firstSeed} on; give another first seed to draw others). Ponds, fish and people are drawn by the recipe in
                `src/Dorsk.Practice/ScoredRecipe.cs`; the fish there grow and eat by equations and figures of their own. Batches are weighed every 28 days in three casts.

                ## The day of a weight, asked sixty days before it comes

                The weight asked for is what the batch truly weighs sixty days later; everything known up to the day of asking goes in, nothing after it.
                Where people keep air an automatic runs aerators under 5.5 mg/L, so few mornings hold the feed. The recipe's own people do nothing about bad nights:
                two mornings in five hold their feed, and what the mornings to come will do to the ration nobody knows.

                | batches | asked | half of them within | inside 8-in-10 | by the gain between the last two samples, half within |
                |---|---|--:|--:|--:|

                """
            )
        );
        var sets = new (string Who, string When, ScoredTrial? Trial, bool Third)[]
        {
            ("people keep air", "after the third sample", GrowthJudge.WellKept, true),
            ("people keep air", "after any later sample too", GrowthJudge.WellKept, false),
            ("as the recipe's people do", "after any sample from the third on", null, false),
        };
        var holds = true;
        foreach (var (who, when, trial, third) in sets)
        {
            var judged = GrowthJudge.Targets(firstSeed, Batches, trial, third);
            var (error, held) = (
                Median(judged.Select(j => Math.Abs(j.ErrorDays))),
                judged.Average(j => j.Held ? 1.0 : 0)
            );
            text.Append(
                FormattableString.Invariant(
                    $"| {who} | {when} | {error:0} days | {100 * held:0.0} % | {Median(judged.Select(j => Math.Abs(j.NaiveErrorDays))):0} days |\n"
                )
            );
            holds &= !third || (error <= 6 && held >= 0.74);
        }
        text.Append(
            "\nWanted: after three samples, half within 6 days and at least 74 % inside, where people keep air: these people weigh better than most, and the interval made for all (see wide.md) is wide for them.\n\n"
        );
        text.Append(
            "## Fish taken unseen: how often a witness speaks within two samples\n\nThe fish are gone in one night between the third sample and the fourth; people keep air. A flag at 0 % is a false one.\n\n| fed | fish a sample |"
        );
        foreach (var t in Taken)
            text.Append(FormattableString.Invariant($" {100 * t:0} % |"));
        text.Append("\n|---|--:|" + string.Concat(Taken.Select(_ => "--:|")) + "\n");
        foreach (var byBooks in new[] { false, true })
        foreach (var fish in new[] { 60, 150 })
        {
            text.Append(
                FormattableString.Invariant(
                    $"| {(byBooks ? "a ration for the fish on the books" : "by eye, to satiation")} | {fish} |"
                )
            );
            foreach (var t in Taken)
            {
                var flagged = GrowthJudge
                    .Witnesses(firstSeed, Batches, new(byBooks, fish, t) { KeepsAir = true })
                    .Flagged;
                text.Append(FormattableString.Invariant($" {100 * flagged:0} % |"));
                holds &=
                    (t > 0 || flagged <= 0.10) && (byBooks || fish < 150 || t is < 0.39 or > 0.41 || flagged >= 0.80);
            }
            text.Append('\n');
        }
        text.Append(
            "\nWanted: falsely at most 10 %; at 40 % taken, by eye, 150 fish a sample, at least 80 %. A ration worked out for the books goes on feeding fish that are gone: the rest eat the more and grow a little faster, and no record of feed and weight shows it. Only a count of all does.\n"
        );
        return (text.ToString(), holds);
    }

    private static double Median(IEnumerable<double> values)
    {
        var sorted = values.Order().ToList();
        return sorted[sorted.Count / 2];
    }
}
