using Dorsk.Core.Units;

namespace Dorsk.Core.Health;

/// <summary>A place for which somebody says that nothing is wrong.</summary>
/// <param name="DeadInWeek">Fish found dead in the last seven days.</param>
/// <param name="InTank">Whether it is a tank or a lined pond.</param>
/// <param name="Came">Fish that came within the last month, in words; empty for none.</param>
public readonly record struct ClaimPlace(int DeadInWeek, bool InTank, string Came)
{
    /// <summary>What speaks against a claim of no disease; null where nothing does.</summary>
    public string? Doubt()
    {
        List<string> against = [];
        if (DeadInWeek > 0)
            against.Add($"{Hand.Metric.Count(DeadInWeek)} died here in the last seven days");
        if (Came.Length > 0)
            against.Add(Came);
        // A liner keeps mud out, not germs: they come with the water.
        if (InTank && against.Count > 0)
            against.Add("a liner keeps no disease out: pumped water, birds, nets and new fish are ways in");
        return against.Count == 0 ? null : $"Nothing wrong? {string.Join("; ", against)}. Is it closed all the same?";
    }
}
