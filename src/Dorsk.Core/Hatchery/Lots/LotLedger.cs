using Dorsk.Core.Stock;

namespace Dorsk.Core.Hatchery;

/// <summary>Where eggs and what becomes of them stand. They never vanish: they move between accounts.</summary>
public enum LotAccount
{
    /// <summary>The parents they were taken from.</summary>
    Parents,

    /// <summary>Eggs of a lot.</summary>
    Eggs,

    /// <summary>Larvae of a lot.</summary>
    Larvae,

    /// <summary>Feeding fry of a lot.</summary>
    Fry,

    /// <summary>Ponds of the farm.</summary>
    Ponds,

    /// <summary>Sent or sold to other farms.</summary>
    Sent,

    /// <summary>Did not come to the next stage, or taken out dead.</summary>
    Dead,

    /// <summary>Cannibals taken out.</summary>
    Cannibals,

    /// <summary>Difference between two counts of one stage, or more than all.</summary>
    Difference,
}

/// <summary>One line of a movement. The lines of a movement sum to nought.</summary>
/// <param name="LotId">The lot.</param>
/// <param name="Account">The account.</param>
/// <param name="Count">Animals; positive came in.</param>
public readonly record struct LotPosting(long LotId, LotAccount Account, long Count);

/// <summary>A movement with what was written.</summary>
/// <param name="Line">Log line.</param>
/// <param name="At">When it happened.</param>
/// <param name="Fact">What was written.</param>
/// <param name="Postings">Its lines.</param>
public sealed record LotMovement(long Line, DateTimeOffset At, object Fact, IReadOnlyList<LotPosting> Postings);

/// <summary>A lot as it stands.</summary>
/// <param name="LotId">Its number.</param>
/// <param name="Taken">How it came to be.</param>
/// <param name="TakenAt">When its eggs were taken.</param>
/// <param name="Stage">What they are.</param>
/// <param name="Count">How many on the books.</param>
/// <param name="VesselId">Where they stand.</param>
/// <param name="ParentId">The lot it was parted from; null for a lot of its own.</param>
/// <param name="Treatment">What it is compared by.</param>
public sealed record LotStanding(
    long LotId,
    EggsTaken Taken,
    DateTimeOffset TakenAt,
    LotStage Stage,
    long Count,
    long VesselId,
    long? ParentId,
    string Treatment
)
{
    /// <summary>A stage in words.</summary>
    public static string Word(LotStage stage) =>
        stage switch
        {
            LotStage.Eggs => "eggs",
            LotStage.Larvae => "larvae",
            _ => "feeding fry",
        };
}

/// <summary>The books of the hatchery: eggs, larvae and fry of every lot, and where they went.</summary>
/// <param name="Lots">Every lot as it stands, in order of its taking.</param>
/// <param name="Movements">Movements in the order in which they happened.</param>
public sealed record LotLedger(IReadOnlyList<LotStanding> Lots, IReadOnlyList<LotMovement> Movements)
{
    /// <summary>Settles what was written. What a count differs by is worked out from what was before it, so a line entered late changes the difference and never the count.</summary>
    /// <param name="written">Line, instant and fact: eggs taken, counts, moves, leavings, and fry stocked into ponds.</param>
    public static LotLedger Settle(IEnumerable<(long Line, DateTimeOffset At, object Fact)> written)
    {
        var lots = new Dictionary<long, LotStanding>();
        var movements = new List<LotMovement>();
        foreach (var (line, at, fact) in written.OrderBy(w => w.At).ThenBy(w => w.Line))
        {
            var postings = Post(lots, line, at, fact);
            if (postings.Count > 0 || fact is LotMoved or LotCounted)
                movements.Add(new(line, at, fact, postings));
        }
        return new([.. lots.Values.OrderBy(l => l.TakenAt).ThenBy(l => l.LotId)], movements);
    }

    /// <summary>A lot; null when there is none of that number.</summary>
    public LotStanding? Lot(long id) => Lots.FirstOrDefault(l => l.LotId == id);

    /// <summary>The lot with all that were parted from it.</summary>
    public IReadOnlyList<LotStanding> Family(long id) =>
        [.. Lots.Where(l => l.LotId == id || (l.ParentId is { } p && Family(p, id)))];

    private bool Family(long lot, long id) => lot == id || (Lot(lot)?.ParentId is { } parent && Family(parent, id));

