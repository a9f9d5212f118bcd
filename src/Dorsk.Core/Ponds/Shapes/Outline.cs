using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>
/// A closed outline of corners in metres east and north. Area by the shoelace sum, taken about the first corner so that far-off
/// coordinates lose no digits.
/// </summary>
/// <param name="CornersM">Corners in order, either way round; the last is joined to the first.</param>
public sealed record Outline(IReadOnlyList<(double EastM, double NorthM)> CornersM)
{
    /// <summary>More corners than any bank has.</summary>
    public const int MostCorners = 400;

    private const double NearM = 0.01;

    /// <summary>Enclosed area, m².</summary>
    public double AreaM2 => Math.Abs(Twice) / 2;

    /// <summary>Length of every side, m; the first runs from the first corner to the second.</summary>
    public IReadOnlyList<double> SidesM => CornersM.Select((c, i) => Distance(c, Next(i))).ToList();

    /// <summary>Length of the bank, m.</summary>
    public double PerimeterM => SidesM.Sum();

    /// <summary>Centre of the area.</summary>
    public (double EastM, double NorthM) Middle
    {
        get
        {
            var (ox, oy) = CornersM[0];
            double x = 0,
                y = 0;
            for (var i = 0; i < CornersM.Count; i++)
            {
                var ((ax, ay), (bx, by)) = (
                    (CornersM[i].EastM - ox, CornersM[i].NorthM - oy),
                    (Next(i).EastM - ox, Next(i).NorthM - oy)
                );
                var cross = (ax * by) - (bx * ay);
                (x, y) = (x + ((ax + bx) * cross), y + ((ay + by) * cross));
            }
            return (ox + (x / (3 * Twice)), oy + (y / (3 * Twice)));
        }
    }

    // Twice the area, above nought when the corners run left about.
    private double Twice
    {
        get
        {
            if (CornersM.Count < 3)
                return 0;
            var (ox, oy) = CornersM[0];
            return CornersM
                .Select((c, i) => ((c.EastM - ox) * (Next(i).NorthM - oy)) - ((Next(i).EastM - ox) * (c.NorthM - oy)))
                .Sum();
        }
    }

    /// <summary>The same outline about its own middle, turned.</summary>
    /// <param name="turnDeg">Turn left about, degrees.</param>
    public Outline AboutMiddle(double turnDeg = 0)
    {
        var (x, y) = Middle;
        return new(CornersM.Select(c => FarmPlan.Turned(c.EastM - x, c.NorthM - y, turnDeg)).ToList());
    }

    /// <summary>The outline drawn in by a breadth on all sides, corners kept sharp; below nought it is drawn out.</summary>
    /// <param name="byM">Breadth, m. Where sides vanish on the way the result crosses itself: see <see cref="Check"/>.</param>
    public Outline DrawnIn(double byM) =>
        new(
            CornersM
                .Select(
                    (c, i) =>
                    {
                        var (before, after) = (Along(Before(i), c), Along(c, Next(i)));
                        var left = Math.Sign(Twice);
                        // The corner moves along both sides' inward normals at once; at a corner of 180° they are one.
                        var (nx, ny) = (-left * (before.Y + after.Y), left * (before.X + after.X));
                        var scale = byM / Math.Max(1e-9, 1 + (before.X * after.X) + (before.Y * after.Y));
                        return (c.EastM + (nx * scale), c.NorthM + (ny * scale));
                    }
                )
                .ToList()
        );

    /// <summary>Sum over the corners of the tangent of half the turn: an outline drawn in by s has the area A − P·s + K·s².</summary>
    public double CornerSum => CornersM.Select((c, i) => Math.Sign(Twice) * HalfTurn(i)).Sum();

    /// <summary>Length of the shortest side after the outline was drawn in, m; below nought a side is gone and the area law with it.</summary>
    /// <param name="byM">Breadth, m.</param>
    public double ShortestSideDrawnIn(double byM) =>
        SidesM
            .Select((s, i) => s - (byM * Math.Sign(Twice) * (HalfTurn(i) + HalfTurn((i + 1) % CornersM.Count))))
            .Min();

