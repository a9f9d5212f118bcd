using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using Dorsk.Core.Growth;
using Dorsk.Core.Season;
using Dorsk.Core.Units;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;

namespace Dorsk.Web.Parts;

/// <summary>The drawing of the season: one ribbon a pond, as wide as what stands in it. It draws what the core worked out and computes nothing of it.</summary>
public sealed class SeasonPicture
{
    /// <summary>Width of a ribbon's strip.</summary>
    public const int Width = 846;

    /// <summary>Months shown at once.</summary>
    public const int Months = 14;

    // Under this share of the best growth a month counts as cold.
    private const double ColdShare = 0.25;
    private const double PondHalf = 20,
        TankHalf = 10,
        Brim = 6;
    private const int StepDays = 14,
        LabelWidth = 36;
    private readonly SeasonAhead season;
    private readonly Here here;
    private readonly int days;
    private readonly Dictionary<bool, double> fullest;
    private readonly ILookup<long, SeasonEvent> events;
    private readonly ILookup<long, Cohort> cohorts;

    /// <param name="now">The ponds.</param>
    /// <param name="season">The season to draw.</param>
    /// <param name="from">First day of the first month.</param>
    /// <param name="here">The farm.</param>
    public SeasonPicture(SeasonNow now, SeasonAhead season, DateOnly from, Here here)
    {
        (this.season, this.here, From, Until) = (season, here, from, from.AddMonths(Months));
        days = Until.DayNumber - From.DayNumber;
        (events, cohorts) = (season.Events.ToLookup(e => e.PondId), season.Cohorts.ToLookup(c => c.PondId));
        fullest = now
            .Stories.GroupBy(s => s.Pond.ByVolume)
            .ToDictionary(g => g.Key, g => Math.Max(1e-9, g.Max(Carries)));
        // The largest pond tells the water of the head.
        var sample = now
            .Stories.OrderBy(s => s.Pond.ByVolume)
            .ThenByDescending(s => s.Pond.Shape.FullVolumeM3)
            .FirstOrDefault();
        Heads =
        [
            .. Enumerable
                .Range(0, Months)
                .Select(i =>
                {
                    var month = from.AddMonths(i);
                    double? temp = sample is null
                        ? null
                        : Enumerable.Range(0, 5).Average(k => sample.TemperatureAhead(month.AddDays(3 + (6 * k))));
                    return (
                        month,
                        X(month),
                        temp,
                        Cold: temp is { } t && TemperatureResponse.F(t, sample!.LikelySpecies) < ColdShare
                    );
                }),
        ];
    }

    /// <summary>First day shown.</summary>
    public DateOnly From { get; }

    /// <summary>First day no longer shown.</summary>
    public DateOnly Until { get; }

    /// <summary>Months with their place, mean water and whether they are cold.</summary>
    public IReadOnlyList<(DateOnly Month, double X, double? TempC, bool Cold)> Heads { get; }

    /// <summary>Place of a day.</summary>
    public double X(DateOnly day) =>
        Math.Clamp((day.DayNumber - From.DayNumber) * Width / (double)days, -20, Width + 20);

    /// <summary>Months and cold months, to be laid under every strip.</summary>
    public string Ground()
    {
        var s = new StringBuilder("<g id=\"sn-ground\">");
        foreach (var (_, x, _, cold) in Heads)
        {
            if (cold)
                s.Append(
                    CultureInfo.InvariantCulture,
                    $"<rect class=\"rb-cold\" x=\"{x:0.#}\" width=\"{Width / (double)Months:0.#}\" height=\"70\"/>"
                );
            s.Append(CultureInfo.InvariantCulture, $"<path class=\"rb-month\" d=\"M{x:0.#} 0V70\"/>");
        }
        return s.Append("</g>").ToString();
    }

