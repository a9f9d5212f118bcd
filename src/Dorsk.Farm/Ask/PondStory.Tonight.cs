using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Ask;

/// <summary>Tonight's oxygen of a pond, or the reason why there is no forecast.</summary>
/// <param name="Forecast">The forecast, or null.</param>
/// <param name="WhyNot">Plain words when there is none.</param>
/// <param name="Night">The night it is for.</param>
/// <param name="Air">More air that carries the night, when it needs some and some stands idle.</param>
/// <param name="StartsByItself">When the pond's automatic is likely to start its aerators, or null.</param>
public sealed record Tonight(
    DawnLowForecast? Forecast,
    string WhyNot,
    Night Night,
    AirPlan? Air = null,
    DateTimeOffset? StartsByItself = null
);

public sealed partial class PondStory
{
    private const int NightsBack = 10;
    private const double UsualWindMs = 1.5;
    private static readonly TimeSpan OldestStart = TimeSpan.FromHours(12);
    private static readonly TimeSpan DawnEnds = TimeSpan.FromHours(2),
        AutomaticEnds = TimeSpan.FromHours(1);

    /// <summary>Limits of the most sensitive batch that stands here on a day; null when none does.</summary>
    public WaterLimits? LimitsOn(DateOnly day) =>
        Standing
            .Select(b =>
                StandingNear(b, day) is { } s
                    ? WaterLimits.For(b.Species, WaterLimits.StageOf(b.Species, s.MeanG.Value))
                    : null
            )
            .OfType<WaterLimits>()
            .MaxBy(l => l.DoActMgL);

    /// <summary>Forecast of the dawn low of the coming (or running) night: own nights, else two readings, else the balance.</summary>
    /// <param name="now">By the farm clock.</param>
    /// <param name="only">Only this method, for proof; null for the usual order.</param>
    /// <param name="aerators">Aerators with the timers that are tried; null for those that are set.</param>
    public Tonight TonightAt(DateTimeOffset now, DeclineMethod? only = null, IReadOnlyList<Aerator>? aerators = null)
    {
        var (basis, whyNot, night) = BasisAt(now, only);
        if (basis is null)
            return new(null, whyNot, night);
        var water = aerators is null ? basis.Water : basis.Water with { Aerators = aerators };
        DawnLowForecast Run(NightWater w) =>
            TonightForecast.Run(
                basis.Decline,
                w,
                basis.Start,
                SunOf(night).Sunrise + DawnEnds,
                night.End(Zone),
                basis.Limits,
                Farm.Hand
            );
        var forecast = Run(water);
        var itself = aerators is null ? StartsByItself(forecast, now) : null;
        if (itself is { } from)
            forecast = Run(water = WithAutomatic(water, from, SunOf(night).Sunrise + AutomaticEnds));
        return new(
            forecast,
            "",
            night,
            AirPlan.For(
                forecast,
                basis.Decline,
                water,
                basis.Start,
                now,
                SunOf(night).Sunrise,
                basis.Limits,
                Farm.Hand
            ),
            itself
        );
    }

    // Where the probe switches, idle aerators start when the likely curve passes their level, and run until the sun has done its part.
    private DateTimeOffset? StartsByItself(DawnLowForecast f, DateTimeOffset now) =>
        Air.Control is { Automatic: true } c
        && f.Curve.FirstOrDefault(p => p.At >= now && p.MgL < c.OnBelowMgL) is { At.Ticks: > 0 } p
            ? p.At
            : null;

    private NightWater WithAutomatic(NightWater water, DateTimeOffset from, DateTimeOffset to) =>
        water with
        {
            Known = (code, at) =>
                Air.HandAt(code, at) ?? (at >= from && at < to ? true : water.Known?.Invoke(code, at)),
        };

    // What has run is known by panels and hand orders; what is to come by the orders that stand.
    private Func<string, DateTimeOffset, bool?>? KnownUpTo(DateTimeOffset now) =>
        Air.Lines.Count == 0 ? null : (code, at) => at <= now ? Air.Ran(code, at) : Air.HandAt(code, at);

