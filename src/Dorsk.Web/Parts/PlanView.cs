using System.Collections.Concurrent;
using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Ponds;

namespace Dorsk.Web.Parts;

/// <summary>How much of a pond's label its water has room for on the screen.</summary>
public enum LabelRoom
{
    /// <summary>Name, size, weight and a staff gauge with its figures.</summary>
    Full,

    /// <summary>Name and a small gauge.</summary>
    Small,

    /// <summary>Too small for text: it stands beside the water.</summary>
    Beside,
}

/// <summary>A pond's label at one zoom: where, and how much.</summary>
/// <param name="X">px of the drawing.</param>
/// <param name="Y">px of the drawing.</param>
/// <param name="Room">How much.</param>
public sealed record PlanLabel(double X, double Y, LabelRoom Room);

/// <summary>Turns the plan in metres into a drawing in px: one scale, north up, and a label for every pond at every zoom.</summary>
public sealed class PlanView
{
    public const double Width = 776,
        Height = 392;
    public static readonly int[] Zooms = [1, 2, 4];
    private const double Margin = 14,
        Sides = 44,
        FullW = 116,
        FullH = 84,
        SmallW = 62,
        SmallH = 44,
        BesideW = 68,
        BesideH = 20;

    // A drawing lasts as long as the plan it was made from.
    private static readonly ConditionalWeakTable<Plan, PlanView> Drawn = [];
    private readonly ConcurrentDictionary<long, string> hachures = new();
    private readonly ConcurrentDictionary<int, IReadOnlyList<PlanLabel>> labels = new();
    private readonly double left,
        top;

    private PlanView(Plan plan)
    {
        Plan = plan;
        // Ponds set the frame; creeks and tracks may run out of it.
        var minX = plan.Ponds.Min(p => p.EastM - p.Reach.EastM);
        var maxX = plan.Ponds.Max(p => p.EastM + p.Reach.EastM);
        var minY = plan.Ponds.Min(p => p.NorthM - p.Reach.NorthM);
        var maxY = plan.Ponds.Max(p => p.NorthM + p.Reach.NorthM);
        var below = plan.Landmarks.Count > 0 ? 22 : 4;
        // A single small pond need not fill the page.
        Scale = Math.Min(
            4,
            Math.Min(
                (Width - (2 * Sides)) / Math.Max(1, maxX - minX),
                (Height - (2 * Margin) - 24) / Math.Max(1, maxY - minY + below)
            )
        );
        left = minX - (((Width / Scale) - (maxX - minX)) / 2);
        top = maxY + ((Margin + 24) / Scale);
    }

    /// <summary>The drawing of a plan, made once.</summary>
    public static PlanView Of(Plan plan) => Drawn.GetValue(plan, p => new(p));

    public Plan Plan { get; }

    /// <summary>px to the metre.</summary>
    public double Scale { get; }

    public (double X, double Y) Px(double eastM, double northM) => ((eastM - left) * Scale, (top - northM) * Scale);

    public static string F(double v) => v.ToString("0.#", CultureInfo.InvariantCulture);

    /// <summary>A smooth line through points: curves from middle to middle, the points pull.</summary>
    public string Flow(IReadOnlyList<(double EastM, double NorthM)> points)
    {
        var px = points.Select(p => Px(p.EastM, p.NorthM)).ToList();
        var path = $"M{F(px[0].X)} {F(px[0].Y)}";
        for (var i = 1; i < px.Count - 1; i++)
            path += $"Q{F(px[i].X)} {F(px[i].Y)} {F((px[i].X + px[i + 1].X) / 2)} {F((px[i].Y + px[i + 1].Y) / 2)}";
        return path + $"L{F(px[^1].X)} {F(px[^1].Y)}";
    }

    public string Line(IEnumerable<(double EastM, double NorthM)> points) =>
        "M"
        + string.Join(
            " ",
            points.Select(p =>
            {
                var (x, y) = Px(p.EastM, p.NorthM);
                return F(x) + " " + F(y);
            })
        );

