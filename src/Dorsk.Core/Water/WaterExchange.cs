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

    /// <summary>What several part changes add up to: share of the old water that is gone.</summary>
    /// <param name="shares">Shares of the water changed each time, 0 to 1.</param>
    public static double Together(IEnumerable<double> shares) =>
        1 - shares.Aggregate(1.0, (left, share) => left * (1 - share));
}
