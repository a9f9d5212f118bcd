using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Water;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Ponds;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Water;

/// <summary>Readings of water and weather, the instruments they are read with, and forecasts as they were issued.</summary>
internal static class WaterFacts
{
    // Deeper than the brim by a tenth: gauges and hands are not exact.
    private const double DepthSlack = 1.1,
        DeepestM = 10;

    // How far back a value is looked for to hold the new one against.
    private const int JumpDays = 3,
        StripDays = 21;

    public static readonly FactTable<ReadingTaken> Reading = new FactTable<ReadingTaken>("reading", "reading")
        .FiledUnder(f => f.PondId)
        .Rows(
            f => f.Values,
            ReadingOf,
            ("pond", (f, _) => f.PondId),
            ("parameter", (_, v) => v.Parameter.Key),
            ("value", (_, v) => v.Si),
            ("depth_m", (_, v) => v.DepthM),
            ("instrument", (_, v) => v.Instrument),
            ("low", (_, v) => v.Step?.Low),
            ("high", (_, v) => v.Step?.High)
        )
        .CheckedBy(CheckReading);

    public static readonly FactTable<InstrumentKept> Instrument = new FactTable<InstrumentKept>(
        "instrument",
        "instrument",
        Reach.Farm
    )
        .Itself("instrument", i => i.InstrumentId)
        .Column("name", i => i.Name)
        .Column("kind", i => i.Kind)
        .Column("measures", i => string.Join(' ', i.Measures.Select(m => m.Key)))
        .Column("resolution", i => i.Resolution)
        .Column("calibrated", i => i.CalibratedOn)
        .Column("every_days", i => i.EveryDays)
        .Column("who", i => i.Who)
        .ReadBy(r =>
            new(
                r.Long("instrument"),
                r.Text("name"),
                r.Word<InstrumentKind>("kind"),
                [.. r.Text("measures").Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Parameter.ByKey)],
                r.Text("resolution"),
                r.MaybeDay("calibrated"),
                r.MaybeInt("every_days"),
                r.Text("who")
            )
        )
        .CheckedBy(
            (desk, i) =>
                i.Check(
                    desk.Today,
                    InstrumentQuestions
                        .All(desk.Connection, desk.AsOf.Known)
                        .Where(other => other.Kept.InstrumentId != i.InstrumentId)
                        .Select(other => other.Kept.Name)
                )
        );

    public static readonly FactTable<ForecastIssued> Forecast = new FactTable<ForecastIssued>(
        "forecast_issued",
        "forecast",
        Reach.Nothing
    )
        .Pond("pond", f => f.PondId)
        .Column("night", f => f.Night.Evening)
        .Column("method", f => f.Method)
        .Column("low", f => f.Low.Value)
        .Column("low_80", f => f.Low.Low)
        .Column("high_80", f => f.Low.High)
        .Column("low_at", f => f.LowAt)
        .Column("chance_under_act", f => f.ChanceUnderAct)
        .Column("start_at", f => f.StartAt)
        .Column("shown", f => f.Shown)
        .ReadBy(r =>
            new(
                r.Long("pond"),
                new(r.Day("night")),
                r.Word<DeclineMethod>("method"),
                new(r.Real("low"), r.Real("low_80"), r.Real("high_80"), TonightForecast.Level),
                r.Instant("low_at"),
                r.Real("chance_under_act"),
                r.Instant("start_at"),
                r.Yes("shown")
            )
        );

    public static readonly FactTable<SourceTested> Source = new FactTable<SourceTested>(
        "source_tested",
        "source tested"
    )
        .Column("name", f => f.Name)
        .Column("kind", f => f.Kind)
        .Column("is_second", f => f.IsSecond)
        .Column("flow_m3_h", f => f.FlowM3H)
        .Rows("source_value", f => f.Values, ("parameter", v => v.Parameter.Key), ("value", v => v.Si))
        .ReadBy(r =>
            new(
                r.Text("name"),
                r.Word<SourceKind>("kind"),
                r.Yes("is_second"),
                r.MaybeReal("flow_m3_h"),
                r.Rows("source_value", v => (Parameter.ByKey(v.Text("parameter")), v.Real("value")))
            )
        )
        .CheckedBy((desk, f) => f.Check(desk.Hand));

    public static IReadOnlyList<FactKind> Kinds { get; } = [Reading, Instrument, Forecast, Source];

    private static ReadingTaken? ReadingOf(SqliteConnection c, long line)
    {
        var rows = FactRow.Rows(c, "reading", line, r => (Pond: r.MaybeLong("pond"), Value: ValueOf(r)));
        return rows.Count == 0 ? null : new(rows[0].Pond, rows.ConvertAll(r => r.Value));
    }

    private static Value ValueOf(FactRow r) =>
        new(Parameter.ByKey(r.Text("parameter")), r.Real("value"), r.MaybeReal("depth_m"), r.Text("instrument"))
        {
            Step = r.MaybeReal("low") is { } low ? (low, r.Real("high")) : null,
        };

    private static List<Remark> CheckReading(Desk desk, ReadingTaken reading)
    {
        if (reading.Values.Count == 0)
            return [Remark.Refuse("", "Nothing was read yet. Type at least one value.")];
        var brimM = BrimM(desk, reading);
        if (reading.Values.Any(v => v.DepthM is { } d && !(d >= 0 && d <= (brimM ?? DeepestM) * DepthSlack)))
            return [Remark.Refuse("Depth", "A depth from 0 down to the floor of this pond, or empty.")];
        var tempC = reading.Values.FirstOrDefault(v => v.Parameter == Parameter.Temperature)?.Si
            ?? Readings.Last(desk.Connection, desk.AsOf, reading.PondId, Parameter.Temperature)?.Si;
        var saturationMgL = OxygenSaturation.FreshMgL(tempC, desk.Farm?.AltitudeM ?? 0);
        var strips = Strips(desk, reading);
        return
        [
            .. reading.Values.SelectMany(v => ReadingRule.Check(v, Against(v), desk.Hand)),
            .. WithoutTemperature(desk, reading),
        ];

        ReadingContext Against(Value v)
        {
            var isStrip = strips.Contains(v.Instrument);
            var wanted = v.Parameter.JumpPerDay is not null || isStrip;
            var last = wanted
                ? Readings.Last(desk.Connection, desk.AsOf, reading.PondId, v.Parameter, isStrip ? StripDays : JumpDays)
                : null;
            var byAnother = v.Instrument.Length > 0 && v.DepthM is null;
            return new(last, desk.Happened, saturationMgL, brimM)
            {
                IsStrip = isStrip,
                Other = byAnother
                    ? Readings.ByAnother(desk.Connection, desk.AsOf, reading.PondId, v.Parameter, v.Instrument)
                    : null,
            };
        }
    }

    // Whoever read a temperature within a month has a thermometer.
    private const int UsedDays = 30;

    // Oxygen by hand says little without its temperature: saturation, un-ionised ammonia and tonight's forecast stand on both.
    private static IEnumerable<Remark> WithoutTemperature(Desk desk, ReadingTaken reading)
    {
        if (
            reading.PondId is null
            || reading.Values.All(v => v.Parameter != Parameter.Oxygen)
            || reading.Values.Any(v => v.Parameter == Parameter.Temperature)
            || Readings.Last(desk.Connection, desk.AsOf, reading.PondId, Parameter.Temperature, UsedDays)
                is not { } last
            || (desk.Happened - last.At).Duration() < TimeSpan.FromDays(1)
        )
            yield break;
        yield return Remark.Ask(
            Parameter.Temperature.Key,
            "Oxygen without its temperature: the last was read more than a day ago, and saturation, ammonia and tonight's low stand on both. Read it too, or is it meant to go without?"
        );
    }

    private static double? BrimM(Desk desk, ReadingTaken reading)
    {
        var needed = reading.Values.Any(v => v.Parameter == Parameter.GaugeLevel || v.DepthM is not null);
        return needed && reading.PondId is { } pond
            ? FarmQuestions.Pond(desk.Connection, desk.AsOf.Known, pond)?.Shape.FullDepthM
            : null;
    }

    private static HashSet<string> Strips(Desk desk, ReadingTaken reading) =>
        reading.Values.All(v => v.Instrument.Length == 0)
            ? []
            :
            [
                .. InstrumentQuestions
                    .All(desk.Connection, desk.AsOf.Known)
                    .Where(i => i.Kept.Kind == InstrumentKind.Strip)
                    .Select(i => i.Kept.Name),
            ];
}
