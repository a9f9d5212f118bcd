using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;
using Dorsk.Farm.State;
using Dorsk.Practice;
using Dorsk.Web.Alarms;
using Dorsk.Web.Find;
using Dorsk.Web.Inlets;
using Dorsk.Web.People;
using Dorsk.Web.Phone;
using Dorsk.Web.Sheets;
using Dorsk.Web.Tls;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.HttpOverrides;

namespace Dorsk.Web;

/// <summary>Puts the program together: what it is made of, and through what a request passes.</summary>
public static class Building
{
    private const string Policy =
        "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'self'; frame-ancestors 'none'";

    /// <summary>What the program is made of.</summary>
    /// <exception cref="FarmFilesException">A demo switch on a file that is no demo.</exception>
    public static void AddDorsk(this WebApplicationBuilder builder, StartOptions options, FarmFile file)
    {
        var services = builder.Services;
        var clock = Clock(options, file);
        var right = new ClockRight(file);
        var questions = new Questions(file, UpTo(right, clock));
        // The farm is read while the host is still being built; the first page finds the answers there, or fails visibly itself.
        _ = Task.Run(() => questions.Today(clock.GetUtcNow()));
        services.AddSingleton(options);
        services.AddSingleton(file);
        services.AddSingleton(clock);
        services.AddSingleton(right);
        services.AddSingleton(questions);
        services.AddSingleton(new Door(file, clock));
        services.AddSingleton(new SheetDoor(file, clock));
        services.AddSingleton(new SheetMaps(file));
        services.AddSingleton(new SheetImports(file));
        services.AddSingleton(new DemoFarmOpen(options.Demo));
        if (options.Demo)
            foreach (var photo in DemoFarm.Photos)
                new PhotoFolder(file.Path).Keep(photo);
        // One part that fails must not take the watch along.
        services.Configure<HostOptions>(o =>
            o.BackgroundServiceExceptionBehavior = BackgroundServiceExceptionBehavior.Ignore
        );
        services.AddWatch(file, clock);
        services.AddInlets(clock);
        services.AddOpenApi(ApiDescription.Describe);
        services.AddHttpContextAccessor();
        services.AddScoped<Here>();
        services.AddSignIns();
        services.AddRazorPages().AddMvcOptions(o => o.Filters.AddService<Gate>());
        PageParts.Use(services);
        var keys = Directory.CreateDirectory(Path.Combine(options.Data, "keys"));
        if (!OperatingSystem.IsWindows())
            keys.UnixFileMode = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;
        builder.AddFarmTls(options, keys.FullName);
        services.AddDataProtection().PersistKeysToFileSystem(keys).SetApplicationName("dorsk");
        services.AddAntiforgery(o =>
        {
            o.Cookie.Name = "dorsk-form";
            o.Cookie.SameSite = SameSiteMode.Lax;
            // Phones on the bank reach plain HTTP, where a Secure cookie is dropped.
            o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        });
        services.AddResponseCompression();
        services.Configure<ForwardedHeadersOptions>(o =>
        {
            o.ForwardedHeaders =
                ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto | ForwardedHeaders.XForwardedHost;
            // Nobody is believed but the proxies that were named.
            o.KnownIPNetworks.Clear();
            o.KnownProxies.Clear();
            foreach (var proxy in options.Proxies)
                o.KnownProxies.Add(proxy);
        });
    }

    /// <summary>Through what a request passes.</summary>
    public static void UseDorsk(this WebApplication app, StartOptions options)
    {
        if (options.Proxies.Count > 0)
            app.UseForwardedHeaders();
        app.UseLastWord();
        app.UseExceptionHandler(
            new ExceptionHandlerOptions
            {
                ExceptionHandlingPath = "/error",
                StatusCodeSelector = Faults.Status,
                AllowStatusCode404Response = true,
            }
        );
        app.UseStatusCodePagesWithReExecute("/error", "?code={0}");
        app.Use(
            (context, next) =>
            {
                var headers = context.Response.Headers;
                headers.ContentSecurityPolicy = Policy;
                headers.XContentTypeOptions = "nosniff";
                headers["Referrer-Policy"] = "same-origin";
                // With the farm's own certificate both ways stand beside each other at one name: a browser that insists on TLS would find no page at the other port.
                if (context.Request.IsHttps && !options.Https)
                    headers.StrictTransportSecurity = "max-age=31536000";
                return next();
            }
        );
        app.UseKnownMethods();
        app.UseFarmTls(options);
        app.UseResponseCompression();
        app.UsePhoneFiles();
        app.UseLately();
        app.UseRouting();
        app.UseAuthentication();
        app.UsePersonTold();
        app.UseRateLimiter();
        app.UseGate();
        app.UseAntiforgery();
        app.MapRazorPages();
        app.MapLive();
        app.MapSignal();
        app.MapHealth();
        app.MapCalendars();
        app.MapMachineApi();
        app.Lifetime.ApplicationStarted.Register(app.Services.GetRequiredService<FirstWord>().Print);
    }

