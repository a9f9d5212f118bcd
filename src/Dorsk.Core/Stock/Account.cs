namespace Dorsk.Core.Stock;

/// <summary>Where fish can stand in the ledger. Fish never vanish: they move between accounts.</summary>
public enum Account
{
    /// <summary>Whoever delivered them, own hatchery included.</summary>
    Supplier,

    /// <summary>A pond of this farm.</summary>
    Pond,

    /// <summary>Harvested.</summary>
    Harvested,

    /// <summary>Sold alive.</summary>
    SoldAlive,

    /// <summary>Moved off the farm.</summary>
    MovedOff,

    /// <summary>Found dead.</summary>
    Dead,

    /// <summary>Eaten by birds, otters, other fish.</summary>
    Eaten,

    /// <summary>Escaped.</summary>
    Escaped,

    /// <summary>Nobody knows: named at the close, and drawn on when more is caught than stands.</summary>
    Unexplained,
}

/// <summary>How a count is known.</summary>
public enum CountBasis
{
    /// <summary>Counted one by one.</summary>
    Counted,

    /// <summary>By total weight and the weight of a counted sample.</summary>
    ByWeight,

    /// <summary>By displaced volume.</summary>
    ByVolume,

    /// <summary>Assumed.</summary>
    Assumed,

    /// <summary>All seen at once in an inner net that was lifted.</summary>
    LiftedNet,
}

/// <summary>One line of a fish movement. The lines of one movement sum to nought per batch.</summary>
/// <param name="BatchId">The batch; 0 for one that is being founded.</param>
/// <param name="Account">The account.</param>
/// <param name="PondId">The pond, for <see cref="Account.Pond"/>; else null.</param>
/// <param name="Count">Fish; positive came in.</param>
/// <param name="MassG">Their mass, g, with the same sign; 0 when not weighed.</param>
/// <param name="Basis">How the count is known.</param>
public sealed record Posting(long BatchId, Account Account, long? PondId, int Count, double MassG, CountBasis Basis);
