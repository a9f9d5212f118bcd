using Dorsk.Core.Judging;

namespace Dorsk.Core.Stock;

/// <summary>A pond is put on hold, or the hold ends: no fish in or out, no shared net, no visitors.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Begins">True for a hold, false for its end.</param>
/// <param name="Why">Why, in words.</param>
public sealed record PondHeld(long PondId, bool Begins, string Why) : Fact
{
    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="now">The hold that stands, or null.</param>
    public IEnumerable<Remark> Check(PondHold? now)
    {
        if (Begins && now is not null)
            yield return Remark.Refuse("Begins", "This pond is on hold already.");
        if (!Begins && now is null)
            yield return Remark.Refuse("Begins", "This pond is not on hold.");
        if (Why.Trim().Length is 0 or > 300)
            yield return Remark.Refuse(
                "Why",
                Begins
                    ? "1 to 300 letters: what was seen, who was told."
                    : "1 to 300 letters: what says that it is over, such as a vet's word or two weeks without a death."
            );
    }
}

/// <summary>A hold that stands.</summary>
/// <param name="From">Farm day it began.</param>
/// <param name="By">Who put it on hold.</param>
/// <param name="Why">Why.</param>
public sealed record PondHold(DateOnly From, string By, string Why);
