using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.State;

namespace Dorsk.Web.Inlets;

/// <summary>Stands before the addresses of machines: a key in the header, of a device that is not gone, for what it is used for.</summary>
/// <param name="questions">The farm's devices.</param>
/// <param name="keys">Their keys.</param>
public sealed class DeviceGate(Questions questions, DeviceKeys keys)
{
    /// <summary>The device that asks, or null when its key opens nothing here.</summary>
    /// <param name="http">The request: <c>Authorization: Bearer KEY</c>.</param>
    /// <param name="uses">What it must be for: one of these.</param>
    public DeviceKept? Of(HttpContext http, params ReadOnlySpan<DeviceUse> uses)
    {
        var header = http.Request.Headers.Authorization.ToString();
        return header.StartsWith("Bearer ", StringComparison.Ordinal)
            ? Of(header["Bearer ".Length..].Trim(), uses)
            : null;
    }

    /// <summary>The device of a key, or null.</summary>
    public DeviceKept? Of(string key, params ReadOnlySpan<DeviceUse> uses) =>
        keys.DeviceOf(key) is { } id
        && questions.Devices().FirstOrDefault(d => d.Kept.DeviceId == id).Kept is { Gone: false } kept
        && uses.Contains(kept.Use)
            ? kept
            : null;
}
