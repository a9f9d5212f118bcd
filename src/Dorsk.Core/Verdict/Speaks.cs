namespace Dorsk.Core.Verdict;

/// <summary>For how long a value speaks of a pond: waters change by the hour, chemistry by the week.</summary>
public static class Speaks
{
    /// <summary>Oxygen, temperature and pH: from a dusk round to the next morning's.</summary>
    public static readonly TimeSpan Hours = TimeSpan.FromHours(14);

    /// <summary>What people saw of the fish.</summary>
    public static readonly TimeSpan Look = TimeSpan.FromHours(12);

    /// <summary>Hunters at a pond, guts of a few animals.</summary>
    public static readonly TimeSpan Day = TimeSpan.FromHours(30);

    /// <summary>Soft shells: a moult lasts two or three days.</summary>
    public static readonly TimeSpan Moult = TimeSpan.FromDays(3);

    /// <summary>Ammonia, and a bloom's Secchi depth, colour and film.</summary>
    public static readonly TimeSpan Week = TimeSpan.FromDays(7);

    /// <summary>Nitrite, alkalinity, carbon dioxide, salinity, hardness and what else is tested in a kit.</summary>
    public static readonly TimeSpan Fortnight = TimeSpan.FromDays(14);

    /// <summary>Chloride, which changes with the source of the water only.</summary>
    public static readonly TimeSpan Months = TimeSpan.FromDays(60);
}
