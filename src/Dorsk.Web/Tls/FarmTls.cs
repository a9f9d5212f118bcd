using Dorsk.Web.People;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;

namespace Dorsk.Web.Tls;

/// <summary>HTTPS by the farm's own certificate (`dorsk serve --https`): browsers then keep pages on the phone for where there is no signal.</summary>
public static class FarmTls
{
    /// <summary>Where phones fetch the farm's certificate.</summary>
    public const string CertificateAddress = "/farm-certificate.crt";

    /// <summary>Where it is said how.</summary>
    public const string Page = "/phone";

    private const string UsualHttp = "http://0.0.0.0:5210";
    private const int UsualPort = 5210;

    /// <summary>Addresses to listen at: those that were asked for, and HTTPS on the next port where none of them is.</summary>
    /// <param name="urls">As on the command line, or null.</param>
    public static string Addresses(string? urls)
    {
        var asked = string.IsNullOrWhiteSpace(urls) ? UsualHttp : urls;
        if (asked.Split(';').Any(u => u.StartsWith("https:", StringComparison.OrdinalIgnoreCase)))
            return asked;
        var first = asked.Split(';', StringSplitOptions.RemoveEmptyEntries)[0]["http://".Length..].TrimEnd('/');
        var colon = first.LastIndexOf(':');
        var port = colon > 0 && int.TryParse(first[(colon + 1)..], out var given) ? given : UsualPort;
        return $"{asked};https://{(colon > 0 ? first[..colon] : first)}:{(port == 0 ? 0 : port + 1)}";
    }

    /// <summary>Has the program listen by HTTPS too, where that was asked for.</summary>
    public static void AddFarmTls(this WebApplicationBuilder builder, StartOptions options, string keys)
    {
        if (!options.Https)
            return;
        MachineNames Names() => MachineNames.Now(options.HttpsNames);
        var clock = TimeProvider.System;
        var certificate = new ShownCertificate(FarmAuthority.Take(keys, Names(), clock.GetUtcNow()), Names, clock);
        builder.Services.AddSingleton(certificate);
        builder.WebHost.UseUrls(Addresses(builder.Configuration["urls"]));
        builder.WebHost.ConfigureKestrel(k =>
            k.ConfigureHttpsDefaults(h => h.ServerCertificateSelector = (_, _) => certificate.Current())
        );
    }

    /// <summary>Leads pages that are opened over plain HTTP to the page that says how a phone comes to HTTPS: cookies of the two do not mix.</summary>
    public static void UseFarmTls(this WebApplication app, StartOptions options)
    {
        app.MapGet(CertificateAddress, (HttpContext http) =>
                http.RequestServices.GetService<ShownCertificate>() is { } shown
                    ? Results.File(shown.Authority.ForPhones(), "application/x-x509-ca-cert", "farm-certificate.crt")
                    : Results.NotFound()
            )
            .WithMetadata(new OpenAttribute());
        if (options.Https)
            app.Use(
                (http, next) =>
                {
                    if (!IsPageOverHttp(http.Request))
                        return next();
                    var to = Uri.EscapeDataString(http.Request.Path + http.Request.QueryString);
                    http.Response.Redirect($"{Page}?to={to}");
                    return Task.CompletedTask;
                }
            );
    }

    /// <summary>Base address of the program by HTTPS, as a phone on the farm's network reaches it; null where it does not listen so.</summary>
    /// <param name="http">The request, whose own name of the machine is the one that is known to work.</param>
    public static string? Secure(HttpContext http)
    {
        if (http.Request.IsHttps)
            return $"https://{http.Request.Host}";
        return Port(http, "https") is { } port ? $"https://{HostName(http)}:{port}" : null;
    }

    /// <summary>Base address by plain HTTP, where the certificate can be fetched before it is trusted; null where there is none.</summary>
    public static string? Plain(HttpContext http) =>
        Port(http, "http") is { } port ? $"http://{HostName(http)}:{port}" : null;

    // A desk that looks at itself reaches the machine as localhost; a phone does not.
    private static string HostName(HttpContext http) =>
        IsThisMachine(http.Request.Host.Host) && http.RequestServices.GetService<ShownCertificate>() is { } shown
            ? shown.Names.ToReach
            : http.Request.Host.Host;

    private static int? Port(HttpContext http, string scheme) =>
        http
            .RequestServices.GetRequiredService<IServer>()
            .Features.Get<IServerAddressesFeature>()
            ?.Addresses.Where(a => a.StartsWith(scheme + ":", StringComparison.Ordinal))
            .Select(a => (int?)BindingAddress.Parse(a).Port)
            .FirstOrDefault();

    private static bool IsThisMachine(string host) => host is "localhost" or "127.0.0.1" or "[::1]";

    private static bool IsPageOverHttp(HttpRequest request) =>
        !request.IsHttps
        && HttpMethods.IsGet(request.Method)
        && request.Path != Page
        && !IsThisMachine(request.Host.Host)
        && request.Headers.Accept.ToString().Contains("text/html", StringComparison.Ordinal);
}
