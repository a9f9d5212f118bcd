using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Safety;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Verdict.Rules;
using Dorsk.Core.Water;

namespace Dorsk.Core.Alarms;

/// <summary>A pond as far as alarms care.</summary>
/// <param name="PondId">Its number.</param>
/// <param name="Code">Its code.</param>
/// <param name="Limits">Limits of its fish.</param>
/// <param name="Oxygen">Oxygen of the last hours, oldest first.</param>
/// <param name="Tonight">Forecast of the night, or null.</param>
/// <param name="Aerators">Its aerators by code.</param>
/// <param name="ProbeFaults">What is wrong with its probe; empty without a probe.</param>
public sealed record AlarmPond(
    long PondId,
    string Code,
    WaterLimits Limits,
    IReadOnlyList<Timed> Oxygen,
    DawnLowForecast? Tonight,
    IReadOnlyList<string> Aerators,
    IReadOnlyList<Judgement> ProbeFaults
)
{
    /// <summary>Those of its aerators that run now.</summary>
    public IReadOnlyList<string> Running { get; init; } = [];

    /// <summary>Machines that wait in the shed, in the order in which they are brought, with what drives them.</summary>
    public IReadOnlyList<(string Code, string By)> Standby { get; init; } = [];

    /// <summary>What is wrong with its aerators.</summary>
    public IReadOnlyList<Judgement> AirFaults { get; init; } = [];

    /// <summary>What the verdict on the pond rings for.</summary>
    public IReadOnlyList<Finding> Findings { get; init; } = [];

    /// <summary>Oxygen that kills the most tender fish, mg/L.</summary>
    public double LethalMgL { get; init; }

    /// <summary>What rings here already, with when it came to its level. It ends a little above where it began, and its steps go on.</summary>
    public IReadOnlyDictionary<AlarmCause, DateTimeOffset> RingsSince { get; init; } =
        new Dictionary<AlarmCause, DateTimeOffset>();

    /// <summary>Since when a cause rings here; null while it does not.</summary>
    public DateTimeOffset? Since(AlarmCause cause) => RingsSince.TryGetValue(cause, out var since) ? since : null;

    /// <summary>When somebody last read the water or looked at the fish.</summary>
    public DateTimeOffset? LastLookAt { get; init; }
}

/// <summary>A panel as far as alarms care.</summary>
/// <param name="Code">Code of its pond.</param>
/// <param name="NoMainsSince">Since when it says that it has no mains; null while it has.</param>
/// <param name="Heard">When it was last heard.</param>
public sealed record AlarmPanel(string Code, DateTimeOffset? NoMainsSince, DateTimeOffset Heard);

/// <summary>Which causes stand now. Order is data: one rule a cause.</summary>
public static class AlarmRules
{
    // A reading rings for so long; an alarm ends only so far above the level that rang it; the night rings from hours before the crossing to an hour after its low.
    private static readonly TimeSpan Fresh = TimeSpan.FromHours(1.5),
        BeforeCrossing = TimeSpan.FromHours(6),
        PanelSilent = TimeSpan.FromMinutes(40);
    private const double BackMgL = 0.3;
    private static readonly TimeSpan AfterLow = TimeSpan.FromHours(1);

    // These have alarms of their own, with a ladder of what to do.
    private static readonly string[] OfOxygen = ["oxygen now", "oxygen falls", "oxygen tonight", Dawns];
    private const string Dawns = "falling dawns";

    /// <summary>What rings in a pond.</summary>
    /// <param name="p">The pond.</param>
    /// <param name="now">Now.</param>
    /// <param name="zone">The farm's clock.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IReadOnlyList<AlarmRaised> Of(AlarmPond p, DateTimeOffset now, FarmZone zone, Hand hand)
    {
        List<AlarmRaised?> all =
        [
            LowOxygen(p, now, zone, hand),
            Night(p, now, zone, hand) ?? Falling(p),
            Water(p, now),
            Probe(p),
            Air(p, now),
        ];
        return [.. all.OfType<AlarmRaised>()];
    }

