using System.Security.Claims;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Log;

namespace Dorsk.Web;

/// <summary>Where and when a request is: the farm, how it writes, its clock face, now.</summary>
public sealed class Here(
    Questions questions,
    FarmClock clock,
    AlarmMemory alarms,
    Heartbeat heartbeat,
    IHttpContextAccessor http
)
{
    private FarmDescribed? farm;
    private PersonNamed? person;
    private IReadOnlyList<PondLook>? broken;
    private IReadOnlyList<Core.Species.FishSpecies>? allSpecies;

    /// <summary>The farm, or null before the first slip.</summary>
    public FarmDescribed? Farm => farm ??= questions.Farm();

    /// <summary>Units and decimal sign.</summary>
    public Hand Hand => Farm?.Hand ?? Hand.Metric;

    /// <summary>The farm's clock face.</summary>
    public FarmZone Zone => FarmZone.Find(Farm?.ZoneId ?? "UTC") ?? FarmZone.Utc;

    /// <summary>Now by the farm clock.</summary>
    public DateTimeOffset Now { get; } = clock.GetUtcNow();

    /// <summary>Today on the farm.</summary>
    public DateOnly Today => Zone.DayOf(Now);

    /// <summary>Who is signed in, with the role as it is now and not as it was at sign-in; null when nobody is.</summary>
    public PersonNamed? Person =>
        person ??= long.TryParse(http.HttpContext?.User.FindFirst(ClaimTypes.NameIdentifier)?.Value, out var id)
            ? questions.People().FirstOrDefault(p => p.PersonId == id && p.Role != Role.Gone)
            : null;

    /// <summary>All species as the farm knows them, its own too: those of its batches first.</summary>
    public IReadOnlyList<Core.Species.FishSpecies> AllSpecies => allSpecies ??= questions.AllSpecies();

    /// <summary>Ponds in use.</summary>
    public IReadOnlyList<Pond> Ponds => questions.Ponds();

    /// <summary>Kinds of feed.</summary>
    public IReadOnlyList<FeedKind> Feeds => questions.Feeds();

    /// <summary>Alarms that nobody has answered, the loudest first.</summary>
    public IReadOnlyList<Dorsk.Core.Alarms.Alarm> Ringing =>
        [
            .. alarms
                .Alarms(Now)
                .Where(a => a.Open && a.Answered is null)
                .OrderByDescending(a => a.Level)
                .ThenBy(a => a.LouderAt),
        ];

    /// <summary>Why nobody may think that the watch is looking: it has not for too long; null while it is.</summary>
    public string? Unwatched =>
        heartbeat.State != WatchState.Silent ? null
        : heartbeat.Last is { } last
            ? $"The watch has not looked since {Hour(last.At)}: alarms may be missing. Read ponds by hand and start Dorsk again."
        : "The watch has not looked since the start of the program: alarms may be missing. Read ponds by hand and start Dorsk again.";

    /// <summary>Ponds that cannot be worked out, with the reason.</summary>
    public IReadOnlyList<PondLook> Broken => broken ??= questions.Broken(Now);

    /// <summary>What is wrong with the machine's clock; null while it is right.</summary>
    public string? ClockTrouble => clock.Trouble;

    /// <summary>Who writes.</summary>
    public string Author =>
        Person?.Name
        ?? throw new InvalidOperationException(
            "Nobody is signed in, and yet somebody writes: a handler stands without its gate."
        );

    /// <summary>Whether the person may.</summary>
    public bool May(Permission permission) => Person is { } p && Permissions.May(p.Role, permission);

    /// <summary>Whether the person may correct a line of the log.</summary>
    public bool MayCorrect(LogRow row) =>
        Person is { } p && Permissions.MayCorrect(p.Role, row.Author == p.Name, Zone.DayOf(row.Entered) == Today);

    /// <summary>Country that the browser's language names, two letters; null where it names none.</summary>
    public string? Region =>
        http
            .HttpContext?.Request.GetTypedHeaders()
            .AcceptLanguage.Select(l => l.Value.ToString().Split('-'))
            .FirstOrDefault(parts => parts.Length > 1 && parts[^1].Length == 2)
            ?[^1].ToUpperInvariant();

    /// <summary>Paper or dark, by the person's choice.</summary>
    public string Theme => http.HttpContext?.Request.Cookies["theme"] == "dark" ? "dark" : "paper";

    /// <summary>Prints a quantity with its unit as plain text.</summary>
    public string Say(double si, Measure measure) => QuantityText.Write(si, measure, Hand);

    /// <summary>Prints a range of a quantity with its unit once.</summary>
    public string Range(double low, double high, Measure measure) => QuantityText.Range(low, high, measure, Hand);

    /// <summary>Prints a price of a mass in the farm's currency: 5.44 AUD/kg, or for a pound.</summary>
    public string PerMass(double perKg, int decimals = 2)
    {
        var unit = Measures.MassPrice.In(Hand);
        return $"{Figure(unit.FromSi(perKg), decimals)} {Farm?.Currency}{unit.Symbol}";
    }

    /// <summary>What feed and fish are weighed in: kg or lb.</summary>
    public string MassUnit => Measures.Mass.In(Hand).Symbol;

    /// <summary>Prints a value of a parameter: a step in its words, a figure with its unit.</summary>
    public string Say(double si, Parameter parameter) =>
        parameter.Steps.Count > 0 ? parameter.StepAt(si) : Say(si, parameter.Measure);

    /// <summary>Prints a whole number with parted thousands.</summary>
    public string Count(double n) => QuantityText.Figure(n, 0, Hand.Sign);

    /// <summary>Prints a bare figure.</summary>
    public string Figure(double value, int decimals) => QuantityText.Figure(value, decimals, Hand.Sign);

    /// <summary>What bought energy costs, in brackets behind its kWh; empty when nobody said the price.</summary>
    public string Cost(double kWh) =>
        Farm?.KWhPrice is { } price
            ? $" ({Farm.Currency} {QuantityText.Figure(price * kWh, price * kWh < 100 ? 2 : 0, Hand.Sign)})"
            : "";

    /// <summary>A figure as it would be typed: no parted thousands, so that it reads back the same.</summary>
    public string Typed(double si, Measure measure) => QuantityText.Typed(si, measure, Hand);

    /// <summary>The same for a field of its own: a small amount in the unit of its size, with that unit.</summary>
    public string TypedAlone(double si, Measure measure) => QuantityText.TypedAlone(si, measure, Hand);

    /// <summary>A bare figure as it would be typed, with at most so many decimals.</summary>
    public string Typed(double value, int decimals) => QuantityText.Plain(value, decimals, Hand.Sign);

    /// <summary>A day as the farm says it: Thu 21 Jan, with the year when it is not this one.</summary>
    public string Day(DateOnly day) =>
        day.ToString(
            day.Year == Today.Year ? "ddd d MMM" : "d MMM yyyy",
            System.Globalization.CultureInfo.InvariantCulture
        );

    /// <summary>A typed day in words, Thu 21 January 2027, so that nobody takes the month for the day; empty when it is none.</summary>
    public static string DayWords(string? typed) =>
        DateOnly.TryParseExact(
            typed,
            "yyyy-MM-dd",
            System.Globalization.CultureInfo.InvariantCulture,
            System.Globalization.DateTimeStyles.None,
            out var day
        )
            ? day.ToString("ddd d MMMM yyyy", System.Globalization.CultureInfo.InvariantCulture)
            : "";

    /// <summary>An instant on the farm's clock: 17:40, with the day when it is not today.</summary>
    public string Hour(DateTimeOffset at)
    {
        var local = Zone.LocalAt(at);
        var day = DateOnly.FromDateTime(local);
        return (day == Today ? "" : Day(day) + " ")
            + local.ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture);
    }

    /// <summary>An instant that is near: its hour, with the weekday when it is more than half a day off.</summary>
    public string Soon(DateTimeOffset at)
    {
        var local = Zone.LocalAt(at);
        var near = DateOnly.FromDateTime(local) == Today || (at - Now).Duration() < TimeSpan.FromHours(12);
        return local.ToString(near ? "HH:mm" : "ddd HH:mm", System.Globalization.CultureInfo.InvariantCulture);
    }

    /// <summary>When something was tapped that a phone kept without signal: so long before now.</summary>
    /// <param name="agoS">Seconds it waited, as the phone counted; null for nothing that waited.</param>
    /// <param name="longest">A wait is cut here: no clock of a phone dates an entry further back.</param>
    public DateTimeOffset TappedAt(double? agoS, TimeSpan longest) =>
        agoS is { } seconds && double.IsFinite(seconds)
            ? Now.AddSeconds(-Math.Clamp(seconds, 0, longest.TotalSeconds))
            : Now;

    /// <summary>How long ago, in words.</summary>
    public string Age(DateTimeOffset at)
    {
        var ago = Now - at;
        return ago.TotalMinutes switch
        {
            < 1 => "now",
            < 100 => $"{ago.TotalMinutes:0} min ago",
            < 48 * 60 => $"{ago.TotalHours:0} h ago",
            _ => $"{ago.TotalDays:0} days ago",
        };
    }
}
