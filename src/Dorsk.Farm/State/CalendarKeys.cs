using Dorsk.Farm.Sql;

namespace Dorsk.Farm.State;

/// <summary>Secret addresses of people's calendars.</summary>
/// <param name="file">The farm's data file.</param>
public sealed class CalendarKeys(FarmFile file) : SecretKeys(file, "calendar_key", "person", 24)
{
    /// <summary>The person an address belongs to, or null.</summary>
    public long? PersonOf(string key) => OwnerOf(key);
}
