using System.Globalization;
using System.Net;
using System.Net.Sockets;
using Dorsk.Core.Air;
using Dorsk.Core.People;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Farm.State;
using Dorsk.Standins;
using Dorsk.Web.Inlets;
using Microsoft.Extensions.DependencyInjection;
using MQTTnet;
using MQTTnet.Formatter;
using MQTTnet.Protocol;

namespace Dorsk.Web.Tests;

/// <summary>From a button on the board to a stand-in machine and back, over the farm's own broker.</summary>
public sealed class PanelTests : IDisposable
{
    private readonly SmallFarm farm = new();
    private readonly int port;

    public PanelTests()
    {
        using var free = new TcpListener(IPAddress.Loopback, 0);
        free.Start();
        port = ((IPEndPoint)free.LocalEndpoint).Port;
        free.Stop();
        (farm.Settings["mqtt"], farm.Settings["air-look"]) = (port.ToString(CultureInfo.InvariantCulture), "600");
    }

    private T The<T>()
        where T : notnull => farm.Services.GetRequiredService<T>();

    private string Device(string name, DeviceUse use)
    {
        Assert.True(
            The<Door>()
                .Enter(
                    Entry.Of(
                        Guid.NewGuid(),
                        "Manager",
                        SmallFarm.Now.AddDays(-1),
                        new DeviceKept(
                            0,
                            name,
                            use,
                            use is DeviceUse.Panel or DeviceUse.Probe ? farm.PondId : null,
                            null,
                            false
                        )
                    )
                )
                .Accepted
        );
        return The<DeviceKeys>().Renew(The<Questions>().Devices().First(d => d.Kept.Name == name).Kept.DeviceId);
    }

    private AirRecord Air => The<Questions>().Story("P1")!.Air;

    private static async Task Until(Func<bool> holds)
    {
        for (var i = 0; i < 200 && !holds(); i++)
            await Task.Delay(25);
        Assert.True(holds());
    }

