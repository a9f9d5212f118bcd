using Dorsk.Core.Judging;
using Dorsk.Core.Verdict.Rules;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict;

/// <summary>
/// The water as whoever looks into sick fish has to know it, in a fixed order and before anything else: what was read today, and which
/// signs it tells. A value of yesterday is shown and counts for nothing.
/// </summary>
public static class WaterPanel
{
    /// <summary>Where the order comes from.</summary>
    public const string Source = "Water before disease: Noga 2010; Boyd and Tucker 1998; limits by life stage";

    private const double FellUnits = 1,
        DayChangeC = 4,
        RoseTimes = 1.5,
        MuchTanMgL = 1,
        MuchNitriteMgL = 0.3;
    private const int ScumStep = 5;
    private static readonly TimeSpan Overnight = TimeSpan.FromHours(12),
        SameHour = TimeSpan.FromHours(4),
        Clearing = TimeSpan.FromDays(4);

    /// <summary>The steps in their order.</summary>
    public static IReadOnlyList<PanelStep> Steps(PondState s) =>
        [
            Step(s, "oxygen", "oxygen now", Parameter.Oxygen),
            Dawn(s),
            Step(s, "temperature", "temperature", Parameter.Temperature),
            Step(s, "ph", "pH", Parameter.Ph),
            Step(s, "ammonia", "total ammonia", Parameter.Tan),
            Step(s, "nitrite", "nitrite", Parameter.Nitrite),
            Step(s, "alkalinity", "alkalinity", Parameter.Alkalinity),
        ];

    /// <summary>Names of what must be read before a medicine is given.</summary>
    public static IReadOnlyList<string> Missing(PondState s) =>
        [.. Steps(s).Where(x => x is { Needed: true, IsOfToday: false }).Select(x => x.Name)];

    /// <summary>Signs that today's readings tell, seen or not seen; what was not read today tells nothing.</summary>
    public static IReadOnlyList<ReadSign> Signs(PondState s)
    {
        if (s.Fish.Count == 0)
            return [];
        var findings = PondVerdict.Of(s).Findings;
        ReadSign?[] all =
        [
            LowOxygen(s),
            LowDawn(s),
            TemperatureOut(s),
            TemperatureJump(s, findings),
            LowPh(s),
            FallenPh(s),
            HighPh(s),
            Judged(s, findings, "nh3_high", PondVerdict.Nh3, Parameter.Tan),
            Judged(s, findings, "nitrite_high", Nitrite.Rule.Name, Parameter.Nitrite),
            Nitrate(s),
            Alkalinity(s),
            Judged(s, findings, "co2_high", CarbonDioxide.Rule.Name, Parameter.CarbonDioxide),
            Cleared(s, findings),
            Scum(s),
            Crowded(s, findings),
            FilterUp(s, findings),
        ];
        return [.. all.OfType<ReadSign>()];
    }

    // What was read today, or in the night that ended this morning.
    private static Timed? Today(PondState s, Parameter parameter) =>
        s.Last(parameter, Speaks.Day) is { } last && IsOfToday(s, last.At) ? last : null;

    private static bool IsOfToday(PondState s, DateTimeOffset at) =>
        s.Zone.DayOf(at) == s.Today || s.Now - at < Overnight;

    private static PanelStep Step(PondState s, string test, string name, Parameter parameter)
    {
        var last = s.Last(parameter, Speaks.Months);
        return new(
            test,
            name,
            last is { } l ? s.Say(l.Si, parameter) : "",
            last?.At,
            last is { } read && IsOfToday(s, read.At),
            parameter.Key,
            parameter != Parameter.Alkalinity
        );
    }

    private static PanelStep Dawn(PondState s)
    {
        DayValue? last = s.Dawns.Count > 0 ? s.Dawns[^1] : null;
        return new(
            "dawn",
            "oxygen at dawn",
            last is { } l ? s.Say(l.Si, Parameter.Oxygen) : "",
            last is { } on ? s.Zone.At(on.Day, new(6, 0)) : null,
            last is { } of && of.Day == s.Today,
            "",
            false
        );
    }

