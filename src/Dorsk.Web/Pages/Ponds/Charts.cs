using System.Text.Json;
using Dorsk.Core.Growth;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;

namespace Dorsk.Web.Pages;

/// <summary>Figures of the charts as JSON, in the farm's units and on the farm's clock; the page draws, it does not compute.</summary>
public static class Charts
{
    /// <summary>Oxygen of the last two nights, the forecast ahead, night shading, aerator runs and feedings.</summary>
    public static string Oxygen(PondNow now, Here here)
    {
        var s = now.Story;
        var night = now.Tonight.Night;
        var from = new Night(night.Evening.AddDays(-2)).Start(s.Zone);
        var to = night.End(s.Zone);
        var limits = s.Stock.LimitsOn(here.Today);
        var nights = Enumerable
            .Range(0, 3)
            .Select(i => new Night(night.Evening.AddDays(-i)))
            .Select(n =>
            {
                var eve = SunTimes.On(s.Farm.Place, n.Evening, s.Zone.OffsetHoursAt(from));
                var morning = SunTimes.On(s.Farm.Place, n.Evening.AddDays(1), s.Zone.OffsetHoursAt(from));
                return new
                {
                    sunset = L(here, eve.Sunset!.Value),
                    dusk = L(here, eve.CivilDusk ?? eve.Sunset.Value),
                    dawn = L(here, morning.CivilDawn ?? morning.Sunrise!.Value),
                    sunrise = L(here, morning.Sunrise!.Value),
                };
            });
        return Json(
            new
            {
                from = L(here, from),
                to = L(here, to),
                now = L(here, here.Now),
                unit = Measures.Oxygen.In(here.Hand).Symbol,
                act = limits?.DoActMgL,
                watch = limits?.DoWatchMgL,
                nights,
                measured = s.ReadingsOf[Parameter.Oxygen]
                    .Where(t => t.At >= from && t.At <= to)
                    .Select(t => new { t = L(here, t.At), v = t.Si }),
                hand = s.ByHand[Parameter.Oxygen]
                    .Where(t => t.At >= from && t.At <= to)
                    .Select(t => new { t = L(here, t.At), v = t.Si }),
                forecast = now.Tonight.Forecast?.Curve.Select(p => new
                {
                    t = L(here, p.At),
                    v = R(p.MgL),
                    lo = R(p.LowMgL),
                    hi = R(p.HighMgL),
                }),
                fed = s
                    .Feedings.Where(f => f.At >= from && f.At <= to)
                    .Select(f => new { t = L(here, f.At), v = QuantityText.Write(f.Kg, Measures.Mass, here.Hand) }),
                runs = Runs(s, here, from, to),
            }
        );
    }

    private static object MonthsWater(Here here, DateOnly month, double meanC) =>
        new
        {
            t = D(month),
            v = QuantityText.Figure(Measures.Temperature.In(here.Hand).FromSi(meanC), 0, here.Hand.Sign),
        };

    /// <summary>Weight so far, samples with their ranges, and the forecast to the wanted weight.</summary>
    public static string Growth(PondNow now, BatchNow batch, Here here)
    {
        var s = now.Story;
        var unit = Measures.FishWeight.In(here.Hand);
        double W(double g) => R(unit.FromSi(g), 4);
        object Point(DateOnly day, Core.Judging.Interval g) =>
            new
            {
                t = D(day),
                v = W(g.Value),
                lo = W(g.Low),
                hi = W(g.High),
            };
        var so = s.Stock.Days(batch.Batch.Id, here.Today);
        var days = batch.Target.Latest is { } l ? Math.Clamp(l.DayNumber - here.Today.DayNumber + 14, 21, 400) : 180;
        var ahead = GrowthForecast.Run(batch.Stands, batch.Batch.Species, s.TemperatureAhead, days);
        return Json(
            new
            {
                unit = unit.Symbol,
                today = D(here.Today),
                target = W(batch.Batch.TargetG),
                likely = batch.Target.Likely is { } d ? D(d) : null,
                earliest = batch.Target.Earliest is { } e ? D(e) : null,
                latest = batch.Target.Latest is { } x ? D(x) : null,
                plan = s
                    .Growth.PlanOf(batch.Batch, here.Today.AddDays(days))
                    .Where((_, i) => i % 6 == 0)
                    .Select(p => new { t = D(p.Day), v = W(p.MeanG) }),
                line = so.Where((_, i) => i % 3 == 0 || i == so.Count - 1).Select(p => Point(p.Day, p.MeanG)),
                ahead = ahead.Where((_, i) => i % 4 == 0 || i == ahead.Count - 1).Select(p => Point(p.Day, p.MeanG)),
                samples = batch.Batch.Samples.Select(p => new
                {
                    t = D(s.Zone.DayOf(p.At)),
                    v = W(p.Mean.Mean),
                    lo = W(Math.Max(0, p.Mean.Range?.Low ?? p.Mean.Mean)),
                    hi = W(p.Mean.Range?.High ?? p.Mean.Mean),
                }),
                water = so.GroupBy(p => new DateOnly(p.Day.Year, p.Day.Month, 1))
                    .Select(g => MonthsWater(here, g.Key, g.Average(p => s.Temperature.On(p.Day).TempC))),
                waterUnit = Measures.Temperature.In(here.Hand).Symbol,
            }
        );
    }

    // Timers as bars per aerator and night.
    private static List<object> Runs(PondStory s, Here here, DateTimeOffset from, DateTimeOffset to)
    {
        var runs = new List<object>();
        for (var day = s.Zone.DayOf(from).AddDays(-1); day <= s.Zone.DayOf(to); day = day.AddDays(1))
            foreach (var a in s.AeratorsAt(s.Zone.At(day, new(12, 0))))
                if (a.On is { } on && a.Off is { } off)
                {
                    var start = s.Zone.At(day, on);
                    var end = s.Zone.At(off > on ? day : day.AddDays(1), off);
                    if (end > from && start < to)
                        runs.Add(
                            new
                            {
                                a = a.Code,
                                t1 = L(here, start < from ? from : start),
                                t2 = L(here, end > to ? to : end),
                            }
                        );
                }
        return runs;
    }

    // Farm time without a zone: the browser draws it as it stands, wherever the browser is.
    internal static string L(Here here, DateTimeOffset at) =>
        here.Zone.LocalAt(at).ToString("yyyy-MM-dd'T'HH:mm:ss'Z'", System.Globalization.CultureInfo.InvariantCulture);

    private static string D(DateOnly day) =>
        day.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture);

    private static double R(double v, int digits = 2) => Math.Round(v, digits);

    // Default encoding escapes <, > and &, so nothing in it can end the script element it stands in.
    private static string Json(object o) => JsonSerializer.Serialize(o);
}
