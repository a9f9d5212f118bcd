using System.Collections.Concurrent;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Estimates;

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

/// <summary>The oxygen of a pond's coming or running night.</summary>
/// <param name="facts">The facts.</param>
/// <param name="stock">What stands.</param>
public sealed class NightOutlook(PondFacts facts, StandingStock stock)
{
    private const int NightsBack = 24;
    private const double UsualWindMs = 1.5;
    private static readonly TimeSpan OldestStart = TimeSpan.FromHours(40),
        OldestAirless = TimeSpan.FromHours(12);

    private static readonly TimeSpan DawnEnds = TimeSpan.FromHours(2),
        LowAfterSunrise = TimeSpan.FromMinutes(60),
        AutomaticEnds = TimeSpan.FromHours(1);

    // Readings that stand for dusk, dawn and the dark.
    private static readonly TimeSpan DuskFrom = TimeSpan.FromHours(3.5),
        DuskTo = TimeSpan.FromHours(1.5),
        DarkFrom = TimeSpan.FromMinutes(30),
        MiddleSpan = TimeSpan.FromHours(2.5);

    // How long what was read before speaks for a night.
    private static readonly TimeSpan WarmthSpeaks = TimeSpan.FromHours(24),
        WarmthAfter = TimeSpan.FromMinutes(30),
        WeatherSpeaks = TimeSpan.FromHours(12),
        SecchiSpeaks = TimeSpan.FromDays(14);

    /// <summary>Forecast of the dawn low of the coming (or running) night: own nights, else two readings, else the balance.</summary>
    /// <param name="now">By the farm clock.</param>
    /// <param name="only">Only this method, for proof; null for the usual order.</param>
    /// <param name="aerators">Aerators with the timers that are tried; null for those that are set.</param>
    public Tonight At(DateTimeOffset now, DeclineMethod? only = null, IReadOnlyList<Aerator>? aerators = null)
    {
        var (basis, whyNot, night) = BasisAt(now, only);
        if (basis is null)
            return new(null, whyNot, night);
        var sunrise = facts.SunOf(night).Sunrise;
        var hand = facts.Farm.Hand;
        var water = aerators is null ? basis.Water : basis.Water with { Aerators = aerators };
        DawnLowForecast Run(NightWater w) =>
            TonightForecast.Run(
                basis.Decline,
                w,
                basis.Start,
                sunrise + DawnEnds,
                night.End(facts.Zone),
                basis.Limits,
                hand
            );
        var forecast = Run(water);
        var itself = aerators is null ? StartsByItself(forecast, now) : null;
        if (itself is { } from)
            forecast = Run(water = WithAutomatic(water, from, sunrise + AutomaticEnds));
        var plan = AirPlan.For(forecast, basis with { Water = water }, now, sunrise, hand);
        return new(forecast, "", night, plan, itself);
    }

    /// <summary>How long the fish have when all air stops now; null without fish, or without what is needed to tell.</summary>
    public WithoutAir? WithoutAirAt(DateTimeOffset now)
    {
        if ((BasisAt(now, null).Basis ?? BasisAt(now, DeclineMethod.Balance).Basis) is not { } basis)
            return null;
        // Minutes are no matter for a guess: from an older reading nothing is said.
        if (now - basis.Start.At > OldestAirless)
            return null;
        // Between the last reading and now the night was carried on with its timers.
        var at = NightCurve.Run(basis.Water, basis.Decline.MgLH, basis.Start, now)[^1];
        var fish = stock.StockOn(facts.Zone.DayOf(now));
        var lethal = fish.Max(f => f.Species.LethalDoMgL);
        var water = basis.Water;
        return facts.Pond.ByVolume
            ? WithoutAir.OfTank(fish, water.VolumeM3, water.TempC, at.Si, basis.Limits, lethal)
            : WithoutAir.OfPond(
                water,
                basis.Decline,
                at,
                now.AddHours(24),
                basis.Limits,
                lethal,
                fish.Sum(f => f.Kg) / water.VolumeM3
            );
    }

