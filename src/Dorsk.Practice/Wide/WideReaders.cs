using Dorsk.Core.Judging;
using Dorsk.Core.Time;
using Dorsk.Core.Water;

namespace Dorsk.Practice;

/// <summary>Who reads a wide pond, when and how well: at dusk or not, at dawn or not, at noon, once in the night, or by a probe that fouls.</summary>
internal sealed class WideReaders
{
    private readonly Chance chance;
    private readonly List<(DateTimeOffset At, Fact Fact)> told;
    private readonly double dusk,
        dawn,
        noon,
        dark,
        darkHour,
        duskAfterH,
        dawnAfterH,
        noiseSd,
        foulsPerDay;
    private readonly bool readsWind;
    private double drift,
        fouled;
    private DateOnly last;
    private (bool Dusk, bool Dawn, bool Noon, bool Dark) today;

    public WideReaders(Chance chance, List<(DateTimeOffset At, Fact Fact)> told)
    {
        double Between(double low, double high) => low + ((high - low) * chance.Uniform());
        (this.chance, this.told) = (chance, told);
        HasProbe = chance.Uniform() < 0.25;
        (dusk, dawn) = (Between(0.5, 1), Between(0.7, 1));
        noon = chance.Uniform() < 0.4 ? 0.3 : 0;
        dark = chance.Uniform() < 0.4 ? 0.3 : 0;
        darkHour = chance.Uniform() < 0.5 ? 1 : 3;
        (duskAfterH, dawnAfterH) = (Between(-1.5, 0.5), Between(-0.7, 0.8));
        noiseSd = Between(0.12, 0.3);
        foulsPerDay = Between(0, 0.05);
        readsWind = chance.Uniform() < 0.6;
    }

    public bool HasProbe { get; }

    /// <summary>The last value that was read, mg/L.</summary>
    public double LastMgL { get; private set; } = 7;

    /// <summary>Lets ten minutes pass.</summary>
    public void Look(DateTimeOffset at, SunDay sun, double hour, WideWater water, double windMs)
    {
        var day = DateOnly.FromDateTime(WideNights.Zone.LocalAt(at));
        if (day != last)
            NewDay(day);
        bool Near(DateTimeOffset? instant, double afterH) =>
            instant!.Value.AddHours(afterH) is var t && t >= at && t < at.AddMinutes(10);
        bool At(double of) => hour >= of && hour < of + (1 / 6.0);
        var byHand =
            (today.Dusk && Near(sun.Sunset, duskAfterH))
            || (today.Dawn && Near(sun.Sunrise, dawnAfterH))
            || (today.Noon && At(13))
            || (today.Dark && At(darkHour));
        if (byHand || (HasProbe && hour % 1 < 0.01))
            Read(at, water, HasProbe && hour % 1 < 0.01);
        if (readsWind && Near(sun.Sunset, duskAfterH))
            told.Add(
                (
                    at,
                    new ReadingTaken(
                        null,
                        [new(Parameter.Wind, Math.Round(windMs * Math.Exp(0.2 * chance.Normal()), 1))]
                    )
                )
            );
    }

    private void NewDay(DateOnly day)
    {
        last = day;
        bool Does(double share) => chance.Uniform() < share;
        today = (Does(dusk), Does(dawn), Does(noon), Does(dark));
        drift = Does(1 / 30.0) ? 0 : drift + (0.02 * chance.Normal());
        fouled = Does(1 / 12.0) ? 0 : fouled + foulsPerDay;
    }

    private void Read(DateTimeOffset at, WideWater water, bool byProbe)
    {
        var off = byProbe ? -fouled + (0.08 * chance.Normal()) : drift + (noiseSd * chance.Normal());
        LastMgL = Math.Max(0.1, Math.Round(water.DoMgL + off, byProbe ? 2 : 1));
        var tempC = Math.Round(water.TempC + (0.2 * chance.Normal()), 1);
        told.Add((at, new ReadingTaken(1, [new(Parameter.Oxygen, LastMgL), new(Parameter.Temperature, tempC)])));
    }
}
