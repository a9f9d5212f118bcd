namespace Dorsk.Core.Water;

/// <summary>How far a value swung from the lowest of a morning to the highest of the same afternoon.</summary>
/// <param name="Day">Farm day.</param>
/// <param name="DawnSi">Lowest of the morning, SI.</param>
/// <param name="AfternoonSi">Highest of the afternoon, SI.</param>
public sealed record DaySwing(DateOnly Day, double DawnSi, double AfternoonSi)
{
    /// <summary>The swing, SI.</summary>
    public double Si => AfternoonSi - DawnSi;

    /// <summary>The last day on which both were read; null when there is none.</summary>
    /// <param name="dawn">Lowest of each morning, in order of days.</param>
    /// <param name="afternoon">Highest of each afternoon, in order of days.</param>
    public static DaySwing? Last(IReadOnlyList<DayValue> dawn, IReadOnlyList<DayValue> afternoon) =>
        dawn.Join(afternoon, d => d.Day, a => a.Day, (d, a) => new DaySwing(d.Day, d.Si, a.Si)).LastOrDefault();
}
