using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Plans;

/// <summary>Young fish lost to their own kind when nobody grades, by how strongly the species eats it.</summary>
/// <param name="Stage">Stage of the hazard, as the species table says it.</param>
/// <param name="LowPct">Lost of a hundred, low.</param>
/// <param name="HighPct">Lost of a hundred, high.</param>
/// <param name="PreyShare">Longest prey that is swallowed, share of the eater's length; 0 for those that bite off what has moulted.</param>
public sealed record CannibalLoss(string Stage, double LowPct, double HighPct, double PreyShare)
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Stage and prey length: species table. Losses without grading: published trials of nursery tanks spread from a few to 40 %; starting values by the strength the table names, judged";

    private static readonly (string Word, double Low, double High)[] Strengths =
    [
        ("strong", 15, 40),
        ("moderate", 5, 20),
        ("moulters", 10, 25),
        ("weak", 2, 8),
    ];

    /// <summary>The hazard of a species; null where none eats another.</summary>
    /// <param name="species">The species.</param>
    public static CannibalLoss? Of(FishSpecies species)
    {
        var stage = SpeciesTable.Text(species, "cannibal_stage");
        if (stage is "" or "none")
            return null;
        // A stage without a strength (larvae, fry beside larger sibs) is taken as moderate.
        var named = Strengths.FirstOrDefault(s => stage.StartsWith(s.Word, StringComparison.Ordinal));
        var (_, low, high) = named.Word is null ? Strengths[1] : named;
        return new(stage, low, high, SpeciesTable.Figure(species, "prey_length_max_ratio"));
    }

    /// <summary>The hazard in words.</summary>
    /// <param name="hand">How figures are printed.</param>
    public string Words(Hand hand)
    {
        var what =
            PreyShare > 0
                ? $"grade before the longest pass {hand.Figure(1 / PreyShare, 1)} times the shortest"
                : "give each one shelter";
        return $"eats its own kind ({Stage}): {hand.Count(LowPct)} to {hand.Count(HighPct)} of 100 young are lost ungraded; {what}";
    }
}
