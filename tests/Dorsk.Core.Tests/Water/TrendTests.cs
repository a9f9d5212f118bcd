using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Water;

/// <summary>Sentences of a run of readings, a second instrument, strips, and scales.</summary>
public class TrendTests
{
    private static List<DayValue> Run(params double[] values) =>
        values.Select((v, i) => new DayValue(new DateOnly(2027, 1, 1).AddDays(i), v)).ToList();

    [Fact]
    public void A_trend_is_told_when_days_agree_and_it_matters()
    {
        // By hand: eight days falling 0.2 a day; Sen's slope is -0.2, the change over seven days -1.4.
        Assert.Equal(-1.4, WaterTrend.Change(Parameter.Oxygen, Run(5, 4.8, 4.6, 4.4, 4.2, 4, 3.8, 3.6))!.Value, 9);
        // One odd reading does not move it much.
        Assert.Equal(-1.4, WaterTrend.Change(Parameter.Oxygen, Run(5, 4.8, 4.6, 9.4, 4.2, 4, 3.8, 3.6))!.Value, 1);
        Assert.Null(WaterTrend.Change(Parameter.Oxygen, Run(5, 4.99, 4.98, 4.97, 4.96, 4.95)));
        Assert.Null(WaterTrend.Change(Parameter.Oxygen, Run(5, 3, 5, 3, 5, 3, 5, 3)));
        Assert.Null(WaterTrend.Change(Parameter.Oxygen, Run(5, 4, 3, 2)));
        // Chance alone speaks up in about one run of ten (both ways at 10 %), never in most.
        var chance = new Random(3);
        var told = Enumerable
            .Range(0, 2000)
            .Count(_ =>
                WaterTrend.Change(
                    Parameter.Ph,
                    Run(Enumerable.Range(0, 14).Select(_ => 7.5 + (4 * (chance.NextDouble() - 0.5))).ToArray())
                )
                    is not null
            );
        Assert.InRange(told, 20, 260);

        var said = WaterTrend.Of(
            Parameter.Ph,
            Run(7.5, 7.5, 7.4, 7.5, 7.4, 7.4, 7.4),
            Run(8, 8.1, 8.3, 8.4, 8.6, 8.8, 8.9),
            Hand.Metric
        );
        Assert.Contains(said, j =>
            j.Status == Status.Watch
            && j.Reason.StartsWith("pH in the afternoon rose 0.9 in 6 days", StringComparison.Ordinal)
        );
        Assert.Contains(said, j => j.Reason.StartsWith("the daily swing of pH rose", StringComparison.Ordinal));
        Assert.Contains(
            "9.0",
            WaterTrend
                .Of(
                    Parameter.Temperature,
                    Run(20, 21, 22, 23, 24, 25),
                    [],
                    Hand.Metric with
                    {
                        System = UnitSystem.Us,
                    }
                )[0]
                .Reason,
            StringComparison.Ordinal
        );
        Assert.Equal(Status.ActNow, WaterTrend.Cleared(Run(0.2, 0.25, 0.55), Hand.Metric)!.Status);
        Assert.Null(WaterTrend.Cleared(Run(0.6, 0.9), Hand.Metric));
        IReadOnlyList<DayValue> down = Run(2, 1.8, 1.6, 1.4, 1.2, 1),
            up = Run(2, 2.2, 2.6, 3.4, 4.2, 5),
            bit = Run(0.1, 0.2, 0.3, 0.4, 0.6, 0.8),
            flat = Run(0.1, 0.1, 0.1, 0.1, 0.1, 0.1);
        string? Says(IReadOnlyList<DayValue> tan, IReadOnlyList<DayValue> nitrite, IReadOnlyList<DayValue> nitrate) =>
            WaterTrend.Nitrification(tan, nitrite, nitrate)?.Reason;
        Assert.Contains("second step of the bacteria lags", Says(down, bit, []), StringComparison.Ordinal);
        Assert.Contains("nitrate must follow: test it", Says(down, bit, []), StringComparison.Ordinal);
        Assert.Contains("nitrate does not follow yet", Says(down, bit, flat), StringComparison.Ordinal);
        Assert.Null(Says(up, bit, []));
        Assert.Contains("first step of the bacteria lags", Says(up, flat, flat), StringComparison.Ordinal);
        Assert.Contains("both steps of the bacteria run", Says(down, flat, up), StringComparison.Ordinal);
        Assert.Null(Says(flat, flat, flat));
    }

