using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Time;

namespace Dorsk.Core.Stock;

/// <summary>What happens to fish held apart.</summary>
public enum QuarantineEvent
{
    /// <summary>Held apart from here on.</summary>
    Begun,

    /// <summary>Looked at.</summary>
    Looked,

    /// <summary>Held longer.</summary>
    Extended,

    /// <summary>Treated, as it was written before treatments had a slip of their own with dose and withdrawal; no longer taken.</summary>
    Treated,

    /// <summary>Passed: they may meet other fish.</summary>
    Passed,

    /// <summary>Let go before their time, with a reason.</summary>
    Overruled,
}

/// <summary>One line of a quarantine.</summary>
/// <param name="PondId">Where they are held.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="Event">What happened.</param>
/// <param name="Days">Days to hold, for a beginning or an extension.</param>
/// <param name="Calm">Whether they feed and swim as they should, for a look.</param>
/// <param name="Text">In words.</param>
public sealed record QuarantineNoted(
    long PondId,
    long BatchId,
    QuarantineEvent Event,
    int? Days,
    bool Calm,
    string Text
) : Fact
{
    /// <summary>Whether the water has no air of its own, for a beginning.</summary>
    public bool NoAir { get; init; }

    /// <summary>Whether there is no calm place out of stream and bubbles, for a beginning.</summary>
    public bool NoRest { get; init; }

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="water">How it stands in their water before this line.</param>
    /// <param name="day">Farm day.</param>
    public IEnumerable<Remark> Check(HeldWater water, DateOnly day)
    {
        var now = water.Of(BatchId);
        if (Event == QuarantineEvent.Begun && now is not null)
            yield return Remark.Refuse("Event", "This batch is held already. Write a look, or hold it longer.");
        if (Event != QuarantineEvent.Begun && now is null)
            yield return Remark.Refuse("Event", "This batch is not held apart. Begin first.");
        if (Event is QuarantineEvent.Begun or QuarantineEvent.Extended && Days is not (>= 1 and <= 120))
            yield return Remark.Refuse(
                "Days",
                "1 to 120 days. Bought fish 14 to 30 in warm water, longer in cold; a week only for own fish."
            );
        if (Event == QuarantineEvent.Treated)
            yield return Remark.Refuse(
                "Event",
                "A treatment has a slip of its own (Health, Treatment): water first, the dose for this water, the withdrawal."
            );
        if (Event == QuarantineEvent.Overruled && string.IsNullOrWhiteSpace(Text))
            yield return Remark.Refuse("Text", "Say why they are let go before their time: it is kept.");
        if (Event == QuarantineEvent.Begun && NoAir)
            yield return Remark.Ask(
                "Air",
                "Fish held apart stand close and breathe hard: they want ample air of their own. Are they held without it?"
            );
        if (Event == QuarantineEvent.Begun && NoRest)
            yield return Remark.Ask(
                "Rest",
                "Tired and sick fish want a calm place out of stream and bubbles. Is there none?"
            );
        if (Text.Length > 300)
            yield return Remark.Refuse("Text", "At most 300 letters.");
        if (Event == QuarantineEvent.Passed && now is not null && water.AgainstPassing(BatchId, day) is { } against)
            yield return Remark.Refuse("Event", against);
    }
}