    // Where the probe switches, idle aerators start when the likely curve passes their level, and run until the sun has done its part.
    private DateTimeOffset? StartsByItself(DawnLowForecast f, DateTimeOffset now) =>
        facts.Air.Control is { Automatic: true } c
        && f.Curve.FirstOrDefault(p => p.At >= now && p.MgL < c.OnBelowMgL) is { At.Ticks: > 0 } p
            ? p.At
            : null;

    private NightWater WithAutomatic(NightWater water, DateTimeOffset from, DateTimeOffset to) =>
        water with
        {
            Known = (code, at) =>
                facts.Air.HandAt(code, at) ?? (at >= from && at < to ? true : water.Known?.Invoke(code, at)),
        };

    // What has run is known by panels and hand orders; what is to come by the orders that stand.
    private Func<string, DateTimeOffset, bool?>? RunsUpTo(DateTimeOffset now) =>
        facts.Air.Lines.Count == 0
            ? null
            : (code, at) => at <= now ? facts.Air.Ran(code, at) : facts.Air.HandAt(code, at);

    // What a night is worked out from.

    private (NightBasis? Basis, string WhyNot, Night Night) BasisAt(DateTimeOffset now, DeclineMethod? only)
    {
        var night = Night.Of(now, facts.Zone);
        if (now > facts.SunOf(night).Sunrise + DawnEnds)
            night = new(night.Evening.AddDays(1));
        if (stock.LimitsOn(facts.Zone.DayOf(now)) is not { } limits)
            return (null, "No fish stand here.", night);
        if (facts.ReadingsOf[Parameter.Oxygen].LastAt(now) is not { } start)
            return (null, "Oxygen was never read here: read it at dusk for a forecast.", night);
        if (now - start.At > OldestStart)
            return (null, "The last oxygen reading is over 40 h old: read it again for a forecast.", night);
        if (WaterAt(start.At, likely: true) is not { } read)
            return (null, "The pond stands empty by its gauge: enter the level for a forecast.", night);
        // Timers that were set since the reading run tonight.
        var water = read with
        {
            Aerators = facts.AeratorsAt(now),
            Known = RunsUpTo(now),
            Dark = facts.SunOf(night),
            EveningExcess = PastOf(night, start).Own?.EveningExcess ?? NightSettings.EveningExcess,
        };
        if (only is null or DeclineMethod.OwnNights && PastOf(night, start).Own is { } own)
            return (FromOwn(own, water, start, limits, night), "", night);
        if (DeclineOf(night, start.At, water, only) is { } decline)
            return (Carried(new(water, start, Likely(decline, water), limits), night), "", night);
        return (
            null,
            only is null
                ? "Nights of its own are wanted here, two of them, or two readings in the dark an hour and a half apart."
                : "This method cannot run with the readings there are.",
            night
        );
    }

    private static Decline Likely(Decline decline, NightWater water) =>
        water.IsTempRead
            ? decline
            : decline with
            {
                Why = decline.Why.Doubting("The water temperature was not read within a day: the likely one is taken."),
            };

    private DayRead ReadOn(Night night, DateTimeOffset at)
    {
        if (at >= facts.SunOf(night).Sunset - DuskFrom)
            return DayRead.Evening;
        // What was read on the day itself goes before what is usual: a bloom that dies at noon shows there first.
        return at >= MorningOf(night) + PondFacts.MorningEnds ? DayRead.Day : DayRead.Not;
    }

    private DateTimeOffset MorningOf(Night night) => facts.SunOf(new(night.Evening.AddDays(-1))).Sunrise;