    /// <summary>What stands against this outline: too few corners, two corners in one place, sides that cross; with the place.</summary>
    /// <param name="field">Field of the remark.</param>
    public IEnumerable<Remark> Check(string field)
    {
        var n = CornersM.Count;
        if (n is < 3 or > MostCorners)
            return
            [
                Remark.Refuse(
                    field,
                    FormattableString.Invariant($"An outline takes 3 to {MostCorners} corners; this has {n}.")
                ),
            ];
        if (
            CornersM.Any(c =>
                !double.IsFinite(c.EastM)
                || !double.IsFinite(c.NorthM)
                || Math.Abs(c.EastM) > 50_000
                || Math.Abs(c.NorthM) > 50_000
            )
        )
            return
            [
                Remark.Refuse(field, "A corner lies further off than 50 km. Corners are metres east and metres north."),
            ];
        if (Enumerable.Range(0, n).FirstOrDefault(i => Distance(CornersM[i], Next(i)) < NearM, -1) is >= 0 and var same)
            return
            [
                Remark.Refuse(
                    field,
                    $"Corners {same + 1} and {((same + 1) % n) + 1} lie in one place, {Place(CornersM[same])}. Take one away."
                ),
            ];
        if (Crossing() is { } at)
            return
            [
                Remark.Refuse(
                    field,
                    $"The outline crosses itself at {Place(at.Where)}: side {at.A + 1} meets side {at.B + 1}. Put the corners in the order in which you would walk the bank."
                ),
            ];
        return AreaM2 < 0.25 ? [Remark.Refuse(field, "The outline holds no water: its corners lie on one line.")] : [];
    }

    /// <summary>First place where two sides that are not neighbours meet, with their numbers from 0; null when the outline is simple.</summary>
    public ((double EastM, double NorthM) Where, int A, int B)? Crossing()
    {
        var n = CornersM.Count;
        for (var i = 0; i < n; i++)
        for (var j = i + 1; j < n; j++)
            if (
                Meet(CornersM[i], Next(i), CornersM[j], Next(j), neighbours: j == i + 1 || (i == 0 && j == n - 1)) is
                { } at
            )
                return (at, i, j);
        return null;
    }

    private static string Place((double EastM, double NorthM) p) =>
        FormattableString.Invariant($"{p.EastM:0.#} east, {p.NorthM:0.#} north");

    // Neighbours share a corner; they are against each other only when the second runs back over the first.
    private static (double, double)? Meet(
        (double X, double Y) a,
        (double X, double Y) b,
        (double X, double Y) c,
        (double X, double Y) d,
        bool neighbours
    )
    {
        var ((rx, ry), (sx, sy)) = ((b.X - a.X, b.Y - a.Y), (d.X - c.X, d.Y - c.Y));
        var across = (rx * sy) - (ry * sx);
        var (qx, qy) = (c.X - a.X, c.Y - a.Y);
        var scale = Math.Max(1e-12, Math.Sqrt(((rx * rx) + (ry * ry)) * ((sx * sx) + (sy * sy))));
        if (Math.Abs(across) < 1e-12 * scale)
        {
            var back = (rx * sx) + (ry * sy) < 0;
            if (neighbours)
                return back
                    ? b == c
                        ? b
                        : a
                    : null;
            // Parallel: they meet when they lie on one line and overlap.
            if (Math.Abs((qx * ry) - (qy * rx)) > 1e-9 * scale)
                return null;
            double At((double X, double Y) p) => (((p.X - a.X) * rx) + ((p.Y - a.Y) * ry)) / ((rx * rx) + (ry * ry));
            var (low, high) = (Math.Min(At(c), At(d)), Math.Max(At(c), At(d)));
            return high < 0 || low > 1
                ? null
                : (a.X + (rx * Math.Clamp(low, 0, 1)), a.Y + (ry * Math.Clamp(low, 0, 1)));
        }
        if (neighbours)
            return null;
        var (t, u) = (((qx * sy) - (qy * sx)) / across, ((qx * ry) - (qy * rx)) / across);
        return t is >= 0 and <= 1 && u is >= 0 and <= 1 ? (a.X + (t * rx), a.Y + (t * ry)) : null;
    }

    private (double EastM, double NorthM) Next(int i) => CornersM[(i + 1) % CornersM.Count];

    private (double EastM, double NorthM) Before(int i) => CornersM[(i + CornersM.Count - 1) % CornersM.Count];

    internal static double Distance((double X, double Y) a, (double X, double Y) b) =>
        Math.Sqrt(((b.X - a.X) * (b.X - a.X)) + ((b.Y - a.Y) * (b.Y - a.Y)));

    private static (double X, double Y) Along((double X, double Y) a, (double X, double Y) b)
    {
        var d = Math.Max(1e-12, Distance(a, b));
        return ((b.X - a.X) / d, (b.Y - a.Y) / d);
    }

    // Tangent of half the turn at a corner, above nought when it turns left.
    private double HalfTurn(int i)
    {
        var (before, after) = (Along(Before(i), CornersM[i]), Along(CornersM[i], Next(i)));
        return ((before.X * after.Y) - (before.Y * after.X))
            / Math.Max(1e-9, 1 + (before.X * after.X) + (before.Y * after.Y));
    }
}
