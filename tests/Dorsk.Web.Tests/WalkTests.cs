using System.Globalization;
using System.Net;
using System.Net.Http.Headers;
using System.Text;
using Dorsk.Core.People;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Dorsk.Farm.State;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Xunit.Abstractions;

namespace Dorsk.Web.Tests;

/// <summary>Every route with every method, odd kinds of content and odd bodies: whatever is sent, the answer is never 500.</summary>
public class WalkTests(SmallFarm farm, ITestOutputHelper output) : IClassFixture<SmallFarm>
{
    // As many as are wanted by hand (DORSK_WALK=100000); a walk over every route each time the suite runs.
    private static readonly int Wanted = int.Parse(
        Environment.GetEnvironmentVariable("DORSK_WALK") ?? "0",
        CultureInfo.InvariantCulture
    );

    private static readonly string[] Methods =
    [
        "GET",
        "HEAD",
        "POST",
        "PUT",
        "PATCH",
        "DELETE",
        "OPTIONS",
        "TRACE",
        "CONNECT",
        "PROPFIND",
    ];
    private static readonly string[] Kinds =
    [
        "",
        "application/json",
        "application/x-www-form-urlencoded",
        "multipart/form-data",
        "multipart/form-data; boundary=x",
        "text/plain",
        "application/xml",
        "application/octet-stream",
        "application/json; charset=utf-16",
        "application/x-www-form-urlencoded; charset=nothing",
    ];
    private static readonly string[] Bodies =
    [
        "",
        "{}",
        "[]",
        "[null]",
        "null",
        "{",
        "a=b&a=b&&=&%",
        "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"\"\r\n\r\n\r\n--x--",
        "--x\r\nContent-Disposition: form-data\r\n\r\n",
        "\0\0\0",
        "{\"readings\":[null]}",
        "{\"readings\":null}",
        "{\"stops\":[null]}",
        "{\"sent\":\"9999-12-31T23:59:59Z\",\"readings\":[{\"at\":\"9999-12-31T23:59:59Z\",\"what\":\"do\",\"value\":5}]}",
        "{\"sent\":\"0001-01-01T00:00:00Z\",\"readings\":[{\"at\":\"0001-01-01T00:00:00Z\",\"what\":\"do\",\"value\":5}]}",
        "{\"readings\":[{\"at\":\"2027-01-21T07:00:00Z\",\"what\":\"do\",\"value\":1e300}]}",
    ];

    private static string Large => field ??= new('a', 1_200_000);