    private NightBasis FromOwn(OwnNights own, NightWater water, Timed read, WaterLimits limits, Night night)
    {
        var (sunset, sunrise) = facts.SunOf(night);
        var day = ReadOn(night, read.At);
        if (day == DayRead.Not && UsualDusk(night, read) is { } usual)
        {
            var evening = water with { TempC = usual.TempC, SaturationMgL = usual.SaturationMgL };
            var start = new Timed(sunset, usual.MgL);
            var asUsual = own.Tonight(evening, start, sunrise + LowAfterSunrise, day, usual.SdMgL);
            return new(evening, start, Unread(asUsual, usual, night, read), limits);
        }
        var (dusk, dawn) = (DuskUpTo(night, read) ?? read, sunrise + LowAfterSunrise);
        var decline = own.Tonight(water, dusk, dawn, day, Decline.ReadingSd).For((dawn - read.At) / (dawn - dusk.At));
        if (Declines.TwoReadings(InDark(night, read.At), water) is { } two)
            decline = Declines.Both(decline, two);
        return new(water, read, Likely(decline, water), limits);
    }

    private bool IsOfMorning(Timed read, Night night) =>
        (read.At - MorningOf(night)).Duration() <= PondFacts.SunriseSpan;

    // From the morning on nobody knows what the day brings: the night is told from the evenings this pond usually has.
    private UsualEvening? UsualDusk(Night night, Timed read) =>
        UsualEvening.Of(PastOf(night, read).Nights, IsOfMorning(read, night) ? read.Si : null);

    private Decline Unread(Decline decline, UsualEvening usual, Night night, Timed read)
    {
        var hand = facts.Farm.Hand;
        string MgL(double v) => Core.Units.QuantityText.Write(v, Core.Units.Measures.Oxygen, hand);
        var narrower = Core.Judging.SampleStatistics.Z(TonightForecast.Level) * decline.IfReadSd!.Value;
        return decline with
        {
            IsEveningRead = false,
            Why = decline.Why.Doubting(
                $"Not read this evening: {MgL(usual.MgL)} at sunset is taken, as on the last evenings{(IsOfMorning(read, night) ? " and by this morning" : "")}. Read it at dusk: that narrows tonight's range to about ± {MgL(narrower)}."
            ),
        };
    }

    // Without nights of its own an old reading is carried with the doubt of its age.
    private NightBasis Carried(NightBasis read, Night night)
    {
        if (ReadOn(night, read.Start.At) != DayRead.Not)
            return read;
        var age = (facts.SunOf(night).Sunset - read.Start.At).TotalHours;
        return Doubted(
            read,
            UsualEvening.CarriedSdMgL(age),
            $"Not read since {facts.Farm.Hand.Figure(age, 0)} h before sunset: what the day brought is not known. Read it at dusk."
        );
    }

    private static NightBasis Doubted(NightBasis basis, double sd, string why) =>
        basis with
        {
            Decline = basis.Decline with
            {
                IsEveningRead = false,
                StartSd = Math.Sqrt((Decline.ReadingSd * Decline.ReadingSd) + (sd * sd)),
                Why = basis.Decline.Why.Doubting(why),
            },
        };

    private Decline? DeclineOf(Night night, DateTimeOffset at, NightWater water, DeclineMethod? only)
    {
        if (only is null or DeclineMethod.TwoReadings && Declines.TwoReadings(InDark(night, at), water) is { } two)
            return two;
        // What a tank's flow of fresh water brings is not known: a balance without it would cry wolf every night. Who asks for it alone gets it.
        if (only == DeclineMethod.Balance || (only is null && !facts.Pond.ByVolume))
            return Declines.Balance(
                stock.StockOn(facts.Zone.DayOf(at)),
                facts.ReadingsOf[Parameter.Secchi].LastWithin(at, SecchiSpeaks)?.Si,
                !facts.Pond.ByVolume && facts.Pond.Kind == PondKind.Earthen,
                water
            );
        return null;
    }

    private readonly ConcurrentDictionary<(Night, TimeSpan), (List<PastNight> Nights, OwnNights? Own)> pasts = [];

    // The past of a night stays as it is, however often the night is told; evenings are compared at the same time after sunset.
    private (List<PastNight> Nights, OwnNights? Own) PastOf(Night night, Timed read)
    {
        var (sunset, _) = facts.SunOf(night);
        var after = DuskUpTo(night, read) is { } dusk ? dusk.At - sunset : TimeSpan.Zero;
        if (!pasts.TryGetValue((night, after), out var past))
        {
            var nights = PastNights(night, after);
            pasts[(night, after)] = past = (nights, OwnNights.Of(nights, PastMornings(night)));
        }
        return past;
    }