    /// <summary>The strip of a pond.</summary>
    public string Strip(PondStory p)
    {
        var half = p.Pond.ByVolume ? TankHalf : PondHalf;
        var (mid, height) = (half + Brim + 2, (2 * (half + Brim)) + 4);
        var unit = half / fullest[p.Pond.ByVolume] / Size(p);
        var bank = Carries(p) / fullest[p.Pond.ByVolume] * half;
        double Half(double kg) => Math.Min(half + Brim, kg * unit);
        var s = new StringBuilder(3000);
        s.Append(
            CultureInfo.InvariantCulture,
            $"<svg class=\"rb\" width=\"{Width}\" height=\"{height}\" viewBox=\"0 0 {Width} {height}\" role=\"img\" aria-label=\"{Say(p)}\"><use href=\"#sn-ground\"/>"
        );
        if (bank > 0)
            s.Append(
                CultureInfo.InvariantCulture,
                $"<path class=\"rb-bank\" d=\"M0 {mid - bank:0.#}H{Width}M0 {mid + bank:0.#}H{Width}\"/><path class=\"rb-hach\" d=\"M0 {mid - bank - 2.5:0.#}H{Width}M0 {mid + bank + 2.5:0.#}H{Width}\"/>"
            );
        Was(s, p, mid, Half);
        Will(s, p, mid, Half);
        Preparing(s, p, mid, half);
        Past(s, p, mid, half, Half);
        Ahead(s, p, mid, half, height);
        return s.Append(
                CultureInfo.InvariantCulture,
                $"<path class=\"rb-now\" d=\"M{X(here.Today):0.#} 0V{height}\"/></svg>"
            )
            .ToString();
    }

    private static double Size(PondStory p) =>
        p.Pond.ByVolume ? p.Pond.Shape.FullVolumeM3 : p.Pond.Shape.FullAreaM2 / 10_000;

    private static double Carries(PondStory p) => p.CapacityKg(p.LikelySpecies) / Size(p);

    private void Was(StringBuilder s, PondStory p, double mid, Func<double, double> half) =>
        Ribbon(
            s,
            "rb-was",
            [
                .. p
                    .Season.StoodTo(here.Today)
                    .SkipWhile(d => d.Day < From.AddDays(-StepDays))
                    .TakeWhile(d => d.Day < Until)
                    .Select(d => (X(d.Day), half(d.Kg.Value))),
            ],
            mid
        );

    private void Will(StringBuilder s, PondStory p, double mid, Func<double, double> half)
    {
        var mine = cohorts[p.Pond.Id].ToList();
        if (mine.Count == 0 || Until <= here.Today)
            return;
        var last = Until.AddDays(-1) < season.Input.Last ? Until.AddDays(-1) : season.Input.Last;
        var grid = new SortedSet<DateOnly> { here.Today, last };
        for (var day = here.Today; day < last; day = day.AddDays(StepDays))
            grid.Add(day);
        foreach (
            var on in mine.SelectMany(c => c.Taken.Select(t => t.On).Append(c.From).Concat(c.Out is { } o ? [o] : []))
                .Where(d => d > here.Today && d <= last)
        )
        {
            grid.Add(on.AddDays(-1));
            grid.Add(on);
        }
        var points = PointsOf(mine, grid);
        Ribbon(s, "rb-fringe", points.ConvertAll(d => (d.X, half(d.Kg.High))), mid);
        Ribbon(s, "rb-will", points.ConvertAll(d => (d.X, half(d.Kg.Value))), mid);
        Ribbon(s, "rb-sure", points.ConvertAll(d => (d.X, half(d.Kg.Low))), mid);
    }

    private List<(double X, (double Value, double Low, double High) Kg)> PointsOf(
        List<Cohort> mine,
        SortedSet<DateOnly> grid
    ) =>
        grid.Select(day =>
                (
                    X: X(day),
                    Kg: mine.Select(c => c.KgOn(day))
                        .Aggregate((Value: 0.0, Low: 0.0, High: 0.0), (sum, k) =>
                            (sum.Value + k.Value, sum.Low + k.Low, sum.High + k.High)
                        )
                )
            )
            .ToList();

    // Mirrored about the middle line, in one piece for each time that something stands.
    private static void Ribbon(StringBuilder s, string name, List<(double X, double Half)> points, double mid)
    {
        var path = new StringBuilder();
        for (var i = 0; i < points.Count; )
        {
            var j = i;
            while (j < points.Count && points[j].Half > 0)
                j++;
            if (j - i > 1)
            {
                for (var k = i; k < j; k++)
                    path.Append(k == i ? 'M' : 'L')
                        .Append(CultureInfo.InvariantCulture, $"{points[k].X:0.#} {mid - points[k].Half:0.#}");
                for (var k = j - 1; k >= i; k--)
                    path.Append(CultureInfo.InvariantCulture, $"L{points[k].X:0.#} {mid + points[k].Half:0.#}");
                path.Append('Z');
            }
            i = Math.Max(j, i + 1);
        }
        if (path.Length > 0)
            s.Append("<path class=\"").Append(name).Append("\" d=\"").Append(path).Append("\"/>");
    }