    /// <summary>How long the fish have when all air stops now; null without fish, or without what is needed to tell.</summary>
    public WithoutAir? WithoutAirAt(DateTimeOffset now)
    {
        var day = Zone.DayOf(now);
        if ((BasisAt(now, null).Basis ?? BasisAt(now, DeclineMethod.Balance).Basis) is not { } basis)
            return null;
        // Between the last reading and now the night was carried on with its timers.
        var at = NightCurve.Run(basis.Water, basis.Decline.MgLH, basis.Start, now)[^1];
        var stock = StockOn(day);
        var lethal = stock.Max(f => f.Item1.LethalDoMgL);
        return Pond.ByVolume
            ? WithoutAir.OfTank(stock, basis.Water.VolumeM3, basis.Water.TempC, at.Si, basis.Limits, lethal)
            : WithoutAir.OfPond(
                basis.Water,
                basis.Decline,
                at,
                now.AddHours(24),
                basis.Limits,
                lethal,
                stock.Sum(f => f.Item3) / basis.Water.VolumeM3
            );
    }

    // What a night is worked out from.
    private sealed record Basis(NightWater Water, Timed Start, Decline Decline, WaterLimits Limits);

    private (Basis? Basis, string WhyNot, Night Night) BasisAt(DateTimeOffset now, DeclineMethod? only)
    {
        var night = Night.Of(now, Zone);
        if (now > SunOf(night).Sunrise + DawnEnds)
            night = new(night.Evening.AddDays(1));
        if (LimitsOn(Zone.DayOf(now)) is not { } limits)
            return (null, "No fish stand here.", night);
        var start = ReadingsOf[Parameter.Oxygen].LastOrDefault(t => t.At <= now);
        if (start == default || now - start.At > OldestStart)
            return (
                null,
                start == default
                    ? "Oxygen was never read here: read it at dusk for a forecast."
                    : "The last oxygen reading is over 12 h old: read it again for a forecast.",
                night
            );
        // Timers that were set since the reading run tonight.
        if (
            (WaterAt(start.At) is { } read ? read with { Aerators = AeratorsAt(now), Known = KnownUpTo(now) } : null)
            is not { } water
        )
            return (null, "The water temperature is not known: read it with the oxygen for a forecast.", night);
        return DeclineOf(night, start.At, water, only) is { } decline
            ? (new(water, start, decline, limits), "", night)
            : (
                null,
                only is null
                    ? "Nights of its own are wanted here, three of them, or two readings in the dark an hour and a half apart."
                    : "This method cannot run with the readings there are.",
                night
            );
    }

    /// <summary>Sunset of the evening and sunrise of the morning of a night.</summary>
    public (DateTimeOffset Sunset, DateTimeOffset Sunrise) SunOf(Night night) =>
        (SunOn(night.Evening).Sunset, SunOn(night.Evening.AddDays(1)).Sunrise);

    private Decline? DeclineOf(Night night, DateTimeOffset at, NightWater water, DeclineMethod? only)
    {
        bool May(DeclineMethod m) => only is null || only == m;
        return (May(DeclineMethod.OwnNights) ? Declines.OwnNights(PastNights(night), water) : null)
            ?? (May(DeclineMethod.TwoReadings) ? Declines.TwoReadings(InDark(night, at), water) : null)
            // What a tank's flow of fresh water brings is not known: a balance without it would cry wolf every night. Who asks for it alone gets it.
            ?? (
                only == DeclineMethod.Balance || (only is null && !Pond.ByVolume)
                    ? Declines.Balance(
                        StockOn(Zone.DayOf(at)),
                        SecchiAt(at),
                        !Pond.ByVolume && Pond.Kind == Core.Ponds.PondKind.Earthen,
                        water
                    )
                    : null
            );
    }

    private List<Timed> InDark(Night night, DateTimeOffset upTo)
    {
        var (sunset, sunrise) = SunOf(night);
        return ReadingsOf[Parameter.Oxygen]
            .Where(t => t.At >= sunset.AddMinutes(-30) && t.At <= sunrise && t.At <= upTo)
            .ToList();
    }

