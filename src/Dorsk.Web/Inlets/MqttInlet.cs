using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using MQTTnet.Protocol;
using MQTTnet.Server;

namespace Dorsk.Web.Inlets;

/// <summary>
/// The farm's own MQTT broker: off unless a port is given (<c>--mqtt 1883</c>), on loopback unless an address is (<c>--mqtt-at 0.0.0.0</c>).
/// A probe comes in with its name and its key and may publish under its own name only: <c>dorsk/probe/NAME</c> with the JSON of the HTTP address, or
/// <c>dorsk/probe/NAME/do</c> with a bare figure in SI, measured now.
/// </summary>
/// <param name="configuration">Port and address.</param>
/// <param name="gate">Checks keys.</param>
/// <param name="questions">The farm's devices.</param>
/// <param name="inlet">Takes values in.</param>
/// <param name="clock">The farm clock.</param>
/// <param name="log">Where refusals are told.</param>
public sealed class MqttInlet(IConfiguration configuration, DeviceGate gate, Questions questions, ProbeInlet inlet, FarmClock clock, ILogger<MqttInlet> log) : IHostedService
{
    private const string Root = "dorsk/probe/";
    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web);
    private MqttServer? server;

    /// <summary>The port it listens at; null when it is off.</summary>
    public int? Port { get; private set; }

    /// <inheritdoc/>
    public async Task StartAsync(CancellationToken cancellationToken)
    {
        if (!int.TryParse(configuration["mqtt"], NumberStyles.None, CultureInfo.InvariantCulture, out var port) || port is < 1 or > 65535)
            return;
        var at = IPAddress.Parse(configuration["mqtt-at"] ?? "127.0.0.1");
        server = new MqttServerFactory().CreateMqttServer(new MqttServerOptionsBuilder().WithDefaultEndpoint().WithDefaultEndpointPort(port).WithDefaultEndpointBoundIPAddress(at).WithDefaultEndpointBoundIPV6Address(IPAddress.None).Build());
        server.ValidatingConnectionAsync += Validate;
        server.InterceptingPublishAsync += Publish;
        await server.StartAsync();
        Port = port;
        log.LogInformation("MQTT at {Address}:{Port}", at, port);
    }

    /// <inheritdoc/>
    public async Task StopAsync(CancellationToken cancellationToken)
    {
        if (server is not null)
            await server.StopAsync();
        server?.Dispose();
    }

    private Task Validate(ValidatingConnectionEventArgs e)
    {
        var device = gate.Of(e.Password ?? "", DeviceUse.Probe);
        var same = device is not null && string.Equals(device.Name, e.UserName, StringComparison.OrdinalIgnoreCase);
        e.ReasonCode = same ? MqttConnectReasonCode.Success : MqttConnectReasonCode.BadUserNameOrPassword;
        // Plain command-line clients leave it to the broker what they are called.
        if (string.IsNullOrEmpty(e.ClientId))
            e.AssignedClientIdentifier = Guid.NewGuid().ToString("N");
        if (same)
            e.SessionItems["device"] = device!.DeviceId;
        return Task.CompletedTask;
    }

    private Task Publish(InterceptingPublishEventArgs e)
    {
        e.ProcessPublish = false;
        // Looked up anew: a device that was taken away is shut out at once.
        var probe = e.SessionItems["device"] is long id ? questions.Devices().FirstOrDefault(d => d.Kept.DeviceId == id).Kept : null;
        var topic = e.ApplicationMessage.Topic;
        if (probe is not { Gone: false } || !topic.StartsWith(Root + probe.Name, StringComparison.OrdinalIgnoreCase))
        {
            e.Response.ReasonCode = MqttPubAckReasonCode.NotAuthorized;
            return Task.CompletedTask;
        }
        var (sent, why) = Read(topic[(Root.Length + probe.Name.Length)..], Encoding.UTF8.GetString(e.ApplicationMessage.Payload));
        var received = sent is null ? null : inlet.Take(probe, sent);
        if (received is { Wrong.Count: 0 })
            e.ProcessPublish = true;
        else
        {
            e.Response.ReasonCode = MqttPubAckReasonCode.PayloadFormatInvalid;
            e.Response.ReasonString = why ?? received!.Wrong[0].Why;
            log.LogWarning("{Probe} sent what cannot be kept: {Why}", probe.Name, e.Response.ReasonString);
        }
        return Task.CompletedTask;
    }

    private (SentReadings? Sent, string? Why) Read(string rest, string text)
    {
        if (rest.StartsWith('/'))
            return double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var figure) ? (new(null, [new(clock.GetUtcNow(), rest[1..], figure, null)]), null) : (null, $"“{text}” is no figure");
        if (rest.Length > 0)
            return (null, "publish under your own name");
        try
        {
            return JsonSerializer.Deserialize<SentReadings>(text, Plain) is { Readings.Count: > 0 and <= ProbeSeriesReceived.Most } sent ? (sent, null) : (null, "no readings are in it");
        }
        catch (JsonException problem)
        {
            return (null, problem.Message);
        }
    }
}
