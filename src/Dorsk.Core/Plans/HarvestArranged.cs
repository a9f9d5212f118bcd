using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Prepare;
using Dorsk.Core.Stock;

namespace Dorsk.Core.Plans;

/// <summary>What is arranged before a harvest.</summary>
public enum Arranged
{
    /// <summary>The buyer and the hour.</summary>
    Buyer,

    /// <summary>The truck.</summary>
    Truck,

    /// <summary>Ice and crates.</summary>
    Ice,

    /// <summary>Hauling tanks, oxygen and salt.</summary>
    Tanks,

    /// <summary>The permit for drained water.</summary>
    Permit,

    /// <summary>People on the lines, the bank, the truck.</summary>
    Crew,
}

/// <summary>How far it is.</summary>
public enum ArrangedState
{
    /// <summary>Not yet.</summary>
    NotYet,

    /// <summary>Booked.</summary>
    Booked,

    /// <summary>Not needed this time.</summary>
    NotNeeded,

    /// <summary>Refused, or fell through.</summary>
    FellThrough,
}

/// <summary>Something arranged for a harvest of a pond; the latest line for a day and a thing counts.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="On">Farm day of the harvest.</param>
/// <param name="Thing">What.</param>
/// <param name="State">How far it is.</param>
/// <param name="Who">With whom, how much, which hour; may be empty.</param>
public sealed record HarvestArranged(long PondId, DateOnly On, Arranged Thing, ArrangedState State, string Who) : Fact
{
    // A harvest is put off by a few days: what was arranged still speaks, and its day is said.
    private const int NearDays = 3;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="today">Farm day on which it is arranged.</param>
    public IEnumerable<Remark> Check(DateOnly today)
    {
        if (On < today.AddDays(-NearDays) || On > today.AddDays(HarvestPlanned.FurthestDays))
            yield return Remark.Refuse("On", "A day from today on, a year and a half ahead at most.");
        if (Who.Length > 120)
            yield return Remark.Refuse(Thing + "Who", "At most 120 letters.");
    }

    /// <summary>The conditions that people arrange, in the order in which they are worked on.</summary>
    /// <param name="all">What was written for the pond, in order of time.</param>
    /// <param name="on">Farm day of the harvest.</param>
    /// <param name="to">Where the fish go.</param>
    /// <param name="drains">Whether water is let out.</param>
    /// <param name="roster">The roster of that day and pond; null where none stands. It says who the crew is.</param>
    public static IReadOnlyList<GateLine> Gate(
        IReadOnlyList<HarvestArranged> all,
        DateOnly on,
        Account to,
        bool drains,
        RosterSet? roster = null
    ) =>
        [
            .. Enum.GetValues<Arranged>()
                .Where(t =>
                    t switch
                    {
                        Arranged.Ice => to == Account.Harvested,
                        Arranged.Tanks => to is Account.SoldAlive or Account.MovedOff,
                        Arranged.Permit => drains,
                        _ => true,
                    }
                )
                .Select(t => (Thing: t, Said: all.LastOrDefault(a => a.Thing == t && IsNear(a.On, on))))
                .Select(x =>
                    x.Thing == Arranged.Crew && roster is not null && x.Said?.State != ArrangedState.FellThrough
                        ? Crew(roster)
                        : Line(x.Thing, x.Said, on)
                ),
        ];

    private static bool IsNear(DateOnly a, DateOnly b) => Math.Abs(a.DayNumber - b.DayNumber) <= NearDays;

    private static GateLine Crew(RosterSet roster)
    {
        var open = RosterFinding.Open(roster);
        return open.Count == 0
            ? new(Name(Arranged.Crew), Condition.Met, "every place on the roster is taken", "")
            : new(
                Name(Arranged.Crew),
                Condition.NotMet,
                $"nobody yet: {string.Join(", ", open.Select(o => o.Name.ToLowerInvariant()))}",
                Do(Arranged.Crew)
            );
    }

    private static GateLine Line(Arranged thing, HarvestArranged? said, DateOnly on)
    {
        var who = said is { Who.Length: > 0 } ? ": " + said.Who : "";
        var day = said is not null && said.On != on ? $" (for {Units.Hand.Day(said.On)})" : "";
        return said?.State switch
        {
            ArrangedState.Booked => new(Name(thing), Condition.Met, "booked" + who + day, ""),
            ArrangedState.NotNeeded => new(Name(thing), Condition.Met, "not needed" + who, ""),
            ArrangedState.FellThrough => new(Name(thing), Condition.NotMet, "fell through" + who, Do(thing)),
            _ => new(Name(thing), Condition.Unknown, "nobody wrote it down" + who, Do(thing)),
        };
    }

    /// <summary>A thing in words.</summary>
    public static string Name(Arranged thing) =>
        thing switch
        {
            Arranged.Buyer => "buyer",
            Arranged.Truck => "truck",
            Arranged.Ice => "ice and crates",
            Arranged.Tanks => "hauling tanks, oxygen, salt",
            Arranged.Permit => "permit for drained water",
            _ => "crew",
        };

    private static string Do(Arranged thing) =>
        thing switch
        {
            Arranged.Buyer => "Agree on mass, size, hour and price; send a taste sample.",
            Arranged.Truck => "Book it for the hour it is loaded, with a spare half hour.",
            Arranged.Ice => "Order it for the evening before; crates washed.",
            Arranged.Tanks => "Fill and test the oxygen before the first fish.",
            Arranged.Permit =>
                "Ask the water authority where it may run and how muddy; salty water needs its own answer.",
            _ => "Name who is on the lines, the lead line, the scale and the truck.",
        };
}
