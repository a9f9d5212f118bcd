using System.Collections.Concurrent;
using System.Globalization;
using System.Text;
using System.Text.Json;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.State;
using MQTTnet;
using MQTTnet.Protocol;
using MQTTnet.Server;

namespace Dorsk.Web.Inlets;

/// <summary>
/// The farm's own MQTT broker: off unless a port is given (<c>--mqtt 1883</c>), on loopback unless an address is (<c>--mqtt-at 0.0.0.0</c>).
/// A device comes in with its name and its key. A probe or weather station publishes under its own name only: <c>dorsk/probe/NAME</c> with the JSON of the HTTP address, or
/// <c>dorsk/probe/NAME/do</c> with a bare figure in SI, measured now. A panel hears <c>dorsk/panel/NAME/CODE/set</c> (on, off) and says how its aerators stand under
/// <c>dorsk/panel/NAME/CODE/state</c>. A switch orders under <c>dorsk/switch/POND/CODE</c> (on, off, auto) and may listen to the states of all panels.
/// </summary>
/// <param name="options">Port and address.</param>
/// <param name="gate">Checks keys.</param>
/// <param name="keys">The keys as they are now: one that was renewed opens nothing any more.</param>
/// <param name="questions">The farm's devices.</param>
/// <param name="inlet">Takes values in.</param>
/// <param name="panels">Takes in what panels report and switches order.</param>
/// <param name="heard">When devices were last heard.</param>
/// <param name="clock">The farm clock.</param>
/// <param name="log">Where refusals are told.</param>
public sealed class MqttInlet(
    StartOptions options,
    DeviceGate gate,
    DeviceKeys keys,
    Questions questions,
    ProbeInlet inlet,
    PanelInlet panels,
    Heard heard,
    FarmClock clock,
    ILogger<MqttInlet> log
) : IHostedService
{
    private const string Root = "dorsk/probe/",
        PanelRoot = "dorsk/panel/",
        SwitchRoot = "dorsk/switch/",
        Ours = "farm";
    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web);
    private const int MostPending = 100,
        LongestTopic = 200;
    private readonly ConcurrentDictionary<string, long> connected = new();
    private MqttServer? server;

    /// <summary>The port it listens at; null when it is off.</summary>
    public int? Port { get; private set; }

    /// <inheritdoc/>
    public async Task StartAsync(CancellationToken cancellationToken)
    {
        if (options.MqttPort is not { } port)
            return;
        server = new MqttServerFactory().CreateMqttServer(
            new MqttServerOptionsBuilder()
                .WithoutDefaultEndpoint()
                .WithMaxPendingMessagesPerClient(MostPending)
                .Build(),
            [new LimitedTcp(new(options.MqttAt, port), NameOf)]
        );
        server.ValidatingConnectionAsync += Validate;
        server.InterceptingPublishAsync += Publish;
        server.ClientDisconnectedAsync += e =>
        {
            connected.TryRemove(e.ClientId, out _);
            return Task.CompletedTask;
        };
        server.InterceptingSubscriptionAsync += Subscribe;
        await server.StartAsync();
        Port = port;
        log.LogInformation("MQTT at {Address}:{Port}", options.MqttAt, port);
    }

    /// <inheritdoc/>
    public async Task StopAsync(CancellationToken cancellationToken)
    {
        try
        {
            if (server is not null)
                await server.StopAsync();
        }
        catch (InvalidOperationException problem)
        {
            // The library walks its list of clients while they leave; it has let go of its port all the same.
            log.LogWarning(problem, "Clients left while the broker stopped.");
        }
        server?.Dispose();
    }

    private Task Validate(ValidatingConnectionEventArgs e)
    {
        var device = gate.Of(e.Password ?? "", DeviceUse.Probe, DeviceUse.Weather, DeviceUse.Panel, DeviceUse.Switch);
        var same = device is not null && string.Equals(device.Name, e.UserName, StringComparison.OrdinalIgnoreCase);
        e.ReasonCode = same ? MqttConnectReasonCode.Success : MqttConnectReasonCode.BadUserNameOrPassword;
        // Plain command-line clients leave it to the broker what they are called.
        if (string.IsNullOrEmpty(e.ClientId))
            e.AssignedClientIdentifier = Guid.NewGuid().ToString("N");
        if (same)
        {
            e.SessionItems["device"] = device!.DeviceId;
            e.SessionItems["key"] = keys.MarkOf(device.DeviceId);
            connected[string.IsNullOrEmpty(e.ClientId) ? e.AssignedClientIdentifier : e.ClientId] = device.DeviceId;
            heard.Note(device.DeviceId);
        }
        return Task.CompletedTask;
    }

    /// <summary>Ends the connections of a device: its key was renewed, or it was taken away.</summary>
    public async Task Drop(long deviceId)
    {
        foreach (var client in connected.Where(c => c.Value == deviceId).Select(c => c.Key).ToList())
            if (server is not null)
                await server.DisconnectClientAsync(client, MqttDisconnectReasonCode.NotAuthorized);
    }

    // Sessions live under the device of the key: a name taken from another device opens another session.
    private string NameOf(string client, byte[]? key) =>
        $"{(key is { Length: <= 200 } ? keys.DeviceOf(Encoding.UTF8.GetString(key)) : null) ?? 0}:{client}";

    /// <summary>Tells a panel what an aerator is to do; kept for it until it comes in.</summary>
    public async Task Tell(PanelCommand command)
    {
        if (server is null)
            return;
        var message = new MqttApplicationMessageBuilder()
            .WithTopic($"{PanelRoot}{command.Panel}/{command.Code}/set")
            .WithPayload(command.On ? "on" : "off")
            .WithRetainFlag()
            .WithQualityOfServiceLevel(MqttQualityOfServiceLevel.AtLeastOnce)
            .Build();
        await server.InjectApplicationMessage(
            new InjectedMqttApplicationMessage(message)
            {
                SenderClientId = Ours,
                CustomSessionItems = new System.Collections.Hashtable { [Ours] = true },
            }
        );
    }

    // Looked up anew each time: a device that was taken away is shut out at once.
    private DeviceKept? Device(System.Collections.IDictionary items) =>
        items["device"] is long id
        && keys.MarkOf(id) is { } mark
        && mark.Equals(items["key"] as string, StringComparison.Ordinal)
        && questions.Devices().FirstOrDefault(d => d.Kept.DeviceId == id).Kept is { Gone: false } kept
            ? kept
            : null;

    private Task Subscribe(InterceptingSubscriptionEventArgs e)
    {
        var topic = e.TopicFilter.Topic;
        e.ProcessSubscription =
            Device(e.SessionItems) is { } d
            && (
                (
                    d.Use == DeviceUse.Panel
                    && topic.StartsWith($"{PanelRoot}{d.Name}/", StringComparison.OrdinalIgnoreCase)
                ) || (d.Use == DeviceUse.Switch && topic.StartsWith(PanelRoot, StringComparison.Ordinal))
            );
        if (!e.ProcessSubscription)
            e.Response.ReasonCode = MqttSubscribeReasonCode.NotAuthorized;
        return Task.CompletedTask;
    }

    private Task Publish(InterceptingPublishEventArgs e)
    {
        if (e.SessionItems.Contains(Ours))
            return Task.CompletedTask;
        e.ProcessPublish = false;
        var topic = e.ApplicationMessage.Topic;
        var text = Encoding.UTF8.GetString(e.ApplicationMessage.Payload);
        var (may, why) =
            topic.Length > LongestTopic ? (false, $"a topic has at most {LongestTopic} letters")
            : Device(e.SessionItems) is { } device ? Taken(device, topic, text)
            : (false, "this device is gone");
        if (may && why is null)
            e.ProcessPublish = true;
        else
        {
            e.Response.ReasonCode = may
                ? MqttPubAckReasonCode.PayloadFormatInvalid
                : MqttPubAckReasonCode.NotAuthorized;
            e.Response.ReasonString = PlainText.Line(why, 300);
            log.LogWarning(
                "{Client} sent what cannot be kept at {Topic}: {Why}",
                PlainText.Line(e.ClientId, 80),
                PlainText.Line(topic, LongestTopic),
                PlainText.Line(why, 300)
            );
        }
        return Task.CompletedTask;
    }

    // Whether the device may speak there at all, and what is wrong with what it said.
    private (bool May, string? Why) Taken(DeviceKept device, string topic, string text)
    {
        heard.Note(device.DeviceId);
        string? Under(string root) =>
            topic.StartsWith(root, StringComparison.OrdinalIgnoreCase) ? topic[root.Length..] : null;
        switch (device.Use)
        {
            case DeviceUse.Probe or DeviceUse.Weather when Under(Root + device.Name) is { } rest:
                var (sent, why) = Read(rest, text);
                return (true, why ?? inlet.Take(device, sent!).Wrong.Select(w => w.Why).FirstOrDefault());
            case DeviceUse.Panel when Under($"{PanelRoot}{device.Name}/")?.Split('/') is [var code, "state"]:
                return (true, panels.State(device, code, text));
            case DeviceUse.Switch when Under(SwitchRoot)?.Split('/') is [var pond, var code]:
                return (true, panels.Order(device, pond, code, text));
            default:
                return (false, "publish under your own name only");
        }
    }

    private (SentReadings? Sent, string? Why) Read(string rest, string text)
    {
        if (rest.StartsWith('/'))
            return double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var figure)
                ? (new(null, [new(clock.GetUtcNow(), rest[1..], figure, null)]), null)
                : (null, $"“{text}” is no figure");
        if (rest.Length > 0)
            return (null, "publish under your own name");
        try
        {
            return
                JsonSerializer.Deserialize<SentReadings>(text, Plain)
                    is { Readings.Count: > 0 and <= ProbeSeriesReceived.Most } sent
                ? (sent, null)
                : (null, "no readings are in it");
        }
        catch (JsonException problem)
        {
            return (null, problem.Message);
        }
    }
}
