using Dorsk.Core.Judging;

namespace Dorsk.Core.Harvest;

/// <summary>Kinds of buyers.</summary>
public enum BuyerKind
{
    /// <summary>Processing plant.</summary>
    Plant,

    /// <summary>Trader.</summary>
    Trader,

    /// <summary>Shop or restaurant.</summary>
    Shop,

    /// <summary>Market stall or farm gate.</summary>
    Market,

    /// <summary>Live fish, restocking and fingerlings.</summary>
    Live,

    /// <summary>Export.</summary>
    Export,
}

/// <summary>A buyer, as last described.</summary>
/// <param name="BuyerId">Number given by the books; 0 for a new one.</param>
/// <param name="Name">Name.</param>
/// <param name="Kind">What kind.</param>
/// <param name="Dropped">Whether they buy no more.</param>
public sealed record BuyerDescribed(long BuyerId, string Name, BuyerKind Kind, bool Dropped) : Fact
{
    /// <summary>Objections, named by the field of the slip.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Name.Trim().Length is 0 or > 60)
            yield return Remark.Refuse("Name", "1 to 60 letters.");
    }
}
