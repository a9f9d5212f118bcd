using System.Globalization;
using System.Text;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;

namespace Dorsk.Web.Parts;

/// <summary>What the strips of one night share.</summary>
/// <param name="Night">The night.</param>
/// <param name="HighestMgL">Top of the scale, mg/L.</param>
/// <param name="Sun">The sun of the evening and of the morning.</param>
public sealed record NightFrame(Night Night, double HighestMgL, (SunDay Evening, SunDay Morning) Sun);

/// <summary>The drawing of one pond's night, noon to noon: paths and places in a strip 702 wide. It draws what the core worked out and computes nothing.</summary>
public sealed class NightStrip
{
    /// <summary>Width of a strip.</summary>
    public const double Width = 702;

    private const double LaneHeight = 12,
        Fine = 60;
    private const int MostMarks = 20;
    private readonly DateTimeOffset start,
        end;
    private readonly double highest;
    private readonly Here here;

    /// <param name="p">The pond.</param>
    /// <param name="frame">What is the same for all ponds.</param>
    /// <param name="here">The farm.</param>
    /// <param name="plotHeight">Height of the curve.</param>
    /// <param name="timers">Aerators as they would run.</param>
    /// <param name="tried">The night with them, or null.</param>
    public NightStrip(
        PondNow p,
        NightFrame frame,
        Here here,
        double plotHeight,
        IReadOnlyList<Aerator> timers,
        DawnLowForecast? tried
    )
    {
        var night = frame.Night;
        (this.here, start, end, highest, PlotHeight) = (
            here,
            night.Start(here.Zone),
            night.End(here.Zone),
            frame.HighestMgL,
            plotHeight
        );
        var s = p.Story;
        Limits = s.Stock.LimitsOn(here.Today)!;
        Forecast = p.Tonight.Night == night ? p.Tonight.Forecast : null;
        Tried = tried;
        var measured = s.ReadingsOf[Parameter.Oxygen].Between(start, here.Now).ToList();
        Measured = Line(measured.Select(t => (t.At, t.Si)));
        // A buoy's line needs no marks.
        Points = measured.Count > MostMarks ? [] : [.. measured.Select(t => (X(t.At), Y(t.Si)))];
        LastNight =
            plotHeight < Fine
                ? ""
                : Line(
                    s.ReadingsOf[Parameter.Oxygen]
                        .Between(start.AddDays(-1), start)
                        .Select(t => (t.At.AddDays(1), t.Si))
                );
        if (Forecast is { } f)
            (ForecastLine, Band, Under) = Drawn(f);
        if (tried is { } t2)
            TriedLine = Line(t2.Curve.Select(c => (c.At, c.MgL)));
        Lanes = LanesOf(s, timers);
        StartsByItself = p.Tonight.Night == night && p.Tonight.StartsByItself is { } itself ? X(itself) : null;
        var (eve, morning) = frame.Sun;
        Sun = (
            X(eve.Sunset!.Value),
            X(eve.CivilDusk ?? eve.Sunset.Value),
            X(morning.CivilDawn ?? morning.Sunrise!.Value),
            X(morning.Sunrise!.Value)
        );
        Fed = [.. s.Feedings.Reverse().TakeWhile(x => x.At >= start).Where(x => x.At <= end).Select(x => X(x.At))];
    }

    // A thin strip shows no more than one point in half an hour.
    private (string Line, string Band, string Under) Drawn(DawnLowForecast f)
    {
        var thin = PlotHeight < Fine ? 3 : 1;
        var curve = f.Curve.Where((_, i) => i % thin == 0 || i == f.Curve.Count - 1).ToList();
        return (
            Line(curve.Select(c => (c.At, c.MgL))),
            Line(curve.Select(c => (c.At, c.HighMgL)))
                + "L"
                + Line(Enumerable.Reverse(curve).Select(c => (c.At, c.LowMgL)))[1..]
                + "Z",
            string.Concat(
                f.Under(Limits.DoActMgL).Select(u => Area(f.Curve.Where(c => c.At >= u.From && c.At <= u.To)))
            )
        );
    }

    private IReadOnlyList<(
        string Code,
        IReadOnlyList<(double From, double To)> Bars,
        bool Set,
        IReadOnlyList<(double From, double To)> Ran,
        double Y
    )> LanesOf(PondStory s, IReadOnlyList<Aerator> timers)
    {
        var set = s.AeratorsAt(here.Now);
        (double, double) Across((DateTimeOffset From, DateTimeOffset To) r) => (X(r.From), X(r.To));
        return
        [
            .. timers
                .Select(a =>
                    (
                        a.Code,
                        Bars: a.On is null ? [] : Bars(a),
                        Set: set.Any(b => b.Code == a.Code && b.On == a.On && b.Off == a.Off),
                        Ran: s.Air.Spells(a.Code, start, here.Now).Select(Across).ToList()
                    )
                )
                .Where(l => l.Bars.Count + l.Ran.Count > 0)
                .Select(
                    (l, i) =>
                        (
                            l.Code,
                            (IReadOnlyList<(double, double)>)l.Bars,
                            l.Set,
                            (IReadOnlyList<(double, double)>)l.Ran,
                            PlotHeight + 4 + (i * LaneHeight)
                        )
                ),
        ];
    }

