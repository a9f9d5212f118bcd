using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json;
using Dorsk.Practice;

namespace Dorsk.Standins;

/// <summary>
/// Stand-ins for the devices and services outside a farm: buoys and a mailbox. <c>dorsk-standins --farm http://127.0.0.1:5210 --keys FILE --smtp-port 2525 --urls http://127.0.0.1:5220</c>.
/// Its one page shows the mails and switches faults on and off. It binds to loopback and is no part of a real farm.
/// </summary>
internal static class StandinsMain
{
    public static void Main(string[] args)
    {
        var builder = WebApplication.CreateBuilder(args);
        builder.Logging.SetMinimumLevel(LogLevel.Warning);
        var keys = JsonSerializer.Deserialize<Dictionary<string, string>>(File.ReadAllText(builder.Configuration["keys"] ?? throw new ArgumentException("--keys FILE: the keys that dorsk demo-devices wrote."))) ?? [];
        using var mailbox = new Mailbox(int.Parse(builder.Configuration["smtp-port"] ?? "2525", CultureInfo.InvariantCulture));
        builder.Services.AddSingleton(new Farm(new HttpClient { BaseAddress = new Uri(builder.Configuration["farm"] ?? "http://127.0.0.1:5210") }, keys));
        builder.Services.AddSingleton<Buoys>();
        builder.Services.AddHostedService(s => s.GetRequiredService<Buoys>());
        var app = builder.Build();
        app.MapGet("/", (Buoys buoys) => Results.Content(Page(buoys.All, mailbox.Mails), "text/html; charset=utf-8"));
        app.MapPost("/fault", async (HttpContext http, Buoys buoys) =>
        {
            var form = await http.Request.ReadFormAsync();
            if (buoys.All.FirstOrDefault(b => b.Code == form["pond"]) is not { } buoy || !Enum.TryParse<BuoyFault>(form["fault"], out var fault))
                return Results.NotFound();
            (buoy.Fault, buoy.FaultH) = (fault, 0);
            buoy.Pond.Trouble = form["trouble"].Aggregate(PondTrouble.None, (t, word) => Enum.TryParse<PondTrouble>(word, out var more) ? t | more : t);
            return Results.Redirect("/");
        });
        app.Run();
    }

    private static string Page(IReadOnlyList<Buoy> buoys, IReadOnlyList<Mail> mails)
    {
        var text = new StringBuilder("<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><meta name=\"viewport\" content=\"width=device-width\"><title>Stand-ins</title><h1>Stand-ins</h1><p>Simulated buoys, ponds and a mailbox for trying Dorsk. Nothing here is real.</p><h2>Buoys</h2>");
        foreach (var b in buoys)
        {
            text.Append(CultureInfo.InvariantCulture, $"<form method=\"post\" action=\"/fault\"><b>{b.Code}</b> {(b.Last is { } l ? FormattableString.Invariant($"{l.Do:0.0} mg/L, {l.Temp:0.0} °C") : "nothing sent yet")} <input type=\"hidden\" name=\"pond\" value=\"{b.Code}\"><label>buoy <select name=\"fault\">");
            foreach (var f in Enum.GetValues<BuoyFault>())
                text.Append(CultureInfo.InvariantCulture, $"<option{(f == b.Fault ? " selected" : "")}>{f}</option>");
            text.Append("</select></label> ");
            foreach (var t in Enum.GetValues<PondTrouble>().Where(t => t != PondTrouble.None))
                text.Append(CultureInfo.InvariantCulture, $"<label><input type=\"checkbox\" name=\"trouble\" value=\"{t}\"{(b.Pond.Trouble.HasFlag(t) ? " checked" : "")}> {t}</label> ");
            text.Append("<button>Switch</button></form>");
        }
        text.Append("<h2>Mailbox</h2>");
        foreach (var mail in mails)
            text.Append(CultureInfo.InvariantCulture, $"<h3>To {WebUtility.HtmlEncode(string.Join(", ", mail.To))}</h3><pre>{WebUtility.HtmlEncode(mail.Text)}</pre>");
        return text.Append(mails.Count == 0 ? "<p>No mail yet.</p></html>" : "</html>").ToString();
    }
}
