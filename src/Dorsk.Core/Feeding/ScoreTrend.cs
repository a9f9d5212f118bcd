using Dorsk.Core.Judging;

namespace Dorsk.Core.Feeding;

/// <summary>Where the feeding response of the last watched meals is going.</summary>
public static class ScoreTrend
{
    private const int Fewest = 4;
    private const double Step = 0.75;

    /// <summary>The newer half of the scores against the older half; null when there are fewer than four or they are alike.</summary>
    /// <param name="scored">Watched days, oldest first; scores 0 to 4.</param>
    public static Judgement? Of(IReadOnlyList<ScoredDay> scored)
    {
        if (scored.Count < Fewest)
            return null;
        var half = scored.Count / 2;
        double before = scored.Take(half).Average(s => s.Score),
            after = scored.Skip(scored.Count - half).Average(s => s.Score);
        if (Math.Abs(after - before) < Step)
            return null;
        return after < before
            ? new(
                Status.Watch,
                FormattableString.Invariant(
                    $"the feeding response fell from {before:0.#} to {after:0.#}: look at the water first, then at the fish"
                )
            )
            : new(
                Status.Steady,
                FormattableString.Invariant($"the feeding response rose from {before:0.#} to {after:0.#}")
            );
    }
}
