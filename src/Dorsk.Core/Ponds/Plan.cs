using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>Where a pond lies on the farm's plan; valid from its instant.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="EastM">Its middle, metres east of the plan's corner.</param>
/// <param name="NorthM">Its middle, metres north of the plan's corner.</param>
/// <param name="TurnDeg">Turn of its long side against east, degrees, left about.</param>
public sealed record PondPlaced(long PondId, double EastM, double NorthM, double TurnDeg) : Fact;

/// <summary>Something on the plan that is no pond: creek, track, shed.</summary>
/// <param name="Kind">creek, track or shed.</param>
/// <param name="Name">What it is called; may be empty.</param>
/// <param name="PointsM">Its line or outline, metres east and north.</param>
public sealed record LandmarkDrawn(string Kind, string Name, IReadOnlyList<(double EastM, double NorthM)> PointsM)
    : Fact;

/// <summary>A pond on the plan: its outline in metres.</summary>
/// <param name="Pond">The pond.</param>
/// <param name="EastM">Its middle.</param>
/// <param name="NorthM">Its middle.</param>
/// <param name="Outline">Corners of the full water in metres, or empty for a round tank.</param>
/// <param name="RadiusM">Radius of a round tank, m; 0 for others.</param>
/// <param name="TurnDeg">Its turn, degrees left about.</param>
/// <param name="Placed">False when nobody said where it lies and it was set in a row.</param>
public sealed record PondOnPlan(
    Pond Pond,
    double EastM,
    double NorthM,
    IReadOnlyList<(double EastM, double NorthM)> Outline,
    double RadiusM,
    double TurnDeg,
    bool Placed
)
{
    /// <summary>A mark of this pond where it lies on the plan, m.</summary>
    public PlanMark OnPlan(PlanMark mark)
    {
        var (east, north) = FarmPlan.Turned(mark.EastM, mark.NorthM, TurnDeg);
        return mark with { EastM = EastM + east, NorthM = NorthM + north };
    }

    /// <summary>A mark that lies somewhere on the plan, about this pond's middle and before its turn.</summary>
    public PlanMark InPond(PlanMark mark)
    {
        var (east, north) = FarmPlan.Turned(mark.EastM - EastM, mark.NorthM - NorthM, -TurnDeg);
        return mark with { EastM = east, NorthM = north };
    }

    /// <summary>The widest and highest it reaches from its middle, m.</summary>
    public (double EastM, double NorthM) Reach =>
        RadiusM > 0
            ? (RadiusM, RadiusM)
            : (Outline.Max(p => Math.Abs(p.EastM - EastM)), Outline.Max(p => Math.Abs(p.NorthM - NorthM)));
}

/// <summary>Lays the ponds of a farm out in metres, true to their shapes.</summary>
public static class FarmPlan
{
    /// <summary>Nothing of a farm lies further from the plan's corner, m.</summary>
    public const double FurthestM = 20_000;

    private const double Gap = 12; // between ponds that nobody placed, m
    private const double RowWidth = 360; // where a row of them ends, m

    /// <summary>Every pond with its outline; those without a place stand in rows under the others.</summary>
    /// <param name="ponds">Ponds in their order, each with its place or null.</param>
    public static IReadOnlyList<PondOnPlan> LayOut(IReadOnlyList<(Pond Pond, PondPlaced? Place)> ponds)
    {
        var placed = ponds
            .Where(p => p.Place is not null)
            .Select(p => At(p.Pond, p.Place!.EastM, p.Place.NorthM, p.Place.TurnDeg, true))
            .ToList();
        var top = placed.Count == 0 ? 0 : placed.Min(p => p.NorthM - p.Reach.NorthM) - Gap;
        var left = placed.Count == 0 ? 0 : placed.Min(p => p.EastM - p.Reach.EastM);
        double x = left,
            row = 0;
        foreach (var (pond, _) in ponds.Where(p => p.Place is null))
        {
            var (w, h) = At(pond, 0, 0, 0, false).Reach;
            if (x > left && x + (2 * w) > left + RowWidth)
                (x, top, row) = (left, top - row - Gap, 0);
            placed.Add(At(pond, x + w, top - h, 0, false));
            (x, row) = (x + (2 * w) + Gap, Math.Max(row, 2 * h));
        }
        return placed;
    }

    private static PondOnPlan At(Pond pond, double eastM, double northM, double turnDeg, bool placed)
    {
        if (pond.Shape is RoundTank tank)
            return new(pond, eastM, northM, [], tank.DiameterM / 2, turnDeg, placed);
        return new(
            pond,
            eastM,
            northM,
            pond.Shape.CornersM.Select(c => Turned(c.EastM, c.NorthM, turnDeg))
                .Select(c => (eastM + c.EastM, northM + c.NorthM))
                .ToList(),
            0,
            turnDeg,
            placed
        );
    }

    /// <summary>A point turned left about nought.</summary>
    /// <param name="eastM">East, m.</param>
    /// <param name="northM">North, m.</param>
    /// <param name="turnDeg">Turn to the left, degrees.</param>
    public static (double EastM, double NorthM) Turned(double eastM, double northM, double turnDeg)
    {
        var (sin, cos) = Math.SinCos(turnDeg * Math.PI / 180);
        return ((eastM * cos) - (northM * sin), (eastM * sin) + (northM * cos));
    }
}