    private string DeviceKey(DeviceUse use)
    {
        var line = farm
            .Services.GetRequiredService<Door>()
            .Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    "Manager",
                    SmallFarm.Now.AddDays(-1),
                    new DeviceKept(0, "Walk " + use, use, use == DeviceUse.Probe ? farm.PondId : null, null, false)
                )
            )
            .Lines[0];
        return farm.Services.GetRequiredService<DeviceKeys>().Renew(line);
    }

    [Fact]
    public async Task No_route_answers_500_whatever_is_sent_to_it()
    {
        var (manager, nobody) = (await farm.As(Role.Manager), await farm.As(null));
        var keys = new Dictionary<string, string>
        {
            ["probe"] = DeviceKey(DeviceUse.Probe),
            ["reader"] = DeviceKey(DeviceUse.Reader),
        };
        var broken = new List<string>();
        var sent = 0;
        async Task Send(Visitor by, string method, string path, string kind, string body, bool token)
        {
            using var message = new HttpRequestMessage(new HttpMethod(method), path);
            if (method is not ("GET" or "HEAD" or "TRACE" or "CONNECT"))
            {
                message.Content = new ByteArrayContent(Encoding.UTF8.GetBytes(body));
                message.Content.Headers.TryAddWithoutValidation("Content-Type", kind);
            }
            if (token)
                message.Headers.TryAddWithoutValidation("RequestVerificationToken", by.TokenText);
            if (path.StartsWith("/api/", StringComparison.Ordinal))
                message.Headers.Authorization = new AuthenticationHeaderValue(
                    "Bearer",
                    keys[path.StartsWith("/api/readings", StringComparison.Ordinal) ? "probe" : "reader"]
                );
            sent++;
            using var answer = await by.Client.SendAsync(message, HttpCompletionOption.ResponseHeadersRead);
            if (answer.StatusCode == HttpStatusCode.InternalServerError)
                broken.Add($"{method} {path} as {kind} with {body[..Math.Min(60, body.Length)]}");
        }
        var routes = Routes().Where(r => !r.StartsWith("/sign-out", StringComparison.Ordinal) && r != "/live").ToList();
        Assert.True(routes.Count > 100, $"{routes.Count} routes");
        var n = 0;
        foreach (var path in routes)
        {
            foreach (var method in Methods)
                await Send(manager, method, path, Kinds[n++ % Kinds.Length], Bodies[n % Bodies.Length], token: true);
            foreach (var kind in Kinds)
                await Send(manager, "POST", path, kind, Bodies[n++ % Bodies.Length], token: n % 4 != 0);
            await Send(nobody, "POST", path, Kinds[n % Kinds.Length], Bodies[n % Bodies.Length], token: false);
        }
        foreach (var path in new[] { "/round?handler=Keep", "/api/readings" })
        {
            foreach (var body in Bodies)
                await Send(manager, "POST", path, "application/json", body, token: true);
            await Send(manager, "POST", path, "application/json", Large, token: true);
        }
        await Send(
            manager,
            "POST",
            "/ponds/P1/slip/reading",
            "application/x-www-form-urlencoded",
            "do=" + Large,
            token: true
        );
        var chance = new Random(20270121);
        while (sent < Wanted)
            await Send(
                chance.Next(8) == 0 ? nobody : manager,
                Methods[chance.Next(3) == 0 ? chance.Next(Methods.Length) : 2],
                routes[chance.Next(routes.Count)] + (chance.Next(3) == 0 ? "?handler=" + chance.Next(99) : ""),
                Kinds[chance.Next(Kinds.Length)],
                Bodies[chance.Next(Bodies.Length)],
                chance.Next(4) > 0
            );
        output.WriteLine(
            $"{sent} requests over {routes.Count} addresses; {GC.GetTotalMemory(true) / 1_000_000} MB held afterwards"
        );
        Assert.Empty(broken.Take(20));
    }

    [Fact]
    public async Task Refusals_come_in_words()
    {
        var manager = await farm.As(Role.Manager);
        async Task<(HttpStatusCode, string)> Ask(string method, string path)
        {
            using var message = new HttpRequestMessage(new HttpMethod(method), path);
            var answer = await manager.Client.SendAsync(message);
            return (answer.StatusCode, await answer.Content.ReadAsStringAsync());
        }
        var (status, page) = await Ask("TRACE", "/ponds");
        Assert.Equal(
            (HttpStatusCode.MethodNotAllowed, true),
            (status, page.Contains("<h1>Not asked this way", StringComparison.Ordinal))
        );
        Assert.Equal(HttpStatusCode.MethodNotAllowed, (await manager.Post("/ponds", [])).StatusCode);
    }

    private IEnumerable<string> Routes()
    {
        foreach (
            var endpoint in farm.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>()
        )
        {
            var route = "/" + endpoint.RoutePattern.RawText!.TrimStart('/');
            string Filled(string key) =>
                route
                    .Replace("{code}", "P1", StringComparison.Ordinal)
                    .Replace("{section?}", "growth", StringComparison.Ordinal)
                    .Replace("{parameter?}", "do", StringComparison.Ordinal)
                    .Replace("/{id:guid?}", "", StringComparison.Ordinal)
                    .Replace(
                        "{id:long}",
                        farm.AcclimationLine.ToString(CultureInfo.InvariantCulture),
                        StringComparison.Ordinal
                    )
                    .Replace(
                        "{line:long}",
                        farm.ReadingLine.ToString(CultureInfo.InvariantCulture),
                        StringComparison.Ordinal
                    )
                    .Replace("{documentName}", "v1", StringComparison.Ordinal)
                    .Replace("{name}", "log", StringComparison.Ordinal)
                    .Replace("{key?}", key, StringComparison.Ordinal)
                    .Replace("{key}", key, StringComparison.Ordinal);
            if (route.Contains("slip/{key}", StringComparison.Ordinal))
                foreach (
                    var slip in AllSlips.List.Where(s => s.OfPond == route.Contains("{code}", StringComparison.Ordinal))
                )
                    yield return Filled(slip.Key);
            else if (route.StartsWith("/workbench", StringComparison.Ordinal))
                foreach (var calculator in AllCalculators.List)
                    yield return Filled(calculator.Key);
            else
                yield return Filled("silver_perch");
        }
    }
}