    [Fact]
    public async Task A_button_starts_the_machine_its_current_comes_back_a_trip_shows_and_it_goes_back_to_its_timer()
    {
        var key = Device("Panel P1", DeviceUse.Panel);
        using var panel = new Panel("P1", [new Motor("A1", 0.55)]);
        await panel.Connect(port, key, default);
        await Until(() => Air.Report("A1") is { Fact.Running: false });
        var watch = await farm.As(Role.NightWatch);
        await watch.Token("/oxygen");
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await watch.Post("/oxygen?handler=Switch", new() { ["pond"] = "P1", ["order"] = "A1:On" })).StatusCode
        );
        await The<AirKeeper>().Round();
        await Until(() => Air.Report("A1") is { Fact: { Running: true, CurrentA: 1.2 } });
        Assert.Equal("by hand, Night watch", Air.Command("A1")!.Value.Fact.Why);
        var board = await watch.Client.GetStringAsync("/oxygen?open=P1");
        Assert.Contains("on by hand, Night watch", board, StringComparison.Ordinal);
        Assert.Contains("value=\"A1:Off\"", board, StringComparison.Ordinal);
        panel.Motors[0].Tripped = true;
        await panel.Say(default);
        await Until(() => Air.Report("A1") is { Fact.Running: false });
        Assert.Contains(
            "stands, told to run",
            await watch.Client.GetStringAsync("/oxygen?open=P1"),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "stands, told to run",
            await watch.Client.GetStringAsync("/oxygen/aerators"),
            StringComparison.Ordinal
        );
        panel.Motors[0].Tripped = false;
        Assert.Equal(
            HttpStatusCode.Redirect,
            (await watch.Post("/oxygen?handler=Switch", new() { ["pond"] = "P1", ["order"] = "A1:Release" })).StatusCode
        );
        await The<AirKeeper>().Round();
        await Until(() => !panel.Motors[0].Told);
        foreach (
            var (pond, order, status) in new[]
            {
                ("P1", "A9:On", HttpStatusCode.UnprocessableEntity),
                ("P1", "A1:Sideways", HttpStatusCode.NotFound),
                ("P1", "A1:7", HttpStatusCode.NotFound),
                ("P77", "A1:On", HttpStatusCode.NotFound),
                ("", "", HttpStatusCode.NotFound),
            }
        )
            Assert.Equal(
                status,
                (await watch.Post("/oxygen?handler=Switch", new() { ["pond"] = pond, ["order"] = order })).StatusCode
            );
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (
                await (await farm.As(Role.Viewer)).Post(
                    "/oxygen?handler=Switch",
                    new() { ["pond"] = "P1", ["order"] = "A1:On" }
                )
            ).StatusCode
        );
    }

    [Theory]
    [InlineData(MqttProtocolVersion.V311)]
    [InlineData(MqttProtocolVersion.V500)]
    public async Task A_switch_on_the_network_orders_and_listens_and_nobody_speaks_for_another(
        MqttProtocolVersion version
    )
    {
        var (panelKey, remoteKey, probeKey) = (
            Device("Panel P1", DeviceUse.Panel),
            Device("Remote", DeviceUse.Switch),
            Device("Buoy P1", DeviceUse.Probe)
        );
        using var panel = new Panel("P1", [new Motor("A1", 0.55)]);
        await panel.Connect(port, panelKey, default);
        using var remote = await Client("Remote", remoteKey, version);
        var heard = new System.Collections.Concurrent.ConcurrentQueue<string>();
        remote.ApplicationMessageReceivedAsync += e =>
        {
            heard.Enqueue(e.ApplicationMessage.Topic);
            return Task.CompletedTask;
        };
        await remote.SubscribeAsync("dorsk/panel/+/+/state", MqttQualityOfServiceLevel.AtLeastOnce);
        await Publish(remote, "dorsk/switch/P1/A1", "on 60");
        await Until(() =>
            Air.Hand("A1", SmallFarm.Now) is { By: "Remote", Fact: { Order: AirOrder.On, Until: not null } }
        );
        await The<AirKeeper>().Round();
        await Until(() =>
            Air.Report("A1") is { Fact.Running: true } && heard.Contains("dorsk/panel/Panel P1/A1/state")
        );
        // What is no order, another's name, another's topic: nothing is kept.
        using var probe = await Client("Buoy P1", probeKey, version);
        var line = The<Questions>().LastLine();
        foreach (
            var (client, topic, text) in new[]
            {
                (remote, "dorsk/switch/P1/A1", "perhaps"),
                (remote, "dorsk/switch/P1/A1", "on 99999"),
                (remote, "dorsk/switch/P9/A1", "on"),
                (remote, "dorsk/panel/Panel P1/A1/state", "off"),
                (probe, "dorsk/switch/P1/A1", "off"),
                (probe, "dorsk/panel/Panel P1/A1/set", "off"),
            }
        )
            await Publish(client, topic, text);
        await Publish(remote, "dorsk/switch/P1/A1", "auto");
        await Until(() => Air.Hand("A1", SmallFarm.Now) is null);
        Assert.Equal(line + 1, The<Questions>().LastLine());
        Assert.True(panel.Motors[0].Told);
    }

    private async Task<IMqttClient> Client(string name, string key, MqttProtocolVersion version)
    {
        var client = new MqttClientFactory().CreateMqttClient();
        await client.ConnectAsync(
            new MqttClientOptionsBuilder()
                .WithTcpServer("127.0.0.1", port)
                .WithCredentials(name, key)
                .WithClientId(name.Replace(" ", "", StringComparison.Ordinal))
                .WithProtocolVersion(version)
                .Build()
        );
        return client;
    }

    private static Task<MqttClientPublishResult> Publish(IMqttClient client, string topic, string text) =>
        client.PublishAsync(
            new MqttApplicationMessageBuilder()
                .WithTopic(topic)
                .WithPayload(text)
                .WithQualityOfServiceLevel(MqttQualityOfServiceLevel.AtLeastOnce)
                .Build()
        );

    [Fact]
    public async Task A_loggers_file_comes_by_the_page_and_by_the_folder_and_a_bad_one_is_refused_in_words()
    {
        Device("Buoy P1", DeviceUse.Probe);
        var id = The<Questions>().Devices().Single().Kept.DeviceId;
        var manager = await farm.As(Role.Manager);
        await manager.Token("/setup/devices");
        async Task<(HttpStatusCode, string)> Give(string? text, long device)
        {
            using var body = new MultipartFormDataContent
            {
                { new StringContent(manager.TokenText), "__RequestVerificationToken" },
                { new StringContent(device.ToString(CultureInfo.InvariantCulture)), "device" },
            };
            if (text is not null)
                body.Add(new StringContent(text), "file", "logger.csv");
            var answer = await manager.Client.PostAsync("/setup/devices?handler=File", body);
            return (answer.StatusCode, await answer.Content.ReadAsStringAsync());
        }
        var local = SmallFarm.Now.ToOffset(TimeSpan.FromHours(10));
        string Line(int minutesAgo, double mgL) =>
            string.Create(CultureInfo.InvariantCulture, $"{local.AddMinutes(-minutesAgo):yyyy-MM-dd HH:mm},{mgL}\n");
        Assert.Contains(
            "2 values kept",
            (await Give("Time,DO (mg/L)\n" + Line(50, 6.4) + Line(40, 6.3), id)).Item2,
            StringComparison.Ordinal
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Give("Mood\ngood\nbad\n", id)).Item1);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Give(null, id)).Item1);
        Assert.Equal(HttpStatusCode.NotFound, (await Give("Time,DO\n", id + 77)).Item1);
        var folder = Directory.CreateDirectory(Path.Combine(farm.Data, "drop", "Buoy P1")).FullName;
        Directory.CreateDirectory(Path.Combine(farm.Data, "drop", "Nobody"));
        foreach (
            var (path, text) in new[]
            {
                (Path.Combine(folder, "a.csv"), "Time,DO (mg/L)\n" + Line(30, 6.2)),
                (Path.Combine(farm.Data, "drop", "Nobody", "b.csv"), "x"),
            }
        )
        {
            File.WriteAllText(path, text);
            File.SetLastWriteTimeUtc(path, DateTime.UtcNow.AddMinutes(-1));
        }
        Assert.Equal(2, The<LoggerDrop>().Round());
        Assert.Equal(0, The<LoggerDrop>().Round());
        Assert.Equal(2, Directory.GetFiles(Path.Combine(folder, "done")).Length);
        Assert.Contains(
            "No probe is called Nobody",
            File.ReadAllText(Directory.GetFiles(Path.Combine(farm.Data, "drop", "Nobody", "refused"), "*.md").Single()),
            StringComparison.Ordinal
        );
        Assert.Equal(
            [6.4, 6.3, 6.2],
            The<Questions>()
                .Story("P1")!
                .ReadingsOf[Parameter.Oxygen]
                .Where(t => t.At > SmallFarm.Now.AddHours(-1))
                .Select(t => t.Si)
        );
    }

    [Fact]
    public async Task A_page_tells_a_pond_as_it_was_known_at_a_past_hour()
    {
        var viewer = await farm.As(Role.Viewer);
        async Task<string> Ask(string query) =>
            WebUtility.HtmlDecode(await viewer.Client.GetStringAsync("/proof?" + query));
        // The farm was read two hours ago: at 15:40. An hour before that nobody had read anything; the fish stood there all the same.
        var before = await Ask("pond=P1&day=2027-01-21&hour=15:00");
        Assert.Contains("never read here", before, StringComparison.Ordinal);
        Assert.Contains("Silver perch: ", before, StringComparison.Ordinal);
        Assert.Contains("dawn low forecast", await Ask("pond=P1&day=2027-01-21&hour=17:00"), StringComparison.Ordinal);
        Assert.Contains("up to now", await Ask("pond=P1&day=2027-01-22&hour=17:00"), StringComparison.Ordinal);
        Assert.Contains("is not an hour", await Ask("pond=P1&day=2027-01-21&hour=late"), StringComparison.Ordinal);
        Assert.Contains("No such pond", await Ask("pond=P9&day=2027-01-21&hour=17:00"), StringComparison.Ordinal);
    }

    private async Task<(IMqttClient Client, bool In)> Connect(string user, string key, string id, bool clean = true)
    {
        var client = new MqttClientFactory().CreateMqttClient();
        try
        {
            var options = new MqttClientOptionsBuilder()
                .WithTcpServer("127.0.0.1", port)
                .WithCredentials(user, key)
                .WithClientId(id)
                .WithCleanSession(clean)
                .WithProtocolVersion(MqttProtocolVersion.V311)
                .WithTimeout(TimeSpan.FromSeconds(10))
                .Build();
            return (client, (await client.ConnectAsync(options)).ResultCode == MqttClientConnectResultCode.Success);
        }
        catch (Exception e)
            when (e is MQTTnet.Exceptions.MqttCommunicationException or MQTTnet.Adapter.MqttConnectingFailedException)
        {
            return (client, false);
        }
    }

    [Fact]
    public async Task A_session_belongs_to_its_key_and_a_renewed_key_ends_the_connection()
    {
        var (panelKey, buoyKey) = (Device("Panel P1", DeviceUse.Panel), Device("Buoy P1", DeviceUse.Probe));
        farm.CreateClient().Dispose();
        var (panel, _) = await Connect("Panel P1", panelKey, "the-panel", clean: false);
        await panel.PublishAsync(
            new MqttApplicationMessageBuilder().WithTopic("dorsk/panel/Panel P1/A1/state").WithPayload("on").Build()
        );
        await Until(() => Air.Report("A1") is { Fact.Running: true });
        // Another device comes under the same name with a key of its own: it gets no right of the panel, and the panel stays.
        var (buoy, entered) = await Connect("Buoy P1", buoyKey, "the-panel", clean: false);
        Assert.True(entered && panel.IsConnected);
        await buoy.PublishAsync(
            new MqttApplicationMessageBuilder().WithTopic("dorsk/panel/Panel P1/A1/state").WithPayload("off").Build()
        );
        await buoy.PublishAsync(
            new MqttApplicationMessageBuilder().WithTopic("dorsk/probe/Buoy P1/do").WithPayload("6.3").Build()
        );
        await Until(() => The<Questions>().Story("P1")!.ReadingsOf[Parameter.Oxygen].Any(t => t.Si == 6.3));
        Assert.True(Air.Report("A1")!.Value.Fact.Running);
        var manager = await farm.As(Core.People.Role.Manager);
        await manager.Token("/setup/devices");
        var device = The<Questions>().Devices().First(d => d.Kept.Name == "Buoy P1").Kept.DeviceId;
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await manager.Post(
                    "/setup/devices?handler=Key",
                    new() { ["device"] = device.ToString(CultureInfo.InvariantCulture) }
                )
            ).StatusCode
        );
        await Until(() => !buoy.IsConnected);
        Assert.True(panel.IsConnected);
        Assert.False((await Connect("Buoy P1", buoyKey, "again")).In);
        buoy.Dispose();
        panel.Dispose();
    }

    [Fact]
    public async Task Nobody_fills_the_memory_before_a_key_is_checked_and_odd_bytes_end_only_their_own_connection()
    {
        farm.CreateClient().Dispose();
        var chance = new Random(20270121);
        async Task<bool> Ended(byte[] bytes)
        {
            using var raw = new TcpClient();
            await raw.ConnectAsync(IPAddress.Loopback, port);
            var stream = raw.GetStream();
            try
            {
                await stream.WriteAsync(bytes);
                // Whoever is cut off reads the end; whoever waits for more is let wait.
                using var limit = new CancellationTokenSource(TimeSpan.FromSeconds(5));
                return await stream.ReadAsync(new byte[16], limit.Token) == 0;
            }
            catch (IOException)
            {
                return true;
            }
            catch (OperationCanceledException)
            {
                return false;
            }
        }
        // A connect that promises 100 MB, and a first packet that is no connect.
        Assert.True(await Ended([0x10, 0x80, 0xC8, 0xAF, 0x2F, 0, 4]));
        Assert.True(await Ended([0x30, 0x05, 0, 1, 65, 66, 67]));
        await Task.WhenAll(
            Enumerable
                .Range(0, 40)
                .Select(async _ =>
                {
                    var odd = new byte[chance.Next(1, 200)];
                    chance.NextBytes(odd);
                    using var raw = new TcpClient();
                    await raw.ConnectAsync(IPAddress.Loopback, port);
                    try
                    {
                        await raw.GetStream().WriteAsync(odd);
                    }
                    catch (IOException)
                    {
                        // Cut off already.
                    }
                })
        );
        var key = Device("Panel P1", DeviceUse.Panel);
        var (panel, entered) = await Connect("Panel P1", key, "late");
        Assert.True(entered);
        await panel.PublishAsync(
            new MqttApplicationMessageBuilder()
                .WithTopic("dorsk/panel/Panel P1/A1/" + new string('x', 5000))
                .WithPayload("on\u0007\r\nevil")
                .Build()
        );
        await panel.PublishAsync(
            new MqttApplicationMessageBuilder().WithTopic("dorsk/panel/Panel P1/A1/state").WithPayload("on").Build()
        );
        await Until(() => Air.Report("A1") is { Fact.Running: true });
        panel.Dispose();
    }

    public void Dispose()
    {
        farm.Dispose();
    }
}