    [Fact]
    public void Another_instrument_a_strip_and_a_wild_figure_are_asked_about()
    {
        var at = new DateTimeOffset(2027, 1, 1, 6, 0, 0, TimeSpan.Zero);
        string Said(Value v, ReadingContext c) =>
            string.Join('|', ReadingRule.Check(v, c, Hand.Metric).Select(r => $"{r.Kind} {r.Text}"));
        var plain = new ReadingContext(null, at, 8, 2);
        Assert.Equal("", Said(new(Parameter.Oxygen, 5), plain with { Other = new(at, 5.9, "old meter") }));
        Assert.Contains(
            "old meter read 6.1",
            Said(new(Parameter.Oxygen, 5), plain with { Other = new(at, 6.1, "old meter") }),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "second one",
            Said(new(Parameter.Alkalinity, 160), plain with { IsStrip = true, Last = new(at.AddDays(-9), 40) }),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "second one",
            Said(new(Parameter.Alkalinity, 70), plain with { IsStrip = true, Last = new(at.AddDays(-9), 40) }),
            StringComparison.Ordinal
        );
        Assert.Equal(
            "",
            Said(new(Parameter.Alkalinity, 60), plain with { IsStrip = true, Last = new(at.AddDays(-9), 40) })
        );
        Assert.StartsWith("Refuse", Said(new(Parameter.Film, 6), plain), StringComparison.Ordinal);
        Assert.Equal("", Said(new(Parameter.Colour, 9), plain));
        // Every parameter has ends in order and its name for the lists.
        Assert.All(Parameter.All, p =>
            Assert.True(p.HardLow <= p.UsualLow && p.UsualLow <= p.UsualHigh && p.UsualHigh <= p.HardHigh, p.Key)
        );
    }

    [Fact]
    public void Nitrite_is_judged_by_its_chloride_and_scales_by_their_words()
    {
        var limits = WaterLimits.For(FishSpecies.Of("silver_perch"), LifeStage.Growing);
        var high = limits.NitriteMgL * 4;
        Status Of(double? chloride) => WaterJudge.JudgeNitrite(high, chloride, limits, Hand.Metric).Status;
        Assert.Equal(
            (Status.Watch, Status.ActNow, Status.Watch, Status.Steady),
            (Of(null), Of(5 * high), Of(8 * high), Of(10 * high))
        );
        Assert.Equal(Status.Watch, WaterJudge.Judge(Parameter.Colour, 8, limits, Hand.Metric).Status);
        Assert.Contains(
            "dogs",
            WaterJudge.Judge(Parameter.Film, 5, limits, Hand.Metric).Reason,
            StringComparison.Ordinal
        );
        // 25 mg/L for perch, 15 for trout; twice that is grave.
        var trout = WaterLimits.For(FishSpecies.Of("rainbow_trout"), LifeStage.Growing);
        Status Carbon(double mgL, WaterLimits by) =>
            WaterJudge.Judge(Parameter.CarbonDioxide, mgL, by, Hand.Metric).Status;
        Assert.Equal(
            (Status.Steady, Status.Watch, Status.ActNow),
            (Carbon(24, limits), Carbon(26, limits), Carbon(51, limits))
        );
        Assert.Equal((Status.Watch, Status.ActNow), (Carbon(24, trout), Carbon(31, trout)));
    }

    [Fact]
    public void Several_signs_of_a_bloom_together_are_a_risk_one_alone_is_none()
    {
        var day = new DateOnly(2027, 1, 1);
        List<DayValue> Line(double from, double perDay) =>
            [.. Enumerable.Range(0, 10).Select(i => new DayValue(day.AddDays(i), from + (perDay * i)))];
        Judgement? Risk(double dawnPerDay, double noonPerDay, double feed, double? secchi) =>
            BloomRisk.Of(Line(6, dawnPerDay), Line(9, noonPerDay), 7.8, feed, secchi, Dorsk.Core.Units.Hand.Metric);
        Assert.Null(Risk(0, 0, 20, 0.4));
        Assert.Null(Risk(-0.3, 0, 20, 0.4));
        Assert.Equal(Status.Watch, Risk(-0.3, 0, 20, 0.25)!.Status);
        var all = Risk(-0.3, 0.4, 100, 0.15)!;
        Assert.Equal(Status.ActNow, all.Status);
        Assert.All(
            new[] { "dawn oxygen falls", "afternoon oxygen rises", "% of saturation", "Secchi", "of feed a day" },
            sign => Assert.Contains(sign, all.Reason, StringComparison.Ordinal)
        );
    }

    [Fact]
    public void Hours_of_an_aerator_follow_its_timers_as_they_were_set()
    {
        var zone = Dorsk.Core.Time.FarmZone.Find("Etc/GMT-10")!;
        var from = zone.At(new DateOnly(2027, 1, 1), new TimeOnly(12, 0));
        var kind = Dorsk.Core.Ponds.AeratorKind.All[0];
        Dorsk.Core.Ponds.Aerator A(string code, int? on, int? off) =>
            new(code, kind, 1.1, on is { } o ? new TimeOnly(o, 0) : null, off is { } f ? new TimeOnly(f, 0) : null);
        // Ten nights of nine hours, then five of twelve; a second one only in the five.
        var ran = Dorsk.Core.Ponds.AeratorHours.Of(
            [
                (from.AddDays(-3), [A("A1", 21, 6), A("A2", null, null)]),
                (from.AddDays(10), [A("A1", 19, 7), A("A2", 0, 4)]),
            ],
            from,
            from.AddDays(15),
            zone
        );
        Assert.Equal([("A1", 150.0), ("A2", 20.0)], ran.Select(r => (r.Code, Math.Round(r.Hours, 6))));
        Assert.Equal(150 * 1.1 / kind.MotorEfficiency, ran[0].KWh, 6);
    }
}
