using System.Globalization;
using System.Text.Json;
using Dorsk.Core.Air;
using Dorsk.Core.Water;
using Dorsk.Farm;

namespace Dorsk.Web.Inlets;

/// <summary>What a panel says of one aerator.</summary>
/// <param name="Running">Whether it runs.</param>
/// <param name="CurrentA">Current, A, or null.</param>
/// <param name="Mains">Whether the panel has mains power; true when not said.</param>
/// <param name="TempC">Temperature of the motor, °C, or null.</param>
public sealed record SentState(bool? Running, double? CurrentA, bool? Mains, double? TempC = null);

/// <summary>Takes in what panels report and what switches order, over MQTT, through the door.</summary>
/// <param name="keeping">Keeps it.</param>
/// <param name="heard">When devices were last heard.</param>
/// <param name="clock">The farm clock.</param>
public sealed class PanelInlet(AirKeeping keeping, Heard heard, FarmClock clock)
{
    private const int LongestMinutes = 24 * 60;
    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web);

    /// <summary>A panel's word on an aerator: on, off, or the JSON of <see cref="SentState"/>. Returns why it cannot be kept, or null.</summary>
    public string? State(DeviceKept panel, string code, string text)
    {
        heard.Note(panel.DeviceId);
        SentState? sent;
        try
        {
            sent = text.Trim().ToLowerInvariant() switch
            {
                "on" => new(true, null, null),
                "off" => new(false, null, null),
                _ => JsonSerializer.Deserialize<SentState>(text, Plain),
            };
        }
        catch (JsonException problem)
        {
            return problem.Message;
        }
        return sent?.Running is { } running
            ? keeping.Keep(
                panel,
                new(panel.PondId!.Value, code, running, sent.CurrentA, sent.Mains ?? true) { TempC = sent.TempC }
            )
            : "say on, off or {\"running\": true, \"currentA\": 4.1, \"tempC\": 62, \"mains\": true}";
    }

    /// <summary>A switch's order: on, off or auto, with minutes behind it where it is to end. Returns why it cannot be kept, or null.</summary>
    public string? Order(DeviceKept by, string pond, string code, string text)
    {
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        AirOrder? order = words.FirstOrDefault()?.ToLowerInvariant() switch
        {
            "on" => AirOrder.On,
            "off" => AirOrder.Off,
            "auto" => AirOrder.Release,
            _ => null,
        };
        var minutes =
            words.Length > 1 && int.TryParse(words[1], NumberStyles.None, CultureInfo.InvariantCulture, out var m)
                ? m
                : 0;
        if (order is not { } wanted || words.Length > 2 || (words.Length == 2 && minutes is < 1 or > LongestMinutes))
            return $"say on, off or auto, with 1 to {LongestMinutes} minutes behind on and off where it is to end: on 60";
        return keeping.Switch(
            pond,
            by.Name,
            code,
            wanted,
            minutes > 0 && wanted != AirOrder.Release ? clock.GetUtcNow().AddMinutes(minutes) : null
        );
    }
}
