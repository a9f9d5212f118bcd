using Dorsk.Core.Judging;

namespace Dorsk.Core.Alarms;

/// <summary>Why an alarm rings: one alarm for each cause and pond, however often it is seen.</summary>
public enum AlarmCause
{
    /// <summary>Oxygen is low, or falls so fast that it soon will be.</summary>
    LowOxygen,

    /// <summary>The night is forecast to pass under the act level.</summary>
    NightForecast,

    /// <summary>A probe is silent, stuck, jumping or drifting.</summary>
    ProbeFault,

    /// <summary>A drill: nothing is wrong.</summary>
    Drill,

    /// <summary>An aerator does not do what it was told, draws too much or too little, or its panel is silent.</summary>
    AeratorFault,

    /// <summary>Panels have no mains, or all of them are silent at once.</summary>
    PowerLost,

    /// <summary>What is known of a pond cannot be worked out: it is not looked after until that is mended.</summary>
    PondFailed,

    /// <summary>The data file cannot be written: nothing that is typed is kept.</summary>
    BooksShut,

    /// <summary>The data file is damaged, or rows in it cannot be.</summary>
    BooksDamaged,

    /// <summary>The machine's clock is behind what is already recorded.</summary>
    ClockWrong,

    /// <summary>The water beside its oxygen, or the look and the deaths of the fish, call for action.</summary>
    WaterDanger,

    /// <summary>Somebody who works alone did not check in.</summary>
    NotHeard,

    /// <summary>The water of eggs or fry in the hatchery is too warm, too cool, or short of oxygen.</summary>
    HatcheryWater,
}

/// <summary>An alarm rang, or rings louder: the same number with a higher level asks for an answer again.</summary>
/// <param name="AlarmId">Number of the first line of this alarm; 0 for a new one.</param>
/// <param name="PondId">The pond, or null for the farm.</param>
/// <param name="Cause">Why.</param>
/// <param name="Level">Watch or Act now.</param>
/// <param name="Text">Pond, value, limit, time, and what to do first.</param>
public sealed record AlarmRaised(long AlarmId, long? PondId, AlarmCause Cause, Status Level, string Text) : Fact;

/// <summary>Somebody has heard it and goes.</summary>
/// <param name="AlarmId">The alarm.</param>
/// <param name="PondId">Its pond, or null.</param>
public sealed record AlarmAnswered(long AlarmId, long? PondId) : Fact;

/// <summary>Its cause is gone.</summary>
/// <param name="AlarmId">The alarm.</param>
/// <param name="PondId">Its pond, or null.</param>
public sealed record AlarmEnded(long AlarmId, long? PondId) : Fact;

/// <summary>Somebody on the call list was told of it.</summary>
/// <param name="AlarmId">The alarm.</param>
/// <param name="PondId">Its pond, or null.</param>
/// <param name="Step">Place on the call list, from 0.</param>
/// <param name="Level">The level that was told.</param>
/// <param name="Address">Where to.</param>
public sealed record AlarmTold(long AlarmId, long? PondId, int Step, Status Level, string Address) : Fact;

/// <summary>Somebody who is called.</summary>
/// <param name="Name">Who.</param>
/// <param name="Address">E-mail address; empty where there is a telephone only.</param>
public sealed record CallStep(string Name, string Address)
{
    private const int MostName = 60,
        MostAddress = 120,
        LeastDigits = 3,
        MostPhone = 25;

    /// <summary>Telephone number; empty where there is a mail address only.</summary>
    public string Phone { get; init; } = "";

    /// <summary>What the books write down of whom they told.</summary>
    public string Where => Address.Length > 0 ? Address : Phone;

    /// <summary>The number as a telephone dials it: digits, with a plus in front.</summary>
    public string Dials => new([.. Phone.Where((c, i) => char.IsAsciiDigit(c) || (c == '+' && i == 0))]);

    /// <summary>A line of the call list: a name, then a mail address, a telephone number or both, with commas between them.</summary>
    public static CallStep Of(string line)
    {
        var parts = line.Split(',', StringSplitOptions.TrimEntries);
        var rest = parts.Skip(1).Where(p => p.Length > 0).ToList();
        var phone = rest.Find(p => !p.Contains('@', StringComparison.Ordinal) && IsPhone(p)) ?? "";
        return new(parts[0], string.Join(", ", rest.Where(p => p != phone))) { Phone = phone };
    }

    /// <summary>As it stands in a line of the call list.</summary>
    public string Line => string.Join(", ", new[] { Name, Address, Phone }.Where(p => p.Length > 0));

    /// <summary>Whether somebody can be called by it.</summary>
    public bool IsSound =>
        Name.Trim().Length is > 0 and <= MostName
        && (Address.Length > 0 || Phone.Length > 0)
        && (Address.Length == 0 || IsMail(Address))
        && (Phone.Length == 0 || IsPhone(Phone));

    private static bool IsPhone(string text) =>
        text.Length <= MostPhone
        && text.Count(char.IsAsciiDigit) >= LeastDigits
        && text.All(c => char.IsAsciiDigit(c) || c is '+' or ' ' or '(' or ')' or '-' or '.' or '/');

    private static bool IsMail(string text) =>
        text.Length <= MostAddress
        && text.Count(c => c == '@') == 1
        && !text.StartsWith('@')
        && !text.EndsWith('@')
        && !text.Any(c => char.IsWhiteSpace(c) || char.IsControl(c) || c is '<' or '>' or ',' or ';');
}

/// <summary>Who is called, in order, and when nobody wants to be called for less than Act now.</summary>
/// <param name="Steps">The first at once, each next after some minutes without an answer.</param>
/// <param name="AfterMinutes">Minutes without an answer until the next is called, 1 to 120.</param>
/// <param name="QuietFrom">Hour from which only Act now is sent, or null.</param>
/// <param name="QuietTo">Hour up to which.</param>
public sealed record CallListSet(
    IReadOnlyList<CallStep> Steps,
    int AfterMinutes,
    TimeOnly? QuietFrom,
    TimeOnly? QuietTo
) : Fact
{
    private const int MostHook = 300;

    /// <summary>Address of a message program that is told of every call, as JSON over HTTP; empty: none.</summary>
    public string Hook { get; init; } = "";

    /// <summary>Objections, named by the field of the page.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Steps.Count > 8)
            yield return Remark.Refuse("people", "At most 8 people.");
        foreach (var (s, i) in Steps.Select((s, i) => (s, i)))
            if (!s.IsSound)
                yield return Remark.Refuse(
                    "people",
                    $"Line {i + 1}: a name, then a mail address, a telephone number or both, such as Night watch, watch@farm.test, +61 400 000 000."
                );
        if (
            Hook.Length > MostHook
            || (
                Hook.Length > 0
                && !(Uri.TryCreate(Hook, UriKind.Absolute, out var uri) && uri.Scheme is ("http" or "https"))
            )
        )
            yield return Remark.Refuse("hook", "An address such as https://messages.test/farm, or empty.");
        if (AfterMinutes is < 1 or > 120)
            yield return Remark.Refuse("after", "1 to 120 minutes.");
        if (QuietFrom is null != QuietTo is null || (QuietFrom is { } f && f == QuietTo))
            yield return Remark.Refuse("quietfrom", "Two hours that differ, or both empty.");
    }
}
