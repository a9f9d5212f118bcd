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
        long Through(FlowPlace p) => Math.Max(flow.Into(p), flow.OutOf(p));
        static int Column(FlowPlace p, FishFlow f) =>
            p.Account == Account.Pond ? 1
            : p.Account == Account.Supplier || (p.Account == Account.Unexplained && f.OutOf(p) > f.Into(p)) ? 0
            : 2;
        var columns = flow.Places.ToLookup(p => Column(p, flow));
        var most = Math.Max(1, columns.Select(c => c.Sum(Through)).DefaultIfEmpty(1).Max());
        var per = Tall / most;
        double Thick(FlowPlace p) => Math.Max(Least, Through(p) * per);
        double High(IEnumerable<FlowPlace> c) => c.Sum(p => Thick(p) + Gap) - Gap;
        var highest = columns.Select(High).DefaultIfEmpty(0).Max();
        var bars = new List<FlowBar>();
        foreach (var c in columns)
        {
            // Each column in the middle of the highest.
            var y = 10 + ((highest - High(c)) / 2);
            foreach (var p in c)
            {
                var h = Thick(p);
                bars.Add(
                    new(
                        p,
                        name(p),
                        c.Key == 1 ? flow.Stands(p) : Through(p),
                        c.Key switch
                        {
                            0 => Left,
                            1 => Middle,
                            _ => Right,
                        },
                        y,
                        h
                    )
                );
                y += h + Gap;
            }
        }
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
            var (x0, x1) =
                a.X == b.X ? (a.X + BarWide, b.X + BarWide)
                : a.X < b.X ? (a.X + BarWide, b.X)
                : (a.X, b.X + BarWide);
            // From pond to pond it bows out beside the column.
            var (c0, c1) = a.X == b.X ? (x0 + 70, x1 + 70) : ((x0 + x1) / 2, (x0 + x1) / 2);
            ribbons.Add(
                new(
                    l,
                    FormattableString.Invariant(
                        $"M{x0:0.#} {y0:0.#}C{c0:0.#} {y0:0.#} {c1:0.#} {y1:0.#} {x1:0.#} {y1:0.#}"
                    ),
                    w
                )
            );
        }
        return new(bars, ribbons, bars.Count == 0 ? 40 : bars.Max(b => b.Y + b.Height) + 14);
    }
}
