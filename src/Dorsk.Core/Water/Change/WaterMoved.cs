namespace Dorsk.Core.Water;

/// <summary>Water changed and topped up in a pond, added up over the last days.</summary>
/// <param name="Lines">Each time: farm day, m³, whether old water was let out for it, where it went; newest first.</param>
/// <param name="WeekM3">Changed in the last seven days, m³.</param>
/// <param name="MonthM3">Changed in the last thirty days, m³.</param>
/// <param name="ToppedPerDayM3">Topped up a day over the last thirty days, m³: what sun and leaks take.</param>
/// <param name="OldLeft">Share of the water of thirty days ago that is still there, 0 to 1.</param>
/// <param name="FullM3">Volume of the full pond, m³.</param>
public sealed record WaterMoved(
    IReadOnlyList<(DateOnly Day, double M3, bool IsChange, string Text)> Lines,
    double WeekM3,
    double MonthM3,
    double ToppedPerDayM3,
    double OldLeft,
    double FullM3
)
{
    private const int Week = 7,
        Month = 30;

    /// <summary>Share of the pond changed a day over the last week, 0 and more.</summary>
    public double ShareADay => FullM3 > 0 ? WeekM3 / Week / FullM3 : 0;

    /// <summary>Topped up a day as a share of the pond.</summary>
    public double ToppedShareADay => FullM3 > 0 ? ToppedPerDayM3 / FullM3 : 0;

    /// <summary>Adds up.</summary>
    /// <param name="lines">Each time in order: farm day, m³, whether old water was let out for it, words.</param>
    /// <param name="fullM3">Volume of the full pond, m³; above 0.</param>
    /// <param name="today">The farm day.</param>
    public static WaterMoved Of(
        IReadOnlyList<(DateOnly Day, double M3, bool IsChange, string Text)> lines,
        double fullM3,
        DateOnly today
    )
    {
        var month = lines.Where(l => l.Day > today.AddDays(-Month) && l.Day <= today).ToList();
        var changed = month.Where(l => l.IsChange).ToList();
        return new(
            [.. lines.Where(l => l.Day <= today).Reverse()],
            changed.Where(l => l.Day > today.AddDays(-Week)).Sum(l => l.M3),
            changed.Sum(l => l.M3),
            month.Where(l => !l.IsChange).Sum(l => l.M3) / Month,
            1 - WaterExchange.Together(changed.Select(l => Math.Min(1, l.M3 / fullM3))),
            fullM3
        );
    }
}
