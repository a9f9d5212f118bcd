namespace Dorsk.Core.Health;

/// <summary>What is taken out of a pond before it does harm: fish that eat each other, and animals that eat them.</summary>
public static class SortingOut
{
    /// <summary>For how many days a sample speaks of sizes that part.</summary>
    public const int SampleDays = 10;

    /// <summary>For how many days animals that were seen are looked for.</summary>
    public const int SeenDays = 3;

    private const double SpreadPct = 35,
        FryG = 2;

    /// <summary>Whether sizes part so much, in fish that eat each other, that they are graded.</summary>
    /// <param name="eatEachOther">Whether they eat fish at some size.</param>
    /// <param name="cvPct">Spread of the sample, % of the mean; 0 or more.</param>
    public static bool CallsForGrading(bool eatEachOther, double cvPct) => eatEachOther && cvPct >= SpreadPct;

    /// <summary>Whether fish of a weight are fry.</summary>
    /// <param name="meanG">Mean weight of the smallest batch, g; null in a pond without fish.</param>
    public static bool IsFry(double? meanG) => meanG < FryG;

    /// <summary>Whether a kind of animal is taken out from among the fish that stand.</summary>
    /// <param name="kind">Key of the kind.</param>
    /// <param name="smallestG">Mean weight of the smallest batch, g; null in a pond without fish.</param>
    /// <param name="hasShrimp">Whether shrimp, prawns or crayfish stand.</param>
    public static bool IsTakenOut(string kind, double? smallestG, bool hasShrimp) =>
        kind switch
        {
            "wild_fish" => hasShrimp,
            "frog" or "insect" => IsFry(smallestG),
            _ => false,
        };
}
