namespace Dorsk.Core.Acclimate;

/// <summary>How fast salinity may change, by where it stands (default steps of the trade; species may bear more or less).</summary>
public static class SalinityRate
{
    /// <summary>Where it comes from.</summary>
    public const string Source =
        "Default steps of the trade: over 20 ppt 2.0 an hour, to 10 1.6, to 5 1.0, to 2 0.7, below 0.5; upwards 1 an hour (table of salinity acclimation)";

    /// <summary>A difference that fish are let out into, ppt.</summary>
    public const double DirectPpt = 3;

    /// <summary>Change an hour, ppt, at a salinity.</summary>
    /// <param name="ppt">Salinity now.</param>
    /// <param name="down">Whether it falls.</param>
    public static double PerHour(double ppt, bool down) =>
        ppt switch
        {
            _ when !down => 1,
            > 20 => 2,
            > 10 => 1.6,
            > 5 => 1,
            > 2 => 0.7,
            _ => 0.5,
        };

    /// <summary>Salinity after some hours, never past the goal.</summary>
    /// <param name="from">At first, ppt; 0 or more.</param>
    /// <param name="to">The goal, ppt; 0 or more.</param>
    /// <param name="hours">Hours; 0 or more.</param>
    public static double After(double from, double to, double hours)
    {
        var (s, left, down) = (from, hours, to < from);
        while (left > 1e-9 && Math.Abs(to - s) > 1e-9)
        {
            // To the next level at which the rate changes, or the goal.
            var rate = PerHour(s - (down ? 1e-9 : 0), down);
            var edge = down ? new[] { 20.0, 10, 5, 2, 0 }.First(e => e < s - 1e-9 || e == 0) : to;
            var stop = down ? Math.Max(edge, to) : to;
            var took = Math.Min(left, Math.Abs(stop - s) / rate);
            s += (down ? -1 : 1) * rate * took;
            left -= took;
        }
        return s;
    }

    /// <summary>Hours from one salinity to another.</summary>
    /// <param name="from">At first, ppt; 0 or more.</param>
    /// <param name="to">The goal, ppt; 0 or more.</param>
    public static double Hours(double from, double to)
    {
        if (to >= from)
            return (to - from) / PerHour(from, false);
        double hours = 0,
            s = from;
        foreach (var edge in new[] { 20.0, 10, 5, 2, 0 })
        {
            var stop = Math.Max(edge, to);
            if (stop < s)
            {
                hours += (s - stop) / PerHour(s, true);
                s = stop;
            }
        }
        return hours;
    }
}
