using Dorsk.Core.Judging;

namespace Dorsk.Core.Harvest;

/// <summary>How fish are sold.</summary>
public enum FishForm
{
    /// <summary>Alive.</summary>
    Live,

    /// <summary>Whole on ice.</summary>
    WholeOnIce,

    /// <summary>Gutted.</summary>
    Gutted,

    /// <summary>Fillet.</summary>
    Fillet,

    /// <summary>Frozen, whole.</summary>
    Frozen,

    /// <summary>Peeled tails.</summary>
    Peeled,
}

/// <summary>A price from its day on, until a later one of the same kind.</summary>
/// <param name="BuyerId">The buyer it is for; null: for all.</param>
/// <param name="SpeciesKey">The fish.</param>
/// <param name="Form">How they are sold.</param>
/// <param name="FromG">Mean weight from which it holds, g; 0 for all sizes.</param>
/// <param name="MinorPerKg">Price of a kilogram as it is sold, in the smallest unit of the currency; null: no longer offered.</param>
public sealed record PriceListed(long? BuyerId, string SpeciesKey, FishForm Form, double FromG, long? MinorPerKg) : Fact
{
    private const double LargestG = 20_000;
    private const long MostMinor = 100_000_000;

    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        if (FromG is not (>= 0 and <= LargestG))
            yield return Remark.Refuse("From", h => $"{Limit.Range(0, LargestG, Units.Measures.FishWeight, h)}.");
        if (MinorPerKg is < 1 or > MostMinor)
            yield return Remark.Refuse("Price", "Above 0; empty when it is no longer offered.");
    }
}

/// <summary>The prices that hold on a day.</summary>
public static class PriceList
{
    /// <summary>Share of the live weight that a form weighs. Starting values of the trade; the farm types its own at the sale.</summary>
    /// <param name="form">The form.</param>
    public static double UsualYield(FishForm form) =>
        form switch
        {
            FishForm.Gutted => 0.87,
            FishForm.Fillet => 0.38,
            FishForm.Peeled => 0.55,
            _ => 1,
        };

    /// <summary>The price for fish of a size: the buyer's own before that for all, the largest size class that they reach, the newest; null where none holds.</summary>
    /// <param name="all">Prices, in order of time.</param>
    /// <param name="buyer">The buyer, or null.</param>
    /// <param name="speciesKey">The fish.</param>
    /// <param name="form">How they are sold.</param>
    /// <param name="meanG">Mean weight, g; above 0.</param>
    public static PriceListed? For(
        IEnumerable<PriceListed> all,
        long? buyer,
        string speciesKey,
        FishForm form,
        double meanG
    ) =>
        all.Where(p =>
                p.SpeciesKey == speciesKey
                && p.Form == form
                && p.FromG <= meanG
                && (p.BuyerId is null || p.BuyerId == buyer)
            )
            .GroupBy(p => (p.BuyerId, p.FromG))
            .Select(g => g.Last())
            .Where(p => p.MinorPerKg is not null)
            .OrderByDescending(p => p.BuyerId is not null)
            .ThenByDescending(p => p.FromG)
            .FirstOrDefault();
}
