using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
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
public sealed record AlarmPond(long PondId, string Code, WaterLimits Limits, IReadOnlyList<Timed> Oxygen, DawnLowForecast? Tonight, IReadOnlyList<string> Aerators, IReadOnlyList<Judgement> ProbeFaults)
{
    /// <summary>Those of its aerators that run now.</summary>
    public IReadOnlyList<string> Running { get; init; } = [];

    /// <summary>What is wrong with its aerators.</summary>
    public IReadOnlyList<Judgement> AirFaults { get; init; } = [];
}

/// <summary>A panel as far as alarms care.</summary>
/// <param name="Code">Code of its pond.</param>
/// <param name="NoMainsSince">Since when it says that it has no mains; null while it has.</param>
/// <param name="Heard">When it was last heard.</param>
public sealed record AlarmPanel(string Code, DateTimeOffset? NoMainsSince, DateTimeOffset Heard);

/// <summary>Which causes stand now. Order is data: one rule a cause.</summary>
public static class AlarmRules
{
    // A reading rings for so long; an alarm ends only so far above the level that rang it; a fall so fast, reaching the act level so soon, rings by itself.
    private static readonly TimeSpan Fresh = TimeSpan.FromHours(1.5), RateOver = TimeSpan.FromHours(2.5), LeastApart = TimeSpan.FromMinutes(10), Soon = TimeSpan.FromHours(2), BeforeCrossing = TimeSpan.FromHours(6), PanelSilent = TimeSpan.FromMinutes(40);
    private const double BackMgL = 0.3, FastMgLH = 0.6;

    /// <summary>What rings in a pond.</summary>
    /// <param name="p">The pond.</param>
    /// <param name="ringing">Causes that ring here already: they end a little above where they began.</param>
    /// <param name="now">Now.</param>
    /// <param name="zone">The farm's clock.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IReadOnlyList<AlarmRaised> Of(AlarmPond p, IReadOnlyCollection<AlarmCause> ringing, DateTimeOffset now, FarmZone zone, Hand hand)
    {
        List<AlarmRaised?> all = [LowOxygen(p, ringing.Contains(AlarmCause.LowOxygen), now, zone, hand), Night(p, now, zone, hand), Probe(p), Air(p)];
        return [.. all.OfType<AlarmRaised>()];
    }

    private static AlarmRaised? LowOxygen(AlarmPond p, bool rings, DateTimeOffset now, FarmZone zone, Hand hand)
    {
        // Silence is no good news: what rings goes on until a reading says that it is over.
        if (p.Oxygen.Count == 0 || now - p.Oxygen[^1].At > Fresh)
            return rings ? new(0, p.PondId, AlarmCause.LowOxygen, Status.Watch, $"{p.Code}: no newer oxygen reading. Read it now.") : null;
        var last = p.Oxygen[^1];
        string O(double v) => QuantityText.Write(v, Measures.Oxygen, hand);
        AlarmRaised Ring(Status level, string why, string first) => new(0, p.PondId, AlarmCause.LowOxygen, level, $"{p.Code} oxygen {O(last.Si)} at {Hour(last.At, zone)}, {why}. {first}");
        var idle = p.Aerators.Except(p.Running).ToList();
        // All that is here runs and the oxygen is low all the same: help comes from outside.
        var air = idle.Count > 0 ? $"Start {string.Join(", ", idle)}" : p.Aerators.Count > 0 ? "All its aerators run: bring the emergency machine, tractor or generator, and let well-aired water in" : "Bring air: this pond has no aerator";
        if (last.Si < p.Limits.DoActMgL + (rings ? BackMgL : 0))
            return Ring(Status.ActNow, $"under the act level {O(p.Limits.DoActMgL)}", $"{air}, hold feed, look at the inlet; read again in 30 min.");
        var before = p.Oxygen.LastOrDefault(t => last.At - t.At >= LeastApart && last.At - t.At <= RateOver);
        if (before != default && (before.Si - last.Si) / (last.At - before.At).TotalHours is var rate && rate >= FastMgLH && TimeSpan.FromHours((last.Si - p.Limits.DoActMgL) / rate) <= Soon)
            return Ring(Status.ActNow, $"falling {O(rate)} an hour: under the act level {O(p.Limits.DoActMgL)} about {Hour(last.At.AddHours((last.Si - p.Limits.DoActMgL) / rate), zone)}", $"{air} now; read again in 30 min.");
        return last.Si < p.Limits.DoWatchMgL + (rings ? BackMgL : 0) ? Ring(Status.Watch, $"under the watch level {O(p.Limits.DoWatchMgL)}", $"{air} if it still falls; read again within the hour.") : null;
    }