    private static void AddWatch(this IServiceCollection services, FarmFile file, FarmClock clock)
    {
        services.AddSingleton(new Heartbeat(TimeProvider.System));
        services.AddSingleton(new Heard(clock));
        services.AddSingleton(s => new AlarmMemory(
            s.GetRequiredService<Door>(),
            s.GetRequiredService<Questions>(),
            clock
        ));
        services.AddSingleton(s => new AlarmWatch(
            file,
            s.GetRequiredService<Door>(),
            s.GetRequiredService<Questions>(),
            s.GetRequiredService<AlarmMemory>(),
            s.GetRequiredService<Heard>(),
            s.GetRequiredService<Heartbeat>(),
            clock,
            clock.Patience
        ));
        services.AddSingleton<AlarmPost>();
        services.AddHosted<FileLook>();
        services.AddHosted<AlarmLooker>();
        services.AddHosted<AlarmTeller>();
        services.AddHosted<HeartbeatPost>();
        services.AddSingleton(s => new NightlyForecasts(
            s.GetRequiredService<Door>(),
            s.GetRequiredService<Questions>(),
            clock
        ));
        services.AddHosted<ForecastTeller>();
        services.AddSingleton(s => new AirKeeping(
            s.GetRequiredService<Door>(),
            s.GetRequiredService<Questions>(),
            clock
        ));
        services.AddHosted<AirKeeper>();
    }

    private static void AddInlets(this IServiceCollection services, FarmClock clock)
    {
        services.AddSingleton<DeviceKeys>();
        services.AddSingleton<CalendarKeys>();
        services.AddSingleton<DeviceGate>();
        services.AddSingleton<ProbeInlet>();
        services.AddSingleton<PanelInlet>();
        services.AddHosted<MqttInlet>();
        services.AddSingleton(s => new LoggerFile(
            s.GetRequiredService<Door>(),
            s.GetRequiredService<Questions>(),
            clock
        ));
        services.AddHosted<LoggerDrop>();
    }

    private static void AddHosted<T>(this IServiceCollection services)
        where T : class, IHostedService
    {
        services.AddSingleton<T>();
        services.AddHostedService(s => s.GetRequiredService<T>());
    }

    // A demo opens without a password and with another clock; a farm's own file never does, whatever the command line or the environment say.
    private static FarmClock Clock(StartOptions options, FarmFile file)
    {
        var made = new MadeAs(file);
        if (options.IsNew && (options.Demo || options.OtherClock))
            made.MarkDemo();
        if ((options.Demo || options.OtherClock) && !made.Demo)
            throw new FarmFilesException(
                $"{file.Path} is a farm's own file, no demo: --demo, --clock and --rate are not taken for it. Start without them (look at the environment too: DEMO, CLOCK, RATE)."
            );
        var clock = new FarmClock(options.Clock, options.Rate);
        clock.NotBefore(new ClockRight(file).Newest());
        return clock;
    }

    // Only where a Manager has set lines of a clock that ran ahead aside do a pond's stories end at the present.
    private static Func<DateTimeOffset> UpTo(ClockRight right, FarmClock clock)
    {
        var asked = -1L;
        var vouched = false;
        return () =>
        {
            if (asked < 0 || Environment.TickCount64 - asked > 5000)
                (vouched, asked) = (right.Vouched, Environment.TickCount64);
            return vouched ? clock.GetUtcNow().AddMinutes(5) : DateTimeOffset.MaxValue;
        };
    }
}
