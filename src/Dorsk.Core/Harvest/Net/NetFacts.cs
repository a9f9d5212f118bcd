using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Harvest;

/// <summary>What becomes of the fish of a basket.</summary>
public enum NetFate
{
    /// <summary>Taken, on ice.</summary>
    OnIce,

    /// <summary>Taken alive.</summary>
    Alive,

    /// <summary>Back into the pond.</summary>
    Returned,

    /// <summary>Set aside: to breed from, to show to visitors.</summary>
    SetAside,

    /// <summary>Sent alive to another site.</summary>
    OtherSite,

    /// <summary>Died in the net.</summary>
    Dead,
}

/// <summary>What was noted at the net.</summary>
public enum NetEvent
{
    /// <summary>Oxygen read among the crowded fish.</summary>
    Read,

    /// <summary>All baskets so far are on ice.</summary>
    Iced,

    /// <summary>The net is empty, the pull is over.</summary>
    PullDone,
}

/// <summary>A day of fishing begins at a pond.</summary>
/// <param name="NetId">Number given by the books; 0 for a new one.</param>
/// <param name="PondId">The pond.</param>
/// <param name="BatchId">The batch that is fished.</param>
/// <param name="WaterM3">Water in the bag of the net, m³; above 0.</param>
/// <param name="FlowM3H">Water pumped through it, m³/h; 0 for none.</param>
/// <param name="LowKg">Low end of what was expected when it began, kg.</param>
/// <param name="HighKg">High end, kg.</param>
/// <param name="MeanG">Mean weight that was expected, g.</param>
/// <param name="Crew">Who is on the lines, the bank and the truck; may be empty.</param>
public sealed record NetDayBegun(
    long NetId,
    long PondId,
    long BatchId,
    double WaterM3,
    double FlowM3H,
    double LowKg,
    double HighKg,
    double MeanG,
    string Crew
) : Fact
{
    /// <summary>Why the net goes in though conditions are not met; empty where they are.</summary>
    public string Reason { get; init; } = "";

    /// <summary>The first basket may be weighed while somebody still writes that the day began.</summary>
    internal static readonly TimeSpan Early = TimeSpan.FromMinutes(10);

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="openSince">Since when another net day is open here; null for none.</param>
    public IEnumerable<Remark> Check(string? openSince)
    {
        if (WaterM3 is not (> 0 and <= 100_000))
            yield return Remark.Refuse("Water", h => $"{Limit.Range(0, 100_000, Measures.Volume, h)}, above 0.");
        if (FlowM3H is not (>= 0 and <= 100_000))
            yield return Remark.Refuse("Flow", h => $"{Limit.Range(0, 100_000, Measures.Flow, h)}.");
        if (!(LowKg >= 0) || !(HighKg >= LowKg) || !(MeanG > 0) || !double.IsFinite(HighKg) || !double.IsFinite(MeanG))
            yield return Remark.Refuse("Batch", "What is expected must be known: choose a batch that stands here.");
        if (Crew.Length > 200)
            yield return Remark.Refuse("Crew", "At most 200 letters.");
        if (Reason.Length > 200)
            yield return Remark.Refuse("Reason", "At most 200 letters.");
        if (openSince is { } since)
            yield return Remark.Refuse("Batch", $"A net day is open here since {since}. Close that tally first.");
    }
}

