using Dorsk.Core.Judging;
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

    /// <summary>Treated while they can be lifted out together.</summary>
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
    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="now">How it stands before this line; null when they are not held.</param>
    /// <param name="day">Farm day.</param>
    public IEnumerable<Remark> Check(Quarantine? now, DateOnly day)
    {
        if (Event == QuarantineEvent.Begun && now is not null)
            yield return Remark.Refuse("Event", "This batch is held already. Write a look, or hold it longer.");
        if (Event != QuarantineEvent.Begun && now is null)
            yield return Remark.Refuse("Event", "This batch is not held apart. Begin first.");
        if (Event is QuarantineEvent.Begun or QuarantineEvent.Extended && Days is not (>= 1 and <= 120))
            yield return Remark.Refuse(
                "Days",
                "1 to 120 days. Bought fish 14 to 30 in warm water, longer in cold; a week only for own fish."
            );
        if (Event is QuarantineEvent.Treated or QuarantineEvent.Overruled && string.IsNullOrWhiteSpace(Text))
            yield return Remark.Refuse(
                "Text",
                Event == QuarantineEvent.Treated
                    ? "Which product, by whose advice, how long: whoever sells these fish will ask."
                    : "Say why they are let go before their time: it is kept."
            );
        if (Text.Length > 300)
            yield return Remark.Refuse("Text", "At most 300 letters.");
        if (Event == QuarantineEvent.Passed && now is { } held)
        {
            if (day < held.Until)
                yield return Remark.Refuse(
                    "Event",
                    FormattableString.Invariant(
                        $"They are held until {held.Until:d MMM yyyy}. Wait, or let them go before their time with a reason."
                    )
                );
            else if (!held.CalmSince(2, day))
                yield return Remark.Refuse(
                    "Event",
                    "The last looks were not calm, or nobody looked in two days. Hold them longer, treat them, or let them go with a reason."
                );
        }
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
    /// <summary>Where usual days come from.</summary>
    public const string Source =
        "OIE Aquatic Code; Noga 2010: longer than two life cycles of the white spot parasite; starting value";

    /// <summary>Usual days, by water and by where they come from.</summary>
    /// <param name="tempC">Water temperature, °C.</param>
    /// <param name="ownFarm">Whether they come from this farm.</param>
    public static int UsualDays(double tempC, bool ownFarm) =>
        tempC switch
        {
            _ when ownFarm => 7,
            > 22 => 21,
            >= 15 => 28,
            _ => 42,
        };

    /// <summary>Whether it was looked at within some days and was calm at every look of them.</summary>
    public bool CalmSince(int days, DateOnly day) =>
        Looks.Where(l => l.Day > day.AddDays(-days) && l.Day <= day).ToList() is { Count: > 0 } looks
        && looks.TrueForAll(l => l.Calm);

    /// <summary>Whether somebody looked on a day.</summary>
    public bool LookedOn(DateOnly day) => Looks.Any(l => l.Day == day);

    /// <summary>How a batch stands after its lines; null when it is not held.</summary>
    /// <param name="lines">Lines of one batch in one pond, in order.</param>
    /// <param name="zone">The farm's clock face.</param>
    public static Quarantine? Of(IEnumerable<(DateTimeOffset At, QuarantineNoted Fact)> lines, FarmZone zone)
    {
        Quarantine? held = null;
        foreach (var (at, f) in lines)
        {
            var day = zone.DayOf(at);
            held = f.Event switch
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
        }
        return held;
    }
}
