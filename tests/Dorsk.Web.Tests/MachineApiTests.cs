using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text;
using System.Text.Json;
using Dorsk.Core.People;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Farm.State;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;
using MQTTnet;

namespace Dorsk.Web.Tests;

/// <summary>Machines at the farm's addresses: keys, readings in over HTTP and MQTT, answers out, described by OpenAPI.</summary>
public class MachineApiTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    private static readonly DateTimeOffset Now = SmallFarm.Now;

    private string Device(string name, DeviceUse use, WebApplicationFactory<Program>? app = null)
    {
        var services = (app ?? farm).Services;
        var questions = services.GetRequiredService<Questions>();
        if (questions.Devices().All(d => d.Kept.Name != name))
            Assert.True(
                services
                    .GetRequiredService<Door>()
                    .Enter(
                        Entry.Of(
                            Guid.NewGuid(),
                            "Manager",
                            Now.AddDays(-1),
                            new DeviceKept(0, name, use, use == DeviceUse.Probe ? farm.PondId : null, null, false)
                        )
                    )
                    .Accepted
            );
        return services
            .GetRequiredService<DeviceKeys>()
            .Renew(questions.Devices().First(d => d.Kept.Name == name).Kept.DeviceId);
    }

    private async Task<(HttpStatusCode Status, JsonElement Body)> Ask(
        HttpMethod method,
        string path,
        string? key,
        string? json = null
    )
    {
        using var message = new HttpRequestMessage(method, path)
        {
            Content = json is null ? null : new StringContent(json, Encoding.UTF8, "application/json"),
        };
        if (key is not null)
            message.Headers.Authorization = new("Bearer", key);
        using var answer = await farm.CreateClient(new() { AllowAutoRedirect = false }).SendAsync(message);
        return (answer.StatusCode, JsonDocument.Parse(await answer.Content.ReadAsStringAsync()).RootElement.Clone());
    }

    private static string Sent(
        string extra,
        params (double MinutesAgo, string What, object Value, string Unit)[] values
    ) =>
        $$"""{ {{extra}} "readings": [{{string.Join(",", values.Select(v => string.Create(CultureInfo.InvariantCulture, $$"""{"at":"{{Now.AddMinutes(-v.MinutesAgo):O}}","what":"{{v.What}}","value":{{v.Value}},"unit":"{{v.Unit}}"}""")))}}] }""";

    [Fact]
    public async Task Another_value_for_the_same_instant_is_not_said_to_be_kept()
    {
        var key = Device("Buoy twice", DeviceUse.Probe);
        var (_, first) = await Ask(
            HttpMethod.Post,
            "/api/readings",
            key,
            Sent("", (21, "do", 6.4, "mg/L"), (21, "do", 6.7, "mg/L"), (20, "do", 6.5, "mg/L"))
        );
        Assert.Equal(
            (2, 2),
            (first.GetProperty("kept").GetInt32(), first.GetProperty("wrong")[0].GetProperty("place").GetInt32())
        );
        var (status, second) = await Ask(
            HttpMethod.Post,
            "/api/readings",
            key,
            Sent("", (21, "do", 6.4, "mg/L"), (20, "do", 5.5, "mg/L"))
        );
        Assert.Equal((HttpStatusCode.OK, 1), (status, second.GetProperty("kept").GetInt32()));
        Assert.Contains("6.5", second.GetProperty("wrong")[0].GetProperty("why").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Values_of_weeks_ago_are_all_given_and_a_span_too_long_is_refused()
    {
        Device("Buoy of old", DeviceUse.Probe);
        var reader = Device("Office of old", DeviceUse.Reader);
        var device = farm
            .Services.GetRequiredService<Questions>()
            .Devices()
            .First(d => d.Kept.Name == "Buoy of old")
            .Kept.DeviceId;
        var door = farm.Services.GetRequiredService<Door>();
        var from = Now.AddDays(-40);
        foreach (
            var part in Enumerable
                .Range(0, 3000)
                .Select(i => new ProbeValue(Parameter.Ph, from.AddMinutes(15 * i), 7 + (i % 10 * 0.05)))
                .Chunk(1500)
        )
            Assert.True(
                door.Enter(
                    Entry.Of(Guid.NewGuid(), "Buoy", part[^1].At, new ProbeSeriesReceived(device, farm.PondId, part))
                ).Accepted
            );
        string At(DateTimeOffset at) => Uri.EscapeDataString(at.ToString("O", CultureInfo.InvariantCulture));
        var (status, got) = await Ask(
            HttpMethod.Get,
            $"/api/ponds/P1/readings?what=ph&from={At(from)}&to={At(from.AddDays(5))}",
            reader
        );
        Assert.Equal((HttpStatusCode.OK, 481), (status, got.GetArrayLength()));
        Assert.Equal(7.45, got[9].GetProperty("value").GetDouble(), 9);
    }

    [Fact]
    public async Task A_probe_sends_with_units_twice_late_and_by_a_wrong_clock_and_is_kept_once()
    {
        var key = Device("Buoy P1", DeviceUse.Probe);
        var reader = Device("Office", DeviceUse.Reader);
        var body = Sent(
            "",
            (30, "do", 6.4, "mg/L"),
            (15, "temp", 78.8, "F"),
            (45, "ph", 7.9, ""),
            (15, "do", 6.1, "ppm")
        );
        for (var i = 0; i < 2; i++)
        {
            var (status, got) = await Ask(HttpMethod.Post, "/api/readings", key, body);
            Assert.Equal(
                (HttpStatusCode.OK, 4, 0),
                (status, got.GetProperty("kept").GetInt32(), got.GetProperty("wrong").GetArrayLength())
            );
        }
        async Task<double[]> Values(string what) =>
            [
                .. (
                    await Ask(
                        HttpMethod.Get,
                        $"/api/ponds/P1/readings?what={what}&from={Uri.EscapeDataString(Now.AddHours(-1).ToString("O", CultureInfo.InvariantCulture))}",
                        reader
                    )
                )
                    .Body.EnumerateArray()
                    .Select(v => v.GetProperty("value").GetDouble()),
            ];
        Assert.Equal(new[] { 6.4, 6.1 }.AsEnumerable(), await Values("do"));
        Assert.Equal(26, (await Values("temp")).Single(), 6);
        // Two of four cannot be: the others are kept, each wrong one with its place and its reason.
        var (ok, mixed) = await Ask(
            HttpMethod.Post,
            "/api/readings",
            key,
            Sent("", (14, "do", 6.0, "mg/L"), (13, "do", 900, "mg/L"), (12, "mood", 3, ""), (11, "do", 5, "furlong"))
        );
        Assert.Equal(
            (HttpStatusCode.OK, 1, "2 3 4"),
            (
                ok,
                mixed.GetProperty("kept").GetInt32(),
                string.Join(
                    ' ',
                    mixed.GetProperty("wrong").EnumerateArray().Select(w => w.GetProperty("place").GetInt32())
                )
            )
        );
        // A clock a day ahead is set right by what it says it is.
        var (_, ahead) = await Ask(
            HttpMethod.Post,
            "/api/readings",
            key,
            Sent($"\"sent\": \"{Now.AddDays(1):O}\",", (-1435, "do", 5.8, "mg/L"))
        );
        Assert.Equal((1, 86_400.0), (ahead.GetProperty("kept").GetInt32(), ahead.GetProperty("clockOffS").GetDouble()));
        Assert.Equal(5.8, (await Values("do"))[^1]);
        Assert.Contains(
            "future",
            (await Ask(HttpMethod.Post, "/api/readings", key, Sent("", (-90, "do", 5.8, "mg/L"))))
                .Body.GetProperty("wrong")[0]
                .GetProperty("why")
                .GetString(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Keys_open_what_they_are_for_and_nothing_else()
    {
        var (probe, reader) = (Device("Buoy keys", DeviceUse.Probe), Device("Reader keys", DeviceUse.Reader));
        var body = Sent("", (30, "do", 6.4, "mg/L"));
        foreach (var key in new[] { null, "", "x", new string('0', 64), reader })
            Assert.Equal(HttpStatusCode.Unauthorized, (await Ask(HttpMethod.Post, "/api/readings", key, body)).Status);
        foreach (var path in new[] { "/api/ponds", "/api/ponds/P1/tonight", "/api/aerators" })
        {
            Assert.Equal(HttpStatusCode.Unauthorized, (await Ask(HttpMethod.Get, path, probe)).Status);
            Assert.Equal(HttpStatusCode.OK, (await Ask(HttpMethod.Get, path, reader)).Status);
        }
        // A person's cookie is no key; a new key shuts the old one out; a device that is gone has none.
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            (await (await farm.As(Role.Manager)).Client.GetAsync("/api/ponds")).StatusCode
        );
        var newer = Device("Reader keys", DeviceUse.Reader);
        Assert.Equal(
            (HttpStatusCode.Unauthorized, HttpStatusCode.OK),
            (
                (await Ask(HttpMethod.Get, "/api/ponds", reader)).Status,
                (await Ask(HttpMethod.Get, "/api/ponds", newer)).Status
            )
        );
        var kept = farm.Services.GetRequiredService<Questions>().Devices().First(d => d.Kept.Name == "Reader keys");
        farm.Services.GetRequiredService<Door>()
            .Enter(new Entry(Guid.NewGuid(), "Manager", [new(Now, kept.Kept with { Gone = true }, "", kept.Line)], []));
        Assert.Equal(HttpStatusCode.Unauthorized, (await Ask(HttpMethod.Get, "/api/ponds", newer)).Status);
    }

    [Theory]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("{\"readings\": []}")]
    [InlineData("{\"readings\": 5}")]
    [InlineData("{\"readings\": [{\"at\": \"soon\"}]}")]
    [InlineData("{\"readings\": [nonsense")]
    public async Task What_is_no_list_of_readings_is_a_400_in_words(string json)
    {
        var (status, body) = await Ask(HttpMethod.Post, "/api/readings", Device("Buoy bad", DeviceUse.Probe), json);
        Assert.Equal(HttpStatusCode.BadRequest, status);
        Assert.True(body.GetProperty("detail").GetString()!.Length > 10);
    }

    [Fact]
    public async Task Forecast_and_standing_are_asked_as_of_any_past_instant_and_the_whole_is_described()
    {
        var key = Device("Reader as of", DeviceUse.Reader);
        var (_, tonight) = await Ask(HttpMethod.Get, "/api/ponds/P1/tonight", key);
        Assert.InRange(tonight.GetProperty("dawnLowMgL").GetProperty("value").GetDouble(), 0, 12);
        Assert.Equal(0.8, tonight.GetProperty("dawnLowMgL").GetProperty("level").GetDouble());
        Assert.NotEqual("", tonight.GetProperty("method").GetString());
        // Three hours ago nobody had read anything.
        var before = Uri.EscapeDataString(Now.AddHours(-3).ToString("O", CultureInfo.InvariantCulture));
        var (_, then) = await Ask(HttpMethod.Get, "/api/ponds/P1/tonight?asOf=" + before, key);
        Assert.Equal(JsonValueKind.Null, then.GetProperty("dawnLowMgL").ValueKind);
        Assert.Contains("never read", then.GetProperty("why").GetString(), StringComparison.Ordinal);
        Assert.Equal(
            900,
            (await Ask(HttpMethod.Get, "/api/ponds/P1/standing?asOf=" + before, key))
                .Body[0]
                .GetProperty("count")
                .GetProperty("value")
                .GetDouble(),
            30.0
        );
        var target = (await Ask(HttpMethod.Get, "/api/ponds/P1/standing", key)).Body[0].GetProperty("target");
        // An end beyond the horizon has no day.
        DateOnly On(string end, DateOnly beyond) =>
            target.GetProperty(end).GetString() is { } day ? DateOnly.Parse(day, CultureInfo.InvariantCulture) : beyond;
        var likely = On("likely", DateOnly.MinValue);
        Assert.InRange(likely, On("earliest", DateOnly.MinValue), On("latest", DateOnly.MaxValue));
        Assert.True(likely > DateOnly.FromDateTime(Now.DateTime));
        Assert.Equal(0.8, target.GetProperty("level").GetDouble());
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await Ask(HttpMethod.Get, "/api/ponds/P1/tonight?asOf=tomorrow", key)).Status
        );
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await Ask(HttpMethod.Get, "/api/ponds/P1/readings?what=mood", key)).Status
        );
        Assert.Equal(HttpStatusCode.NotFound, (await Ask(HttpMethod.Get, "/api/ponds/P99/tonight", key)).Status);
        var described = await farm.CreateClient().GetFromJsonAsync<JsonElement>("/openapi/v1.json");
        Assert.Equal(
            [
                "/api/aerators",
                "/api/alarms",
                "/api/clock",
                "/api/ponds",
                "/api/ponds/{code}/readings",
                "/api/ponds/{code}/standing",
                "/api/ponds/{code}/tonight",
                "/api/readings",
            ],
            described
                .GetProperty("paths")
                .EnumerateObject()
                .Select(p => p.Name)
                .Where(p => p.StartsWith("/api", StringComparison.Ordinal))
                .Order()
        );
        IsWhole(described);
    }

    // A client can be made from it: each operation has a name of its own, its key, and every parameter of its path.
    private static void IsWhole(JsonElement described)
    {
        Assert.Equal(
            "bearer",
            described
                .GetProperty("components")
                .GetProperty("securitySchemes")
                .GetProperty("deviceKey")
                .GetProperty("scheme")
                .GetString()
        );
        var operations = described
            .GetProperty("paths")
            .EnumerateObject()
            .Where(p => p.Name.StartsWith("/api", StringComparison.Ordinal))
            .SelectMany(p => p.Value.EnumerateObject().Select(o => (Path: p.Name, Says: o.Value)))
            .ToList();
        var names = operations.ConvertAll(o => o.Says.GetProperty("operationId").GetString());
        Assert.Equal(8, names.Distinct().Count());
        Assert.All(operations, o => Assert.True(o.Says.GetProperty("security").GetArrayLength() > 0, o.Path));
        string[] Parameters(string path) =>
            [
                .. operations
                    .Single(o => o.Path == path)
                    .Says.GetProperty("parameters")
                    .EnumerateArray()
                    .Select(p => $"{p.GetProperty("in").GetString()} {p.GetProperty("name").GetString()}"),
            ];
        Assert.Equal(["path code", "query asOf"], Parameters("/api/ponds/{code}/tonight"));
        Assert.Equal(
            ["path code", "query what", "query from", "query to", "query asOf"],
            Parameters("/api/ponds/{code}/readings")
        );
    }

    [Fact]
    public async Task Over_mqtt_a_probe_publishes_under_its_own_name_with_its_own_key()
    {
        using var free = new TcpListener(IPAddress.Loopback, 0);
        free.Start();
        var port = ((IPEndPoint)free.LocalEndpoint).Port;
        free.Stop();
        using var app = new SmallFarm { Settings = { ["mqtt"] = port.ToString(CultureInfo.InvariantCulture) } };
        var key = Device("Buoy M", DeviceUse.Probe, app);
        async Task<bool> Send(string user, string password, string topic, string text)
        {
            using var client = new MqttClientFactory().CreateMqttClient();
            try
            {
                await client.ConnectAsync(
                    new MqttClientOptionsBuilder()
                        .WithTcpServer("127.0.0.1", port)
                        .WithCredentials(user, password)
                        .WithClientId("")
                        .WithProtocolVersion(MQTTnet.Formatter.MqttProtocolVersion.V500)
                        .Build()
                );
                return (
                    await client.PublishAsync(
                        new MqttApplicationMessageBuilder()
                            .WithTopic(topic)
                            .WithPayload(text)
                            .WithQualityOfServiceLevel(MQTTnet.Protocol.MqttQualityOfServiceLevel.AtLeastOnce)
                            .Build()
                    )
                ).IsSuccess;
            }
            catch (Exception e)
                when (e
                        is MQTTnet.Exceptions.MqttCommunicationException
                            or MQTTnet.Adapter.MqttConnectingFailedException
                )
            {
                return false;
            }
        }
        Assert.True(await Send("Buoy M", key, "dorsk/probe/Buoy M/do", "5.55"));
        Assert.True(await Send("Buoy M", key, "dorsk/probe/Buoy M", Sent("", (75, "do", 6.66, "mg/L"))));
        Assert.False(await Send("Buoy M", key, "dorsk/probe/Another/do", "5"));
        Assert.False(await Send("Buoy M", key, "dorsk/probe/Buoy M/do", "wet"));
        Assert.False(await Send("Buoy M", "wrong", "dorsk/probe/Buoy M/do", "5"));
        Assert.False(await Send("Another", key, "dorsk/probe/Buoy M/do", "5"));
        var read = app
            .Services.GetRequiredService<Questions>()
            .Story("P1")!
            .ReadingsOf[Parameter.Oxygen]
            .Select(t => t.Si)
            .ToList();
        Assert.Contains(5.55, read);
        Assert.Contains(6.66, read);
    }
}