/// <summary>A basket weighed at the net.</summary>
/// <param name="NetId">The net day.</param>
/// <param name="PondId">The pond.</param>
/// <param name="Pull">Number of the pull, from 1.</param>
/// <param name="Fate">What becomes of the fish.</param>
/// <param name="GrossKg">Weight with the basket, kg.</param>
/// <param name="TareKg">Weight of the empty basket, kg.</param>
public sealed record BasketWeighed(long NetId, long PondId, int Pull, NetFate Fate, double GrossKg, double TareKg)
    : Fact
{
    /// <summary>No basket weighs more, kg.</summary>
    public const double MostKg = 2000;

    /// <summary>So many of the last baskets say what baskets weigh today.</summary>
    public const int Neighbours = 10;

    private const double OddTimes = 3;
    private const int FewestBaskets = 3,
        MostPulls = 50;

    /// <summary>Fish in it, where somebody counted; null where nobody did.</summary>
    public int? Count { get; init; }

    /// <summary>Least weight of the size class it was sorted into, g; null where it was not sorted.</summary>
    public double? ClassFromG { get; init; }

    /// <summary>Fish without the basket, kg.</summary>
    public double NetKg => GrossKg - TareKg;

    /// <summary>What baskets mostly weigh by those before: a third to three times their median, kg; null while there are fewer than three.</summary>
    /// <param name="before">Weights of the last baskets without the basket itself, kg.</param>
    public static (double Low, double High)? Usual(IReadOnlyList<double> before)
    {
        if (before.Count < FewestBaskets)
            return null;
        var sorted = before.Order().ToList();
        var median = (sorted[(sorted.Count - 1) / 2] + sorted[sorted.Count / 2]) / 2;
        return (median / OddTimes, median * OddTimes);
    }

    /// <summary>Objections, named by the field of the phone.</summary>
    /// <param name="day">The net day; null when there is none of that number.</param>
    /// <param name="before">Weights of the last baskets of it, kg.</param>
    /// <param name="at">When it was weighed.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(
        (DateTimeOffset At, NetDayBegun Begun)? day,
        IReadOnlyList<double> before,
        DateTimeOffset at,
        Hand hand
    )
    {
        if (day is not { } begun || begun.Begun.PondId != PondId)
            return [Remark.Refuse("Net", "This net day is no longer there. Begin one for the pond first.")];
        if (at < begun.At - NetDayBegun.Early)
            return [Remark.Refuse("Hour", "That is before the net day began.")];
        return Figures().Concat(Odd(begun.Begun, before, hand));
    }

    private IEnumerable<Remark> Figures()
    {
        if (Pull is < 1 or > MostPulls)
            yield return Remark.Refuse("Pull", $"1 to {MostPulls}.");
        if (GrossKg is not (> 0 and <= MostKg))
            yield return Remark.Refuse("Gross", h => $"{Limit.Range(0, MostKg, Measures.Mass, h)}, above 0.");
        if (TareKg is not (>= 0 and <= MostKg))
            yield return Remark.Refuse("Tare", h => $"{Limit.Range(0, MostKg, Measures.Mass, h)}.");
        else if (GrossKg > 0 && NetKg <= 0)
            yield return Remark.Refuse(
                "Tare",
                "The empty basket weighs as much as the full one. Weigh it empty once more."
            );
        if (Count is < 1 or > 1_000_000)
            yield return Remark.Refuse("Count", "1 to 1,000,000 fish, or empty.");
        if (ClassFromG is not (null or (>= 0 and <= 100_000)))
            yield return Remark.Refuse("Class", "Choose a size from the list.");
    }

    private IEnumerable<Remark> Odd(NetDayBegun day, IReadOnlyList<double> before, Hand hand)
    {
        string Kg(double kg) => QuantityText.Write(kg, Measures.Mass, hand);
        if (!(NetKg > 0))
            yield break;
        if (Usual(before) is { } usual && (NetKg < usual.Low || NetKg > usual.High))
            yield return Remark.Ask(
                "Gross",
                $"{Kg(NetKg)} without the basket; those before weighed {Kg(usual.Low)} to {Kg(usual.High)}. Is it so?"
            );
        if (
            Count is > 0 and { } count
            && 1000 * NetKg / count is var meanG
            && (meanG < day.MeanG / OddTimes || meanG > day.MeanG * OddTimes)
        )
            yield return Remark.Ask(
                "Count",
                $"That is {QuantityText.Write(meanG, Measures.FishWeight, hand)} a fish; {QuantityText.Write(day.MeanG, Measures.FishWeight, hand)} was expected. Is the count right?"
            );
    }
}

