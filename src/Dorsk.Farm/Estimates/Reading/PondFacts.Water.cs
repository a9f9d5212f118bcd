using System.Collections.Concurrent;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Estimates;

// What the readings say of an instant or a day.
public partial class PondFacts
{
    private const int AfternoonFrom = 12,
        AfternoonTo = 20;
    private const double FullShare = 0.95;
    private static readonly TimeSpan OldReading = TimeSpan.FromHours(14);

    // A reading so near to sunrise stands for it; the morning ends so long after it.
    internal static readonly TimeSpan SunriseSpan = TimeSpan.FromHours(1.5),
        MorningEnds = TimeSpan.FromHours(3);

    // A Secchi depth speaks for days.
    internal static readonly TimeSpan SecchiSpeaks = TimeSpan.FromDays(7);

    // The same few days are asked for again and again, by every pond.
    private static readonly ConcurrentDictionary<
        (Place, DateOnly, double),
        (DateTimeOffset Sunrise, DateTimeOffset Sunset)
    > Suns = new();

    /// <summary>Last reading of a parameter, or null.</summary>
    public Timed? LastOf(Parameter parameter) => ReadingsOf[parameter].Last;

    /// <summary>Whether a value was read in the upper water.</summary>
    public bool IsNearSurface(Timed t) => PondState.IsNearSurface(t, Pond.Shape.FullDepthM);

    /// <summary>Whether a reading is too old to speak for now.</summary>
    public static bool IsOld(Timed reading, DateTimeOffset now) => now - reading.At > OldReading;

    /// <summary>Gauge level at an instant, m, and whether it was read; full when never read.</summary>
    public (double LevelM, bool Read) LevelAt(DateTimeOffset at) =>
        ReadingsOf[Parameter.GaugeLevel].LastAt(at) is { } read
            ? (Math.Min(read.Si, Pond.Shape.FullDepthM), true)
            : (Pond.Shape.FullDepthM, false);

    /// <summary>Whether the gauge stood clearly under the brim when it was last read.</summary>
    public bool IsPartFilled(DateTimeOffset at) => LevelAt(at).LevelM < FullShare * Pond.Shape.FullDepthM;

    /// <summary>Whether a heavy bloom was read lately.</summary>
    public bool HasHeavyBloom(DateTimeOffset now) =>
        !Pond.ByVolume
        && LastOf(Parameter.Secchi) is { } s
        && now - s.At < SecchiSpeaks
        && s.Si < WaterJudge.HeavyBloomM;

    /// <summary>Expected temperature of a day to come, °C.</summary>
    public double TemperatureAhead(DateOnly day) => Temperature.On(day).TempC;

    /// <summary>Lowest oxygen of a morning, where somebody read within an hour and a half of sunrise: a morning that can be held against its forecast.</summary>
    public double? DawnReadOn(DateOnly day)
    {
        var sunrise = SunOn(day).Sunrise;
        return ReadingsOf[Parameter.Oxygen].Between(sunrise - SunriseSpan, sunrise + SunriseSpan).Count > 0
            ? DawnLowOn(day)
            : null;
    }

    // The morning ends three hours after its sunrise, which is at four in one summer and at eight in another winter.
    private bool IsOfMorning(Timed t)
    {
        var local = Zone.LocalAt(t.At);
        return local.Hour < 12 && t.At <= SunOn(DateOnly.FromDateTime(local)).Sunrise + MorningEnds;
    }

    /// <summary>Values of a parameter by day: of the morning (oxygen to three hours after sunrise, others lowest before nine) or of the afternoon (highest from noon to eight).</summary>
    public IReadOnlyList<DayValue> DaysOf(Parameter parameter, bool morning, DateOnly from, DateOnly to) =>
        parameter == Parameter.Oxygen && morning ? DawnsOf(from, to) : WalkedDaysOf(parameter, morning, from, to);

    private List<DayValue> DawnsOf(DateOnly from, DateOnly to)
    {
        var dawns = new List<DayValue>();
        for (var day = from; day <= to; day = day.AddDays(1))
            if (DawnLowOn(day) is { } low)
                dawns.Add(new(day, low));
        return dawns;
    }

    private List<DayValue> WalkedDaysOf(Parameter parameter, bool morning, DateOnly from, DateOnly to) =>
        [
            .. ReadingsOf[parameter]
                .Between(Zone.At(from, TimeOnly.MinValue), Zone.At(to.AddDays(1), TimeOnly.MinValue))
                .Select(t => (Local: Zone.LocalAt(t.At), Day: Zone.DayOf(t.At), t.Si))
                .Where(t => t.Day >= from && t.Day <= to && Counts(t.Local.Hour, morning))
                .GroupBy(t => t.Day)
                .Select(g => new DayValue(g.Key, morning ? g.Min(t => t.Si) : g.Max(t => t.Si)))
                .OrderBy(d => d.Day),
        ];

    private static bool Counts(int hour, bool morning) =>
        morning ? hour < DawnBeforeHour : hour is >= AfternoonFrom and < AfternoonTo;

    /// <summary>Salinity as last read within two months, ppt; 0 where nobody read it.</summary>
    public double SalinityAt(DateTimeOffset at) =>
        ReadingsOf[Parameter.Salinity].LastWithin(at, Speaks.Months)?.Si ?? 0;

    /// <summary>Oxygen at saturation in this water as last read, mg/L; null where its temperature is not known.</summary>
    public double? SaturationMgL(DateTimeOffset at) =>
        LastOf(Parameter.Temperature) is { } temp
            ? OxygenSaturation.MgL(
                Math.Clamp(temp.Si, 0, 40),
                SalinityAt(at),
                OxygenSaturation.PressureKPa(Farm.AltitudeM)
            )
            : null;

    /// <summary>Sunset of the evening and sunrise of the morning of a night.</summary>
    public (DateTimeOffset Sunset, DateTimeOffset Sunrise) SunOf(Night night) =>
        (SunOn(night.Evening).Sunset, SunOn(night.Evening.AddDays(1)).Sunrise);

    /// <summary>Sunrise and sunset of a farm day.</summary>
    public (DateTimeOffset Sunrise, DateTimeOffset Sunset) SunOn(DateOnly day) =>
        Suns.GetOrAdd((Farm.Place, day, Zone.OffsetHoursAt(Zone.At(day, new(12, 0)))), key =>
        {
            var sun = SunTimes.On(key.Item1, key.Item2, key.Item3);
            // Setup holds farms within 66° of the equator, where the sun rises and sets every day.
            return (sun.Sunrise!.Value, sun.Sunset!.Value);
        });
}
