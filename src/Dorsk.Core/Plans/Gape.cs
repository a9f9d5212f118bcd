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

    // Where the table has none: crustaceans and filter feeders take no fish; a usual K for the length of what may be eaten.
    private const double Line = 0.65,
        UsualK = 1.2;

    /// <summary>Length of a fish, cm.</summary>
    /// <param name="species">The species.</param>
    /// <param name="weightG">Weight, g; above 0.</param>
    public static double LengthCm(FishSpecies species, double weightG) => Math.Cbrt(100 * weightG / K(species));

    /// <summary>Weight of a fish, g.</summary>
    /// <param name="species">The species.</param>
    /// <param name="lengthCm">Length, cm; above 0.</param>
    public static double WeightG(FishSpecies species, double lengthCm) => K(species) * Math.Pow(lengthCm, 3) / 100;

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
            LengthCm(a, aG) >= LengthCm(b, bG) ? ((a, aG), (b, bG)) : ((b, bG), (a, aG));
        var ratio = LengthCm(small, smallG) / LengthCm(large, largeG);
        string Long(FishSpecies s, double g) => QuantityText.Write(LengthCm(s, g) / 100, Measures.ShortLength, hand);
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

    private static double K(FishSpecies species) =>
        SpeciesTable.Figure(species, "condition_k_tl") is > 0 and var k ? k : UsualK;
}