    private static AlarmRaised? Night(AlarmPond p, DateTimeOffset now, FarmZone zone, Hand hand) =>
        p.Tonight is { Judgement.Status: Status.ActNow, UnderActAt: { } at } f && at > now && at - now <= BeforeCrossing
            ? new(0, p.PondId, AlarmCause.NightForecast, Status.Watch, $"{p.Code} is likely to pass under {QuantityText.Write(p.Limits.DoActMgL, Measures.Oxygen, hand)} about {Hour(at, zone)}, low {QuantityText.Write(f.Low.Value, Measures.Oxygen, hand)}. Set more air on the night board now; read again at {Hour(at.AddHours(-2) > now ? at.AddHours(-2) : now.AddMinutes(30), zone)}.") : null;

    private static AlarmRaised? Air(AlarmPond p) => p.AirFaults.Count == 0 ? null : new(0, p.PondId, AlarmCause.AeratorFault, p.AirFaults.Max(f => f.Status),
        AlarmText.List($"{p.Code} aerators: ", p.AirFaults.OrderByDescending(f => f.Status).Select(f => f.Reason), ". Go and look with a lamp, two people; isolate and lock before anybody touches a machine."));

    /// <summary>Whether the farm's power is gone: a panel says so, or all of them fell silent.</summary>
    /// <param name="panels">Panels of ponds in use.</param>
    /// <param name="now">Now.</param>
    /// <param name="zone">The farm's clock.</param>
    public static AlarmRaised? Power(IReadOnlyList<AlarmPanel> panels, DateTimeOffset now, FarmZone zone)
    {
        const string first = "Open “Power is out” for who comes first: oxygen on in tanks, then the generator.";
        if (panels.Where(p => p.NoMainsSince is not null).ToList() is { Count: > 0 } dark)
            return new(0, null, AlarmCause.PowerLost, Status.ActNow, AlarmText.List("No mains at the panels of ", dark.Select(p => p.Code), $" since {Hour(dark.Min(p => p.NoMainsSince!.Value), zone)}. {first}", ", "));
        return panels.Count > 1 && panels.All(p => now - p.Heard > PanelSilent) ? new(0, null, AlarmCause.PowerLost, Status.ActNow, $"All panels have been silent since {Hour(panels.Max(p => p.Heard), zone)}: power or network is gone. {first}") : null;
    }

    /// <summary>What a silent panel says of its pond's air; null while it is heard.</summary>
    public static Judgement? Silent(AlarmPanel panel, DateTimeOffset now, FarmZone zone) =>
        now - panel.Heard > PanelSilent ? new(Status.Watch, $"the panel was last heard at {Hour(panel.Heard, zone)}: nobody knows what runs") : null;

    private static AlarmRaised? Probe(AlarmPond p) => p.ProbeFaults.Count == 0 ? null : new(0, p.PondId, AlarmCause.ProbeFault, Status.Watch,
        AlarmText.List($"{p.Code} probe, ", p.ProbeFaults.Select(f => f.Reason), ". Read this pond by hand tonight; clean the probe, look at cable and battery."));

    private static string Hour(DateTimeOffset at, FarmZone zone) => zone.LocalAt(at).ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture);
}
