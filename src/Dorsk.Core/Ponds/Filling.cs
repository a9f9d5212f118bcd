namespace Dorsk.Core.Ponds;

/// <summary>How long a pump fills a pond while some of it is lost.</summary>
public static class Filling
{
    /// <summary>Where it comes from.</summary>
    public const string Source = "Water balance over the pond's own area at each level";

    private const int Slices = 400;

    /// <summary>Hours from one level to another; null when as much is lost as comes in.</summary>
    /// <param name="body">The pond.</param>
    /// <param name="fromM">Level now, m.</param>
    /// <param name="toM">Wanted level, m, above it.</param>
    /// <param name="flowM3H">What the pump gives, m³/h.</param>
    /// <param name="lossMDay">Lost from the surface, m/day.</param>
    public static double? Hours(PondShape body, double fromM, double toM, double flowM3H, double lossMDay)
    {
        var hours = 0.0;
        for (var i = 0; i < Slices; i++)
        {
            double low = fromM + ((toM - fromM) * i / Slices),
                high = fromM + ((toM - fromM) * (i + 1) / Slices);
            var net = flowM3H - (body.AreaM2((low + high) / 2) * lossMDay / 24);
            if (net <= 0)
                return null;
            hours += (body.VolumeM3(high) - body.VolumeM3(low)) / net;
        }
        return hours;
    }
}