    // Hatched from the first work on the empty pond, or as long as its preparation takes before fish are to come.
    private void Preparing(StringBuilder s, PondStory p, double mid, double half)
    {
        var path = new StringBuilder();
        void Hatch(DateOnly from, DateOnly to)
        {
            for (var x = Math.Max(0, X(from)); x < Math.Min(Width, X(to)) - 4; x += 9)
                path.Append(CultureInfo.InvariantCulture, $"M{x:0.#} {mid + (half * .22):0.#}l7 -{half * .44:0.#}");
        }
        var arrivals = p.Batches.Select(b => here.Zone.DayOf(b.ArrivedAt)).Order().ToList();
        foreach (
            var (line, empty) in p
                .Batches.Where(b => b.EmptiedAt is not null)
                .Select(b => (b, here.Zone.DayOf(b.EmptiedAt!.Value)))
        )
            if (
                p.Works.Where(w => w.At > line.EmptiedAt).Select(w => (DateOnly?)here.Zone.DayOf(w.At)).LastOrDefault()
                    is { } first
                && arrivals.Find(a => a > empty) is var next
            )
                Hatch(
                    first,
                    next == default
                        ? p.Standing.Any()
                            ? first
                            : here.Today
                        : next
                );
        foreach (var e in events[p.Pond.Id].Where(e => e.Kind == SeasonEventKind.Stock))
        {
            var begins = e.On.AddDays(-season.Input.Ponds.First(x => x.PondId == p.Pond.Id).PrepareDays);
            var free = cohorts[p.Pond.Id].Where(c => c.From < e.On && c.Out <= e.On).Max(c => c.Out) ?? here.Today;
            Hatch(begins > free ? begins : free, e.On);
        }
        if (path.Length > 0)
            s.Append("<path class=\"rb-prep\" d=\"").Append(path).Append("\"/>");
    }

    private void Past(StringBuilder s, PondStory p, double mid, double half, Func<double, double> wide)
    {
        var stood = p.Season.StoodTo(here.Today);
        var lines = new StringBuilder();
        foreach (
            var day in p
                .Batches.SelectMany(b => b.Samples)
                .Select(x => here.Zone.DayOf(x.At))
                .Where(d => d > From && d < Until)
                .Distinct()
        )
        {
            var kg = wide(stood.LastOrDefault(d => d.Day <= day).Kg.Value) - 1;
            if (kg > 0)
                lines.Append(CultureInfo.InvariantCulture, $"M{X(day):0.#} {mid - kg:0.#}v{2 * kg:0.#}");
        }
        if (lines.Length > 0)
            s.Append("<path class=\"rb-sampled\" d=\"").Append(lines).Append("\"/>");
        var marks = Marks(p);
        foreach (var b in p.Batches)
        {
            if (here.Zone.DayOf(b.ArrivedAt) is var came && came > From && came < Until)
                Bracket(s, X(came), mid, half);
            foreach (var (_, at, fact) in b.Harvests)
                if (here.Zone.DayOf(at) is var on && on > From && on < Until)
                    Cut(s, X(on), CutPath(X(on), mid, half, fact.Final, ""), mid, Tonnes(fact.MassKg), marks);
        }
    }

    private void Ahead(StringBuilder s, PondStory p, double mid, double half, double height)
    {
        var marks = Marks(p);
        var told = new HashSet<DateOnly>();
        foreach (var e in events[p.Pond.Id].Where(e => e.On < Until && e.On >= From))
        {
            var x = X(e.On);
            if (e.Kind == SeasonEventKind.Sample)
                s.Append(
                    CultureInfo.InvariantCulture,
                    $"<path class=\"rb-due\" d=\"M{x:0.#} {mid - half:0.#}V{mid + half:0.#}\"/>"
                );
            else if (e.Kind == SeasonEventKind.Stock)
                Bracket(s, x, mid, half);
            else
                Cut(
                    s,
                    x,
                    CutPath(x, mid, half, e.Kind != SeasonEventKind.Grade, e.Planned ? "" : " likely"),
                    mid,
                    told.Add(e.On) ? Tonnes(e.Kg) : "",
                    marks
                );
            if (e.Kind == SeasonEventKind.Harvest && e.Earliest is { } early)
                s.Append(
                    CultureInfo.InvariantCulture,
                    $"<path class=\"rb-window\" d=\"M{X(early):0.#} 5V1.5H{X(e.Latest ?? Until.AddDays(30)):0.#}V5\"/>"
                );
            if (e.Key.Length > 0)
                s.Append(
                    CultureInfo.InvariantCulture,
                    $"<rect class=\"rb-grab\" data-move=\"{e.Key}\" x=\"{x - 12:0.#}\" width=\"24\" height=\"{height}\"/>"
                );
        }
    }

