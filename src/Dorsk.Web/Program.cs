using System.Globalization;
using Dorsk.Farm.Files;
using Dorsk.Web;

// Figures are printed by the farm's own hand; nothing may follow the machine's.
CultureInfo.DefaultThreadCurrentCulture = CultureInfo.DefaultThreadCurrentUICulture = CultureInfo.InvariantCulture;

if (Verbs.Run(args) is { } ended)
    return ended;
try
{
    var builder = WebApplication.CreateBuilder(
        new WebApplicationOptions { Args = Verbs.Flagged(args), ContentRootPath = AppContext.BaseDirectory }
    );
    var options = new StartOptions(builder.Configuration);
    using var folder = FarmFolder.Take(options.Data, options.IsNew);
    builder.AddDorsk(options, folder.File);
    var app = builder.Build();
    app.UseDorsk(options);
    app.Run();
    return 0;
}
catch (Exception problem) when (problem is not HostAbortedException)
{
    Console.Error.WriteLine(StartProblem.Words(problem));
    return 1;
}

/// <summary>Named so that tests can start it.</summary>
public partial class Program;
