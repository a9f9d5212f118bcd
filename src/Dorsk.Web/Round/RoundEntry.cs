using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.Phone;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Round;

/// <summary>What one stop left in the phone's outbox.</summary>
/// <param name="Id">The entry's own id, made on the phone.</param>
/// <param name="Pond">Pond code.</param>
/// <param name="At">The phone's clock when it was kept, ms.</param>
/// <param name="Values">Values as typed, by field.</param>
/// <param name="Behaviour">A word, or empty.</param>
/// <param name="Sure">Fields about which the phone asked and was told yes.</param>
/// <param name="Meant">Questions of the farm that were answered with yes.</param>
public sealed record Stopped(
    Guid Id,
    string? Pond,
    double At,
    Dictionary<string, string?>? Values,
    string? Behaviour,
    IReadOnlyList<string>? Sure,
    IReadOnlyList<string>? Meant
)
{
    /// <summary>What kind of entry: a stop of the round, or something at the net.</summary>
    public string? Kind { get; init; }

    /// <summary>Whether it was written at the net.</summary>
    public bool AtNet => Kind == "net";
}

/// <summary>The outbox as it comes in.</summary>
/// <param name="PhoneNow">The phone's clock at sending, ms: entries are dated by how long ago they were kept, so a wrong clock does no harm.</param>
/// <param name="Stops">The entries.</param>
public sealed record Outbox(double PhoneNow, IReadOnlyList<Stopped?>? Stops);

/// <summary>Answer to one entry.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Kept">Whether it stands in the log.</param>
/// <param name="Words">What the farm says to it.</param>
/// <param name="Asks">Questions to answer with yes, or none.</param>
/// <param name="Status">How the pond stands now.</param>
/// <param name="Do">What to do first; empty where nothing is to be done.</param>
public sealed record RoundReceipt(
    Guid Id,
    bool Kept,
    string Words,
    IReadOnlyList<string> Asks,
    string Status,
    string Do = ""
);

/// <summary>Turns one stop of the round into lines for the door.</summary>
public static class RoundEntry
{
    /// <summary>When the stop was kept, by the farm's clock; null when the phone's clock was turned meanwhile.</summary>
    public static DateTimeOffset? When(Stopped stop, double phoneNow, DateTimeOffset now)
    {
        var ago = phoneNow - stop.At;
        return double.IsFinite(ago) && ago >= -1000 && ago <= KeptEntry.Longest.TotalMilliseconds
            ? now.AddMilliseconds(-Math.Max(0, ago))
            : null;
    }

    /// <summary>Reads the values; misreadings come back as remarks.</summary>
    public static (IReadOnlyList<NewLine> Lines, IReadOnlyList<Remark> Remarks) Read(
        Stopped stop,
        PondStory story,
        DateTimeOffset at,
        Here here,
        IReadOnlyList<InstrumentKept> instruments
    )
    {
        var form = new SlipForm((stop.Values ?? []).ToDictionary(v => v.Key, v => v.Value ?? ""), here);
        var read = Parameter
            .All.Where(p => !p.OfFarm)
            .Select(p => (Parameter: p, Si: form.MaybeQuantity(p.Key, p.Measure)))
            .Where(v => v.Si is not null)
            .Select(v => new Value(v.Parameter, v.Si!.Value, null, InstrumentKept.Usual(instruments, v.Parameter)))
            .ToList();
        List<Fact> facts = read.Count > 0 ? [new ReadingTaken(story.Pond.Id, read)] : [];
        var batch = story.Standing.LastOrDefault()?.Id ?? 0;
        if (form.MaybeQuantity("fed", Measures.Mass) is not (null or 0) and { } kg)
            facts.Add(new FeedingGiven(story.Pond.Id, FeedOf(story, here), kg));
        if (!form.Empty("dead") && form.Whole("dead", "fish") is not 0 and var dead)
            facts.Add(new FishLost(story.Pond.Id, batch, dead, Account.Dead, ""));
        if (RoundCard.Behaviour.Contains(stop.Behaviour))
            facts.Add(new PondWorked(story.Pond.Id, PondWork.Note, "fish " + stop.Behaviour, null));
        if (facts.Count == 0 && form.Remarks.Count == 0)
            form.Refuse("", "Nothing was written at this stop.");
        var typed =
            $"{story.Pond.Code} {string.Join(' ', (stop.Values ?? []).Where(v => !string.IsNullOrWhiteSpace(v.Value)).Select(v => v.Key + " " + v.Value!.Trim()))} {stop.Behaviour}".Trim();
        return (facts.Select(f => new NewLine(at, f, typed, null)).ToList(), form.Remarks);
    }

    // The phone asks for no kind: it is the one that the board names.
    private static long FeedOf(PondStory story, Here here) => story.Ration.FeedFor(here.Now, here.Feeds) ?? 0;
}
