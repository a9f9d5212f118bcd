using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>The order in which ponds are walked; those it does not name come after, as they were described.</summary>
/// <param name="Ponds">Ponds, the first stop first.</param>
public sealed record WalkSet(IReadOnlyList<long> Ponds) : Fact
{
    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="known">Ponds of the farm.</param>
    public IEnumerable<Remark> Check(IReadOnlySet<long> known)
    {
        if (Ponds.Count == 0)
            yield return Remark.Refuse("Order", "Type the codes of the ponds in the order of the walk.");
        if (Ponds.Distinct().Count() != Ponds.Count)
            yield return Remark.Refuse("Order", "A pond stands there twice.");
        if (!Ponds.All(known.Contains))
            yield return Remark.Refuse("Order", "One of these is no pond of this farm.");
    }

    /// <summary>Ponds in the order of the walk.</summary>
    /// <param name="ponds">Ponds as they were described.</param>
    public IEnumerable<Pond> InOrder(IReadOnlyList<Pond> ponds)
    {
        var at = Ponds.Select((id, i) => (id, i)).ToDictionary(x => x.id, x => x.i);
        return ponds.OrderBy(p => at.GetValueOrDefault(p.Id, int.MaxValue)).ThenBy(p => p.Id);
    }
}
