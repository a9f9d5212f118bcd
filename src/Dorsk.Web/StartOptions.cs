using System.Globalization;
using System.Net;
using Dorsk.Farm.Files;

namespace Dorsk.Web;

/// <summary>What the program was told at its start, read and checked once: a wrong one ends the start with a sentence.</summary>
public sealed class StartOptions
{
    private static readonly TimeSpan ShortestLook = TimeSpan.FromSeconds(0.2),
        LongestLook = TimeSpan.FromMinutes(10);

    /// <summary>Reads the options.</summary>
    /// <param name="configuration">Command line and environment.</param>
    /// <exception cref="FarmFilesException">One of them cannot be.</exception>
    public StartOptions(IConfiguration configuration)
    {
        Data = configuration["data"] is { Length: > 0 } data ? data : Verbs.UsualFolder;
        IsNew = Yes(configuration, "new");
        Demo = Yes(configuration, "demo");
        Https = Yes(configuration, "https");
        HttpsNames = Names(configuration["https-names"]);
        (Clock, Rate) = (configuration["clock"], configuration["rate"]);
        Smtp =
        [
            .. (configuration["smtp"] ?? "")
                .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(Server),
        ];
        (SmtpFrom, SmtpUser, SmtpPassword) = (
            configuration["smtp-from"] ?? "dorsk@farm.test",
            configuration["smtp-user"],
            configuration["smtp-password"] ?? ""
        );
        AlarmCommand = Command(configuration["alarm-command"]);
        MqttPort = configuration["mqtt"] is { Length: > 0 } port
            ? Port(port, "--mqtt takes a port from 1 to 65535, such as 1883")
            : null;
        MqttAt = configuration["mqtt-at"] is { Length: > 0 } at
            ? IPAddress.TryParse(at, out var ip)
                ? ip
                : throw Wrong($"--mqtt-at takes an address such as 0.0.0.0, not “{at}”.")
            : IPAddress.Loopback;
        Proxies =
        [
            .. (configuration["proxy"] ?? "")
                .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(p =>
                    IPAddress.TryParse(p, out var proxy)
                        ? proxy
                        : throw Wrong(
                            $"--proxy takes addresses such as 127.0.0.1, with commas between them, not “{p}”."
                        )
                ),
        ];
        Heartbeat = configuration["heartbeat"] is { Length: > 0 } beat
            ? Uri.TryCreate(beat, UriKind.Absolute, out var uri) && uri.Scheme is "http" or "https"
                ? uri
                : throw Wrong($"--heartbeat takes an address such as https://watcher.test/farm, not “{beat}”.")
            : null;
        HeartbeatEvery = Look(configuration, "heartbeat-every", 60);
        AlarmLook = Look(configuration, "alarm-look", 20);
        AirLook = Look(configuration, "air-look", 2);
        ForecastLook = Look(configuration, "forecast-look", 30);
        DropLook = Look(configuration, "drop-look", 5);
        foreach (var url in (configuration["urls"] ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries))
            if (
                !Uri.TryCreate(
                    url.Replace("*", "any", StringComparison.Ordinal).Replace("+", "any", StringComparison.Ordinal),
                    UriKind.Absolute,
                    out var where
                ) || where.Scheme is not ("http" or "https")
            )
                throw Wrong($"--urls takes addresses such as http://0.0.0.0:5210, not “{url}”.");
    }

    /// <summary>Folder of the farm's data.</summary>
    public string Data { get; }

    /// <summary>Whether a farm is to be begun in it.</summary>
    public bool IsNew { get; }

    /// <summary>Whether role accounts are open without a password; only on a file that was made as a demo.</summary>
    public bool Demo { get; }

    /// <summary>Whether it listens by HTTPS too, with the farm's own certificate.</summary>
    public bool Https { get; }

    /// <summary>Names of this machine on the farm's network besides its own.</summary>
    public IReadOnlyList<string> HttpsNames { get; }

