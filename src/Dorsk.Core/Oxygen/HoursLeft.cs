using Dorsk.Core.Judging;

namespace Dorsk.Core.Oxygen;

/// <summary>In which order ponds want somebody tonight: by status, then by the hours left until the act level, the watch level, then by the low.</summary>
public static class HoursLeft
{
    /// <summary>What to sort by, the most pressing first.</summary>
    /// <param name="status">How the pond stands.</param>
    /// <param name="forecast">Tonight's forecast, or null.</param>
    public static (int Status, DateTimeOffset Act, DateTimeOffset Watch, double LowMgL) Order(
        Status status,
        DawnLowForecast? forecast
    ) =>
        (
            -(int)status,
            forecast?.UnderActAt ?? DateTimeOffset.MaxValue,
            forecast?.UnderWatchAt ?? DateTimeOffset.MaxValue,
            forecast?.Lowest.MgL ?? double.MaxValue
        );
}
