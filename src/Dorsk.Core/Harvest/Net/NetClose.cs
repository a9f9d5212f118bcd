using Dorsk.Core.Judging;
using Dorsk.Core.Stock;

namespace Dorsk.Core.Harvest;

/// <summary>What the close of a tally writes into the ledger.</summary>
public static class NetClose
{
    private static readonly (NetFate Fate, Account To)[] Ways =
    [
        (NetFate.OtherSite, Account.MovedOff),
        (NetFate.Alive, Account.SoldAlive),
        (NetFate.OnIce, Account.Harvested),
    ];

    /// <summary>The lines of one entry, in their order: the dead, those set aside, what was taken, the close itself. A final harvest comes last, so that nothing leaves a closed batch.</summary>
    /// <param name="tally">The tally; its waiting baskets are written.</param>
    /// <param name="asideTo">The pond of those set aside; 0 where none was chosen, which the ledger refuses.</param>
    /// <param name="remainder">Name of what is missing, where the pond is signed empty.</param>
    /// <param name="close">The close.</param>
    public static IReadOnlyList<Fact> Facts(NetTally tally, long asideTo, string remainder, NetDayClosed close)
    {
        var taken = Ways.Select(w => (w.To, Sum: Of(tally, w.Fate))).Where(w => w.Sum.Kg > 0).ToList();
        return
        [
            .. Aside(tally, asideTo, close.Note),
            .. taken.Select(
                (w, i) =>
                {
                    var final = close.Empty && i == taken.Count - 1;
                    return new FishHarvested(
                        close.PondId,
                        tally.Begun.BatchId,
                        w.Sum.Count,
                        w.Sum.Kg,
                        w.Sum.Basis,
                        w.To,
                        final,
                        final ? remainder : ""
                    );
                }
            ),
            close,
        ];
    }

    private static IEnumerable<Fact> Aside(NetTally tally, long asideTo, string note)
    {
        var (pond, batch) = (tally.Begun.PondId, tally.Begun.BatchId);
        var dead = Of(tally, NetFate.Dead);
        if (dead.Kg > 0)
            yield return new FishLost(pond, batch, dead.Count, Account.Dead, $"at the net {note}".Trim())
            {
                MassKg = dead.Kg,
                FoundShare = 1,
            };
        var aside = Of(tally, NetFate.SetAside);
        if (aside.Kg > 0)
            yield return new FishMoved(pond, asideTo, batch, aside.Count, 1000 * aside.Kg / aside.Count, aside.Basis);
    }

    private static (int Count, double Kg, CountBasis Basis) Of(NetTally tally, NetFate fate)
    {
        var of = tally.Waiting.Where(b => b.Weighed.Fate == fate).ToList();
        var sum = tally.Sum(of);
        return (
            Math.Max(1, (int)Math.Round(sum.Count)),
            sum.Kg,
            of.TrueForAll(b => b.Weighed.Count is not null) ? CountBasis.Counted : CountBasis.ByWeight
        );
    }
}
