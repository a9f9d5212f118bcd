using System.Text.Json;
using Dorsk.Core.Judging;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.People;

namespace Dorsk.Web.Inlets;

/// <summary>A pond as a machine reads it; SI.</summary>
public sealed record PondOut(
    string Code,
    string Name,
    string Kind,
    double AreaM2,
    double VolumeM3,
    string Status,
    string Reason,
    double? OxygenMgL,
    DateTimeOffset? OxygenAt,
    double? TempC,
    double BiomassKg
);

/// <summary>A value of a pond, by hand or by probe.</summary>
public sealed record ValueOut(DateTimeOffset At, double Value);

/// <summary>An estimate or forecast with its interval.</summary>
/// <param name="Value">Likely.</param>
/// <param name="Low">Lower end.</param>
/// <param name="High">Upper end.</param>
/// <param name="Level">Share of cases inside, 0 to 1.</param>
public sealed record IntervalOut(double Value, double Low, double High, double Level)
{
    internal static IntervalOut Of(Interval i) => new(i.Value, i.Low, i.High, i.Level);
}

/// <summary>Tonight's oxygen of a pond.</summary>
/// <param name="Pond">Its code.</param>
/// <param name="AsOf">Nothing that happened or was known later was used.</param>
/// <param name="Night">Farm day of the night's evening.</param>
/// <param name="Why">Why there is no forecast; empty when there is one.</param>
/// <param name="Method">OwnNights, TwoReadings or Balance.</param>
/// <param name="DawnLowMgL">The dawn low with its interval.</param>
/// <param name="LowAt">When it comes.</param>
/// <param name="UnderWatchAt">When the watch level is passed, or null.</param>
/// <param name="UnderActAt">When the act level is passed, or null.</param>
/// <param name="ChanceUnderAct">Chance of a low under the act level, 0 to 1.</param>
/// <param name="Status">Steady, Watch or ActNow.</param>
/// <param name="Curve">The way to the coming noon: likely, low and high end, mg/L.</param>
public sealed record TonightOut(
    string Pond,
    DateTimeOffset AsOf,
    DateOnly Night,
    string Why,
    string? Method,
    IntervalOut? DawnLowMgL,
    DateTimeOffset? LowAt,
    DateTimeOffset? UnderWatchAt,
    DateTimeOffset? UnderActAt,
    double? ChanceUnderAct,
    string? Status,
    IReadOnlyList<Dorsk.Core.Oxygen.CurvePoint>? Curve
);

/// <summary>When a batch reaches its target weight.</summary>
/// <param name="WeightG">The weight, g.</param>
/// <param name="Likely">Farm day on which it is likely to; null when not within the horizon.</param>
/// <param name="Earliest">Early end of the interval, or null.</param>
/// <param name="Latest">Late end of the interval; null beyond the horizon.</param>
/// <param name="Level">Share of cases inside, 0 to 1.</param>
public sealed record TargetOut(double WeightG, DateOnly? Likely, DateOnly? Earliest, DateOnly? Latest, double Level)
{
    internal static TargetOut Of(Dorsk.Core.Growth.TargetDate t) =>
        new(t.TargetG, t.Likely, t.Earliest, t.Latest, Dorsk.Core.Growth.GrowthForecast.Level);
}

/// <summary>What stands of a batch in a pond, and when it reaches its target weight.</summary>
public sealed record StandingOut(
    string Pond,
    DateTimeOffset AsOf,
    long Batch,
    string Species,
    IntervalOut Count,
    IntervalOut MeanG,
    IntervalOut BiomassKg,
    TargetOut Target
);

/// <summary>The farm's clock.</summary>
public sealed record ClockOut(DateTimeOffset Now, string ZoneId, double LatitudeDeg, double LongitudeDeg);

