namespace Dorsk.Core.Water;

/// <summary>A part of the water changed on every so many days: each time, and what it adds up to.</summary>
/// <param name="Day">Days from the first, 0 at the first.</param>
/// <param name="M3">Water of this time, m³.</param>
/// <param name="TotalM3">Water so far, m³.</param>
/// <param name="OldLeft">Share of the first water that is still there after it, 0 to 1.</param>
public readonly record struct ExchangeStep(int Day, double M3, double TotalM3, double OldLeft)
{
    /// <summary>Works the days out. Fully mixed each time.</summary>
    /// <param name="volumeM3">Water in the pond, m³; above 0.</param>
    /// <param name="share">Share changed each time, above 0 to 1.</param>
    /// <param name="everyDays">Days from one time to the next, 1 or more.</param>
    /// <param name="days">For how many days, 1 or more.</param>
    public static IReadOnlyList<ExchangeStep> Over(double volumeM3, double share, int everyDays, int days)
    {
        var steps = new List<ExchangeStep>();
        var left = 1.0;
        for (var day = 0; day < days; day += everyDays)
        {
            left *= 1 - share;
            steps.Add(new(day, share * volumeM3, (steps.Count + 1) * share * volumeM3, left));
        }
        return steps;
    }
}
