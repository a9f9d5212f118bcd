namespace Dorsk.Core.Water;

/// <summary>Changing water: fully mixed, nothing made or used up meanwhile.</summary>
public static class WaterExchange
{
    /// <summary>What is left of the difference to the inflow when the wanted concentration is reached, 0 to 1; null when this inflow cannot reach it.</summary>
    /// <param name="nowMgL">Now, mg/L.</param>
    /// <param name="inflowMgL">In the inflow, mg/L.</param>
    /// <param name="wantedMgL">Wanted, mg/L.</param>
    public static double? Left(double nowMgL, double inflowMgL, double wantedMgL)
    {
        var left = (wantedMgL - inflowMgL) / (nowMgL - inflowMgL);
        return double.IsFinite(left) && left is > 0 and <= 1 ? left : null;
    }

    /// <summary>Share of the pond to drain and refill each time, when it is done a number of times.</summary>
    /// <param name="left">What is left of the difference, above 0 and at most 1.</param>
    /// <param name="times">How often, 1 or more.</param>
    public static double EachOf(double left, int times) => 1 - Math.Pow(left, 1.0 / times);

    /// <summary>Pond volumes to run through when it flows in and out together.</summary>
    /// <param name="left">What is left of the difference, above 0 and at most 1.</param>
    public static double FlowThroughVolumes(double left) => -Math.Log(left);

    /// <summary>The greatest flow of new water at which a figure of the pond changes no faster than its fish bear, m³/h; infinite where both waters agree.</summary>
    /// <param name="volumeM3">Water in the pond, m³; above 0.</param>
    /// <param name="difference">New water less pond, in the unit of the figure: °C, pH, ppt.</param>
    /// <param name="perHour">Change an hour that they bear, same unit; above 0. Fully mixed, the first hour is the fastest.</param>
    public static double MostFlowM3H(double volumeM3, double difference, double perHour) =>
        Math.Abs(difference) < 1e-9 ? double.PositiveInfinity : volumeM3 * perHour / Math.Abs(difference);

    /// <summary>Hours of a steady flow until a share of the old water is gone.</summary>
    /// <param name="volumeM3">Water in the pond, m³.</param>
    /// <param name="flowM3H">Flow in and out, m³/h; above 0.</param>
    /// <param name="share">Share of the old water to be gone, 0 to below 1.</param>
    public static double HoursTo(double volumeM3, double flowM3H, double share) =>
        volumeM3 / flowM3H * -Math.Log(1 - share);

    /// <summary>What several part changes add up to: share of the old water that is gone.</summary>
    /// <param name="shares">Shares of the water changed each time, 0 to 1.</param>
    public static double Together(IEnumerable<double> shares) =>
        1 - shares.Aggregate(1.0, (left, share) => left * (1 - share));
}
