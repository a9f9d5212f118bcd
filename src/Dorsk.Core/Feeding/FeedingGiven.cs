using Dorsk.Core.Judging;

namespace Dorsk.Core.Feeding;

/// <summary>A kind of feed the farm keeps.</summary>
/// <param name="FeedId">Number in the books; 0 for a new kind.</param>
/// <param name="Name">What it is called on the farm.</param>
/// <param name="PelletMm">Pellet, mm; 0 for powder.</param>
/// <param name="ProteinPct">Protein, percent.</param>
/// <param name="PriceMinorPerKg">Price per kg in the currency's minor units; null when not known.</param>
public sealed record FeedNamed(long FeedId, string Name, double PelletMm, double ProteinPct, long? PriceMinorPerKg) : Fact;

/// <summary>A load of feed that came into the store.</summary>
/// <param name="FeedId">Kind of feed.</param>
/// <param name="Lot">Name of the lot on the bag.</param>
/// <param name="MassKg">Mass, kg.</param>
/// <param name="Expiry">Last day of use, or null.</param>
public sealed record FeedReceived(long FeedId, string Lot, double MassKg, DateOnly? Expiry) : Fact;

/// <summary>Feed given to a pond.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="FeedId">Kind of feed.</param>
/// <param name="MassKg">Mass, kg.</param>
public sealed record FeedingGiven(long PondId, long FeedId, double MassKg) : Fact;

/// <summary>What is said about a feeding that cannot be or looks wrong.</summary>
public static class FeedingRule
{
    /// <summary>Objections to a feeding.</summary>
    /// <param name="massKg">Typed mass, kg.</param>
    /// <param name="standingKg">Biomass that stands, kg.</param>
    /// <param name="planKg">Ration of the day before brakes, kg.</param>
    public static IEnumerable<Remark> Check(double massKg, double standingKg, double planKg)
    {
        if (massKg is not (> 0 and <= 20_000))
            yield return Remark.Refuse("Mass", FormattableString.Invariant($"{massKg:0.##} kg cannot be a feeding. Takes more than 0, up to 20,000 kg."));
        else if (massKg > Math.Max(2.5 * planKg, 0.05 * standingKg) && massKg > 2)
            yield return Remark.Ask("Mass", FormattableString.Invariant($"{massKg:0.##} kg is far above the ration of {planKg:0.#} kg for {standingKg:0} kg of fish. Is it meant?"));
    }
}
