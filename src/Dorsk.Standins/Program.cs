using System.Globalization;
using System.Text.Json;

namespace Dorsk.Standins;

/// <summary>
/// Stand-ins for the devices and services outside a farm: buoys, a weather mast, panels and a mailbox. <c>dorsk-standins --farm http://127.0.0.1:5210 --keys FILE --mqtt-port 1883 --smtp-port 2525 --urls http://127.0.0.1:5220</c>.
/// Its one page shows the mails and switches faults on and off. It binds to loopback and is no part of a real farm.
/// </summary>
internal static class StandinsMain
{
    public static void Main(string[] args)
    {
        var builder = WebApplication.CreateBuilder(args);
        builder.Logging.SetMinimumLevel(LogLevel.Warning);
        var keys = JsonSerializer.Deserialize<Dictionary<string, string>>(
            File.ReadAllText(
                builder.Configuration["keys"]
                    ?? throw new ArgumentException("--keys FILE: the keys that dorsk demo-devices wrote.")
            )
        ) ?? [];
        using var mailbox = new Mailbox(
            int.Parse(builder.Configuration["smtp-port"] ?? "2525", CultureInfo.InvariantCulture)
        );
        builder.Services.AddSingleton(
            new Farm(
                new HttpClient { BaseAddress = new Uri(builder.Configuration["farm"] ?? "http://127.0.0.1:5210") },
                keys
            )
        );
        builder.Services.AddSingleton(s => new Panels(
            s.GetRequiredService<Farm>(),
            int.Parse(builder.Configuration["mqtt-port"] ?? "1883", CultureInfo.InvariantCulture),
            s.GetRequiredService<ILogger<Panels>>()
        ));
        builder.Services.AddSingleton<Buoys>();
        builder.Services.AddHostedService(s => s.GetRequiredService<Panels>());
        builder.Services.AddHostedService(s => s.GetRequiredService<Buoys>());
        var app = builder.Build();
        var watcher = new Watcher();
        var messages = new Messages();
        app.MapPost("/beat", watcher.Heard);
        app.MapPost("/message", messages.Take);
        app.MapGet("/", (Buoys buoys, Panels panels) =>
            Results.Content(
                FaultPage.Html(buoys, panels, mailbox.Mails, messages.All, watcher.Words),
                "text/html; charset=utf-8"
            )
        );
        app.MapPost("/fault", async (HttpContext http, Buoys buoys, Panels panels) =>
            await FaultPage.Switch(await http.Request.ReadFormAsync(), buoys, panels)
                ? Results.Redirect("/")
                : Results.NotFound()
        );
        app.MapPost("/power", async (HttpContext http, Buoys buoys, Panels panels) =>
        {
            await FaultPage.Power((await http.Request.ReadFormAsync())["out"] == "true", buoys, panels);
            return Results.Redirect("/");
        });
        app.Run();
    }
}
