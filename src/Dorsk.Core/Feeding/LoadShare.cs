namespace Dorsk.Core.Feeding;

/// <summary>A load weighed once and shared among ponds.</summary>
public static class LoadShare
{
    /// <summary>Parts of a load by the rations, each to ten grams; what rounding leaves over goes to the largest, so that the load is kept.</summary>
    /// <param name="kg">The load, kg.</param>
    /// <param name="rationsKg">Rations, kg; each 0 or more, at least one above.</param>
    public static IReadOnlyList<double> Of(double kg, IReadOnlyList<double> rationsKg)
    {
        var all = rationsKg.Sum();
        var parts = rationsKg.Select(r => Math.Round(kg * r / all, 2)).ToList();
        var most = parts.IndexOf(parts.Max());
        parts[most] = Math.Round(parts[most] + kg - parts.Sum(), 6);
        return parts;
    }
}
