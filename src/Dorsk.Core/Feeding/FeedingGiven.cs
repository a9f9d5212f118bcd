using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Feeding;

/// <summary>What lies in the store.</summary>
public enum StoreKind
{
    /// <summary>Feed for fish.</summary>
    Feed,

    /// <summary>Lime of any kind.</summary>
    Lime,

    /// <summary>Salt.</summary>
    Salt,

    /// <summary>Fertiliser or manure.</summary>
    Fertiliser,

    /// <summary>Anything else that is weighed.</summary>
    Other,
}

/// <summary>A kind of feed the farm keeps, or another input of the same store.</summary>
/// <param name="FeedId">Number in the books; 0 for a new kind.</param>
/// <param name="Name">What it is called on the farm.</param>
/// <param name="PelletMm">Pellet, mm; 0 for powder.</param>
/// <param name="ProteinPct">Protein, percent.</param>
/// <param name="PriceMinorPerKg">Price per kg in the currency's minor units; null when not known.</param>
public sealed record FeedNamed(long FeedId, string Name, double PelletMm, double ProteinPct, long? PriceMinorPerKg)
    : Fact
{
    /// <summary>Fish meal in it, percent, or null where nobody said.</summary>
    public double? FishMealPct { get; init; }

    /// <summary>Last day of the permit to use it, where it is a restricted feed; null: no permit is needed.</summary>
    public DateOnly? PermitTo { get; init; }

    /// <summary>The feed that replaces it when the permit ends; null: none was chosen.</summary>
    public long? FallbackId { get; init; }

    /// <summary>Feed, or another input; pellet and protein are 0 for those.</summary>
    public StoreKind Kind { get; init; }

    /// <summary>Fat, percent, or null.</summary>
    public double? FatPct { get; init; }

    /// <summary>Digestible energy, MJ/kg, or null.</summary>
    public double? EnergyMJKg { get; init; }

    /// <summary>Whether it floats; null when nobody said.</summary>
    public bool? Floats { get; init; }

    /// <summary>A bag, kg, or null.</summary>
    public double? BagKg { get; init; }

    /// <summary>From order to delivery, days, or null for the usual.</summary>
    public double? LeadDays { get; init; }
}

/// <summary>A load of feed that came into the store.</summary>
/// <param name="FeedId">Kind of feed.</param>
/// <param name="Lot">Name of the lot on the bag.</param>
/// <param name="MassKg">Mass, kg.</param>
/// <param name="Expiry">Last day of use, or null.</param>
public sealed record FeedReceived(long FeedId, string Lot, double MassKg, DateOnly? Expiry) : Fact
{
    /// <summary>Price per kg in minor units as billed, without freight; null: the kind's own price.</summary>
    public long? PriceMinorPerKg { get; init; }

    /// <summary>Freight of the whole load, minor units.</summary>
    public long FreightMinor { get; init; }
}

/// <summary>Feed given to a pond.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="FeedId">Kind of feed.</param>
/// <param name="MassKg">Mass, kg.</param>
/// <param name="Score">How the fish came to it, 0 to 4; null when nobody watched.</param>
/// <param name="Minutes">How long they ate, min, or null.</param>
/// <param name="LeftKg">Left over and taken out, kg.</param>
public sealed record FeedingGiven(
    long PondId,
    long FeedId,
    double MassKg,
    int? Score = null,
    double? Minutes = null,
    double LeftKg = 0
) : Fact
{
    /// <summary>Objections to how the meal went.</summary>
    public IEnumerable<Remark> CheckHow()
    {
        if (Score is < 0 or > 4)
            yield return Remark.Refuse("Score", "0 to 4: no fish come, to violent and all gone.");
        if (Minutes is { } m && m is not (> 0 and <= 240))
            yield return Remark.Refuse("Minutes", "More than 0, up to 240 minutes.");
        if (!(LeftKg >= 0) || LeftKg > MassKg)
            yield return Remark.Refuse("Left", "Not more can be left than was given.");
    }
}

/// <summary>What is said about a feeding that cannot be or looks wrong.</summary>
public static class FeedingRule
{
    // More than the hungriest fry take in a day, and more than grown fish take in a week.
    private const double FryShare = 0.25;
    private const double GrownShare = 0.08;

    /// <summary>No feeding is larger, kg.</summary>
    public const double MostKg = 20_000;

    /// <summary>The largest feeding that is not asked about, kg.</summary>
    /// <param name="standingKg">Biomass that stands at most, kg.</param>
    /// <param name="meanG">Weight of the fish, g.</param>
    public static double UsualMostKg(double standingKg, double meanG) =>
        (meanG < 10 ? FryShare : GrownShare) * standingKg;