    private static AlarmRaised? LowOxygen(AlarmPond p, DateTimeOffset now, FarmZone zone, Hand hand)
    {
        var since = p.Since(AlarmCause.LowOxygen);
        var rings = since is not null;
        // Silence is no good news: what rings goes on until a reading says that it is over.
        if (p.Oxygen.Count == 0 || now - p.Oxygen[^1].At > Fresh)
            return rings
                ? new(
                    0,
                    p.PondId,
                    AlarmCause.LowOxygen,
                    Status.Watch,
                    $"{p.Code}: no newer oxygen reading. Read it now."
                )
                : null;
        var last = p.Oxygen[^1];
        string O(double v) => QuantityText.Write(v, Measures.Oxygen, hand);
        AlarmRaised Ring(Status level, string why, string first) =>
            new(
                0,
                p.PondId,
                AlarmCause.LowOxygen,
                level,
                $"{p.Code} oxygen {O(last.Si)} at {Hour(last.At, zone, now)}, {why}. {first}"
            );
        var air = FirstAir(p, Rises(p, since) ? null : since, now);
        var level = WaterJudge.Oxygen(last.Si, p.Limits, hand, rings ? BackMgL : 0).Status;
        if (level == Status.ActNow)
            return Ring(
                Status.ActNow,
                $"under the act level {O(p.Limits.DoActMgL)}",
                $"{air}, hold feed, look at the inlet; read again in 30 min."
            );
        if (OxygenFall.Of(p.Oxygen, p.Limits) is { } fall)
            return Ring(
                Status.ActNow,
                $"falling {O(fall.MgLH)} an hour: under the act level {O(p.Limits.DoActMgL)} about {Hour(fall.UnderActAt, zone, now)}",
                $"{air} now; read again in 30 min."
            );
        return level == Status.Watch
            ? Ring(
                Status.Watch,
                $"under the watch level {O(p.Limits.DoWatchMgL)}",
                $"{air} if it still falls; read again within the hour."
            )
            : null;
    }

    // Idle aerators first. Where all that is here runs and the oxygen is low all the same, help comes from outside.
    private static string FirstAir(AlarmPond p, DateTimeOffset? since, DateTimeOffset now)
    {
        var idle = p.Aerators.Except(p.Running).ToList();
        if (idle.Count > 0)
            return $"Start {string.Join(", ", idle)}"
                + (AlarmLadder.Next(AlarmCause.LowOxygen, since, now) is { } next ? $"; {next}" : "");
        var brought = p.Standby.Where(s => !p.Running.Contains(s.Code)).ToList();
        if (brought.Count > 0)
            return $"All its aerators run: bring {string.Join(", then ", brought.Select(s => $"{s.Code} ({s.By})"))}"
                + (AlarmLadder.Next(AlarmCause.LowOxygen, since, now) is { } after ? $"; {after}" : "");
        var outside = AlarmLadder.WithAllAirOn(since, now);
        return p.Aerators.Count > 0 ? $"All its aerators run: {outside}" : $"This pond has no aerator: {outside}";
    }

    // Steps go on only while what was done does not help.
    private static bool Rises(AlarmPond p, DateTimeOffset? since) =>
        since is { } from
        && p.Oxygen.Where(o => o.At >= from).ToList() is { Count: > 1 } read
        && read[^1].Si >= read.Min(o => o.Si) + BackMgL;

