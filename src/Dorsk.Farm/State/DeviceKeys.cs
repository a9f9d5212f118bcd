using Dorsk.Farm.Sql;

namespace Dorsk.Farm.State;

/// <summary>Keys of devices.</summary>
/// <param name="file">The farm's data file.</param>
public sealed class DeviceKeys(FarmFile file) : SecretKeys(file, "device_key", "device", 32)
{
    /// <summary>The device a key belongs to, or null.</summary>
    public long? DeviceOf(string key) => OwnerOf(key);
}
