using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using MathNet.Numerics.Distributions;

namespace Dorsk.Core.Oxygen;

/// <summary>Carries a reading through the night to the coming noon and judges the dawn low by its chance of passing under the limits.</summary>
public static class TonightForecast
{
    /// <summary>Level of oxygen forecasts.</summary>
    public const double Level = 0.80;

    // From 45 in a hundred on a low is acted on where the pond's own nights and a reading of the evening tell it: a missed one costs a pond, a
    // false one an evening's power. Where the doubt is only that little is known, it must be likely (docs/decisions/0015).
    private const double Likely = 0.5;
    private const double WatchChance = 0.1;

    // Where the doubt is only that nobody read the evening, a reading is asked for before a watch is.
    private const double UnreadWatchChance = 0.2;

    /// <summary>Runs the forecast.</summary>
    /// <param name="decline">Tonight's respiration.</param>
    /// <param name="water">Tonight's water.</param>
    /// <param name="start">Latest reading, mg/L.</param>
    /// <param name="lowUntil">Sunrise + 2 h: the dawn low is searched up to here.</param>
    /// <param name="noon">The coming noon: the curve ends here.</param>
    /// <param name="limits">Limits of the most sensitive fish in the pond.</param>
    /// <param name="hand">How figures are printed in the reason.</param>
    public static DawnLowForecast Run(
        Decline decline,
        NightWater water,
        Timed start,
        DateTimeOffset lowUntil,
        DateTimeOffset noon,
        WaterLimits limits,
        Hand hand
    )
    {
        var z = SampleStatistics.Z(Level);
        var curves = NightCurve.Run(water, [decline.MgLH, decline.MgLH + decline.Sd], start, noon);
        var curve = Curve(z, curves, decline.StartSd);
        var dark = curve.Where(p => p.At <= lowUntil).ToList();
        // The dawn low is the morning's: crowded water may stand lower at dusk, after sun and feed, than at dawn. Danger is judged over all of the night.
        var morning = dark.Where(p =>
                DateOnly.FromDateTime(water.Zone.LocalAt(p.At)) == DateOnly.FromDateTime(water.Zone.LocalAt(lowUntil))
            )
            .ToList();
        var low = (morning.Count > 0 ? morning : dark).MinBy(p => p.MgL);
        var worst = dark.MinBy(p => p.MgL);
        double ChanceUnder(double level) =>
            Normal.CDF(worst.MgL, Math.Max(0.05, (worst.HighMgL - worst.MgL) / z), level);
        DateTimeOffset? Under(double level) =>
            dark.Where(p => p.MgL < level).Select(p => (DateTimeOffset?)p.At).FirstOrDefault();
        var why = Because(decline, water, start, limits, hand);
        var judgement = Judge(
            worst.MgL,
            (ChanceUnder(limits.DoActMgL), ChanceUnder(limits.DoWatchMgL)),
            LinesOf(decline),
            limits,
            hand
        );
        return new(
            new(low.MgL, low.LowMgL, low.HighMgL, Level),
            low.At,
            Under(limits.DoWatchMgL),
            Under(limits.DoActMgL),
            ChanceUnder(limits.DoActMgL),
            judgement,
            decline.Method,
            curve,
            why
        )
        {
            IfReadMgL = decline.IsEveningRead ? null : z * decline.IfReadSd,
        };
    }

    private static List<CurvePoint> Curve(double z, IReadOnlyList<IReadOnlyList<Timed>> curves, double startSd) =>
        curves[0]
            .Zip(curves[1], (l, t) =>
            {
                var sd = Math.Sqrt(Math.Pow(l.Si - t.Si, 2) + Math.Pow(startSd, 2));
                return new CurvePoint(l.At, l.Si, Math.Max(0, l.Si - (z * sd)), l.Si + (z * sd));
            })
            .ToList();

    private static (double Act, double Watch) LinesOf(Decline decline) =>
        (
            decline is { Method: DeclineMethod.OwnNights, IsEveningRead: true } ? NightSettings.ActChance : Likely,
            decline.IsEveningRead ? WatchChance : UnreadWatchChance
        );

    private static Judgement Judge(
        double low,
        (double UnderAct, double UnderWatch) chance,
        (double Act, double Watch) from,
        WaterLimits limits,
        Hand hand
    )
    {
        var (underAct, underWatch) = chance;
        string P(double v) => QuantityText.Write(v, Measures.Oxygen, hand);
        if (underAct >= from.Act)
            return new(
                Status.ActNow,
                low < limits.DoActMgL
                    ? $"Oxygen is likely to fall to {P(low)}, under the act level {P(limits.DoActMgL)}"
                    : $"Oxygen may well pass under the act level {P(limits.DoActMgL)}, chance {DawnLowForecast.ChanceWords(underAct)}: act as if it did"
            );
        if (underAct >= from.Watch)
            return new(
                Status.Watch,
                $"Oxygen may pass under the act level {P(limits.DoActMgL)}, chance {DawnLowForecast.ChanceWords(underAct)}"
            );
        return underWatch >= Likely
            ? new(Status.Watch, $"Oxygen is likely to fall to {P(low)}, under the watch level {P(limits.DoWatchMgL)}")
            : new(Status.Steady, $"Oxygen stays above the watch level {P(limits.DoWatchMgL)} at {P(low)}");
    }

    private static Grounds Because(Decline decline, NightWater water, Timed start, WaterLimits limits, Hand hand)
    {
        var timers = water
            .Aerators.Where(a => a.On is not null)
            .Select(a => FormattableString.Invariant($"{a.Code} {a.On:HH\\:mm} to {a.Off:HH\\:mm}"))
            .ToList();
        IReadOnlyList<Input> inputs =
        [
            new("latest reading", start.Si, Measures.Oxygen, "measured"),
            .. decline.Why.Inputs,
            new("saturation", water.SaturationMgL, Measures.Oxygen, "Benson & Krause 1984"),
            new("wind", water.WindMs, Measures.Wind, "typed or usual"),
            Input.Said("aerators on timer", timers.Count == 0 ? "none" : string.Join(", ", timers), "setting"),
        ];
        return new(
            decline.Why.Method + " Ten-minute steps carry the latest reading to the coming noon.",
            inputs,
            [
                $"Act now from a chance of {hand.Count(100 * LinesOf(decline).Act)} % under {QuantityText.Write(limits.DoActMgL, Measures.Oxygen, hand)}, Watch from {(decline.IsEveningRead ? "10 %" : "20 %, as the evening was not read,")} or likely under {QuantityText.Write(limits.DoWatchMgL, Measures.Oxygen, hand)}.",
                limits.Source,
            ],
            decline.Why.Source,
            decline.Why.Caveats
        );
    }
}