    private static ReadSign? LowOxygen(PondState s)
    {
        var atFloor = s.Fish.Any(f => f.Species.AtTheFloor) ? s.LastAtFloor(Parameter.Oxygen, Speaks.Day) : null;
        var read = new[] { Today(s, Parameter.Oxygen), atFloor is { } f && IsOfToday(s, f.At) ? atFloor : null }
            .OfType<Timed>()
            .ToList();
        if (read.Count == 0)
            return null;
        var low = read.MinBy(t => t.Si);
        return Against(s, "do_low", low, low.Si < s.Limits.DoWatchMgL, Parameter.Oxygen, s.Limits.DoWatchMgL);
    }

    private static ReadSign? LowDawn(PondState s)
    {
        var dawns = s.Dawns.Where(d => d.Day > s.Today.AddDays(-3)).ToList();
        if (dawns.Count == 0)
            return null;
        var low = dawns.MinBy(d => d.Si);
        return new(
            "dawn_low",
            low.Si < s.Limits.DoWatchMgL,
            $"oxygen at dawn {s.Say(low.Si, Parameter.Oxygen)} on {Units.Hand.Day(low.Day)}, watch {s.Say(s.Limits.DoWatchMgL, Parameter.Oxygen)}",
            s.Zone.At(low.Day, new(6, 0))
        );
    }

    private static ReadSign? TemperatureOut(PondState s) =>
        Today(s, Parameter.Temperature) is not { } t
            ? null
            : new(
                "temp_out",
                t.Si < s.Limits.TempLowC || t.Si > s.Limits.TempHighC,
                $"{s.Say(t.Si, Parameter.Temperature)}, wanted {s.Say(s.Limits.TempLowC, Parameter.Temperature)} to {s.Say(s.Limits.TempHighC, Parameter.Temperature)}",
                t.At
            );

    private static ReadSign? TemperatureJump(PondState s, IReadOnlyList<Finding> findings)
    {
        if (Today(s, Parameter.Temperature) is not { } now)
            return null;
        if (findings.FirstOrDefault(f => f.Rule == TemperatureChange.Rule.Name) is { } fast)
            return new("temp_jump", true, fast.Reason, now.At);
        if (s.Readings[Parameter.Temperature].Nearest(now.At.AddDays(-1), SameHour) is not { } before)
            return null;
        return new(
            "temp_jump",
            Math.Abs(now.Si - before.Si) >= DayChangeC,
            $"{s.Say(now.Si, Parameter.Temperature)}, {s.Say(before.Si, Parameter.Temperature)} at this hour yesterday",
            now.At
        );
    }

    private static ReadSign? LowPh(PondState s) =>
        Today(s, Parameter.Ph) is { } ph
            ? Against(s, "ph_low", ph, ph.Si < s.Limits.PhLow, Parameter.Ph, s.Limits.PhLow)
            : null;

    private static ReadSign? HighPh(PondState s)
    {
        var day = s.Since(Parameter.Ph, Speaks.Day).Where(t => IsOfToday(s, t.At)).ToList();
        if (day.Count == 0)
            return null;
        var high = day.MaxBy(t => t.Si);
        // A morning's pH says nothing of the afternoon's.
        return high.Si > s.Limits.PhHigh || s.Zone.LocalAt(high.At).Hour >= 12 || s.InTank
            ? Against(s, "ph_high", high, high.Si > s.Limits.PhHigh, Parameter.Ph, s.Limits.PhHigh)
            : null;
    }

    private static ReadSign? FallenPh(PondState s)
    {
        if (Today(s, Parameter.Ph) is not { } now)
            return null;
        var before = s.Readings[Parameter.Ph]
            .Between(now.At.AddDays(-9), now.At.AddDays(-4))
            .Where(t => (s.Zone.LocalAt(t.At).TimeOfDay - s.Zone.LocalAt(now.At).TimeOfDay).Duration() < SameHour)
            .ToList();
        if (before.Count == 0)
            return null;
        var old = before[^1];
        return new(
            "ph_fell",
            old.Si - now.Si >= FellUnits,
            $"pH {s.Say(now.Si, Parameter.Ph)}, {s.Say(old.Si, Parameter.Ph)} on {Units.Hand.Day(s.Zone.DayOf(old.At))}",
            now.At
        );
    }