/// <summary>A batch that is held apart.</summary>
/// <param name="BatchId">The batch.</param>
/// <param name="PondId">Where.</param>
/// <param name="From">First day.</param>
/// <param name="Until">Day it may pass.</param>
/// <param name="Looks">Days it was looked at, and whether it was calm.</param>
public sealed record Quarantine(
    long BatchId,
    long PondId,
    DateOnly From,
    DateOnly Until,
    IReadOnlyList<(DateOnly Day, bool Calm)> Looks
)
{
    /// <summary>What the water is taken for where nobody read it, °C: warm, so that the days are those of most farms.</summary>
    public const double UsualWaterC = 24;

    private const int OwnFarmDays = 7;
    private const double WarmC = 22,
        ColdC = 15;

    private static readonly Dictionary<string, (int Usual, int Long, string Source)> Table = Csv.Embedded(
            "quarantine_and_fast.csv"
        )
        .Where(r => r["item"].StartsWith("quarantine", StringComparison.Ordinal))
        .ToDictionary(
            r => r["item"],
            r =>
                (
                    int.Parse(r["start"], CultureInfo.InvariantCulture),
                    int.Parse(r["high"], CultureInfo.InvariantCulture),
                    $"{r["source"]}; confidence {r["confidence"]}, {r["status"]}"
                )
        );

    /// <summary>Usual days of isolation, with their source: by water, longer for fish of many farms or from the wild, a week for own fish seen daily.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="tempC">Water, °C, -2 to 45: parasites live longer in cold water.</param>
    /// <param name="source">Where they come from.</param>
    public static (int Days, string Source) UsualDays(FishSpecies species, double tempC, SeedSource source)
    {
        var row = Table[
            tempC switch
            {
                _ when species.AtTheFloor => "quarantine shrimp PL",
                > WarmC => "quarantine, warm over 22 C",
                >= ColdC => "quarantine, 15-22 C",
                _ => "quarantine, under 15 C",
            }
        ];
        return source switch
        {
            SeedSource.OwnFarm => (Math.Min(OwnFarmDays, row.Usual), row.Source),
            SeedSource.Dealer or SeedSource.Wild => (row.Long, row.Source),
            _ => (row.Usual, row.Source),
        };
    }

    /// <summary>Whether it was looked at within some days and was calm at every look of them.</summary>
    public bool CalmSince(int days, DateOnly day) =>
        Looks.Where(l => l.Day > day.AddDays(-days) && l.Day <= day).ToList() is { Count: > 0 } looks
        && looks.TrueForAll(l => l.Calm);

    /// <summary>Whether somebody looked on a day.</summary>
    public bool LookedOn(DateOnly day) => Looks.Any(l => l.Day == day);

    /// <summary>For how many days they are held.</summary>
    public int Days => Until.DayNumber - From.DayNumber;

    /// <summary>
    /// Where a batch is held after its lines. The hold goes with the fish: those moved on are held where they come to, and free fish that
    /// join held ones begin the wait anew.
    /// </summary>
    /// <param name="notes">Quarantine lines of one batch, in order.</param>
    /// <param name="moves">Its moves between ponds, in order.</param>
    /// <param name="zone">The farm's clock.</param>
    public static IReadOnlyList<Quarantine> Follow(
        IEnumerable<(DateTimeOffset At, QuarantineNoted Fact)> notes,
        IEnumerable<(DateTimeOffset At, FishMoved Fact)> moves,
        FarmZone zone
    )
    {
        var held = new Dictionary<long, Quarantine>();
        var all = notes
            .Select(n => (n.At, Fact: (Fact)n.Fact))
            .Concat(moves.Select(m => (m.At, Fact: (Fact)m.Fact)))
            .OrderBy(x => x.At);
        foreach (var (at, fact) in all)
            switch (fact)
            {
                case QuarantineNoted note:
                    Set(held, note.PondId, After(held.GetValueOrDefault(note.PondId), note, zone.DayOf(at)));
                    break;
                case FishMoved move:
                    Set(held, move.ToPondId, Moved(held, move, zone.DayOf(at)));
                    break;
            }
        return [.. held.Values];
    }

    private static void Set(Dictionary<long, Quarantine> held, long pond, Quarantine? now)
    {
        if (now is null)
            held.Remove(pond);
        else
            held[pond] = now;
    }

    private static Quarantine? After(Quarantine? held, QuarantineNoted f, DateOnly day) =>
        f.Event switch
        {
            QuarantineEvent.Begun => new(f.BatchId, f.PondId, day, day.AddDays(f.Days ?? 0), []),
            QuarantineEvent.Extended => held is null
                ? null
                : held with
                {
                    Until = (held.Until > day ? held.Until : day).AddDays(f.Days ?? 0),
                },
            QuarantineEvent.Looked => held is null ? null : held with { Looks = [.. held.Looks, (day, f.Calm)] },
            QuarantineEvent.Treated => held,
            _ => null,
        };

    private static Quarantine? Moved(Dictionary<long, Quarantine> held, FishMoved move, DateOnly day)
    {
        var come = held.GetValueOrDefault(move.PondId);
        if (held.GetValueOrDefault(move.ToPondId) is not { } there)
            return come is null ? null : come with { PondId = move.ToPondId };
        var until = come?.Until ?? day.AddDays(there.Days);
        return there with
        {
            Until = there.Until > until ? there.Until : until,
            Looks = [.. there.Looks.Concat(come?.Looks ?? []).Distinct().OrderBy(l => l.Day)],
        };
    }
}