    // What is likely to kill tonight calls people out of their beds; a low that they outlive waits for the morning hours of the list.
    private static AlarmRaised? Night(AlarmPond p, DateTimeOffset now, FarmZone zone, Hand hand)
    {
        if (
            p.Tonight is not { Judgement.Status: Status.ActNow, UnderActAt: { } at } f
            || at - now > BeforeCrossing
            || now > f.LowAt + AfterLow
        )
            return null;
        // What was read since the crossing speaks for itself.
        if (at <= now && p.Oxygen.Count > 0 && p.Oxygen[^1].At >= at)
            return null;
        string O(double v) => QuantityText.Write(v, Measures.Oxygen, hand);
        var kills = f.Lowest.MgL <= p.LethalMgL;
        var again = at.AddHours(-2) > now ? at.AddHours(-2) : now.AddMinutes(30);
        return new(
            0,
            p.PondId,
            AlarmCause.NightForecast,
            kills ? Status.ActNow : Status.Watch,
            $"{p.Code} is likely {(at > now ? "to pass" : "to have passed")} under {O(p.Limits.DoActMgL)} about {Hour(at, zone, now)}, low {O(f.Lowest.MgL)}{(kills ? ", which kills" : "")}. Set more air on the night board now; read again at {Hour(again, zone)}."
        );
    }

    // Mornings that fell foretell the coming night; the next good morning ends it.
    private static AlarmRaised? Falling(AlarmPond p) =>
        p.Findings.FirstOrDefault(f => f.Rule == Dawns) is { } f
            ? new(0, p.PondId, AlarmCause.NightForecast, f.Status, $"{p.Code}: {f.Reason}. {f.Do}")
            : null;

    // What rings on a page rings here. It ends when somebody has looked again and it is well, not by growing old.
    private static AlarmRaised? Water(AlarmPond p, DateTimeOffset now)
    {
        var since = p.Since(AlarmCause.WaterDanger);
        var found = p.Findings.Where(f => !OfOxygen.Contains(f.Rule)).ToList();
        if (found.Count > 0)
            return new(
                0,
                p.PondId,
                AlarmCause.WaterDanger,
                found.Max(f => f.Status),
                AlarmText.List(
                    $"{p.Code}: ",
                    found.Select(f => f.Reason),
                    $". {found[0].Do}{Then(AlarmCause.WaterDanger, since, now)}"
                )
            );
        return since is { } rang && !(p.LastLookAt > rang)
            ? new(
                0,
                p.PondId,
                AlarmCause.WaterDanger,
                Status.Watch,
                $"{p.Code}: what rang was not read again. Read the water and look at the fish now."
            )
            : null;
    }

    // The step of the ladder that is reached, as a sentence.
    private static string Then(AlarmCause cause, DateTimeOffset? since, DateTimeOffset now) =>
        AlarmLadder.Next(cause, since, now) is { } step ? $" Still so: {step}." : "";

    private static AlarmRaised? Air(AlarmPond p, DateTimeOffset now) =>
        p.AirFaults.Count == 0
            ? null
            : new(
                0,
                p.PondId,
                AlarmCause.AeratorFault,
                p.AirFaults.Max(f => f.Status),
                AlarmText.List(
                    $"{p.Code} aerators: ",
                    p.AirFaults.OrderByDescending(f => f.Status).Select(f => f.Reason),
                    ". Go and look with a lamp, two people; isolate and lock before anybody touches a machine."
                        + Then(AlarmCause.AeratorFault, p.Since(AlarmCause.AeratorFault), now)
                )
            );

    /// <summary>Whether the farm's power is gone: a panel says so, or all of them fell silent.</summary>
    /// <param name="panels">Panels of ponds in use.</param>
    /// <param name="now">Now.</param>
    /// <param name="zone">The farm's clock.</param>
    /// <param name="since">Since when it rings; null while it does not.</param>
    public static AlarmRaised? Power(
        IReadOnlyList<AlarmPanel> panels,
        DateTimeOffset now,
        FarmZone zone,
        DateTimeOffset? since = null
    )
    {
        var first =
            "Open “Power is out” for who comes first: oxygen on in tanks, then the generator."
            + Then(AlarmCause.PowerLost, since, now);
        if (panels.Where(p => p.NoMainsSince is not null).ToList() is { Count: > 0 } dark)
            return NoMains(zone, first, dark);
        return panels.Count > 1 && panels.All(p => now - p.Heard > PanelSilent)
            ? new(
                0,
                null,
                AlarmCause.PowerLost,
                Status.ActNow,
                $"All panels have been silent since {Hour(panels.Max(p => p.Heard), zone, now)}: power or network is gone. {first}"
            )
            : null;
    }

