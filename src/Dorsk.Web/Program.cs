using System.Globalization;
using Dorsk.Web;

// Figures are printed by the farm's own hand; nothing may follow the machine's.
CultureInfo.DefaultThreadCurrentCulture = CultureInfo.DefaultThreadCurrentUICulture = CultureInfo.InvariantCulture;

if (Verbs.Run(args) is { } ended)
    return ended;
try
{
    await using var farm = Serving.Take(args);
    await farm.App.RunAsync();
    return 0;
}
catch (Exception problem) when (problem is not HostAbortedException)
{
    Console.Error.WriteLine(StartProblem.Words(problem));
    return 1;
}

/// <summary>Named so that tests can start it.</summary>
public partial class Program;
