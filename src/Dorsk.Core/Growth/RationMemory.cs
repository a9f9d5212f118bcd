namespace Dorsk.Core.Growth;

/// <summary>The ration share of the last days. A pond whose feeding was never written down is taken as fully fed, not as starved.</summary>
internal sealed class RationMemory
{
    private readonly Queue<(double Fed, double Full)> days = new();
    private bool everFed;

    /// <summary>Takes one day in and says the share of the full ration over the last days, 0 to 1.</summary>
    public double Share(double fedKg, double fullKg)
    {
        everFed |= fedKg > 0;
        days.Enqueue((fedKg, fullKg));
        if (days.Count > StandingSettings.RationDays)
            days.Dequeue();
        var full = days.Sum(d => d.Full);
        return !everFed || full <= 0 ? 1 : Math.Min(1, days.Sum(d => d.Fed) / full);
    }
}
