namespace Dorsk.Core.Feeding;

/// <summary>What a movement of the store is.</summary>
public enum StoreMoveKind
{
    /// <summary>A load came.</summary>
    In,

    /// <summary>Fed.</summary>
    Fed,

    /// <summary>Left without being fed.</summary>
    Taken,

    /// <summary>Counted: this is what lies there.</summary>
    Counted,
}

/// <summary>One movement.</summary>
/// <param name="At">When.</param>
/// <param name="Kind">What.</param>
/// <param name="Kg">Mass, kg, never negative.</param>
/// <param name="Lot">Name of the lot; empty: the first out.</param>
/// <param name="Expiry">Last day of use of a load, or null.</param>
/// <param name="MinorPerKg">What a kg of a load cost with its freight, minor units, or null.</param>
/// <param name="Words">Why, in words.</param>
public sealed record StoreMove(
    DateTimeOffset At,
    StoreMoveKind Kind,
    double Kg,
    string Lot = "",
    DateOnly? Expiry = null,
    double? MinorPerKg = null,
    string Words = ""
);

/// <summary>What is left of a load.</summary>
/// <param name="Lot">Its name.</param>
/// <param name="Expiry">Last day of use, or null.</param>
/// <param name="Came">When it came.</param>
/// <param name="ReceivedKg">Received, kg.</param>
/// <param name="LeftKg">Left, kg.</param>
/// <param name="MinorPerKg">Cost per kg, minor units, or null.</param>
public sealed record StoreLot(
    string Lot,
    DateOnly? Expiry,
    DateTimeOffset Came,
    double ReceivedKg,
    double LeftKg,
    double? MinorPerKg
);

/// <summary>What the books could not explain.</summary>
/// <param name="At">When it came to light.</param>
/// <param name="Kg">Found more (+) or less (−) than the books said, kg.</param>
/// <param name="Name">Its name.</param>
public sealed record StoreDifference(DateTimeOffset At, double Kg, string Name);

/// <summary>
/// A kind's store added up: the lot that expires first goes out first. It never falls under nothing: what is given beyond the books
/// becomes a difference with a name, as does what a count finds.
/// </summary>
/// <param name="Lots">Lots with something left, the first out first.</param>
/// <param name="Differences">What the books could not explain, in order.</param>
/// <param name="WeekKg">Fed in the seven days before, kg.</param>
public sealed record StoreLedger(
    IReadOnlyList<StoreLot> Lots,
    IReadOnlyList<StoreDifference> Differences,
    double WeekKg
)
{
    /// <summary>Name of what is given beyond the books.</summary>
    public const string BeyondBooks = "given beyond the books: a delivery was not recorded, or a weight is wrong";

    private const double Least = 1e-9;

    /// <summary>Left, kg.</summary>
    public double LeftKg => Lots.Sum(l => l.LeftKg);

    /// <summary>Value of what is left, minor units, by what each lot cost; lots without a price count at another's price.</summary>
    /// <param name="otherwiseMinorPerKg">Price of the kind, or null.</param>
    public double? ValueMinor(long? otherwiseMinorPerKg) =>
        Lots.Any(l => (l.MinorPerKg ?? otherwiseMinorPerKg) is null)
            ? null
            : Lots.Sum(l => l.LeftKg * (l.MinorPerKg ?? otherwiseMinorPerKg)!.Value);

    /// <summary>First expiry among what is left, or null.</summary>
    public DateOnly? NextExpiry => Lots.Min(l => l.Expiry);

    /// <summary>Adds movements up to an instant.</summary>
    /// <param name="moves">In order of time.</param>
    /// <param name="now">The instant.</param>
    public static StoreLedger Of(IEnumerable<StoreMove> moves, DateTimeOffset now) => Nothing.With(moves, now);

    /// <summary>An empty store.</summary>
    public static StoreLedger Nothing { get; } = new([], [], 0);

    /// <summary>This ledger carried on; it ended at least a week before the instant.</summary>
    /// <param name="moves">What came after, in order of time.</param>
    /// <param name="now">The instant.</param>
    public StoreLedger With(IEnumerable<StoreMove> moves, DateTimeOffset now)
    {
        List<StoreLot> lots = [.. Lots];
        List<StoreDifference> differences = [.. Differences];
        var week = 0.0;
        foreach (var m in moves.TakeWhile(m => m.At <= now))
        {
            Step(lots, differences, m);
            week += m.Kind == StoreMoveKind.Fed && m.At > now.AddDays(-7) ? m.Kg : 0;
        }
        return new(lots, differences, week);
    }

    /// <summary>Between which instants something was given out of each lot that has a name; a lot of which nothing went is left out.</summary>
    /// <param name="moves">In order of time.</param>
    public static IReadOnlyList<(string Lot, DateTimeOffset First, DateTimeOffset Last)> GivenOut(
        IEnumerable<StoreMove> moves
    )
    {
        List<StoreLot> lots = [];
        var spans = new Dictionary<string, (DateTimeOffset First, DateTimeOffset Last)>();
        foreach (var m in moves)
        {
            var before = lots.ToList();
            Step(lots, [], m);
            foreach (var lot in before.Where(b => b.Lot.Length > 0))
                if (!lots.Exists(l => l.Lot == lot.Lot && l.Came == lot.Came && l.LeftKg >= lot.LeftKg))
                    spans[lot.Lot] = (spans.TryGetValue(lot.Lot, out var known) ? known.First : m.At, m.At);
        }
        return [.. spans.OrderBy(s => s.Value.First).Select(s => (s.Key, s.Value.First, s.Value.Last))];
    }

    private static void Step(List<StoreLot> lots, List<StoreDifference> differences, StoreMove m)
    {
        switch (m.Kind)
        {
            case StoreMoveKind.In:
                Add(lots, new(m.Lot, m.Expiry, m.At, m.Kg, m.Kg, m.MinorPerKg));
                break;
            case StoreMoveKind.Counted:
                var found = m.Kg - lots.Sum(l => l.LeftKg);
                if (Math.Abs(found) > Least)
                    differences.Add(new(m.At, found, m.Words));
                if (found > 0)
                    Add(lots, new("found", null, m.At, found, found, null));
                else
                    Take(lots, "", -found);
                break;
            default:
                if (Take(lots, m.Lot, m.Kg) is > Least and var missing)
                    // It was there, though the books did not know of it.
                    differences.Add(new(m.At, missing, BeyondBooks));
                break;
        }
    }

    private static void Add(List<StoreLot> lots, StoreLot lot)
    {
        if (lot.LeftKg <= Least)
            return;
        var at = lots.FindIndex(l =>
            (l.Expiry ?? DateOnly.MaxValue, l.Came).CompareTo((lot.Expiry ?? DateOnly.MaxValue, lot.Came)) > 0
        );
        lots.Insert(at < 0 ? lots.Count : at, lot);
    }

    // Takes from a named lot as far as it goes, then from the first out; returns what was not there.
    private static double Take(List<StoreLot> lots, string lot, double kg)
    {
        var named = lot.Length == 0 ? -1 : lots.FindIndex(l => l.Lot == lot);
        while (kg > Least && lots.Count > 0)
        {
            var i = Math.Max(0, named);
            var taken = Math.Min(kg, lots[i].LeftKg);
            kg -= taken;
            if (lots[i].LeftKg - taken <= Least)
                lots.RemoveAt(i);
            else
                lots[i] = lots[i] with { LeftKg = lots[i].LeftKg - taken };
            named = -1;
        }
        return kg;
    }
}
