using System.Collections.Concurrent;

namespace Dorsk.Core.Time;

/// <summary>The farm's own clock face: turns instants into farm days and hours and back.</summary>
/// <remarks>Built from an IANA name or a fixed offset; <c>Etc/GMT-10</c> is UTC+10 (the sign of those names is reversed).</remarks>
public sealed class FarmZone
{
    // Zones of this machine, found once: every page asks for the farm's.
    private static readonly ConcurrentDictionary<string, FarmZone> Found = new();
    private readonly TimeZoneInfo zone;

    private FarmZone(string id, TimeZoneInfo zone) => (Id, this.zone) = (id, zone);

    /// <summary>The name it was made from.</summary>
    public string Id { get; }

    /// <summary>Finds a zone by IANA name, or null when this machine knows none of that name.</summary>
    public static FarmZone? Find(string id)
    {
        if (Found.TryGetValue(id, out var known))
            return known;
        var name = id.Trim();
        if (!TimeZoneInfo.TryFindSystemTimeZoneById(name, out var zone))
            return null;
        return Found.GetOrAdd(name, new FarmZone(name, zone));
    }

    /// <summary>Every IANA zone this machine knows, by name, with <c>UTC</c> and the fixed offsets.</summary>
    public static IReadOnlyList<string> Known => All.Value;

    // Only the farm's own slip asks for them all: reading six hundred zones would hold up every start.
    private static readonly Lazy<IReadOnlyList<string>> All = new(() =>
        [
            .. TimeZoneInfo
                .GetSystemTimeZones()
                .Select(z => z.Id)
                .Where(id => id.Contains('/', StringComparison.Ordinal))
                .Concat(Enumerable.Range(-12, 27).Where(h => h != 0).Select(h => $"Etc/GMT{-h:+0;-0}"))
                .Append("UTC")
                .Where(id => Find(id) is not null)
                .Distinct()
                .Order(StringComparer.Ordinal),
        ]
    );

    /// <summary>A zone as people read it: <c>America/New_York</c> is New York (America); <c>Etc/GMT-10</c> is UTC+10 without daylight saving.</summary>
    /// <param name="id">IANA name.</param>
    public static string Word(string id)
    {
        if (id.StartsWith("Etc/GMT", StringComparison.Ordinal) && id.Length > 8)
            return $"UTC{(id[7] == '-' ? '+' : '-')}{id[8..]}, no daylight saving";
        var parts = id.Replace('_', ' ').Split('/');
        return parts.Length == 1 ? id : $"{string.Join(", ", parts[1..].Reverse())} ({parts[0]})";
    }

    /// <summary>Coordinated universal time.</summary>
    public static readonly FarmZone Utc = new("UTC", TimeZoneInfo.Utc);

    /// <summary>The date and hour on the farm's clock at an instant.</summary>
    public DateTime LocalAt(DateTimeOffset instant) => TimeZoneInfo.ConvertTime(instant, zone).DateTime;

    /// <summary>The farm day of an instant.</summary>
    public DateOnly DayOf(DateTimeOffset instant) => DateOnly.FromDateTime(LocalAt(instant));

    /// <summary>The instant of a date and hour on the farm's clock. In the hour that is skipped in spring the clock has already moved on.</summary>
    public DateTimeOffset At(DateTime local)
    {
        var bare = DateTime.SpecifyKind(local, DateTimeKind.Unspecified);
        if (zone.IsInvalidTime(bare))
            bare = bare.AddHours(1);
        return new DateTimeOffset(bare, zone.GetUtcOffset(bare)).ToUniversalTime();
    }

    /// <summary>The instant of a date and hour as a person means it. In the hour that comes twice in autumn it is the later one that has come already, else the earlier.</summary>
    /// <param name="local">Date and hour on the farm's clock.</param>
    /// <param name="notAfter">Now; what people write down has happened.</param>
    public DateTimeOffset At(DateTime local, DateTimeOffset notAfter)
    {
        var bare = DateTime.SpecifyKind(local, DateTimeKind.Unspecified);
        if (!zone.IsAmbiguousTime(bare))
            return At(bare);
        var both = zone.GetAmbiguousTimeOffsets(bare)
            .Select(offset => new DateTimeOffset(bare, offset).ToUniversalTime())
            .Order()
            .ToList();
        return both[1] <= notAfter ? both[1] : both[0];
    }

    /// <summary>The instant of a farm day at an hour.</summary>
    public DateTimeOffset At(DateOnly day, TimeOnly hour) => At(day.ToDateTime(hour));

    /// <summary>Hours ahead of UTC at an instant.</summary>
    public double OffsetHoursAt(DateTimeOffset instant) => zone.GetUtcOffset(instant).TotalHours;
}
