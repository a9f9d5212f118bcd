namespace Dorsk.Core.Hatchery;

/// <summary>The kind of water fry stand in. Each figure keeps its own: none is carried to another.</summary>
public enum FryWater
{
    /// <summary>A tank with flow, air and care round the clock.</summary>
    Tank,

    /// <summary>A shallow pool of 25 to 30 cm.</summary>
    Pool,

    /// <summary>A nursery pond, by its volume.</summary>
    Pond,
}

/// <summary>How many fry a water holds by their size.</summary>
/// <param name="Low">Usual.</param>
/// <param name="High">What experts do at their own risk.</param>
public readonly record struct FryPlaces(long Low, long High)
{
    /// <summary>Where the figures come from.</summary>
    public const string Source =
        "Fry by the litre in tanks and shallow pools by size class; nursery ponds at about 40 by the cubic metre: starting values of the trade, confidence low";

    private const double PondLow = 20,
        PondHigh = 40;

    /// <summary>Fry that a water holds.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="water">The kind of water.</param>
    /// <param name="volumeM3">Its volume, m³; 0 or more.</param>
    /// <param name="meanG">Mean weight of the fry, g; above 0.</param>
    public static FryPlaces Of(Species.FishSpecies species, FryWater water, double volumeM3, double meanG)
    {
        var (low, high) = water switch
        {
            FryWater.Tank => FryTank.PerLitre(species, meanG),
            FryWater.Pool => PoolPerLitre(meanG),
            _ => (PondLow / 1000, PondHigh / 1000),
        };
        return new((long)Math.Floor(low * 1000 * volumeM3), (long)Math.Floor(high * 1000 * volumeM3));
    }

    private static (double Low, double High) PoolPerLitre(double meanG) =>
        meanG switch
        {
            < 0.05 => (2, 5),
            < 0.5 => (1, 2),
            < 2 => (0.3, 0.7),
            _ => (0.1, 0.2),
        };
}

/// <summary>What weaning costs, and what it saves to go on to the cheaper feed earlier.</summary>
/// <param name="PerFish">Cost of feed for a fish that lives to the end.</param>
/// <param name="All">Cost of feed of all.</param>
/// <param name="SavedByEarlier">What a switch at the lower weight would save of it.</param>
public readonly record struct WeaningCost(double PerFish, double All, double SavedByEarlier)
{
    /// <summary>Works it out: gain by conversion by price, both feeds; those that die have eaten half of it.</summary>
    /// <param name="fish">Fish at the begin; above 0.</param>
    /// <param name="survival">Share that lives, above 0 to 1.</param>
    /// <param name="weightsG">Weight at the begin, at the switch, at an earlier switch, at the end, g.</param>
    /// <param name="wean">Price of weaning feed per kg, and its conversion.</param>
    /// <param name="later">The same of the cheaper feed.</param>
    public static WeaningCost Of(
        int fish,
        double survival,
        (double From, double Switch, double Earlier, double To) weightsG,
        (double Price, double Fcr) wean,
        (double Price, double Fcr) later
    )
    {
        var eaters = fish * (survival + ((1 - survival) / 2));
        double At(double switchG) =>
            eaters
            / 1000
            * (
                ((switchG - weightsG.From) * wean.Fcr * wean.Price)
                + ((weightsG.To - switchG) * later.Fcr * later.Price)
            );
        var all = At(weightsG.Switch);
        return new(all / (fish * survival), all, all - At(weightsG.Earlier));
    }
}