    private List<PastNight> PastNights(Night tonight)
    {
        var nights = new List<PastNight>();
        var oxygen = ReadingsOf[Parameter.Oxygen];
        for (var ago = 1; ago <= NightsBack; ago++)
        {
            var night = new Night(tonight.Evening.AddDays(-ago));
            var (sunset, sunrise) = SunOf(night);
            var dusk = oxygen.LastOrDefault(t => t.At >= sunset.AddHours(-3.5) && t.At <= sunset.AddHours(1.5));
            var dawn = oxygen
                .Where(t => t.At >= sunrise.AddHours(-1.5) && t.At <= sunrise.AddHours(1.5))
                .DefaultIfEmpty()
                .MinBy(t => (t.At - sunrise).Duration());
            if (dusk != default && dawn != default && WaterAt(dusk.At) is { } water)
                nights.Add(
                    new(
                        ago,
                        dusk,
                        dawn,
                        water with
                        {
                            Aerators = AeratorsAt(dusk.At + ((dawn.At - dusk.At) / 2)),
                            Known = KnownUpTo(dawn.At),
                        }
                    )
                );
        }
        return nights;
    }

    private NightWater? WaterAt(DateTimeOffset at)
    {
        var temp = ReadingsOf[Parameter.Temperature]
            .LastOrDefault(t => t.At <= at.AddMinutes(30) && t.At > at.AddHours(-24));
        if (temp == default)
            return null;
        var (level, _) = LevelAt(at);
        var volume = Pond.Shape.VolumeM3(level);
        if (volume <= 0)
            return null;
        var wind = Weather[Parameter.Wind].LastOrDefault(t => t.At <= at && t.At > at.AddHours(-12));
        var air = Weather[Parameter.AirPressure].LastOrDefault(t => t.At <= at && t.At > at.AddHours(-12));
        var saturation = OxygenSaturation.MgL(
            Math.Clamp(temp.Si, 0, 40),
            SalinityAt(at),
            air == default ? OxygenSaturation.PressureKPa(Farm.AltitudeM) : air.Si
        );
        return new(
            volume,
            volume / Pond.Shape.AreaM2(level),
            temp.Si,
            saturation,
            wind == default ? UsualWindMs : wind.Si,
            AeratorsAt(at),
            Farm.Place,
            Zone
        );
    }

    /// <summary>Salinity as last read within two months, ppt; 0 where nobody read it.</summary>
    public double SalinityAt(DateTimeOffset at)
    {
        var read = ReadingsOf[Parameter.Salinity]
            .LastOrDefault(t => t.At <= at && t.At > at - Core.Verdict.Speaks.Months);
        return read == default ? 0 : read.Si;
    }

    /// <summary>Oxygen at saturation in this water as last read, mg/L; null where its temperature is not known.</summary>
    public double? SaturationMgL(DateTimeOffset at) =>
        LastOf(Parameter.Temperature) is { } temp
            ? OxygenSaturation.MgL(
                Math.Clamp(temp.Si, 0, 40),
                SalinityAt(at),
                OxygenSaturation.PressureKPa(Farm.AltitudeM)
            )
            : null;

    private double? SecchiAt(DateTimeOffset at)
    {
        var read = ReadingsOf[Parameter.Secchi].LastOrDefault(t => t.At <= at && t.At > at.AddDays(-14));
        return read == default ? null : read.Si;
    }

    private List<(FishSpecies, double, double)> StockOn(DateOnly day) =>
        Standing
            .Select(b => (b.Species, Stands: StandingNear(b, day)))
            .Where(s => s.Stands is not null)
            .Select(s => (s.Species, s.Stands!.MeanG.Value, s.Stands.BiomassKg.Value))
            .ToList();

    // The same few days are asked for again and again, by every pond.
    private static readonly System.Collections.Concurrent.ConcurrentDictionary<
        (Place, DateOnly, double),
        (DateTimeOffset Sunrise, DateTimeOffset Sunset)
    > Suns = new();

    /// <summary>Sunrise and sunset of a farm day.</summary>
    public (DateTimeOffset Sunrise, DateTimeOffset Sunset) SunOn(DateOnly day) =>
        Suns.GetOrAdd((Farm.Place, day, Zone.OffsetHoursAt(Zone.At(day, new(12, 0)))), key =>
        {
            var sun = SunTimes.On(key.Item1, key.Item2, key.Item3);
            // Setup holds farms within 66° of the equator, where the sun rises and sets every day.
            return (sun.Sunrise!.Value, sun.Sunset!.Value);
        });
}