/// <summary>An aerator with its nightly timer.</summary>
/// <param name="Pond">Its pond.</param>
/// <param name="Code">Its code.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="ShaftKW">Shaft power, kW.</param>
/// <param name="On">Hour at which its timer starts it.</param>
/// <param name="Off">Hour at which its timer stops it.</param>
/// <param name="TimerRunsNow">Whether the timer has it running now.</param>
/// <param name="HandOrder">On or Off by hand now; null: timer or probe.</param>
/// <param name="Told">What its panel was last told; null without a panel.</param>
/// <param name="Running">What its panel last reported; null without a panel.</param>
/// <param name="CurrentA">Current reported, A.</param>
/// <param name="Mains">Whether the panel has mains.</param>
/// <param name="ReportedAt">When that changed.</param>
public sealed record AeratorOut(
    string Pond,
    string Code,
    string Kind,
    double ShaftKW,
    TimeOnly? On,
    TimeOnly? Off,
    bool TimerRunsNow,
    string? HandOrder,
    bool? Told,
    bool? Running,
    double? CurrentA,
    bool? Mains,
    DateTimeOffset? ReportedAt
);

/// <summary>An alarm.</summary>
public sealed record AlarmOut(
    long Id,
    string? Pond,
    string Cause,
    string Level,
    string Text,
    DateTimeOffset RangAt,
    string? AnsweredBy,
    DateTimeOffset? AnsweredAt,
    DateTimeOffset? EndedAt
);

/// <summary>The addresses of machines: readings in, answers out; described by /openapi/v1.json. A key of a device opens them, never a person's cookie.</summary>
public static class MachineApi
{
    private const int MostValues = 50_000;

    private const int MostBytes = 1_000_000;

    private static readonly ApiParameter Code = new("code", "Code of the pond.", InPath: true),
        What = new("what", "Key of the parameter, such as do, temp or ph.", Required: true),
        From = new("from", "First instant; a day ago when left out.", IsInstant: true),
        To = new("to", "Last instant; now when left out.", IsInstant: true),
        AsOfInstant =
            new("asOf", "Nothing that happened or was known later is used; now when left out.", IsInstant: true);

    /// <summary>Maps them.</summary>
    public static void MapMachineApi(this WebApplication app)
    {
        app.MapOpenApi().WithMetadata(new OpenAttribute());
        var api = app.MapGroup("/api").WithMetadata(new OpenAttribute()).WithTags("Dorsk").DisableAntiforgery();
        api.MapPost("/readings", Take)
            .Accepts<SentReadings>("application/json")
            .WithSummary(
                "Readings of a probe or a weather station: 1 to 5000 values in any order; sent again they do no harm."
            )
            .Produces<ReceivedReadings>()
            .ProducesProblem(400)
            .ProducesProblem(401)
            .WithName("SendReadings")
            .WithMetadata(new Microsoft.AspNetCore.Mvc.RequestSizeLimitAttribute(MostBytes));
        MapPonds(api);
        MapFarm(api);
    }

    private static void MapPonds(RouteGroupBuilder api)
    {
        Read(api, "/ponds", "All ponds as they stand.", (http, q, clock) =>
                Results.Ok(q.PondsNow(clock.GetUtcNow()).Select(Pond))
            )
            .WithName("ReadPonds")
            .Produces<IEnumerable<PondOut>>();
        Read(
                api,
                "/ponds/{code}/readings",
                "Values of one parameter between two instants (from, to; what: do, temp, ph ...).",
                Values
            )
            .WithName("ReadValues")
            .Takes(Code, What, From, To, AsOfInstant)
            .Produces<IEnumerable<ValueOut>>()
            .ProducesProblem(400)
            .ProducesProblem(404);
        Read(
                api,
                "/ponds/{code}/tonight",
                "The oxygen forecast, now or as of any past instant (asOf): then only what had happened and was known by then is used.",
                Tonight
            )
            .WithName("ReadTonight")
            .Takes(Code, AsOfInstant)
            .Produces<TonightOut>()
            .ProducesProblem(400)
            .ProducesProblem(404);
        Read(
                api,
                "/ponds/{code}/standing",
                "The standing estimate of each batch and the date of its target weight, now or as of any past instant (asOf).",
                Standing
            )
            .WithName("ReadStanding")
            .Takes(Code, AsOfInstant)
            .Produces<IEnumerable<StandingOut>>()
            .ProducesProblem(400)
            .ProducesProblem(404);
    }