    /// <summary>Limits of the fish.</summary>
    public WaterLimits Limits { get; }

    /// <summary>Height of the curve.</summary>
    public double PlotHeight { get; }

    /// <summary>Height with the lanes of aerators.</summary>
    public double Height => PlotHeight + 6 + (Math.Max(Lanes.Count, 1) * LaneHeight);

    /// <summary>The forecast of this night, or null.</summary>
    public DawnLowForecast? Forecast { get; }

    /// <summary>The night with tried timers, or null.</summary>
    public DawnLowForecast? Tried { get; }

    /// <summary>Paths of the lines; empty where there is nothing.</summary>
    public string Measured { get; }

    /// <summary>Readings.</summary>
    public IReadOnlyList<(double X, double Y)> Points { get; }

    /// <summary>Last night's readings.</summary>
    public string LastNight { get; }

    /// <summary>The forecast.</summary>
    public string ForecastLine { get; } = "";

    /// <summary>Its band.</summary>
    public string Band { get; } = "";

    /// <summary>The part of it under the act level.</summary>
    public string Under { get; } = "";

    /// <summary>The night with tried timers.</summary>
    public string TriedLine { get; } = "";

    /// <summary>Aerators that run: code, bars of the timer from and to, whether the timer is set, spells in which it ran by its panel, and the height they stand at.</summary>
    public IReadOnlyList<(
        string Code,
        IReadOnlyList<(double From, double To)> Bars,
        bool Set,
        IReadOnlyList<(double From, double To)> Ran,
        double Y
    )> Lanes { get; }

    /// <summary>Where the automatic is likely to start its aerators, or null.</summary>
    public double? StartsByItself { get; }

    /// <summary>Places of sunset, dusk, dawn and sunrise.</summary>
    public (double Sunset, double Dusk, double Dawn, double Sunrise) Sun { get; }

    /// <summary>Meals that were given.</summary>
    public IReadOnlyList<double> Fed { get; }

    /// <summary>Place of an instant.</summary>
    public double X(DateTimeOffset at) => Math.Clamp((at - start).TotalHours / 24, 0, 1) * Width;

    /// <summary>Height of a level.</summary>
    public double Y(double mgL) => PlotHeight - (Math.Clamp(mgL / highest, 0, 1) * (PlotHeight - 2));

    /// <summary>A figure of the drawing.</summary>
    public static string F(double v) => v.ToString("0.#", CultureInfo.InvariantCulture);

    /// <summary>Top of the scale that holds all ponds: readings of the night and forecasts, to whole five mg/L.</summary>
    public static double Highest(IReadOnlyList<PondNow> ponds, Night night, Here here)
    {
        var from = night.Start(here.Zone);
        var values = ponds.SelectMany(p =>
            p.Story.ReadingsOf[Parameter.Oxygen]
                .Between(from, here.Now)
                .Select(t => t.Si)
                .Concat(p.Tonight.Forecast?.Curve.Select(c => c.MgL) ?? [])
        );
        return Math.Max(10, 5 * Math.Ceiling(values.DefaultIfEmpty(10).Max() / 5));
    }

    private string Line(IEnumerable<(DateTimeOffset At, double MgL)> points)
    {
        var text = new StringBuilder("M");
        var n = 0;
        foreach (var p in points.Where(p => p.At >= start && p.At <= end))
            text.Append(n++ == 0 ? "" : "L").Append(CultureInfo.InvariantCulture, $"{X(p.At):0.#} {Y(p.MgL):0.#}");
        return n < 2 ? "" : text.ToString();
    }

    private string Area(IEnumerable<CurvePoint> points)
    {
        var all = points.ToList();
        return all.Count < 2
            ? ""
            : $"M{F(X(all[0].At))} {F(Y(Limits.DoActMgL))}L{string.Join("L", all.Select(c => $"{F(X(c.At))} {F(Y(c.MgL))}"))}L{F(X(all[^1].At))} {F(Y(Limits.DoActMgL))}Z";
    }

    private List<(double, double)> Bars(Aerator a)
    {
        // The timer of the evening, and what of last night's still runs after noon.
        var day = here.Zone.DayOf(start);
        return
        [
            .. new[] { day.AddDays(-1), day, day.AddDays(1) }
                .Select(d =>
                    (
                        From: here.Zone.At(d, a.On!.Value),
                        To: here.Zone.At(a.Off > a.On ? d : d.AddDays(1), a.Off!.Value)
                    )
                )
                .Where(r => r.To > start && r.From < end)
                .Select(r => (X(r.From), X(r.To))),
        ];
    }
}