    /// <summary>Objections to a feeding.</summary>
    /// <param name="massKg">Typed mass, kg.</param>
    /// <param name="standingKg">Biomass that stands at most, kg; 0 when the pond is empty.</param>
    /// <param name="meanG">Weight of the fish, g.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IEnumerable<Remark> Check(double massKg, double standingKg, double meanG, Hand hand)
    {
        if (massKg is not (> 0 and <= MostKg))
            yield return Remark.Refuse(
                "Mass",
                FormattableString.Invariant(
                    $"{Kg(massKg, hand)} cannot be a feeding. Takes more than 0, up to {Kg(MostKg, hand)}."
                )
            );
        else if (standingKg <= 0)
            yield return Remark.Ask("Mass", "No fish stand in this pond on the books. Is it the right pond?");
        else if (massKg > UsualMostKg(standingKg, meanG))
            yield return Remark.Ask(
                "Mass",
                FormattableString.Invariant(
                    $"{Kg(massKg, hand)} at once for at most {Kg(standingKg, hand)} of fish is very much. Are figure and unit right?"
                )
            );
    }

    private static string Kg(double kg, Hand hand) => QuantityText.Write(kg, Measures.Mass, hand);

    /// <summary>Objections to a kind of feed.</summary>
    public static IEnumerable<Remark> Check(FeedNamed f)
    {
        if (string.IsNullOrWhiteSpace(f.Name) || f.Name.Length > 60)
            yield return Remark.Refuse("FeedName", "Give the feed a name of 1 to 60 letters.");
        if (f.FatPct is { } fat && fat is not (>= 0 and <= 60))
            yield return Remark.Refuse("Fat", "Fat of 0 to 60 %, or empty.");
        if (f.EnergyMJKg is { } energy && energy is not (>= 2 and <= 40))
            yield return Remark.Refuse("Energy", h =>
                $"Digestible energy of {Limit.Range(2, 40, Measures.FeedEnergy, h)}, or empty."
            );
        if (f.BagKg is { } bag && bag is not (> 0 and <= 2000))
            yield return Remark.Refuse("Bag", h =>
                $"A bag of more than 0, up to {Limit.Of(2000, Measures.Mass, h)}, or empty."
            );
        if (f.LeadDays is { } lead && lead is not (>= 0 and <= 180))
            yield return Remark.Refuse("Lead", "0 to 180 days from order to delivery, or empty.");
        if (f.FishMealPct is { } meal && meal is not (>= 0 and <= 90))
            yield return Remark.Refuse("FishMeal", "Fish meal of 0 to 90 %, or empty.");
        if (f.FallbackId is { } fallback && fallback == f.FeedId)
            yield return Remark.Refuse("Fallback", "A feed cannot replace itself. Choose another, or none.");
        if (f.Kind != StoreKind.Feed)
            yield break;
        if (f.PelletMm is not (>= 0 and <= 30))
            yield return Remark.Refuse("Pellet", h =>
                $"A pellet of 0 (powder) to {Limit.Of(0.03, Measures.Pellet, h)}."
            );
        if (f.ProteinPct is not (>= 5 and <= 80))
            yield return Remark.Refuse("Protein", "Protein of 5 to 80 %.");
    }

    /// <summary>What is asked before a restricted feed is given after its permit; null while it may be given.</summary>
    /// <param name="name">The feed.</param>
    /// <param name="permitTo">Last day of its permit, or null.</param>
    /// <param name="on">Day of the meal.</param>
    /// <param name="fallback">The feed that replaces it, or null.</param>
    public static string? WithoutPermit(string name, DateOnly? permitTo, DateOnly on, string? fallback) =>
        permitTo is { } to && on > to
            ? FormattableString.Invariant(
                $"The permit for {name} ended on {to:d MMM yyyy}: {(fallback is null ? "renew it, or choose a feed that needs none." : $"feed {fallback} until it is renewed.")}"
            )
            : null;

    /// <summary>Objections to a load of feed.</summary>
    public static IEnumerable<Remark> Check(FeedReceived f)
    {
        if (f.MassKg is not (> 0 and <= 200_000))
            yield return Remark.Refuse("Mass", h =>
                $"A load of more than 0, up to {Limit.Of(200_000, Measures.Mass, h)}."
            );
        if (f.Lot.Length > 40)
            yield return Remark.Refuse("Lot", "The lot's name in at most 40 letters.");
        if (f.PriceMinorPerKg is < 0 or > 100_000)
            yield return Remark.Refuse("Price", "0 to 1,000, or empty.");
        if (f.FreightMinor is < 0 or > 100_000_000)
            yield return Remark.Refuse("Freight", "0 to 1,000,000 for the load.");
    }
}
