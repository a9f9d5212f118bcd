namespace Dorsk.Core.Ponds;

/// <summary>What a new drawing of a pond means: moved and turned only, or another shape.</summary>
public static class Redrawing
{
    private const double SameM = 0.01,
        SquareM = 0.05;

    /// <summary>Reads a drawing.</summary>
    /// <param name="before">The pond as it lay.</param>
    /// <param name="corners">Its corners as drawn, in the order they had; for a round tank one point, its middle.</param>
    /// <returns>The pond described anew when its shape changed, else null; and its place.</returns>
    public static (Pond? Rebuilt, PondPlaced Place) Of(
        PondOnPlan before,
        IReadOnlyList<(double EastM, double NorthM)> corners
    )
    {
        var pond = before.Pond;
        if (pond.Shape is RoundTank)
            return (null, new(pond.Id, corners[0].EastM, corners[0].NorthM, 0));
        var outline = new Outline(corners);
        var (east, north) = outline.Middle;
        if (TurnOf(before, corners) is { } turned)
        {
            var (dx, dy) = FarmPlan.Turned(
                before.EastM - before.Outline[0].EastM,
                before.NorthM - before.Outline[0].NorthM,
                turned
            );
            return Moved(before, corners, pond, turned, dx, dy);
        }
        if (pond.Shape is SlopedRectangle r && Rectangle(corners) is { } sides)
            return Resized(pond, east, north, r, sides);
        var drawn = outline.AboutMiddle();
        // Built anew, never by `with`: these bodies keep figures of their outline.
        PondShape shape = Reshaped(pond, drawn);
        return (pond with { Shape = shape }, new(pond.Id, east, north, 0));
    }

    private static (Pond? Rebuilt, PondPlaced Place) Resized(
        Pond pond,
        double east,
        double north,
        SlopedRectangle r,
        (double LengthM, double WidthM, double TurnDeg) sides
    ) =>
        (
            pond with
            {
                Shape = r with { LengthM = sides.LengthM, WidthM = sides.WidthM },
            },
            new(pond.Id, east, north, sides.TurnDeg)
        );

    private static PondShape Reshaped(Pond pond, Outline drawn) =>
        pond.Shape switch
        {
            SlopedRectangle s => new OutlinePond(drawn, s.DepthM, s.Slope),
            OutlinePond o => new OutlinePond(drawn, o.DepthM, o.Slope),
            MeanDepthPond m => new MeanDepthPond(drawn, m.MeanDepth, m.DepthM),
            TablePond t => new TablePond(drawn, t.Levels),
            var other => throw new NotSupportedException($"No drawing for the shape {other.GetType().Name}."),
        };

    private static (Pond? Rebuilt, PondPlaced Place) Moved(
        PondOnPlan before,
        IReadOnlyList<(double EastM, double NorthM)> corners,
        Pond pond,
        double turned,
        double dx,
        double dy
    ) =>
        (
            null,
            new(
                pond.Id,
                corners[0].EastM + dx,
                corners[0].NorthM + dy,
                Math.IEEERemainder(before.TurnDeg + turned, 360)
            )
        );

    // The turn that takes the old corners to the new ones, degrees; null when no move and turn does.
    private static double? TurnOf(PondOnPlan before, IReadOnlyList<(double EastM, double NorthM)> corners)
    {
        var old = before.Outline;
        if (old.Count != corners.Count)
            return null;
        var turn = Angle(corners[0], corners[1]) - Angle(old[0], old[1]);
        for (var i = 1; i < old.Count; i++)
        {
            var (x, y) = FarmPlan.Turned(old[i].EastM - old[0].EastM, old[i].NorthM - old[0].NorthM, turn);
            if (
                Math.Abs(corners[0].EastM + x - corners[i].EastM) > SameM
                || Math.Abs(corners[0].NorthM + y - corners[i].NorthM) > SameM
            )
                return null;
        }
        return turn;
    }

    private static (double LengthM, double WidthM, double TurnDeg)? Rectangle(
        IReadOnlyList<(double EastM, double NorthM)> c
    )
    {
        if (c.Count != 4)
            return null;
        var sides = new Outline(c).SidesM;
        var diagonals = (Outline.Distance(c[0], c[2]), Outline.Distance(c[1], c[3]));
        var square =
            Math.Abs(sides[0] - sides[2]) < SquareM
            && Math.Abs(sides[1] - sides[3]) < SquareM
            && Math.Abs(diagonals.Item1 - diagonals.Item2) < SquareM;
        return square ? (sides[0], sides[1], Angle(c[0], c[1])) : null;
    }

    private static double Angle((double EastM, double NorthM) a, (double EastM, double NorthM) b) =>
        Math.Atan2(b.NorthM - a.NorthM, b.EastM - a.EastM) * 180 / Math.PI;
}
