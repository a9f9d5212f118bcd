using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Feeding;

/// <summary>Why something left the store without being fed.</summary>
public enum StoreCause
{
    /// <summary>Wet, mouldy, eaten by rats, burst.</summary>
    Spoiled,

    /// <summary>Past its date.</summary>
    Expired,

    /// <summary>Used on a pond: lime, salt, fertiliser.</summary>
    Used,

    /// <summary>Sold, lent or given away.</summary>
    GoneOff,
}

/// <summary>Something left the store without being fed.</summary>
/// <param name="FeedId">The kind.</param>
/// <param name="Lot">Its lot, or empty for the one that is first out.</param>
/// <param name="MassKg">Mass, kg.</param>
/// <param name="Cause">Why.</param>
/// <param name="Text">More about it.</param>
public sealed record StoreTaken(long FeedId, string Lot, double MassKg, StoreCause Cause, string Text) : Fact
{
    /// <summary>Objections, named by field.</summary>
    public IEnumerable<Remark> Check()
    {
        if (MassKg is not (> 0 and <= 200_000))
            yield return Remark.Refuse("Mass", h => $"More than 0, up to {Limit.Of(200_000, Measures.Mass, h)}.");
        if (Text.Length > 200)
            yield return Remark.Refuse("Text", "At most 200 letters.");
    }
}

/// <summary>What was found in the store when somebody weighed or counted it.</summary>
/// <param name="FeedId">The kind.</param>
/// <param name="MassKg">What lies there, kg.</param>
/// <param name="Reason">The likely cause of a difference.</param>
public sealed record StoreCounted(long FeedId, double MassKg, string Reason) : Fact
{
    /// <summary>Objections: a difference wants a name.</summary>
    /// <param name="booksKg">What the books say, kg.</param>
    public IEnumerable<Remark> Check(double booksKg)
    {
        if (MassKg is not (>= 0 and <= 500_000))
            yield return Remark.Refuse("Mass", h => $"{Limit.Range(0, 500_000, Measures.Mass, h)}.");
        else if (Math.Abs(MassKg - booksKg) > 0.5 && Reason.Trim().Length is 0 or > 200)
            yield return Remark.Refuse(
                "Reason",
                FormattableString.Invariant(
                    $"The books say {booksKg:0.#} kg. Name the likely cause of the difference, in at most 200 letters."
                )
            );
    }
}