    /// <summary>Instant at which a demo clock starts, or null.</summary>
    public string? Clock { get; }

    /// <summary>Pace of a demo clock, or null.</summary>
    public string? Rate { get; }

    /// <summary>Mail servers in the order in which they are tried.</summary>
    public IReadOnlyList<(string Host, int Port)> Smtp { get; }

    /// <summary>Sender of mails.</summary>
    public string SmtpFrom { get; }

    /// <summary>Name at the mail server, or null.</summary>
    public string? SmtpUser { get; }

    /// <summary>Password at the mail server.</summary>
    public string SmtpPassword { get; }

    /// <summary>A program of this machine that is run for every call, or null. It is named at the start or in the settings file, never from a page.</summary>
    public string? AlarmCommand { get; }

    /// <summary>Port of the farm's MQTT broker; null: none.</summary>
    public int? MqttPort { get; }

    /// <summary>Address of the broker.</summary>
    public IPAddress MqttAt { get; }

    /// <summary>Proxies whose word on the caller's address and on TLS is taken; nobody else's is.</summary>
    public IReadOnlyList<IPAddress> Proxies { get; }

    /// <summary>Outside address that hears that the watch looked, or null.</summary>
    public Uri? Heartbeat { get; }

    /// <summary>Time between two such words.</summary>
    public TimeSpan HeartbeatEvery { get; }

    /// <summary>Time between two looks of the watch.</summary>
    public TimeSpan AlarmLook { get; }

    /// <summary>Time between two looks at aerators.</summary>
    public TimeSpan AirLook { get; }

    /// <summary>Time between two looks whether forecasts are due.</summary>
    public TimeSpan ForecastLook { get; }

    /// <summary>Time between two looks into the drop folder.</summary>
    public TimeSpan DropLook { get; }

    /// <summary>Whether another clock than the machine's was asked for.</summary>
    public bool OtherClock => Clock is not null || Rate is not null;

    private static bool Yes(IConfiguration configuration, string name) =>
        configuration[name] switch
        {
            null or "" or "false" => false,
            "true" => true,
            var other => throw Wrong($"--{name} takes true or false, not “{other}”."),
        };

    private static string[] Names(string? text) =>
        [
            .. (text ?? "")
                .ToLowerInvariant()
                .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .Select(n =>
                    Uri.CheckHostName(n) == UriHostNameType.Dns
                        ? n
                        : throw Wrong(
                            $"--https-names takes names such as ponds.lan, with commas between them, not “{n}”."
                        )
                ),
        ];

    private static TimeSpan Look(IConfiguration configuration, string name, double usualS) =>
        configuration[name] is not { Length: > 0 } text ? TimeSpan.FromSeconds(usualS)
        : double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var s)
        && s >= ShortestLook.TotalSeconds
        && s <= LongestLook.TotalSeconds
            ? TimeSpan.FromSeconds(s)
        : throw Wrong(
            $"--{name} takes {ShortestLook.TotalSeconds:0.0} to {LongestLook.TotalSeconds:0} seconds, not “{text}”."
        );

    private static (string, int) Server(string text)
    {
        var parts = text.Split(':');
        return parts.Length <= 2 && parts[0].Length > 0
            ? (parts[0], parts.Length == 2 ? Port(parts[1], "--smtp takes host:port, such as mail.test:25") : 25)
            : throw Wrong($"--smtp takes host:port, such as mail.test:25, not “{text}”.");
    }

    private static int Port(string text, string wanted) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var port) && port is >= 1 and <= 65535
            ? port
            : throw Wrong($"{wanted}, not “{text}”.");

    private static string? Command(string? path)
    {
        if (string.IsNullOrEmpty(path))
            return null;
        return File.Exists(path)
            ? Path.GetFullPath(path)
            : throw Wrong($"--alarm-command takes the path of a program on this machine; there is none at “{path}”.");
    }

    private static FarmFilesException Wrong(string text) => new(text);
}
