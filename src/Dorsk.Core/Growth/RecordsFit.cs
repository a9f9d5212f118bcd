namespace Dorsk.Core.Growth;

/// <summary>Whether number, weights and feed of a batch can all be true: a growth far from its species' is no fact, but a sign that one of them is wrong.</summary>
public static class RecordsFit
{
    /// <summary>Under half of the species' rate something does not fit (judged).</summary>
    public const double LowRate = 0.5;

    /// <summary>Over twice the species' rate something does not fit (judged).</summary>
    public const double HighRate = 2;

    // A conversion this far from the species' points at feed or number, not at the weights.
    private const double TooGood = 0.6,
        TooBad = 2;

    /// <summary>What does not fit, with the likeliest reason; null while the records agree.</summary>
    /// <param name="rateFactor">Growth rate against the species' figure; above 0.</param>
    /// <param name="fedKg">Feed written down since they came, kg.</param>
    /// <param name="gainKg">Biomass gained since, by the books' number and the weights, kg.</param>
    /// <param name="fcr">The species' feed conversion at this size.</param>
    public static string? Of(double rateFactor, double fedKg, double gainKg, double fcr)
    {
        if (rateFactor is >= LowRate and <= HighRate)
            return null;
        var found = fedKg > 0 && gainKg > 0 ? fedKg / gainKg / fcr : (double?)null;
        var (seen, likeliest) =
            rateFactor > HighRate
                ? (
                    "Weights rise more than twice as fast as this species grows",
                    found < TooGood
                        ? "feed was given that nobody wrote down, or fewer fish stand here"
                        : "the net takes the large ones, or it is another species"
                )
                : (
                    "Weights rise less than half as fast as this species grows",
                    found > TooBad
                        ? "feed is wasted, or more fish stand here than on the books"
                        : "the net takes the small ones, or it is another species"
                );
        return $"Records do not fit: number, weights, feed or species? {seen}; likeliest: {likeliest}";
    }
}