    /// <summary>Animals of an account over some lots.</summary>
    public long Balance(LotAccount account, params IReadOnlyCollection<long> lots) =>
        Movements
            .SelectMany(m => m.Postings)
            .Where(p => p.Account == account && lots.Contains(p.LotId))
            .Sum(p => p.Count);

    private static LotAccount Of(LotStage stage) =>
        stage switch
        {
            LotStage.Eggs => LotAccount.Eggs,
            LotStage.Larvae => LotAccount.Larvae,
            _ => LotAccount.Fry,
        };

    private static List<LotPosting> Post(Dictionary<long, LotStanding> lots, long line, DateTimeOffset at, object fact)
    {
        switch (fact)
        {
            case EggsTaken f:
                var id = f.LotId > 0 ? f.LotId : line;
                lots[id] = new(id, f, at, LotStage.Eggs, f.Count, f.VesselId, null, f.Treatment);
                return Moved(id, LotAccount.Parents, LotAccount.Eggs, f.Count);
            case LotCounted f when lots.TryGetValue(f.LotId, out var lot):
                return Counted(lots, lot, f);
            case LotMoved f when lots.TryGetValue(f.FromLotId, out var lot):
                return Parted(lots, lot, f, line);
            case LotLeft f when lots.TryGetValue(f.LotId, out var lot):
                return Left(lots, lot, f.Count, ExitOf(f.To));
            case FishStocked { HatchLotId: { } from } f when lots.TryGetValue(from, out var lot):
                return Left(lots, lot, f.Count, LotAccount.Ponds);
            default:
                return [];
        }
    }

    private static LotAccount ExitOf(LotExit exit) =>
        exit switch
        {
            LotExit.Dead => LotAccount.Dead,
            LotExit.Cannibals => LotAccount.Cannibals,
            _ => LotAccount.Sent,
        };

    private static List<LotPosting> Moved(long lot, LotAccount from, LotAccount to, long count) =>
        count == 0 ? [] : [new(lot, from, -count), new(lot, to, count)];

    private static List<LotPosting> Counted(Dictionary<long, LotStanding> lots, LotStanding lot, LotCounted f)
    {
        // A line that came in late may speak of a stage that is behind by now: the later stage stays.
        var stage = f.Stage > lot.Stage ? f.Stage : lot.Stage;
        var (was, now) = (Of(lot.Stage), Of(stage));
        var missing = lot.Count - f.Count;
        List<LotPosting> postings = [];
        if (missing > 0)
            postings.AddRange(
                Moved(lot.LotId, was, stage > lot.Stage ? LotAccount.Dead : LotAccount.Difference, missing)
            );
        else
            postings.AddRange(Moved(lot.LotId, LotAccount.Difference, was, -missing));
        if (now != was)
            postings.AddRange(Moved(lot.LotId, was, now, f.Count));
        lots[lot.LotId] = lot with { Stage = stage, Count = f.Count };
        return postings;
    }

    private static List<LotPosting> Parted(Dictionary<long, LotStanding> lots, LotStanding lot, LotMoved f, long line)
    {
        if (f.Count is not { } count)
        {
            lots[lot.LotId] = lot with { VesselId = f.VesselId };
            return [];
        }
        var part = f.LotId > 0 ? f.LotId : line;
        lots[part] = lot with
        {
            LotId = part,
            Count = count,
            VesselId = f.VesselId,
            ParentId = lot.LotId,
            Treatment = f.Treatment.Length > 0 ? f.Treatment : lot.Treatment,
        };
        var surplus = Math.Max(0, count - lot.Count);
        lots[lot.LotId] = lot with { Count = lot.Count + surplus - count };
        return
        [
            .. Moved(lot.LotId, LotAccount.Difference, Of(lot.Stage), surplus),
            new(lot.LotId, Of(lot.Stage), -count),
            new(part, Of(lot.Stage), count),
        ];
    }

    // More than stands: the surplus comes from the difference, never out of nothing.
    private static List<LotPosting> Left(Dictionary<long, LotStanding> lots, LotStanding lot, long count, LotAccount to)
    {
        var surplus = Math.Max(0, count - lot.Count);
        lots[lot.LotId] = lot with { Count = lot.Count + surplus - count };
        return
        [
            .. Moved(lot.LotId, LotAccount.Difference, Of(lot.Stage), surplus),
            .. Moved(lot.LotId, Of(lot.Stage), to, count),
        ];
    }
}