    private static ReadSign? Alkalinity(PondState s) =>
        s.Last(Parameter.Alkalinity, Speaks.Week) is { } alkalinity
            ? Against(
                s,
                "alk_low",
                alkalinity,
                alkalinity.Si < s.Limits.AlkalinityMinMgL,
                Parameter.Alkalinity,
                s.Limits.AlkalinityMinMgL
            )
            : null;

    private static ReadSign? Nitrate(PondState s) =>
        s.Last(Parameter.Nitrate, Speaks.Fortnight) is { } nitrate
            ? Against(
                s,
                "nitrate_high",
                nitrate,
                nitrate.Si > Parameter.Nitrate.UsualHigh,
                Parameter.Nitrate,
                Parameter.Nitrate.UsualHigh
            )
            : null;

    private static ReadSign? Judged(
        PondState s,
        IReadOnlyList<Finding> findings,
        string key,
        string rule,
        Parameter parameter
    ) =>
        Today(s, parameter) is { } read && findings.FirstOrDefault(f => f.Rule == rule) is { } found
            ? new(key, found.Status >= Status.Watch, found.Reason, read.At)
            : null;

    private static ReadSign? Cleared(PondState s, IReadOnlyList<Finding> findings) =>
        s.InTank || s.Last(Parameter.Secchi, Clearing) is not { } secchi
            ? null
            : new(
                "cleared",
                findings.Any(f => f.Rule == PondVerdict.DeadBloom),
                $"Secchi depth {s.Say(secchi.Si, Parameter.Secchi)}",
                secchi.At
            );

    private static ReadSign? Scum(PondState s) =>
        s.Last(Parameter.Film, Clearing) is { Si: >= ScumStep } film
            ? new("scum", true, Parameter.Film.StepAt(film.Si), film.At)
            : null;

    private static ReadSign? Crowded(PondState s, IReadOnlyList<Finding> findings) =>
        s.CapacityKg is null ? null
        : findings.FirstOrDefault(f => f.Rule == PondVerdict.Biomass && f.Status >= Status.Watch) is { } load
            ? new("crowded", true, load.Reason, s.Now)
        : new("crowded", false, "biomass is under the carrying capacity", s.Now);

    // A filter that is upset shows first in what it should have taken up.
    private static ReadSign? FilterUp(PondState s, IReadOnlyList<Finding> findings)
    {
        if (!s.InTank)
            return null;
        foreach (var parameter in new[] { Parameter.Tan, Parameter.Nitrite })
        {
            if (Today(s, parameter) is not { } now)
                continue;
            var before = s.Readings[parameter].Between(now.At.AddDays(-7), now.At.AddHours(-12));
            if (before.Count == 0)
                continue;
            var rose = now.Si > RoseTimes * before.Min(t => t.Si);
            var isMuch = now.Si >= (parameter == Parameter.Tan ? MuchTanMgL : MuchNitriteMgL);
            if (rose && (isMuch || findings.Any(f => f.Of == parameter && f.Status >= Status.Watch)))
                return new(
                    "filter_up",
                    true,
                    $"{parameter.Name} {s.Say(now.Si, parameter)}, {s.Say(before.Min(t => t.Si), parameter)} within the week",
                    now.At
                );
        }
        return Today(s, Parameter.Tan) is { } tan && Today(s, Parameter.Nitrite) is not null
            ? new("filter_up", false, "neither ammonia nor nitrite rose to its limit", tan.At)
            : null;
    }

    private static ReadSign Against(
        PondState s,
        string key,
        Timed read,
        bool seen,
        Parameter parameter,
        double limit
    ) => new(key, seen, $"{parameter.Name} {s.Say(read.Si, parameter)}, limit {s.Say(limit, parameter)}", read.At);
}