    private static AlarmRaised NoMains(FarmZone zone, string first, List<AlarmPanel> dark) =>
        new(
            0,
            null,
            AlarmCause.PowerLost,
            Status.ActNow,
            AlarmText.List(
                "No mains at the panels of ",
                dark.Select(p => p.Code),
                $" since {Hour(dark.Min(p => p.NoMainsSince!.Value), zone)}. {first}",
                ", "
            )
        );

    /// <summary>Those who work alone and have not checked in; null while all have.</summary>
    /// <param name="alone">Who is out alone.</param>
    /// <param name="now">Now.</param>
    /// <param name="zone">The farm's clock face.</param>
    public static AlarmRaised? NotHeard(IReadOnlyList<OutAlone> alone, DateTimeOffset now, FarmZone zone) =>
        alone.Where(o => o.IsOverdue(now)).ToList() is { Count: > 0 } overdue
            ? new(
                0,
                null,
                AlarmCause.NotHeard,
                Status.ActNow,
                AlarmText.List(
                    "Not heard from: ",
                    overdue.Select(o =>
                        $"{o.Who} ({o.Place}), check-in due at {Hour(o.DueAt, zone, now)}, last heard at {Hour(o.HeardAt, zone, now)}"
                    ),
                    ". Call the phone now. No answer: two people go and look there with a light and a rope, and call the emergency number. Then sign them back in."
                )
            )
            : null;

    /// <summary>Water of the hatchery that spoils eggs or fry, on either side; null while all is well.</summary>
    /// <param name="lots">What each lot's last reading calls for.</param>
    public static AlarmRaised? Hatchery(IReadOnlyList<(string Lot, Judgement Found)> lots) =>
        lots.Count == 0
            ? null
            : new(
                0,
                null,
                AlarmCause.HatcheryWater,
                lots.Max(l => l.Found.Status),
                AlarmText.List(
                    "Hatchery: ",
                    lots.OrderByDescending(l => l.Found.Status).Select(l => $"{l.Lot}: {l.Found.Reason}"),
                    ". Go there: heater, mixing valve, flow and air; read it again."
                )
            );

    /// <summary>What a silent panel says of its pond's air; null while it is heard.</summary>
    public static Judgement? Silent(AlarmPanel panel, DateTimeOffset now, FarmZone zone) =>
        now - panel.Heard > PanelSilent
            ? new(Status.Watch, $"the panel was last heard at {Hour(panel.Heard, zone, now)}: nobody knows what runs")
            : null;

    private static AlarmRaised? Probe(AlarmPond p) =>
        p.ProbeFaults.Count == 0
            ? null
            : new(
                0,
                p.PondId,
                AlarmCause.ProbeFault,
                Status.Watch,
                AlarmText.List(
                    $"{p.Code} probe, ",
                    p.ProbeFaults.Select(f => f.Reason),
                    ". Read this pond by hand tonight; clean the probe, look at cable and battery."
                )
            );

    private static string Hour(DateTimeOffset at, FarmZone zone) =>
        zone.LocalAt(at).ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture);

    // An hour of another day names the day.
    private static string Hour(DateTimeOffset at, FarmZone zone, DateTimeOffset now) =>
        zone.LocalAt(at).Date == zone.LocalAt(now).Date
            ? Hour(at, zone)
            : zone.LocalAt(at).ToString("HH:mm 'on' ddd d MMM", System.Globalization.CultureInfo.InvariantCulture);
}