    private static void MapFarm(RouteGroupBuilder api)
    {
        Read(api, "/clock", "The farm's clock, its zone and its place.", (http, q, clock) =>
                q.Farm() is { } farm
                    ? Results.Ok(
                        new ClockOut(clock.GetUtcNow(), farm.ZoneId, farm.Place.LatitudeDeg, farm.Place.LongitudeDeg)
                    )
                    : Results.NotFound()
            )
            .WithName("ReadClock")
            .Produces<ClockOut>();
        Read(api, "/alarms", "Alarms of the last month, the newest first.", (http, q, clock) =>
                Results.Ok(q.Alarms(clock.GetUtcNow()).Select(a => Alarm(q, a)))
            )
            .WithName("ReadAlarms")
            .Produces<IEnumerable<AlarmOut>>();
        Read(
                api,
                "/aerators",
                "Aerators with their timers, hand orders, and what their panels report.",
                (http, q, clock) => Results.Ok(q.Stories(_ => true).SelectMany(s => Aerators(s, clock.GetUtcNow())))
            )
            .WithName("ReadAerators")
            .Produces<IEnumerable<AeratorOut>>();
    }

    private static RouteHandlerBuilder Read(
        RouteGroupBuilder api,
        string path,
        string summary,
        Func<HttpContext, Questions, FarmClock, IResult> answer
    ) =>
        api.MapGet(path, (HttpContext http, DeviceGate gate, Questions questions, FarmClock clock) => gate.Of(
                    http,
                    DeviceUse.Reader
                )
                    is null
                    ? Shut("a reader")
                : questions.Farm() is null ? Problem(404, "No farm is described yet.")
                : answer(http, questions, clock))
            .WithSummary(summary)
            .ProducesProblem(401);

    private static async Task<IResult> Take(HttpContext http, DeviceGate gate, ProbeInlet inlet)
    {
        if (gate.Of(http, DeviceUse.Probe, DeviceUse.Weather) is not { } probe)
            return Shut("a probe");
        SentReadings? sent;
        try
        {
            sent = await http.Request.ReadFromJsonAsync<SentReadings>(http.RequestAborted);
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException)
        {
            return Problem(400, $"This is no JSON that can be read: {e.Message}");
        }
        catch (BadHttpRequestException e)
        {
            return Problem(e.StatusCode, e.Message);
        }
        if (sent?.Readings is not { Count: > 0 and <= ProbeSeriesReceived.Most })
            return Problem(
                400,
                $"Send {{\"readings\": [{{\"at\": \"2027-01-21T17:45:00+10:00\", \"what\": \"do\", \"value\": 6.1, \"unit\": \"mg/L\"}}]}} with 1 to {ProbeSeriesReceived.Most} values."
            );
        return Results.Ok(inlet.Take(probe, sent));
    }

    private static IResult Values(HttpContext http, Questions questions, FarmClock clock)
    {
        if (Story(http, questions, clock, out var problem) is not { } found)
            return problem!;
        if (Parameter.Find(http.Request.Query["what"].ToString()) is not { } parameter)
            return Problem(400, $"“what” is one of {string.Join(", ", Parameter.All.Select(p => p.Key))}.");
        if (Instant(http, "from", found.At.AddDays(-1)) is not { } from || Instant(http, "to", found.At) is not { } to)
            return Problem(400, "“from” and “to” are instants such as 2027-01-21T17:45:00+10:00.");
        var asOf = http.Request.Query.ContainsKey("asOf") ? new AsOf(found.At, found.At) : AsOf.Now(found.At);
        var values = questions.Series(found.Story.Pond.Id, parameter, from, to, asOf, MostValues + 1);
        return values.Count > MostValues
            ? Problem(400, $"More than {MostValues} values lie between “from” and “to”. Ask for a shorter span.")
            : Results.Ok(values.Select(t => new ValueOut(t.At, t.Si)));
    }

    private static IResult Tonight(HttpContext http, Questions questions, FarmClock clock)
    {
        if (Story(http, questions, clock, out var problem) is not { } found)
            return problem!;
        var tonight = found.Story.Night.At(found.At);
        var f = tonight.Forecast;
        return Results.Ok(
            new TonightOut(
                found.Story.Pond.Code,
                found.At,
                tonight.Night.Evening,
                tonight.WhyNot,
                f?.Method.ToString(),
                f is null ? null : IntervalOut.Of(f.Low),
                f?.LowAt,
                f?.UnderWatchAt,
                f?.UnderActAt,
                f?.ChanceUnderAct,
                f?.Judgement.Status.ToString(),
                f?.Curve
            )
        );
    }