/// <summary>Something noted at the net: oxygen, ice, the end of a pull.</summary>
/// <param name="NetId">The net day.</param>
/// <param name="PondId">The pond.</param>
/// <param name="Event">What.</param>
/// <param name="Pull">Number of the pull, from 1.</param>
/// <param name="DoMgL">Oxygen among the fish, mg/L; null where it is not about oxygen.</param>
/// <param name="CrowdKg">Fish in the net, as guessed, kg; null where nobody guessed.</param>
/// <param name="Missed">Where fish got away; empty for nowhere.</param>
public sealed record NetNoted(
    long NetId,
    long PondId,
    NetEvent Event,
    int Pull,
    double? DoMgL,
    double? CrowdKg,
    string Missed
) : Fact
{
    /// <summary>Ways in which fish miss the net.</summary>
    public static readonly IReadOnlyList<string> Ways =
    [
        "round the ends",
        "under the lead line",
        "over the float line",
        "net caught on a snag",
        "net full of mud",
    ];

    /// <summary>Objections, named by the field of the phone.</summary>
    /// <param name="day">The net day; null when there is none of that number.</param>
    /// <param name="at">When it was noted.</param>
    public IEnumerable<Remark> Check((DateTimeOffset At, NetDayBegun Begun)? day, DateTimeOffset at)
    {
        if (day is not { } begun || begun.Begun.PondId != PondId)
            yield return Remark.Refuse("Net", "This net day is no longer there. Begin one for the pond first.");
        else if (at < begun.At - NetDayBegun.Early)
            yield return Remark.Refuse("Hour", "That is before the net day began.");
        if (Pull is < 1 or > 50)
            yield return Remark.Refuse("Pull", "1 to 50.");
        if (Event == NetEvent.Read && DoMgL is not (>= 0 and <= 40))
            yield return Remark.Refuse("Oxygen", h => $"{Limit.Range(0, 40, Measures.Oxygen, h)}.");
        if (CrowdKg is not (null or (> 0 and <= 1_000_000)))
            yield return Remark.Refuse("Crowd", h => $"{Limit.Range(0, 1_000_000, Measures.Mass, h)}, above 0.");
        if (Missed.Length > 0 && !Ways.Contains(Missed))
            yield return Remark.Refuse("Missed", "Choose one of the list, or none.");
    }
}

/// <summary>The tally of a net day is closed: its baskets stand in the ledger from here on.</summary>
/// <param name="NetId">The net day.</param>
/// <param name="PondId">The pond.</param>
/// <param name="Empty">Whether the pond was looked over by hand and net and signed empty.</param>
/// <param name="Note">What killed fish at the net, and what else is to be remembered; may be empty.</param>
public sealed record NetDayClosed(long NetId, long PondId, bool Empty, string Note) : Fact
{
    /// <summary>Of twenty fish looked at, those with wounds, lost scales or crushed; null where nobody looked.</summary>
    public int? DamagedOf20 { get; init; }

    // One in ten: crushing has begun, and live fish will not travel. Starting values.
    private const int WatchOf20 = 2,
        ActOf20 = 5;

    /// <summary>What the damage comes to; null where nobody looked.</summary>
    public Judgement? Damage =>
        DamagedOf20 switch
        {
            null => null,
            >= ActOf20 => new(
                Status.ActNow,
                $"{DamagedOf20} of 20 damaged: not sold alive; baskets half full, wet hands, smaller pulls next time"
            ),
            >= WatchOf20 => new(Status.Watch, $"{DamagedOf20} of 20 damaged: baskets half full, less shaking"),
            _ => new(Status.Steady, $"{DamagedOf20} of 20 damaged"),
        };

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="day">The net day; null when there is none of that number.</param>
    /// <param name="open">Baskets that are not in the ledger yet.</param>
    public IEnumerable<Remark> Check(NetDayBegun? day, int open)
    {
        if (day?.PondId != PondId)
            yield return Remark.Refuse("", "No net day is open here.");
        else if (open == 0)
            yield return Remark.Refuse("", "No basket is waiting for the ledger: this tally is closed already.");
        if (Note.Length > 400)
            yield return Remark.Refuse("Note", "At most 400 letters.");
        if (DamagedOf20 is < 0 or > 20)
            yield return Remark.Refuse("Damaged", "0 to 20, or empty.");
    }
}
