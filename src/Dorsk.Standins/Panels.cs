using System.Collections.Concurrent;
using System.Globalization;
using System.Text;
using MQTTnet;
using MQTTnet.Protocol;

namespace Dorsk.Standins;

/// <summary>One simulated aerator at its panel.</summary>
/// <param name="code">Its code.</param>
/// <param name="shaftKW">Shaft power, kW.</param>
public sealed class Motor(string code, double shaftKW)
{
    // Small three-phase motors at 400 V draw about two amperes for each kilowatt of shaft power.
    private const double AmpsByKW = 2.1;

    /// <summary>Its code.</summary>
    public string Code => code;

    /// <summary>Whether it is told to run.</summary>
    public bool Told { get; set; }

    /// <summary>Whether its protection has tripped: it stands whatever it is told.</summary>
    public bool Tripped { get; set; }

    /// <summary>Whether something makes it draw half as much again.</summary>
    public bool Heavy { get; set; }

    /// <summary>Whether it runs.</summary>
    public bool Runs(bool mains) => Told && mains && !Tripped;

    /// <summary>What it draws, A.</summary>
    public double AmpsAt(bool mains) => Runs(mains) ? Math.Round(AmpsByKW * shaftKW * (Heavy ? 1.5 : 1), 1) : 0;
}

/// <summary>A simulated switchboard of one pond: hears its commands over MQTT, and says how its aerators stand whenever that changes, and every ten minutes of the farm's clock.</summary>
public sealed class Panel(string pond, IReadOnlyList<Motor> motors) : IDisposable
{
    private readonly IMqttClient client = new MqttClientFactory().CreateMqttClient();

    /// <summary>Code of the pond.</summary>
    public string Pond => pond;

    /// <summary>Its name as a device.</summary>
    public string Name => Farm.PanelOf(pond);

    /// <summary>Its aerators.</summary>
    public IReadOnlyList<Motor> Motors => motors;

    /// <summary>Whether it has power.</summary>
    public bool Mains { get; private set; } = true;

    /// <summary>Whether it is connected.</summary>
    public bool Connected => client.IsConnected;

    /// <summary>Comes in to the farm's broker.</summary>
    public async Task Connect(int port, string key, CancellationToken stop)
    {
        client.ApplicationMessageReceivedAsync -= Obey;
        client.ApplicationMessageReceivedAsync += Obey;
        await client.ConnectAsync(
            new MqttClientOptionsBuilder()
                .WithTcpServer("127.0.0.1", port)
                .WithCredentials(Name, key)
                .WithClientId("panel-" + pond)
                .Build(),
            stop
        );
        await client.SubscribeAsync($"dorsk/panel/{Name}/+/set", MqttQualityOfServiceLevel.AtLeastOnce, stop);
        await Say(stop);
    }

    /// <summary>Power goes or comes back.</summary>
    public Task Power(bool mains)
    {
        Mains = mains;
        return Say(CancellationToken.None);
    }

    /// <summary>Says how all stand.</summary>
    public async Task Say(CancellationToken stop)
    {
        foreach (var m in motors)
            await Say(m, stop);
    }

    private async Task Obey(MqttApplicationMessageReceivedEventArgs e)
    {
        if (
            e.ApplicationMessage.Topic.Split('/') is not [.., var code, "set"]
            || motors.FirstOrDefault(m => m.Code == code) is not { } motor
        )
            return;
        motor.Told = Encoding.UTF8.GetString(e.ApplicationMessage.Payload) == "on";
        await Say(motor, CancellationToken.None);
    }

    private async Task Say(Motor m, CancellationToken stop)
    {
        if (client.IsConnected)
            await client.PublishStringAsync(
                $"dorsk/panel/{Name}/{m.Code}/state",
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{{\"running\": {(m.Runs(Mains) ? "true" : "false")}, \"currentA\": {m.AmpsAt(Mains):0.0}, \"mains\": {(Mains ? "true" : "false")}}}"
                ),
                MqttQualityOfServiceLevel.AtLeastOnce,
                cancellationToken: stop
            );
    }

    /// <inheritdoc/>
    public void Dispose() => client.Dispose();
}

/// <summary>All simulated panels; they come in again when the farm was away.</summary>
/// <param name="farm">The farm.</param>
/// <param name="mqttPort">Port of its broker.</param>
/// <param name="log">Where failures are told.</param>
public sealed class Panels(Farm farm, int mqttPort, ILogger<Panels> log) : BackgroundService
{
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(1),
        Word = TimeSpan.FromMinutes(10);
    private readonly ConcurrentDictionary<string, Panel> all = new();

    /// <summary>The panels, by pond.</summary>
    public IEnumerable<Panel> All => all.Values.OrderBy(p => p.Pond, StringComparer.Ordinal);

    /// <summary>A pond's panel, or null.</summary>
    public Panel? Of(string pond) => all.GetValueOrDefault(pond);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Look);
        var said = DateTimeOffset.MinValue;
        while (await timer.WaitForNextTickAsync(stoppingToken))
            try
            {
                if (all.IsEmpty)
                    foreach (
                        var pond in (await farm.Ask<List<AeratorTold>>("/api/aerators", stoppingToken))
                            .GroupBy(a => a.Pond)
                            .Where(g => farm.KeyOf(Farm.PanelOf(g.Key)) is not null)
                    )
                        all[pond.Key] = new Panel(pond.Key, [.. pond.Select(a => new Motor(a.Code, a.ShaftKW))]);
                foreach (var p in all.Values.Where(p => !p.Connected))
                    await p.Connect(mqttPort, farm.KeyOf(p.Name)!, stoppingToken);
                var now = (await farm.Ask<ClockTold>("/api/clock", stoppingToken)).Now;
                if (now - said < Word)
                    continue;
                said = now;
                foreach (var p in all.Values)
                    await p.Say(stoppingToken);
            }
            catch (Exception problem)
                when (problem
                        is HttpRequestException
                            or InvalidOperationException
                            or MQTTnet.Exceptions.MqttCommunicationException
                            or System.Text.Json.JsonException
                )
            {
                log.LogWarning("The farm's broker was not reached: {Problem}. Tried again.", problem.Message);
            }
    }

    /// <inheritdoc/>
    public override void Dispose()
    {
        foreach (var p in all.Values)
            p.Dispose();
        base.Dispose();
    }
}
