using Dorsk.Core.Judging;
using Dorsk.Core.Stock;

namespace Dorsk.Core.Hatchery;

/// <summary>One link of the chain of survival.</summary>
/// <param name="Name">From what to what.</param>
/// <param name="From">Animals at its begin.</param>
/// <param name="To">Animals at its end.</param>
/// <param name="Share">Survival, percent, with its 95 % interval by both counts.</param>
/// <param name="Days">Days it took.</param>
public sealed record ChainLink(string Name, double From, double To, Interval Share, double Days)
{
    /// <summary>More than all: one of the counts is wrong.</summary>
    public bool IsFault => To > From;
}

/// <summary>Survival stage by stage and over the whole, from the counts of a lot and of the ponds its fry went into.</summary>
public static class SurvivalChain
{
    /// <summary>Where the method comes from.</summary>
    public const string Source =
        "Ratio of two counts; the interval adds both counts' own doubt in logarithms (delta method). Doubt of a count without samples of its own: 1 % counted, 10 % by weight, 15 % by displaced volume, 30 % assumed (starting values)";

    private const double Level = 0.95;

    /// <summary>Half of the 95 % interval of a count that has no samples of its own, percent. Starting values.</summary>
    public static double DoubtPct(CountBasis basis) =>
        basis switch
        {
            CountBasis.Counted or CountBasis.LiftedNet => 1,
            CountBasis.ByWeight => 10,
            CountBasis.ByVolume => 15,
            _ => 30,
        };

    /// <summary>A count as a link of the chain wants it.</summary>
    /// <param name="Name">What was counted.</param>
    /// <param name="At">When.</param>
    /// <param name="Count">How many there were.</param>
    /// <param name="Doubt">Half of its 95 % interval, percent.</param>
    /// <param name="After">How many of them stayed: the begin of the next link, without those that left alive before it.</param>
    public readonly record struct Point(string Name, DateTimeOffset At, double Count, double Doubt, double After);

    /// <summary>The links between points.</summary>
    /// <param name="points">Counts in order of time.</param>
    public static IReadOnlyList<ChainLink> Of(IReadOnlyList<Point> points) =>
        [.. points.Zip(points.Skip(1)).Where(x => x.First.After > 0).Select(x => Link(x.First, x.Second))];

    /// <summary>One link: from what stayed at a count to the next count.</summary>
    /// <param name="from">Its begin.</param>
    /// <param name="to">Its end.</param>
    public static ChainLink Link(Point from, Point to)
    {
        var share = 100 * to.Count / from.After;
        var half = Half(from.Doubt, to.Doubt);
        return new(
            $"{from.Name} to {to.Name}",
            from.After,
            to.Count,
            new(share, share * Math.Exp(-half), share * Math.Exp(half), Level),
            (to.At - from.At).TotalDays
        );
    }

    /// <summary>The whole chain as one link: the product of its links; null while there is none. Its doubt adds up those of the links.</summary>
    /// <param name="links">Links in order.</param>
    public static ChainLink? Whole(IReadOnlyList<ChainLink> links)
    {
        if (links.Count == 0)
            return null;
        var share = links.Aggregate(1.0, (s, l) => s * l.To / l.From);
        var half = Math.Sqrt(
            links.Where(l => l.Share.Value > 0).Sum(l => Square(Math.Log(l.Share.High / l.Share.Value)))
        );
        return new(
            $"{links[0].Name.Split(" to ")[0]} to {links[^1].Name.Split(" to ")[^1]}",
            links[0].From,
            links[0].From * share,
            new(100 * share, 100 * share * Math.Exp(-half), 100 * share * Math.Exp(half), Level),
            links.Sum(l => l.Days)
        );
    }

    private static double Half(double aPct, double bPct) =>
        Math.Sqrt(Square(Math.Log(1 + (aPct / 100))) + Square(Math.Log(1 + (bPct / 100))));

    private static double Square(double x) => x * x;

    /// <summary>Counts of a lot in order: eggs, and each count after them. A count of none after animals left alive ends the books and is no survival.</summary>
    /// <param name="ledger">The books.</param>
    /// <param name="lotId">The lot.</param>
    public static IReadOnlyList<Point> PointsOf(LotLedger ledger, long lotId)
    {
        if (ledger.Lot(lotId) is not { } lot)
            return [];
        var points = new List<Point>();
        foreach (
            var m in ledger.Movements.Where(m =>
                m.Postings.Any(p => p.LotId == lotId) || m.Fact is LotCounted f && f.LotId == lotId
            )
        )
            if (PointOf(m, lot) is { } point)
            {
                if (point.Count == 0 && points.Count > 0 && points[^1].After < points[^1].Count)
                    continue;
                points.Add(point);
            }
            else if (points.Count > 0)
                points[^1] = points[^1] with { After = points[^1].After - LeftAlive(m, lotId) };
        return points;
    }

    private static long LeftAlive(LotMovement m, long lotId) =>
        m.Fact is LotMoved or FishStocked or LotLeft { To: LotExit.Sent }
            ? -m.Postings.Where(p => p.LotId == lotId && Stands(p.Account) && p.Count < 0).Sum(p => p.Count)
            : 0;

    private static bool Stands(LotAccount a) => a is LotAccount.Eggs or LotAccount.Larvae or LotAccount.Fry;

    private static Point? PointOf(LotMovement m, LotStanding lot) =>
        m.Fact switch
        {
            EggsTaken f => new("eggs", m.At, f.Count, DoubtPct(f.Basis), f.Count),
            LotMoved { Count: { } n } f when f.FromLotId != lot.LotId => new(
                "parted",
                m.At,
                n,
                DoubtPct(CountBasis.ByVolume),
                n
            ),
            LotCounted f => new(
                f.Count == 0 ? "end" : LotStanding.Word(f.Stage),
                m.At,
                f.Count,
                f.PlusMinusPct ?? DoubtPct(f.Basis),
                f.Count
            ),
            _ => null,
        };
}
