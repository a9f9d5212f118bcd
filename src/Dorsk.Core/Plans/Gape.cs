using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Plans;

/// <summary>Whether one fish can swallow another: by length from weight and body condition.</summary>
public static class Gape
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Length by Fulton's condition factor K = 100 W/L³; prey is swallowed up to 60 to 67 % of the eater's length, so 65 % is the line; species table";

    private const double Line = 0.65;

    /// <summary>Whether it eats fish at some size: a predator, or one that turns on its own kind.</summary>
    public static bool EatsFish(FishSpecies species) =>
        SpeciesTable.Figure(species, "predator") > 0 || Prey(species) > 0;

    /// <summary>What stands against two fish in one water; steady when neither can swallow the other.</summary>
    /// <param name="a">One fish.</param>
    /// <param name="aG">Its weight, g.</param>
    /// <param name="b">The other fish.</param>
    /// <param name="bG">Its weight, g.</param>
    /// <param name="hand">How figures are printed.</param>
    public static Judgement Weigh(FishSpecies a, double aG, FishSpecies b, double bG, Hand hand)
    {
        var ((large, largeG), (small, smallG)) =
            BodyLength.Cm(a, aG) >= BodyLength.Cm(b, bG) ? ((a, aG), (b, bG)) : ((b, bG), (a, aG));
        var ratio = BodyLength.Cm(small, smallG) / BodyLength.Cm(large, largeG);
        string Long(FishSpecies s, double g) =>
            QuantityText.Write(BodyLength.Cm(s, g) / 100, Measures.ShortLength, hand);
        var text = FormattableString.Invariant(
            $"{small.Name.ToLowerInvariant()} of {Long(small, smallG)} is {100 * ratio:0} % of the length of {large.Name.ToLowerInvariant()} of {Long(large, largeG)}"
        );
        if (!EatsFish(large) || (large.Key == small.Key && Prey(large) <= 0))
            return new(Status.Steady, text + ", which eats no fish");
        // The line is the rule; a species known to take longer ones moves it up.
        return ratio < Math.Max(Line, Prey(large))
                ? new(
                    Status.ActNow,
                    text + ": it can be swallowed. Grade, part them with a net, or wait until it has grown"
                )
            : ratio < Line + 0.15 ? new(Status.Watch, text + ": near the line, and fish grow apart")
            : new(Status.Steady, text + ": too long to swallow");
    }

    private static double Prey(FishSpecies species) => SpeciesTable.Figure(species, "prey_length_max_ratio");
}
