using System.Security.Cryptography;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.State;

/// <summary>Secret addresses of people's calendars: only their hashes are kept. State, not a fact.</summary>
/// <param name="file">The farm's data file.</param>
public sealed class CalendarKeys(FarmFile file)
{
    /// <summary>Gives a person a new address; the former one shows nothing any more. Shown once, kept nowhere.</summary>
    public string Renew(long personId)
    {
        var key = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(24));
        using var c = file.Open();
        Sqlite.Run(c, "INSERT INTO calendar_key VALUES ($person, $hash) ON CONFLICT(person) DO UPDATE SET hash = excluded.hash", ("person", personId), ("hash", DeviceKeys.Hash(key)));
        return key;
    }

    /// <summary>The person an address belongs to, or null.</summary>
    public long? PersonOf(string key)
    {
        if (key.Length != 48)
            return null;
        using var c = file.Open();
        return Sqlite.Number(c, "SELECT person FROM calendar_key WHERE hash = $hash", ("hash", DeviceKeys.Hash(key))) is > 0 and var person ? person : null;
    }
}
