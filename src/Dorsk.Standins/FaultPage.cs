using System.Globalization;
using System.Net;
using System.Text;
using Dorsk.Practice;

namespace Dorsk.Standins;

/// <summary>The one page of the stand-ins: what they sent, faults to switch on, and the mails.</summary>
internal static class FaultPage
{
    /// <summary>Switches faults as a form says; false when its pond is not known.</summary>
    public static async Task<bool> Switch(IFormCollection form, Buoys buoys, Panels panels)
    {
        var (buoy, panel) = (buoys.All.FirstOrDefault(b => b.Code == form["pond"]), panels.Of(form["pond"].ToString()));
        if ((buoy is null && panel is null) || !Enum.TryParse<BuoyFault>(form["fault"], out var fault))
            return false;
        if (buoy is not null)
        {
            (buoy.Fault, buoy.FaultH) = (fault, 0);
            buoy.Pond.Trouble = form["trouble"]
                .Aggregate(PondTrouble.None, (t, word) =>
                    Enum.TryParse<PondTrouble>(word, out var more) ? t | more : t
                );
            if (buoys.Mast is { } mast)
                mast.Cloudy = buoys.All.Any(b => b.Pond.Trouble.HasFlag(PondTrouble.CloudyWeek));
        }
        if (panel is not null)
        {
            foreach (var m in panel.Motors)
                (m.Tripped, m.Heavy) = (form["tripped"].Contains(m.Code), form["heavy"].Contains(m.Code));
            await panel.Power(!form["trouble"].Contains(nameof(PondTrouble.PowerCut)));
        }
        return true;
    }

    /// <summary>Power goes, or comes back, on the whole farm.</summary>
    public static async Task Power(bool gone, Buoys buoys, Panels panels)
    {
        foreach (var b in buoys.All)
            b.Pond.Trouble = gone ? b.Pond.Trouble | PondTrouble.PowerCut : b.Pond.Trouble & ~PondTrouble.PowerCut;
        foreach (var p in panels.All)
            await p.Power(!gone);
    }

    /// <summary>The page.</summary>
    public static string Html(
        Buoys buoys,
        Panels panels,
        IReadOnlyList<Mail> mails,
        IReadOnlyList<TextMessage> messages,
        string watcher
    )
    {
        var text = new StringBuilder(
            "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><meta name=\"viewport\" content=\"width=device-width\"><title>Stand-ins</title><h1>Stand-ins</h1><p>Simulated buoys, panels, a weather mast and a mailbox for trying Dorsk. Nothing here is real.</p>"
        );
        text.Append(CultureInfo.InvariantCulture, $"<p>{WebUtility.HtmlEncode(watcher)}</p>");
        text.Append(
            CultureInfo.InvariantCulture,
            $"<p>Weather: {buoys.Mast?.Last ?? "nothing sent yet"}</p><form method=\"post\" action=\"/power\"><button name=\"out\" value=\"true\">Power cut on the whole farm</button> <button name=\"out\" value=\"false\">Power comes back</button></form><h2>Ponds</h2>"
        );
        foreach (
            var code in buoys
                .All.Select(b => b.Code)
                .Union(panels.All.Select(p => p.Pond))
                .Order(StringComparer.Ordinal)
        )
            Pond(text, code, buoys.All.FirstOrDefault(b => b.Code == code), panels.Of(code));
        text.Append("<h2>Text messages</h2>");
        foreach (var m in messages)
            text.Append(
                CultureInfo.InvariantCulture,
                $"<h3>To {WebUtility.HtmlEncode($"{m.Name} {m.Phone}")}</h3><pre>{WebUtility.HtmlEncode($"{m.Subject}\n{m.Text}")}</pre>"
            );
        if (messages.Count == 0)
            text.Append("<p>No message yet.</p>");
        text.Append("<h2>Mailbox</h2>");
        foreach (var mail in mails)
            text.Append(
                CultureInfo.InvariantCulture,
                $"<h3>To {WebUtility.HtmlEncode(string.Join(", ", mail.To))}</h3><pre>{WebUtility.HtmlEncode(mail.Text)}</pre>"
            );
        return text.Append(mails.Count == 0 ? "<p>No mail yet.</p></html>" : "</html>").ToString();
    }

    private static void Pond(StringBuilder text, string code, Buoy? buoy, Panel? panel)
    {
        void Box(string name, string value, string word, bool on) =>
            text.Append(
                CultureInfo.InvariantCulture,
                $"<label><input type=\"checkbox\" name=\"{name}\" value=\"{value}\"{(on ? " checked" : "")}> {word}</label> "
            );
        text.Append(
            CultureInfo.InvariantCulture,
            $"<form method=\"post\" action=\"/fault\"><b>{code}</b> {(buoy?.Last is { } l ? FormattableString.Invariant($"{l.Do:0.0} mg/L, {l.Temp:0.0} °C") : buoy is null ? "no buoy" : "nothing sent yet")} <input type=\"hidden\" name=\"pond\" value=\"{code}\"><label>buoy <select name=\"fault\">"
        );
        foreach (var f in Enum.GetValues<BuoyFault>())
            text.Append(
                CultureInfo.InvariantCulture,
                $"<option{(f == (buoy?.Fault ?? BuoyFault.None) ? " selected" : "")}>{f}</option>"
            );
        text.Append("</select></label> ");
        Box(
            "trouble",
            nameof(PondTrouble.PowerCut),
            "power cut here",
            panel is { Mains: false } || buoy?.Pond.Trouble.HasFlag(PondTrouble.PowerCut) == true
        );
        if (buoy is not null)
            foreach (var t in new[] { PondTrouble.CloudyWeek, PondTrouble.BloomCrash })
                Box(
                    "trouble",
                    t.ToString(),
                    t == PondTrouble.CloudyWeek ? "cloudy week" : "bloom crash",
                    buoy.Pond.Trouble.HasFlag(t)
                );
        foreach (var m in panel?.Motors ?? [])
        {
            text.Append(
                CultureInfo.InvariantCulture,
                $"| {m.Code} {(m.Runs(panel!.Mains) ? FormattableString.Invariant($"runs, {m.AmpsAt(panel.Mains):0.0} A") : "stands")} "
            );
            Box("tripped", m.Code, "tripped", m.Tripped);
            Box("heavy", m.Code, "runs heavy", m.Heavy);
        }
        text.Append("<button>Switch</button></form>");
    }
}
