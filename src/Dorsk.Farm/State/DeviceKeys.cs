using System.Security.Cryptography;
using System.Text;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.State;

/// <summary>Keys of devices: only their hashes are kept. State, not a fact. A key is 32 random bytes, so a plain hash guards it.</summary>
/// <param name="file">The farm's data file.</param>
public sealed class DeviceKeys(FarmFile file)
{
    /// <summary>Gives a device a new key; the former one opens nothing any more. Shown once, kept nowhere.</summary>
    public string Renew(long deviceId)
    {
        var key = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(32));
        using var c = file.Open();
        Sqlite.Run(c, "INSERT INTO device_key VALUES ($device, $hash) ON CONFLICT(device) DO UPDATE SET hash = excluded.hash", ("device", deviceId), ("hash", Hash(key)));
        return key;
    }

    /// <summary>The device a key belongs to, or null.</summary>
    public long? DeviceOf(string key)
    {
        if (key.Length != 64)
            return null;
        using var c = file.Open();
        return Sqlite.Number(c, "SELECT device FROM device_key WHERE hash = $hash", ("hash", Hash(key))) is > 0 and var device ? device : null;
    }

    internal static string Hash(string key) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(key)));
}
