using Dorsk.Core.Stock;

namespace Dorsk.Web.Parts;

/// <summary>A place as it is drawn: a bar in one of three columns.</summary>
public sealed record FlowBar(FlowPlace Place, string Name, long Fish, double X, double Y, double Height);

/// <summary>A ribbon between two bars.</summary>
public sealed record FlowRibbon(FlowLink Link, string Path, double Width);

/// <summary>The flow of fish drawn: what was delivered on the left, ponds in the middle, where they went on the right. Ribbons are as wide as their fish are many.</summary>
public sealed record FlowPicture(IReadOnlyList<FlowBar> Bars, IReadOnlyList<FlowRibbon> Ribbons, double Height)
{
    /// <summary>Width of the drawing.</summary>
    public const double Width = 900;

    private const double BarWide = 14,
        Gap = 12,
        Tall = 260,
        Least = 3,
        Left = 110,
        Middle = 440,
        Right = 770;

    /// <summary>Lays it out.</summary>
    public static FlowPicture Of(FishFlow flow, Func<FlowPlace, string> name)
    {
        var columns = flow.Places.ToLookup(p => Column(p, flow));
        var most = columns.Select(c => c.Sum(p => Through(flow, p))).DefaultIfEmpty(1).Max();
        var per = Tall / Math.Max(1, most);
        var bars = LayBars(flow, columns, per, name);
        return new(bars, LayRibbons(flow, bars, per), bars.Count == 0 ? 40 : bars.Max(b => b.Y + b.Height) + 14);
    }

    private static long Through(FishFlow flow, FlowPlace p) => Math.Max(flow.Into(p), flow.OutOf(p));

    private static int Column(FlowPlace p, FishFlow f) =>
        p.Account == Account.Pond ? 1
        : p.Account == Account.Supplier || (p.Account == Account.Unexplained && f.OutOf(p) > f.Into(p)) ? 0
        : 2;

    // Each column in the middle of the highest.
    private static List<FlowBar> LayBars(
        FishFlow flow,
        ILookup<int, FlowPlace> columns,
        double per,
        Func<FlowPlace, string> name
    )
    {
        double Thick(FlowPlace p) => Math.Max(Least, Through(flow, p) * per);
        double High(IEnumerable<FlowPlace> c) => c.Sum(p => Thick(p) + Gap) - Gap;
        var highest = columns.Select(High).DefaultIfEmpty(0).Max();
        double[] left = [Left, Middle, Right];
        var bars = new List<FlowBar>();
        foreach (var c in columns)
        {
            var y = 10 + ((highest - High(c)) / 2);
            foreach (var p in c)
            {
                var count = c.Key == 1 ? flow.Stands(p) : Through(flow, p);
                bars.Add(new(p, name(p), count, left[c.Key], y, Thick(p)));
                y += Thick(p) + Gap;
            }
        }
        return bars;
    }

    private static List<FlowRibbon> LayRibbons(FishFlow flow, List<FlowBar> bars, double per)
    {
        var bar = bars.ToDictionary(b => b.Place);
        var (sent, got) = (new Dictionary<FlowPlace, double>(), new Dictionary<FlowPlace, double>());
        var ribbons = new List<FlowRibbon>();
        foreach (var l in flow.Links.OrderBy(l => bar[l.To].X).ThenBy(l => bar[l.From].Y).ThenBy(l => bar[l.To].Y))
        {
            var (a, b, w) = (bar[l.From], bar[l.To], Math.Max(1, l.Count * per));
            double y0 = a.Y + sent.GetValueOrDefault(l.From) + (w / 2),
                y1 = b.Y + got.GetValueOrDefault(l.To) + (w / 2);
            sent[l.From] = sent.GetValueOrDefault(l.From) + w;
            got[l.To] = got.GetValueOrDefault(l.To) + w;
            ribbons.Add(new(l, Path(a.X, y0, b.X, y1), w));
        }
        return ribbons;
    }

    // From pond to pond it bows out beside the column.
    private static string Path(double fromX, double y0, double toX, double y1)
    {
        var (x0, x1) =
            fromX == toX ? (fromX + BarWide, toX + BarWide)
            : fromX < toX ? (fromX + BarWide, toX)
            : (fromX, toX + BarWide);
        var (c0, c1) = fromX == toX ? (x0 + 70, x1 + 70) : ((x0 + x1) / 2, (x0 + x1) / 2);
        return FormattableString.Invariant($"M{x0:0.#} {y0:0.#}C{c0:0.#} {y0:0.#} {c1:0.#} {y1:0.#} {x1:0.#} {y1:0.#}");
    }
}
