using Dorsk.Farm.Files;

namespace Dorsk.Web;

/// <summary>A farm that is served: the program put together over its folder, which is held until the end.</summary>
public sealed class Serving : IAsyncDisposable
{
    private readonly FarmFolder folder;

    private Serving(WebApplication app, FarmFolder folder) => (App, this.folder) = (app, folder);

    /// <summary>The program, ready to be started.</summary>
    public WebApplication App { get; }

    /// <summary>Takes the farm's folder and puts the program together.</summary>
    /// <param name="args">The command line.</param>
    /// <exception cref="FarmFilesException">An option or the folder is wrong.</exception>
    public static Serving Take(string[] args)
    {
        var builder = WebApplication.CreateBuilder(
            new WebApplicationOptions
            {
                Args = Verbs.Flagged(args),
                ContentRootPath = AppContext.BaseDirectory,
                // whoever starts it, the pages are this program's
                ApplicationName = typeof(Serving).Assembly.GetName().Name,
            }
        );
        var options = new StartOptions(builder.Configuration);
        var folder = FarmFolder.Take(options.Data, options.IsNew);
        try
        {
            builder.AddDorsk(options, folder.File);
            var app = builder.Build();
            app.UseDorsk(options);
            return new(app, folder);
        }
        catch
        {
            folder.Dispose();
            throw;
        }
    }

    /// <inheritdoc/>
    public async ValueTask DisposeAsync()
    {
        await App.DisposeAsync();
        folder.Dispose();
    }
}
