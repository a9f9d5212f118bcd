using System.Globalization;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;
using Dorsk.Web;
using Dorsk.Farm.State;
using Dorsk.Web.Alarms;
using Dorsk.Web.Inlets;
using Dorsk.Web.People;
using Dorsk.Web.Sheets;
using Microsoft.AspNetCore.DataProtection;

// Figures are printed by the farm's own hand; nothing may follow the machine's.
CultureInfo.DefaultThreadCurrentCulture = CultureInfo.DefaultThreadCurrentUICulture = CultureInfo.InvariantCulture;

if (Verbs.Run(args) is { } ended)
    return ended;

var builder = WebApplication.CreateBuilder(new WebApplicationOptions { Args = args, ContentRootPath = AppContext.BaseDirectory });
var data = builder.Configuration["data"] ?? Verbs.UsualFolder;
Directory.CreateDirectory(data);
var file = new FarmFile(Path.Combine(data, Verbs.FarmDb));
try
{
    file.Prepare();
}
catch (InvalidOperationException problem)
{
    Console.Error.WriteLine(problem.Message);
    return 1;
}

var clock = new FarmClock(builder.Configuration["clock"], builder.Configuration["rate"]);
var questions = new Questions(file);
// The farm is read while the host is still being built; the first page finds the answers there.
var reading = Task.Run(() => questions.Today(clock.GetUtcNow()));
builder.Services.AddSingleton(file);
builder.Services.AddSingleton(clock);
builder.Services.AddSingleton(new Door(file, clock));
builder.Services.AddSingleton(questions);
builder.Services.AddSingleton(new SheetDoor(file, clock));
builder.Services.AddSingleton(new SheetMaps(file));
builder.Services.AddSingleton(new SheetImports(file));
builder.Services.AddSingleton(s => new NightlyForecasts(s.GetRequiredService<Door>(), s.GetRequiredService<Questions>(), s.GetRequiredService<FarmClock>()));
builder.Services.AddHostedService<ForecastTeller>();
builder.Services.AddSingleton(new DeviceKeys(file));
builder.Services.AddSingleton(new CalendarKeys(file));
builder.Services.AddSingleton<DeviceGate>();
builder.Services.AddSingleton<ProbeInlet>();
builder.Services.AddSingleton(s => new AlarmWatch(s.GetRequiredService<Door>(), s.GetRequiredService<Questions>(), s.GetRequiredService<Heard>(), s.GetRequiredService<FarmClock>(), s.GetRequiredService<FarmClock>().Patience));
builder.Services.AddSingleton<AlarmPost>();
builder.Services.AddSingleton<AlarmTeller>();
builder.Services.AddHostedService(s => s.GetRequiredService<AlarmTeller>());
builder.Services.AddSingleton(s => new Heard(s.GetRequiredService<FarmClock>()));
builder.Services.AddSingleton(s => new AirKeeping(s.GetRequiredService<Door>(), s.GetRequiredService<Questions>(), s.GetRequiredService<FarmClock>()));
builder.Services.AddSingleton<PanelInlet>();
builder.Services.AddSingleton<MqttInlet>();
builder.Services.AddHostedService(s => s.GetRequiredService<MqttInlet>());
builder.Services.AddSingleton<AirKeeper>();
builder.Services.AddHostedService(s => s.GetRequiredService<AirKeeper>());
builder.Services.AddSingleton(s => new Dorsk.Farm.Files.LoggerFile(s.GetRequiredService<Door>(), s.GetRequiredService<Questions>(), s.GetRequiredService<FarmClock>()));
builder.Services.AddSingleton<LoggerDrop>();
builder.Services.AddHostedService(s => s.GetRequiredService<LoggerDrop>());
builder.Services.AddOpenApi();
builder.Services.AddHttpContextAccessor();
builder.Services.AddScoped<Here>();
builder.Services.AddSingleton(new DemoFarmOpen(builder.Configuration["demo"] == "true"));
builder.Services.AddSignIns();
builder.Services.AddRazorPages().AddMvcOptions(o => o.Filters.AddService<Gate>());
builder.Services.AddDataProtection().PersistKeysToFileSystem(new DirectoryInfo(Path.Combine(data, "keys"))).SetApplicationName("dorsk");
builder.Services.AddAntiforgery(o =>
{
    o.Cookie.Name = "dorsk-form";
    o.Cookie.SameSite = SameSiteMode.Lax;
    // Phones on the bank reach plain HTTP, where a Secure cookie is dropped.
    o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
});
builder.Services.AddResponseCompression();

var app = builder.Build();
app.UseExceptionHandler("/error");
app.UseStatusCodePagesWithReExecute("/error", "?code={0}");
app.Use((context, next) =>
{
    context.Response.Headers.ContentSecurityPolicy = "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'self'; frame-ancestors 'none'";
    context.Response.Headers.XContentTypeOptions = "nosniff";
    context.Response.Headers["Referrer-Policy"] = "same-origin";
    return next();
});
app.UseResponseCompression();
app.UseStaticFiles();
app.UseRouting();
app.UseAuthentication();
app.UseRateLimiter();
app.UseGate();
app.UseAntiforgery();
app.MapRazorPages();
app.MapLive();
app.MapCalendars();
app.MapMachineApi();
// What fails here fails again, and visibly, on the first page that asks.
_ = reading.ContinueWith(r => app.Logger.LogError(r.Exception, "The farm could not be read at the start."), TaskContinuationOptions.OnlyOnFaulted);
app.Run();
return 0;

/// <summary>Named so that tests can start it.</summary>
public partial class Program;