    private static IResult Standing(HttpContext http, Questions questions, FarmClock clock)
    {
        if (Story(http, questions, clock, out var problem) is not { } found)
            return problem!;
        var day = found.Story.Zone.DayOf(found.At);
        return Results.Ok(
            found
                .Story.Standing.Select(b => (b, S: found.Story.Stock.On(b.Id, day)))
                .Where(x => x.S is not null)
                .Select(x => new StandingOut(
                    found.Story.Pond.Code,
                    found.At,
                    x.b.Id,
                    x.b.Species.Key,
                    IntervalOut.Of(x.S!.Count),
                    IntervalOut.Of(x.S.MeanG),
                    IntervalOut.Of(x.S.BiomassKg),
                    TargetOut.Of(found.Story.Growth.TargetOf(x.b, day))
                ))
        );
    }

    private static (PondStory Story, DateTimeOffset At)? Story(
        HttpContext http,
        Questions questions,
        FarmClock clock,
        out IResult? problem
    )
    {
        problem = null;
        var (code, now) = (http.GetRouteValue("code") as string ?? "", clock.GetUtcNow());
        if (Instant(http, "asOf", now) is not { } at || at > now)
            problem = Problem(400, "“asOf” is an instant up to now, such as 2027-01-21T17:45:00+10:00.");
        else if (
            (
                http.Request.Query.ContainsKey("asOf")
                    ? questions.StoryAsOf(code, new AsOf(at, at))
                    : questions.Story(code)
            ) is
            { } story
        )
            return (story, at);
        problem ??= Problem(404, $"There is no pond {code}.");
        return null;
    }

    // A plus in an address is a blank to the reader of addresses: it is read as the plus that was meant.
    private static DateTimeOffset? Instant(HttpContext http, string name, DateTimeOffset otherwise) =>
        !http.Request.Query.TryGetValue(name, out var text) ? otherwise
        : DateTimeOffset.TryParse(
            text.ToString().Replace(' ', '+'),
            System.Globalization.CultureInfo.InvariantCulture,
            System.Globalization.DateTimeStyles.AssumeUniversal,
            out var at
        )
            ? at
        : null;

    private static PondOut Pond(PondNow p) =>
        new(
            p.Story.Pond.Code,
            p.Story.Pond.Name,
            p.Story.Pond.Kind.ToString(),
            p.Story.Pond.Shape.FullAreaM2,
            p.Story.Pond.Shape.FullVolumeM3,
            p.Judgement.Status.ToString(),
            p.Judgement.Reason,
            p.Oxygen?.Si,
            p.Oxygen?.At,
            p.Temperature?.Si,
            p.BiomassKg
        );

    private static IEnumerable<AeratorOut> Aerators(PondStory s, DateTimeOffset now) =>
        s.AeratorsAt(now)
            .Select(a => new AeratorOut(
                s.Pond.Code,
                a.Code,
                a.Kind.Name,
                a.ShaftKW,
                a.On,
                a.Off,
                a.RunsAt(TimeOnly.FromDateTime(s.Zone.LocalAt(now))),
                s.Air.Hand(a.Code, now)?.Fact.Order.ToString(),
                s.Air.Command(a.Code)?.Fact.On,
                s.Air.Report(a.Code)?.Fact.Running,
                s.Air.Report(a.Code)?.Fact.CurrentA,
                s.Air.Report(a.Code)?.Fact.Mains,
                s.Air.Report(a.Code)?.At
            ));

    private static AlarmOut Alarm(Questions q, Dorsk.Core.Alarms.Alarm a) =>
        new(
            a.Id,
            q.Ponds().FirstOrDefault(p => p.Id == a.PondId)?.Code,
            a.Cause.ToString(),
            a.Level.ToString(),
            a.Text,
            a.RangAt,
            a.Answered?.By,
            a.Answered?.At,
            a.EndedAt
        );

    private static IResult Shut(string what) =>
        Problem(
            401,
            $"Send the key of {what} of this farm: Authorization: Bearer KEY. A Manager makes one under Setup, Devices."
        );

    private static IResult Problem(int status, string text) => Results.Problem(text, statusCode: status);
}
