using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Harvest;

/// <summary>Survival of a batch along all ponds it stood in, from the ledger.</summary>
/// <param name="Stocked">Fish that came from the supplier.</param>
/// <param name="TakenAlive">Fish harvested, sold alive or moved off the farm, from any pond.</param>
/// <param name="Standing">Fish that stand on the books, in any pond.</param>
/// <param name="Pct">Taken alive and still standing by stocked, percent; above 100 where more came out than went in.</param>
/// <param name="Why">Grounds.</param>
public sealed record BatchSurvival(int Stocked, int TakenAlive, int Standing, double Pct, Grounds Why)
{
    // A count by weight is good to five per cent; beyond, something is missing.
    private const double DoubtfulPct = 105;

    /// <summary>Whether none of the batch stands any more, so that the figure is final.</summary>
    public bool Final => Standing == 0;

    /// <summary>Why the figure cannot be right; null when it can.</summary>
    public string? Doubt =>
        Pct > DoubtfulPct
            ? "More fish are counted out than were stocked: the count at stocking was short, or a line is missing."
            : null;

    /// <summary>Adds a batch up; null when nothing was stocked.</summary>
    /// <param name="batchId">The batch.</param>
    /// <param name="movements">Its settled movements.</param>
    public static BatchSurvival? Of(long batchId, IReadOnlyList<Movement> movements)
    {
        int In(Account account) => Ledger.Balance(movements, batchId, account);
        var stocked = -In(Account.Supplier);
        if (stocked <= 0)
            return null;
        var alive = In(Account.Harvested) + In(Account.SoldAlive) + In(Account.MovedOff);
        var standing = In(Account.Pond);
        var why = Grounds.Of(
            "Fish taken out alive and fish that still stand, in all ponds of the batch, by fish stocked. While some stand, deaths that nobody saw are not in it.",
            "Fish ledger of this farm",
            new Input("stocked", stocked, Measures.Plain, "stocking slip"),
            new Input("taken out alive", alive, Measures.Plain, "harvests of all ponds"),
            new Input("still standing", standing, Measures.Plain, "books of all ponds")
        );
        return new(stocked, alive, standing, 100.0 * (alive + standing) / stocked, why);
    }
}