    /// <summary>The outline of a pond, its corners rounded, drawn in by metres on every side.</summary>
    public string Outline(PondOnPlan p, double inM = 0)
    {
        if (p.RadiusM > 0)
        {
            var (cx, cy) = Px(p.EastM, p.NorthM);
            var r = Math.Max(2, (p.RadiusM - inM) * Scale);
            return $"M{F(cx - r)} {F(cy)}a{F(r)} {F(r)} 0 1 1 {F(2 * r)} 0a{F(r)} {F(r)} 0 1 1 {F(-2 * r)} 0Z";
        }
        var corners = Corners(p, inM);
        var path = "";
        for (var i = 0; i < corners.Count; i++)
        {
            var (a, b, c) = (
                corners[(i + corners.Count - 1) % corners.Count],
                corners[i],
                corners[(i + 1) % corners.Count]
            );
            var (from, to) = (Towards(b, a, 5), Towards(b, c, 5));
            path += $"{(i == 0 ? "M" : "L")}{F(from.X)} {F(from.Y)}Q{F(b.X)} {F(b.Y)} {F(to.X)} {F(to.Y)}";
        }
        return path + "Z";
    }

    /// <summary>Embankment: short strokes outward, every second longer.</summary>
    public string Hachures(PondOnPlan p) => hachures.GetOrAdd(p.Pond.Id, _ => Strokes(p));

    private string Strokes(PondOnPlan p)
    {
        if (p.RadiusM > 0)
            return "";
        var corners = Corners(p, 0);
        var (cx, cy) = Px(p.EastM, p.NorthM);
        var path = new StringBuilder();
        for (var i = 0; i < corners.Count; i++)
        {
            var (a, b) = (corners[i], corners[(i + 1) % corners.Count]);
            var length = Math.Sqrt(Sq(b.X - a.X) + Sq(b.Y - a.Y));
            var (nx, ny) = ((b.Y - a.Y) / length, (a.X - b.X) / length);
            if ((nx * ((a.X + b.X) / 2 - cx)) + (ny * ((a.Y + b.Y) / 2 - cy)) < 0)
                (nx, ny) = (-nx, -ny);
            for (var (along, k) = (6.0, 0); along < length - 5; along += 5, k++)
            {
                var (x, y) = (a.X + ((b.X - a.X) * along / length), a.Y + ((b.Y - a.Y) * along / length));
                var reach = k % 2 == 0 ? 6 : 3.5;
                path.Append(
                    CultureInfo.InvariantCulture,
                    $"M{F(x + (nx * 1.5))} {F(y + (ny * 1.5))}L{F(x + (nx * reach))} {F(y + (ny * reach))}"
                );
            }
        }
        return path.ToString();
    }

    /// <summary>Dots of a dense bloom, the same at every look, clear of the label in the middle.</summary>
    public IEnumerable<(double X, double Y)> Bloom(PondOnPlan p)
    {
        var (cx, cy) = Px(p.EastM, p.NorthM);
        var corners = Corners(p, 4);
        var (left, right, top, bottom) = (
            corners.Min(c => c.X),
            corners.Max(c => c.X),
            corners.Min(c => c.Y),
            corners.Max(c => c.Y)
        );
        var state = 7u;
        double Next() => (state = (state * 1103515245u) + 12345u) / (double)uint.MaxValue;
        for (var i = 0; i < 620; i++)
        {
            var (x, y) = (left + (Next() * (right - left)), top + (Next() * (bottom - top)));
            if (!Inside(corners, x, y))
                continue;
            if (Math.Abs(x - cx) > 55 || Math.Abs(y - cy) > 38)
                yield return (x, y);
        }
    }

    /// <summary>Where each pond's label stands at a zoom. Ponds with room carry it; the others have it beside them, where it covers no water and no other label.</summary>
    public IReadOnlyList<PlanLabel> Labels(int zoom) => labels.GetOrAdd(zoom, Place);