    private static void Bracket(StringBuilder s, double x, double mid, double half) =>
        s.Append(
            CultureInfo.InvariantCulture,
            $"<path class=\"rb-stock\" d=\"M{x + 5:0.#} {mid - (half * .45):0.#}h-5v{half * .9:0.#}h5\"/>"
        );

    private static void Cut(
        StringBuilder s,
        double x,
        string path,
        double mid,
        string tonnes,
        IReadOnlyList<double> marks
    )
    {
        s.Append(path);
        // Beside its mark, on the side where there is room; where there is none the list beside the strip tells it.
        bool Free(double from, double to) => from >= 0 && to <= Width && !marks.Any(m => m != x && m > from && m < to);
        if (Free(x, x + LabelWidth))
            s.Append(
                CultureInfo.InvariantCulture,
                $"<text class=\"rb-t\" x=\"{x + 6:0.#}\" y=\"{mid + 4.5:0.#}\">{tonnes}</text>"
            );
        else if (Free(x - LabelWidth, x))
            s.Append(
                CultureInfo.InvariantCulture,
                $"<text class=\"rb-t end\" x=\"{x - 6:0.#}\" y=\"{mid + 4.5:0.#}\">{tonnes}</text>"
            );
    }

    private static string CutPath(double x, double mid, double half, bool all, string likely) =>
        all
            ? string.Create(
                CultureInfo.InvariantCulture,
                $"<path class=\"rb-out{likely}\" d=\"M{x:0.#} {mid - half - 2:0.#}V{mid + half + 2:0.#}\"/>"
            )
            : string.Create(
                CultureInfo.InvariantCulture,
                $"<path class=\"rb-grade\" d=\"M{x:0.#} {mid + half:0.#}V{mid - half + 3:0.#}l-5 -6m5 6l5 -6\"/>"
            );

    private List<double> Marks(PondStory p) =>
        [
            .. p
                .Batches.SelectMany(b =>
                    b.Harvests.Select(h => here.Zone.DayOf(h.At)).Append(here.Zone.DayOf(b.ArrivedAt))
                )
                .Concat(events[p.Pond.Id].Where(e => e.Kind != SeasonEventKind.Sample).Select(e => e.On))
                .Select(X),
        ];

    private string Tonnes(double kg) => HtmlEncoder.Default.Encode(Amount(kg));

    /// <summary>A mass as a season says it: tonnes with one decimal, kilograms under a tenth.</summary>
    public string Amount(double kg) =>
        here.Hand.System == UnitSystem.Metric && kg >= 100
            ? $"{here.Figure(kg / 1000, 1)} t"
            : here.Say(kg, Measures.Mass with { Decimals = 0, UsDecimals = 0 });

    private string Say(PondStory p)
    {
        var stands = cohorts[p.Pond.Id].Where(c => c.Stands).Sum(c => c.KgOn(here.Today).Value);
        var next = events[p.Pond.Id].FirstOrDefault(e => e.Kind != SeasonEventKind.Sample);
        return HtmlEncoder.Default.Encode(
            $"{p.Pond.Code}: {(stands > 0 ? Amount(stands) + " today" : "no fish today")}{(next is null ? "" : $", {Word(next.Kind)} on {here.Day(next.On)}")}"
        );
    }

    /// <summary>What happens, in words.</summary>
    public static string Word(SeasonEventKind kind) =>
        kind switch
        {
            SeasonEventKind.Stock => "stock",
            SeasonEventKind.Sample => "sample",
            SeasonEventKind.Grade => "take out",
            SeasonEventKind.Harvest => "harvest",
            _ => "move on",
        };
}