    private List<PastMorning> PastMornings(Night night) =>
        [
            .. Enumerable
                .Range(1, NightsBack)
                .Select(ago => (ago, Low: facts.DawnReadOn(night.Evening.AddDays(1 - ago))))
                .Where(m => m.Low is not null)
                .Select(m => new PastMorning(m.ago, m.Low!.Value)),
        ];

    // The last reading of the evening that was known with the one that is started from.
    private Timed? DuskUpTo(Night night, Timed read)
    {
        var (sunset, _) = facts.SunOf(night);
        var last = read.At < sunset + DuskTo ? read.At : sunset + DuskTo;
        return DuskOf(night, last - sunset) is { } dusk && dusk.At <= read.At ? dusk : null;
    }

    // The reading of an evening that lies nearest to some time after sunset.
    private Timed? DuskOf(Night night, TimeSpan after)
    {
        var (sunset, _) = facts.SunOf(night);
        return facts
            .ReadingsOf[Parameter.Oxygen]
            .Between(sunset - DuskFrom, sunset + DuskTo)
            .Select(t => (Timed?)t)
            .MinBy(t => (t!.Value.At - sunset - after).Duration());
    }

    private List<Timed> InDark(Night night, DateTimeOffset upTo)
    {
        var (sunset, sunrise) = facts.SunOf(night);
        return [.. facts.ReadingsOf[Parameter.Oxygen].Between(sunset - DarkFrom, sunrise < upTo ? sunrise : upTo)];
    }

    private List<PastNight> PastNights(Night tonight, TimeSpan after)
    {
        var nights = new List<PastNight>();
        var oxygen = facts.ReadingsOf[Parameter.Oxygen];
        for (var ago = 1; ago <= NightsBack; ago++)
        {
            var night = new Night(tonight.Evening.AddDays(-ago));
            var (sunset, sunrise) = facts.SunOf(night);
            if (
                DuskOf(night, after) is not { } dusk
                || oxygen.Nearest(sunrise, PondFacts.SunriseSpan) is not { } dawn
                || WaterAt(dusk.At) is not { } water
            )
                continue;
            var middle = dusk.At + ((dawn.At - dusk.At) / 2);
            water = water with
            {
                Aerators = facts.AeratorsAt(middle),
                Known = RunsUpTo(dawn.At),
                Dark = (sunset, sunrise),
            };
            nights.Add(new(ago, dusk, dawn, water) { Middle = oxygen.Nearest(middle, MiddleSpan) });
        }
        return nights;
    }

    private NightWater? WaterAt(DateTimeOffset at, bool likely = false)
    {
        var warmth = facts.ReadingsOf[Parameter.Temperature].LastAt(at + WarmthAfter);
        double? read = warmth is { } said && said.At > at - WarmthSpeaks ? said.Si : null;
        if (read is null && !likely)
            return null;
        var tempC = read ?? facts.Temperature.On(facts.Zone.DayOf(at)).TempC;
        var shape = facts.Pond.Shape;
        var (level, _) = facts.LevelAt(at);
        var volume = shape.VolumeM3(level);
        if (volume <= 0)
            return null;
        var saturation = OxygenSaturation.MgL(
            Math.Clamp(tempC, 0, 40),
            facts.SalinityAt(at),
            facts.Weather[Parameter.AirPressure].LastWithin(at, WeatherSpeaks)?.Si
                ?? OxygenSaturation.PressureKPa(facts.Farm.AltitudeM)
        );
        return new(
            volume,
            volume / shape.AreaM2(level),
            tempC,
            saturation,
            facts.Weather[Parameter.Wind].LastWithin(at, WeatherSpeaks)?.Si ?? UsualWindMs,
            facts.AeratorsAt(at),
            facts.Farm.Place,
            facts.Zone
        )
        {
            IsTempRead = read is not null,
        };
    }
}
