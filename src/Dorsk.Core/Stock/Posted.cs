namespace Dorsk.Core.Stock;

/// <summary>Turns a fact into its postings. They always sum to nought per batch.</summary>
public static class Posted
{
    /// <summary>A stocking: from the supplier into the pond.</summary>
    public static IReadOnlyList<Posting> Of(FishStocked f, long batchId) =>
        Move(batchId, (Account.Supplier, null), (Account.Pond, f.PondId), f.Count, f.Count * f.MeanG, f.Basis);

    /// <summary>A loss: out of the pond, never more than stands without a surplus from unexplained.</summary>
    /// <param name="f">The loss.</param>
    /// <param name="stands">Fish of the batch in the pond on the books.</param>
    public static IReadOnlyList<Posting> Of(FishLost f, int stands) =>
        [
            .. Surplus(f.BatchId, f.PondId, f.Count - stands),
            .. Move(f.BatchId, (Account.Pond, f.PondId), (f.To, null), f.Count, 0, CountBasis.Counted),
        ];

    /// <summary>A move between ponds.</summary>
    public static IReadOnlyList<Posting> Of(FishMoved f, int stands) =>
        [
            .. Surplus(f.BatchId, f.PondId, f.Count - stands),
            .. Move(
                f.BatchId,
                (Account.Pond, f.PondId),
                (Account.Pond, f.ToPondId),
                f.Count,
                f.Count * f.MeanG,
                f.Basis
            ),
        ];

    /// <summary>A harvest; a final one takes what the books still hold to unexplained.</summary>
    /// <param name="f">The harvest.</param>
    /// <param name="stands">Fish of the batch in the pond on the books before it.</param>
    public static IReadOnlyList<Posting> Of(FishHarvested f, int stands)
    {
        var surplus = f.Count - stands;
        List<Posting> postings =
        [
            .. Surplus(f.BatchId, f.PondId, surplus),
            .. Move(f.BatchId, (Account.Pond, f.PondId), (f.To, null), f.Count, f.MassKg * 1000, f.Basis),
        ];
        if (f.Final && surplus < 0)
            postings.AddRange(
                Move(f.BatchId, (Account.Pond, f.PondId), (Account.Unexplained, null), -surplus, 0, CountBasis.Assumed)
            );
        return postings;
    }

    /// <summary>A count of all: the difference to the books; nothing when there is none.</summary>
    /// <param name="f">The count.</param>
    /// <param name="stands">Fish of the batch in the pond on the books just before it.</param>
    public static IReadOnlyList<Posting> Of(FishRecounted f, int stands)
    {
        if (f.Count > stands)
            return Surplus(f.BatchId, f.PondId, f.Count - stands);
        return f.Count == stands
            ? []
            : Move(f.BatchId, (Account.Pond, f.PondId), (Account.Unexplained, null), stands - f.Count, 0, f.Basis);
    }

    private static Posting[] Surplus(long batchId, long pondId, int surplus) =>
        surplus <= 0
            ? []
            : Move(batchId, (Account.Unexplained, null), (Account.Pond, pondId), surplus, 0, CountBasis.Assumed);

    private static Posting[] Move(
        long batchId,
        (Account Account, long? Pond) from,
        (Account Account, long? Pond) to,
        int count,
        double massG,
        CountBasis basis
    ) =>
        [
            new(batchId, from.Account, from.Pond, -count, -massG, basis),
            new(batchId, to.Account, to.Pond, count, massG, basis),
        ];
}
