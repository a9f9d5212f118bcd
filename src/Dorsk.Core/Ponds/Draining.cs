namespace Dorsk.Core.Ponds;

/// <summary>Draining through pipes with a falling head.</summary>
/// <param name="Hours">Time, h.</param>
/// <param name="VolumeM3">Water drained, m³.</param>
/// <param name="FlowStartM3H">Flow at the start, m³/h.</param>
/// <param name="FlowEndM3H">Flow at the end, m³/h.</param>
public sealed record Draining(double Hours, double VolumeM3, double FlowStartM3H, double FlowEndM3H)
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Orifice with falling head (Torricelli): Q = Cd·n·a·√(2g(y + drop)); no pipe friction, no inflow";

    private const double G = 9.80665;

    /// <summary>Works the time out: with s = √(y + drop), t = 2/k ∫ A(s² − drop) ds, exact by three Gauss points for bodies whose area is of second degree.</summary>
    /// <param name="shape">The pond.</param>
    /// <param name="fromM">Gauge level at the start, m.</param>
    /// <param name="toM">Gauge level at the end, m.</param>
    /// <param name="dropM">Outlet below the floor, m.</param>
    /// <param name="pipeM">Inner diameter of a pipe, m.</param>
    /// <param name="pipes">How many pipes.</param>
    /// <param name="cd">Discharge coefficient, 0.55 to 0.8.</param>
    public static Draining Through(
        PondShape shape,
        double fromM,
        double toM,
        double dropM,
        double pipeM,
        int pipes,
        double cd
    )
    {
        var k = cd * pipes * Math.PI * pipeM * pipeM / 4 * Math.Sqrt(2 * G);
        double high = Math.Sqrt(fromM + dropM),
            low = Math.Sqrt(toM + dropM);
        double middle = (high + low) / 2,
            half = (high - low) / 2;
        double At(double x) => shape.AreaM2(Math.Clamp(Math.Pow(middle + (half * x), 2) - dropM, toM, fromM));
        var offset = Math.Sqrt(0.6);
        var integral = half * (((5 * At(-offset)) + (8 * At(0)) + (5 * At(offset))) / 9);
        return new(
            2 / k * integral / 3600,
            shape.VolumeM3(fromM) - shape.VolumeM3(toM),
            k * high * 3600,
            k * low * 3600
        );
    }
}