    private List<PlanLabel> Place(int zoom)
    {
        var boxes = Plan
            .Ponds.Select(p =>
            {
                var (x, y) = Px(p.EastM, p.NorthM);
                return Box(x, y, p.Reach.EastM * Scale * 2, p.Reach.NorthM * Scale * 2);
            })
            .ToList();
        var taken = new List<(double L, double T, double R, double B)>(boxes);
        var labels = new List<PlanLabel>();
        foreach (var (p, box) in Plan.Ponds.Zip(boxes))
        {
            var (x, y) = Px(p.EastM, p.NorthM);
            var (w, h) = ((box.R - box.L) * zoom, (box.B - box.T) * zoom);
            var room =
                w >= FullW && h >= FullH ? LabelRoom.Full
                : w >= SmallW && h >= SmallH ? LabelRoom.Small
                : LabelRoom.Beside;
            if (room != LabelRoom.Beside)
            {
                labels.Add(new(x, y, room));
                continue;
            }
            var (bw, bh) = (BesideW / zoom, BesideH / zoom);
            (double X, double Y)[] tries =
            [
                (box.R + (bw / 2) + 3, y),
                (box.L - (bw / 2) - 3, y),
                (x, box.B + (bh / 2) + 2),
                (x, box.T - (bh / 2) - 2),
            ];
            var place = tries.FirstOrDefault(t =>
                Inside(Box(t.X, t.Y, bw, bh)) && !taken.Any(o => Overlap(o, Box(t.X, t.Y, bw, bh)))
            );
            var at = place == default ? tries[0] : place;
            taken.Add(Box(at.X, at.Y, bw, bh));
            labels.Add(new(at.X, at.Y, room));
        }
        return labels;
    }

    /// <summary>Sign of a mark about nought: arrow in, arrow out, cross of blades, shore with a pole, grid, drop line.</summary>
    public static string MarkPath(MarkKind kind) =>
        kind switch
        {
            MarkKind.Inlet => "M-6 0H3M0 -3.5L4 0L0 3.5M5 -5V5",
            MarkKind.Drain => "M-5 -5H5M0 -5V4M-3.5 1L0 5L3.5 1",
            MarkKind.Aerator => "M-4 -4L4 4M-4 4L4 -4M0 -5.5V5.5",
            MarkKind.Landing => "M-6 4H6M-6 0C-3 -3 3 -3 6 0M0 4V-6",
            MarkKind.Screen => "M-5 -5H5V5H-5ZM-1.7 -5V5M1.7 -5V5",
            _ => "M0 -6V3M-2.5 3H2.5V6H-2.5Z",
        };

    private static bool Inside((double L, double T, double R, double B) b) =>
        b.L >= 0 && b.T >= 0 && b.R <= Width && b.B <= Height;

    private static (double L, double T, double R, double B) Box(double x, double y, double w, double h) =>
        (x - (w / 2), y - (h / 2), x + (w / 2), y + (h / 2));

    private static bool Overlap(
        (double L, double T, double R, double B) a,
        (double L, double T, double R, double B) b
    ) => a.L < b.R && b.L < a.R && a.T < b.B && b.T < a.B;

    private List<(double X, double Y)> Corners(PondOnPlan p, double inM)
    {
        // A corner that would cross another stays where the bank is.
        var drawn = inM == 0 ? new Outline(p.Outline) : new Outline(p.Outline).DrawnIn(inM);
        if (inM > 0 && (new Outline(p.Outline).ShortestSideDrawnIn(inM) < 0 || drawn.Crossing() is not null))
            drawn = new(p.Outline);
        return drawn.CornersM.Select(c => Px(c.EastM, c.NorthM)).ToList();
    }

    // Even and odd crossings of a ray to the right.
    private static bool Inside(List<(double X, double Y)> corners, double x, double y)
    {
        var inside = false;
        for (var i = 0; i < corners.Count; i++)
        {
            var (a, b) = (corners[i], corners[(i + 1) % corners.Count]);
            if (a.Y > y != b.Y > y && x < a.X + ((y - a.Y) * (b.X - a.X) / (b.Y - a.Y)))
                inside = !inside;
        }
        return inside;
    }

    private static (double X, double Y) Towards((double X, double Y) from, (double X, double Y) to, double px)
    {
        var length = Math.Max(1e-9, Math.Sqrt(Sq(to.X - from.X) + Sq(to.Y - from.Y)));
        var share = Math.Min(0.5, px / length);
        return (from.X + ((to.X - from.X) * share), from.Y + ((to.Y - from.Y) * share));
    }

    private static double Sq(double x) => x * x;
}
